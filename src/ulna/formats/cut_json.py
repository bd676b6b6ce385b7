"""The two documents of the cut planner: the request that comes in and the plan that goes out.

Numbers are decimals of at most six places in the request's unit; they are counted in millionths of it, so that
nothing is ever rounded and 0.30000000000000004 is refused rather than taken for 0.3.
"""

from __future__ import annotations

import json
from decimal import Decimal, InvalidOperation
from typing import Any

from ulna.core.errors import FieldError
from ulna.core.planner.by_hand import HandStep
from ulna.core.planner.plan import CutPlan, Layout, Placement
from ulna.core.planner.request import Area, CutRequest, Piece, Pin, Reserve, Rims, Sheet

PLACES = 6
SCALE = 1_000_000
MOST_LENGTH = 100_000
MOST_COPIES = 10_000
MOST_IN_ALL = 20_000
"""Pieces, copies counted: so many are planned in a second or two."""
MOST_BYTES = 16_000_000
MOST_SECONDS = 60
EDGES = ("left", "top", "right", "bottom")


def read(text: str | bytes) -> tuple[CutRequest, str, float]:
    """A request, its unit, and the seconds it allows. Raises `FieldError`, which names the field."""
    data = _json(text)
    root = _object(data, "request")
    if _text(root, "format", "request") != "ulna-cut-request":
        raise FieldError("request.format", root["format"], "not ulna-cut-request")
    if _number(root, "version", "request") != 1:
        raise FieldError("request.version", root["version"], "not 1")
    unit = _text(root, "unit", "request")
    if unit not in ("in", "mm"):
        raise FieldError("request.unit", unit, "neither in nor mm")
    kerf = _length(root, "kerf", "request", least=0, default=0)
    gutting = _flag(root, "gutting", "request", True)
    seconds = min(float(_number(root, "seconds", "request", Decimal(2))), MOST_SECONDS)
    if seconds <= 0:
        raise FieldError("request.seconds", root["seconds"], "not above zero")
    sheets = _sheets(root)
    by_id = {s.id: s for s in sheets}
    return CutRequest(sheets, _pieces(root, by_id), kerf, gutting), unit, seconds


def write(plan: CutPlan, unit: str, seconds: float) -> dict[str, Any]:
    """The plan as a document, ready for `json.dumps`."""
    return {
        "format": "ulna-cut-plan",
        "version": 1,
        "unit": unit,
        "sheets": [
            {"sheet": s.sheet, "copy": s.copy, **_layout(s.layout, unit)}
            for s in plan.sheets
            if s.layout.placements
        ],
        "unplaced": [{"piece": u.piece, "copy": u.copy, "why": u.why} for u in plan.unplaced],
        "whole_sheets_used": plan.whole_sheets_used,
        "lower_bound": plan.lower_bound,
        "proved_minimal": plan.proved_minimal,
        "seconds": round(seconds, 3),
    }


# ---- reading ---------------------------------------------------------------------------------------


class _Number(Decimal):
    """A number of the document, kept with the digits that were written."""


def _json(text: str | bytes) -> Any:
    def refuse(constant: str) -> Any:
        raise FieldError("request", constant, "not a number that JSON knows")

    if len(text) > MOST_BYTES:
        raise FieldError("request", "", f"larger than {MOST_BYTES // 1_000_000} MB", "plan it in parts")
    try:
        return json.loads(text, parse_float=_decimal, parse_int=_decimal, parse_constant=refuse)
    except json.JSONDecodeError as error:
        raise FieldError(
            "request", "", f"not JSON: {error.msg} at line {error.lineno}, column {error.colno}"
        ) from None
    except UnicodeDecodeError:
        raise FieldError("request", "", "not text in UTF-8") from None
    except RecursionError:
        raise FieldError("request", "", "nested too deeply") from None


def _decimal(text: str) -> _Number:
    try:
        number = _Number(text)
    except InvalidOperation:
        raise FieldError("request", text, "not a number that can be read") from None
    if len(text) > 60 or (number and abs(number.adjusted()) > 30):
        raise FieldError("request", text, "a number out of all range")
    return number


def _object(value: Any, where: str) -> dict[str, Any]:
    if not isinstance(value, dict):
        raise FieldError(where, value, "not an object")
    return value


def _field(record: dict[str, Any], key: str, where: str) -> Any:
    if key not in record:
        raise FieldError(f"{where}.{key}", "", "missing")
    return record[key]


def _text(record: dict[str, Any], key: str, where: str) -> str:
    value = _field(record, key, where)
    if not isinstance(value, str):
        raise FieldError(f"{where}.{key}", value, "not a text")
    return value


