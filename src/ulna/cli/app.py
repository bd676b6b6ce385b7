"""The command `ulna`."""

from __future__ import annotations

import json
import os
import sys
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from enum import StrEnum
from pathlib import Path
from typing import TYPE_CHECKING, Annotated

import typer

if TYPE_CHECKING:
    from ulna.household.home import Household

app = typer.Typer(no_args_is_help=True, add_completion=False, pretty_exceptions_enable=False, help=__doc__)


@app.command()
def cutplan(
    request: Annotated[str, typer.Argument(help="The request as JSON; - reads standard input.")],
) -> None:
    """Plan the cuts of a request (JSON in, JSON out). Status 3: sound, but some pieces are unplaced."""
    from ulna.cli import cutplan as planning

    raise typer.Exit(planning.cutplan(request))


@app.command(context_settings={"ignore_unknown_options": True})
def measure(
    length: Annotated[str, typer.Argument(help='A length as people write it: "4 1/4", 4.25in, "108 mm", ½ …')],
    to: Annotated[str, typer.Option(help="The unit to show it in: in, mm or cm.")] = "",
    mark: Annotated[
        str, typer.Option(help="Round to this mark: 1/8, 1/16, 1/32 in, 1 or 0.5 mm, or any other.")
    ] = "",
    unit: Annotated[str, typer.Option(help="The unit that is meant where none is written: in or mm.")] = "in",
    as_json: Annotated[bool, typer.Option("--json", help="As JSON.")] = False,
) -> None:
    """Read a length, show it in a unit, round it to a mark."""
    from ulna.core import measure as m

    meant = m.unit_named(unit)
    read = m.parse(length, meant)
    shown_in = m.unit_named(to) if to else m.unit_written(length, meant)
    rounded = m.round_to(read, m.parse(mark, shown_in)) if mark else read
    shown, exact = m.in_unit(rounded, shown_in)
    by = rounded - read
    if as_json:
        document = {"read": length, "length": m.text(read), "shown": shown, "exact": exact}
        if mark:
            document |= {"mark": m.text(m.parse(mark, shown_in)), "rounded_by": m.in_unit(by, shown_in)[0]}
        print(json.dumps(document, ensure_ascii=False))
        return
    note = "" if exact else " (rounded to 6 decimals)"
    if mark:
        size, _ = m.in_unit(abs(by), shown_in)
        note = " (on the mark)" if not by else f" (rounded {'up' if by > m.ZERO else 'down'} by {size})"
    print(shown + note)


Home = Annotated[
    Path | None,
    typer.Option("--home", envvar="ULNA_HOME", help="The folder that holds everything.", show_default=False),
]
Printer = Annotated[str, typer.Option("--printer", envvar="ULNA_PRINTER", help="The address of the photo printer.")]
PRINTER_PORT = 8630
Port = Annotated[int, typer.Option(envvar="PORT", help="The port; 0 takes a free one.")]


@contextmanager
def _opened(home: Path | None) -> Iterator[Household]:
    """A household, closed again afterwards; what its store refuses is told in one line."""
    from ulna.household.home import Household

    household = Household(_home(home))
    try:
        yield household
    finally:
        household.close()


def _home(home: Path | None) -> Path:
    if home is not None:
        return home
    from platformdirs import user_data_path

    return user_data_path("ulna")


@app.command()
def serve(
    home: Home = None,
    port: Port = 8620,
    host: Annotated[
        str, typer.Option(help="The address to listen on; any but this machine's asks a passphrase.")
    ] = ("127.0.0.1"),
    passphrase: Annotated[str, typer.Option(envvar="ULNA_PASSPHRASE", help="What visitors must know.")] = "",
    printer: Printer = f"http://127.0.0.1:{PRINTER_PORT}",
) -> None:
    """Open the application on a household's folder."""
    if host not in ("127.0.0.1", "localhost", "::1") and not passphrase:
        print(f"--host {host}: others could reach it; set a passphrase with ULNA_PASSPHRASE", file=sys.stderr)
        raise typer.Exit(2)
    _serve(_home(home), host, port, printer, passphrase)


