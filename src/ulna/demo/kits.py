"""The demo's papers: two kits of a made-up paper club, what was there before, and what earlier cutting left."""

from __future__ import annotations

from dataclasses import replace

from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches, parse
from ulna.core.paper.patterns import PATTERNS
from ulna.core.paper.shelf import (
    Card,
    CardLines,
    Edge,
    Face,
    Form,
    Kit,
    Paper,
    Pile,
    Side,
    Stock,
    Strip,
)
from ulna.core.words.alphabets import Alphabet, MeasuredWord
from ulna.demo import things

INK, CREAM, WHITE = "#2b3138", "#f6efe0", "#fffdf7"
MADDER, OCHRE, VERDIGRIS, SAGE, MIST, RUST, SLATE = (
    "#a5402f", "#d9a441", "#2f6f68", "#9db18a", "#c9d8d8", "#b8683c", "#5f7480",
)  # fmt: skip


def _side(pattern: str, *colours: str, scale: Length = ZERO) -> Side:
    usual = PATTERNS[pattern]
    return Side(pattern, colours, usual.busy, usual.direction, scale)


def _sheet(kit: str, name: str, a: Side, b: Side, count: int = 1, strip: bool = True) -> Paper:
    return Paper(
        id=f"{kit}-{name.lower().replace(' ', '-')}",
        name=name,
        width=inches(12),
        height=inches(12),
        count=count,
        a=a,
        b=b,
        strip=Strip(Edge.BOTTOM, inches(0, 1, 2)) if strip else None,
    )


def _card(kit: str, name: str, colour: str, count: int) -> Paper:
    plain = _side("plain", colour)
    return replace(_sheet(kit, name, plain, plain, count, strip=False), stock=Stock.CARD)


def _cut_apart(sheet: Paper) -> Paper:
    """The sheet with its cards: three across of 4 × 3, and under each of them two of 2 × 3, twice."""
    words = ("words", "weather", "wildlife", "where", "who", "when")
    names = iter([*words, *(f"small {n}" for n in range(1, 11))])
    large = [_printed(next(names), left, top, 4) for top in (0, 6) for left in (0, 4, 8)]
    small = [_printed(next(names), left, 3, 2) for left in range(0, 12, 2)]
    return replace(sheet, cards=(*large, *small))


LINES = CardLines(parse("1 3/16"), parse("3/8"), parse("3/8"), parse("3/8"))
"""Of the large cards: their lines to write on, as measured."""


def _printed(name: str, left: int, top: int, width: int) -> Card:
    return Card(
        name, Rect(inches(left), inches(top), inches(width), inches(3)), lines=LINES if width == 4 else None
    )


SORTED: dict[str, tuple[Pile, Face]] = {
    "Still Water": ("likely", "A"),
    "Reed Bed": ("likely", "B"),
    "Rose and Castle": ("another story", "A"),
    "Feather": ("not this time", "A"),
}
"""Where the March papers went when the box was opened, and with which side up."""


def _gone_through(*papers: Paper) -> tuple[Paper, ...]:
    piles = ((paper, SORTED.get(paper.name, ("not sorted", "A"))) for paper in papers)
    return tuple(replace(paper, pile=pile, up=up) for paper, (pile, up) in piles)


def towpath() -> Kit:
    """The March kit: reeds, water, brick."""
    k = "towpath"
    return Kit(
        name="Towpath in March",
        note="The paper club’s March box. Twelve papers, two sheets of most.",
        papers=_gone_through(
            _sheet(
                k,
                "Reed Bed",
                _side("leaf", "#eef1e4", SAGE, "#6f8a5c"),
                _side("stripe", CREAM, "#a9bb94", scale=inches(0, 1, 4)),
                2,
            ),
            _sheet(
                k,
                "Still Water",
                _side("waves", MIST, SLATE, WHITE),
                _side("dot", WHITE, MIST, SLATE, scale=inches(0, 3, 8)),
                2,
            ),
            _sheet(
                k,
                "Lock Brick",
                _side("bricks", "#d8c7b4", RUST, "#a65a3a"),
                _side("gingham", WHITE, RUST, scale=inches(0, 3, 8)),
                2,
            ),
            _sheet(k, "Log Book", _side("ledger", CREAM, "#9fb3b8", MADDER), _side("script", CREAM, SLATE), 2),
            _sheet(k, "Feather", _side("feathers", "#f3efe6", SLATE, "#aebdc2"), _side("plain", SLATE), 2),
            _sheet(k, "Rain", _side("rain", "#dfe8ea", SLATE, "#8ba3ad"), _side("pinstripe", WHITE, SLATE), 2),
            _sheet(
                k,
                "Rose and Castle",
                _side("floral", "#23453f", MADDER, OCHRE, SAGE, CREAM),
                _side("diamonds", CREAM, VERDIGRIS, MADDER),
                2,
            ),
            _sheet(
                k,
                "Mooring Line",
                _side("rope", CREAM, OCHRE, "#a97b2c", scale=inches(0, 3, 4)),
                _side("plain", OCHRE),
                1,
            ),
            _sheet(
                k,
                "Reach by Reach",
                _side("map lines", "#f2ecdc", SLATE, "#9fc0c4", MADDER),
                _side("graph", WHITE, MIST, scale=inches(0, 1, 2)),
                1,
            ),
            _cut_apart(
                _sheet(
                    k, "Little Cards", _side("cards", CREAM, MIST, SAGE, "#e8c98a", INK), _side("plain", CREAM), 1
                )
            ),
            _card(k, "Ink", INK, 3),
            _card(k, "Cream", CREAM, 4),
        ),
        things=things.towpath(k),
        alphabets=(
            Alphabet(
                f"{k}-small-capitals",
                "Small capitals",
                inches(0, 1, 2),
                "AAABBCCCDDDEEEEEEEEFFGGHHHIIIJKKLLLMMNNNOOOPPQRRRSSSTTTUUVWWXYYZ 0011122233445566778899 &!?'",
                face="slab",
                measured=(MeasuredWord("HERON", inches(2, 5, 8)),),
                material="puffy",
                thickness=inches(0, 1, 16),
                colour=INK,
            ),
            Alphabet(
                f"{k}-painted-block",
                "Painted block",
                inches(1),
                "AABBCDDEEEFGHHIIKKLLMNNOOPRRSSSTTUVWXYZ 1122345678890",
                face="heavy",
                material="chipboard",
                thickness=inches(0, 1, 16),
                fixing="glue",
                colour=MADDER,
            ),
        ),
    )


