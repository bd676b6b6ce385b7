"""Lengths and requests: what needs no household."""

from __future__ import annotations

import json
from typing import Annotated

import typer

commands = typer.Typer()


@commands.command()
def cutplan(
    request: Annotated[str, typer.Argument(help="The request as JSON; - reads standard input.")],
) -> None:
    """Plan the cuts of a request (JSON in, JSON out). Status 3: sound, but some pieces are unplaced."""
    from ulna.cli import cutplan as planning

    raise typer.Exit(planning.cutplan(request))


@commands.command(context_settings={"ignore_unknown_options": True})
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
