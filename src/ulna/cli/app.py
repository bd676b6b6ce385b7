"""The command `ulna`."""

from __future__ import annotations

import errno
import json
import os
import socket
import sys
import threading
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from enum import StrEnum
from pathlib import Path
from typing import TYPE_CHECKING, Annotated

import typer

if TYPE_CHECKING:
    from ulna.api.door import Door
    from ulna.household.home import Brought, Household
    from ulna.store.backup import Told

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
    ] = "127.0.0.1",
    name: Annotated[
        list[str] | None,
        typer.Option(help="A name of this machine under which it is opened; several may be given."),
    ] = None,
    certificate: Annotated[
        Path | None,
        typer.Option(help="A certificate (PEM) to be reached by HTTPS, with --key.", show_default=False),
    ] = None,
    key: Annotated[Path | None, typer.Option(help="The key of the certificate (PEM).", show_default=False)] = None,
    printer: Printer = f"http://127.0.0.1:{PRINTER_PORT}",
) -> None:
    """Open the application on a household's folder. Where others can reach it they sign in: see ulna passphrase."""
    if (certificate is None) != (key is None):
        print("--certificate and --key belong together; give both", file=sys.stderr)
        raise typer.Exit(2)
    tls = (certificate, key) if certificate and key else None
    _serve(_home(home), host, port, printer, name or [], tls)


@app.command()
def passphrase(
    home: Home = None,
    generate: Annotated[bool, typer.Option("--generate", help="Make one, and show it once.")] = False,
) -> None:
    """Set the passphrase that visitors sign in with; whoever was signed in is signed out."""
    from ulna.household import keeper

    folder = _home(home)
    folder.mkdir(parents=True, exist_ok=True, mode=0o700)
    if generate:
        chosen = keeper.generated()
        keeper.Keeper(folder).set(chosen)
        print(f"The passphrase is: {chosen}\nIt is shown this once.")
        return
    chosen = typer.prompt(f"A passphrase of {keeper.LEAST_CHARACTERS} characters or more", hide_input=True)
    if chosen != typer.prompt("Once more", hide_input=True):
        print("these were two different ones; nothing was changed", file=sys.stderr)
        raise typer.Exit(2)
    keeper.Keeper(folder).set(chosen)
    print("The passphrase is set.")


def _door(home: Path, host: str, names: list[str], secure: bool) -> Door:
    """Who may come in. Beyond this machine there is always a passphrase: that of ULNA_PASSPHRASE, the one that was set,
    or one that is made now and shown once."""
    from ulna.api.door import THIS_MACHINE, Door, names_of
    from ulna.household import keeper

    allowed = names_of(host, names)
    if host in THIS_MACHINE:
        return Door(allowed)
    known, asked = keeper.Keeper(home), os.environ.get("ULNA_PASSPHRASE", "")
    if asked and not known.fits(asked):
        known.set(asked)
    elif not known.is_set():
        chosen = keeper.generated()
        known.set(chosen)
        print(f"Visitors sign in with: {chosen}\nIt is shown this once; ulna passphrase sets another.")
    return Door(allowed, known, secure)


def _serve(
    home: Path,
    host: str,
    port: int,
    printer: str,
    names: Sequence[str] = (),
    tls: tuple[Path, Path] | None = None,
) -> None:
    """Opens the household and only then says so. Raises `StoreError`."""
    import uvicorn

    from ulna.api.app import create_app, steady
    from ulna.household.home import Household
    from ulna.household.planroom import Planroom

    household = Household(home, printer, planroom=Planroom())
    try:
        listening = _listening(host, port)
        app = create_app(household, _door(home, host, list(names), tls is not None))
        certificate, key = tls or (None, None)
        config = uvicorn.Config(
            app, log_level="warning", ssl_certfile=certificate, ssl_keyfile=key, server_header=False
        )
        try:
            config.load()
        except (OSError, ValueError) as error:  # a certificate that is none, a key that is another's
            print(f"{certificate} with {key}: {error}; give a certificate and its key as PEM", file=sys.stderr)
            raise typer.Exit(2) from None
        steady()
        scheme = "https" if tls else "http"
        print(f"Ulna is open at {scheme}://{host}:{listening.getsockname()[1]}", flush=True)
        uvicorn.Server(config).run(sockets=[listening])
    finally:
        household.close()


