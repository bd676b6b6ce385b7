"""Kits as CSV: one row a paper or thing, in and out. `COLUMNS` says what each column takes.

Reading never stops at a wrong row: it gives the right ones, and each wrong one by line, field and reason. Tables of
other programs are read by what their columns and cells are likely to mean; what was taken for what is told, to be
confirmed.
"""

from __future__ import annotations

import csv
import io
from collections import Counter
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace

from ulna.core.errors import FieldError
from ulna.core.measure import Unit, text
from ulna.core.paper import shelf
from ulna.core.paper.patterns import PATTERNS
from ulna.core.things.thing import Thing, ThingKind
from ulna.core.words.alphabets import Alphabet
from ulna.formats import csv_places, csv_things
from ulna.formats.csv_places import CARD_SAID, HOLE_SAID
from ulna.formats.csv_words import SIZE_COLUMN, heading_of
from ulna.formats.kit_rows import Row, Taken, WrongCell

MOST_ROWS = 2_000
MOST_BYTES = 4_000_000
MOST_COLUMNS = 200

COLUMNS: dict[str, str] = {
    "name": "What it is called. Must be there.",
    "kind": f"sheet, pad or scrap for a paper; for a thing one of {', '.join(ThingKind)}. Empty: sheet.",
    "width": "A length such as 12, 8 1/2, 4.25 in or 210 mm. Empty: 12 in.",
    "height": "As width.",
    "count": "How many sheets or things, a whole number. Empty: 1.",
    "stock": f"{', '.join(shelf.Stock)}. Empty: patterned.",
    "strip edge": "Where the branding strip is, seen from the A side: left, top, right or bottom. Empty: none.",
    "strip depth": "How deep it is. Empty: 1/2 in.",
    "a pattern": f"{', '.join(PATTERNS)}. Empty: plain.",
    "a colours": "One to five, spaces between, the leading one first: #rrggbb or a name like navy. Empty: white.",
    "a busy": "0 plain, 1 quiet, 2 lively, 3 busy. Empty: what is usual for the pattern.",
    "a direction": "none, one-way or two-way. Empty: what is usual for the pattern.",
    "a scale": "How long one repeat of the pattern is. Empty: what is usual for the pattern.",
    "b pattern": "The same for the B side.",
    "b colours": "",
    "b busy": "",
    "b direction": "",
    "b scale": "",
    "cards": f"What is printed on it to be cut out, such as {CARD_SAID}. Empty: none.",
    "holes": f"What is cut out of it already, seen from the A side, such as {HOLE_SAID}. Empty: none.",
    "shape": "Of a scrap that is no rectangle, as a hole: what is inside is paper. Empty: all of it is.",
    "scrap of": "The name of the paper that a scrap was cut from. Empty: not known.",
    "pile": f"Where it was put when the box was sorted: {', '.join(shelf.PILES)}. Empty: not sorted.",
    "side up": "A or B, the side that you would rather use. Empty: A.",
    **csv_things.COLUMNS,
}

