"""Requests of every sort for the planner: strategies for hypothesis."""

from __future__ import annotations

from hypothesis import strategies as st

from ulna.core.planner.request import Area, CutRequest, Piece, Pin, Reserve, Rims, Sheet

MILLIONTHS = 1_000_000
quarters = st.integers(2, 48).map(lambda n: n * MILLIONTHS // 4)
SIDES = ("left", "top", "right", "bottom")


@st.composite
def sheets(draw: st.DrawFn, number: int) -> Sheet:
    width, height = draw(quarters), draw(quarters)
    reserve = None
    if draw(st.booleans()) and min(width, height) > MILLIONTHS:
        reserve = Reserve(draw(st.sampled_from(SIDES)), draw(st.sampled_from([125_000, 500_000])))
    holes = []
    for _ in range(draw(st.integers(0, 2))):
        w, h = draw(st.integers(1, width)), draw(st.integers(1, height))
        holes.append(Area(draw(st.integers(0, width - w)), draw(st.integers(0, height - h)), w, h))
    return Sheet(f"s{number}", width, height, draw(st.integers(1, 3)), draw(st.booleans()), reserve, tuple(holes))


@st.composite
def pieces(draw: st.DrawFn, number: int, there: list[Sheet]) -> Piece:
    width, height = draw(quarters), draw(quarters)
    names = draw(st.lists(st.sampled_from([s.id for s in there]), min_size=1, unique=True))
    rims = [draw(st.sampled_from([0, 125_000, 500_000])) for _ in SIDES]
    gut = Rims(*rims) if draw(st.booleans()) and rims[0] + rims[2] < width and rims[1] + rims[3] < height else None
    return Piece(f"p{number}", width, height, frozenset(names), draw(st.integers(1, 4)), draw(st.booleans()), gut)


@st.composite
def pinned(draw: st.DrawFn, number: int, sheet: Sheet) -> Piece | None:
    u = sheet.usable
    w, h = draw(st.integers(1, u.width)), draw(st.integers(1, u.height))
    x, y = draw(st.integers(u.x, u.right - w)), draw(st.integers(u.y, u.bottom - h))
    if any(Area(x, y, w, h).meets(hole) for hole in sheet.holes):
        return None
    return Piece(f"pin{number}", w, h, frozenset({sheet.id}), pin=Pin(sheet.id, x, y))


@st.composite
def requests(draw: st.DrawFn) -> CutRequest:
    """Sheets with reserves and holes, pieces that turn or not, gutted and printed ones, with and without a kerf."""
    there = [draw(sheets(k)) for k in range(draw(st.integers(1, 3)))]
    asked = [draw(pieces(k, there)) for k in range(draw(st.integers(0, 6)))]
    printed = [draw(pinned(k, draw(st.sampled_from(there)))) for k in range(draw(st.integers(0, 3)))]
    asked += [p for p in printed if p is not None]
    kerf = draw(st.sampled_from([0, 0, 62_500, 250_000]))
    return CutRequest(tuple(there), tuple(asked), kerf, draw(st.booleans()))
