"""Pieced work: a shape, a rule, a list of strips.

strips     log cabin    pinwheel    herringbone   sunburst    triangle
║║║║║║     ┌──────┬┐    ═══║║║║     ╱╲╱╲╱╲        ╲ ╲│╱ ╱        ╱│╲
║║║║║║     ├┬────┐││    ═══║║║║     ╲╱╲╱╲╱        ─╲╲│╱╱─       ╱╱│╲╲
║║║║║║     ││ ▢  │││    ║║║║═══     ╱╲╱╲╱╲        ──╲│╱──      ╱╱╱│╲╲╲
║║║║║║     │└────┴┘│    ║║║║═══

A block of side S from strips w takes ⌈S/w⌉ strips of exactly S, or each 1/4 in longer where one trims afterwards.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from typing import Annotated, ClassVar, Literal

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, Length, Ruler, inches, length_of
from ulna.core.parts.beginning import Beginning, unchosen
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.over_long import OVER, over, shortest
from ulna.core.parts.papers import dealt
from ulna.core.parts.pieces import Built, Ground, Handle, PaperChoice, Papers, Piece
from ulna.core.parts.place import Place
from ulna.core.parts.sizing import size_handles
from ulna.core.ranges import Count, Id, Seed, Size, Whole

PiecedPattern = Literal["strips", "log cabin", "pinwheel", "herringbone", "sunburst", "triangle"]
MOST = 240
"""Pieces in one block: more are no work for an evening."""
BRICK = 3
"""A strip of a herringbone is so many times as long as wide."""


@dataclass(frozen=True, slots=True)
class Pieced:
    """`strip` is how wide each is. `over` makes each longer by 1/4 in, to be trimmed (None: as the house
    rule has it); `seed` draws the papers' order.

    Of a triangle `angle` is how steep its strips are against the base, and `arms` whether they rise or fall outward
    from the centre line; a sunburst has `rays`. Several `blocks` made from one set of strips share its papers out
    evenly; this one is number `block`. Where it is `backed` the strips are glued on a piece of the block's own shape.
    """

    kind: ClassVar[str] = "pieced"
    level: ClassVar[str] = "under"
    id: Id
    pattern: PiecedPattern = "strips"
    width: Size = inches(4)
    height: Size = inches(4)
    strip: Size = inches(0, 1, 2)
    papers: Papers = (PaperChoice(), PaperChoice())
    over: bool | None = None
    seed: Seed | None = None
    doubled: bool = False
    angle: Annotated[int, Whole(0, 89)] = 45
    arms: Literal["rising", "falling"] = "rising"
    rays: Count = 9
    block: Annotated[int, Whole(1, 100)] = 1
    blocks: Annotated[int, Whole(1, 100)] = 1
    backed: bool = False
    backing: PaperChoice = field(default_factory=PaperChoice)
    place: Place = field(default_factory=Place)


@dataclass(frozen=True, slots=True)
class StripCut:
    """One strip: what of it is seen, in inches from the block's corner, and how it was cut and lies."""

    seen: Polygon
    length: Length
    width: Length
    angle: float
    middle: tuple[float, float]


def strips_a_side(base: Length, height: Length, strip: Length, angle: int, arms: str) -> int:
    """Strips on each side of a triangle's centre line: ⌈(h + b/2·tan a)·cos a / w⌉ where the arms rise outward,
    ⌈max(h, b/2·tan a)·cos a / w⌉ where they fall."""
    a, half, h = math.radians(angle), base.inches / 2, height.inches
    reach = h + half * math.tan(a) if arms == "rising" else max(h, half * math.tan(a))
    return math.ceil(reach * math.cos(a) / strip.inches - 1e-9)


