"""The command `ulna`."""

from __future__ import annotations

from typing import Annotated

import typer

from ulna import __version__
from ulna.cli import coming, keeping, lengths, pages, serving

app = typer.Typer(
    no_args_is_help=True,
    pretty_exceptions_enable=False,
    context_settings={"help_option_names": ["-h", "--help"]},
)
for room in (serving, pages, coming, keeping, lengths):
    app.add_typer(room.commands)


def _say_version(asked: bool) -> None:
    if asked:
        print(f"ulna {__version__}")
        raise typer.Exit


@app.callback()
def ulna(
    version: Annotated[
        bool, typer.Option("--version", help="Say which Ulna this is.", callback=_say_version, is_eager=True)
    ] = False,
) -> None:
    """Plan, cut and keep scrapbook pages from the sheets of a paper kit."""
