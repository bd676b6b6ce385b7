"""From the recipe to the pieces: every part worked out, placed on marks, and cut where the gutter cuts it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Annotated, ClassVar, Literal

from ulna.core import checks
from ulna.core.errors import NotOnShelf
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import ZERO, Length, Ruler, inches
from ulna.core.page import gutter as gutters
from ulna.core.page import hidden
from ulna.core.page.flush import cut_to, stays_whole
from ulna.core.page.standing import Standing, stand
from ulna.core.page_formats import PageFormat, of_kind
from ulna.core.paper.shelf import Edge
from ulna.core.parts import leftovers
from ulna.core.parts.inside import every
from ulna.core.parts.kinds import MOST_WORKED, Part, is_placed, name_of, traits
from ulna.core.parts.mats import gut_in
from ulna.core.parts.pieces import Built, Ground, Handle, Leftover, Piece, TornEdge
from ulna.core.parts.place import place_at
from ulna.core.parts.sizing import KEPT_OFF
from ulna.core.photos.prints import Print, outline_of
from ulna.core.ranges import Id, Many, Text, Title, Whole

Side = Literal["left", "right"]
MOST_PARTS = 400
WORTH_KEEPING = inches(0, 1, 2)
"""Narrower rests are no scraps."""


@dataclass(frozen=True, slots=True)
class Group:
    """Parts, by their ids, that move, copy, mirror and repeat together."""

    id: Id
    name: Title = "group"
    parts: Annotated[tuple[Id, ...], Many(MOST_PARTS)] = ()


@dataclass(frozen=True, slots=True)
class Gutting:
    """What a person has said of the hidden middle of one piece: cut it out, or leave it."""

    piece: Annotated[str, Text(200, 1)]
    gut: bool


@dataclass(frozen=True, slots=True)
class Keep:
    """So many sheets of a paper are kept back for this page: no other one may open them."""

    paper: Annotated[str, Text(200, 1)]
    count: Annotated[int, Whole(1, 10000)] = 1


@dataclass(frozen=True, slots=True)
class PagePlan:
    """The recipe of a page: what it is called, its format, its story, and its parts from underneath upward.

    `gutting` has the pieces for which the house rule of gutting does not count; `keeps` are the sheets that are kept
    back for it.
    """

    written_as: ClassVar[str] = "Recipe"
    name: Title
    format: PageFormat = of_kind("12x12")
    story: Annotated[str, Text(20000)] = ""
    parts: Annotated[tuple[Part, ...], Many(MOST_PARTS)] = ()
    groups: Annotated[tuple[Group, ...], Many(MOST_PARTS)] = ()
    gutting: Annotated[tuple[Gutting, ...], Many(MOST_PARTS)] = ()
    keeps: Annotated[tuple[Keep, ...], Many(MOST_PARTS)] = ()

    def part(self, id: str) -> Part:
        """Raises `NotOnShelf`."""
        for part in self.parts:
            if part.id == id:
                return part
        raise NotOnShelf("part", id)


def photos_of(plan: PagePlan) -> set[str]:
    """The ids of the photos that a page shows."""
    return {print_.photo for print_ in every(Print, plan.parts) if print_.photo}


@dataclass(frozen=True, slots=True)
class Variant:
    """A page as it was kept under a name, to be held beside others."""

    page: str
    name: Title
    recipe: PagePlan


@dataclass(frozen=True, slots=True)
class PartOnPage:
    """A part as people say it, its outer box on the spread, and its arithmetic in one line.

    A part that cannot be made has no box.
    """

    id: str
    sentence: str
    box: Rect | None
    arithmetic: str
    handles: tuple[Handle, ...] = ()
    name: str = ""


@dataclass(frozen=True, slots=True)
class DrawnLine:
    """Stitches or an axis of a part: a path in inches from the corner of its box."""

    part: str
    kind: Literal["stitch", "axis"]
    path: str
    box: Rect


@dataclass(frozen=True, slots=True)
class Evaluated:
    """Pieces from underneath upward, parts in the order of the recipe, findings in that order too."""

    format: PageFormat
    parts: tuple[PartOnPage, ...]
    pieces: tuple[Piece, ...]
    findings: tuple[Finding, ...]
    lines: tuple[DrawnLine, ...] = ()

    def box(self, part: str) -> Rect:
        """Raises `NotOnShelf`."""
        for found in self.parts:
            if found.id == part and found.box is not None:
                return found.box
        raise NotOnShelf("part", part)


def evaluate(plan: PagePlan, ground: Ground) -> Evaluated:
    """Works the whole page out. What cannot be made is told as a finding; the rest is there all the same."""
    parts, pieces, findings, lines = list[PartOnPage](), list[Piece](), list[Finding](), list[DrawnLine]()
    standing = stand(plan.parts, ground)
    for one in standing.values():
        part, built, box = one.part, one.built, one.box
        findings += one.findings
        findings += built.findings
        if box is None:
            parts.append(PartOnPage(part.id, one.says, None, "", name=name_of(part, ground)))
            continue
        if one.moved:
            findings.append(
                Finding("placed", "note", part.id, "Moved to the next mark: the true centre lies between two.")
            )
        parts.append(PartOnPage(part.id, one.says, box, built.arithmetic, built.handles, name_of(part, ground)))
        lines += [DrawnLine(part.id, line.kind, line.path, box) for line in built.lines]
        pieces += _placed(one, box, _room_of(one, standing, ground), ground)
        findings += _place_findings(one, box, standing, ground)
        findings += _choice_findings(part, built, ground)
    settled, told = _gutted(plan, pieces, ground)
    order = {part.id: k for k, part in enumerate(plan.parts)}
    findings += sorted(checks.told(plan, settled, standing, ground, placed_at), key=lambda f: order[f.part or ""])
    return Evaluated(plan.format, tuple(parts), settled, (*findings, *told), tuple(lines))


def _gutted(plan: PagePlan, pieces: list[Piece], ground: Ground) -> tuple[tuple[Piece, ...], list[Finding]]:
    """The pieces, gutted where the person or the house rule says so; what cannot be is told."""
    said = {one.piece: one.gut for one in plan.gutting}
    always = ground.gut == "always"
    wanted = {p.id for p in pieces if said.get(p.id, always)}
    if not wanted:
        return tuple(pieces), []
    won = hidden.panels(pieces, ground.shelf, ground.ruler, wanted)
    told = [
        Finding(
            "gut", "note", p.part, f"{p.name[0].upper()}{p.name[1:]} stays whole: too little of it is hidden now."
        )
        for p in pieces
        if said.get(p.id) and p.gut is None and p.id not in won
    ]
    return hidden.gutted(pieces, won), told


def _placed(one: Standing, box: Rect, room: Rect, ground: Ground) -> tuple[Piece, ...]:
    """The pieces of a part where it lies; remembered, since a page of hundreds changes in one place at a time."""
    key = id(one.built), box.x, box.y, room, _is_flush(one.part)
    found = ground.placed.get(key)
    if found is None or found[0] is not one.built:
        pieces = tuple(half for piece in one.built.pieces for half in halved(piece.moved(box.x, box.y), ground))
        if is_placed(one.part):
            apart = _apart(pieces)
            if _is_flush(one.part):
                apart |= _cut_apart(pieces, room)
                pieces = _unmatched(pieces, apart, ground.ruler)
                pieces = tuple(cut for piece in pieces if (cut := cut_to(piece, room)) is not None)
            else:
                pieces = tuple(_flush(piece, room) for piece in _unmatched(pieces, apart, ground.ruler))
        if len(ground.placed) > MOST_WORKED:
            ground.placed.clear()
        found = ground.placed[key] = one.built, pieces
    return found[1]


def _is_flush(part: Part) -> bool:
    """Whether it is trimmed with the part that it lies on."""
    return is_placed(part) and part.place.flush and part.place.base is not None


def _apart(pieces: tuple[Piece, ...]) -> set[str]:
    """Pieces whose pair the gutter has parted: either of the two is a half now, and not of the other one."""
    by_id = {piece.id: piece for piece in pieces}
    whole = {piece.id for piece in pieces if piece.half is None}
    return {
        p.id
        for p in pieces
        if p.leftover
        and not {p.base_id, p.leftover.of} <= whole
        and not ((of := by_id.get(p.leftover.of)) is not None and p.whole == of.whole != "")
    }


def _cut_apart(pieces: tuple[Piece, ...], room: Rect) -> set[str]:
    """Pieces that are not what falls off another one any more once all end where their room ends."""
    kept = {piece.id: cut_to(piece, room) for piece in pieces}
    return {
        p.id
        for p in pieces
        if p.leftover and (kept.get(p.leftover.of) is None or (kept[p.id] is not p and not p.half))
    }


def _unmatched(pieces: tuple[Piece, ...], apart: set[str], ruler: Ruler) -> tuple[Piece, ...]:
    """What was made of another piece's leftover is cut on its own where it stands `apart`, and so is the other one."""
    if not apart:
        return pieces
    by_id = {piece.id: piece for piece in pieces}
    givers = {p.leftover.of for p in pieces if p.leftover and p.id in apart}

    def settled(piece: Piece) -> Piece:
        if piece.leftover is not None and piece.id in apart:
            giver = by_id.get(piece.leftover.of)
            return replace(piece, leftover=None, pin=giver.pin if giver else None)
        return leftovers.alone(piece, ruler) if piece.id in givers and not piece.half else piece

    return tuple(map(settled, pieces))


