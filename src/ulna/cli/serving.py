"""The application, opened: for oneself, for others, the demo, and the simulated printer."""

from __future__ import annotations

import errno
import os
import socket
import sys
import threading
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from pathlib import Path
from typing import TYPE_CHECKING, Annotated

import typer

from ulna.cli.home import Home, folder_of
from ulna.household.outside import Outside

if TYPE_CHECKING:
    from ulna.api.door import Door


commands = typer.Typer()


Printer = Annotated[str, typer.Option("--printer", envvar="ULNA_PRINTER", help="The address of the photo printer.")]
CuttingMachine = Annotated[
    str,
    typer.Option("--cutting-machine", envvar="ULNA_CUTTING_MACHINE", help="The address of the cutting machine."),
]
Club = Annotated[str, typer.Option("--club", envvar="ULNA_CLUB", help="The address of the kit club's feed.")]
PRINTER_PORT, MACHINE_PORT, CLUB_PORT = 8630, 8631, 8632
LARGE = 5_000_000
"""A library of so many bytes takes a while to read, and says so."""
Port = Annotated[int, typer.Option(envvar="PORT", help="The port; 0 takes a free one.")]
Browser = Annotated[bool, typer.Option("--browser/--no-browser", help="Open it in the browser.")]


@commands.command()
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
    browser: Browser = True,
    printer: Printer = f"http://127.0.0.1:{PRINTER_PORT}",
    cutting_machine: CuttingMachine = f"http://127.0.0.1:{MACHINE_PORT}",
    club: Club = f"http://127.0.0.1:{CLUB_PORT}",
) -> None:
    """Open the application on a household's folder. Where others can reach it they sign in: see ulna passphrase."""
    if (certificate is None) != (key is None):
        print("--certificate and --key belong together; give both", file=sys.stderr)
        raise typer.Exit(2)
    tls = (certificate, key) if certificate and key else None
    _serve(folder_of(home), host, port, Outside(printer, cutting_machine, club), name or [], tls, browser)


@commands.command()
def passphrase(
    home: Home = None,
    generate: Annotated[bool, typer.Option("--generate", help="Make one, and show it once.")] = False,
) -> None:
    """Set the passphrase that visitors sign in with; whoever was signed in is signed out."""
    from ulna.household import keeper

    folder = folder_of(home)
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
    outside: Outside,
    names: Sequence[str] = (),
    tls: tuple[Path, Path] | None = None,
    browser: bool = True,
) -> None:
    """Opens the household and only then says so. Raises `StoreError`."""
    import uvicorn

    from ulna.api.app import create_app, read_ahead, steady
    from ulna.household.home import Household
    from ulna.household.planroom import Planroom
    from ulna.store.library import DATABASE

    household = Household(home, outside, planroom=Planroom())
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
        if (home / DATABASE).stat().st_size > LARGE:
            print("Reading a large household: a few seconds …", file=sys.stderr, flush=True)
        read_ahead(household)
        steady()
        scheme = "https" if tls else "http"
        bound = listening.getsockname()[1]
        address = f"{scheme}://{host}:{bound}"
        app.state.reached = tuple(f"{scheme}://{name}:{bound}" for name in _reached(host, names))
        print(f"Ulna is open at {address}", flush=True)
        for one in app.state.reached:
            _tell_devices(one)
        print(f"The household lies in {home.resolve()}", flush=True)
        if browser:
            _show(address.replace("//0.0.0.0:", "//127.0.0.1:"))
        uvicorn.Server(config).run(sockets=[listening])
    finally:
        household.close()


def _reached(host: str, names: Sequence[str]) -> list[str]:
    """Under what other devices find this machine: the names that were given, else the address it is known by."""
    from ulna.api.door import THIS_MACHINE

    if host in THIS_MACHINE:
        return []
    if names:
        return list(names)
    if host not in ("0.0.0.0", "::"):
        return [f"[{host}]" if ":" in host else host]
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as asked:
        try:
            asked.connect(("192.0.2.1", 9))  # nothing is sent: it only tells which way out there is
            return [str(asked.getsockname()[0])]
        except OSError:
            return [socket.gethostname()]


def _tell_devices(address: str) -> None:
    """The address for other devices, as text and for a camera."""
    print(f"From other devices: {address}", flush=True)
    if sys.stdout.isatty():
        import segno

        segno.make(address, error="m", micro=False).terminal(compact=True)


def _show(address: str) -> None:
    """Opens a browser, where there is a screen to open it on, without waiting for it."""
    import webbrowser

    if sys.platform != "linux" or any(os.environ.get(name) for name in ("BROWSER", "DISPLAY", "WAYLAND_DISPLAY")):
        threading.Thread(target=webbrowser.open, args=(address,), daemon=True).start()


