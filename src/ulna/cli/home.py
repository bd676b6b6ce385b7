"""The folder that holds everything, as the commands are told it."""

from __future__ import annotations

import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import TYPE_CHECKING, Annotated

import typer

if TYPE_CHECKING:
    from ulna.household.home import Household

Home = Annotated[
    Path | None,
    typer.Option("--home", envvar="ULNA_HOME", help="The folder that holds everything.", show_default=False),
]


@contextmanager
def opened(home: Path | None, make: bool = False) -> Iterator[Household]:
    """A household, closed again afterwards; it is begun where it is not there only if it may be made.

    Raises `NoHousehold`, and what else its store refuses.
    """
    from ulna.household.home import Household

    household = Household(folder_of(home) if make else standing(home))
    try:
        yield household
    finally:
        household.close()


@contextmanager
def thrown_away() -> Iterator[Household]:
    """An empty household that is gone afterwards."""
    with tempfile.TemporaryDirectory() as aside, opened(Path(aside), make=True) as household:
        yield household


def is_standing(home: Path | None) -> bool:
    """Whether a household lies there."""
    from ulna.store.library import DATABASE

    return (folder_of(home) / DATABASE).exists()


def standing(home: Path | None) -> Path:
    """The folder of a household that is there. Raises `NoHousehold`."""
    from ulna.store.errors import NoHousehold

    if not is_standing(home):
        raise NoHousehold(folder_of(home))
    return folder_of(home)


def folder_of(home: Path | None) -> Path:
    """The folder that was named, else the platform's own place."""
    if home is not None:
        return home
    from platformdirs import user_data_path

    return user_data_path("ulna")


def counted(count: int, what: str) -> str:
    """So many of something, as one says it."""
    return f"{count} {what}{'' if count == 1 else 's'}"
