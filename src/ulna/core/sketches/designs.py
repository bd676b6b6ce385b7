"""Ulna's own sketches, made by rule for a page of any proportion: grids, thirds, a column, a horizon, a frame, a
diagonal, a ring, one large photo, photos over the fold.

Each rule takes the number of photos and the page, and gives places in units of the page's height, which become shares
of the page. What a rule cannot do with a number of photos or a proportion it leaves out.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from functools import lru_cache

from ulna.core.page_formats import PageFormat
from ulna.core.sketches.sketch import Role, Shaped, Sketch, SketchPlace

MOST_PHOTOS = 12
GAP = 1 / 96
"""Between photos that belong together, as a share of the page's height: 1/8 in of 12."""
MARGIN = 1 / 16


@dataclass(frozen=True, slots=True)
class Leaf:
    """What a rule designs on: `width` of all pages together and of one, in units of the height."""

    width: float
    one: float
    pages: int


Drawn = tuple[Role, float, float, float, float]
"""Role, left, top, width, height in units of the page's height."""
Rule = Callable[[int, Leaf], list[Drawn]]


@lru_cache(32)
def designs(proportion: float, pages: int) -> tuple[Sketch, ...]:
    """All of them for pages of a proportion, from one photo to twelve."""
    leaf = Leaf(proportion * pages, proportion, pages)
    return tuple(_all(leaf, proportion))


def for_format(format: PageFormat) -> tuple[Sketch, ...]:
    return designs(round(format.width.inches / format.height.inches, 6), format.pages)


def _all(leaf: Leaf, proportion: float) -> Iterator[Sketch]:
    for name, (least, most, pages, rule) in RULES.items():
        if pages not in (0, leaf.pages):
            continue
        for n in range(least, min(most, MOST_PHOTOS) + 1):
            drawn = rule(n, leaf)
            if not drawn or not _sound(drawn, leaf, n):
                continue
            places = tuple(_place(one, proportion) for one in drawn)
            photos = f"{n} photo{'' if n == 1 else 's'}"
            yield Sketch(f"{name}, {photos}", leaf.pages, round(proportion, 6), places)


def _sound(drawn: list[Drawn], leaf: Leaf, n: int) -> bool:
    """Whether all photos are there, large enough, on the page, and on none of each other."""
    photos = [one for one in drawn if one[0] == "photo"]
    if len(photos) != n:
        return False
    for _, x, y, w, h in drawn:
        if w <= 0.02 or h <= 0.015 or x < -1e-6 or y < -1e-6 or x + w > leaf.width + 1e-6 or y + h > 1 + 1e-6:
            return False
    if any(min(w, h) < 0.1 for _, _, _, w, h in photos):
        return False
    return not any(_on(a, b) for k, a in enumerate(photos) for b in photos[:k])


def _on(a: Drawn, b: Drawn) -> bool:
    _, ax, ay, aw, ah = a
    _, bx, by, bw, bh = b
    near = 1e-6
    return ax < bx + bw - near and bx < ax + aw - near and ay < by + bh - near and by < ay + ah - near


def _place(one: Drawn, proportion: float) -> SketchPlace:
    role, x, y, w, h = one
    shaped: Shaped = "any"
    if role == "photo":
        shaped = "square" if abs(w - h) < 0.02 else "sideways" if w > h else "upright"
    return SketchPlace(role, round(x / proportion, 6), round(y, 6), round(w / proportion, 6), round(h, 6), shaped)


# ---- what rules are made of ------------------------------------------------------------------------------


def _in_row(n: int, x: float, y: float, width: float, height: float, gap: float = GAP) -> list[Drawn]:
    """n photos side by side that fill a box."""
    each = (width - gap * (n - 1)) / n
    return [("photo", x + k * (each + gap), y, each, height) for k in range(n)]


def _in_column(n: int, x: float, y: float, width: float, height: float, gap: float = GAP) -> list[Drawn]:
    each = (height - gap * (n - 1)) / n
    return [("photo", x, y + k * (each + gap), width, each) for k in range(n)]


def _off_fold(drawn: list[Drawn], leaf: Leaf) -> list[Drawn]:
    """None of them crosses the fold of a spread: then the rule does not go there."""
    if leaf.pages == 1:
        return drawn
    crosses = any(
        x < leaf.one - 1e-6 < x + w - 2e-6 for role, x, _, w, _ in drawn if role in ("photo", "title", "words")
    )
    return [] if crosses else drawn


def _columns_of(n: int, width: float, height: float) -> int:
    """So many columns that cells are nearest to squares."""
    return min(range(1, n + 1), key=lambda c: (abs(math.log((width / c) / (height / math.ceil(n / c)))), c))


