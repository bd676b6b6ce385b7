"""The planner's two documents: exact numbers in, a plan out, refusals that name the field."""

from __future__ import annotations

import json
from typing import Any

import pytest

from tests.formats.requests import REQUEST, changed
from ulna.core.errors import FieldError
from ulna.core.planner import plan_cuts
from ulna.formats import cut_json


def test_a_request_gives_a_plan_in_its_unit() -> None:
    """Both mats come out of the frame's middle, so one sheet of reeds and one of cards do."""
    asked, unit, seconds = cut_json.read(json.dumps(REQUEST))
    plan = cut_json.write(plan_cuts(asked, 5_000), unit, 0.04)
    assert (plan["format"], plan["unit"], seconds) == ("ulna-cut-plan", "in", 0.1)
    assert (plan["whole_sheets_used"], plan["unplaced"]) == (2, [])
    frame = next(p for s in plan["sheets"] for p in s["placements"] if p["piece"] == "frame")
    assert (frame["panel"]["width"], len(frame["panel"]["placements"])) == (10, 2)
    for sheet in plan["sheets"]:
        assert [step["n"] for step in sheet["steps"]] == list(range(1, len(sheet["steps"]) + 1))
        assert all(step["text"].strip() for step in sheet["steps"])


def test_numbers_come_out_with_the_decimals_they_went_in_with() -> None:
    """0.1 + 0.2 is 0.3 here, and nothing is written as 0.30000000000000004."""
    document = {
        "format": "ulna-cut-request", "version": 1, "unit": "in",
        "sheets": [{"id": "s", "width": 0.3, "height": 0.1}],
        "pieces": [{"id": "a", "width": 0.1, "height": 0.1}, {"id": "b", "width": 0.2, "height": 0.1}],
    }  # fmt: skip
    asked, unit, _ = cut_json.read(json.dumps(document))
    plan = plan_cuts(asked, 100)
    assert plan.unplaced == ()
    assert "0000000" not in json.dumps(cut_json.write(plan, unit, 0))


@pytest.mark.parametrize(
    ("path", "value", "field"),
    [
        ("format", "other", "request.format"),
        ("version", 2, "request.version"),
        ("unit", "cm", "request.unit"),
        ("kerf", -0.1, "request.kerf"),
        ("gutting", "yes", "request.gutting"),
        ("seconds", 0, "request.seconds"),
        ("seconds", True, "request.seconds"),
        ("sheets", [], "request.sheets"),
        ("sheets.0.id", ..., "request.sheets[0].id"),
        ("sheets.0.width", 0, "request.sheets[0].width"),
        ("sheets.0.width", "12", "request.sheets[0].width"),
        ("sheets.0.width", True, "request.sheets[0].width"),
        ("sheets.0.width", 100_001, "request.sheets[0].width"),
        ("sheets.0.height", 0.1234567, "request.sheets[0].height"),
        ("sheets.0.quantity", 1.5, "request.sheets[0].quantity"),
        ("sheets.0.quantity", 10_001, "request.sheets[0].quantity"),
        ("sheets.0.scrap", 1, "request.sheets[0].scrap"),
        ("sheets.1.id", "reeds", "request.sheets[1].id"),
        ("sheets.0.reserve.depth", 12, "request.sheets[0].reserve.depth"),
        ("sheets.0.reserve.edge", "middle", "request.sheets[0].reserve.edge"),
        ("sheets.2.holes.0.x", 9, "request.sheets[2].holes[0]"),
        ("sheets.2.holes.0.width", 0, "request.sheets[2].holes[0].width"),
        ("pieces.0.id", "frame", "request.pieces[1].id"),
        ("pieces.0.from", [], "request.pieces[0].from"),
        ("pieces.0.from", ["nowhere"], "request.pieces[0].from"),
        ("pieces.1.gut.left", -1, "request.pieces[1].gut.left"),
        ("pieces.1.gut.left", 10.5, "request.pieces[1].gut"),
        ("pieces.1.gut.left", ..., "request.pieces[1].gut.left"),
        ("pieces.2.pin.x", 9, "request.pieces[2].pin"),
        ("pieces.2.pin.y", 7, "request.pieces[2].pin"),
        ("pieces.2.pin.sheet", "reeds", "request.pieces[2].pin.sheet"),
        ("pieces.2.quantity", 2, "request.pieces[2].quantity"),
        ("pieces.2.pin", None, "request.pieces[2].pin"),
    ],
)
def test_a_wrong_field_is_refused_by_its_name(path: str, value: Any, field: str) -> None:
    """One sentence that says which field, what was read and why."""
    if (path, value) == ("pieces.2.pin.y", 7):
        path, value = "pieces.2.pin", {"sheet": "cards", "x": 2, "y": 6}
    with pytest.raises(FieldError) as refused:
        cut_json.read(changed(path, value))
    assert refused.value.field == field
    assert "\n" not in refused.value.sentence


@pytest.mark.parametrize(
    "text", ["", "[]", "nonsense", '{"a": NaN}', '{"a": Infinity}', '{"a": 1e999999}', "[" * 99_999]
)
def test_what_is_no_request_is_refused(text: str) -> None:
    """Whatever it is instead."""
    with pytest.raises(FieldError):
        cut_json.read(text)


def test_more_than_can_be_planned_at_once_is_refused_before_it_is_tried() -> None:
    """A million pieces, and a file that is far too large, at once and by name."""
    pieces = [{"id": f"p{k}", "width": 1, "height": 1, "quantity": 10_000} for k in range(100)]
    with pytest.raises(FieldError, match="more than 20000 in all, read '30000'; plan them in parts"):
        cut_json.read(json.dumps({**REQUEST, "pieces": pieces}))
    with pytest.raises(FieldError, match="request: larger than 16 MB"):
        cut_json.read(b" " * 16_000_001)


def test_a_pin_in_a_reserve_is_refused() -> None:
    """The branding strip is cut off before anything else."""
    pin = {"id": "p", "width": 1, "height": 1, "from": ["reeds"], "pin": {"sheet": "reeds", "x": 0, "y": 11.2}}
    with pytest.raises(FieldError, match="off its sheet or in its reserve"):
        cut_json.read(changed("pieces.2", pin))


def test_unknown_fields_and_no_pieces_are_well_formed() -> None:
    """An empty plan comes out."""
    asked, unit, _ = cut_json.read(changed("pieces", []).replace('"version"', '"colour": "red", "version"'))
    plan = cut_json.write(plan_cuts(asked, 10), unit, 0)
    assert (plan["sheets"], plan["unplaced"], plan["whole_sheets_used"]) == ([], [], 0)
