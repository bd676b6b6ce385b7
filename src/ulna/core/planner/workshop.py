"""Patterns: what lies on one sheet, as the moves that laid it there. Between a request, its trials and its trees."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field

from ulna.core.planner.obstacles import assign_pins, fresh
from ulna.core.planner.outcome import Opened
from ulna.core.planner.request import Area, CutRequest
from ulna.core.planner.tree import Laid, Part, give_panel, trim
from ulna.core.planner.trials import Move, Trials

FRESH = -1


@dataclass(frozen=True, slots=True)
class Pattern:
    """What lies on one sheet: its kind, which begun one it is or FRESH, the copies on it, and how they were laid.

    A sheet that was filled by blocks has its tree instead of moves.
    """

    kind: int
    begun: int
    copies: tuple[int, ...]
    moves: tuple[Move, ...] = ()
    root: Part | None = None


@dataclass(frozen=True, slots=True)
class Begun:
    """A sheet that is there from the beginning: its kind, and the pieces that are printed on it with their places."""

    kind: int
    pins: Sequence[tuple[int, Area]]


@dataclass(slots=True, eq=False)
class Workshop:
    """A request copy by copy: its loose pieces, the sheets that are begun, and the trials that can be run.

    `of` is the piece of each copy. `begun` are all scraps, and the sheets that printed pieces are cut from, which are
    in use whatever else is laid on them. `quantity` is how many fresh sheets of each kind there are besides.
    """

    request: CutRequest
    of: list[int] = field(init=False)
    begun: list[Begun] = field(init=False, default_factory=list)
    quantity: list[int] = field(init=False, default_factory=list)
    trials: Trials = field(init=False)

    def __post_init__(self) -> None:
        request = self.request
        pieces, gutting = request.pieces, request.gutting
        index = {s.id: k for k, s in enumerate(request.sheets)}
        self.of = [i for i, p in enumerate(pieces) if p.pin is None for _ in range(p.quantity)]
        offers, starts = [], []
        for k, sheet in enumerate(request.sheets):
            copies, _ = assign_pins(sheet, pieces, request.kerf)
            _, clear = fresh(sheet, [], request.kerf)
            offers.append([part.area[2:] for part in clear])
            spare = sheet.quantity - len(copies)
            self.quantity.append(0 if sheet.scrap else spare)
            scraps = min(spare, len(self.of)) if sheet.scrap else 0
            for one in [Begun(k, pins) for pins in (*copies, *[()] * scraps)]:
                _, free = self._beginning(one)
                starts += [(*p.area[2:], len(self.begun), sheet.scrap or won) for p, won in free]
                self.begun.append(one)
        self.trials = Trials(
            [(pieces[i].width, pieces[i].height) for i in self.of],
            [pieces[i].turn for i in self.of],
            [pieces[i].panel_size(False) if gutting else (0, 0) for i in self.of],
            [[index[source] for source in pieces[i].sources] for i in self.of],
            offers,
            [s.scrap for s in request.sheets],
            request.kerf,
            starts,
            [one.kind for one in self.begun],
            [bool(one.pins) for one in self.begun],
        )

    def size(self, copy: int) -> int:
        piece = self.request.pieces[self.of[copy]]
        return piece.width * piece.height

    def patterns(self, found: Iterable[tuple[int, int, tuple[Move, ...]]]) -> list[Pattern]:
        """The sheets of a trial."""
        return [Pattern(kind, begun, tuple(m[0] for m in moves), moves) for kind, begun, moves in found]

    def trees(self, patterns: Sequence[Pattern]) -> list[Opened]:
        """The sheets of a plan with their cut trees, those with printed pieces always among them."""
        used = {one.begun for one in patterns}
        idle = [Pattern(one.kind, k, ()) for k, one in enumerate(self.begun) if one.pins and k not in used]
        return [self._tree(one) for one in (*idle, *patterns)]

    def _tree(self, pattern: Pattern) -> Opened:
        if pattern.root is not None:
            return Opened(pattern.kind, 0, pattern.root.copied())
        begun = Begun(pattern.kind, ()) if pattern.begun == FRESH else self.begun[pattern.begun]
        root, free = self._beginning(begun)
        slots = {slot: part for slot, (part, _) in enumerate(free)}
        following = len(slots)
        for copy, slot, turned, upright, reach in pattern.moves:
            piece, part = self.request.pieces[self.of[copy]], slots[slot]
            w, h = (piece.height, piece.width) if turned else (piece.width, piece.height)
            wide, high = (reach or w, h) if upright else (w, reach or h)
            target, rests = trim(part, wide, high, upright, self.request.kerf)
            for rest in rests:  # the one beside keeps the slot
                slots[slot if rest.area.x > part.area.x else following] = rest
            following += 1
            if reach:
                target, rests = trim(target, w, h, True, self.request.kerf)
                slots.update((following, rest) for rest in rests)
                following += 1
            target.laid = Laid(self.of[copy], turned)
            won = give_panel(target, piece) if self.request.gutting else None
            if won is not None:
                slots[following] = won
                following += 1
        return Opened(pattern.kind, 0, root)

    def _beginning(self, begun: Begun) -> tuple[Part, list[tuple[Part, bool]]]:
        """The tree of a sheet on which nothing is laid yet, its free parts, and whether each is a panel."""
        sheet = self.request.sheets[begun.kind]
        root, clear = fresh(sheet, begun.pins, self.request.kerf)
        if not begun.pins:
            return root, [(part, False) for part in clear]
        free = list[tuple[Part, bool]]()
        for part in root.leaves():
            if part.laid is None:
                free += [] if part.lost else [(part, False)]
            elif self.request.gutting:
                won = give_panel(part, self.request.pieces[part.laid.piece])
                free += [] if won is None else [(won, True)]
        return root, free