def wharf() -> Kit:
    """The April kit: awnings, bunting, painted tin."""
    k = "wharf"
    return Kit(
        name="Wharf Market",
        note="The paper club’s April box.",
        papers=(
            _sheet(
                k,
                "Awning",
                _side("awning", CREAM, MADDER, "#d98a78"),
                _side("stripe", CREAM, MADDER, scale=inches(0, 1, 4)),
                2,
            ),
            _sheet(
                k,
                "Bunting",
                _side("bunting", "#eaf0ee", MADDER, OCHRE, VERDIGRIS, INK),
                _side("dot", CREAM, OCHRE, MADDER, scale=inches(0, 1, 2)),
                1,
            ),
            _sheet(
                k,
                "Warehouses",
                _side("houses", "#f1e9d8", RUST, OCHRE, SLATE, INK),
                _side("check", CREAM, "#e3d3b4", scale=inches(1)),
                1,
            ),
            _sheet(k, "Crate", _side("wood grain", "#d6b98c", "#b08a55", "#8a683c"), _side("plain", "#b08a55"), 2),
            _sheet(
                k,
                "Oilcloth",
                _side("plaid", CREAM, VERDIGRIS, OCHRE, MADDER),
                _side("gingham", WHITE, VERDIGRIS),
                2,
            ),
            _sheet(k, "Fish Scale", _side("scales", "#eef2f0", VERDIGRIS, SAGE), _side("plain", VERDIGRIS), 2),
            _sheet(
                k,
                "Zigzag Tin",
                _side("chevron", OCHRE, CREAM),
                _side("graph", WHITE, OCHRE, scale=inches(0, 3, 4)),
                1,
            ),
            _sheet(
                k,
                "Confetti",
                _side("spatter", WHITE, MADDER, OCHRE, VERDIGRIS, SLATE),
                _side("plain", "#e8c98a"),
                1,
            ),
            _sheet(
                k,
                "Stall Roses",
                _side("floral", CREAM, MADDER, "#e0a03c", SAGE, INK),
                _side("pinstripe", CREAM, MADDER),
                2,
            ),
            _sheet(k, "Painted Tin", _side("diamonds", MADDER, OCHRE, "#7d2c20"), _side("plain", MADDER), 1),
            _card(k, "Verdigris", VERDIGRIS, 2),
            _card(k, "White", "#ffffff", 4),
        ),
        things=things.wharf(k),
    )


def stash() -> Kit:
    """What was in the locker under the bunk."""
    k = "stash"
    pad = Paper(
        id="stash-small-pad",
        name="Small pad",
        width=inches(6),
        height=inches(8),
        count=9,
        form=Form.PAD,
        a=_side("check", WHITE, "#dfe3e0", scale=inches(0, 1, 4)),
        b=_side("plain", WHITE),
    )
    clear = _side("plain", "#eef1f0")
    vellum = replace(_sheet(k, "Vellum", clear, clear, 3, strip=False), stock=Stock.VELLUM)
    return Kit(
        name="Locker under the bunk",
        kind="stash",
        papers=(
            _card(k, "Kraft", "#c09a6b", 5),
            _card(k, "Slate", SLATE, 3),
            _sheet(
                k,
                "Old Chart",
                _side("map lines", "#efe6cf", "#8a7a5c", "#c9b78c", RUST),
                _side("plain", "#efe6cf"),
                1,
                strip=False,
            ),
            pad,
            vellum,
        ),
        things=things.stash(k),
    )


def scraps() -> Kit:
    """What earlier cutting left, back with its paper."""

    def scrap(of: Paper, number: int, width: Length, height: Length) -> Paper:
        left = replace(of, id=f"scrap-{number}", name=f"{of.name}, rest", width=width, height=height, count=1)
        return replace(left, form=Form.SCRAP, strip=None, scrap_of=of.id)

    by_name = {paper.name: paper for kit in (towpath(), wharf(), stash()) for paper in kit.papers}
    return Kit(
        name="Scrap tin",
        kind="scraps",
        papers=(
            scrap(by_name["Feather"], 1, parse("5 1/4 in"), parse("7 1/2 in")),
            scrap(by_name["Awning"], 2, parse("12 in"), parse("2 3/8 in")),
            scrap(by_name["Kraft"], 3, parse("6 1/2 in"), parse("8 1/2 in")),
            scrap(by_name["Fish Scale"], 4, parse("4 in"), parse("4 in")),
        ),
    )