def _flush(piece: Piece, room: Rect) -> Piece:
    """A piece that hangs over and is trimmed flush gives what falls off as stock, like a panel that is gutted."""
    off = _off(piece, room)
    if off is None or piece.gut is not None:
        return piece
    r = piece.rect
    return replace(piece, gut=Borders(off.x - r.x, off.y - r.y, r.right - off.right, r.bottom - off.bottom))


def _off(piece: Piece, room: Rect) -> Rect | None:
    """The largest rectangle that trimming a piece flush takes off, where it is worth keeping."""
    r = piece.rect
    plain = piece.is_paper and not (piece.outline or piece.angle or piece.pin or piece.holes or piece.phase)
    if not plain or not room.meets(r) or room.contains(r):
        return None
    beside = (
        Rect(r.x, r.y, room.x - r.x, r.height),
        Rect(room.right, r.y, r.right - room.right, r.height),
        Rect(r.x, r.y, r.width, room.y - r.y),
        Rect(r.x, room.bottom, r.width, r.bottom - room.bottom),
    )
    worth = [off for off in beside if min(off.width, off.height) >= WORTH_KEEPING]
    return max(worth, key=lambda off: off.area, default=None)


def _room_of(one: Standing, standing: Mapping[str, Standing], ground: Ground) -> Rect:
    """What a part is trimmed flush with: the spread, or the part that it lies on where it can lie within that."""
    part, box = one.part, one.box
    if box is None or not is_placed(part) or part.place.base not in standing:
        return ground.format.whole
    if _is_flush(part):
        return one.room
    if one.room == ground.format.page("left"):
        return ground.format.whole
    beside = part.place.across.edge in ("before", "after") or part.place.down.edge in ("above", "below")
    # What is larger than its base lies round it on purpose.
    round_it = box.width > one.room.width or box.height > one.room.height
    return ground.format.whole if beside or round_it else one.room


