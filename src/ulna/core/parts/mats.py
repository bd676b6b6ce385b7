"""Mats: papers that show a border round a photo or a block of photos.

        ┌───────────────┐ outer = (w + left + right) × (h + top + bottom)
        │   ┌───────┐   │
        │   │ w × h │ b │ a stack adds its borders from the inner layer outward
        │   └───────┘   │
        └───────────────┘

A gutted mat keeps a rim of border + lap and gives back the panel inside it. The usual lap is 3/8 in, never
under 1/4 in, and gutting is worth the knife from a panel of 2 × 2 in.
"""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from typing import Annotated

from ulna.core.findings import Finding
from ulna.core.geometry.polygons import Polygon, bounds, outward
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import ZERO, Length, Ruler, inches
from ulna.core.paper.patterns import repeat
from ulna.core.paper.shelf import Direction, Stock
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.pieces import Ground, Handle, PaperChoice, Piece
from ulna.core.ranges import Angle, Gap, Many

LAP = inches(0, 3, 8)
LEAST_LAP = inches(0, 1, 4)
WORTH_GUTTING = inches(2)


@dataclass(frozen=True, slots=True)
class Mat:
    """One layer: its borders beyond what lies on it, its paper, and whether it is gutted.

    `angle` turns it a few degrees clockwise under what lies on it; it is cut square all the same. A `pieced` one is
    four strips of scraps, of which only the rim shows; of `any_scraps` each strip may be butted of several lengths, as
    the scraps that are there give them. Borders of 0 on some sides make it a sliver that peeks out.
    """

    borders: Borders = field(default_factory=lambda: Borders.even(inches(0, 1, 4)))
    choice: PaperChoice = field(default_factory=PaperChoice)
    gutted: bool = False
    lap: Gap = LAP
    angle: Angle = 0.0
    pieced: bool = False
    any_scraps: bool = False


Mats = Annotated[tuple[Mat, ...], Many(12)]


def begun(begin: Beginning) -> Mat:
    """A mat of the usual width."""
    return Mat(Borders.even(begin.usual.border), lap=begin.usual.lap)


def narrow(begin: Beginning) -> Mat:
    """A narrow one, which goes under another."""
    return Mat(Borders.even(begin.usual.narrow), lap=begin.usual.lap)


@dataclass(frozen=True, slots=True)
class Stack:
    """Mats laid under a block: pieces from the lowest upward, where the block lies in the outermost one."""

    width: Length
    height: Length
    inner: Rect
    pieces: tuple[Piece, ...]
    arithmetic: str
    findings: tuple[Finding, ...]
    handles: tuple[Handle, ...]


def reaching(size: Length, least: Length, ruler: Ruler) -> Length:
    """A size on marks that is not less than what lies on it."""
    return size if size >= least else ruler.up(least.inches)


def gut_rims(borders: Borders, lap: Length, outer: Rect) -> Borders | None:
    """The rims a gutted piece keeps, or nothing where the panel won would be under 2 × 2 in."""
    return worth_gutting(
        Borders(borders.left + lap, borders.top + lap, borders.right + lap, borders.bottom + lap), outer
    )


def worth_gutting(rims: Borders, outer: Rect) -> Borders | None:
    """The rims, where the panel inside them is 2 × 2 in at least."""
    won = (outer.width - rims.across, outer.height - rims.down)
    return rims if min(won) >= WORTH_GUTTING else None


def gut_in(piece: Piece, part: Rect) -> Borders | None:
    """What a part of a piece keeps round its share of the middle that the whole piece is gutted by; none where it is
    all middle."""
    g, r = piece.gut, piece.rect
    if g is None:
        return None
    middle = Rect(r.x + g.left, r.y + g.top, r.width - g.across, r.height - g.down)
    if not part.meets(middle):
        return None
    there = part.common(middle)
    if there == part:
        return None
    rims = Borders(there.x - part.x, there.y - part.y, part.right - there.right, part.bottom - there.bottom)
    return worth_gutting(rims, part)


