"""Two papers that touch, both lively and alike in lightness, run together: the eye finds no edge between them.

A plain mat between them parts them, or a line of ink along the edge of the upper one.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import replace
from typing import Any

from ulna.core.checks.edges import touched
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Borders
from ulna.core.measure import inches
from ulna.core.paper.colour import of_hex
from ulna.core.paper.shelf import Form, Side
from ulna.core.parts.edge_work import EdgeWork
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.mats import Mat
from ulna.core.parts.pieces import Ground, PaperChoice, Piece
from ulna.core.parts.seen import Seen

LIVELY = 2
"""A pattern from here on up is lively or busy."""
APART = 20.0
"""In lightness (L*): papers that are further apart stand apart, however lively they are."""


PARTS = frozenset({"inked", "outlined"})
"""What is done to the edge of a piece that parts it from what it lies on."""


def told(pieces: Sequence[Piece], ground: Ground, plan: Any = None, seen: Seen | None = None) -> Iterator[Finding]:
    """For each part with a lively paper that touches one like it, unless its edge is inked or outlined. What would do
    is told where the page's `plan` is known."""
    parts: Mapping[str, Any] = {part.id: part for part in plan.parts} if plan is not None else {}
    worked = {one.piece for one in plan.edges if one.how in PARTS} if plan is not None else set[str]()
    light = measured(ground)
    said = set[tuple[str, str]]()
    seen = seen or Seen(pieces)
    for k, piece in enumerate(pieces):
        side = side_of(piece, ground)
        if side is None or side.busy < LIVELY or piece.base_id in worked:
            continue
        for under in touched(seen, k):
            below = side_of(under, ground)
            pair = piece.part, under.part
            if (
                below is None
                or pair in said
                or piece.choice == under.choice
                or not run_together(side, below, light)
            ):
                continue
            said.add(pair)
            told = (
                f"{piece.name[0].upper()}{piece.name[1:]} and {under.name} run together: both are lively and alike "
                "in lightness. A plain mat between them, or an inked edge, parts them."
            )
            remedies = tuple(_parted(piece, parts.get(piece.part), ground)) if parts else ()
            yield Finding("run-together", "warn", piece.part, told, remedies, (piece.rect,))


def _parted(piece: Piece, part: Any, ground: Ground) -> Iterator[Remedy]:
    """Its edge inked or outlined; a narrow plain mat under a photo's mat, of the paper that stands apart most."""
    dark = of_hex((side_of(piece, ground) or Side("plain", ("#ffffff",))).colours[0]).lightness > 45
    ink = "#3a3230" if dark else "#f4efe4"
    yield Remedy("Ink its edge", edge=EdgeWork(piece.base_id, "inked", ink))
    yield Remedy("Outline it with a pen", edge=EdgeWork(piece.base_id, "outlined", ink))
    if isinstance(part, PhotoPart) and piece.layer is not None:
        light = of_hex((side_of(piece, ground) or Side("plain", ("#ffffff",))).colours[0]).lightness
        plain = [
            (abs(of_hex(paper.a.colours[0]).lightness - light), paper)
            for paper in ground.shelf.papers.values()
            if ground.proposes(paper.id)
            and paper.count > 0
            and paper.a.busy < LIVELY
            and paper.a.colours
            and paper.form is not Form.SCRAP
        ]
        if plain:
            paper = max(plain, key=lambda one: one[0])[1]
            mat = Mat(Borders.even(ground.ruler.round(inches(0, 1, 8))), PaperChoice(paper.id))
            mats = (*part.mats[: piece.layer], mat, *part.mats[piece.layer :])
            yield Remedy(f"A plain mat of {paper.name} under it", replace(part, mats=mats))


def run_together(one: Side, other: Side, light: Callable[[Side], float] | None = None) -> bool:
    """Whether two sides that touch would; by the lightness of their prints where that is measured, else of their
    grounds."""
    if min(one.busy, other.busy) < LIVELY:
        return False
    light = light or painted
    return abs(light(one) - light(other)) < APART


def painted(side: Side) -> float:
    """The lightness of the ground of a print."""
    return of_hex(side.colours[0]).lightness if side.colours else 95.0


def measured(ground: Ground) -> Callable[[Side], float]:
    """The lightness that the eye sees from afar: the mean of a print as it is drawn or was photographed."""

    def light(side: Side) -> float:
        look = ground.print_of(side) if side.busy or side.picture else None
        return look.edge.lightness if look is not None else painted(side)

    return light


def side_of(piece: Piece, ground: Ground) -> Side | None:
    """The side of a paper that a piece shows; none where it is no paper, or none is chosen."""
    paper = ground.shelf.papers.get(piece.choice.paper or "") if piece.is_paper else None
    return paper.face(piece.choice.side) if paper else None
