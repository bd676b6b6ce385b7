"""Before the search: sheets with a reserve, holes and printed pieces are cut so that these stand alone.

Any cut that passes through no printed piece does no harm, because every part of a separable pattern is
separable; so cuts are taken one by one, the one that leaves the largest clear part first.
"""

from __future__ import annotations

from collections.abc import Sequence

from ulna.core.planner.request import Area, Piece, Sheet
from ulna.core.planner.tree import Axis, Laid, Part

AXES: tuple[Axis, Axis] = ("horizontal", "vertical")

CANDIDATES = 24
"""Lines that are weighed at each cut; of more, an even selection."""


def root_of(sheet: Sheet, kerf: int) -> tuple[Part, Part]:
    """The tree of a fresh sheet with its reserve cut off, and the part that is left to use."""
    root = Part(sheet.whole)
    if sheet.reserve is None:
        return root, root
    usable = sheet.usable
    edge = sheet.reserve.edge
    axis: Axis = "vertical" if edge in ("left", "right") else "horizontal"
    at = {
        "left": usable.x - kerf,
        "top": usable.y - kerf,
        "right": usable.right,
        "bottom": usable.bottom,
    }[edge]
    first, second = root.cut(axis, at, kerf)
    used, reserve = (second, first) if edge in ("left", "top") else (first, second)
    if reserve is not None:
        reserve.lost = reserve.strip = True
    if used is None:
        raise ValueError("a reserve leaves some of its sheet")
    return root, used


def carve(part: Part, pins: Sequence[tuple[int, Area]], holes: Sequence[Area], kerf: int, flat: bool) -> None:
    """Cuts a part so that pins and holes stand alone. `flat` prefers level cuts where both serve.

    Each pin is a piece's index and its place; they must be such that `apart` keeps them all.
    """
    todo = [(part, list(pins), list(holes))]
    while todo:
        here, pins_here, holes_here = todo.pop()
        if not pins_here and not holes_here:
            continue
        if len(pins_here) == 1 and pins_here[0][1] == here.area:
            here.laid = Laid(pins_here[0][0], turned=False)
            continue
        if not pins_here and any(here.area.inside(hole) for hole in holes_here):
            here.lost = True
            continue
        axis, at = _best_line(here.area, [a for _, a in pins_here], holes_here, kerf, flat)
        for side in here.cut(axis, at, kerf):
            if side is not None:
                todo.append(
                    (
                        side,
                        [(i, a) for i, a in pins_here if a.meets(side.area)],
                        [h for h in holes_here if h.meets(side.area)],
                    )
                )


def _near(a: Area, b: Area, kerf: int) -> bool:
    return a.meets(Area(b.x - kerf, b.y - kerf, b.width + 2 * kerf, b.height + 2 * kerf))


def _lines(area: Area, axis: Axis, pins: list[Area], holes: Sequence[Area], kerf: int) -> list[int]:
    """Where a cut along this axis might go: at the edges of what stands on the area."""
    low = 0 if axis == "vertical" else 1
    start, end = area[low], area[low] + area[low + 2]
    lines = {x for p in pins for x in (p[low] - kerf, p[low] + p[low + 2])}
    lines |= {x for h in holes for x in (h[low], h[low] + h[low + 2] - kerf)}
    return sorted(x for x in lines if start < x + kerf and x < end)


def _blocks(pin: Area, axis: Axis, at: int, kerf: int) -> bool:
    low = 0 if axis == "vertical" else 1
    return pin[low] < at + kerf and at < pin[low] + pin[low + 2]


