"""What keeps a household safe: backup, restore, check."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING, Annotated

import typer

from ulna.cli.home import Home, counted, folder_of, opened, standing

if TYPE_CHECKING:
    from ulna.store.backup import Told


commands = typer.Typer()


@commands.command()
def backup(
    file: Annotated[Path, typer.Argument(help="The backup to write, one zip file.")],
    home: Home = None,
) -> None:
    """Keep everything in one file: the library with its history, and the pictures. Status 3: but for some pictures that
    are damaged or missing here."""
    from ulna.household import backups

    with opened(standing(home)) as household:
        told = backups.keep(household, file)
    pictures, bytes = counted(told.pictures, "file"), f"{told.bytes / 1e6:.1f} MB"
    print(f"{file} holds everything: {_documents(told)}, {pictures} of pictures, {bytes}; read back and compared")
    _tell_of_lacking(told)


@commands.command()
def restore(
    file: Annotated[Path, typer.Argument(help="A backup.")],
    home: Home = None,
) -> None:
    """Unpack a backup into a folder that is empty or not there yet: all of it, or nothing. Status 3: some pictures were
    damaged or missing when the backup was made."""
    from ulna.store import backup as packing

    told = packing.read(file, folder_of(home))
    print(
        f"everything is back in {folder_of(home)}: {_documents(told)}, {counted(told.pictures, 'file')} of pictures"
    )
    _tell_of_lacking(told)


def _documents(told: Told) -> str:
    return ", ".join(f"{count} × {kind}" for kind, count in told.documents.items()) or "no documents"


def _tell_of_lacking(told: Told) -> None:
    if told.lacking:
        print(f"but {counted(len(told.lacking), 'picture')} damaged or missing: {', '.join(told.lacking[:20])}")
        print("bring these in again where you have them; ulna check says more")
        raise typer.Exit(3)


@commands.command()
def check(
    home: Home = None,
    mend: Annotated[
        bool, typer.Option("--mend", help="Mend what can be mended; without it nothing is touched.")
    ] = False,
) -> None:
    """Tell all that is wrong with a household's folder. Status 0: nothing, or all of it is mended; 3: something is."""
    from ulna.household import care

    still = 0
    for fault, outcome in care.checked(standing(home), mend):
        if outcome == care.MENDED:
            print(f"{fault.what}: {fault.why} - mended")
            continue
        still += 1
        print(fault.sentence + (f" ({outcome})" if outcome else ""))
    print(f"{counted(still, 'fault')} to see to" if still else "nothing is wrong")
    if still:
        raise typer.Exit(3)
