"""The demo's pages: a double 12 × 12 half cut, a letter page planned, a notebook spread finished."""

from __future__ import annotations

from ulna.core.geometry import Borders
from ulna.core.measure import ZERO, Length, parse
from ulna.core.page import PagePlan
from ulna.core.page_formats import PageName, of_kind
from ulna.core.parts.base import Base
from ulna.core.parts.joint import Joint
from ulna.core.parts.mats import Mat
from ulna.core.parts.panel import Panel
from ulna.core.parts.photo import PhotoPart
from ulna.core.parts.place import Across, Down, Place
from ulna.core.pieces import PaperChoice
from ulna.core.prints import Print
from ulna.core.shapes import Shape
from ulna.core.shelf import Face


def _paper(id: str, side: Face = "A", turned: bool = False) -> PaperChoice:
    return PaperChoice(id, side, turned)


def _mat(border: str, paper: str, side: Face = "A", gutted: bool = False) -> Mat:
    return Mat(Borders.even(parse(border)), _paper(paper, side), gutted)


def _at(on: PageName, left: str, top: str) -> Place:
    return Place(on, Across("left", parse(left)), Down("top", parse(top)))


def _print(
    photo: str, width: str, height: str, rim: Length = ZERO, below: Length | None = None, shape: Shape = "rectangle"
) -> Print:
    return Print(photo, parse(width), parse(height), rim, below, shape)


def locks(photos: dict[str, str]) -> PagePlan:
    """A double page over two weeks of locks; one photo lies over the gutter. Photos by name."""
    return PagePlan(
        "Twenty-one locks before tea",
        of_kind("12x12", 2),
        "We set off in mist with the heron for a pilot, and Pip would not give up the tiller until Bridge 62. "
        "Twenty-one locks, one windlass dropped in, one fished out again.",
        (
            Base("base-left", "left", _paper("towpath-cream")),
            Base("base-right", "right", _paper("towpath-cream")),
            Panel("panel-left", "panel", parse("3/8"), choice=_paper("towpath-still-water"), place=Place("left")),
            Panel("panel-right", "panel", parse("3/8"), choice=_paper("towpath-still-water"), place=Place("right")),
            Panel(
                "shelf",
                "shelf",
                width=parse("11 1/4"),
                height=parse("2 1/2"),
                choice=_paper("towpath-lock-brick"),
                place=Place("right", Across("centre", ZERO), Down("bottom", parse("1 1/8"))),
            ),
            PhotoPart(
                "heron",
                _print(photos["Heron at first light"], "5", "7"),
                (_mat("1/8", "towpath-ink", gutted=True), _mat("3/8", "towpath-log-book", gutted=True)),
                _at("left", "1 1/4", "1 1/2"),
            ),
            PhotoPart(
                "bridge",
                _print(photos["Bridge 62"], "6", "4"),
                (_mat("1/8", "towpath-ink"), _mat("1/4", "towpath-lock-brick", "B")),
                Place("spread", Across("centre", ZERO), Down("top", parse("6 1/2"))),
            ),
            Joint(
                "pip-and-lock",
                (
                    _print(photos["Pip at the tiller"], "3", "4"),
                    _print(photos["Down through the lock"], "4 1/2", "4"),
                ),
                mats=(_mat("1/8", "towpath-ink"),),
                place=_at("right", "3 1/2", "1 1/4"),
            ),
        ),
    )


def engine(photos: dict[str, str]) -> PagePlan:
    """A letter page about the week the engine lay on the cabin floor."""
    return PagePlan(
        "The engine is in the kitchen",
        of_kind("letter-upright"),
        "Three pistons, two gears, eighteen bolts and no idea where the nineteenth is. Rivet sat on the gasket. "
        "It rained, so nobody minded staying in.",
        (
            Base("base", "left", _paper("stash-kraft")),
            Panel("panel", "panel", parse("1/4"), choice=_paper("wharf-oilcloth", "B"), place=Place("left")),
            Panel(
                "strip",
                "strip",
                width=parse("8"),
                height=parse("1 1/2"),
                choice=_paper("wharf-zigzag-tin"),
                place=Place("left", Across("centre", ZERO), Down("bottom", parse("1"))),
            ),
            PhotoPart(
                "engine",
                _print(photos["Engine in pieces"], "6", "4"),
                (_mat("1/8", "wharf-white"), _mat("1/4", "wharf-painted-tin", gutted=True)),
                Place("left", Across("centre", ZERO), Down("top", parse("3/4"))),
            ),
            PhotoPart(
                "rivet",
                _print(photos["Rivet on the roof"], "3", "3 1/2", parse("1/8"), parse("5/8")),
                (_mat("1/8", "wharf-verdigris"),),
                _at("left", "3/4", "6"),
            ),
            PhotoPart(
                "rain",
                _print(photos["Rain on the roof"], "3", "4"),
                (_mat("1/8", "wharf-verdigris"),),
                _at("left", "4 1/2", "5 3/4"),
            ),
        ),
    )


def market(photos: dict[str, str]) -> PagePlan:
    """A notebook spread of market day."""
    return PagePlan(
        "Wharf market",
        of_kind("notebook", 2),
        "Oranges, a loaf, two yards of twine. Moored for the night by four.",
        (
            Base("base-left", "left", _paper("wharf-crate", "A")),
            Base("base-right", "right", _paper("wharf-white")),
            Panel("panel-left", "panel", parse("1/4"), choice=_paper("wharf-white"), place=Place("left")),
            Panel(
                "awning",
                "awning",
                width=parse("4 1/4"),
                height=parse("1 1/2"),
                choice=_paper("wharf-awning"),
                place=Place("right", Across("centre", ZERO), Down("top", ZERO)),
            ),
            PhotoPart(
                "market",
                _print(photos["Wharf market"], "3", "2"),
                (_mat("1/8", "wharf-awning", "B"),),
                Place("left", Across("centre", ZERO), Down("top", parse("3/4"))),
            ),
            PhotoPart(
                "kettle",
                _print(photos["Kettle on"], "3", "3", parse("1/8"), shape="circle"),
                (_mat("1/8", "wharf-verdigris"),),
                Place("left", Across("centre", ZERO), Down("bottom", parse("3/4"))),
            ),
            PhotoPart(
                "moored",
                _print(photos["Moored for the night"], "3 1/2", "5"),
                (_mat("1/16", "wharf-painted-tin", "B"),),
                Place("right", Across("centre", ZERO), Down("bottom", parse("3/4"))),
            ),
        ),
    )