def _serve(home: Path, host: str, port: int, printer: str, passphrase: str = "") -> None:
    import uvicorn

    from ulna.api.app import create_app, steady

    config = uvicorn.Config(
        create_app(home, passphrase or None, printer), host=host, port=port, log_level="warning"
    )
    try:
        listening = config.bind_socket() if port == 0 else None
    except SystemExit:
        raise typer.Exit(2) from None
    actual = listening.getsockname()[1] if listening else port
    steady()
    print(f"Ulna is open at http://{host}:{actual}", flush=True)
    uvicorn.Server(config).run(sockets=[listening] if listening else None)


@app.command()
def demo(
    home: Annotated[Path, typer.Option("--home", envvar="ULNA_HOME", help="Where the demo is kept.")] = Path(
        ".demo"
    ),
    port: Port = 8620,
    reset: Annotated[bool, typer.Option("--reset", help="Throw the demo away and make it anew.")] = False,
    only: Annotated[bool, typer.Option("--only", help="Make it, but do not open it.")] = False,
) -> None:
    """Open a household aboard a narrowboat, with kits, photos and pages."""
    from ulna.demo.household import set_up

    made = set_up(home, reset)
    if made:
        print("The demo household has come aboard.")
    if not only:
        with _printer_on(home / "printer") as printer:
            _serve(home, "127.0.0.1", port, printer)


@contextmanager
def _printer_on(folder: Path) -> Iterator[str]:
    """The simulated photo printer as a process of its own, for as long as the demo is open; its address."""
    import socket
    import subprocess

    with socket.socket() as free:  # known beforehand, so that the application need not wait for the printer
        free.bind(("127.0.0.1", 0))
        port = free.getsockname()[1]
    command = [sys.executable, "-m", "ulna", "printer", "--port", str(port), "--folder", str(folder)]
    quiet = subprocess.DEVNULL
    process = subprocess.Popen(
        [*command, "--attended"], stdin=subprocess.PIPE, stdout=quiet, start_new_session=True
    )
    try:
        yield f"http://127.0.0.1:{port}"
    finally:
        process.terminate()
        process.wait(10)


@app.command()
def printer(
    folder: Annotated[
        Path | None, typer.Option(help="Where its jobs and its tray are kept.", show_default=False)
    ] = None,
    port: Annotated[int, typer.Option(help="The port; 0 takes a free one.")] = PRINTER_PORT,
    seconds: Annotated[float, typer.Option(min=0, help="How long a sheet takes.")] = 3,
    attended: Annotated[bool, typer.Option("--attended", help="End once its input is closed.")] = False,
) -> None:
    """Switch the simulated photo printer on: it prints into PDF files, runs out of paper and can jam."""
    from ulna.standins.photo_printer.program import serve as switch_on

    if attended:  # whoever started it may be gone without a word; its end of the pipe is closed then
        threading.Thread(target=lambda: (sys.stdin.read(), os._exit(0)), daemon=True).start()
    switch_on(folder or _home(None) / "printer", port, seconds)


@app.command()
def page(
    file: Annotated[Path, typer.Argument(help="A page as JSON, as the application or `ulna export` writes it.")],
    home: Home = None,
    as_json: Annotated[bool, typer.Option("--json", help="As JSON.")] = False,
) -> None:
    """Work a page out: its parts in sentences with their arithmetic, what is wrong, what it costs of a shelf."""
    from ulna.core.kit.cost import cost
    from ulna.core.measure import text
    from ulna.formats import recipe
    from ulna.household.cutting import EFFORT, settled

    with _opened(home) as household:
        plan = recipe.read(file.read_bytes())
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
    print(f"{price.pieces} pieces to cut, {price.prints} prints, opens {price.opened} sheets")
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


