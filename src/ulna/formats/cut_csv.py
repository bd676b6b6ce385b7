"""The pieces of a cut list as CSV."""

from __future__ import annotations

import csv
import io
from collections.abc import Collection, Mapping

from ulna.core.cutting import cut_list, progress
from ulna.core.measure import Length, Ruler, decimal


def write(cuts: cut_list.CutList, names: Mapping[str, str], ruler: Ruler, ticked: Collection[str] = ()) -> str:
    """One row a piece; `names` are the papers' by id. Sizes stand as numbers that a spreadsheet can add up, and in the
    columns after them as a person says them."""
    out = io.StringIO(newline="")
    writer = csv.writer(out, lineterminator="\r\n")
    unit = ruler.unit
    sizes = [f"width ({unit})", "width as said", f"height ({unit})", "height as said"]
    writer.writerow(["number", "piece", "paper", "sheet", "side", *sizes, "cut"])
    for sheet in cuts.sheets:
        cut = {p.number for p in progress.finished(sheet, ticked)}
        paper = sheet.print or names.get(sheet.of_paper, "gone")
        for p in sheet.pieces:
            row = [str(p.number), plain(p.name), plain(paper), plain(_called(sheet)), p.side]
            for size in p.lies:
                row += [decimal(size, unit), _said(size, ruler)]
            writer.writerow([*row, "yes" if p.number in cut else ""])
    return out.getvalue()


def _called(sheet: cut_list.CutSheet) -> str:
    return "" if sheet.print else sheet.called


def _said(length: Length, ruler: Ruler) -> str:
    """With its unit, so that no spreadsheet takes it for a date."""
    return f"{ruler.say(length)} {ruler.unit}"


def plain(words: str) -> str:
    """Words that a spreadsheet does not take for a formula."""
    return f"'{words}" if words[:1] in ("=", "+", "-", "@", "\t", "\r") else words
