"""Pages of every sort: strategies for hypothesis. Lengths are on sixteenths, as a person in inches enters them."""

from __future__ import annotations

from dataclasses import replace
from functools import cache

from hypothesis import strategies as st

from tests.core.examples import paper, scrap
from ulna.core.geometry.figures import FIGURES, Hole
from ulna.core.geometry.lattice import SHAPES as SHAPES_OF_TILES
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.geometry.shapes import SHAPES
from ulna.core.measure import ZERO, Length, inches
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import KINDS, of_kind
from ulna.core.paper.shelf import Card as SheetCard
from ulna.core.paper.shelf import Edge, Strip
from ulna.core.parts.built_up import Under
from ulna.core.parts.joined import Joined
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.band import Band
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.card import Card
from ulna.core.parts.kinds.cluster import Cluster, Member
from ulna.core.parts.kinds.cutout import Cutout
from ulna.core.parts.kinds.grid import Cell, Grid
from ulna.core.parts.kinds.joint import Joint
from ulna.core.parts.kinds.mitred import Mitred
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.papered import Papered
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.pieced import Pieced
from ulna.core.parts.kinds.pocket import Pocket
from ulna.core.parts.kinds.rounds import Rounds
from ulna.core.parts.kinds.stitching import Stitching
from ulna.core.parts.kinds.tape import Tape
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.kinds.tiles import Taken, Tiles
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.torn import EDGES, Torn
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.kinds.wordstrips import Parting, WordStrips
from ulna.core.parts.lettering import Style
from ulna.core.parts.mats import Mat
from ulna.core.parts.opening import Opening
from ulna.core.parts.openings import Openings
from ulna.core.parts.pieces import PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.crop import Frame
from ulna.core.photos.prints import Print
from ulna.core.things.thing import Thing, ThingKind

PAPERS = (
    paper("cream", 4),
    paper("awning", 3, strip="1/2", pattern="stripe"),
    replace(paper("wharf", 3, pattern="houses"), strip=Strip(Edge.LEFT, inches(0, 1, 4))),
    scrap("rest", "cream", "7", "5"),
    replace(scrap("holed", "cream", "6", "8"), holes=(Hole(inches(1), inches(2), inches(2), inches(2), "circle"),)),
    replace(scrap("arched", "cream", "7", "5"), inside=Hole(ZERO, ZERO, inches(7), inches(5), "arch", quarters=1)),
    replace(
        paper("cards", 2),
        cards=(
            SheetCard("sun", Rect(ZERO, ZERO, inches(4), inches(3))),
            SheetCard("rain", Rect(inches(5), inches(2), inches(3), inches(4)), "B"),
        ),
        holes=(Hole.of(Rect(inches(9), inches(9), inches(2), inches(2))),),
    ),
)
CHOSEN = ("cream", "awning", "wharf")


def sixteenths(least: int, most: int) -> st.SearchStrategy[Length]:
    return st.integers(least, most).map(lambda n: inches(0, n, 16))


choices = st.builds(PaperChoice, st.sampled_from(CHOSEN), st.sampled_from(["A", "B"]), st.booleans())
borders = st.builds(Borders, *[sixteenths(0, 16)] * 4)
mats = st.lists(
    st.builds(
        Mat,
        borders,
        choices,
        st.booleans(),
        sixteenths(4, 12),
        st.sampled_from([0.0, 0.0, 6.0]),
        pieced=st.booleans(),
        any_scraps=st.booleans(),
    ),
    max_size=3,
).map(tuple)
prints = st.builds(
    Print,
    st.sampled_from([None, "heron"]),
    sixteenths(16, 120),
    sixteenths(16, 120),
    sixteenths(0, 8),
    st.one_of(st.none(), sixteenths(0, 12)),
    st.sampled_from(SHAPES),
    st.sampled_from(["as the photo", "black and white", "in colour"]),
    st.booleans(),
    sixteenths(0, 4),
    st.one_of(st.none(), st.builds(Frame, st.floats(0, 1), st.floats(0, 1), st.floats(1, 5))),
    st.sampled_from([None, None, inches(0, 1, 2)]),
)
others = st.sampled_from([None, None, None, "p0"])
"""The part that a place counts from, which is the first one where it is not the page."""
places = st.builds(
    Place,
    st.sampled_from(["left", "right", "spread"]),
    st.builds(Across, st.sampled_from(["left", "centre", "right"]), sixteenths(0, 64), others),
    st.builds(Down, st.sampled_from(["top", "centre", "bottom"]), sixteenths(0, 64), others),
)


