"""Carries a plan out as a hand would, knowing nothing of how it was found, and says what does not work.

Each sheet begins as one part; every step must cut a part that is there; at the end every piece must be a part of
exactly its size, on a sheet it may come from, and nothing may lie on a reserve or a hole.
"""

from __future__ import annotations

from collections import Counter

from ulna.core.planner.plan import CutPlan, Layout, Placement
from ulna.core.planner.request import Area, CutRequest, Piece, Sheet


def faults(request: CutRequest, plan: CutPlan) -> list[str]:
    """Everything that is wrong with a plan; empty for a sound one."""
    found: list[str] = []
    placed: Counter[tuple[str, int]] = Counter()
    sheets = {s.id: s for s in request.sheets}
    pieces = {p.id: p for p in request.pieces}
    used: Counter[tuple[str, int]] = Counter()
    for entry in plan.sheets:
        sheet = sheets[entry.sheet]
        used[entry.sheet, entry.copy] += 1
        if not 1 <= entry.copy <= sheet.quantity:
            found.append(f"{entry.sheet}: there is no copy {entry.copy}")
        found += _lay(request, entry.layout, sheet, entry.sheet, pieces, placed)
    found += [f"sheet {key} used twice" for key, n in used.items() if n > 1]
    found += [f"piece {key} placed {n} times" for key, n in placed.items() if n > 1]
    every = {(p.id, copy) for p in request.pieces for copy in range(1, p.quantity + 1)}
    missing = [(u.piece, u.copy) for u in plan.unplaced]
    if Counter([*placed, *missing]) != Counter(every):
        found.append("placed and unplaced together are not what was asked")
    if not all(u.why.strip() for u in plan.unplaced):
        found.append("an unplaced piece has no reason")
    whole = sum(not sheets[s.sheet].scrap for s in plan.sheets)
    if plan.whole_sheets_used != whole or plan.lower_bound > whole:
        found.append(f"{whole} whole sheets, told {plan.whole_sheets_used}, bound {plan.lower_bound}")
    return found


def _lay(
    request: CutRequest,
    layout: Layout,
    sheet: Sheet,
    source: str,
    pieces: dict[str, Piece],
    placed: Counter[tuple[str, int]],
    panel: bool = False,
) -> list[str]:
    found: list[str] = []
    parts = _carry_out(layout, sheet.whole, request.kerf, found)
    taken: list[Area] = []
    for p in layout.placements:
        placed[p.piece, p.copy] += 1
        found += _placement(request, p, pieces[p.piece], sheet, source, panel)
        if p.area in parts:
            parts.remove(p.area)
        else:
            found.append(f"{p.piece} is no part of its own: {p.area}")
        taken.append(p.area)
        if p.panel is not None and p.inside is not None:
            inner = Sheet(source, p.panel.width, p.panel.height)
            found += _lay(request, p.inside, inner, source, pieces, placed, panel=True)
    for k, rest in enumerate(layout.offcuts):
        if rest.size <= 0 or not rest.inside(sheet.usable) or not any(rest.inside(part) for part in parts):
            found.append(f"the rest {rest} is not there")
        if any(rest.meets(o) for o in [*taken, *layout.offcuts[:k], *sheet.holes]):
            found.append(f"the rest {rest} meets something")
    return found


def _carry_out(layout: Layout, whole: Area, kerf: int, found: list[str]) -> list[Area]:
    parts = [whole]
    for step in layout.steps:
        if step.of not in parts:
            found.append(f"there is no part {step.of} to cut")
            continue
        parts.remove(step.of)
        x, y, w, h = step.of
        if step.axis == "vertical":
            sides = [Area(x, y, step.at - x, h), Area(step.at + kerf, y, x + w - step.at - kerf, h)]
        else:
            sides = [Area(x, y, w, step.at - y), Area(x, step.at + kerf, w, y + h - step.at - kerf)]
        kept = [side for side in sides if side.width > 0 and side.height > 0]
        if kept == [step.of]:
            found.append(f"a cut at {step.at} does nothing to {step.of}")
        parts += kept
    return parts


def _placement(
    request: CutRequest, p: Placement, piece: Piece, sheet: Sheet, source: str, panel: bool
) -> list[str]:
    found = []
    size = (piece.height, piece.width) if p.turned else (piece.width, piece.height)
    if (p.area.width, p.area.height) != size or (p.turned and not piece.turn):
        found.append(f"{p.piece} has the wrong size or is turned against its will")
    if source not in piece.sources:
        found.append(f"{p.piece} may not come from {source}")
    if not p.area.inside(sheet.usable) or any(p.area.meets(hole) for hole in sheet.holes):
        found.append(f"{p.piece} lies off the sheet, on its reserve or on a hole")
    if piece.pin and (panel or p.turned or (source, p.area.x, p.area.y) != piece.pin):
        found.append(f"{p.piece} is printed elsewhere")
    if p.panel is not None:
        found += _panel(request, p, piece)
    return found


def _panel(request: CutRequest, p: Placement, piece: Piece) -> list[str]:
    if piece.gut is None or not request.gutting or p.panel is None:
        return [f"{p.piece} may not be gutted"]
    left, top, right, bottom = piece.gut
    ways = [(bottom, left, top, right), (top, right, bottom, left)] if p.turned else [(left, top, right, bottom)]
    a = p.area
    for w, n, e, s in ways:
        if p.panel.inside(Area(a.x + w, a.y + n, a.width - w - e, a.height - n - s)):
            return []
    return [f"the panel of {p.piece} leaves less than its rims"]