def move(plan: PagePlan, id: str, x: Rect, ground: Ground) -> PagePlan:
    """The plan with a part moved so that its box is `x`; a base stays where it is."""
    standing = stand(plan.parts, ground)
    moved = placed_at(plan.part(id), x, standing, plan.format)
    return replace(plan, parts=tuple(moved if part.id == id else part for part in plan.parts))


def placed_at(part: Part, box: Rect, standing: Mapping[str, Standing], format: PageFormat) -> Part:
    """The part with the place that puts it there, counted from what it was counted from."""
    if not is_placed(part):
        return part
    place = part.place
    found = standing.get(place.stand.of) if place.stand else None
    line = traits(found.part).line if found else None
    if place.stand is not None and found is not None and found.box and line:
        middle = ((box.x + box.right).inches / 2, (box.y + box.bottom).inches / 2)
        share = line.share_near(found.part, found.box, middle)
        return replace(part, place=replace(place, stand=replace(place.stand, share=share)))
    boxes = {id: found.box for id in place.needs if (found := standing.get(id)) and found.box}
    return replace(part, place=place_at(place, box, format, boxes))


def halved(piece: Piece, ground: Ground) -> list[Piece]:
    """The piece itself, or the two that the gutter makes of it."""
    gutter = ground.format.gutter
    if gutter is None:
        return [piece]
    if piece.angle or (piece.outline and not piece.torn and not piece.comes_shaped):
        return _parted(piece, gutter, ground.ruler)
    if not piece.rect.x < gutter < piece.rect.right:
        return [piece]
    left, right = piece.rect.split(gutter)
    if piece.print is not None and (line := outline_of(piece.print)):
        x1, _, x2, _ = polygons.bounds(line)
        if not x1 < (gutter - piece.uncut.x).inches < x2:
            return [piece]  # the shape that it is cut to lies on one side
    if piece.outline:
        left_edge, _, right_edge, _ = polygons.bounds(piece.seen)
        if not left_edge < gutter.inches < right_edge:
            return [piece]  # what would reach over is torn off
        return [
            _half(piece, "left", left, outline=_beside(piece, left)),
            _half(piece, "right", right, outline=_beside(piece, right)),
        ]
    return [_half(piece, "left", left, gut_in(piece, left)), _half(piece, "right", right, gut_in(piece, right))]


