"""The command `ulna`: what it prints, and its exit status."""

from __future__ import annotations

import contextlib
import io
import json
import subprocess
import sys
from pathlib import Path

import pytest

from tests import blind_hand
from tests.api.documents import picture
from tests.formats.requests import REQUEST, changed
from ulna.demo.kits import wharf
from ulna.demo.pages import market
from ulna.demo.scenes import SCENES
from ulna.formats import kit, recipe
from ulna.household.home import Household


def ulna(*words: str, given: str = "") -> subprocess.CompletedProcess[str]:
    command = [sys.executable, "-m", "ulna", *words]
    return subprocess.run(command, input=given, capture_output=True, text=True, timeout=60)


@pytest.mark.parametrize(
    ("words", "printed"),
    [
        (("4 1/4", "--to", "mm"), "107.95 mm"),
        (("108 mm", "--to", "in", "--mark", "1/16"), "4 1/4 in (rounded down by 0.001969 in)"),
        (("4.3", "--mark", "1/16"), "4 5/16 in (rounded up by 0.0125 in)"),
        (("4 1/4", "--mark", "1/16"), "4 1/4 in (on the mark)"),
        (("-1/2",), "-1/2 in"),
        (("10.8cm", "--to", "mm"), "108 mm"),
    ],
)
def test_measure_shows_a_length_in_a_unit(words: tuple[str, ...], printed: str) -> None:
    """And says by how much it rounded to a mark."""
    done = ulna("measure", *words)
    assert (done.returncode, done.stdout) == (0, printed + "\n")


def test_measure_speaks_json() -> None:
    """For programs that read it."""
    done = json.loads(ulna("measure", "4 1/4", "--to", "mm", "--json").stdout)
    assert done == {"read": "4 1/4", "length": "4 1/4 in", "shown": "107.95 mm", "exact": True}


def test_measure_refuses_in_one_line_with_status_2() -> None:
    """Nothing on standard output."""
    done = ulna("measure", "5 ft")
    assert (done.returncode, done.stdout) == (2, "")
    assert done.stderr == '"5 ft": feet are not read; write the inches, for example 12 in\n'


def test_cutplan_reads_a_file_or_standard_input(tmp_path: Path) -> None:
    """0 where all is placed, 3 where the plan is sound but something is unplaced, 2 where it is refused."""
    file = tmp_path / "request.json"
    file.write_text(json.dumps(REQUEST))
    placed = ulna("cutplan", str(file))
    assert placed.returncode == 0 and json.loads(placed.stdout)["unplaced"] == []
    short = ulna("cutplan", "-", given=changed("pieces.0.quantity", 40))
    assert short.returncode == 3 and json.loads(short.stdout)["unplaced"]
    refused = ulna("cutplan", "-", given=changed("sheets.0.width", -1))
    assert (refused.returncode, refused.stdout) == (2, "")
    assert refused.stderr == "request.sheets[0].width: not above zero, read '-1'\n"
    assert ulna("cutplan", str(tmp_path / "nowhere.json")).returncode == 2


def test_the_demo_never_throws_away_what_is_no_demo(tmp_path: Path) -> None:
    """A folder with something else in it is left alone."""
    (tmp_path / "letter.txt").write_text("dear Wren")
    done = ulna("demo", "--home", str(tmp_path), "--reset", "--only")
    assert done.returncode == 2 and "something else than the demo" in done.stderr
    assert (tmp_path / "letter.txt").exists()


def test_a_library_goes_out_and_comes_into_another_household(tmp_path: Path) -> None:
    """Its pages find the papers that came with them, also where an id is taken already."""
    file, there = tmp_path / "library.json", str(tmp_path / "there")
    with contextlib.closing(Household(tmp_path / "here")) as home:
        page = market({scene.name: scene.name for scene in SCENES})
        home.bring_in([wharf()], [page])
    assert ulna("export", str(file), "--home", str(tmp_path / "here")).returncode == 0
    with contextlib.closing(Household(tmp_path / "there")) as home:
        home.kits.add(wharf(), "another box of the same")
    for told in ("1 kit and 1 page brought in\n", "0 kits and 0 pages brought in; 2 were here already\n"):
        done = ulna("import", str(file), "--home", there)
        assert (done.returncode, done.stdout) == (0, told)
    with contextlib.closing(Household(tmp_path / "there")) as home:
        assert len(home.shelf().papers) == 24, "those of the other box, and those that came"
        (second,) = [kept.body for kept in home.pages.all()]
        assert {p.choice.paper for p in home.evaluated(second).pieces if p.is_paper} <= set(home.shelf().papers)


def test_a_page_is_worked_out_from_its_file(tmp_path: Path) -> None:
    """In sentences, and as JSON."""
    file = tmp_path / "page.json"
    file.write_text(recipe.write(market({scene.name: scene.name for scene in SCENES})))
    where = ("--home", str(tmp_path / "home"))
    Household(tmp_path / "home").close()
    said = ulna("page", str(file), *where).stdout
    assert "3 1/2 × 2 1/2 + 2 × 1/16 = 3 5/8 × 2 5/8" in said
    assert json.loads(ulna("page", str(file), "--json", *where).stdout)["pieces"][0]["width"] == "4 1/4 in"
    file.write_text("{}")
    assert ulna("page", str(file), *where).returncode == 2


