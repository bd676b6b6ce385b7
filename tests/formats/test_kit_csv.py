"""Kits as CSV: what comes in is right or told, what goes out comes back alike."""

from __future__ import annotations

from dataclasses import replace
from itertools import count
from typing import get_args

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ulna.core.errors import FieldError
from ulna.core.geometry.figures import FIGURES, Hole
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Unit, inches, mm
from ulna.core.paper.colour_words import colours_in
from ulna.core.paper.patterns import PATTERNS
from ulna.core.paper.shelf import Card, Direction, Edge, Form, Kit, Paper, Side, Stock, Strip
from ulna.core.things.thing import Drawn, Fixing, Points, Thing, ThingKind
from ulna.core.words.alphabets import Alphabet, MeasuredWord
from ulna.formats import kit_csv


def read(text: str | bytes, unit: Unit = Unit.INCH) -> kit_csv.Rows:
    numbers = count()
    data = text.encode() if isinstance(text, str) else text
    return kit_csv.read(data, unit, lambda: f"id{next(numbers)}")


def test_the_template_can_be_read() -> None:
    """What is offered to fill in is itself right."""
    rows = read(kit_csv.template())
    assert [p.name for p in rows.papers] == ["Reed Bed", "Slate", "Rest of last month"]
    assert [t.name for t in rows.things] == ["Hearts"]
    assert [a.name for a in rows.alphabets] == ["Alphabet, small"]
    assert rows.wrong == ()
    assert rows.papers[0].strip == Strip(Edge.BOTTOM, inches(0, 1, 2))


def test_a_name_alone_is_enough() -> None:
    """The rest is what is usual: one sheet of 12 × 12, patterned, plain on both sides."""
    assert read("name\nReeds\n").papers[0] == Paper(
        "id0", "Reeds", inches(12), inches(12), a=_plain(), b=_plain(), stock=Stock.PATTERNED
    )


def _plain() -> Side:
    return Side("plain", ("#ffffff",), 0, Direction.NONE, inches(1))


@pytest.mark.parametrize("separator", [",", ";", "\t"])
def test_spreadsheets_separate_in_their_own_way(separator: str) -> None:
    """Comma, semicolon or tab; spaces around cells do not count."""
    row = (
        separator.join(("name", "width", "Height")) + "\n" + separator.join((" Reeds ", " 8 1/2 ", "11 in")) + "\n"
    )
    assert [(p.name, p.width, p.height) for p in read(row).papers] == [("Reeds", inches(8, 1, 2), inches(11))]


def test_lengths_without_a_unit_are_in_the_households() -> None:
    """210 is 210 mm where people measure so."""
    assert read("name,width\nA5,210\n", Unit.MM).papers[0].width == mm(210)


def test_colours_have_names_too() -> None:
    """Nobody needs to know #000080."""
    assert read("name,a colours\nx,navy #ff0000\n").papers[0].a.colours == ("#000080", "#ff0000")


def test_wrong_cells_are_told_by_line_column_and_reason_and_the_rest_comes_in() -> None:
    """The heading is line 1; every wrong cell of a row is named, not only the first."""
    rows = read("name,width,count,a pattern\nA,5 ft,1,\nB,12,1,dot\n,12,many,zebra\n")
    assert [p.name for p in rows.papers] == ["B"]
    assert {(w.line, w.field, w.read) for w in rows.wrong} == {
        (2, "width", "5 ft"),
        (4, "name", ""),
        (4, "count", "many"),
        (4, "a pattern", "zebra"),
    }
    assert rows.wrong[0].reason == "feet are not read; write the inches, for example 12 in"