def _flag(record: dict[str, Any], key: str, where: str, default: bool) -> bool:
    value = record.get(key, default)
    if not isinstance(value, bool):
        raise FieldError(f"{where}.{key}", value, "neither true nor false")
    return value


def _list(record: dict[str, Any], key: str, where: str, default: list[Any] | None = None) -> list[Any]:
    value = _field(record, key, where) if default is None else record.get(key, default)
    if not isinstance(value, list):
        raise FieldError(f"{where}.{key}", value, "not a list")
    return value


def _number(record: dict[str, Any], key: str, where: str, default: Decimal | None = None) -> Decimal:
    value = _field(record, key, where) if default is None else record.get(key, default)
    if not isinstance(value, Decimal):
        raise FieldError(f"{where}.{key}", value, "not a number")
    return value


def _length(record: dict[str, Any], key: str, where: str, least: int | None = 1, default: int | None = None) -> int:
    """Millionths of the unit; at least `least` of them, whatever where it is None."""
    value = _number(record, key, where, None if default is None else Decimal(default))
    if abs(value) > MOST_LENGTH:
        raise FieldError(f"{where}.{key}", value, f"more than {MOST_LENGTH}")
    scaled = value * SCALE
    if scaled != scaled.to_integral_value():
        raise FieldError(f"{where}.{key}", value, f"more than {PLACES} decimals")
    if least is not None and scaled < least:
        raise FieldError(f"{where}.{key}", value, "below zero" if least == 0 else "not above zero")
    return int(scaled)


def _count(record: dict[str, Any], where: str) -> int:
    value = _number(record, "quantity", where, Decimal(1))
    if value != value.to_integral_value() or not 1 <= value <= MOST_COPIES:
        raise FieldError(f"{where}.quantity", value, f"not a whole number from 1 to {MOST_COPIES}")
    return int(value)


def _sheets(root: dict[str, Any]) -> tuple[Sheet, ...]:
    sheets: dict[str, Sheet] = {}
    for k, item in enumerate(_list(root, "sheets", "request")):
        where = f"request.sheets[{k}]"
        record = _object(item, where)
        id = _text(record, "id", where)
        if id in sheets:
            raise FieldError(f"{where}.id", id, "given twice")
        width, height = _length(record, "width", where), _length(record, "height", where)
        bare = Sheet(id, width, height, _count(record, where), _flag(record, "scrap", where, False))
        reserve = _reserve(record, where, bare)
        holes = tuple(
            _hole(hole, f"{where}.holes[{n}]", bare) for n, hole in enumerate(_list(record, "holes", where, []))
        )
        sheets[id] = Sheet(id, width, height, bare.quantity, bare.scrap, reserve, holes)
    if not sheets:
        raise FieldError("request.sheets", "", "empty", "give at least one sheet")
    return tuple(sheets.values())


def _reserve(record: dict[str, Any], where: str, sheet: Sheet) -> Reserve | None:
    if "reserve" not in record:
        return None
    band = _object(record["reserve"], f"{where}.reserve")
    edge = _text(band, "edge", f"{where}.reserve")
    if edge not in EDGES:
        raise FieldError(f"{where}.reserve.edge", edge, "no edge", "write left, top, right or bottom")
    depth = _length(band, "depth", f"{where}.reserve")
    if depth >= (sheet.width if edge in ("left", "right") else sheet.height):
        raise FieldError(f"{where}.reserve.depth", band["depth"], "leaves nothing of the sheet")
    return Reserve(edge, depth)  # type: ignore[arg-type]


def _hole(item: Any, where: str, sheet: Sheet) -> Area:
    record = _object(item, where)
    hole = Area(
        _length(record, "x", where, least=None),
        _length(record, "y", where, least=None),
        _length(record, "width", where),
        _length(record, "height", where),
    )
    if not hole.inside(sheet.whole):
        raise FieldError(where, "", "outside its sheet")
    return hole


def _pieces(root: dict[str, Any], sheets: dict[str, Sheet]) -> tuple[Piece, ...]:
    pieces: dict[str, Piece] = {}
    in_all = 0
    for k, item in enumerate(_list(root, "pieces", "request")):
        where = f"request.pieces[{k}]"
        record = _object(item, where)
        id = _text(record, "id", where)
        if id in pieces:
            raise FieldError(f"{where}.id", id, "given twice")
        width, height = _length(record, "width", where), _length(record, "height", where)
        sources = _list(record, "from", where, list(sheets))
        if not sources:
            raise FieldError(f"{where}.from", "", "empty", "name a sheet, or leave it out for any sheet")
        for source in sources:
            if not isinstance(source, str) or source not in sheets:
                raise FieldError(f"{where}.from", source, "no such sheet")
        gut = _gut(record, where, width, height)
        quantity = _count(record, where)
        in_all += quantity
        if in_all > MOST_IN_ALL:
            raise FieldError("request.pieces", in_all, f"more than {MOST_IN_ALL} in all", "plan them in parts")
        pin = _pin(record, where, Area(0, 0, width, height), quantity, frozenset(sources), sheets)
        turn = _flag(record, "turn", where, False)
        pieces[id] = Piece(id, width, height, frozenset(sources), quantity, turn, gut, pin)
    return tuple(pieces.values())


