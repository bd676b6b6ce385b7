"""The way to the database: how it is opened, and what it says no to in a sentence for people."""

from __future__ import annotations

import os
import sqlite3
from pathlib import Path
from typing import Any

from sqlalchemy import Engine, event
from sqlalchemy.engine import ExceptionContext
from sqlalchemy.exc import TimeoutError as PoolTimeout
from sqlmodel import create_engine

from ulna.store.errors import Busy, Damaged, Full, ReadOnly, StoreError, told_of_disk

LOCKED_SECONDS = 4
"""So long a lock of another program is waited for."""

REFUSALS = (sqlite3.DatabaseError, UnicodeDecodeError)
"""What SQLite raises."""

PRAGMAS = ("journal_mode=WAL", "synchronous=FULL", "foreign_keys=ON")


def engine_of(file: Path) -> Engine:
    """Opens a database, readable by its owner alone; made where there is none. Raises `StoreError`."""
    try:
        file.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
        os.close(os.open(file, os.O_RDWR | os.O_CREAT, 0o600))
        if file.stat().st_mode & 0o077 and file.stat().st_uid == os.geteuid():
            file.chmod(0o600)
    except OSError as error:
        raise told_of_disk(error, file) from None
    engine = create_engine(
        f"sqlite:///{file}",
        connect_args={"check_same_thread": False, "timeout": LOCKED_SECONDS},
        pool_size=20,
        max_overflow=60,
    )

    @event.listens_for(engine, "connect")
    def _on_connect(connection: Any, _record: Any) -> None:
        connection.isolation_level = None  # transactions are begun by hand, see `Library.transaction`
        # One letter that is none must not take a whole list away: it is found by its sum.
        connection.text_factory = lambda raw: raw.decode("utf-8", "replace")
        try:
            for pragma in PRAGMAS:
                connection.execute(f"PRAGMA {pragma}")
        except REFUSALS as error:
            raise told_of(error, file) or error from None

    @event.listens_for(engine, "handle_error")
    def _on_error(context: ExceptionContext) -> None:
        told = told_of(context.original_exception, file)
        if told is not None:
            raise told from None

    return engine


def told_of(error: BaseException, file: Path) -> StoreError | None:
    """What SQLite says, in our words; nothing for what is a fault of the program."""
    if isinstance(error, PoolTimeout):
        return Busy()
    if isinstance(error, UnicodeDecodeError):  # a damaged schema, of which even the complaint is no text
        return Damaged(str(file))
    if not isinstance(error, sqlite3.DatabaseError):
        return None
    if str(error).startswith(("no such", "malformed database schema")):  # our words to it never change
        return Damaged(str(file))
    name = getattr(error, "sqlite_errorname", "") or ""
    match name.split("_")[1] if "_" in name else "":
        case "BUSY" | "LOCKED" | "PROTOCOL":
            return Busy()
        case "FULL":
            return Full()
        case "READONLY" | "CANTOPEN" | "PERM":
            return ReadOnly(str(file))
        case "CORRUPT" | "NOTADB" | "FORMAT":
            return Damaged(str(file))
        case "IOERR":
            return Full() if "WRITE" in name or "SHM" in name or "TRUNCATE" in name else Damaged(str(file))
    return None