@pytest.mark.parametrize(
    ("column", "cell", "reason"),
    [
        ("name", "x" * 121, "longer than 120 characters"),
        ("count", "1.5", "not a whole number from 0 to 10000"),
        ("count", "-1", "not a whole number from 0 to 10000"),
        ("count", "10001", "not a whole number from 0 to 10000"),
        ("height", "0", "nothing at all; write at least 1/16 in"),
        ("width", "-3", "less than nothing; write 1/16 in or more"),
        ("width", "1 km", '"km" is no unit; write for example 4 1/4 in, 4.25 in or 108 mm'),
        ("kind", "roll", f"not one of sheet, pad, scrap, {', '.join(ThingKind)}"),
        ("b busy", "4", "not 0, 1, 2 or 3"),
        ("stock", "cloth", "not one of patterned, card stock, vellum"),
        ("strip edge", "middle", "not one of left, top, right, bottom"),
        ("a colours", "nothing like it", "not one to five colours such as #a5312b or navy"),
        ("b colours", "#12345", "not one to five colours such as #a5312b or navy"),
        ("a busy", "very", "not 0, 1, 2 or 3"),
        ("b direction", "up", "not one of none, one-way, two-way"),
        ("a scale", "wide", "no number is written; write for example 4 1/4 in, 4.25 in or 108 mm"),
    ],
)
def test_each_column_says_what_would_do(column: str, cell: str, reason: str) -> None:
    """One wrong cell in a row that is right otherwise: that row stays out, and only that cell is named."""
    named = "" if column == "name" else "Reeds"
    rows = read(f"name,{column}\n{named},{cell}\n" if named else f"name\n{cell}\n")
    assert rows.papers == ()
    assert [(w.line, w.field, w.reason) for w in rows.wrong] == [(2, column, reason)]


def test_a_branding_strip_as_deep_as_its_sheet_is_told() -> None:
    """Nothing would be left to cut from."""
    rows = read("name,width,height,strip edge,strip depth\nReeds,6,12,left,6\n")
    assert [(w.field, w.read, w.reason) for w in rows.wrong] == [("strip depth", "6", "as deep as the sheet")]


def test_a_row_with_more_cells_than_columns_is_told_and_an_empty_one_is_not() -> None:
    """A comma too many shifts everything after it; an empty line at the end is how spreadsheets are."""
    rows = read("name,count\nReeds,2,3\nInk,1\n,\n")
    assert [p.name for p in rows.papers] == ["Ink"]
    assert [(w.line, w.read, w.reason) for w in rows.wrong] == [(2, "3", "more cells than there are columns")]


@pytest.mark.parametrize(
    ("data", "sentence"),
    [
        (b"", "file: nothing is in it; download the template to see what it takes"),
        (
            b"width\n12\n",
            "column “name”: missing in the first line, read 'width'; the template has all the columns",
        ),
        (b"name,name\nA,b\n", "column “name”: there twice; keep one of them"),
        ("name\nCafé\n".encode("latin-1"), "file: line 2 is not in UTF-8; save it again as “CSV UTF-8”"),
        (b"\x89PNG\r\n\x1a\n\x00", "file: line 1 is not in UTF-8; save it again as “CSV UTF-8”"),
        (b"name\n" + b"x\n" * 100_000, "file: more than 2000 rows; bring it in as several files"),
        (b"x" * 4_000_001, "file: larger than 4 MB; bring it in as several files"),
        (b"name\x00\nA\n", "file: this is no text; choose a CSV file"),
    ],
)
def test_a_file_that_cannot_be_taken_says_why(data: bytes, sentence: str) -> None:
    """Wrong encoding, missing column, a hundred thousand rows: nothing comes in, and it is plain what to do."""
    with pytest.raises(FieldError) as refused:
        read(data)
    assert refused.value.sentence == sentence


def test_a_cell_that_looks_like_a_formula_is_made_harmless() -> None:
    """A spreadsheet would run =1+1; the space before it is gone again when the file comes back."""
    paper = replace(_paper("=1+1"), count=3)
    text = kit_csv.write(Kit("k", papers=(paper,)))
    assert "\n =1+1," in text.replace("\r", "")
    assert read(text).papers[0].name == "=1+1"


