"""Every kind of part, as the menu offers it: a new one is held to all of this by itself."""

from __future__ import annotations

from dataclasses import fields, replace
from typing import Any

import pytest

from tests.core.cutting.compared import faults
from tests.core.examples import ground, paper
from ulna.core.measure import Unit, inches
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page.pulling import pulled
from ulna.core.page_formats import of_kind
from ulna.core.parts import inside
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kinds import KINDS, Part, is_placed, menu, traits
from ulna.core.parts.pieces import PaperChoice
from ulna.core.photos.prints import Print
from ulna.formats.documents import read, written

REED = paper("reed", 30)
FORMATS = {"12 × 12": of_kind("12x12"), "double": of_kind("12x12", 2), "notebook": of_kind("notebook", 2)}
ENTRIES = {entry.name: entry for entry in menu()}
CUT = [name for name in ENTRIES if name not in ("Card", "Tape")]
"""A card wants a printed sheet; tape is torn off its roll."""


def dressed(name: str, unit: Unit = Unit.INCH, format: str = "12 × 12") -> Part:
    """An entry of the menu as it begins on a page, of one paper."""
    on = FORMATS[format]
    part: Part = ENTRIES[name].begin(Beginning(unit, on.width, on.height))
    return inside.changed(PaperChoice, part, lambda choice: PaperChoice("reed"))


@pytest.mark.parametrize("format", FORMATS)
@pytest.mark.parametrize("unit", [Unit.INCH, Unit.MM])
@pytest.mark.parametrize("name", ENTRIES)
def test_an_entry_begins_as_something_that_fits_its_page(name: str, unit: Unit, format: str) -> None:
    """It can be made at once, lies on the page, and is named."""
    part = dressed(name, unit, format)
    page = evaluate(PagePlan("x", FORMATS[format], parts=(part,)), ground(FORMATS[format], REED))
    (one,) = page.parts
    assert one.name and one.sentence
    assert (one.box is not None) == (name != "Card")
    if one.box and format != "notebook":  # a window for a 3 in photo is wider than a small page
        assert FORMATS[format].whole.contains(one.box)
    stops = [f.sentence for f in page.findings if f.severity == "stop" and f.code != "no-card"]
    assert stops == []


@pytest.mark.parametrize("name", ENTRIES)
def test_an_entry_goes_out_and_comes_back_alike(name: str) -> None:
    """As a document, with every value."""
    part = dressed(name)
    assert read(type(part), written(part)) == part


@pytest.mark.parametrize("name", CUT)
def test_a_list_followed_blindly_gives_what_is_drawn(name: str) -> None:
    """Cut by the document alone, every piece has the size and the outline that the page has."""
    plan, on = PagePlan("x", FORMATS["double"], parts=(dressed(name),)), ground(FORMATS["double"], REED)
    assert faults(evaluate(plan, on), on) == []


@pytest.mark.parametrize("name", ENTRIES)
def test_every_handle_pulls_a_value_that_is_there(name: str) -> None:
    """Four inches across and down change the part, or say that it goes no further."""
    part = replace(dressed(name), id="one")
    plan, on = PagePlan("x", FORMATS["12 × 12"], parts=(part,)), ground(FORMATS["12 × 12"], REED)
    for handle in evaluate(plan, on).parts[0].handles:
        after, says = pulled(plan, "one", handle.field, inches(4), inches(4), on)
        assert after != part or "no further" in says or says.endswith(" 0")
        assert handle.name in says


@pytest.mark.parametrize("kind", KINDS, ids=lambda kind: kind.kind)
def test_traits_name_fields_that_there_are(kind: Any) -> None:
    """What scales, what a mirror turns round; and each walker finds what is in a part."""
    part = kind("one")
    names = {field.name for field in fields(part)}
    assert not traits(part).sided or traits(part).sided in names
    assert part.level in ("base", "under", "over")
    assert is_placed(part) == ("place" in names)
    assert all(isinstance(one, Print) for one in inside.every(Print, part))
