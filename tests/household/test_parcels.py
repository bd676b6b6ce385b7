"""Pages that travel from one household to another one."""

from __future__ import annotations

import tempfile
import zipfile
from base64 import b64encode
from collections.abc import Iterator
from contextlib import closing
from dataclasses import replace
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.pages import PAPERS, pages
from ulna.core.errors import FieldError
from ulna.core.measure import inches
from ulna.core.page.plan import PagePlan, photos_of
from ulna.core.paper.shelf import Kit
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.lettering import Style
from ulna.core.words.faces import OwnFace
from ulna.core.words.writing import Hand
from ulna.formats.collection import KeptFace
from ulna.formats.faces import file_of
from ulna.household import backups, cutting, own_faces, parcels
from ulna.household.home import Household
from ulna.household.parcels import TakenIn


@pytest.fixture
def here(demo_home: Path) -> Iterator[Household]:
    with closing(Household(demo_home, sweep=False)) as home:
        yield home


@pytest.fixture
def there(tmp_path: Path) -> Iterator[Household]:
    with closing(Household(tmp_path / "there")) as home:
        yield home


def called(home: Household, name: str) -> str:
    return next(kept.id for kept in home.pages.all() if kept.body.name == name)


def sent(home: Household, tmp_path: Path, *names: str) -> Path:
    file = tmp_path / "parcel.zip"
    with file.open("wb") as out:
        parcels.pack(home, [called(home, name) for name in names] or None, out)
    return file


def drawing(home: Household, id: str) -> list[tuple[str, str, str]]:
    """What one sees of a page: each piece, its size, the name of its paper or photo."""
    papers, photos = home.shelf().papers, home.photos()
    found = []
    for piece in home.evaluated(home.page(id), id).pieces:
        photo = photos.get(piece.picture.photo or "") if piece.picture else None
        of = photo.name if photo else papers[piece.choice.paper].name if piece.choice.paper in papers else ""
        found.append((piece.name, str(piece.rect), of))
    return found


@pytest.mark.parametrize("name", ["Twenty-one locks before tea", "Wharf market", "Rain on the roof"])
def test_a_page_is_the_same_in_an_empty_household(
    here: Household, there: Household, tmp_path: Path, name: str
) -> None:
    """Its papers come along, photographs of sheets too, its photos as they are cropped, and what is cut of it."""
    came = parcels.take_in(there, sent(here, tmp_path, name))
    (id,) = came.pages
    assert came.here == 0 and came.matched == 0 and came.brought and came.missing == ()
    assert drawing(there, id) == drawing(here, called(here, name))
    assert there.stage(id) == here.stage(called(here, name))
    old, new = cutting.page_cuts(here, called(here, name)), cutting.page_cuts(there, id)
    if old.begun:  # a list that is not begun is made anew, from the scraps that are there
        assert [len(sheet.pieces) for sheet in new.cuts.sheets] == [len(sheet.pieces) for sheet in old.cuts.sheets]
    assert len(new.ticked) == len(old.ticked) and new.begun == old.begun


def test_twice_doubles_nothing(here: Household, there: Household, tmp_path: Path) -> None:
    """Neither papers nor photos nor pages."""
    file = sent(here, tmp_path, "Rain on the roof")
    parcels.take_in(there, file)
    before = [len(documents.all()) for documents in (there.kits, there.pages, there.roll.records)]
    again = parcels.take_in(there, file)
    assert (again.here, again.photos, again.brought) == (1, 0, ())
    assert [len(documents.all()) for documents in (there.kits, there.pages, there.roll.records)] == before


def test_a_page_that_was_changed_comes_as_another_one(here: Household, there: Household, tmp_path: Path) -> None:
    file = sent(here, tmp_path, "Rain on the roof")
    (id,) = parcels.take_in(there, file).pages
    there.pages.write(id, 1, replace(there.page(id), story="It rained."), "told")
    (other,) = parcels.take_in(there, file).pages
    assert other != id and there.page(other).name == "Rain on the roof 2" and there.page(id).story == "It rained."


def test_papers_that_are_like_those_here_are_matched(here: Household, there: Household, tmp_path: Path) -> None:
    """The same kit under ids of its own, with another number of sheets: nothing is brought along."""
    for kept in here.kits.all():
        papers = tuple(replace(p, id=f"mine-{p.id}", count=9, scrap_of=None) for p in kept.body.papers)
        there.kits.add(replace(kept.body, papers=papers), "unpacked")
    came = parcels.take_in(there, sent(here, tmp_path, "Wharf market"))
    assert came.matched > 0 and came.brought == ()
    assert {
        piece.choice.paper for piece in there.evaluated(there.page(came.pages[0])).pieces if piece.is_paper
    } <= set(there.shelf().papers)


def test_what_did_not_come_along_is_told(here: Household, there: Household, tmp_path: Path) -> None:
    """A picture that is not in the file, by the photo's name."""
    file, lacking = sent(here, tmp_path, "Rain on the roof"), tmp_path / "lacking.zip"
    with zipfile.ZipFile(file) as full, zipfile.ZipFile(lacking, "w") as out:
        out.writestr("library.json", full.read("library.json"))
    came = parcels.take_in(there, lacking)
    photos = photos_of(there.page(came.pages[0]))
    assert photos and len(came.missing) == len(photos) and "did not come along" in came.missing[0]