def _paper(name: str) -> Paper:
    return Paper("id0", name, inches(12), inches(12), a=_plain(), b=_plain())


names = st.text(st.characters(blacklist_categories=("C", "Z")), min_size=1, max_size=30)
colours = st.lists(st.integers(0, 0xFFFFFF).map(lambda n: f"#{n:06x}"), min_size=1, max_size=5).map(tuple)
sizes = st.integers(2, 384).map(lambda n: inches(0, n, 32)) | st.integers(2, 900).map(mm)
sides = st.builds(
    Side, st.sampled_from(sorted(PATTERNS)), colours, st.integers(0, 3), st.sampled_from(Direction), sizes
)
papers = st.builds(
    Paper,
    st.just("id0"),
    names,
    sizes,
    sizes,
    st.integers(0, 10_000),
    st.sampled_from(Stock),
    st.sampled_from(Form),
    sides,
    sides,
    st.none(),
)


@given(papers)
def test_a_paper_goes_out_and_comes_back_alike(paper: Paper) -> None:
    """Whatever it is called and however it looks."""
    rows = read(kit_csv.write(Kit("k", papers=(paper,))))
    assert rows.wrong == () and rows.papers == (paper,)


# ---- places on a sheet, and where a scrap came from --------------------------------------------------


def test_cards_and_holes_are_written_as_people_write_places() -> None:
    """Size, then how far from the left and the top; a comma may be a decimal one, B says that it is on the back."""
    row = read(
        'name,cards,holes\nCards,"sun: 4 x 3 at 0, 0; rain, or not: 76 mm × 4,5 in at 5 1/4, 2 on B",'
        '"2 x 2 at 9, 9; circle 1 x 1 at 0, 0"\n'
    )
    paper = row.papers[0]
    assert paper.cards == (
        Card("sun", Rect(inches(0), inches(0), inches(4), inches(3))),
        Card("rain, or not", Rect(inches(5, 1, 4), inches(2), mm(76), inches(4, 1, 2)), "B"),
    )
    assert [(hole.figure, hole.at.x) for hole in paper.holes] == [("rectangle", inches(9)), ("circle", inches(0))]


@pytest.mark.parametrize(
    ("column", "cell", "reason"),
    [
        ("cards", "sun", "“sun” is no card; write for example sun: 4 x 3 at 0, 0; rain: 3 x 4 at 5, 2 on B"),
        (
            "holes",
            "big 2 x 2 at 0, 0",
            '"big 2": no number is written; write for example 4 1/4 in, 4.25 in or 108 mm',
        ),
        ("holes", "2 x 2", "“2 x 2” is no hole; write for example 2 x 2 at 9, 9; arch 7 x 5 at 0, 0"),
        ("shape", "2 x 2 at 0, 0; 1 x 1 at 0, 0", "more than one; write the one that the scrap has"),
    ],
)
def test_a_place_that_is_none_says_what_would_do(column: str, cell: str, reason: str) -> None:
    (wrong,) = read(f'name,{column}\nReeds,"{cell}"\n').wrong
    assert (wrong.field, wrong.reason) == (column, reason)


def test_a_scrap_names_the_paper_that_it_was_cut_from() -> None:
    """One of the same table, or one that is on the shelf already; a name that nothing has is told and left out."""
    table = b"name,kind,scrap of\nReeds,sheet,\nrest,scrap,Reeds\nold rest,scrap,Quay\nlost,scrap,Moss\n"
    fresh = count()
    rows = kit_csv.read(table, Unit.INCH, lambda: f"id{next(fresh)}", there={"Quay": "quay"})
    assert [paper.scrap_of for paper in rows.papers] == [None, "id0", "quay", None]
    assert [(one.line, one.read) for one in rows.taken] == [(5, "Moss")]