TEMPLATE_ROWS = (
    {"name": "Reed Bed", "width": "12", "height": "12", "count": "2", "strip edge": "bottom", "strip depth": "1/2",
     "a pattern": "leaf", "a colours": "#e9efe2 #6f8f6a #94a77c", "b pattern": "stripe",
     "b colours": "#f6f1e4 #b8c4a4"},
    {"name": "Slate", "stock": "card stock", "count": "3", "a colours": "#4a545c", "b colours": "#4a545c"},
    {"name": "Rest of last month", "kind": "scrap", "width": "5 1/4", "height": "3", "a pattern": "dot",
     "a colours": "#ffffff #a5312b"},
    {"name": "Hearts", "kind": "puffy sticker", "count": "12", "width": "1/2", "figure": "heart",
     "a colours": "#a5312b"},
    {"name": "Alphabet, small", "kind": "alphabet", "count": "1", "height": "1/2", "letters": "aaabbccddeeeee"},
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Column:
    """A column of the file and what it is read as; empty where it is left out. What its first cells hold."""

    heading: str
    column: str
    examples: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Rows:
    """What a file holds: papers, things and alphabets of the right rows, every wrong cell, and how all of it was
    understood."""

    papers: tuple[shelf.Paper, ...]
    things: tuple[Thing, ...]
    alphabets: tuple[Alphabet, ...]
    wrong: tuple[WrongCell, ...]
    rows: int
    columns: tuple[Column, ...] = ()
    taken: tuple[Taken, ...] = ()


def template() -> str:
    """A file to fill in, with example rows."""
    return _csv(list(TEMPLATE_ROWS))


def write(kit: shelf.Kit, called: Mapping[str, str] | None = None) -> str:
    """A kit as CSV, which `read` brings back alike but for ids, pictures, and what is spoiled of an alphabet. `called`
    has the names of papers of other kits by their ids, of which there may be scraps."""
    names = {**(called or {}), **{p.id: p.name for p in kit.papers}}
    return _csv(
        [
            *(_paper_row(p, names.get(p.scrap_of or "", "")) for p in kit.papers),
            *(csv_things.thing_row(t) for t in kit.things),
            *(csv_things.alphabet_row(a) for a in kit.alphabets),
        ]
    )


def read(
    data: bytes,
    unit: Unit,
    new_id: Callable[[], str],
    columns: Sequence[str] | None = None,
    there: Mapping[str, str] | None = None,
) -> Rows:
    """The rows of a file. Raises `FieldError` where the file as a whole cannot be taken.

    `unit` is meant where a length has none; `new_id` gives a fresh id for each row. `columns` says what each column of
    the file is, empty for one that is left out; without it that is guessed from the headings. `there` has the ids of
    papers of other kits by their names, of which there may be scraps.
    """
    heading, table = _table(data)
    understood = _understood(heading, table, columns)
    papers, things = list[shelf.Paper](), list[Thing]()
    alphabets, wrong, taken = list[Alphabet](), list[WrongCell](), list[Taken]()
    scraps = dict[int, Row]()
    count = 0
    for line, in_order in table:
        cells = {column: cell for column, cell in zip(understood, in_order, strict=False) if column}
        extra = [cell for cell in in_order[len(heading) :] if cell]
        if extra:
            cells[""] = extra[0]
        if not any(in_order):
            continue
        count += 1
        row = Row(line, cells, unit)
        found = row.read(new_id())
        taken += row.taken
        if row.wrong:
            wrong += row.wrong
        elif isinstance(found, Thing):
            things.append(found)
        elif isinstance(found, Alphabet):
            alphabets.append(found)
        else:
            if row.cells.get("scrap of"):
                scraps[len(papers)] = row
            papers.append(found)
    named = {**(there or {}), **{p.name: p.id for p in reversed(papers) if not p.is_scrap}}
    for k, row in scraps.items():
        of = named.get(row.cells["scrap of"])
        papers[k] = replace(papers[k], scrap_of=of)
        if of is None:
            taken.append(
                Taken(row.line, "scrap of", row.cells["scrap of"][:80], "a paper that is not here; left out")
            )
    told = tuple(
        Column(head, column, tuple(cells[k] for _, cells in table if k < len(cells) and cells[k])[:3])
        for k, (head, column) in enumerate(zip(heading, understood, strict=True))
    )
    return Rows(tuple(papers), tuple(things), tuple(alphabets), tuple(wrong), count, told, tuple(taken))


# ---- reading ---------------------------------------------------------------------------------------


def _table(data: bytes) -> tuple[list[str], list[tuple[int, list[str]]]]:
    """The headings, and each line with its cells."""
    if len(data) > MOST_BYTES:
        raise FieldError("file", "", f"larger than {MOST_BYTES // 1_000_000} MB", "bring it in as several files")
    content = _decode(data)
    if not content.strip():
        raise FieldError("file", "", "nothing is in it", "download the template to see what it takes")
    first = content.splitlines()[0]
    delimiter = max(",;\t", key=first.count)
    reader = csv.reader(io.StringIO(content, newline=""), delimiter=delimiter, strict=True)
    try:
        heading = [h.strip()[:120] for h in next(reader)]
        if len(heading) > MOST_COLUMNS:
            told = f"{len(heading)} columns in the first line, more than {MOST_COLUMNS}"
            raise FieldError("file", "", told, "the template has all the columns")
        rows: list[tuple[int, list[str]]] = []
        for cells in reader:
            if len(rows) >= MOST_ROWS:
                raise FieldError("file", "", f"more than {MOST_ROWS} rows", "bring it in as several files")
            rows.append((reader.line_num, [cell.strip() for cell in cells]))
    except csv.Error as error:
        raise FieldError("file", "", f"not CSV at line {reader.line_num}: {error}") from None
    return heading, rows


def _decode(data: bytes) -> str:
    for mark, encoding in ((b"\xff\xfe", "utf-16"), (b"\xfe\xff", "utf-16"), (b"", "utf-8-sig")):
        if data.startswith(mark):
            try:
                content = data.decode(encoding)
            except UnicodeDecodeError as error:
                line = data[: error.start].count(b"\n") + 1
                problem = f"line {line} is not in UTF-8"
                raise FieldError("file", "", problem, "save it again as “CSV UTF-8”") from None
            if "\x00" in content:
                break
            return content
    raise FieldError("file", "", "this is no text", "choose a CSV file")


def _understood(
    heading: Sequence[str], rows: Sequence[tuple[int, list[str]]], said: Sequence[str] | None
) -> list[str]:
    """What each column is read as: as it was said, or as its heading is likely to mean; nothing twice."""
    if said is not None:
        unknown = [column for column in said if column and column not in (*COLUMNS, SIZE_COLUMN)]
        if unknown or len(said) != len(heading):
            told = f"{len(said)} columns said for {len(heading)}" if not unknown else "not one that is known"
            raise FieldError("columns", ", ".join(unknown), told, "the template has all the columns")
        found = list(said)
    else:
        own = [head.lower().replace("_", " ") for head in heading]
        found = [head if head in COLUMNS else heading_of(head, COLUMNS) for head in own]
        # What is called as the template has it counts before what only means the same.
        exact = {head for head in own if head in COLUMNS}
        found = [column if column not in exact or own[k] == column else "" for k, column in enumerate(found)]
        if "name" not in found:
            found = _with_name(heading, rows, found)
    double = [column for column, times in Counter(found).items() if column and times > 1]
    if double and (said is not None or double[0] in [head.lower() for head in heading if heading.count(head) > 1]):
        raise FieldError(f"column “{double[0]}”", "", "there twice", "keep one of them")
    return [column if column not in found[:k] else "" for k, column in enumerate(found)]


def _with_name(heading: Sequence[str], rows: Sequence[tuple[int, list[str]]], found: list[str]) -> list[str]:
    """The first column that is left and holds words is the name."""
    for k, column in enumerate(found):
        cells = [cells[k] for _, cells in rows[:20] if k < len(cells) and cells[k]]
        if not column and cells and all(any(letter.isalpha() for letter in cell) for cell in cells):
            return [*found[:k], "name", *found[k + 1 :]]
    listed = ", ".join(h for h in heading[:6] if h) or "nothing"
    raise FieldError("column “name”", listed, "missing in the first line", "the template has all the columns")


# ---- writing ---------------------------------------------------------------------------------------


def _csv(rows: Sequence[dict[str, str]]) -> str:
    out = io.StringIO(newline="")
    writer = csv.DictWriter(out, list(COLUMNS), restval="", lineterminator="\r\n")
    writer.writeheader()
    writer.writerows([{key: _plain(cell) for key, cell in row.items()} for row in rows])
    return out.getvalue()


def _plain(cell: str) -> str:
    """A cell that a spreadsheet would take for a formula gets a space before it."""
    return f" {cell}" if cell[:1] in ("=", "+", "@", "\t") or (cell[:1] == "-" and len(cell) > 1) else cell


def _paper_row(p: shelf.Paper, scrap_of: str) -> dict[str, str]:
    strip = {"strip edge": p.strip.edge.value, "strip depth": text(p.strip.depth)} if p.strip else {}
    return {
        "name": p.name,
        "kind": p.form.value,
        "width": text(p.width),
        "height": text(p.height),
        "count": str(p.count),
        "stock": p.stock.value,
        **strip,
        **_side_cells("a", p.a),
        **_side_cells("b", p.b),
        "cards": csv_places.cards_said(p.cards),
        "holes": csv_places.holes_said(p.holes),
        "shape": csv_places.holes_said([p.inside] if p.inside else []),
        "scrap of": scrap_of,
        "pile": p.pile,
        "side up": p.up,
    }


def _side_cells(side: str, s: shelf.Side) -> dict[str, str]:
    return {
        f"{side} pattern": s.pattern,
        f"{side} colours": " ".join(s.colours),
        f"{side} busy": str(s.busy),
        f"{side} direction": s.direction.value,
        f"{side} scale": text(s.scale) if s.scale else "",
    }