joins = st.builds(
    Joined,
    st.sampled_from(["side by side", "one above the other"]),
    st.none() | sixteenths(8, 96),
    st.sampled_from([ZERO, inches(0, 1, 4)]),
)
angles = st.sampled_from([0.0, 0.0, -7.5, 30.0])
several = st.lists(choices, min_size=1, max_size=4).map(tuple)
small = sixteenths(4, 40)
sizes = sixteenths(16, 160)
openings = st.builds(
    Opening,
    st.sampled_from(FIGURES),
    st.one_of(st.none(), sixteenths(4, 40)),
    sixteenths(8, 80),
    sixteenths(8, 80),
    sixteenths(-48, 48),
    sixteenths(-48, 48),
    print=st.one_of(st.none(), prints),
    ring=st.sampled_from([ZERO, ZERO, inches(0, 1, 4)]),
    ring_choice=choices,
)


places_in_rows = (st.integers(0, 3), st.integers(0, 3))
cells = st.builds(
    Cell,
    *places_in_rows,
    st.integers(1, 2),
    st.integers(1, 2),
    st.sampled_from(["paper", "photo", "card", "empty"]),
    st.none() | prints,
    st.none() | choices,
    st.sampled_from(FIGURES),
)
taken = st.builds(
    Taken,
    *places_in_rows,
    st.sampled_from(["photo", "paper", "card", "empty"]),
    st.none() | prints,
    choices,
    st.just("cards"),
    st.sampled_from(["sun", "rain"]),
    st.booleans(),
)