# ---- the rules -------------------------------------------------------------------------------------------


def _one_large(n: int, leaf: Leaf) -> list[Drawn]:
    """One large photo on a panel, the others small in a column beside it, title and words below."""
    w, m = leaf.one, MARGIN
    side = 0.24 * w if n > 1 else 0.0
    large_w, large_h = w - 2 * m - (side + m if n > 1 else 0), 0.6
    drawn: list[Drawn] = [("panel", m / 2, m / 2, w - m, 1 - m), ("photo", m, m, large_w, large_h)]
    if n > 1:
        drawn += _in_column(n - 1, w - m - side, m, side, large_h)
    drawn += [
        ("title", m, m + large_h + m / 2, w - 2 * m, 0.12),
        ("words", m, 0.8 + m / 2, (w - 2 * m) * 0.6, 0.2 - 1.5 * m),
    ]
    drawn.append(("cluster", m + (w - 2 * m) * 0.68, 0.82, (w - 2 * m) * 0.3, 0.12))
    return _beside(drawn, leaf)


def _beside(drawn: list[Drawn], leaf: Leaf) -> list[Drawn]:
    """A design of one page; on a spread the other page has its title and words, and a panel with room for them."""
    if leaf.pages == 1:
        return drawn
    w, m = leaf.one, MARGIN
    left = [one for one in drawn if one[0] in ("panel", "photo", "strip", "cluster")]
    right: list[Drawn] = [
        ("panel", w + m / 2, m / 2, w - m, 1 - m), ("title", w + m, 0.2, w - 2 * m, 0.16),
        ("words", w + m, 0.42, w - 2 * m, 0.3), ("cluster", w + w * 0.6, 0.78, w * 0.28, 0.12),
    ]  # fmt: skip
    return left + right


def _grid(n: int, leaf: Leaf) -> list[Drawn]:
    """A grid that fills the page but for a shelf with the title."""
    m, shelf = MARGIN, 0.16
    width, height = leaf.one - 2 * m, 1 - 2 * m - shelf
    if leaf.pages == 2:
        on_left = math.ceil(n / 2)
        left, right = _cells(on_left, m, m, width, height), _cells(n - on_left, leaf.one + m, m, width, height)
        drawn = [*left, *right]
    else:
        drawn = _cells(n, m, m, width, height)
    drawn += [("title", m, 1 - m - shelf + 0.02, width * 0.62, shelf - 0.04)]
    x = leaf.one + m if leaf.pages == 2 else m + width * 0.66
    wide = width if leaf.pages == 2 else width * 0.34
    return [
        ("panel", m / 2, m / 2, leaf.one - m, 1 - m),
        *drawn,
        ("words", x, 1 - m - shelf + 0.02, wide, shelf - 0.04),
    ]


def _cells(n: int, x: float, y: float, width: float, height: float) -> list[Drawn]:
    if n < 1:
        return []
    columns = _columns_of(n, width, height)
    rows = math.ceil(n / columns)
    each = (height - GAP * (rows - 1)) / rows
    drawn = list[Drawn]()
    for row in range(rows):
        here = min(columns, n - row * columns)
        drawn += _in_row(here, x, y + row * (each + GAP), width, each)
    return drawn


def _horizon(n: int, leaf: Leaf) -> list[Drawn]:
    """A row of photos standing on a strip at two thirds, the title under it."""
    m, high = MARGIN, 0.34
    strip: list[Drawn] = [("panel", 0.0, 0.2, leaf.width, 0.52), ("strip", 0.0, 0.66, leaf.width, 0.06)]
    if leaf.pages == 2:
        left = math.ceil(n / 2)
        photos = _in_row(left, m, 0.66 - high, leaf.one - 2 * m, high)
        if n - left:
            photos += _in_row(n - left, leaf.one + m, 0.66 - high, leaf.one - 2 * m, high)
    else:
        photos = _in_row(n, m, 0.66 - high, leaf.one - 2 * m, high)
    words: list[Drawn] = [
        ("title", m, 0.76, leaf.one - 2 * m, 0.1), ("words", m, 0.88, leaf.one * 0.55, 0.08),
        ("cluster", leaf.width - m - 0.2 * leaf.one, 0.6, 0.2 * leaf.one, 0.1),
    ]  # fmt: skip
    return strip + photos + words


