"""A part moved by hand: to where it is wanted, or caught on a guide near there."""

from __future__ import annotations

from dataclasses import dataclass, replace

from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length
from ulna.core.page import guides as guiding
from ulna.core.page.arranging import follows
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.guides import Distance, Guide
from ulna.core.page.plan import PagePlan
from ulna.core.page.standing import placed_at, stand
from ulna.core.parts.kinds import Part
from ulna.core.parts.pieces import Ground
from ulna.core.parts.place import Place, counted


@dataclass(frozen=True, slots=True)
class Moved:
    """The part as it is after the move, where it lies, the guides that it caught on, its distances, and the parts that
    go `along` with it."""

    part: Part
    box: Rect
    across: Guide | None
    down: Guide | None
    distances: tuple[Distance, ...]
    along: tuple[str, ...] = ()


def recounted(plan: PagePlan, part: str, place: Place, ground: Ground) -> Place:
    """A place that counts from other edges, or other parts, than the part does: it stays where it lies, and the
    distances are other ones. Raises `NotOnShelf`."""
    plan.part(part)
    standing = stand(plan.parts, ground)
    box = standing[part].box
    if box is None or place.stand is not None:
        return place
    boxes = {id: one.box for id in place.needs if (one := standing.get(id)) and one.box and id != part}
    return counted(place, box, plan.format, boxes)


def moved(
    plan: PagePlan,
    part: str,
    ground: Ground,
    x: Length | None = None,
    y: Length | None = None,
    marks: tuple[int, int] | None = None,
    catch: Length | None = None,
) -> Moved:
    """A part moved so that its box begins at `x`, `y`, where they are given, or nudged by so many marks. With `catch`
    it goes to the nearest guide within that distance. Raises `NotOnShelf`."""
    before = evaluate(plan, ground)
    box, across, down = before.box(part), None, None
    if marks is not None:
        box = box.moved(ground.ruler.mark * marks[0], ground.ruler.mark * marks[1])
    else:
        x, y = box.x if x is None else x, box.y if y is None else y
        across, down = _caught(before, part, x, y, catch, ground)
        box = box.moved(_at(across, x, ground) - box.x, _at(down, y, ground) - box.y)
    then = move(plan, part, box, ground)
    after = evaluate(then, ground)
    return Moved(
        then.part(part),
        after.box(part),
        across,
        down,
        tuple(guiding.distances(after, part, ground.ruler)),
        tuple(p.id for p in plan.parts if p.id != part and follows(plan, p.id, part)),
    )


def move(plan: PagePlan, id: str, x: Rect, ground: Ground) -> PagePlan:
    """The plan with a part moved so that its box is `x`; a base stays where it is."""
    standing = stand(plan.parts, ground)
    moved = placed_at(plan.part(id), x, standing, plan.format)
    return replace(plan, parts=tuple(moved if part.id == id else part for part in plan.parts))


def _caught(
    page: Evaluated, part: str, x: Length, y: Length, catch: Length | None, ground: Ground
) -> tuple[Guide | None, Guide | None]:
    if catch is None:
        return None, None
    found = guiding.guides(page, part, ground.ruler)
    return guiding.nearest(found.across, x, catch), guiding.nearest(found.down, y, catch)


def _at(guide: Guide | None, wanted: Length, ground: Ground) -> Length:
    return guide.at if guide else ground.ruler.round(wanted)
