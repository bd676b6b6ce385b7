"""Pages of every sort: strategies for hypothesis. Lengths are on sixteenths, as a person in inches enters them."""

from __future__ import annotations

from dataclasses import replace

from hypothesis import strategies as st

from tests.core.examples import paper, scrap
from ulna.core.crop import Frame
from ulna.core.geometry import Borders
from ulna.core.measure import Length, inches
from ulna.core.page import PagePlan
from ulna.core.page_formats import KINDS, of_kind
from ulna.core.parts import Part
from ulna.core.parts.base import Base
from ulna.core.parts.joint import Joint
from ulna.core.parts.mats import Mat
from ulna.core.parts.panel import Panel
from ulna.core.parts.photo import PhotoPart
from ulna.core.parts.place import Across, Down, Place
from ulna.core.pieces import PaperChoice
from ulna.core.prints import Print
from ulna.core.shapes import SHAPES
from ulna.core.shelf import Edge, Strip

PAPERS = (
    paper("cream", 4),
    paper("awning", 3, strip="1/2", pattern="stripe"),
    replace(paper("wharf", 3, pattern="houses"), strip=Strip(Edge.LEFT, inches(0, 1, 4))),
    scrap("rest", "cream", "7", "5"),
)
CHOSEN = ("cream", "awning", "wharf")


def sixteenths(least: int, most: int) -> st.SearchStrategy[Length]:
    return st.integers(least, most).map(lambda n: inches(0, n, 16))


choices = st.builds(PaperChoice, st.sampled_from(CHOSEN), st.sampled_from(["A", "B"]), st.booleans())
borders = st.builds(Borders, *[sixteenths(0, 16)] * 4)
mats = st.lists(st.builds(Mat, borders, choices, st.booleans(), sixteenths(4, 12)), max_size=3).map(tuple)
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
)
places = st.builds(
    Place,
    st.sampled_from(["left", "right", "spread"]),
    st.builds(Across, st.sampled_from(["left", "centre", "right"]), sixteenths(0, 64)),
    st.builds(Down, st.sampled_from(["top", "centre", "bottom"]), sixteenths(0, 64)),
)


def _part(id: str) -> st.SearchStrategy[Part]:
    named, rims = st.just(id), sixteenths(4, 16)
    sizes = (sixteenths(8, 192), sixteenths(8, 192))
    return st.one_of(
        st.builds(Base, named, st.sampled_from(["left", "right"]), choices),
        st.builds(Panel, named, named, st.none(), *sizes, choices, st.booleans(), rims, places),
        st.builds(Panel, named, named, sixteenths(0, 30), choice=choices, gutted=st.booleans(), place=places),
        st.builds(PhotoPart, named, prints, mats, places),
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


@st.composite
def pages(draw: st.DrawFn, most: int = 2) -> PagePlan:
    """One or two pages of any format with up to five parts, some of which do not fit."""
    format = of_kind(draw(st.sampled_from(sorted(KINDS))), draw(st.integers(1, most)))
    parts = tuple(draw(_part(f"p{k}")) for k in range(draw(st.integers(1, 5))))
    return PagePlan("any", format, parts=parts)
