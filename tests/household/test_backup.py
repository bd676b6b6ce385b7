"""A backup and a restore are whole or nothing, and say so only when they are."""

from __future__ import annotations

import io
import json
import random
import shutil
import sqlite3
import zipfile
from collections.abc import Iterator
from contextlib import closing
from pathlib import Path

import pytest

from tests.api.documents import picture
from tests.store.faults import WAYS, fails_in_turn, is_private, points
from ulna.core.paper.shelf import Kit
from ulna.household import care
from ulna.household.home import Household
from ulna.store import backup
from ulna.store.errors import StoreError
from ulna.store.library import DATABASE


@pytest.fixture
def here(tmp_path: Path) -> Path:
    """A household with a kit that has a history, and two photos."""
    with closing(Household(tmp_path / "here")) as home:
        kept = home.kits.add(Kit("Reeds"), "unpacked")
        home.kits.write(kept.id, 1, Kit("Reeds and rain"), "named it")
        for seed in (1, 2):
            home.roll.take_in(io.BytesIO(picture(seed)), f"lock {seed}.jpg")
    return tmp_path / "here"


def whole(folder: Path) -> tuple[object, ...]:
    """All that a household is, to be compared."""
    with closing(Household(folder)) as home:
        return (
            [(kept.id, kept.body, kept.undo) for kept in home.kits.all()],
            [(kept.id, home.pictures.path(kept.id, "original").read_bytes()) for kept in home.roll.records.all()],
        )


def test_what_goes_out_comes_back(here: Path, tmp_path: Path) -> None:
    """Everything, with its history, under a manifest with the sum of each file; for its owner's eyes."""
    told = backup.write(here, tmp_path / "all.zip")
    assert (dict(told.documents), told.pictures) == ({"kit": 1, "photo": 2}, 6)
    manifest = json.loads(zipfile.ZipFile(tmp_path / "all.zip").read("manifest.json"))
    assert manifest["format"] == "ulna-backup" and len(manifest["files"]) == 7
    assert backup.read(tmp_path / "all.zip", tmp_path / "there").documents == told.documents
    assert whole(tmp_path / "there") == whole(here)
    assert is_private(tmp_path / "all.zip") and is_private(tmp_path / "there" / DATABASE)


def test_killed_or_without_power_at_any_moment_the_earlier_backup_is_there(here: Path, tmp_path: Path) -> None:
    """The file has that name before and after; never half of one."""
    folder = tmp_path / "backups"
    folder.mkdir()
    file = folder / "all.zip"
    backup.write(here, file)
    with closing(Household(here)) as home:
        home.kits.add(Kit("Rain"), "unpacked")
    moments = points(lambda: backup.write(here, file), folder, tmp_path)
    found = set()
    for k, moment in enumerate(moments):
        for n, at in enumerate((moment.killed, moment.cut.lay_down(tmp_path / f"cut-{k}"))):
            told = backup.read(at / "all.zip", tmp_path / f"back-{k}-{n}")
            found.add(told.documents["kit"])
    assert found == {1, 2} and told.documents["kit"] == 2 and len(moments) > 10


@pytest.mark.parametrize("way", WAYS)
def test_a_disk_that_fails_leaves_the_earlier_backup(here: Path, tmp_path: Path, way: str) -> None:
    """And nothing beside it."""
    file = tmp_path / "all.zip"
    backup.write(here, file)
    before, beside = file.read_bytes(), sorted(tmp_path.iterdir())
    failed = []
    for call in fails_in_turn(lambda: backup.write(here, file), way, (StoreError,)):
        assert file.read_bytes() == before and sorted(tmp_path.iterdir()) == beside, call
        assert sorted(one.name for one in here.iterdir() if one.name.endswith("backup")) == []
        failed.append(call)
    assert {"write", "sync", "rename", "sync_folder"} <= set(failed)


def test_a_restore_that_is_stopped_leaves_nothing_and_can_be_done_again(here: Path, tmp_path: Path) -> None:
    """Killed or without power at any moment: there is no library, or all of it."""
    file, around = tmp_path / "all.zip", tmp_path / "around"
    backup.write(here, file)
    around.mkdir()
    moments = points(lambda: backup.read(file, around / "home"), around, tmp_path / "moments")
    ends = set()
    for k, moment in enumerate(moments):
        for at in (moment.killed, moment.cut.lay_down(tmp_path / f"cut-{k}")):
            ends.add((at / "home").exists())
            if not (at / "home").exists():
                backup.read(file, at / "home")
            assert whole(at / "home") == whole(here), moment.call
            assert [one.name for one in at.iterdir()] == ["home"]
    assert ends == {False, True}


