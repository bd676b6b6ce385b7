"""The command `ulna`."""

from __future__ import annotations

import json
import sys
import time
from pathlib import Path
from typing import Annotated

import typer

from ulna.core.errors import UlnaError

app = typer.Typer(no_args_is_help=True, add_completion=False, pretty_exceptions_enable=False, help=__doc__)


def main() -> None:
    """Runs the command; what it cannot read is told in one line, with exit status 2."""
    try:
        app()
    except UlnaError as error:
        print(error.sentence, file=sys.stderr)
        sys.exit(2)


@app.command()
def cutplan(
    request: Annotated[str, typer.Argument(help="The request as JSON; - reads standard input.")],
) -> None:
    """Plan the cuts of a request (JSON in, JSON out). Status 3: sound, but some pieces are unplaced."""
    from ulna.core.cutting import plan_cuts
    from ulna.core.cutting.effort import effort_of
    from ulna.formats import cut_json

    start = time.monotonic()
    try:
        text = sys.stdin.buffer.read() if request == "-" else Path(request).read_bytes()
    except OSError as error:
        print(f"{request}: {error.strerror}", file=sys.stderr)
        raise typer.Exit(2) from None
    asked, unit, seconds = cut_json.read(text)
    plan = plan_cuts(asked, effort_of(seconds))
    print(json.dumps(cut_json.write(plan, unit, time.monotonic() - start), ensure_ascii=False, indent=1))
    if plan.unplaced:
        raise typer.Exit(3)


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
Port = Annotated[int, typer.Option(envvar="PORT", help="The port; 0 takes a free one.")]


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
) -> None:
    """Open the application on a household's folder."""
    if host not in ("127.0.0.1", "localhost", "::1") and not passphrase:
        print(f"--host {host}: others could reach it; set a passphrase with ULNA_PASSPHRASE", file=sys.stderr)
        raise typer.Exit(2)
    _serve(_home(home), host, port, passphrase)


def _serve(home: Path, host: str, port: int, passphrase: str = "") -> None:
    import uvicorn

    from ulna.api.app import create_app
    from ulna.store.errors import StoreError

    config = uvicorn.Config(create_app(home, passphrase or None), host=host, port=port, log_level="warning")
    try:
        listening = config.bind_socket() if port == 0 else None
    except SystemExit:
        raise typer.Exit(2) from None
    actual = listening.getsockname()[1] if listening else port
    print(f"Ulna is open at http://{host}:{actual}", flush=True)
    try:
        uvicorn.Server(config).run(sockets=[listening] if listening else None)
    except StoreError as error:
        print(error.sentence, file=sys.stderr)
        raise typer.Exit(2) from None


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
    from ulna.store.errors import StoreError

    try:
        made = set_up(home, reset)
    except StoreError as error:
        print(error.sentence, file=sys.stderr)
        raise typer.Exit(2) from None
    if made:
        print("The demo household has come aboard.")
    if not only:
        _serve(home, "127.0.0.1", port)
