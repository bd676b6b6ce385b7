"""A picture that is acknowledged is on the disk, whatever happens: at every write of taking one in, in turn."""

from __future__ import annotations

import io
import shutil
import subprocess
import sys
from contextlib import closing
from pathlib import Path

import pytest

from tests.api.documents import picture
from tests.store.faults import WAYS, fails_in_turn, points
from ulna.household.home import Household
from ulna.household.roll import Came
from ulna.store.errors import NotThere
from ulna.store.library import DATABASE
from ulna.store.picture_box import PictureBox


def come(home: Household, data: bytes, name: str = "heron.jpg") -> Came:
    return home.roll.take_in(io.BytesIO(data), name)


def test_after_a_power_cut_every_picture_that_is_noted_is_whole(tmp_path: Path) -> None:
    """Whenever the power goes, a photo that the library knows has its bytes; and the rest of them comes in again."""
    here, data = tmp_path / "here", picture(1)
    with closing(Household(here)) as home:
        moments = points(lambda: come(home, data), here, tmp_path)
    assert len(moments) > 10
    for k, moment in enumerate(moments):
        after = moment.cut.lay_down(tmp_path / f"cut-{k}")
        for file in moment.killed.glob(f"{DATABASE}*"):  # which syncs itself
            shutil.copy(file, after / file.name)
        for found in (moment.killed, after):
            with closing(Household(found)) as home:
                noted = home.roll.records.all()
                for one in noted:
                    assert home.pictures.path(one.id, "original").read_bytes() == data, moment.call
                    assert home.roll.fault(one.id, one.body.digest) == "", moment.call
                assert set(home.pictures.ids()) == home.pictured(), "nothing is left that nobody knows"
                assert noted or moment.call != "at the end"
                assert come(home, data).how == ("here" if noted else "new")


@pytest.mark.parametrize("way", WAYS)
def test_a_disk_that_fails_at_any_call_leaves_nothing_half_there(tmp_path: Path, way: str) -> None:
    """Whichever call fails, the photo is not there, others are, and a second try takes it in."""
    with closing(Household(tmp_path / "home")) as home:
        come(home, picture(1), "first.jpg")
        failed = []
        for call in fails_in_turn(lambda: come(home, picture(2)), way, (OSError,)):
            assert [one.body.name for one in home.roll.records.all()] == ["first"], call
            assert set(home.pictures.ids()) == home.pictured()
            failed.append(call)
        assert set(failed) == {"write", "sync", "rename", "sync_folder"} and len(home.roll.records.all()) == 2


@pytest.mark.parametrize("harm", ["missing", "empty", "cut short", "folder gone", "thumb empty"])
def test_a_picture_that_is_damaged_is_healed_by_bringing_it_in_again(tmp_path: Path, harm: str) -> None:
    """The same file: it is here once, and whole."""
    with closing(Household(tmp_path / "home")) as home:
        id = come(home, picture(1)).kept.id
        file = home.pictures.path(id, "thumb" if harm.startswith("thumb") else "original")
        if harm == "missing":
            file.unlink()
        elif harm == "folder gone":
            shutil.rmtree(file.parent)
        else:
            file.write_bytes(file.read_bytes()[:500] if harm == "cut short" else b"")
        assert home.roll.fault(id, home.roll.records.get(id).body.digest)
        again = come(home, picture(1))
        assert (again.how, again.kept.id) == ("here", id)
        assert home.pictures.path(id, "original").read_bytes() == picture(1)
        assert home.roll.fault(id, again.kept.body.digest) == ""


def test_pictures_that_no_record_speaks_of_are_swept(tmp_path: Path) -> None:
    """But photographs of sheets stay: the kit that they are for may still be on the table."""
    with closing(Household(tmp_path)) as home:
        id = come(home, picture(1)).kept.id
        sheet = home.add_sheet_picture(io.BytesIO(picture(2)), "sheet.jpg")
        (tmp_path / "pictures" / "photo-0123456789ab").mkdir()
    with closing(Household(tmp_path)) as home:
        assert home.pictures.ids() == sorted([id, sheet])


ARRIVING = """
import io, sys, time
from pathlib import Path
from ulna.store.picture_box import PictureBox
box = PictureBox(Path(sys.argv[1]))
print(box.arrive(io.BytesIO(b"half"), 10), flush=True)
time.sleep(60)
"""


def test_two_programs_never_throw_away_each_others_arrivals(tmp_path: Path) -> None:
    """What arrives for one that runs stays; once it is killed the next start sweeps it."""
    other = subprocess.Popen([sys.executable, "-c", ARRIVING, str(tmp_path)], stdout=subprocess.PIPE, text=True)
    assert other.stdout is not None
    arrived = Path(other.stdout.readline().strip())
    box = PictureBox(tmp_path)
    assert arrived.read_bytes() == b"half"
    mine = box.arrive(io.BytesIO(b"mine"), 10)
    other.kill()
    other.wait()
    PictureBox(tmp_path)
    assert not arrived.exists() and mine.read_bytes() == b"mine"
    box.put("photo-1", mine, "jpg", b"v", b"t")
    box.close()
    assert [one.name for one in tmp_path.iterdir()] == ["photo-1"]
    for id in ("photo-2", ".photo-1", "../photo-1", "..", ""):
        with pytest.raises(NotThere):
            box.path(id, "view")


def test_nobody_sweeps_while_a_picture_waits_for_its_record(tmp_path: Path) -> None:
    """The moment between the picture and its record belongs to who brings it in."""
    one, two = PictureBox(tmp_path), PictureBox(tmp_path)
    with one.recording():
        one.put("photo-1", one.arrive(io.BytesIO(b"x"), 10), "jpg", b"v", b"t")
        assert two.sweep(set) == []
    assert two.sweep(set) == ["photo-1"]