def _constructions(id: str) -> st.SearchStrategy[Part]:
    """Everything that is made of several pieces, or of a piece that is no rectangle."""
    named = st.just(id)
    return st.one_of(
        st.builds(
            Panel,
            named,
            named,
            st.none(),
            sizes,
            sizes,
            choices,
            place=places,
            mats=mats,
            openings=st.lists(openings, max_size=3).map(tuple),
            corner=st.sampled_from([ZERO, ZERO, inches(0, 1, 2)]),
            angle=angles,
        ),
        st.builds(
            Papered,
            named,
            several,
            st.sampled_from(["row", "column"]),
            small,
            strip=sixteenths(0, 8),
            strip_choice=choices,
            place=places,
        ),
        st.builds(Mitred, named, small, sixteenths(0, 4), sixteenths(0, 8), choice=choices, place=places),
        st.builds(
            Torn,
            named,
            small,
            sizes,
            layers=st.integers(1, 4),
            papers=several,
            edge=st.sampled_from(list(EDGES)),
            rise=st.sampled_from([ZERO, inches(0, 1, 2)]),
            place=places,
        ),
        st.builds(
            Band,
            named,
            st.integers(1, 9),
            small,
            sizes,
            sixteenths(-3, 8),
            st.sampled_from(["flush", "staggered", "stepped", "ragged"]),
            sixteenths(0, 8),
            st.booleans(),
            several,
            st.booleans(),
            over=st.sampled_from([None, False, True]),
            place=places,
        ),
        st.builds(
            Pieced,
            named,
            st.sampled_from(["strips", "log cabin", "pinwheel", "herringbone", "sunburst", "triangle"]),
            sixteenths(24, 80),
            sixteenths(24, 80),
            sixteenths(6, 20),
            several,
            st.booleans(),
            st.none() | st.integers(1, 9),
            st.booleans(),
            st.sampled_from([0, 30, 45, 60]),
            st.sampled_from(["rising", "falling"]),
            st.integers(3, 12),
            backed=st.booleans(),
            backing=choices,
            place=places,
        ),
        st.builds(
            Grid,
            named,
            st.integers(1, 4),
            st.integers(1, 4),
            small,
            small,
            sixteenths(0, 8),
            sixteenths(0, 8),
            st.sampled_from(["nothing", "cells", "gap", "margins", "equal gaps", "how many"]),
            rest=st.sampled_from(["paper", "photo", "empty"]),
            cells=st.lists(cells, max_size=3).map(tuple),
            papers=several,
            place=places,
        ),
        st.builds(
            Tiles,
            named,
            st.sampled_from(SHAPES_OF_TILES),
            sixteenths(12, 40),
            sixteenths(0, 4),
            sizes,
            sizes,
            st.sampled_from(["region", "ring", "scattered"]),
            trimmed=st.booleans(),
            taken=st.lists(taken, max_size=3).map(tuple),
            papers=several,
            place=places,
        ),
        st.builds(
            Cutout,
            named,
            st.sampled_from(FIGURES),
            small,
            small,
            sixteenths(0, 8),
            hole=st.sampled_from([None, None, inches(0, 1, 2)]),
            reinforced=st.booleans(),
            ring=choices,
            choice=choices,
            mats=mats,
            half=st.sampled_from(["", "", "left", "right", "top", "bottom"]),
            angle=angles,
            place=places,
        ),
        st.builds(
            Pocket,
            named,
            sizes,
            sizes,
            sixteenths(1, 4),
            small,
            choices,
            st.one_of(st.none(), choices),
            places,
            st.integers(1, 3),
            st.one_of(st.none(), small),
        ),
        st.builds(
            Rounds,
            named,
            st.sampled_from(FIGURES),
            sixteenths(4, 16),
            st.sampled_from(["row", "column", "ring", "round the edge"]),
            sixteenths(32, 96),
            sixteenths(32, 96),
            sixteenths(8, 24),
            st.booleans(),
            several,
            place=places,
        ),
        st.builds(
            Card,
            named,
            st.just("cards"),
            st.sampled_from(["sun", "rain"]),
            st.booleans(),
            figure=st.sampled_from(["rectangle", "tag", "rounded", "circle"]),
            angle=angles,
            openings=st.lists(openings, max_size=2).map(tuple),
            place=places,
        ),
        st.builds(Tape, named, place=places),
        st.builds(Stitching, named, place=places),
    )


def _holed(id: str) -> st.SearchStrategy[Part]:
    """A scrap with a round hole, used as it is."""
    choice = st.builds(PaperChoice, st.sampled_from(["holed", "arched"]), st.sampled_from(["A", "B"]))
    return st.builds(
        Panel, st.just(id), st.just(id), choice=choice, place=places, as_it_is=st.just(True), angle=angles
    )


def _lettered(id: str) -> st.SearchStrategy[Part]:
    """Titles with what lies under them or cut out of a sheet, blocks of words in a shape, strips of words."""
    named, papers = st.just(id), st.lists(choices, min_size=1, max_size=2).map(tuple)
    styles = st.builds(
        Style, st.none(), st.sampled_from(["plain", "heavy", "script"]), sixteenths(8, 40), papers,
        takes=st.sampled_from([None, None, inches(3)]),
    )  # fmt: skip
    under = st.builds(
        Under, st.sampled_from(["outline", "shadow", "strip", "backing", "lines"]), sixteenths(1, 4), papers
    )
    opened = st.builds(Openings, choices, sixteenths(0, 8), st.booleans())
    few = st.text("HOg8ié R\n", min_size=1, max_size=5)
    titles = st.builds(
        Title, named, few, styles.map(lambda style: (style,)),
        letters=sixteenths(0, 3), nested=st.booleans(), form=st.sampled_from(["straight", "slope", "arc"]),
        rise=sixteenths(0, 8), upright=st.sampled_from(["", "", "up"]), layers=st.integers(1, 2),
        under=st.lists(under, max_size=2).map(tuple), openings=st.none() | opened, place=places,
    )  # fmt: skip
    words = st.builds(
        Words, named, st.sampled_from(["", "The heron waits.", "It rained all night long and on. " * 6]),
        width=sixteenths(16, 96), height=st.none() | sixteenths(16, 64), paper=choices, margin=sixteenths(0, 4),
        shape=st.sampled_from(["rectangle", "circle", "tag"]), elsewhere=st.sampled_from(["", "tag"]), tag=choices,
        place=places,
    )  # fmt: skip
    strips = st.builds(
        WordStrips, named, st.sampled_from(["out in the rain", "a\nline a strip"]), papers=papers,
        parted=st.sampled_from([(), (Parting(1, 1, inches(0, 1, 2)),)]), place=places,
    )  # fmt: skip
    return st.one_of(titles, titles, words, strips)