def stack(
    part: str,
    of: str,
    width: Length,
    height: Length,
    mats: tuple[Mat, ...],
    ground: Ground,
    shape: Polygon = (),
) -> Stack:
    """Mats under a block of `width` × `height`, the first one innermost. `of` names the block; under a `shape`, given
    in inches from the block's corner, mats with even borders have that shape too.
    """
    ruler, findings = ground.ruler, list[Finding]()
    inner = Rect(ZERO, ZERO, width, height)
    outers: list[tuple[int, Mat, Rect, Borders]] = []
    box = exact = inner
    sums = []
    for k, mat in enumerate(mats):
        # Outer edges are rounded where they truly are: border by border the errors would add up.
        b = mat.borders
        exact = Rect(exact.x - b.left, exact.y - b.top, exact.width + b.across, exact.height + b.down)
        x, y = min(box.x, ruler.round(exact.x)), min(box.y, ruler.round(exact.y))
        wide = reaching(ruler.round(exact.width), box.right - x, ruler)
        high = reaching(ruler.round(exact.height), box.bottom - y, ruler)
        outer = Rect(x, y, wide, high)
        left, top = box.x - x, box.y - y
        shows = Borders(left, top, outer.right - box.right, outer.bottom - box.bottom)
        if shows != mat.borders:
            far = f"{ruler.say(shows.left)} left, {ruler.say(shows.right)} right"
            down = f"{ruler.say(shows.top)} above, {ruler.say(shows.bottom)} below"
            findings.append(
                Finding("rounded", "note", part, f"Mat {k + 1} is set to marks: it shows {far}, {down}.")
            )
        findings += _border_findings(part, k, mat, shows, ground)
        outers.append((k, mat, outer, shows))
        sums.append(_sum(shows, outer, ruler))
        box = outer
    pieces = []
    for k, mat, outer, shows in reversed(outers):
        at = outer.moved(-box.x, -box.y)
        name = f"mat {k + 1} of {of}" if len(mats) > 1 else f"mat of {of}"
        line = _shaped(shape, -outer.x, -outer.y, shows, outer) if shape and shows.is_even else ()
        if mat.pieced and not line:
            strips = _pieced(f"{part}/mat-{k + 1}", part, name, mat, shows, at, ruler)
            joined = [one for strip in strips for one in _in_lengths(strip, ground)] if mat.any_scraps else strips
            if seams := len(joined) - len(strips):
                findings.append(_seams(part, k, seams))
            pieces += joined
            continue
        gut, why_not = (None, "") if line else _gutted(k, mats, shows, outer, ground)
        if why_not:
            findings.append(Finding("gut", "note", part, f"Mat {k + 1} {why_not}"))
        piece = Piece(f"{part}/mat-{k + 1}", part, "mat", name, at, at, mat.choice, gut, layer=k + 1)
        pieces.append(replace(piece, angle=mat.angle, outline=line) if line or mat.angle else piece)
    start = ruler.say_size(width, height)
    return Stack(
        box.width,
        box.height,
        inner.moved(-box.x, -box.y),
        tuple(pieces),
        "; ".join([start + sums[0], *(s.strip() for s in sums[1:])]) if sums else start,
        tuple(findings),
        tuple(
            Handle(
                f"mats.{k}.borders",
                f"border of mat {k + 1}",
                outer.right - box.x,
                outer.y - box.y + outer.height.part(1, 2),
                1,
            )
            for k, _, outer, _ in outers
        ),
    )


def _shaped(shape: Polygon, dx: Length, dy: Length, shows: Borders, outer: Rect) -> Polygon:
    """The shape grown outward by an even border, from the corner of the mat, which is cut a hair larger if need be."""
    x, y, b = dx.inches, dy.inches, shows.left.inches
    grown = outward(tuple((px + x, py + y) for px, py in shape), b)
    w, h = outer.width.inches, outer.height.inches
    l2, t2, r2, b2 = bounds(grown)
    fx, fy = min(1.0, w / (r2 - l2)), min(1.0, h / (b2 - t2))
    return tuple(((px - (l2 + r2) / 2) * fx + w / 2, (py - (t2 + b2) / 2) * fy + h / 2) for px, py in grown)


def _pieced(key: str, part: str, name: str, mat: Mat, shows: Borders, at: Rect, ruler: Ruler) -> list[Piece]:
    """Four strips that show only the rim: two as wide as the mat, (border + lap) high, two butted between them."""
    left, right = _deep(shows.left, shows.right, at.width, max(mat.lap, LEAST_LAP), ruler)
    top, bottom = _deep(shows.top, shows.bottom, at.height, max(mat.lap, LEAST_LAP), ruler)
    between = at.height - top - bottom
    strips = {
        "top": Rect(at.x, at.y, at.width, top),
        "bottom": Rect(at.x, at.bottom - bottom, at.width, bottom),
        "left": Rect(at.x, at.y + top, left, between),
        "right": Rect(at.right - right, at.y + top, right, between),
    }
    return [
        Piece(f"{key}-{side}", part, "mat", f"{name}, {side} strip", r, r, mat.choice)
        for side, r in strips.items()
        if min(r.width, r.height) > ZERO
    ]


def _deep(near: Length, far: Length, room: Length, lap: Length, ruler: Ruler) -> tuple[Length, Length]:
    """How deep two strips are that face each other: what shows and the lap, on marks. They may meet, but all that shows
    is covered; a side that shows nothing wants no strip."""
    shown = ruler.up(far.inches)
    first = min(ruler.up((near + lap).inches), max(room - shown, ruler.up(near.inches))) if near else ZERO
    second = min(ruler.up((far + lap).inches), room - first) if far else ZERO
    return first, second


