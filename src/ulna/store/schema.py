"""The state of the tables: brought up to date at the start, refused untouched where a later Ulna wrote them."""

from __future__ import annotations

import sqlite3
from contextlib import closing
from pathlib import Path

from sqlalchemy import Connection, Engine, inspect, text

from ulna.store import disk
from ulna.store.errors import TooNew

KNOWN = ("0001", "0002", "0003", "0004", "0005", "0006", "0007")
LATEST = KNOWN[-1]
"""The newest migration; alembic takes a second to import and is left alone where this is what is there."""


def current(connection: Connection) -> str | None:
    """The migration that a library stands at; nothing for one that is empty or half made."""
    if not inspect(connection).has_table("alembic_version"):
        return None
    found: str | None = connection.execute(text("SELECT version_num FROM alembic_version")).scalar()
    return found


def look_first(file: Path) -> None:
    """Refuses a library of a later Ulna before anything of it is opened for writing. Raises `TooNew`."""
    if not file.is_file():
        return
    log = file.with_name(f"{file.name}-wal")
    beside = "" if log.exists() else "&immutable=1"  # where nothing lies beside it, nothing comes to lie there
    try:
        with closing(sqlite3.connect(f"{file.absolute().as_uri()}?mode=ro{beside}", uri=True)) as library:
            found = library.execute("SELECT version_num FROM alembic_version").fetchone()
    except (sqlite3.Error, UnicodeDecodeError):  # nothing there yet, or damaged, which is told when it is opened
        return
    refuse_newer(str(found[0]) if found else None)


def refuse_newer(found: str | None) -> None:
    """Raises `TooNew`."""
    if found is not None and found not in KNOWN:
        raise TooNew(
            f"this library was written by a later Ulna (its state is {found}, this Ulna knows {LATEST}); it was left "
            "untouched. Update Ulna to open it"
        )


def bring_up_to_date(engine: Engine, file: Path) -> None:
    """Runs the migrations that are missing, all or none; a library with documents is copied beside itself first.

    Raises `TooNew`.
    """
    with engine.connect() as connection:
        found = current(connection)
    if found == LATEST:
        return
    refuse_newer(found)
    from alembic import command
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    with engine.connect() as connection:
        connection.exec_driver_sql("BEGIN IMMEDIATE")
        found = current(connection)  # another start may have been quicker
        refuse_newer(found)
        if found != LATEST:
            _keep_copy(connection, file)
            if found is None:
                _take_up_half_made(connection)
            config.attributes["connection"] = connection
            command.upgrade(config, "head")
        connection.commit()


def _take_up_half_made(connection: Connection) -> None:
    """What a first start left that was stopped before it was through, when that was not yet one transaction. Tables
    with documents are kept as those of the first migration."""
    there = set(inspect(connection).get_table_names())
    if {"document", "revision"} <= there and connection.execute(text("SELECT count(*) FROM revision")).scalar():
        connection.exec_driver_sql("CREATE TABLE IF NOT EXISTS alembic_version (version_num VARCHAR(32) NOT NULL)")
        connection.exec_driver_sql("INSERT INTO alembic_version VALUES ('0001')")
        return
    for table in ("revision", "document"):
        connection.exec_driver_sql(f"DROP TABLE IF EXISTS {table}")


def _keep_copy(connection: Connection, file: Path) -> None:
    """A copy of a library that has documents, under the name of what is about to be done to it."""
    if not inspect(connection).has_table("document"):
        return
    if not connection.execute(text("SELECT count(*) FROM document")).scalar():
        return
    copy = file.with_name(f"{file.stem}-before-{LATEST}{file.suffix}")
    if not copy.exists():
        copy_database(file, copy)


def copy_database(file: Path, copy: Path) -> None:
    """The library as it stands, whole, while others may be writing to it. Raises `OSError`, `sqlite3.Error`."""
    with (
        disk.putting(copy) as out,
        closing(sqlite3.connect(file)) as library,
        closing(sqlite3.connect(out.name)) as into,
    ):
        library.backup(into)
        into.execute("PRAGMA journal_mode=DELETE")  # one file, nothing beside it