places = st.builds(Rect, *[st.integers(0, 384).map(lambda n: inches(0, n, 32))] * 2, sizes, sizes)
cards = st.lists(st.builds(Card, names, places, st.sampled_from(["A", "B"])), max_size=4).map(tuple)
outlines = st.just(()) | st.lists(
    st.tuples(*[st.floats(-20, 20).map(lambda v: round(v, 6))] * 2), min_size=3, max_size=6
).map(tuple)
holes = st.builds(
    lambda at, *rest: Hole(at.x, at.y, at.width, at.height, *rest),
    places, st.sampled_from(FIGURES), st.integers(0, 32).map(lambda n: inches(0, n, 32)), outlines, st.integers(0, 3),
)  # fmt: skip


@given(papers, cards, st.lists(holes, max_size=3).map(tuple), st.none() | holes)
def test_places_on_a_sheet_go_out_and_come_back_alike(
    paper: Paper, cards: tuple[Card, ...], holes: tuple[Hole, ...], inside: Hole | None
) -> None:
    """Whatever the cards are called, semicolons and colons too."""
    paper = replace(paper, cards=cards, holes=holes, inside=inside)
    rows = read(kit_csv.write(Kit("k", papers=(paper,))))
    assert rows.wrong == () and rows.papers == (paper,)


corners = st.tuples(*[st.integers(0, 9_999).map(lambda n: n / 100)] * 2)
things = st.builds(
    Thing, st.just("id0"), names, st.sampled_from([k for k in ThingKind if k is not ThingKind.ALPHABET]),
    st.integers(0, 10_000), st.none() | sizes, names, width=st.none() | sizes, height=st.none() | sizes,
    figure=st.sampled_from(["", *FIGURES]), outline=st.just(()) | st.lists(corners, min_size=3, max_size=9).map(tuple),
    thickness=st.just(ZERO) | sizes, colours=st.just(()) | colours, drawn=st.sampled_from(get_args(Drawn)),
    says=st.just("") | names, points=st.sampled_from(get_args(Points)), fixing=st.sampled_from(get_args(Fixing)),
    clear=st.booleans(), rim=st.booleans(), each=st.integers(1, 1_000), picture=st.none(),
)  # fmt: skip


@given(things)
def test_things_go_out_and_come_back_alike(thing: Thing) -> None:
    """With all that is said of them, but for a picture."""
    rows = read(kit_csv.write(Kit("k", things=(thing,))))
    assert rows.wrong == () and rows.things == (thing,)


def test_an_alphabet_goes_out_and_comes_back_alike() -> None:
    """The run of its letters with its spaces, what was measured of it, how it is made."""
    block = Alphabet(
        "id0", "Block", inches(1, 1, 2), "AAAABBC 112!", 2, "", "heavy", (MeasuredWord("HERON", inches(4, 1, 4)),
        MeasuredWord("W", mm(31))), "chipboard", inches(0, 1, 16), "glue", "#a5312b",
    )  # fmt: skip
    rows = read(kit_csv.write(Kit("k", alphabets=(block,))))
    assert rows.wrong == () and rows.alphabets == (block,)


@pytest.mark.parametrize(
    ("column", "cell", "reason"),
    [
        ("outline", "0 0; 1", "“1” is no corner; write two numbers such as 1.5 2"),
        ("outline", "0 0; 1 1", "2 corners; an outline has from 3 to 400"),
        ("points", "north", "not one of , up, right, down, left"),
        ("each", "0", "not a whole number from 1 to 1000"),
        ("clear", "maybe", "not one of yes, no"),
    ],
)
def test_what_a_thing_cannot_be_is_told(column: str, cell: str, reason: str) -> None:
    rows = read(f"name,kind,{column}\nHeron,sticker,{cell}\n")
    assert rows.things == () and [(w.field, w.reason) for w in rows.wrong] == [(column, reason)]


# ---- tables of other programs ------------------------------------------------------------------------


def understood(rows: kit_csv.Rows) -> dict[str, str]:
    return {column.heading: column.column for column in rows.columns}


