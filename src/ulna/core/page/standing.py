"""Where every part of a page stands: parts that count from others are placed after those.

A part whose base is gone, or that counts from itself by way of others, counts from the page and says so.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from ulna.core.findings import Finding, Remedy, Severity
from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.page import series
from ulna.core.page.flush import is_flush
from ulna.core.page.series import Share
from ulna.core.page_formats import PageFormat
from ulna.core.parts import place as places
from ulna.core.parts.kinds import Part, Placed, is_placed, names_of, traits, work_out
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.pieces import Built, Ground
from ulna.core.parts.place import Across, Down, Place, place_at


@dataclass(frozen=True, slots=True)
class Standing:
    """A part worked out at the origin, said in words with its place, and its box on the spread.

    A part that cannot be made has no box. `room` is what it lies on. `moved` tells that its corner went to a mark.
    """

    part: Part
    built: Built
    says: str
    box: Rect | None
    room: Rect
    moved: bool = False
    findings: tuple[Finding, ...] = ()


def stand(parts: Sequence[Part], ground: Ground) -> dict[str, Standing]:
    """Every part by its id, in the order of the recipe."""
    by_id = {part.id: part for part in parts}
    names = names_of(parts, ground)
    shares = series.shared(parts, ground)
    found: dict[str, Standing] = {}
    looping = _loops(by_id)
    todo = [(part, False) for part in reversed(parts)]
    while todo:
        part, ready = todo.pop()
        if part.id in found:
            continue
        needed = part.place.needs if is_placed(part) and part.id not in looping else ()
        missing = [by_id[id] for id in needed if id in by_id and id not in found]
        if missing and not ready:
            todo.append((part, True))
            todo += [(one, False) for one in missing]
            continue
        found[part.id] = _standing(part, found, names, part.id in looping, ground, shares.get(part.id))
    for part in parts:
        if traits(part).keeps_off and found[part.id].box is not None:
            found[part.id] = _clear_of_others(found[part.id], found, ground)
    return {part.id: found[part.id] for part in parts}


def _clear_of_others(one: Standing, found: Mapping[str, Standing], ground: Ground) -> Standing:
    """A part that keeps off the others, worked out anew now that they lie: photos, letters, words and lines stay free
    of it, and clusters draw it near."""
    if one.box is None:
        return one
    free, around = list[Polygon](), list[polygons.Bounds]()
    for other in found.values():
        if other.box is None or other.part.id == one.part.id or not other.box.meets(one.box):
            continue
        x, y = (other.box.x - one.box.x).inches, (other.box.y - one.box.y).inches
        free += [polygons.moved(outline, x, y) for outline in stay_free(other.built)]
        if traits(other.part).gathers:
            around.append((x, y, x + other.box.width.inches, y + other.box.height.inches))
    built, _ = work_out(one.part, ground.keeping_free(tuple(free), tuple(around)), one.room)
    return replace(one, built=built)


def stay_free(built: Built) -> list[Polygon]:
    """What of a part nothing may be scattered on, from its corner: prints, letters, words, lines to write on."""
    found = [piece.seen for piece in built.pieces if piece.role == "print" or piece.letter is not None]
    for line in built.lines:
        if line.written is not None:
            ink = line.written
            high = ink.size
            found.append(polygons.box(ink.x.inches, ink.y.inches - high * 0.8, ink.width.inches, high))
    if any(line.kind == "rule" for line in built.lines):
        found.append(polygons.box(0.0, 0.0, built.width.inches, built.height.inches))
    return found


def _loops(by_id: Mapping[str, Part]) -> set[str]:
    """The parts that count from themselves by way of others."""
    looping: set[str] = set()
    settled: set[str] = set()
    for start in by_id:
        way: dict[str, list[str]] = {}
        todo = [start]
        while todo:
            id = todo[-1]
            part = by_id[id]
            if id not in way:
                way[id] = [o for o in part.place.needs if o in by_id] if is_placed(part) else []
            if way[id] and id not in settled:
                following = way[id].pop()
                if following in todo:
                    looping |= set(todo[todo.index(following) :])
                elif following not in settled:
                    todo.append(following)
            else:
                settled.add(id)
                todo.pop()
    return looping


def on_page(place: Place) -> Place:
    """The place counted from the page instead of other parts."""
    inner = {"before": "left", "after": "right", "above": "top", "below": "bottom"}
    edge_x = inner.get(place.across.edge, place.across.edge)
    edge_y = inner.get(place.down.edge, place.down.edge)
    across = Across(edge_x, place.across.by) if place.across.of else place.across  # type: ignore[arg-type]
    down = Down(edge_y, place.down.by) if place.down.of else place.down  # type: ignore[arg-type]
    return Place(place.on, across, down)


def _standing(
    part: Part,
    found: Mapping[str, Standing],
    names: Mapping[str, str],
    loops: bool,
    ground: Ground,
    share: Share | None,
) -> Standing:
    format = ground.format
    if not is_placed(part):
        return _as_the_page(part, ground)
    place, findings = part.place, list[Finding]()
    there = {id: found[id].box for id in place.needs if id in found}
    if loops:
        others = " and ".join(names[id] for id in place.needs)
        told = (
            f"Its place counts from {others}, whose place counts from it in turn; choose another for one of them."
        )
        findings.append(_astray(part, "place-loop", "stop", told, on_page(place)))
    elif any(there.get(id) is None for id in place.needs):
        told = "The part that its place counted from is not there; it counts from the page now."
        findings.append(_astray(part, "place-gone", "warn", told, on_page(place)))
    if findings:
        place = on_page(place)
    page = format.page(place.on)
    in_x, in_y = _in(place.across.of, there, page), _in(place.down.of, there, page)
    room = in_x if place.base is not None else page
    built, said = work_out(share.part if share else part, ground, room)
    if share and isinstance(part, Words):
        built = series.whole_again(built, share, part)
    says = f"{said}; {places.says(part.place, format, ground.ruler, names)}."
    if not built.is_there:
        return Standing(part, built, says, None, room, findings=tuple(findings))
    if place.stand is not None:
        on, box = found[place.stand.of].part, there[place.stand.of]
        line = traits(on).line
        if line is not None and box is not None:
            point = line.point(on, box, place.stand.share)
            at = places.centred_at(point, built.width, built.height, ground.ruler)
            return Standing(part, built, says, at, room, findings=tuple(findings))
    box, moved = places.position(place, built.width, built.height, in_x, in_y, ground.ruler)
    gutter = format.gutter
    if gutter is not None and traits(part).steps_off_fold and box.x < gutter < box.right:
        # What lies left of the fold stays where it is; the part grows to the right.
        built, _ = work_out(part, ground.folded(gutter - box.x), room)
        box = Rect(box.x, box.y, built.width, built.height)
    return Standing(part, built, says, box, room, moved, tuple(findings))


def _as_the_page(part: Part, ground: Ground) -> Standing:
    """A part that is the page itself."""
    page = ground.format.page(getattr(part, "on", "left"))
    built, said = work_out(part, ground, page)
    return Standing(part, built, f"{said}.", page, page)


def _in(of: str | None, there: Mapping[str, Rect | None], page: Rect) -> Rect:
    found = there.get(of or "")
    return page if found is None else found


def _astray(part: Placed, code: str, severity: Severity, told: str, place: Place) -> Finding:
    return Finding(
        code, severity, part.id, told, (Remedy("Count its place from the page", replace(part, place=place)),)
    )


def room_of(one: Standing, standing: Mapping[str, Standing], ground: Ground) -> Rect:
    """What a part is trimmed flush with: the spread, or the part that it lies on where it can lie within that."""
    part, box = one.part, one.box
    if box is None or not is_placed(part) or part.place.base not in standing:
        return ground.format.whole
    if is_flush(part):
        return one.room
    if one.room == ground.format.page("left"):
        return ground.format.whole
    beside = part.place.across.edge in ("before", "after") or part.place.down.edge in ("above", "below")
    # What is larger than its base lies round it on purpose.
    round_it = box.width > one.room.width or box.height > one.room.height
    return ground.format.whole if beside or round_it else one.room


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