def _column(n: int, leaf: Leaf) -> list[Drawn]:
    """Photos in a column at the left third, title and words beside it."""
    m, w = MARGIN, leaf.one
    wide = w * 0.4
    photos = _in_column(n, m * 1.5, m, wide - m, 1 - 2 * m)
    right, room = m + wide + m / 2, w - wide - 2.5 * m
    drawn: list[Drawn] = [
        ("panel", m, 0.0, wide, 1.0), ("strip", m + wide, 0.0, 0.04 * w, 1.0), *photos,
        ("title", right + 0.04 * w, 0.12, room - 0.04 * w, 0.16),
        ("words", right + 0.04 * w, 0.34, room - 0.04 * w, 0.34),
        ("cluster", right + 0.3 * room, 0.76, room * 0.5, 0.14),
    ]  # fmt: skip
    return _beside(drawn, leaf) if leaf.pages == 2 else drawn


def _frame(n: int, leaf: Leaf) -> list[Drawn]:
    """A frame of paper, in it a block of photos with even gaps, the title on the frame's lower edge."""
    m, w = MARGIN, leaf.one
    inner = 0.1
    block = _cells(n, inner, inner, w - 2 * inner, 0.62)
    drawn: list[Drawn] = [("panel", 0.02, 0.02, w - 0.04, 0.96), ("panel", m, m, w - 2 * m, 1 - 2 * m), *block]
    drawn += [
        ("title", inner, 0.62 + inner + 0.03, w - 2 * inner, 0.09),
        ("words", inner, 0.85, (w - 2 * inner) * 0.6, 0.07), ("cluster", w - 0.08 - 0.2 * w, 0.82, 0.2 * w, 0.11),
    ]  # fmt: skip
    return _beside(drawn, leaf)