def test_everything_comes_back_from_a_backup(here: Household, there: Household, tmp_path: Path) -> None:
    """What is not here any more; when it was kept is known then."""
    file = tmp_path / "backup.zip"
    backups.keep(here, file)
    assert backups.last(here.library.home) is not None and backups.last(there.library.home) is None
    came = parcels.take_in(there, file)
    assert len(came.pages) == len(here.pages.all()) and came.missing == ()
    assert len(there.roll.records.all()) == len(here.roll.records.all())


@pytest.mark.parametrize("harm", ["letter", "no library", "cut short", "bomb"])
def test_a_file_that_is_no_parcel_is_refused_and_nothing_is_there(
    here: Household, there: Household, tmp_path: Path, harm: str
) -> None:
    file = sent(here, tmp_path, "Rain on the roof")
    if harm == "letter":
        file.write_text("Dear Wren")
    elif harm == "cut short":
        file.write_bytes(file.read_bytes()[:2_000])
    else:
        with zipfile.ZipFile(file, "w", zipfile.ZIP_DEFLATED) as out:
            out.writestr("library.json" if harm == "bomb" else "letter.txt", b" " * 70_000_000)
    with pytest.raises(Exception) as refused:
        parcels.take_in(there, file)
    assert isinstance(refused.value, FieldError) or "backup" in str(refused.value)
    assert there.pages.all() == [] and there.kits.all() == []


def test_a_page_without_anything_travels_too(there: Household, tmp_path: Path) -> None:
    with closing(Household(tmp_path / "bare")) as bare:
        bare.pages.add(PagePlan("Bare"), "began")
        came = parcels.take_in(there, sent(bare, tmp_path, "Bare"))
    assert came == TakenIn(came.pages) and there.page(came.pages[0]).name == "Bare"


@settings(max_examples=6)
@given(plans=st.lists(pages(), min_size=1, max_size=2))
def test_whatever_a_page_is_made_of_it_is_the_same_there(plans: list[PagePlan]) -> None:
    """Pages of all kinds of part, from sheets with strips, cards, holes, and scraps: drawn alike, and alike once more
    back home, where nothing is doubled then."""
    with (
        tempfile.TemporaryDirectory() as folder,
        closing(Household(Path(folder) / "here")) as one,
        closing(Household(Path(folder) / "there")) as other,
    ):
        one.kits.add(Kit("kit", papers=PAPERS), "unpacked")
        ids = [one.pages.add(replace(plan, name=f"page {k}"), "began").id for k, plan in enumerate(plans)]
        file = Path(folder) / "parcel.zip"
        with file.open("wb") as out:
            parcels.pack(one, ids, out)
        came = parcels.take_in(other, file)
        assert [drawing(other, id) for id in came.pages] == [drawing(one, id) for id in ids]
        with file.open("wb") as out:
            parcels.pack(other, came.pages, out)
        assert parcels.take_in(one, file).here == len(ids) and len(one.kits.all()) == 1


def test_letters_come_along_and_are_matched_however_many_are_left(
    here: Household, there: Household, tmp_path: Path
) -> None:
    """A page in letters brings its alphabet; where it is already, with fewer letters, it is that one."""
    file = sent(here, tmp_path, "The engine is in the kitchen")
    parcels.take_in(there, file)
    (alphabet,) = there.shelf().alphabets.values()
    assert alphabet.name == "Small capitals"
    kit = next(kept for kept in there.kits.all() if kept.body.alphabets)
    fewer = replace(kit.body, alphabets=(replace(alphabet, letters="OFFTMARKET"),))
    there.kits.write(kit.id, kit.version, fewer, "counted again")
    parcels.take_in(there, sent(here, tmp_path, "Twenty-one locks before tea"))
    names = sorted(one.name for one in there.shelf().alphabets.values())
    assert names == ["Painted block", "Small capitals"]


def test_its_own_face_and_its_hand_come_along(here: Household, there: Household, tmp_path: Path) -> None:
    """A title in a font of one's own and words in a hand that was measured: both look there as they do here, and a
    second time nothing comes twice."""
    face = own_faces.add_face(here, "Stencil", file_of("slab").read_bytes()).id
    hand = Hand("mine", "my hand, brush", sample=inches(9))
    kept = here.settings()
    here.all_settings.write(kept.id, kept.version, replace(kept.body, hands=(*kept.body.hands, hand)), "measured")
    page = PagePlan(
        "Face and hand",
        parts=(Title("t", "HERON", (Style(face=face),)), Words("w", "The heron waited.", hand="mine")),
    )
    id = here.pages.add(page, "made").id
    file = sent(here, tmp_path, "Face and hand")
    (came,) = parcels.take_in(there, file).pages
    old, new = here.evaluated(page, id), there.evaluated(there.page(came), came)
    assert [p.rect for p in new.pieces] == [p.rect for p in old.pieces]
    assert [line.written for line in new.lines] == [line.written for line in old.lines]
    parcels.take_in(there, file)
    assert [kept.body.name for kept in there.own_faces.all()] == ["Stencil"]
    assert [one.name for one in there.settings().body.hands].count("my hand, brush") == 1


def test_a_font_that_is_none_does_not_come_in_with_a_parcel(there: Household) -> None:
    bad = KeptFace("face-bad", OwnFace("Bad", b64encode(b"OTTO, but no font").decode()))
    assert own_faces.take_in_faces(there, [bad, KeptFace("face-worse", OwnFace("Worse", "no base 64"))]) == {}
    assert there.own_faces.all() == []
