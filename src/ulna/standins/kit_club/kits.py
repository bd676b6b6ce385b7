"""What the made-up club of the waterways sells: this month's kit, an older one, an add-on and a single page kit."""

from __future__ import annotations

from dataclasses import replace

from ulna.core.measure import inches, mm, parse
from ulna.core.paper.patterns import PATTERNS
from ulna.core.paper.shelf import Edge, Kit, Paper, Side, Stock, Strip
from ulna.core.sketches.sketch import Sketch, SketchPlace
from ulna.core.things.thing import Thing, ThingKind
from ulna.core.words.alphabets import Alphabet
from ulna.formats.kit_feed import Challenge, Entry, Feed, Offer

LETTERS = "AAAABBCCDDEEEEEFGGHHIIIIJKKLLLMMNNNOOOOPPQRRRSSSSTTTTUUVWWXYZ1234567890"
CLUB = "The Waterways Kit Club"
FROST, PINE, LAMP, COAL, BRICK, FOG = "#dfe8ea", "#3f5d50", "#e3b04b", "#30343a", "#a4533d", "#aebcc2"


def _side(pattern: str, *colours: str) -> Side:
    usual = PATTERNS[pattern]
    return Side(pattern, colours, usual.busy, usual.direction)


def _paper(name: str, a: Side, b: Side, count: int = 1, strip: bool = True, picture: str = "") -> Paper:
    band = Strip(Edge.BOTTOM, inches(0, 1, 2)) if strip else None
    front = replace(a, picture=picture) if picture else a
    return Paper(_id(name), name, inches(12), inches(12), count, a=front, b=b, strip=band)


def _card(name: str, colour: str, count: int) -> Paper:
    plain = _side("plain", colour)
    return replace(_paper(name, plain, plain, count, strip=False), stock=Stock.CARD)


def _id(name: str) -> str:
    return name.lower().replace(" ", "-").replace("’", "")


MOORINGS = Kit(
    "Winter moorings",
    note="Frost on the ropes, a lamp in the window.",
    papers=(
        _paper(
            "Frosted Reeds", _side("leaf", FROST, FOG), _side("pinstripe", "#ffffff", FOG), picture="frosted-reeds"
        ),
        _paper("Lamplight", _side("dot", COAL, LAMP), _side("plain", LAMP)),
        _paper("Ice on the Cut", _side("waves", FROST, "#7f9aa3"), _side("graph", "#ffffff", FOG)),
        _paper("Stove Bricks", _side("bricks", "#d9b9a4", BRICK), _side("ledger", "#fbf4e6", BRICK)),
        _paper("Pine Plank", _side("wood grain", "#7d9384", PINE), _side("stripe", "#eef3ef", PINE)),
        _paper("Geese North", _side("houses", "#f4f1e8", COAL), _side("check", "#f4f1e8", FOG)),
        _paper("Log Book", _side("script", "#fbf4e6", COAL), _side("plain", "#fbf4e6")),
        _paper("Rope Coil", _side("rope", "#e9e2d2", "#8a7a5c"), _side("diamonds", FROST, PINE)),
        _card("Frost Card", FROST, 3),
        _card("Coal Card", COAL, 3),
        _card("Lamp Card", LAMP, 2),
        _card("Pine Card", PINE, 2),
    ),
    things=(
        Thing(
            "geese",
            "Geese",
            ThingKind.DIE_CUT,
            7,
            width=parse("1 1/2"),
            height=parse("3/4"),
            colours=(COAL,),
            drawn="painted",
            points="left",
            fixing="glue",
        ),
        Thing(
            "lamps",
            "Lamps",
            ThingKind.PUFFY,
            5,
            width=parse("1/2"),
            height=parse("7/8"),
            colours=(LAMP,),
            thickness=parse("1/16"),
            drawn="painted",
        ),
        Thing(
            "ice-dots",
            "Ice dots",
            ThingKind.ENAMEL,
            30,
            width=parse("1/4"),
            height=parse("1/4"),
            colours=(FROST,),
            thickness=parse("1/16"),
        ),
        Thing(
            "frost-tape",
            "Frost tape",
            ThingKind.TAPE,
            1,
            mm(9_000),
            width=inches(6),
            height=parse("1/2"),
            colours=(FOG,),
        ),
        Thing(
            "mooring-label",
            "Mooring label",
            ThingKind.LABEL,
            3,
            width=inches(2),
            height=parse("5/8"),
            colours=("#fbf4e6",),
            says="tied up for the night",
            drawn="painted",
        ),
    ),
    alphabets=(Alphabet("coal-type", "Coal type", parse("5/8"), LETTERS, colour=COAL),),
)

