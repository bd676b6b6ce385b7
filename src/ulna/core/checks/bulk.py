"""A page too thick for its protector, or a notebook spread that does not close: told with what would thin it."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace
from typing import Any

from ulna.core.build.bulk import Bulk, Leaf, bulk, closed
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.polygons import Point
from ulna.core.geometry.rects import Rect
from ulna.core.measure import inches, length_of
from ulna.core.parts.kinds.cluster import Cluster
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.parts.seen import Seen

AROUND = inches(0, 1, 2)


def told_of_notebook(own: Leaf, others: Sequence[Leaf]) -> Iterator[Finding]:
    """What all spreads of a notebook have at one spot, where this one brings more than its share of too much."""
    found = closed(own, others)
    share = found.most // found.spreads
    if not others or found.thick <= found.most or found.own <= share:
        return
    told = (
        f"The {found.spreads} spreads of its notebook are {found.thick} thousandths of an inch thick together here, "
        f"and it closes on {found.most}: this one brings {found.own}, and its share is {share}. Lay something flat, or "
        "move it to where the others are thin."
    )
    yield Finding("notebook-bulk", "warn", None, told, (), (_around(found.at),))


def _around(at: Point) -> Rect:
    return Rect(length_of(at[0]) - AROUND, length_of(at[1]) - AROUND, AROUND * 2, AROUND * 2)


def told(plan: Any, pieces: Sequence[Piece], ground: Ground, seen: Seen | None = None) -> Iterator[Finding]:
    found = bulk(pieces, ground, seen)
    if not found.is_too_thick:
        return
    into = "the notebook closes on" if ground.format.is_notebook else "a page protector takes"
    thickest = sorted(found.layers, key=lambda one: -one.thick)[:3]
    brings = ", ".join(f"{one.piece.name} {one.thick}" for one in thickest)
    told = (
        f"It is {found.thick} thousandths of an inch thick here, and {into} {found.most}: {brings}. "
        "Lay something flat, or move it off the others."
    )
    yield Finding("bulk", "warn", None, told, tuple(_thinner(plan, found)), (_around(found.at),))


def _thinner(plan: Any, found: Bulk) -> Iterator[Remedy]:
    """What lies on foam laid flat; mats gutted under what is thick, where that is enough."""
    parts = {part.id: part for part in plan.parts}
    seen = set[str]()
    for one in sorted(found.layers, key=lambda one: -one.thick):
        part = parts.get(one.piece.part)
        if part is None or part.id in seen:
            continue
        seen.add(part.id)
        if isinstance(part, ThingPart) and part.raised != "flat":
            yield Remedy(f"Lay {one.piece.name} flat", replace(part, raised="flat"))
        elif isinstance(part, Cluster) and any(member.raised != "flat" for member in part.members):
            members = tuple(replace(member, raised="flat") for member in part.members)
            yield Remedy(f"Lay {one.piece.name} flat", replace(part, members=members))
        elif isinstance(part, PhotoPart) and any(not mat.gutted for mat in part.mats):
            mine = sum(layer.thick for layer in found.layers if layer.piece.part == part.id and layer.piece.layer)
            if mine >= found.thick - found.most:
                mats = tuple(replace(mat, gutted=True) for mat in part.mats)
                yield Remedy(f"Gut the mats under {one.piece.called_whole}", replace(part, mats=mats))