def build(part: Pieced, ground: Ground, room: Rect) -> Built:
    """The strips in the order in which they are laid."""
    ruler = ground.ruler
    width, height, strip = ruler.round(part.width), ruler.round(part.height), ruler.round(part.strip)
    problem = _problem(part, width, height, strip, ruler)
    more = over(part.over, ground)
    cuts = [] if problem else list(_cuts(part, width, height, strip, ruler, more))
    if len(cuts) > MOST:
        problem = f"{len(cuts)} pieces are more than {MOST}; make the strips wider or the block smaller."
    if problem:
        return Built(ZERO, ZERO, findings=(Finding("pieced", "stop", part.id, problem),))
    blocks, before = max(1, part.blocks), len(cuts) * (max(1, part.block) - 1)
    papers = dealt(part.papers, len(cuts) * max(blocks, part.block), part.seed, part.doubled)[before:]
    pieces = tuple(_piece(part, k, cut, papers[k], ruler) for k, cut in enumerate(cuts))
    about = Handle("strip", "strip", strip, ZERO, 1)
    if part.pattern == "sunburst":
        about = Handle("rays", "rays", width.part(3, 4), ZERO, 4, count=True)
    handles = (*size_handles(part.place, Rect(ZERO, ZERO, width, height)), about)
    under = (_backing(part, width, height),) if part.backed else ()
    findings = _too_long(part, cuts, ground)
    return Built(width, height, (*under, *pieces), _told(part, cuts, ruler, more), tuple(findings), handles=handles)


def _backing(part: Pieced, width: Length, height: Length) -> Piece:
    at = Rect(ZERO, ZERO, width, height)
    piece = Piece(f"{part.id}/backing", part.id, "panel", f"backing of the {part.pattern}", at, at, part.backing)
    if part.pattern != "triangle":
        return piece
    w, h = width.inches, height.inches
    return replace(piece, outline=((w / 2, 0.0), (w, h), (0.0, h)))


def _too_long(part: Pieced, cuts: list[StripCut], ground: Ground) -> list[Finding]:
    """A block as long as its paper: strips that are cut longer to be trimmed do not come out of it any more."""
    longest = max(cut.length for cut in cuts)
    short = shortest(part.papers, longest, ground)
    if not over(part.over, ground) or short is None:
        return []
    paper = ground.shelf.papers[short.paper or ""]
    say, most = ground.ruler.say, max(paper.usable.width, paper.usable.height)
    told = (
        f"Cut {say(OVER)} longer a strip is {say(longest)} long, and {paper.name} gives {say(most)} at most; "
        "cut the strips exactly, or make the block smaller."
    )
    exactly = Remedy("Cut them exactly", replace(part, over=False))
    return [Finding("too-long", "warn", part.id, told, (exactly,) if longest - OVER <= most else ())]