def _listening(host: str, port: int) -> socket.socket:
    """A socket at an address of this machine; tells in a sentence where there is none to be had."""
    family = socket.AF_INET6 if ":" in host else socket.AF_INET
    listening = socket.socket(family)
    listening.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    try:
        listening.bind((host, port))
        listening.listen(128)  # who comes before all is ready waits, and is not turned away
    except OSError as error:
        taken = "another program, perhaps another Ulna, is there already; choose another port with --port"
        why = taken if error.errno == errno.EADDRINUSE else f"{error.strerror}; choose another with --host"
        print(f"{host}:{port}: {why}", file=sys.stderr)
        raise typer.Exit(2) from None
    return listening


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
                page = str(household.pages.all()[0].id)
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


def _tell(brought: Brought) -> None:
    """How many kits and pages came in."""
    kits, pages = _counted(brought.kits, "kit"), _counted(brought.pages, "page")
    print(f"{kits} and {pages} brought in" + (f"; {brought.here} were here already" if brought.here else ""))


def _counted(count: int, what: str) -> str:
    return f"{count} {what}{'' if count == 1 else 's'}"


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
    )
    for wrong in rows.wrong:
        print(f"line {wrong.line}, {wrong.field}: {wrong.reason}, read {wrong.read!r}", file=sys.stderr)
    if rows.wrong and not right_rows:
        print("nothing was brought in; --right-rows takes the others", file=sys.stderr)
        raise typer.Exit(2)
    brought = household.bring_in([Kit(file.stem[:120], papers=rows.papers, things=rows.things)])
    if brought.here:
        print("this kit is here already; nothing was doubled")
        return
    print(f"{_counted(len(rows.papers), 'paper')} and {_counted(len(rows.things), 'thing')} brought in")


@app.command()
def backup(
    file: Annotated[Path, typer.Argument(help="The backup to write, one zip file.")],
    home: Home = None,
) -> None:
    """Keep everything in one file: the library with its history, and the pictures. Status 3: but for some pictures that
    are damaged or missing here."""
    from ulna.household import care
    from ulna.store import backup as packing
    from ulna.store.library import DATABASE

    folder = _home(home)
    lacking: tuple[str, ...] = ()
    if (folder / DATABASE).is_file():
        with _opened(folder) as household:
            lacking = care.lacking(household)
    told = packing.write(folder, file, lacking)
    pictures, bytes = _counted(told.pictures, "file"), f"{told.bytes / 1e6:.1f} MB"
    print(f"{file} holds everything: {_documents(told)}, {pictures} of pictures, {bytes}; read back and compared")
    _tell_of_lacking(told)


@app.command()
def restore(
    file: Annotated[Path, typer.Argument(help="A backup.")],
    home: Home = None,
) -> None:
    """Unpack a backup into a folder that is empty or not there yet: all of it, or nothing. Status 3: some pictures were
    damaged or missing when the backup was made."""
    from ulna.store import backup as packing

    told = packing.read(file, _home(home))
    print(f"everything is back in {_home(home)}: {_documents(told)}, {_counted(told.pictures, 'file')} of pictures")
    _tell_of_lacking(told)


def _documents(told: Told) -> str:
    return ", ".join(f"{count} × {kind}" for kind, count in told.documents.items()) or "no documents"


def _tell_of_lacking(told: Told) -> None:
    if told.lacking:
        print(f"but {_counted(len(told.lacking), 'picture')} damaged or missing: {', '.join(told.lacking[:20])}")
        print("bring these in again where you have them; ulna check says more")
        raise typer.Exit(3)


@app.command()
def check(
    home: Home = None,
    mend: Annotated[
        bool, typer.Option("--mend", help="Mend what can be mended; without it nothing is touched.")
    ] = False,
) -> None:
    """Tell all that is wrong with a household's folder. Status 0: nothing, or all of it is mended; 3: something is."""
    from ulna.household import care

    still = 0
    for fault, outcome in care.checked(_home(home), mend):
        if outcome == care.MENDED:
            print(f"{fault.what}: {fault.why} - mended")
            continue
        still += 1
        print(fault.sentence + (f" ({outcome})" if outcome else ""))
    print(f"{_counted(still, 'fault')} to see to" if still else "nothing is wrong")
    if still:
        raise typer.Exit(3)