def _listening(host: str, port: int) -> socket.socket:
    """A socket at an address of this machine; tells in a sentence where there is none to be had."""
    family = socket.AF_INET6 if ":" in host else socket.AF_INET
    listening = socket.socket(family)
    listening.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    try:
        listening.bind((host, port))
        listening.listen(128)  # who comes before all is ready waits, and is not turned away
    except OSError as error:
        taken = f"another program, perhaps another Ulna, is there already; --port {_free(host, port)} is free"
        why = taken if error.errno == errno.EADDRINUSE else f"{error.strerror}; choose another with --host"
        print(f"{host}:{port}: {why}", file=sys.stderr)
        raise typer.Exit(2) from None
    return listening


def _free(host: str, taken: int) -> int:
    """The next port that nobody has."""
    for port in range(taken + 1, min(taken + 100, 65536)):
        with socket.socket(socket.AF_INET6 if ":" in host else socket.AF_INET) as tried:
            try:
                tried.bind((host, port))
            except OSError:
                continue
            return port
    return 0


@commands.command()
def demo(
    home: Annotated[Path, typer.Option("--home", envvar="ULNA_HOME", help="Where the demo is kept.")] = Path(
        ".demo"
    ),
    port: Port = 8620,
    reset: Annotated[bool, typer.Option("--reset", help="Throw the demo away and make it anew.")] = False,
    only: Annotated[bool, typer.Option("--only", help="Make it, but do not open it.")] = False,
    browser: Browser = True,
) -> None:
    """Open a household aboard a narrowboat, with kits, photos and pages."""
    from ulna.demo.household import set_up

    made = set_up(home, reset)
    if made:
        print("The demo household has come aboard.")
    if not only:
        with (
            _on("printer", home / "printer") as printer,
            _on("cutting-machine", home / "cutting-machine") as machine,
            _on("club", home / "club") as club,
        ):
            _serve(home, "127.0.0.1", port, Outside(printer, machine, club), browser=browser)


@contextmanager
def _on(what: str, folder: Path) -> Iterator[str]:
    """What stands outside, simulated, as a process of its own for as long as the demo is open; its address."""
    import subprocess

    with socket.socket() as free:  # known beforehand, so that the application need not wait for it
        free.bind(("127.0.0.1", 0))
        port = free.getsockname()[1]
    command = [sys.executable, "-m", "ulna", what, "--port", str(port), "--folder", str(folder)]
    quiet = subprocess.DEVNULL
    process = subprocess.Popen(
        [*command, "--attended"], stdin=subprocess.PIPE, stdout=quiet, start_new_session=True
    )
    try:
        yield f"http://127.0.0.1:{port}"
    finally:
        process.terminate()
        process.wait(10)


@commands.command()
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

    _end_with_who_began(attended)
    switch_on(folder or folder_of(None) / "printer", port, seconds)


@commands.command()
def cutting_machine(
    folder: Annotated[
        Path | None, typer.Option(help="Where its jobs and its tray are kept.", show_default=False)
    ] = None,
    port: Annotated[int, typer.Option(help="The port; 0 takes a free one.")] = MACHINE_PORT,
    speed: Annotated[float, typer.Option(min=0.1, help="Inches it cuts in a second.")] = 4,
    attended: Annotated[bool, typer.Option("--attended", help="End once its input is closed.")] = False,
) -> None:
    """Switch the simulated cutting machine on; its panel is at the address it says."""
    from ulna.standins.cutting_machine.program import serve as switch_on

    _end_with_who_began(attended)
    switch_on(folder or folder_of(None) / "cutting-machine", port, speed)


@commands.command()
def club(
    folder: Annotated[
        Path | None, typer.Option(help="Where what it has corrected is kept.", show_default=False)
    ] = None,
    port: Annotated[int, typer.Option(help="The port; 0 takes a free one.")] = CLUB_PORT,
    attended: Annotated[bool, typer.Option("--attended", help="End once its input is closed.")] = False,
) -> None:
    """Open the simulated kit club: its kits by code, and its corrections."""
    from ulna.standins.kit_club.program import serve as open_club

    _end_with_who_began(attended)
    open_club(folder or folder_of(None) / "club", port)


def _end_with_who_began(attended: bool) -> None:
    """Whoever started it may be gone without a word; its end of the pipe is closed then."""
    if attended:
        threading.Thread(target=lambda: (sys.stdin.read(), os._exit(0)), daemon=True).start()
