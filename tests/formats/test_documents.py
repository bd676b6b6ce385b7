"""Pages and kits as JSON: what goes out comes back alike, what is wrong is named."""

from __future__ import annotations

import json

import pytest
from pydantic import ValidationError

from tests.core.pages import PAPERS
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Kit
from ulna.core.parts.kinds import KINDS, Part
from ulna.demo import kits, pages
from ulna.demo.scenes import SCENES
from ulna.formats import kit, recipe
from ulna.formats.documents import model_of, read, written

PHOTOS = {scene.name: f"photo-{k}" for k, scene in enumerate(SCENES)}


@pytest.mark.parametrize(
    "plan", [pages.locks(PHOTOS), pages.engine(PHOTOS), pages.market(PHOTOS)], ids=lambda p: p.name
)
def test_a_page_goes_out_and_comes_back_alike(plan: PagePlan) -> None:
    """Every value of every part."""
    assert recipe.read(recipe.write(plan)) == plan


@pytest.mark.parametrize("one", [kits.towpath(), kits.wharf(), kits.stash(), kits.scraps()], ids=lambda k: k.name)
def test_a_kit_goes_out_and_comes_back_alike(one: Kit) -> None:
    """Papers with both sides, and things."""
    assert kit.read(kit.write(one)) == one


def test_a_sheet_with_holes_and_a_scrap_out_of_one_come_back_alike() -> None:
    """The outline that is written beside a hole is not read: it follows from the hole."""
    one = Kit("Wharf", papers=PAPERS)
    assert read(Kit, written(one)) == one and kit.read(kit.write(one)).papers == PAPERS


def test_lengths_are_text_that_a_person_can_read() -> None:
    """Not units, not floats."""
    page = json.loads(recipe.write(pages.locks(PHOTOS)))["page"]
    assert page["format"]["width"] == "12 in"
    assert page["parts"][4]["trim"] == "7/8 in"


@pytest.mark.parametrize(
    ("field", "value", "message"),
    [
        ("width", "0 in", "nothing at all; write at least 1 in"),
        ("width", "-3 in", "less than nothing; write 1 in or more"),
        ("width", "1000000 mm", "longer than can be used; write at most 120 in"),
        ("width", 12, "a length is a text"),
        ("pages", 3, "less than or equal to 2"),
        ("kind", "A7", "Input should be"),
        ("colour", "red", "Extra inputs are not permitted"),
    ],
)
def test_a_wrong_field_is_named(field: str, value: object, message: str) -> None:
    """A page of nothing, of less, of a kilometre; and fields that do not exist."""
    document = json.loads(recipe.write(PagePlan("x")))
    document["page"]["format"][field] = value
    with pytest.raises(ValidationError) as refused:
        recipe.read(json.dumps(document))
    assert message in str(refused.value) and field in str(refused.value)


def test_both_documents_publish_their_schema() -> None:
    """So that other programs can write them."""
    assert recipe.schema()["properties"]["page"] and kit.schema()["properties"]["kit"]


@pytest.mark.parametrize("kind", KINDS, ids=lambda k: k.kind)
def test_a_part_of_which_only_kind_and_id_are_written_is_the_usual_one(kind: type[Part]) -> None:
    """The document has no default of its own: what is left out is as the core has it."""
    usual = kind("one")
    assert read(kind, {"kind": kind.kind, "id": "one"}) == usual
    assert read(kind, written(usual)) == usual


@pytest.mark.parametrize("kind", KINDS, ids=lambda k: k.kind)
def test_every_field_of_a_part_is_held_to_its_range(kind: type[Part]) -> None:
    """A length of a mile is refused in each field that is one, and so are fields that there are not."""
    document = written(kind("one"))
    lengths = [name for name, value in document.items() if isinstance(value, str) and value.endswith(" in")]
    for name in lengths:
        with pytest.raises(ValidationError, match="write at most 120 in"):
            read(kind, document | {name: "63360 in"})
    with pytest.raises(ValidationError, match="Extra inputs"):
        read(kind, document | {"loose": 1})


def test_a_model_is_made_once() -> None:
    """So that schemas name each value once."""
    assert model_of(PagePlan) is model_of(PagePlan)