@app.command()
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
    import tempfile

    from ulna.household import cutting

    with tempfile.TemporaryDirectory() as aside:
        file = Path(page)
        as_file = file.is_file()
        with _opened(Path(aside) if as_file else home) as household:
            if as_file:
                _bring_in(household, file, kit or [])
                page = str(household.library.all("page")[0].id)
            else:
                page = _page_called(household, page)
            content = cutting.written(household, page, format.value, paper.value)
            lacking = bool(cutting.page_cuts(household, page).lacking)
    sys.stdout.buffer.write(content)
    if lacking:
        raise typer.Exit(3)


def _page_called(household: Household, name: str) -> str:
    """The id of a page that is called so. Raises `NotThere`."""
    from ulna.store.errors import NotThere

    pages = household.library.all("page")
    found = [p.id for p in pages if p.id == name] or [p.id for p in pages if p.body["name"] == name]
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


@app.command("export")
def export_(
    file: Annotated[str, typer.Argument(help="Where to write it; - writes standard output.")],
    home: Home = None,
) -> None:
    """Write a whole library as JSON: kits, pages, and what is noted of photos."""
    from ulna.formats import collection

    with _opened(home) as household:
        written = collection.write(household.whole())
    if file == "-":
        print(written, end="")
    else:
        Path(file).write_text(written, "utf-8")


@app.command("import")
def import_(
    file: Annotated[Path, typer.Argument(help="A library, kit or page as JSON, or a kit as CSV.")],
    home: Home = None,
    right_rows: Annotated[
        bool, typer.Option("--right-rows", help="Of a CSV, bring the right rows in anyway.")
    ] = False,
) -> None:
    """Bring a library, kit or page in. A CSV with wrong rows stays out unless --right-rows is given."""
    with _opened(home) as household:
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
            household.bring_in_library(whole)
            print(
                f"{len(whole.kits)} kits, {len(whole.pages)} pages and what is cut of {len(whole.cut)} brought in"
            )
            if whole.templates:
                print(f"{len(whole.templates)} templates brought in")
            if whole.photos:
                print(f"{len(whole.photos)} photos are noted in it; their pictures come with a backup")
        elif kind == "ulna-kit":
            household.bring_in([kit.read(data)])
            print("1 kit brought in")
        elif kind == "ulna-page":
            household.bring_in(pages=[recipe.read(data)])
            print("1 page brought in")
        else:
            print(f"{file}: neither an ulna-library, an ulna-kit nor an ulna-page", file=sys.stderr)
            raise typer.Exit(2)


def _import_csv(household: Household, file: Path, data: bytes, right_rows: bool) -> None:
    from ulna.core.paper.shelf import Kit
    from ulna.formats import kit_csv
    from ulna.store.ids import new_id

    rows = kit_csv.read(data, household.ruler().unit, lambda: new_id("paper"))
    for wrong in rows.wrong:
        print(f"line {wrong.line}, {wrong.field}: {wrong.reason}, read {wrong.read!r}", file=sys.stderr)
    if rows.wrong and not right_rows:
        print("nothing was brought in; --right-rows takes the others", file=sys.stderr)
        raise typer.Exit(2)
    household.bring_in([Kit(file.stem[:120], papers=rows.papers, things=rows.things)])
    print(f"{len(rows.papers)} papers and {len(rows.things)} things brought in")


@app.command()
def backup(
    file: Annotated[Path, typer.Argument(help="The backup to write, one zip file.")],
    home: Home = None,
) -> None:
    """Keep everything in one file: the library with its history, and the pictures."""
    from ulna.store import backup as packing

    packing.write(_home(home), file)
    print(f"{file} holds everything")


@app.command()
def restore(
    file: Annotated[Path, typer.Argument(help="A backup.")],
    home: Home = None,
) -> None:
    """Unpack a backup into a folder that has no library yet."""
    from ulna.store import backup as packing

    packing.read(file, _home(home))
    print(f"everything is back in {_home(home)}")