@pytest.mark.parametrize("way", WAYS)
def test_a_restore_on_a_disk_that_fails_leaves_nothing(here: Path, tmp_path: Path, way: str) -> None:
    file, around = tmp_path / "all.zip", tmp_path / "around"
    backup.write(here, file)
    around.mkdir()
    for call in fails_in_turn(lambda: backup.read(file, around / "home"), way, (StoreError,)):
        assert call == "sync_folder" or not (around / "home").exists(), call
        shutil.rmtree(around / "home", ignore_errors=True)
    assert whole(around / "home") == whole(here)


def test_a_damaged_database_is_not_called_everything(here: Path, tmp_path: Path) -> None:
    """It is refused in a sentence, and the earlier backup stays."""
    file = tmp_path / "all.zip"
    backup.write(here, file)
    before = file.read_bytes()
    data = bytearray((here / DATABASE).read_bytes())
    data[4096 * 3 : 4096 * 3 + 200] = b"\x07" * 200
    (here / DATABASE).write_bytes(data)
    with pytest.raises(StoreError, match=r"damaged.*ulna check"):
        backup.write(here, file)
    assert file.read_bytes() == before


def test_a_damaged_picture_is_named(here: Path, tmp_path: Path) -> None:
    """The rest is kept; what is lacking is noted in the backup and told when it comes back."""
    with closing(Household(here)) as home:
        kept = home.roll.records.all()[0]
        home.pictures.path(kept.id, "original").write_bytes(b"")
        lacking = care.lacking(home)
    assert lacking == (kept.body.name,)
    backup.write(here, tmp_path / "all.zip", lacking)
    assert backup.read(tmp_path / "all.zip", tmp_path / "there").lacking == lacking


def strange(good: bytes) -> Iterator[tuple[str, bytes]]:
    """Files that are no backup, or one that was harmed."""
    yield "empty", b""
    yield "no zip", b"a letter to Wren"
    yield "cut short", good[:-100]
    entries = {
        i.filename: zipfile.ZipFile(io.BytesIO(good)).read(i) for i in zipfile.ZipFile(io.BytesIO(good)).infolist()
    }
    one = next(name for name in entries if name.endswith("original.jpg"))
    yield "garbage for a database", packed(entries | {DATABASE: b"garbage" * 1000}, manifest=False)
    yield "a table missing", packed(entries | {DATABASE: without_table(entries[DATABASE])}, manifest=False)
    yield "a file missing", packed({name: data for name, data in entries.items() if name != one})
    yield "other bytes", packed(entries | {one: entries[one][:-1] + b"x"})
    yield "a file too many", packed(entries | {"pictures/photo-0123456789ab/view.jpg": b"x"})
    yield "out of the folder", packed(entries | {"../out.txt": b"x"})
    yield "a script", packed(entries | {"pictures/photo-0123456789ab/run.sh": b"x"}, manifest=False)
    yield "a manifest that is none", packed(entries | {"manifest.json": b"[]"})
    later = entries["manifest.json"].replace(b'"version": 1', b'"version": 9')
    yield "of a later Ulna", packed(entries | {"manifest.json": later})
    yield "a bomb", packed(entries | {one: bytes(200_000_000)}, manifest=False, how=zipfile.ZIP_DEFLATED)


def packed(entries: dict[str, bytes], manifest: bool = True, how: int = zipfile.ZIP_STORED) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", how) as into:
        for name, data in entries.items():
            if manifest or name != "manifest.json":
                into.writestr(name, data)
    return out.getvalue()


def without_table(database: bytes) -> bytes:
    with closing(sqlite3.connect(":memory:")) as raw:
        raw.deserialize(database)
        raw.execute("DROP TABLE revision")
        raw.execute("DROP TABLE document")
        raw.commit()
        return raw.serialize()


def test_what_is_no_backup_is_refused_in_a_sentence(here: Path, tmp_path: Path) -> None:
    """And leaves nothing."""
    backup.write(here, tmp_path / "all.zip")
    good = (tmp_path / "all.zip").read_bytes()
    around = tmp_path / "around"
    around.mkdir()
    for what, data in strange(good):
        (tmp_path / "bad.zip").write_bytes(data)
        with pytest.raises(StoreError) as refused:
            backup.read(tmp_path / "bad.zip", around / "home")
        assert len(refused.value.sentence) > 20, what
        assert list(around.iterdir()) == [], what


def test_flipped_bytes_are_refused_or_do_not_matter(here: Path, tmp_path: Path) -> None:
    """Any byte of a backup: what comes back is what went out, or nothing does."""
    backup.write(here, tmp_path / "all.zip")
    good, rng, refused = (tmp_path / "all.zip").read_bytes(), random.Random(7), 0
    then = whole(here)
    for k in range(40):
        data = bytearray(good)
        data[rng.randrange(len(data))] ^= 1 << rng.randrange(8)
        (tmp_path / "bad.zip").write_bytes(data)
        try:
            backup.read(tmp_path / "bad.zip", tmp_path / f"{k}")
        except StoreError:
            refused += 1
        else:
            assert whole(tmp_path / f"{k}") == then
    assert refused > 20