def _in_lengths(strip: Piece, ground: Ground) -> list[Piece]:
    """A strip butted of as few lengths as the scraps of its paper give; in one where one is long enough, or where all
    of them together are not."""
    r, paper = strip.rect, ground.shelf.papers.get(strip.choice.paper or "")
    if paper is None:
        return [strip]
    level = r.width >= r.height
    long, wide = (r.width, r.height) if level else (r.height, r.width)
    free = paper.face(strip.choice.side).direction is Direction.NONE
    # Laid as it is, what is across on the sheet is across on the page.
    along_width = level != strip.choice.turned
    lengths = list[Length]()
    for source in map(ground.shelf.paper, ground.shelf.sources(paper.id)):
        if not source.is_scrap or source.holes or source.inside:
            continue
        ways = [(source.width, source.height), (source.height, source.width)]
        fitting = [(a, b) for a, b in (ways if free else ways[:1] if along_width else ways[1:]) if b >= wide]
        if fitting:
            length, deep = max(fitting)
            lengths += [ground.ruler.step(length, 0)] * (deep.units // wide.units * source.count)
    lengths.sort(reverse=True)
    if not lengths or lengths[0] >= long or sum(lengths, ZERO) < long:
        return [strip]
    found, at = list[Piece](), ZERO
    for k, length in enumerate(lengths):
        here = min(length, long - at)
        box = Rect(r.x + at, r.y, here, r.height) if level else Rect(r.x, r.y + at, r.width, here)
        found.append(replace(strip, id=f"{strip.id}-{k + 1}", name=f"{strip.name} {k + 1}", rect=box, uncut=box))
        at += here
        if at >= long:
            break
    return found


def _seams(part: str, k: int, seams: int) -> Finding:
    many = "a seam" if seams == 1 else f"{seams} seams"
    told = f"Mat {k + 1} has {many} beside its corners; put something over them, or turn them where it shows least."
    return Finding("seams", "note", part, told)


def _gutted(
    k: int, mats: tuple[Mat, ...], shows: Borders, outer: Rect, ground: Ground
) -> tuple[Borders | None, str]:
    """The rims of a mat that is to be gutted, and what is to be told of it. Under vellum the hole would be seen."""
    mat = mats[k]
    if not mat.gutted:
        return None, ""
    above = [ground.shelf.papers.get(m.choice.paper or "") for m in mats[:k]]
    if any(paper is not None and paper.stock is Stock.VELLUM for paper in above):
        return None, "stays solid: a hole in it would be seen through the vellum above."
    rims = gut_rims(shows, max(mat.lap, LEAST_LAP), outer)
    if rims is None:
        return None, "stays solid: the panel won would be under 2 × 2 in."
    return (
        rims,
        f"keeps a lap of {ground.ruler.say(LEAST_LAP)}: less would not hold." if mat.lap < LEAST_LAP else "",
    )


def _sum(borders: Borders, outer: Rect, ruler: Ruler) -> str:
    if borders.is_even:
        added = f"2 × {ruler.say(borders.left)}"
    else:
        added = (
            f"({ruler.say(borders.left)} + {ruler.say(borders.right)} across, "
            f"{ruler.say(borders.top)} + {ruler.say(borders.bottom)} down)"
        )
    return f" + {added} = {ruler.say(outer.width)} × {ruler.say(outer.height)}"


def _border_findings(part: str, k: int, mat: Mat, shows: Borders, ground: Ground) -> list[Finding]:
    """A border narrower than the pattern's repeat shows its colour, not the pattern."""
    widest = max(shows.left, shows.top, shows.right, shows.bottom)
    if not widest:
        return [Finding("hidden", "warn", part, f"Mat {k + 1} shows nowhere: all its borders are 0.")]
    paper = ground.shelf.papers.get(mat.choice.paper or "")
    if paper is None:
        return []
    side = paper.face(mat.choice.side)
    if side.pattern == "plain" or side.picture or widest >= repeat(side):
        return []
    told = (
        f"Mat {k + 1} shows {ground.ruler.say(widest)} of {paper.name}, whose pattern repeats every "
        f"{ground.ruler.say(repeat(side))}: its colour is seen, not the pattern."
    )
    return [Finding("colour-only", "note", part, told)]


def says(mats: tuple[Mat, ...], ground: Ground) -> list[str]:
    """Each mat in words, from the inner one outward."""
    said, ruler = [], ground.ruler
    for mat in mats:
        b = mat.borders
        border = (
            ruler.say(b.left)
            if b.is_even
            else f"{ruler.say(b.left)} left, {ruler.say(b.top)} above, {ruler.say(b.right)} right, "
            f"{ruler.say(b.bottom)} below"
        )
        turned = f", turned {abs(mat.angle):g}° {'right' if mat.angle > 0 else 'left'}" if mat.angle else ""
        way = ", pieced" if mat.pieced else ", gutted" if mat.gutted else ""
        said.append(f"mat {border} {ground.says(mat.choice)}{way}{turned}")
    return said