SKETCH = Sketch(
    "Lamp in the window",
    1,
    1.0,
    (
        SketchPlace("panel", 0.05, 0.3, 0.9, 0.45),
        SketchPlace("photo", 0.1, 0.33, 0.38, 0.38, "upright"),
        SketchPlace("photo", 0.52, 0.36, 0.36, 0.3, "sideways"),
        SketchPlace("title", 0.1, 0.12, 0.6, 0.14),
        SketchPlace("words", 0.52, 0.7, 0.36, 0.18),
    ),
)

LOCKS = Kit(
    "Lock gates",
    note="An add-on: timber, iron and white paint.",
    papers=(
        _paper("Gate Timber", _side("wood grain", "#8d8579", COAL), _side("plain", "#8d8579")),
        _paper("White Tips", _side("chevron", COAL, "#ffffff"), _side("stripe", "#ffffff", COAL)),
        _card("Iron Card", "#4a4f55", 2),
    ),
    things=(
        Thing(
            "paddle-bolts",
            "Paddle bolts",
            ThingKind.BRAD,
            9,
            width=parse("3/8"),
            height=parse("3/8"),
            colours=("#8f8a80",),
            thickness=parse("1/16"),
            fixing="pierced",
        ),
    ),
)

ONE_PAGE = Kit(
    "One page: first frost",
    note="A single page, cut list and all.",
    papers=(
        _paper("Hoar", _side("feathers", FROST, FOG), _side("plain", FROST)),
        _card("Slate Card", "#5f7480", 2),
        _paper("Small Flakes", _side("spatter", "#5f7480", "#ffffff"), _side("pinstripe", FROST, FOG)),
    ),
)

SUMMER = Kit(
    "Long evenings",
    note="June’s kit.",
    papers=(
        _paper("Elder Blossom", _side("floral", "#f1f3e4", PINE), _side("gingham", "#ffffff", "#b9c98f")),
        _paper("Deck Boards", _side("stripe", "#d9c3a0", "#a98a5e"), _side("plain", "#d9c3a0")),
        _card("Butter Card", "#f1dc9a", 3),
    ),
)

OFFERS = {
    "2026-11": Offer("2026-11", MOORINGS, 1, (SKETCH,), {"frosted-reeds": "pictures/frosted-reeds.png"}),
    "2026-11-locks": Offer("2026-11-locks", LOCKS),
    "2026-11-page": Offer("2026-11-page", ONE_PAGE),
    "2026-06": Offer("2026-06", SUMMER),
}
KINDS = {"2026-11-locks": "add-on", "2026-11-page": "page kit"}
CHALLENGE = Challenge("One lamp", "Make a page on which one small thing is the only bright one.", "2026-12-31")


def corrected(offer: Offer) -> Offer:
    """A later edition, as a club sends one when its packers have found out: another count, a thing more."""
    kit, edition = offer.kit, offer.edition + 1
    first = replace(kit.papers[0], count=kit.papers[0].count + 1)
    extra = Thing(f"extra-{edition}", f"Paper star {edition}", ThingKind.DIE_CUT, 4, colours=(LAMP,))
    return replace(
        offer, edition=edition, kit=replace(kit, papers=(first, *kit.papers[1:]), things=(*kit.things, extra))
    )


def feed(offers: dict[str, Offer]) -> Feed:
    entries = tuple(
        Entry(code, one.kit.name, code[:7], KINDS.get(code, "kit"), one.edition, one.kit.note)  # type: ignore[arg-type]
        for code, one in offers.items()
    )
    return Feed(CLUB, entries, CHALLENGE)
