"""What is made of pages."""

from __future__ import annotations

import json
import sys
from collections.abc import Iterator
from contextlib import contextmanager
from enum import StrEnum
from pathlib import Path
from typing import TYPE_CHECKING, Annotated

import typer

from ulna.cli.home import Home, counted, is_standing, opened, thrown_away

if TYPE_CHECKING:
    from ulna.core.page_formats import PageFormat
    from ulna.household.home import Household


commands = typer.Typer()


@commands.command()
def pages(
    home: Home = None,
    as_json: Annotated[bool, typer.Option("--json", help="As JSON.")] = False,
) -> None:
    """List a household's pages: id, how far it is, format, name."""
    with opened(home) as household:
        listed = [
            {
                "id": one.id,
                "stage": household.stage(one.id),
                "format": _format(household, one.body.format),
                "name": one.body.name,
            }
            for one in household.pages.all()
        ]
    if as_json:
        print(json.dumps(listed, ensure_ascii=False, indent=1))
        return
    for one in listed:
        print("  ".join((one["id"], one["stage"].ljust(7), one["format"].ljust(22), one["name"])))
    if not listed:
        print("no pages yet")


def _format(household: Household, of: PageFormat) -> str:
    """The size of a page, and whether there are two of them."""
    return household.ruler().say_size(of.width, of.height) + (", double" if of.pages == 2 else "")


@commands.command()
def page(
    page: Annotated[str, typer.Argument(help="A page by its name or id, or a file with a page as JSON.")],
    home: Home = None,
    as_json: Annotated[bool, typer.Option("--json", help="As JSON.")] = False,
) -> None:
    """Work a page out: its parts in sentences with their arithmetic, what is wrong, what it costs of a shelf."""
    from ulna.core.kit.cost import cost
    from ulna.core.measure import text
    from ulna.formats import recipe
    from ulna.household.cutting import EFFORT, settled

    file = Path(page)
    with opened(home) if home or is_standing(home) or not file.is_file() else thrown_away() as household:
        if file.is_file():  # with the papers that are here
            plan = recipe.read(file.read_bytes())
        else:
            plan = household.pages.get(page_called(household, page)).body
        worked, shelf = household.evaluated(plan), household.shelf_for(None)
        found = settled(household, plan, None, EFFORT)
        price = cost(found.plan, found.pieces, shelf, household.ruler())
    if as_json:
        document = {
            "name": plan.name,
            "parts": [{"id": p.id, "sentence": p.sentence, "arithmetic": p.arithmetic} for p in worked.parts],
            "findings": [{"part": f.part, "severity": f.severity, "sentence": f.sentence} for f in worked.findings],
            "pieces": [
                {"id": p.id, "name": p.name, "width": text(p.rect.width), "height": text(p.rect.height),
                 "paper": p.choice.paper, "side": p.choice.side}
                for p in worked.pieces
            ],
            "opened": price.opened,
            "lacking": [one.sentence for one in price.lacking],
        }  # fmt: skip
        print(json.dumps(document, ensure_ascii=False, indent=1))
        return
    print(plan.name)
    for part in worked.parts:
        print(f"- {part.sentence}" + (f"\n  {part.arithmetic}" if part.arithmetic else ""))
        for finding in worked.findings:
            if finding.part == part.id:
                print(f"  {finding.severity}: {finding.sentence}")
    pieces, prints = counted(price.pieces, "piece"), counted(price.prints, "print")
    print(f"{pieces} to cut, {prints}, begins {counted(price.opened, 'sheet')}")
    for one in price.lacking:
        print(one.sentence)


class CutFormat(StrEnum):
    """What a cut list is written as."""

    JSON = "json"
    CSV = "csv"
    PDF = "pdf"
    SVG = "svg"


class OnPaperSize(StrEnum):
    LETTER = "letter"
    A4 = "a4"


@commands.command()
def cuts(
    page: Annotated[
        str, typer.Argument(help="A page by its name or id, or a file with a page or a library as JSON.")
    ],
    home: Home = None,
    kit: Annotated[
        list[Path] | None,
        typer.Option(help="A kit as JSON that a page file is cut from; may be given several times."),
    ] = None,
    format: Annotated[
        CutFormat, typer.Option(help="json, csv (the pieces), pdf or svg (true size).")
    ] = CutFormat.JSON,
    paper: Annotated[OnPaperSize, typer.Option(help="What a PDF is printed on.")] = OnPaperSize.LETTER,
) -> None:
    """Write the cut list of a page to standard output. Status 3: sound, but some pieces cannot be cut."""
    from ulna.household import cutting

    with _page_of(page, home, kit or []) as (household, id):
        content = cutting.written(household, id, format.value, paper.value)
        lacking = bool(cutting.page_cuts(household, id).lacking)
    sys.stdout.buffer.write(content)
    if lacking:
        raise typer.Exit(3)


@contextmanager
def _page_of(page: str, home: Path | None, kits: list[Path]) -> Iterator[tuple[Household, str]]:
    """A page and the household it lies in, by its name, its id, or a file of it; a file is taken into a household that
    is thrown away afterwards. Raises `NotThere`."""
    file = Path(page)
    if not file.is_file():
        with opened(home) as household:
            yield household, page_called(household, page)
        return
    with thrown_away() as household:
        _bring_in(household, file, kits)
        yield household, str(household.pages.all()[0].id)


def page_called(household: Household, name: str) -> str:
    """The id of a page that is called so. Raises `NotThere`."""
    from ulna.store.errors import NotThere

    pages = household.pages.all()
    found = [p.id for p in pages if p.id == name] or [p.id for p in pages if p.body.name == name]
    if not found:
        raise NotThere("page", name)
    if len(found) > 1:
        print(f"{len(found)} pages are called {name}; give an id: {', '.join(found)}", file=sys.stderr)
        raise typer.Exit(2)
    return str(found[0])


def _bring_in(household: Household, file: Path, kits: list[Path]) -> None:
    """A page file with its kits, or a library, into a household that is thrown away afterwards."""
    from ulna.formats import collection, recipe
    from ulna.formats import kit as kit_format

    text = file.read_bytes()
    read = [kit_format.read(one.read_bytes()) for one in kits]
    if b"ulna-library" in text[:400]:
        document = collection.read(text)
        household.bring_in_library(document)
        household.bring_in(read)
    else:
        household.bring_in(read, [recipe.read(text)])