def _half(piece: Piece, side: Side, rect: Rect, gut: Borders | None = None, outline: Polygon = ()) -> Piece:
    pin = piece.pin
    if pin is not None:
        pin = Rect(pin.x + rect.x - piece.rect.x, pin.y + rect.y - piece.rect.y, rect.width, rect.height)
    inner = Edge.RIGHT if side == "left" else Edge.LEFT
    own = rect.moved(-piece.uncut.x, -piece.uncut.y)
    return replace(
        piece,
        id=f"{piece.id}-{side}",
        whole=piece.id,
        name=f"{piece.name}, {side} half",
        rect=rect,
        gut=gut,
        half=side,
        outline=outline,
        figure="",
        torn=tuple(_torn_in(one, piece.rect, rect) for one in piece.torn if one.edge is not inner),
        holes=tuple(hole.within(own) for hole in piece.holes if own.meets(hole.at)),
        pin=pin,
    )


def _torn_in(edge: TornEdge, whole: Rect, half: Rect) -> TornEdge:
    """What a half has of a torn edge: of one that runs across, the part that lies in it."""
    if edge.edge in (Edge.LEFT, Edge.RIGHT):
        return edge
    shares = ((x - whole.x).units / whole.width.units for x in (half.x, half.right))
    begins, ends = shares
    return replace(edge, begins=begins, ends=ends)


def _beside(piece: Piece, half: Rect) -> Polygon:
    """What of an upright outline lies in a half of its piece."""
    x = (half.x - piece.uncut.x).inches
    return polygons.cut(polygons.cut(piece.outline, 1, 0, x + half.width.inches), -1, 0, -x)


