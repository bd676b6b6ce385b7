"""The command `ulna`: what it prints, and its exit status."""

from __future__ import annotations

import json
import subprocess
import sys
from pathlib import Path

import pytest

from tests.formats.test_cut_json import REQUEST, changed


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


def test_others_are_let_in_only_with_a_passphrase(tmp_path: Path) -> None:
    """It listens on this machine alone unless told otherwise."""
    done = ulna("serve", "--home", str(tmp_path), "--host", "0.0.0.0")
    assert done.returncode == 2 and "set a passphrase" in done.stderr


def test_the_demo_never_throws_away_what_is_no_demo(tmp_path: Path) -> None:
    """A folder with something else in it is left alone."""
    (tmp_path / "letter.txt").write_text("dear Wren")
    done = ulna("demo", "--home", str(tmp_path), "--reset", "--only")
    assert done.returncode == 2 and "something else than the demo" in done.stderr
    assert (tmp_path / "letter.txt").exists()