def test_a_csv_with_wrong_rows_stays_out_unless_asked(tmp_path: Path) -> None:
    """Each wrong cell is named."""
    file, where = tmp_path / "kit.csv", ("--home", str(tmp_path / "home"))
    file.write_text("name,width\nReeds,12\nInk,5 ft\n")
    refused = ulna("import", str(file), *where)
    assert refused.returncode == 2 and "line 3, width: feet are not read" in refused.stderr
    assert ulna("import", str(file), "--right-rows", *where).stdout == "1 paper and 0 things brought in\n"


@pytest.mark.parametrize(
    "words", [("pages",), ("export", "all.json"), ("backup", "all.zip"), ("cuts", "Rain"), ("check",)]
)
def test_a_folder_that_is_none_is_told_and_none_is_made(tmp_path: Path, words: tuple[str, ...]) -> None:
    """A household's name written wrong makes no new one, nor an empty file that looks like everything."""
    done = ulna(*words[:1], *(str(tmp_path / word) for word in words[1:]), "--home", str(tmp_path / "typo"))
    assert done.returncode == 2 and len(done.stderr.splitlines()) == 1 and "no household" in done.stderr
    assert list(tmp_path.iterdir()) == []


def test_pages_are_listed_with_how_far_they_are(demo_home: Path) -> None:
    """And any of them is worked out by its name."""
    listed = ulna("pages", "--home", str(demo_home)).stdout.splitlines()
    (rain,) = [line for line in listed if line.endswith("Rain on the roof")]
    assert rain.startswith("page-") and "planned" in rain and "12 × 12" in rain
    assert ulna("page", "Rain on the roof", "--home", str(demo_home)).stdout.startswith("Rain on the roof\n- Base")


def test_it_says_which_ulna_it_is() -> None:
    assert ulna("--version").stdout.startswith("ulna 0.")


def test_a_backup_holds_everything_and_never_overwrites(tmp_path: Path) -> None:
    """History and pictures too; a folder with a library in it is left alone."""
    file, here, there = tmp_path / "all.zip", tmp_path / "here", tmp_path / "there"
    with contextlib.closing(Household(here)) as home:
        kept = home.kits.add(wharf(), "unpacked")
        photo = home.roll.take_in(io.BytesIO(picture(1)), "heron.jpg").kept.id
    assert ulna("backup", str(file), "--home", str(here)).returncode == 0
    assert ulna("restore", str(file), "--home", str(there)).returncode == 0
    with contextlib.closing(Household(there)) as home:
        assert home.kits.get(kept.id).body == kept.body
        assert home.pictures.path(photo, "original").read_bytes() == picture(1)
    again = ulna("restore", str(file), "--home", str(there))
    assert again.returncode == 2 and "there is a library here already" in again.stderr
    file.write_bytes(file.read_bytes()[:100])
    assert ulna("restore", str(file), "--home", str(tmp_path / "third")).returncode == 2


def test_a_printer_that_is_attended_ends_with_whoever_started_it(tmp_path: Path) -> None:
    """The demo's printer does not outlive the demo, however that ends."""
    command = [sys.executable, "-m", "ulna", "printer", "--port", "0", "--folder", str(tmp_path), "--attended"]
    with subprocess.Popen(command, stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True) as printer:
        assert printer.stdin is not None and printer.stdout is not None
        assert printer.stdout.readline().startswith("The photo printer is on at http://127.0.0.1:")
        printer.stdin.close()
        assert printer.wait(20) == 0


# ---- cut lists ---------------------------------------------------------------------------------------


@pytest.fixture
def page_with_its_kit(tmp_path: Path) -> tuple[str, str]:
    """The wharf market's page and its kit as files."""
    photos = {scene.name: f"photo-{k}" for k, scene in enumerate(SCENES)}
    page, kit_file = tmp_path / "market.json", tmp_path / "wharf.json"
    page.write_text(recipe.write(market(photos)))
    kit_file.write_text(kit.write(wharf()))
    return str(page), str(kit_file)


def test_cuts_of_a_page_file_can_be_followed(page_with_its_kit: tuple[str, str]) -> None:
    """The document alone gives every piece of the page; as CSV they are rows."""
    page, kit_file = page_with_its_kit
    done = ulna("cuts", page, "--kit", kit_file)
    assert done.returncode in (0, 3), done.stderr
    document = json.loads(done.stdout)
    table = blind_hand.cut(document)
    blind_hand.laid(document, table)
    assert table.wrong == [] and table.pieces
    assert (done.returncode == 3) == bool(document["lacking"])
    rows = ulna("cuts", page, "--kit", kit_file, "--format", "csv").stdout.splitlines()
    assert len(rows) == 1 + sum(len(sheet["pieces"]) for sheet in document["sheets"])


def test_cuts_without_the_kit_say_what_is_lacking(page_with_its_kit: tuple[str, str]) -> None:
    done = ulna("cuts", page_with_its_kit[0])
    assert done.returncode == 3 and "its paper is no longer on the shelf" in done.stdout


def test_cuts_of_a_page_that_is_not_there_are_refused_in_one_line(tmp_path: Path) -> None:
    done = ulna("cuts", "No such page", "--home", str(tmp_path / "home"))
    assert done.returncode == 2 and not done.stdout and len(done.stderr.splitlines()) == 1
