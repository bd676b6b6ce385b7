"""Backups of a household, and when the last one was kept."""

from __future__ import annotations

from datetime import UTC, datetime
from pathlib import Path

from ulna.household import care
from ulna.household.home import Household
from ulna.store import backup, disk

NOTE = "backed-up"
"""The file that says when, beside the library."""


def keep(home: Household, file: Path) -> backup.Told:
    """Puts everything into one file, and notes that. Raises `StoreError`."""
    folder = home.library.home
    told = backup.write(folder, file, care.lacking(home))
    disk.put(folder / NOTE, datetime.now(UTC).isoformat().encode())
    return told


def last(home: Path) -> datetime | None:
    """When a household was last kept in a backup; nothing where it never was, or the note is none."""
    try:
        return datetime.fromisoformat((home / NOTE).read_text("utf-8"))
    except (OSError, ValueError):
        return None
