"""What comes in and goes out as a document."""

from __future__ import annotations

import json
import sys
import zipfile
from pathlib import Path
from typing import TYPE_CHECKING, Annotated

import typer

from ulna.cli.home import Home, counted, opened
from ulna.cli.pages import page_called

if TYPE_CHECKING:
    from ulna.household.home import Brought, Household
    from ulna.household.parcels import TakenIn


commands = typer.Typer()


@commands.command("export")
def export_(
    file: Annotated[str, typer.Argument(help="Where to write it; - writes standard output.")],
    home: Home = None,
    page: Annotated[
        list[str] | None,
        typer.Option(
            help="Only this page, by name or id, with all that belongs to it; may be given several times."
        ),
    ] = None,
) -> None:
    """Write a whole library as JSON; or, to a file that ends in .zip or with --page, a parcel: pictures too."""
    from ulna.formats import collection
    from ulna.household import parcels

    with opened(home) as household:
        if page or file.endswith(".zip"):
            ids = [page_called(household, name) for name in page] if page else None
            if file == "-":
                parcels.pack(household, ids, sys.stdout.buffer)
            else:
                with Path(file).open("wb") as out:
                    parcels.pack(household, ids, out)
            return
        written = collection.write(household.whole())
    if file == "-":
        print(written, end="")
    else:
        Path(file).write_text(written, "utf-8")


@commands.command("import")
def import_(
    file: Annotated[
        Path, typer.Argument(help="A library, kit or page as JSON, a parcel, a backup, or a kit as CSV.")
    ],
    home: Home = None,
    right_rows: Annotated[
        bool, typer.Option("--right-rows", help="Of a CSV, bring the right rows in anyway.")
    ] = False,
) -> None:
    """Bring a library, kit, page or parcel in. A CSV with wrong rows stays out unless --right-rows is given."""
    from ulna.household import parcels

    with opened(home, make=True) as household:
        if zipfile.is_zipfile(file):
            _tell_of_parcel(parcels.take_in(household, file))
            return
        data = file.read_bytes()
        if file.suffix.lower() == ".csv":
            _import_csv(household, file, data, right_rows)
            return
        from ulna.formats import collection, kit, recipe

        try:
            kind = json.loads(data).get("format")
        except (ValueError, AttributeError):
            kind = None
        if kind == "ulna-library":
            whole = collection.read(data)
            _tell(household.bring_in_library(whole))
            if whole.templates:
                print(f"{len(whole.templates)} templates brought in")
            if whole.photos:
                print(f"{len(whole.photos)} photos are noted in it; their pictures come with a backup")
        elif kind == "ulna-kit":
            _tell(household.bring_in([kit.read(data)]))
        elif kind == "ulna-page":
            _tell(household.bring_in(pages=[recipe.read(data)]))
        else:
            print(f"{file}: neither an ulna-library, an ulna-kit nor an ulna-page", file=sys.stderr)
            raise typer.Exit(2)


def _tell_of_parcel(came: TakenIn) -> None:
    print(f"{counted(len(came.pages) - came.here, 'page')} brought in; {came.here} were here already")
    print(f"{counted(came.photos, 'new photo')}, {counted(came.matched, 'paper')} that you have, ", end="")
    print(f"{counted(len(came.brought), 'paper')} brought along")
    for sentence in came.missing:
        print(sentence)


def _tell(brought: Brought) -> None:
    """How many kits and pages came in."""
    kits, pages = counted(brought.kits, "kit"), counted(brought.pages, "page")
    print(f"{kits} and {pages} brought in" + (f"; {brought.here} were here already" if brought.here else ""))


def _import_csv(household: Household, file: Path, data: bytes, right_rows: bool) -> None:
    from hashlib import sha256
    from itertools import count

    from ulna.core.paper.shelf import Kit
    from ulna.formats import kit_csv

    number = count()  # the same file makes the same kit, so that it is known where it comes in twice
    rows = kit_csv.read(
        data,
        household.ruler().unit,
        lambda: f"paper-{sha256(data + str(next(number)).encode()).hexdigest()[:12]}",
        there={paper.name: paper.id for paper in household.shelf().papers.values()},
    )
    for column in rows.columns:
        if column.column not in (column.heading.lower().replace("_", " "), ""):
            print(f"column {column.heading!r} is read as {column.column}", file=sys.stderr)
        elif not column.column and column.heading:
            print(f"column {column.heading!r} is left out", file=sys.stderr)
    for guess in rows.taken:
        print(f"line {guess.line}, {guess.field}: {guess.read!r} is taken for {guess.taken}", file=sys.stderr)
    for wrong in rows.wrong:
        print(f"line {wrong.line}, {wrong.field}: {wrong.reason}, read {wrong.read!r}", file=sys.stderr)
    if rows.wrong and not right_rows:
        print("nothing was brought in; --right-rows takes the others", file=sys.stderr)
        raise typer.Exit(2)
    brought = household.bring_in(
        [Kit(file.stem[:120], papers=rows.papers, things=rows.things, alphabets=rows.alphabets)]
    )
    if brought.here:
        print("this kit is here already; nothing was doubled")
        return
    print(f"{counted(len(rows.papers), 'paper')} and {counted(len(rows.things), 'thing')} brought in")