def _problem(part: Pieced, width: Length, height: Length, strip: Length, ruler: Ruler) -> str:
    if min(width, height) < inches(0, 1, 4):
        return f"{ruler.say_size(width, height)} is too flat to piece; make it 1/4 in or more both ways."
    if strip < SIZE.least:
        return "Its strips have no width; make them wider."
    if part.pattern == "sunburst" and not 3 <= part.rays <= 60:
        return f"A sunburst has 3 to 60 rays, not {part.rays}."
    if part.pattern == "triangle" and not 0 <= part.angle <= 80:
        return f"Strips stand at 0 to 80° to the base, not {part.angle}°."
    if part.pattern in ("log cabin", "pinwheel") and strip * 2 > min(width, height):
        return f"Strips of {ruler.say(strip)} are too wide for {ruler.say_size(width, height)}; make them narrower."
    if (width // strip) * (height // strip) > 40 * MOST:
        return f"Strips of {ruler.say(strip)} are too many for {ruler.say_size(width, height)}; make them wider."
    return ""


def _told(part: Pieced, cuts: list[StripCut], ruler: Ruler, more: Length) -> str:
    lengths = sorted({(cut.length, cut.width) for cut in cuts}, reverse=True)
    total = ruler.say(sum((cut.length for cut in cuts), ZERO))
    if part.pattern == "triangle":
        n = strips_a_side(part.width, part.height, part.strip, part.angle, part.arms)
        told = f"{n} strips a side, {ruler.say(lengths[-1][0])} to {ruler.say(lengths[0][0])} long, {total} in all"
        return f"{told}; up to {ruler.say(ruler.up(max(map(_overhang, cuts))))} of a strip overhangs and is trimmed"
    if len(lengths) <= 2:
        counted = [f"{sum((c.length, c.width) == s for c in cuts)} of {ruler.say_size(*s)}" for s in lengths]
        return f"{' and '.join(counted)}" + (", trimmed afterwards" if more else "")
    return f"{len(cuts)} pieces, {ruler.say(lengths[-1][0])} to {ruler.say(lengths[0][0])} long, {total} in all"


def _overhang(cut: StripCut) -> float:
    """By how much a strip is longer than its shorter edge that is seen, in inches."""
    own = polygons.turned(cut.seen, -cut.angle)
    x1, _, x2, _ = polygons.bounds(own)
    long = x2 - x1
    short = 2 * polygons.area(own) / cut.width.inches - long
    return cut.length.inches - max(0.0, min(long, short))


def _piece(part: Pieced, k: int, cut: StripCut, choice: PaperChoice, ruler: Ruler) -> Piece:
    x, y = (length_of(v) for v in cut.middle)
    at = Rect(x - cut.length.part(1, 2), y - cut.width.part(1, 2), cut.length, cut.width)
    angle = cut.angle % 180
    if angle == 90:  # an upright strip is as well said by its box
        at, angle = Rect(x - cut.width.part(1, 2), y - cut.length.part(1, 2), cut.width, cut.length), 0.0
    if not angle:
        at = Rect(ruler.round(at.x), ruler.round(at.y), at.width, at.height)
    own = polygons.turned(cut.seen, -angle, cut.middle)
    ox, oy = at.x.inches, at.y.inches
    local = polygons.moved(own, -ox, -oy)
    whole = abs(polygons.area(local) - at.width.inches * at.height.inches) < 1e-6
    name = f"{part.pattern} {k + 1}" if part.blocks < 2 else f"block {part.block}, strip {k + 1}"
    piece = Piece(f"{part.id}/piece-{k + 1}", part.id, "strip", name, at, at, choice)
    return replace(piece, angle=angle, outline=() if whole else local)


def _cuts(
    part: Pieced, width: Length, height: Length, strip: Length, ruler: Ruler, over: Length
) -> Iterator[StripCut]:
    if part.pattern == "strips":
        yield from _row(Rect(ZERO, ZERO, width, height), strip, upright=True, over=over)
    elif part.pattern == "log cabin":
        yield from _log_cabin(Rect(ZERO, ZERO, width, height), strip, over)
    elif part.pattern == "pinwheel":
        yield from _pinwheel(width, height, strip, over, ruler)
    elif part.pattern == "herringbone":
        yield from _longer(_herringbone(width.inches, height.inches, strip, ruler), over)
    elif part.pattern == "sunburst":
        yield from _longer(_sunburst(width.inches, height.inches, part.rays, ruler), over)
    else:
        yield from _longer(_triangle(part, width.inches, height.inches, strip, ruler), over)


def _longer(cuts: Iterator[StripCut], over: Length) -> Iterator[StripCut]:
    """Strips that are cut longer and trimmed once they lie."""
    return (replace(cut, length=cut.length + over) for cut in cuts)


def _straight(at: Rect, over: Length = ZERO) -> StripCut:
    """A strip that is seen whole, or whole but for what it is longer by."""
    x, y, w, h = at.x.inches, at.y.inches, at.width.inches, at.height.inches
    middle = (x + w / 2, y + h / 2)
    lying = w >= h
    length, width = (at.width, at.height) if lying else (at.height, at.width)
    return StripCut(polygons.box(x, y, w, h), length + over, width, 0.0 if lying else 90.0, middle)


def _row(at: Rect, strip: Length, upright: bool, over: Length, backward: bool = False) -> list[StripCut]:
    """Strips across a rectangle; the last one is as narrow as what is left."""
    size = at.width if upright else at.height
    found, near = [], ZERO
    while near < size:
        wide = min(strip, size - near)
        start = size - near - wide if backward else near
        one = Rect(at.x + start, at.y, wide, at.height) if upright else Rect(at.x, at.y + start, at.width, wide)
        cut = _straight(one, over)
        if upright != (cut.angle == 90):  # a short wide strip: its length is still the block's side
            long, broad = (one.height, one.width) if upright else (one.width, one.height)
            cut = replace(cut, length=long + over, width=broad, angle=90.0 if upright else 0.0)
        found.append(cut)
        near += wide
    return found


def _log_cabin(at: Rect, strip: Length, over: Length) -> Iterator[StripCut]:
    """Round and round from the middle outward: each strip runs past the end of the one before it."""
    rounds = list[list[StripCut]]()
    while min(at.width, at.height) >= strip * 3:
        inner = Rect(at.x + strip, at.y + strip, at.width - strip * 2, at.height - strip * 2)
        rounds.append(
            [
                _straight(Rect(at.x, at.y + strip, strip, at.height - strip * 2), over),
                _straight(Rect(at.x, at.bottom - strip, at.width - strip, strip), over),
                _straight(Rect(at.right - strip, at.y + strip, strip, at.height - strip), over),
                _straight(Rect(at.x, at.y, at.width, strip), over),
            ]
        )
        at = inner
    yield _straight(at)
    for one in reversed(rounds):
        yield from one


def _pinwheel(width: Length, height: Length, strip: Length, over: Length, ruler: Ruler) -> Iterator[StripCut]:
    """Four quarters of strips, each turned a quarter against the last."""
    x, y = ruler.round(width.part(1, 2)), ruler.round(height.part(1, 2))
    yield from _row(Rect(ZERO, ZERO, x, y), strip, upright=False, over=over)
    yield from _row(Rect(x, ZERO, width - x, y), strip, upright=True, over=over, backward=True)
    yield from _row(Rect(x, y, width - x, height - y), strip, upright=False, over=over, backward=True)
    yield from _row(Rect(ZERO, y, x, height - y), strip, upright=True, over=over)


def _herringbone(w: float, h: float, strip: Length, ruler: Ruler) -> Iterator[StripCut]:
    """Strips three times as long as wide, set at right angles to each other and at 45° to the block."""
    s, block, middle = strip.inches, polygons.box(0, 0, w, h), (w / 2, h / 2)
    reach = math.ceil(math.hypot(w, h) / 2 / s) + BRICK + 1
    found: list[tuple[float, float, StripCut]] = []
    for k in range(-2 * reach, 2 * reach + 1):
        for m in range(-reach, reach + 1):
            x, y = k + BRICK * m, k - BRICK * m
            if abs(x) > reach or abs(y) > reach:
                continue
            for bx, by, bw, bh in ((x, y, BRICK, 1), (x, y + 1, 1, BRICK)):
                brick = polygons.moved(polygons.box(bx * s, by * s, bw * s, bh * s), *middle)
                laid = polygons.turned(brick, 45, middle)
                seen = polygons.clipped(laid, block)
                if polygons.area(seen) < 1e-4:
                    continue
                x1, y1, x2, y2 = polygons.bounds(laid)
                centre = ((x1 + x2) / 2, (y1 + y2) / 2)
                found.append(
                    (centre[1], centre[0], StripCut(seen, strip * BRICK, strip, 45.0 if bw > 1 else 135.0, centre))
                )
    yield from (cut for *_, cut in sorted(found, key=lambda f: (round(f[0], 6), round(f[1], 6))))


def _boxed(seen: Polygon, angle: float, ruler: Ruler, width: Length | None = None, normal: float = 0.0) -> StripCut:
    """The strip at an angle that just holds what is seen, its sides on the next marks."""
    own = polygons.turned(seen, -angle)
    x1, y1, x2, y2 = polygons.bounds(own)
    length = max(ruler.mark, ruler.up(x2 - x1))
    if width is None:
        width, normal = max(ruler.mark, ruler.up(y2 - y1)), (y1 + y2) / 2
    middle = polygons.turned((((x1 + x2) / 2, normal),), angle)[0]
    return StripCut(seen, length, width, angle, middle)


def _sunburst(w: float, h: float, rays: int, ruler: Ruler) -> Iterator[StripCut]:
    """Rays from the middle of the lower edge, evenly over the half circle."""
    block, apex, far = polygons.box(0, 0, w, h), (w / 2, h), 2 * (w + h)
    for k in range(rays):
        a, b = math.pi * (1 + k / rays), math.pi * (1 + (k + 1) / rays)
        wedge = (
            apex,
            (apex[0] + far * math.cos(a), apex[1] + far * math.sin(a)),
            (apex[0] + far * math.cos(b), apex[1] + far * math.sin(b)),
        )
        seen = polygons.clipped(wedge, block)
        if seen:
            yield _boxed(seen, math.degrees((a + b) / 2) - 180, ruler)


def _triangle(part: Pieced, b: float, h: float, strip: Length, ruler: Ruler) -> Iterator[StripCut]:
    """From the bottom up, right and left in turn; the strips meet on the centre line."""
    s, n = strip.inches, strips_a_side(part.width, part.height, strip, part.angle, part.arms)
    right = ((b / 2, 0.0), (b, h), (b / 2, h))
    tilt = -part.angle if part.arms == "rising" else part.angle
    a = math.radians(tilt)
    # Along the strips' normal, downward: where the half triangle begins, at its lowest.
    low = max(-math.sin(a) * x + math.cos(a) * y for x, y in right)
    for k in range(n):
        near, far = low - (k + 1) * s, low - k * s
        seen = polygons.band(right, tilt, near, far)
        if not seen:
            continue
        one = _boxed(seen, tilt, ruler, strip, (near + far) / 2)
        mirrored = tuple(reversed(tuple((b - x, y) for x, y in seen)))
        yield one
        yield replace(one, seen=mirrored, angle=-tilt, middle=(b - one.middle[0], one.middle[1]))


def name(part: Pieced, ground: Ground) -> str:
    return f"the {part.pattern}" if part.pattern != "strips" else "the pieced block"


def sentence(part: Pieced, ground: Ground) -> str:
    say = ground.ruler.say
    size = ground.ruler.say_size(part.width, part.height)
    what = {
        "strips": f"Pieced block {size} of strips {say(part.strip)}",
        "sunburst": f"Sunburst {size} of {part.rays} rays",
        "triangle": f"Pieced triangle {size} of strips {say(part.strip)}, {part.angle}° {part.arms}",
    }.get(part.pattern, f"{part.pattern.capitalize()} {size} of strips {say(part.strip)}")
    papers = ", ".join(ground.says(choice) for choice in part.papers)
    told = f"{what}: {papers}" + (", cut long and trimmed" if part.over else "")
    if part.blocks > 1:
        told += f", block {part.block} of {part.blocks} from one set"
    return told + (f", glued on {ground.says(part.backing)}" if part.backed else "")


def _pieced(begin: Beginning, pattern: PiecedPattern, papers: int) -> Pieced:
    is_sail = pattern == "triangle"
    wide = begin.share(50, 3 if is_sail else 4)
    high = begin.share(70, 5) if is_sail else wide
    return Pieced("new", pattern, wide, high, begin.of(0, 1, 2), unchosen(papers))


PART = Pieced
TRAITS = Traits(scales=("width", "height", "strip"), shared_out=True)
MENU: tuple[Entry, ...] = (
    Entry(
        "Pieced block",
        "strips quilt square",
        "M4 4h16v16H4zM8 4v16M12 4v16M16 4v16",
        lambda b: _pieced(b, "strips", 4),
    ),
    Entry(
        "Log cabin",
        "pieced quilt strips block",
        "M4 4h16v16H4zM8 8h8v8H8zM4 8h12M16 4v12M20 16H8M8 20V8",
        lambda b: _pieced(b, "log cabin", 4),
    ),
    Entry(
        "Pinwheel",
        "pieced quilt strips block windmill",
        "M4 4h16v16H4zM12 4v16M4 12h16M4 8h8M16 4v8M12 16h8M8 12v8",
        lambda b: _pieced(b, "pinwheel", 4),
    ),
    Entry(
        "Herringbone",
        "pieced quilt strips zigzag",
        "M4 10l4-4 4 4 4-4 4 4M4 15l4-4 4 4 4-4 4 4M4 20l4-4 4 4 4-4 4 4",
        lambda b: _pieced(b, "herringbone", 4),
    ),
    Entry(
        "Sunburst",
        "pieced rays sun",
        "M3 20h18M12 20L4 8M12 20L8 4M12 20V3M12 20l4-16M12 20l8-12",
        lambda b: _pieced(b, "sunburst", 3),
    ),
    Entry(
        "Pieced triangle",
        "sail roof tree pennant strips",
        "M12 3l8 18H4zM12 3v18M9 12l3-3 3 3M6 18l6-5 6 5",
        lambda b: _pieced(b, "triangle", 4),
    ),
)
