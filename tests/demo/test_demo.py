"""The demo household: it shows every bench at its best, on real data."""

from __future__ import annotations

import contextlib
import io
from collections.abc import Iterator
from pathlib import Path

import pytest
from PIL import Image, ImageStat

from tests import blind_hand
from ulna.core.cutting import progress
from ulna.core.paper.patterns import PATTERNS
from ulna.demo import kits
from ulna.demo.household import READY, set_up
from ulna.formats.documents import written
from ulna.household import cutting
from ulna.household.cutting import page_cuts
from ulna.household.home import Household
from ulna.store.errors import StoreError


@pytest.fixture
def home(demo_home: Path) -> Iterator[Household]:
    with contextlib.closing(Household(demo_home)) as household:
        yield household


def pages(home: Household) -> dict[str, str]:
    """The ids of the pages by the kind of their format and how many pages it has."""
    found = ((k.body.format, k.id) for k in home.pages.all())
    return {f"{format.kind} × {format.pages}": id for format, id in found}


def test_the_lists_of_its_pages_can_be_followed_blindly(home: Household) -> None:
    """Every page through the blind hand: one planned, one half cut, one finished, all formats."""
    for page in pages(home).values():
        document = written(cutting.document(home, page))
        table = blind_hand.cut(document)
        blind_hand.laid(document, table)
        assert table.wrong == [] and document["placements"]


def test_two_kits_of_twelve_a_stash_and_scraps(home: Household) -> None:
    """Every paper has two sides of its own or is coloured through."""
    assert [len(k.papers) for k in (kits.towpath(), kits.wharf())] == [12, 12]
    assert {k.body["kind"] for k in home.library.all("kit")} == {"kit", "stash", "scraps"}
    assert any(p.is_scrap and p.scrap_of in home.shelf().papers for p in home.shelf().papers.values())


def test_most_kinds_of_pattern_are_among_its_papers() -> None:
    """So that they can be looked at."""
    papers = [p for kit in (kits.towpath(), kits.wharf(), kits.stash()) for p in kit.papers]
    used = {side.pattern for p in papers for side in (p.a, p.b)}
    assert len(used) >= 0.85 * len(PATTERNS)


def test_one_page_is_planned_one_half_cut_one_finished(home: Household) -> None:
    """A double 12 × 12, a letter page, a notebook spread."""
    done = {}
    for kind, id in pages(home).items():
        cuts = page_cuts(home, id)
        pieces = sum(len(s.pieces) for s in cuts.cuts.sheets)
        done[kind] = sum(len(progress.done(s, cuts.ticked)) for s in cuts.cuts.sheets) / pieces
    assert done["letter-upright × 1"] == 0 and done["notebook × 2"] == 1 and 0.2 < done["12x12 × 2"] < 0.8


def test_everything_on_its_pages_can_be_cut(home: Household) -> None:
    """From its own kits; and nothing on them is a stop or a warning, but that one title is an O short, on purpose."""
    told = list[str]()
    for id in pages(home).values():
        cuts = page_cuts(home, id)
        assert cuts.lacking == () and cuts.new == () and cuts.gone == ()
        findings = home.evaluated(home.page(id), id).findings
        told += [f.sentence for f in findings if f.severity != "note"]
    assert told == ["Painted block has two O left; it takes one more O."]


def test_its_photos_differ_in_shape_lightness_and_sharpness(home: Household) -> None:
    """Upright, lying and square; dark and light; each with its date."""
    shapes, lightness = set(), []
    for kept in home.library.all("photo"):
        shapes.add((kept.body["width"] > kept.body["height"]) - (kept.body["width"] < kept.body["height"]))
        picture = Image.open(io.BytesIO(home.pictures.path(kept.id, "thumb").read_bytes())).convert("L")
        lightness.append(ImageStat.Stat(picture).mean[0])
        assert kept.body["taken"].startswith("2026-03-")
    assert shapes == {-1, 0, 1} and max(lightness) - min(lightness) > 60


def test_it_is_made_once_and_only_thrown_away_where_it_is_a_demo(demo_home: Path, tmp_path: Path) -> None:
    """A second start finds it; a folder with something else is refused."""
    assert (demo_home / READY).exists() and set_up(demo_home) is False
    (tmp_path / "letter.txt").write_text("dear Wren")
    with pytest.raises(StoreError, match="something else than the demo"):
        set_up(tmp_path, reset=True)