def _diagonal(n: int, leaf: Leaf) -> list[Drawn]:
    """Photos stepping down from the upper left, title above right, words below left."""
    m, w = MARGIN, leaf.width
    if leaf.pages == 2 and n % 2:
        return []
    wide = (w - 2 * m) / n if leaf.pages == 1 else (leaf.one - 2 * m) / (n // 2)
    high = min(0.42, wide * 0.9)
    steps = (1 - 2 * m - high) / max(1, n - 1)
    photos = list[Drawn]()
    for k in range(n):
        x = m + k * wide
        if leaf.pages == 2 and k >= n // 2:
            x = leaf.one + m + (k - n // 2) * wide
        photos.append(("photo", x, m + k * steps, wide - GAP, high))
    drawn: list[Drawn] = [
        ("panel", m / 2, m / 2, leaf.width - m, 1 - m), *photos,
        ("title", leaf.width - m - 0.45 * leaf.one, m, 0.45 * leaf.one, 0.12), ("words", m, 0.8, 0.4 * leaf.one, 0.13),
        ("cluster", m + wide, 0.55 if n > 2 else 0.62, 0.2 * leaf.one, 0.1),
    ]  # fmt: skip
    return drawn


def _ring(n: int, leaf: Leaf) -> list[Drawn]:
    """Photos round the title in the middle, on a round panel."""
    if leaf.pages == 2:
        return []
    w = leaf.one
    side = min(0.26, 0.9 * math.pi / n * min(w, 1) * 0.42 * 1.1)
    rx, ry = w / 2 - side / 2 - 0.04, 0.5 - side / 2 - 0.04
    drawn: list[Drawn] = [("panel", 0.06 * w, 0.06, 0.88 * w, 0.88)]
    for k in range(n):
        a = math.tau * k / n - math.pi / 2
        drawn.append(("photo", w / 2 + rx * math.cos(a) - side / 2, 0.5 + ry * math.sin(a) - side / 2, side, side))
    free = max(0.16, rx - side / 2 - 0.02)
    drawn += [
        ("title", w / 2 - free, 0.42, 2 * free, 0.1), ("words", w / 2 - free * 0.8, 0.54, free * 1.6, 0.08),
        ("cluster", w - 0.2 * w, 0.86, 0.16 * w, 0.1),
    ]  # fmt: skip
    return drawn


def _thirds(n: int, leaf: Leaf) -> list[Drawn]:
    """A focal photo over two thirds, the others in the third that is left, a strip at the line between them."""
    m, w = MARGIN, leaf.one
    line = w * 2 / 3
    large: Drawn = ("photo", m, 1 / 3, line - 1.5 * m, 2 / 3 - m)
    rest = _in_column(n - 1, line + m / 2, m, w - line - 1.5 * m, 1 - 2 * m) if n > 1 else []
    drawn: list[Drawn] = [
        ("panel", 0.0, 0.0, line, 1.0), ("strip", line - 0.02, 0.0, 0.04, 1.0), large, *rest,
        ("title", m, m, line - 2 * m, 0.12), ("words", m, m + 0.14, (line - 2 * m) * 0.9, 1 / 3 - 2 * m - 0.14),
        ("cluster", line - m - 0.22 * w, 0.9 - m, 0.22 * w, 0.1),
    ]  # fmt: skip
    return _beside(drawn, leaf)


def _block(n: int, leaf: Leaf) -> list[Drawn]:
    """Photos that touch in one block on a mat, off the middle, title along its upper edge."""
    m, w = MARGIN, leaf.one
    wide, high = w * 0.66, 0.56
    x, y = w - m - wide, 0.26
    drawn: list[Drawn] = [
        ("panel", m / 2, 0.2, w - m, 0.68), ("strip", 0.0, 0.84, w, 0.05), *_cells(n, x, y, wide, high),
        ("title", x, 0.07, wide, 0.12), ("words", m, 0.3, w - wide - 2.4 * m, 0.4),
        ("cluster", m, 0.74, w - wide - 2.4 * m, 0.1),
    ]  # fmt: skip
    return _beside(drawn, leaf)


def _two_rows(n: int, leaf: Leaf) -> list[Drawn]:
    """A row above and a row below, between them title and words on a band of paper."""
    m = MARGIN
    above, below = math.ceil(n / 2), n // 2
    if not below:
        return []
    high = 0.3
    drawn: list[Drawn] = [("strip", 0.0, m + high + 0.03, leaf.width, 1 - 2 * (m + high) - 0.06)]
    drawn += _rows_over(above, m, high, leaf) + _rows_over(below, 1 - m - high, high, leaf)
    middle = m + high + 0.05
    room = 1 - 2 * middle
    drawn += [
        ("title", m, middle, leaf.one * 0.5 - m, room),
        ("words", leaf.one * 0.5 + m / 2, middle, leaf.one * 0.5 - 1.5 * m, room),
        ("cluster", leaf.width - m - 0.16 * leaf.one, middle - 0.02, 0.16 * leaf.one, 0.09),
    ]  # fmt: skip
    return _off_fold(drawn, leaf)


def _rows_over(n: int, y: float, high: float, leaf: Leaf) -> list[Drawn]:
    m = MARGIN
    if leaf.pages == 1:
        return _in_row(n, m, y, leaf.one - 2 * m, high)
    left = math.ceil(n / 2)
    found = _in_row(left, m, y, leaf.one - 2 * m, high)
    return found + (_in_row(n - left, leaf.one + m, y, leaf.one - 2 * m, high) if n - left else [])


def _over_the_fold(n: int, leaf: Leaf) -> list[Drawn]:
    """One photo over the fold, so that its middle lies well inside a page; the others beside it, title below."""
    m, one = MARGIN, leaf.one
    wide, high = one * 1.12, 0.62
    x = one * 0.62
    small = list[Drawn]()
    if n > 1:
        left = min(3, math.ceil((n - 1) / 2))
        small += _in_column(left, m, m, x - 2 * m, high)
        right = n - 1 - left
        if right:
            small += _in_column(min(3, right), x + wide + m / 2, m, leaf.width - x - wide - 1.5 * m, high)
            if right > 3:
                return []
    drawn: list[Drawn] = [
        ("panel", 0.0, high * 0.4, leaf.width, 0.5), ("photo", x, m, wide, high), *small,
        ("title", m, m + high + 0.05, one - 2 * m, 0.14), ("words", one + m, m + high + 0.05, one * 0.6, 0.2),
        ("cluster", leaf.width - m - 0.22 * one, 0.82, 0.22 * one, 0.12),
    ]  # fmt: skip
    return drawn


def _steps(n: int, leaf: Leaf) -> list[Drawn]:
    """Photos as stairs, each column one photo higher than the one before."""
    m, w = MARGIN, leaf.one
    columns = next((c for c in range(1, 5) if c * (c + 1) // 2 == n), 0)
    if columns < 2:
        return []
    side = min((w - 2 * m - GAP * (columns - 1)) / columns, (1 - 2 * m) * 0.74 / columns)
    drawn: list[Drawn] = [("panel", m / 2, m / 2, w - m, 1 - m)]
    for c in range(columns):
        for r in range(c + 1):
            drawn.append(("photo", m + c * (side + GAP), 1 - m - (r + 1) * (side + GAP) + GAP, side, side))
    top = 1 - m - columns * (side + GAP)
    drawn += [
        ("title", m, m, w * 0.6, 0.13),
        ("words", m, 0.24, max(0.2, w - 2 * m - side - 0.05) * 0.6, max(0.08, top * 0.4)),
        ("cluster", w - m - 0.2 * w, max(m, top - 0.12), 0.2 * w, 0.1),
    ]  # fmt: skip
    return _beside(drawn, leaf)


def _pinwheel(n: int, leaf: Leaf) -> list[Drawn]:
    """Four photos turning round a small middle that holds the title."""
    if n != 4 or leaf.pages == 2:
        return []
    m, w = MARGIN, leaf.one
    long_x, long_y = (w - 2 * m) * 0.6, (1 - 2 * m) * 0.6
    short_x, short_y = (w - 2 * m) * 0.4 - GAP, (1 - 2 * m) * 0.4 - GAP
    drawn: list[Drawn] = [
        ("panel", m / 2, m / 2, w - m, 1 - m),
        ("photo", m, m, long_x, short_y), ("photo", w - m - short_x, m, short_x, long_y),
        ("photo", w - m - long_x, 1 - m - short_y, long_x, short_y), ("photo", m, 1 - m - long_y, short_x, long_y),
        ("title", m + short_x + GAP, m + short_y + 0.03, w - 2 * m - 2 * short_x - 2 * GAP, 0.08),
        ("words", m + short_x + GAP, m + short_y + 0.12, w - 2 * m - 2 * short_x - 2 * GAP, 0.05),
    ]  # fmt: skip
    return drawn


def _large_page(n: int, leaf: Leaf) -> list[Drawn]:
    """One page is a photo to its edges, the other has the rest in a block."""
    if leaf.pages == 1:
        if n != 1:
            return []
        return [
            ("photo", 0.0, 0.0, leaf.one, 1.0), ("title", 0.1 * leaf.one, 0.72, 0.8 * leaf.one, 0.14),
            ("words", 0.1 * leaf.one, 0.88, 0.5 * leaf.one, 0.07),
        ]  # fmt: skip
    m, one = MARGIN, leaf.one
    block = _cells(n - 1, one + m, m, one - 2 * m, 0.56) if n > 1 else []
    return [
        ("panel", one + m / 2, m / 2, one - m, 1 - m), ("photo", 0.0, 0.0, one, 1.0), *block,
        ("title", one + m, 0.66, one - 2 * m, 0.13), ("words", one + m, 0.81, one * 0.55, 0.12),
        ("cluster", leaf.width - m - 0.2 * one, 0.82, 0.2 * one, 0.1),
    ]  # fmt: skip


def _strips(n: int, leaf: Leaf) -> list[Drawn]:
    """A band of paper strips down the page, photos to both sides of it in turn."""
    m, w = MARGIN, leaf.one
    each = (1 - 2 * m) / max(2, n)
    high = each - GAP
    wide = w * 0.5 - 1.5 * m
    drawn: list[Drawn] = [("strip", w / 2 - 0.03, 0.0, 0.06, 1.0), ("panel", m / 2, 0.08, w - m, 0.84)]
    for k in range(n):
        drawn.append(("photo", m if k % 2 == 0 else w / 2 + m / 2, m + k * each, wide, high))
    drawn += [
        ("title", w / 2 + m / 2, m, wide, min(0.14, high)),
        ("words", m, m + each, wide, high) if n > 1 else ("words", m, 0.6, wide, 0.2),
        ("cluster", w - m - 0.18 * w, 1 - m - 0.1, 0.18 * w, 0.09),
    ]  # fmt: skip
    return _beside(drawn, leaf)


RULES: dict[str, tuple[int, int, int, Rule]] = {
    "One large": (1, 6, 0, _one_large),
    "Grid": (2, 12, 0, _grid),
    "Horizon": (1, 8, 0, _horizon),
    "Column": (1, 5, 0, _column),
    "Frame": (1, 9, 0, _frame),
    "Diagonal": (2, 6, 0, _diagonal),
    "Ring": (4, 10, 0, _ring),
    "Thirds": (1, 5, 0, _thirds),
    "Block": (2, 9, 0, _block),
    "Two rows": (2, 12, 0, _two_rows),
    "Over the fold": (1, 7, 2, _over_the_fold),
    "Stairs": (3, 10, 0, _steps),
    "Pinwheel": (4, 4, 1, _pinwheel),
    "To the edges": (1, 9, 0, _large_page),
    "Both sides": (2, 6, 0, _strips),
}
"""Each rule by its name: from and up to how many photos, for one page or two (0: both), and what draws it."""


def family(sketch: Sketch) -> str:
    """The rule that it was made by; its own name where it is none of these."""
    name = sketch.name.split(",")[0]
    return name if name in RULES else sketch.name
