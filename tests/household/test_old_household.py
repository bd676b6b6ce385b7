"""A household of version 0.3 as people have one: it opens, and says what it said."""

from __future__ import annotations

import json
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

from ulna.core.kit.settings import USUAL_PROMPTS
from ulna.core.rules import Rules
from ulna.core.things.thing import Thing
from ulna.core.words.writing import USUAL_HANDS
from ulna.formats.documents import written
from ulna.household.cutting import page_cuts
from ulna.household.home import Household
from ulna.store import backup

FIXTURES = Path(__file__).parent.parent / "fixtures"


@pytest.fixture(scope="module")
def home(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Household]:
    """The demo of 0.3, unpacked from its backup; its pictures were made small."""
    folder = tmp_path_factory.mktemp("old") / "home"
    backup.read(FIXTURES / "household-0.3.zip", folder)
    household = Household(folder)
    yield household
    household.close()


def test_every_document_opens_and_is_written_as_it_was(home: Household) -> None:
    """Kits, pages, photos, templates, the print list, what is cut: nothing is lost, nothing is filled in otherwise."""
    documents = (home.kits, home.pages, home.roll.records, home.roll.templates, home.printing.lists)
    for kind in (*documents, home.cut_lists, home.sets, home.all_settings):
        raw = {kept.id: kept.body for kept in home.library.all(kind.kind)}
        assert raw, kind.kind
        for kept in kind.all():
            assert as_then(written(kept.body)) == raw[kept.id], kept.id


SINCE = {
    ("pile", "not sorted"), ("up", "A"), ("across", 1), ("down", 1), ("lines", None), ("printed_low", "0 in"),
    ("printed_right", "0 in"), ("gap_at", 0.5), ("words", "kept"), ("waits_for", ""), ("over", None), ("book", ""),
}  # fmt: skip
"""What was not written then, as it is where nobody said otherwise."""


THING_THEN = {"id", "name", "kind", "count", "length", "note"}

NEW_LISTS = (
    ("alphabets", []), ("outline", []), ("edges", []), ("aside", []), ("tucks", []), ("rules", {}),
    ("hands", [written(hand) for hand in USUAL_HANDS]), ("prompts", list(USUAL_PROMPTS)),
)  # fmt: skip


def as_then(value: Any) -> Any:
    if isinstance(value, list):
        return [as_then(one) for one in value]
    if isinstance(value, dict):
        if {"rim", "each"} <= value.keys():  # a thing, of which little was known then
            unsaid = written(Thing("", "t"))
            value = {k: v for k, v in value.items() if k in THING_THEN or v != unsaid[k]}
        if value.get("kind") == "rounds" and value["thing"] is None:  # of things only since
            value = {k: v for k, v in value.items() if k != "thing"}
        if value.get("kind") == "card" and value["rim"] == "0 in":  # motifs have one since
            value = {k: v for k, v in value.items() if k != "rim"}
        if value.keys() == written(Rules()).keys():  # all but one are of later
            return {k: v for k, v in value.items() if v is not None}
        if "zero" in value and "rules" in value:  # of them there was one, among the settings
            value = {k: v for k, v in value.items() if k != "rules"} | as_then(value["rules"])
        value = {k: as_then(v) if k == "rules" else v for k, v in value.items()}
        known = {k: v for k, v in value.items() if (k, v) not in NEW_LISTS}
        return {k: as_then(v) for k, v in known.items() if isinstance(v, list | dict) or (k, v) not in SINCE}
    return value


def test_its_pages_have_the_pieces_and_cuts_that_they_had(home: Household) -> None:
    """Worked out then, by the version that made it: sentences, pieces to the unit, steps, what is ticked."""
    then = json.loads((FIXTURES / "household-0.3.json").read_text("utf-8"))
    assert {kept.body.name: said(home, kept.id) for kept in home.pages.all()} == then


def said(home: Household, id: str) -> dict[str, object]:
    """What is told of a page, in values that JSON has."""
    page, cuts = home.evaluated(home.page(id), id), page_cuts(home, id)
    rects = {p.id: [p.rect.x.units, p.rect.y.units, p.rect.width.units, p.rect.height.units] for p in page.pieces}
    return {
        "parts": [part.sentence for part in page.parts],
        "pieces": rects,
        "steps": [step.key for sheet in cuts.cuts.sheets for step in sheet.steps],
        "ticked": sorted(cuts.ticked),
    }