def _parted(piece: Piece, gutter: Length, ruler: Ruler) -> list[Piece]:
    """A piece that is no upright rectangle: each half is cut from the box that just holds what is seen of it."""
    seen = _seen_of(piece)
    left, _, right, _ = polygons.bounds(seen)
    if not left + polygons.NEGLIGIBLE < gutter.inches < right - polygons.NEGLIGIBLE:
        return [piece]
    u = piece.uncut
    x, y, w, h = u.x.inches, u.y.inches, u.width.inches, u.height.inches
    if piece.angle and (piece.pin is not None or piece.role == "print"):
        return _cut_through(piece, gutter)
    found = []
    sides: tuple[Side, Side] = ("left", "right")
    for side, half in zip(sides, polygons.halves(seen, gutter.inches), strict=True):
        if not half:
            continue
        own = polygons.moved(polygons.turned(half, -piece.angle, (x + w / 2, y + h / 2)), -x, -y)
        x1, y1, x2, y2 = polygons.bounds(own)
        low_x, low_y = ruler.down(x1), ruler.down(y1)
        rect = Rect(u.x + low_x, u.y + low_y, ruler.up(x2) - low_x, ruler.up(y2) - low_y)
        if not piece.angle:  # it ends where the gutter is, though that may lie between two marks of its own
            rect = _to_gutter(rect, side, gutter)
        if piece.pin is not None:  # nothing but the card is printed there
            rect = rect.common(piece.rect)
        found.append(_half(piece, side, rect, outline=own))
    return found if len(found) == 2 else [piece]


def _seen_of(piece: Piece) -> Polygon:
    """Where a piece is seen; of a print the shape that it is cut to."""
    line = outline_of(piece.print) if piece.role == "print" and piece.print is not None else ()
    return replace(piece, outline=line).seen if line else piece.seen


def _cut_through(piece: Piece, gutter: Length) -> list[Piece]:
    """Halves of what there is only once, at an angle: the boxes that hold them would overlap. It is cut out whole, then
    along the line of the gutter; the right half is what falls off the left one."""
    u = piece.uncut
    x, y, w, h = u.x.inches, u.y.inches, u.width.inches, u.height.inches
    both = [
        polygons.moved(polygons.turned(half, -piece.angle, (x + w / 2, y + h / 2)), -x, -y)
        for half in polygons.halves(_seen_of(piece), gutter.inches)
    ]
    if not all(both):
        return [piece]  # a corner that only just reaches over
    sides: tuple[Side, Side] = ("left", "right")
    left, right = (
        replace(_half(piece, side, piece.rect, outline=own), holes=piece.holes, comes_shaped=False)
        for side, own in zip(sides, both, strict=True)
    )
    return [left, replace(right, pin=None, leftover=Leftover(left.id, right.outline))]


def _to_gutter(rect: Rect, side: Side, gutter: Length) -> Rect:
    if side == "left":
        return Rect(rect.x, rect.y, gutter - rect.x, rect.height)
    return Rect(gutter, rect.y, rect.right - gutter, rect.height)


def _place_findings(one: Standing, box: Rect, standing: Mapping[str, Standing], ground: Ground) -> list[Finding]:
    part, built, found = one.part, one.built, list[Finding]()
    whole = ground.format.whole
    if _is_flush(part) and whole.meets(box) and not any(stays_whole(piece) for piece in built.pieces):
        return []  # it ends where it should
    if not whole.meets(box):
        sentence = "It lies wholly beside the page; move it back."
        found.append(Finding("off-page", "stop", part.id, sentence))
    elif is_placed(part) and built.pieces:
        found += _overhang(one, box, standing, ground)
        found += _in_the_binding(part, box, ground)
    if is_placed(part) and traits(part).off_trim and whole.meets(box):
        found += _near_the_trim(part, box, ground)
    inside = _room_of(one, standing, ground)
    if whole.meets(box):
        for piece in built.pieces:
            if piece.role == "print":
                lies = piece.moved(box.x, box.y)
                found += gutters.findings(
                    part, lies, box, ground, lambda at: placed_at(part, at, standing, ground.format), inside
                )
    return found