def _gut(record: dict[str, Any], where: str, width: int, height: int) -> Rims | None:
    if "gut" not in record:
        return None
    at = f"{where}.gut"
    given = _object(record["gut"], at)
    rims = Rims(*(_length(given, edge, at, least=0) for edge in EDGES))
    if rims.left + rims.right >= width or rims.top + rims.bottom >= height:
        raise FieldError(at, "", "the rims leave no panel")
    return rims


def _pin(
    record: dict[str, Any],
    where: str,
    size: Area,
    quantity: int,
    sources: frozenset[str],
    sheets: dict[str, Sheet],
) -> Pin | None:
    if "pin" not in record:
        return None
    at = f"{where}.pin"
    given = _object(record["pin"], at)
    pin = Pin(_text(given, "sheet", at), _length(given, "x", at, least=None), _length(given, "y", at, least=None))
    if pin.sheet not in sources:
        raise FieldError(f"{at}.sheet", pin.sheet, "a sheet that `from` does not name")
    if quantity != 1:
        raise FieldError(f"{where}.quantity", record["quantity"], "a pinned piece is there once", "write 1")
    spot, sheet = Area(pin.x, pin.y, size.width, size.height), sheets[pin.sheet]
    if not spot.inside(sheet.usable):
        raise FieldError(at, "", "off its sheet or in its reserve")
    if any(spot.meets(hole) for hole in sheet.holes):
        raise FieldError(at, "", "in a hole of its sheet")
    return pin


# ---- writing ---------------------------------------------------------------------------------------


def _out(value: int) -> float | int:
    """Millionths as the nearest number, whose shortest decimal is the exact one."""
    whole, rest = divmod(value, SCALE)
    return whole if rest == 0 else value / SCALE


def _box(area: Area) -> dict[str, float | int]:
    return {"x": _out(area.x), "y": _out(area.y), "width": _out(area.width), "height": _out(area.height)}


def _layout(layout: Layout, unit: str) -> dict[str, Any]:
    return {
        "placements": [_placement(p, unit) for p in layout.placements],
        "offcuts": [_box(o) for o in layout.offcuts],
        "steps": [_step(n, step, unit, layout) for n, step in enumerate(layout.steps, 1)],
    }


def _placement(placed: Placement, unit: str) -> dict[str, Any]:
    document: dict[str, Any] = {
        "piece": placed.piece, "copy": placed.copy, **_box(placed.area), "turned": placed.turned,
    }  # fmt: skip
    if placed.panel is not None and placed.inside is not None:
        document["panel"] = {**_box(placed.panel), **_layout(placed.inside, unit)}
    return document


def _is_side(area: Area, step: HandStep) -> bool:
    """Whether a cut leaves this area as a part of its own. Beyond a cut that has a width it is not told."""
    x, y, width, height = step.of
    if step.axis == "vertical":
        sides = Area(x, y, step.at - x, height), Area(step.at, y, x + width - step.at, height)
    else:
        sides = Area(x, y, width, step.at - y), Area(x, step.at, width, y + height - step.at)
    return area in sides


def _step(n: int, step: HandStep, unit: str, layout: Layout) -> dict[str, Any]:
    upright = step.axis == "vertical"
    edge, size = ("left edge", step.of.width) if upright else ("top edge", step.of.height)
    how = "top to bottom" if upright else "side to side"
    text = (
        f"Set {_out(step.setting)} {unit} from the {edge}; cut {how} through the part of "
        f"{_out(step.of.width)} × {_out(step.of.height)}."
    )
    if not 0 < step.setting < size:
        text = f"Trim the {edge if step.setting <= 0 else edge.replace('left', 'right').replace('top', 'bottom')}."
    done = [placed.piece for placed in layout.placements if _is_side(placed.area, step)]
    if done:
        text = f"{text[:-1]}: {' and '.join(done)}."
    return {"n": n, "text": text, "axis": step.axis, "at": _out(step.at), "of": _box(step.of)}