def _best_line(area: Area, pins: list[Area], holes: list[Area], kerf: int, flat: bool) -> tuple[Axis, int]:
    best: tuple[tuple[int, int], Axis, int] | None = None
    for axis in AXES:
        low = 0 if axis == "vertical" else 1
        start, end = area[low], area[low] + area[low + 2]
        clear = [
            x for x in _lines(area, axis, pins, holes, kerf) if not any(_blocks(p, axis, x, kerf) for p in pins)
        ]
        step = max(1, len(clear) // CANDIDATES)
        for at in clear[::step]:
            gain = max(_clear(area, axis, start, at, pins, holes), _clear(area, axis, at + kerf, end, pins, holes))
            score = (gain, 1 if (axis == "horizontal") == flat else 0)
            if best is None or score > best[0]:
                best = (score, axis, at)
    if best is None:
        raise ValueError("no edge-to-edge cut divides these pins")
    return best[1], best[2]


def apart(area: Area, pins: Sequence[tuple[int, Area]], kerf: int) -> list[tuple[int, Area]]:
    """The pins that can be cut apart edge to edge; where no cut passes, those in the way of the freest one go."""
    kept: list[tuple[int, Area]] = []
    todo = [(area, list(pins))]
    while todo:
        here, inside = todo.pop()
        if not inside:
            continue
        if len(inside) == 1:
            kept += inside
            continue
        areas = [a for _, a in inside]
        lines = [(axis, at) for axis in AXES for at in _lines(here, axis, areas, (), kerf)]
        blocked = [(sum(_blocks(a, axis, at, kerf) for a in areas), axis, at) for axis, at in lines]
        _, axis, at = min(blocked, key=lambda line: line[0])
        low = 0 if axis == "vertical" else 1
        left = [(i, a) for i, a in inside if not _blocks(a, axis, at, kerf)]
        x, y, w, h = here
        if axis == "vertical":
            sides = Area(x, y, at - x, h), Area(at + kerf, y, x + w - at - kerf, h)
        else:
            sides = Area(x, y, w, at - y), Area(x, at + kerf, w, y + h - at - kerf)
        todo += [
            (sides[0], [(i, a) for i, a in left if a[low] + a[low + 2] <= at]),
            (sides[1], [(i, a) for i, a in left if a[low] >= at + kerf]),
        ]
    return kept


def _clear(area: Area, axis: str, low: int, high: int, pins: list[Area], holes: list[Area]) -> int:
    """The area of one side of a cut where nothing stands on it, else nothing."""
    if low >= high:
        return 0
    x, y, w, h = area
    side = Area(low, y, high - low, h) if axis == "vertical" else Area(x, low, w, high - low)
    return 0 if any(side.meets(o) for o in pins) or any(side.meets(o) for o in holes) else side.size


def assign_pins(sheet: Sheet, pieces: Sequence[Piece], kerf: int) -> tuple[list[list[tuple[int, Area]]], list[int]]:
    """Printed pieces shared out over the copies of their sheet, and the indexes of those that contradict the rest.

    Several orders are tried, and the one that leaves out the fewest, on the fewest copies, is kept.
    """
    pinned = [
        (i, Area(p.pin.x, p.pin.y, p.width, p.height))
        for i, p in enumerate(pieces)
        if p.pin is not None and p.pin.sheet == sheet.id and p.quantity
    ]
    if not pinned:
        return [], []
    crowd = {i: sum(_near(a, b, kerf) for _, b in pinned) for i, a in pinned}
    orders = [
        sorted(pinned, key=lambda p: crowd[p[0]]),
        sorted(pinned, key=lambda p: p[1].size),
        sorted(pinned, key=lambda p: -p[1].size),
        sorted(pinned, key=lambda p: (p[1].x, p[1].y)),
        sorted(pinned, key=lambda p: (p[1].y, p[1].x)),
    ]
    return min((_shared_out(order, sheet, kerf) for order in orders), key=lambda f: (len(f[1]), len(f[0])))


def _shared_out(
    order: list[tuple[int, Area]], sheet: Sheet, kerf: int
) -> tuple[list[list[tuple[int, Area]]], list[int]]:
    """Copy after copy takes what can be cut from it together; what is left when there is none goes without."""
    copies: list[list[tuple[int, Area]]] = []
    while order and len(copies) < sheet.quantity:
        beside: list[tuple[int, Area]] = []
        for i, a in order:
            if not any(_near(a, b, kerf) for _, b in beside):
                beside.append((i, a))
        taken = apart(sheet.usable, beside, kerf)
        copies.append(taken)
        gone = {i for i, _ in taken}
        order = [pin for pin in order if pin[0] not in gone]
    return copies, [i for i, _ in order]


def fresh(sheet: Sheet, pins: Sequence[tuple[int, Area]], kerf: int, flat: bool = True) -> tuple[Part, list[Part]]:
    """The tree of a sheet with its reserve, holes and printed pieces cut apart, and its clear parts."""
    root, usable = root_of(sheet, kerf)
    holes = [h for h in sheet.holes if h.meets(usable.area)]
    if not pins and not holes:
        return root, [usable]
    carve(usable, pins, holes, kerf, flat)
    return root, [part for part in root.leaves() if part.laid is None and not part.lost]
