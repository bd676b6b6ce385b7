"""A page looked at as a whole: what working it out tells, and what a second pair of eyes sees, what is graver first."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass, replace

from ulna.core import checks
from ulna.core.build.bulk import Leaf
from ulna.core.checks import gaze
from ulna.core.checks.bulk import told_of_notebook
from ulna.core.checks.catalogue import by_harm
from ulna.core.findings import Finding, Remedy
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page.standing import placed_at, stand
from ulna.core.parts.edge_work import EdgeWork
from ulna.core.parts.kinds import Part
from ulna.core.parts.pieces import Ground


@dataclass(frozen=True, slots=True)
class Checked:
    """A page worked out and its findings, those that were put aside among them; the names of what is seen first."""

    page: Evaluated
    findings: tuple[Finding, ...]
    first_seen: tuple[str, ...] = ()


def checked(
    plan: PagePlan, ground: Ground, house: Collection[str] = (), short: Sequence[tuple[str, str]] = (),
    bound_with: Sequence[Leaf] = (),
) -> Checked:  # fmt: skip
    """Everything that is to be told of a page in the order of harm. `house` are the codes that were put aside for
    good; `short` are parts that no sheet is left for, and why; a spread is `bound_with` the others of its
    notebook. What cannot be made cannot be put aside."""
    page = evaluate(plan, ground)
    standing = stand(plan.parts, ground)
    lacking = [Finding("sheets-short", "stop", part, why) for part, why in short]
    found = [*page.findings, *lacking, *checks.looked(plan, page.pieces, standing, ground, placed_at)]
    if bound_with:
        found += told_of_notebook(Leaf(page.pieces, ground), bound_with)
    boxes = {part.id: part.box for part in page.parts}
    here = {(one.code, one.part) for one in plan.aside}
    told = list[Finding]()
    for one in found:
        box = boxes.get(one.part or "")
        if not one.where and box is not None:
            one = replace(one, where=(box,))
        if one.severity != "stop" and one.code in house:
            one = replace(one, aside="house")
        elif one.severity != "stop" and (one.code, one.part or "") in here:
            one = replace(one, aside="page")
        told.append(one)
    names = {part.id: part.name for part in page.parts}
    first = gaze.first_seen(plan, page.pieces, standing, ground)
    return Checked(page, tuple(by_harm(_folded(told))), tuple(names[id] for id in first))


def _with(parts: tuple[Part, ...], part: Part) -> tuple[Part, ...]:
    """With a new part at its level: what goes under others over the bases and what is under already, else on top."""
    if part.level != "under":
        return (*parts, part)
    at = next((k for k, one in enumerate(parts) if one.level not in ("base", "under")), len(parts))
    return (*parts[:at], part, *parts[at:])


FEW = 2
"""So many findings of one kind of one part are told each by itself."""


def _folded(found: Sequence[Finding]) -> list[Finding]:
    """The same of many pieces of a part is told once: nine letters without a paper are one finding."""
    alike: dict[tuple[str, str | None], list[Finding]] = {}
    for one in found:
        others = alike.setdefault((one.code, one.part), [])
        if all(one.sentence != other.sentence for other in others):
            others.append(one)
    folded = list[Finding]()
    for (_, part), same in alike.items():
        if part is None or len(same) <= FEW:
            folded += same
            continue
        where = tuple(dict.fromkeys(box for one in same for box in one.where))
        says = f"{same[0].sentence} So it is {len(same) - 1} times more."
        folded.append(replace(same[0], sentence=says, where=where))
    return folded


def remedied(plan: PagePlan, remedy: Remedy) -> PagePlan:
    """The page once a remedy is taken: the part in the place of that of its id, or on top; the edge worked."""
    part: Part | None = remedy.part  # type: ignore[assignment]
    if part is not None:
        there = any(one.id == part.id for one in plan.parts)
        parts = (
            tuple(part if one.id == part.id else one for one in plan.parts) if there else _with(plan.parts, part)
        )
        plan = replace(plan, parts=parts)
    if isinstance(remedy.edge, EdgeWork):
        others = tuple(one for one in plan.edges if one.piece != remedy.edge.piece)
        plan = replace(plan, edges=(*others, remedy.edge))
    if remedy.pages is not None:
        plan = replace(plan, format=replace(plan.format, pages=remedy.pages))
    return plan
