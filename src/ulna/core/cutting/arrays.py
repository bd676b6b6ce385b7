"""Between a request and its arrays: the field that trials are run on, and the cut trees of the best trial."""

from __future__ import annotations

from ulna.core.cutting.breeding import Bred
from ulna.core.cutting.obstacles import assign_pins, fresh
from ulna.core.cutting.outcome import Opened
from ulna.core.cutting.request import CutRequest
from ulna.core.cutting.tree import Laid, Part, give_panel, trim
from ulna.core.cutting.trials import Field, Start


def field_of(request: CutRequest) -> Field:
    """The loose pieces copy by copy; scraps lie there from the beginning, and the sheets that have printed pieces."""
    index = {s.id: k for k, s in enumerate(request.sheets)}
    of = [i for i, p in enumerate(request.pieces) if p.pin is None for _ in range(p.quantity)]
    gutting = request.gutting
    panels = [request.pieces[i].panel_size(False) if gutting else (0, 0) for i in of]
    offers, left, starts, opened, needed = [], [], list[Start](), list[int](), list[bool]()
    for k, (sheet, pinned) in enumerate(zip(request.sheets, _pinned(request), strict=True)):
        _, clear = fresh(sheet, [], request.kerf)
        offers.append([(part.area.width, part.area.height) for part in clear])
        for opened_ in pinned:
            here = _starting(opened_.root, request)
            starts += [Start(p.area.width, p.area.height, k, len(opened), sheet.scrap or won) for p, won in here]
            opened.append(k)
            needed.append(True)
        spare = sheet.quantity - len(pinned)
        left.append(0 if sheet.scrap else spare)
        for _ in range(min(spare, len(of)) if sheet.scrap else 0):
            starts += [Start(w, h, k, len(opened), True) for w, h in offers[-1]]
            opened.append(k)
            needed.append(False)
    return Field(
        of,
        [(request.pieces[i].width, request.pieces[i].height) for i in of],
        [request.pieces[i].turn for i in of],
        panels,
        [[index[source] for source in request.pieces[i].sources] for i in of],
        offers,
        left,
        [s.scrap for s in request.sheets],
        request.kerf,
        starts,
        opened,
        needed,
    )


def relaid(request: CutRequest, field: Field, bred: Bred | None) -> list[Opened]:
    """The sheets of a trial with their cut trees, laid again as it was; without one those with printed pieces."""
    opened, slots = list[Opened](), dict[int, tuple[Part, int]]()
    pending = dict[int, tuple[int, int, int]]()  # slot of a scrap that is not opened yet: kind, first slot, opened
    slot = number = 0
    for k, (sheet, pinned) in enumerate(zip(request.sheets, _pinned(request), strict=True)):
        for one in pinned:
            opened.append(one)
            for part, _ in _starting(one.root, request):
                slots[slot] = part, k
                slot += 1
            number += 1
        for _ in range(min(sheet.quantity - len(pinned), len(field.of)) if sheet.scrap else 0):
            for at in range(slot, slot + len(field.offers[k])):
                pending[at] = k, slot, number
            slot += len(field.offers[k])
            number += 1
    if bred is None:
        return opened

    def open_one(kind: int, first: int) -> None:
        root, clear = fresh(request.sheets[kind], [], request.kerf)
        opened.append(Opened(kind, 0, root))
        for at, part in enumerate(clear, first):
            slots[at] = part, kind
            pending.pop(at, None)

    trials, column = bred.trials, bred.column
    for step, which in enumerate(trials.order[column]):
        kind, at = int(trials.opened[step, column]), int(trials.slot[step, column])
        if kind >= 0:
            open_one(kind, int(trials.fresh[step]))
        if at < 0:
            continue
        if at in pending:
            open_one(*pending[at][:2])
        part, kind = slots[at]
        piece, turned = request.pieces[field.of[which]], bool(trials.turned[step, column])
        w, h = (piece.height, piece.width) if turned else (piece.width, piece.height)
        target, rests = trim(part, w, h, bool(trials.upright[step, column]), request.kerf)
        for rest in rests:  # the one beside keeps the slot
            slots[at if rest.area.x > part.area.x else int(trials.below[step])] = rest, kind
        target.laid = Laid(field.of[which], turned)
        if request.gutting:
            won = give_panel(target, piece)
            if won is not None:
                slots[int(trials.won[step])] = won, kind
    return opened


def _pinned(request: CutRequest) -> list[list[Opened]]:
    """For each sheet the copies that printed pieces are cut from, these laid already."""
    found = []
    for k, sheet in enumerate(request.sheets):
        copies, _ = assign_pins(sheet, request.pieces, request.kerf)
        found.append([Opened(k, n, fresh(sheet, pins, request.kerf)[0]) for n, pins in enumerate(copies, 1)])
    return found


def _starting(root: Part, request: CutRequest) -> list[tuple[Part, bool]]:
    """The free parts of a sheet with printed pieces, and whether each is a panel."""
    found = list[tuple[Part, bool]]()
    for part in root.leaves():
        if part.laid is not None:
            won = give_panel(part, request.pieces[part.laid.piece]) if request.gutting else None
            found += [(won, True)] if won is not None else []
        elif not part.lost:
            found.append((part, False))
    return found