def test_a_table_of_another_program_is_understood() -> None:
    """Sizes in one cell, stocks, patterns and colours as people say them; what has no place is left out, and told."""
    rows = read(
        "Title,Brand no.,Dimensions,Qty,Type,Design,Colour,Back\n"
        "Reed Bed,71,12x12,2,Patterned paper,leaves,sage & cream,thin stripes\n"
        'Slate,72,"8.5"" x 11""",3,Cardstock,,charcoal,\n'
        "Quay,73,30.5 x 30.5 cm,1,paper,blue dots,,solid navy\n"
    )
    assert understood(rows) == {
        "Title": "name", "Brand no.": "", "Dimensions": "size", "Qty": "count", "Type": "stock", "Design": "a pattern",
        "Colour": "a colours", "Back": "b pattern",
    }  # fmt: skip
    reed, slate, quay = rows.papers
    assert (reed.width, reed.count, reed.a.pattern, reed.b.pattern) == (inches(12), 2, "leaf", "stripe")
    assert reed.a.colours == ("#a3b18f", "#f6efdc")
    assert (slate.width, slate.height, slate.stock) == (inches(8, 1, 2), inches(11), Stock.CARD)
    assert (quay.width, quay.a.pattern, quay.a.colours) == (mm(305), "dot", ("#3f6ea5",))
    assert (quay.b.pattern, quay.b.colours) == ("plain", ("#1f2d4f",))
    assert rows.wrong == () and (2, "a pattern", "leaves", "leaf") in {
        (t.line, t.field, t.read, t.taken) for t in rows.taken
    }


def test_the_first_column_of_words_is_the_name_where_none_is_called_so() -> None:
    assert [p.name for p in read("no,motif,sheets\n1,Herons,2\n2,Reeds,1\n").papers] == ["Herons", "Reeds"]


def test_all_problems_are_told_at_once_and_nothing_is_refused_whole() -> None:
    """A size that is none, a pattern like nothing, a count in words: each by its line; the right row stays."""
    rows = read("item,size,design,how many\nA,large,zebra,two\nB,12 x 12,polka dots,2\n")
    assert [p.name for p in rows.papers] == ["B"]
    assert {(w.line, w.field, w.read) for w in rows.wrong} == {
        (2, "size", "large"), (2, "a pattern", "zebra"), (2, "count", "two"),
    }  # fmt: skip


def test_columns_are_read_as_they_are_said() -> None:
    """Where the guess was wrong it is said otherwise, or the column left out."""
    table = b"title,shade\nReeds,dots\n"
    fresh = count()
    rows = kit_csv.read(table, Unit.INCH, lambda: f"id{next(fresh)}", ["name", "a pattern"])
    assert rows.papers[0].a.pattern == "dot"
    assert kit_csv.read(table, Unit.INCH, lambda: "id", ["name", ""]).papers[0].a.pattern == "plain"
    with pytest.raises(FieldError, match="not one that is known"):
        kit_csv.read(table, Unit.INCH, lambda: "id", ["name", "smell"])


@pytest.mark.parametrize(
    ("said", "colours"),
    [
        ("navy and cream", ("#1f2d4f", "#f6efdc")),
        ("light blue/rust", ("#9fb6d2", "#a64b22")),
        ("dark green", ("#315631",)),
        ("#a5312b, white", ("#a5312b", "#ffffff")),
        ("Reds", ("#b3262b",)),
    ],
)
def test_colours_are_read_in_plain_english(said: str, colours: tuple[str, ...]) -> None:
    """Light blue is half way from blue to white: (63 + 255) / 2 = 159 = 9f."""
    assert colours_in(said) == (colours, ())


@given(st.text(max_size=200))
def test_whatever_a_table_holds_is_read_or_told(text: str) -> None:
    """No cell and no heading makes it fail in another way."""
    try:
        rows = read(f"name,size,type,design,colour\n{text}\n")
    except FieldError:
        return
    assert rows.rows >= len(rows.papers) + len(rows.things)