def _stuck(id: str) -> st.SearchStrategy[Part]:
    """Things on a backing of their outline, clusters with scraps."""
    named, turns = st.just(id), st.sampled_from([0.0, 0.0, 8.0])
    things = st.builds(
        ThingPart, named, st.sampled_from([None, *(one.id for one in THINGS)]), st.integers(1, 3), sixteenths(1, 8),
        angle=turns, half=st.sampled_from(["", "left", "top"]), backing=st.none() | choices, place=places,
    )  # fmt: skip
    members = st.builds(
        Member, st.none(), choices, sixteenths(8, 40), sixteenths(4, 24), st.sampled_from(["", "rain"]),
        sixteenths(-16, 16), sixteenths(-16, 16), turns,
    )  # fmt: skip
    members |= st.builds(
        Member, st.sampled_from([one.id for one in THINGS]), across=sixteenths(-16, 16), angle=turns
    )
    clusters = st.builds(Cluster, named, st.lists(members, min_size=1, max_size=4).map(tuple), place=places)
    return st.one_of(things, clusters)


THINGS = (
    Thing("heart", "Heart", ThingKind.PUFFY, 9, figure="heart"),
    Thing("label", "Label", ThingKind.LABEL, 2, width=inches(2), height=inches(1), clear=True),
)


@cache
def _part(id: str) -> st.SearchStrategy[Part]:
    """Made once for each place in a recipe: hypothesis takes longer to make a strategy than to draw from it."""
    named, rims = st.just(id), sixteenths(4, 16)
    sizes = (sixteenths(8, 192), sixteenths(8, 192))
    return st.one_of(
        st.builds(Base, named, st.sampled_from(["left", "right"]), choices),
        st.builds(
            Panel, named, named, st.none(), *sizes, choices, st.booleans(), rims, places, joined=st.none() | joins
        ),
        st.builds(Panel, named, named, sixteenths(0, 30), choice=choices, gutted=st.booleans(), place=places),
        st.builds(PhotoPart, named, prints, mats, places),
        _constructions(id),
        _holed(id),
        _lettered(id),
        _stuck(id),
        st.builds(
            Joint,
            named,
            st.lists(prints, min_size=2, max_size=4).map(tuple),
            st.sampled_from(["row", "column"]),
            sixteenths(0, 8),
            mats,
            places,
        ),
    )


kinds = st.sampled_from(sorted(KINDS))
bindings = st.sampled_from([ZERO, ZERO, inches(0, 1, 2)])
allowances = st.sampled_from([ZERO, ZERO, inches(0, 1, 8)])
how_many = {most: st.integers(1, most) for most in (1, 2, 5)}


@st.composite
def pages(draw: st.DrawFn, most: int = 2) -> PagePlan:
    """One or two pages of any format with up to five parts, some of which do not fit."""
    format = of_kind(draw(kinds), draw(how_many[most]))
    format = replace(format, binding=draw(bindings), allowance=draw(allowances))
    parts = tuple(draw(_part(f"p{k}")) for k in range(draw(how_many[5])))
    return PagePlan("any", format, parts=parts)