def _overhang(one: Standing, box: Rect, standing: Mapping[str, Standing], ground: Ground) -> list[Finding]:
    """What hangs over the page, or over the part that it lies on: moved in, or trimmed flush and kept as a scrap."""
    say, part = ground.ruler.say, one.part
    room, on = _room_of(one, standing, ground), "the page"
    if room != ground.format.whole and is_placed(part):
        on = name_of(standing[part.place.base or ""].part, ground)
    over = {
        "left": room.x - box.x,
        "upper": room.y - box.y,
        "right": box.right - room.right,
        "lower": box.bottom - room.bottom,
    }
    over = {name: by for name, by in over.items() if by > ZERO}
    if not over:
        return []
    of = "" if on == "the page" else f" of {on}"
    edges = " and ".join(f"the {name} edge{of} by {say(by)}" for name, by in over.items())
    x = max(room.x, min(box.x, room.right - box.width))
    y = max(room.y, min(box.y, room.bottom - box.height))
    inside = Rect(x, y, box.width, box.height)
    fits = box.width <= room.width and box.height <= room.height
    remedies = (Remedy("Move it in", placed_at(part, inside, standing, ground.format)),) if fits else ()
    told = f"It hangs over {edges}; move it in, or trim it flush after gluing{_trimmings(one, box, room, ground)}."
    return [Finding("overhang", "warn", part.id, told, remedies)]


def _trimmings(one: Standing, box: Rect, room: Rect, ground: Ground) -> str:
    """The largest scrap that trimming flush leaves of its paper, where it is worth keeping."""
    offs = [(off, p) for p in one.built.pieces if (off := _off(p.moved(box.x, box.y), room)) is not None]
    if not offs:
        return ""
    off, piece = max(offs, key=lambda found: found[0].area)
    size = ground.ruler.say_size(off.width, off.height)
    return f": {size} of {ground.says(piece.choice)} falls off, and the cut list has it as a scrap"


def _in_the_binding(part: Part, box: Rect, ground: Ground) -> list[Finding]:
    """What lies in the strip that is punched or sewn. What covers it whole is a ground: it is punched with the page."""
    format, say = ground.format, ground.ruler.say
    for strip in format.strips:
        if strip.meets(box) and not box.contains(strip):
            told = (
                f"It reaches into the {say(format.binding)} that is kept clear for the binding: "
                "holes would be punched through it."
            )
            return [Finding("binding", "warn", part.id, told)]
    return []


def _near_the_trim(part: Part, box: Rect, ground: Ground) -> list[Finding]:
    """What must stay whole, a stitched pocket or a border, keeps 1/4 in off an edge that may be trimmed."""
    format = ground.format
    if not format.allowance:
        return []
    whole = format.whole
    spared = whole.x + KEPT_OFF <= box.x or format.pages == 1 or box.x >= format.width
    if (
        spared
        and box.right <= whole.right - KEPT_OFF
        and box.y >= KEPT_OFF
        and box.bottom <= whole.bottom - KEPT_OFF
    ):
        return []
    told = (
        f"It lies nearer than {ground.ruler.say(KEPT_OFF)} to an edge that may be trimmed after gluing; "
        "what must stay whole keeps off it."
    )
    return [Finding("near-trim", "warn", part.id, told)]


def _choice_findings(part: Part, built: Built, ground: Ground) -> list[Finding]:
    """Pieces without a paper, or with one that is gone from the shelf."""
    found = []
    for piece in built.pieces:
        if not piece.is_paper:
            continue
        name = piece.name[0].upper() + piece.name[1:]
        if piece.choice.paper is None:
            found.append(Finding("no-paper", "note", part.id, f"{name}: no paper is chosen yet."))
        elif piece.choice.paper not in ground.shelf.papers:
            found.append(Finding("paper-gone", "warn", part.id, f"{name}: its paper is no longer on the shelf."))
    return found
