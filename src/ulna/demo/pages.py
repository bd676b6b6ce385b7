"""The demo's pages: a double 12 × 12 half cut, a single one and a letter page planned, another half built, a notebook
spread and a page of one finished."""

from __future__ import annotations

from dataclasses import replace

from ulna.core.geometry.rects import Borders
from ulna.core.geometry.shapes import Shape
from ulna.core.measure import ZERO, Length, parse
from ulna.core.page.plan import Group, PagePlan, Tuck
from ulna.core.page_formats import PageName, of_kind
from ulna.core.paper.shelf import Face
from ulna.core.parts.built_up import Under
from ulna.core.parts.edge_work import EdgeWork
from ulna.core.parts.kinds.band import Band
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.card import Card
from ulna.core.parts.kinds.cluster import Cluster, Member
from ulna.core.parts.kinds.cutout import Cutout
from ulna.core.parts.kinds.date import Date
from ulna.core.parts.kinds.grid import Cell, Grid
from ulna.core.parts.kinds.joint import Joint
from ulna.core.parts.kinds.mitred import Mitred
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.pieced import Pieced
from ulna.core.parts.kinds.pocket import Pocket
from ulna.core.parts.kinds.rounds import Rounds
from ulna.core.parts.kinds.scatter import Scatter
from ulna.core.parts.kinds.stamped import Stamped
from ulna.core.parts.kinds.stitching import Stitching
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.kinds.tiles import Tiles
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.torn import Torn
from ulna.core.parts.kinds.wet import Wet
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.kinds.wordstrips import Parting, WordStrips
from ulna.core.parts.lettering import Style, Swap
from ulna.core.parts.mats import Mat
from ulna.core.parts.pieces import PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.prints import Print


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


def _papers(*papers: tuple[str, Face] | str) -> tuple[PaperChoice, ...]:
    return tuple(_paper(p) if isinstance(p, str) else _paper(*p) for p in papers)


def _on(base: str, across: Across | None = None, down: Down | None = None, on: PageName = "left") -> Place:
    """On another part, in its middle where nothing else is said."""
    x, y = across or Across(), down or Down()
    return Place(on, Across(x.edge, x.by, base), Down(y.edge, y.by, base))


def locks(photos: dict[str, str]) -> PagePlan:
    """A double page over two weeks of locks: a striped border, a band like the steps of a lock, a photo over the
    gutter. Photos by name."""
    border = Mitred(
        "border-left", parse("5/8"), trim=parse("1/4"), choice=_paper("towpath-reed-bed", "B"), place=Place("left")
    )
    water = Panel("panel-left", "panel", parse("7/8"), choice=_paper("towpath-still-water"), place=Place("left"))
    return PagePlan(
        "Twenty-one locks before tea",
        of_kind("12x12", 2),
        "We set off in mist with the heron for a pilot, and Pip would not give up the tiller until Bridge 62. "
        "Twenty-one locks, one windlass dropped in, one fished out again.",
        (
            Base("base-left", "left", _paper("towpath-cream")),
            Base("base-right", "right", _paper("towpath-cream")),
            border,
            replace(border, id="border-right", place=Place("right")),
            water,
            replace(water, id="panel-right", place=Place("right")),
            Stitching("seam-left", parse("1/8"), place=_on("panel-left")),
            Stitching("seam-right", parse("1/8"), place=_on("panel-right", on="right")),
            Band(
                "steps",
                6,
                parse("1/2"),
                parse("4 1/2"),
                parse("1/8"),
                "stepped",
                parse("1/2"),
                papers=_papers(
                    "towpath-lock-brick", "towpath-log-book", ("towpath-lock-brick", "B"), "towpath-rain"
                ),
                place=Place("right", Across("right", parse("1 1/8")), Down("bottom", parse("1 1/8"))),
            ),
            PhotoPart(
                "heron",
                _print(photos["Heron at first light"], "5", "7"),
                (
                    _mat("1/8", "towpath-ink", gutted=True),
                    replace(_mat("3/8", "towpath-log-book", gutted=True), angle=-3.0),
                ),
                _at("left", "1 1/4", "1 3/8"),
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
                place=_at("right", "3 1/4", "1 3/8"),
            ),
            Title(
                "title",
                "21\nLOCKS",
                (Style("towpath-small-capitals"), Style("towpath-painted-block")),
                lines=parse("-3/16"),
                swaps=(Swap("O", "0", 1),),
                under=(Under("outline", parse("1/8"), _papers("towpath-cream")),),
                place=_at("right", "4 1/8", "5 7/8"),
            ),
            Card("card", "towpath-little-cards", "words", place=_at("left", "1 1/2", "8 1/2")),
            Words(
                "words",
                "Pip would not give up the tiller until Bridge 62. One windlass dropped in, one fished out.",
                width=parse("3 1/4"),
                height=parse("3"),
                first=parse("1 3/16"),
                pitch=parse("3/8"),
                place=Place("left", Across("left", parse("3/8"), "card"), Down("top", ZERO, "card")),
            ),
            Date(
                "date",
                "14 March 2026",
                place=Place("right", Across("right", parse("1")), Down("bottom", parse("3/8"))),
            ),
            Cutout(
                "tag",
                "tag",
                parse("1 3/4"),
                parse("3"),
                parse("3/8"),
                parse("3/8"),
                True,
                _paper("towpath-feather"),
                _paper("towpath-ink"),
                angle=-8.0,
                place=_at("left", "7 5/8", "2 1/4"),
            ),
        ),
        groups=(
            Group("left-ground", "left ground", ("border-left", "panel-left", "seam-left")),
            Group("right-ground", "right ground", ("border-right", "panel-right", "seam-right")),
        ),
    )


def engine(photos: dict[str, str]) -> PagePlan:
    """A letter page about the week the engine lay on the cabin floor: a pinwheel, and dots like its bolts."""
    return PagePlan(
        "The engine is in the kitchen",
        of_kind("letter-upright"),
        "Three pistons, two gears, eighteen bolts and no idea where the nineteenth is. Rivet sat on the gasket. "
        "It rained, so nobody minded staying in.",
        (
            Base("base", "left", _paper("stash-kraft")),
            Panel("panel", "panel", parse("1/4"), choice=_paper("wharf-oilcloth", "B"), place=Place("left")),
            Torn(
                "floor",
                parse("1 1/4"),
                parse("8"),
                layers=2,
                step=parse("3/8"),
                papers=_papers("wharf-zigzag-tin", "wharf-crate"),
                place=Place("left", Across("centre", ZERO), Down("bottom", parse("7/8"))),
            ),
            Pieced(
                "pinwheel",
                "pinwheel",
                parse("3"),
                parse("3"),
                parse("1/2"),
                _papers("wharf-verdigris", "wharf-zigzag-tin", "wharf-painted-tin"),
                place=_at("left", "4 5/8", "6 1/8"),
            ),
            PhotoPart(
                "engine",
                _print(photos["Engine in pieces"], "6", "4"),
                (_mat("1/8", "wharf-white"), _mat("1/4", "wharf-painted-tin", gutted=True)),
                Place("left", Across("left", parse("5/8")), Down("top", parse("5/8"))),
            ),
            PhotoPart(
                "rivet",
                _print(photos["Rivet on the roof"], "3", "3 1/2", parse("1/8"), parse("5/8")),
                (_mat("1/8", "wharf-verdigris"),),
                _at("left", "3/4", "5 7/8"),
            ),
            Rounds(
                "bolts",
                "circle",
                parse("3/8"),
                "row",
                parse("6 3/4"),
                pitch=parse("3/4"),
                papers=_papers("wharf-painted-tin", "wharf-white", "wharf-verdigris"),
                place=Place("left", Across("centre", ZERO), Down("bottom", parse("1/2"))),
            ),
            Words(
                "words",
                "Out in nineteen pieces, back in twenty. Rivet sat on the manual.",
                width=parse("2"),
                align="centre",
                ruled=True,
                paper=_paper("wharf-white"),
                margin=parse("3/16"),
                place=_at("left", "5", "6 5/8"),
            ),
            Title(
                "title",
                "1999 BOLTS?",
                (Style("towpath-small-capitals"),),
                swaps=(Swap("9", "6", 1),),
                place=Place("left", Across("centre", ZERO), Down("top", parse("5 3/8"))),
            ),
        ),
    )


def rain(photos: dict[str, str]) -> PagePlan:
    """A single page of one wet week: a grid with a wide cell, a round photo in a ring of tiles."""
    small = (("Rivet on the roof", 0, 2), ("Kettle on", 0, 3), ("Engine in pieces", 1, 2))

    def cell(name: str, row: int, column: int, rows: int = 1, columns: int = 1) -> Cell:
        side = ("5 1/4", "5 1/4") if rows > 1 else ("2 1/2", "2 1/2")
        return Cell(row, column, rows, columns, "photo", _print(photos[name], *side))

    return PagePlan(
        "Rain on the roof",
        of_kind("12x12"),
        "Six days of it. We mended, read, baked, and counted drips: four, then two, then none.",
        (
            Base("base", "left", _paper("stash-slate")),
            Panel("panel", "panel", parse("1/4"), choice=_paper("towpath-reach-by-reach"), place=Place("left")),
            Grid(
                "days",
                2,
                4,
                parse("2 1/2"),
                parse("2 1/2"),
                parse("1/4"),
                ZERO,
                "nothing",
                parse("10 3/4"),
                parse("5 1/4"),
                cells=(
                    cell("Rain on the roof", 0, 0, 2, 2),
                    *(cell(*one) for one in small),
                    Cell(1, 3, what="paper", choice=_paper("stash-old-chart"), figure="scalloped"),
                ),
                papers=_papers("towpath-rain", ("towpath-rain", "B")),
                place=Place("left", Across("centre", ZERO), Down("top", parse("5/8"))),
            ),
            Tiles(
                "ring",
                "hexagon",
                parse("7/8"),
                parse("1/16"),
                parse("5 3/4"),
                parse("5 1/4"),
                "ring",
                parse("2 5/8"),
                parse("2 5/8"),
                papers=_papers(
                    "towpath-rose-and-castle", "stash-slate", ("towpath-still-water", "B"), "stash-old-chart"
                ),
                seed=4,
                place=Place("left", Across("left", parse("5/8")), Down("bottom", parse("5/8"))),
            ),
            PhotoPart(
                "moored",
                _print(photos["Moored for the night"], "2 1/2", "2 1/2", parse("1/16"), shape="circle"),
                (_mat("1/8", "towpath-mooring-line"),),
                _on("ring"),
            ),
            Title(
                "title",
                "RAIN ON\nTHE ROOF",
                (Style("towpath-painted-block"),),
                align="right",
                lines=parse("1/16"),
                under=(Under("outline", parse("1/16"), _papers("towpath-cream")),),
                place=Place("left", Across("right", parse("5/8")), Down("top", parse("6"))),
            ),
            WordStrips(
                "strips",
                "Nobody minded staying in.",
                width=parse("4 1/2"),
                papers=_papers("towpath-cream"),
                parted=(Parting(1, 1, parse("1/2")),),
                place=Place("left", Across("left", parse("6 7/8")), Down("top", parse("8 3/8"))),
            ),
            Cutout(
                "drop",
                "heart",
                parse("3/8"),
                parse("3/8"),
                choice=_paper("towpath-ink"),
                place=Place("left", Across("left", parse("1 3/16"), "strips"), Down("top", ZERO, "strips")),
            ),
            Pocket(
                "letters",
                parse("4 1/2"),
                parse("2 1/4"),
                parse("1/8"),
                parse("3/8"),
                _paper("towpath-rain", "B"),
                _paper("towpath-cream"),
                Place("left", Across("right", parse("5/8")), Down("bottom", parse("5/8"))),
            ),
        ),
    )


def market(photos: dict[str, str]) -> PagePlan:
    """A notebook spread of market day: an awning with a scalloped edge, a pocket for the shopping list."""
    return PagePlan(
        "Wharf market",
        of_kind("notebook", 2),
        "Oranges, a loaf, two yards of twine. Moored for the night by four.",
        (
            Base("base-left", "left", _paper("wharf-crate", "A")),
            Base("base-right", "right", _paper("wharf-white")),
            Panel("panel-left", "panel", parse("1/4"), choice=_paper("wharf-white"), place=Place("left")),
            Band(
                "awning",
                7,
                parse("1/2"),
                parse("1 1/2"),
                parse("1/8"),
                "staggered",
                parse("1/4"),
                upright=True,
                papers=_papers("wharf-awning", ("wharf-awning", "B")),
                place=Place("right", Across("centre", ZERO), Down("top", ZERO)),
            ),
            PhotoPart(
                "market",
                _print(photos["Wharf market"], "3", "2"),
                (_mat("1/8", "wharf-awning", "B"),),
                Place("left", Across("right", parse("1/4")), Down("top", parse("3/4"))),
            ),
            PhotoPart(
                "kettle",
                _print(photos["Kettle on"], "3", "3", parse("1/8"), shape="circle"),
                (_mat("1/8", "wharf-verdigris"),),
                Place("left", Across("right", parse("1/4")), Down("bottom", parse("3/4"))),
            ),
            PhotoPart(
                "moored",
                _print(photos["Moored for the night"], "3 1/2", "2 1/2"),
                (_mat("1/16", "wharf-painted-tin", "B"),),
                Place("right", Across("centre", ZERO), Down("top", parse("2"))),
            ),
            Title(
                "title",
                "OFF TO MARKET",
                (Style(face="slab", height=parse("3/8"), papers=_papers("wharf-painted-tin")),),
                upright="up",
                layers=2,
                place=Place("left", Across("left", parse("5/16")), Down("centre", ZERO)),
            ),
            Pocket(
                "list",
                parse("3 1/2"),
                parse("2 1/4"),
                parse("1/8"),
                parse("7/8"),
                _paper("wharf-oilcloth"),
                _paper("wharf-stall-roses"),
                Place("right", Across("centre", ZERO), Down("bottom", parse("3/8"))),
            ),
            ThingPart("pears", "wharf-pears", 3, parse("-1/8"), angle=-6.0, place=_at("right", "1 1/4", "4 3/8")),
            Cluster(
                "stall",
                (
                    Member("wharf-round-doily", half="top", down=parse("-1/4")),
                    Member("wharf-market-flower", across=parse("-1/2"), down=parse("1/4")),
                    Member("wharf-rolls", across=parse("1/2"), down=parse("1/4"), angle=8.0),
                    Member("wharf-tin-dots", across=parse("1 1/4"), down=parse("3/8")),
                ),
                _at("right", "5/8", "1/2"),
            ),
        ),
    )


def kettle(photos: dict[str, str]) -> PagePlan:
    """A notebook page of a wet evening, long finished: a photo, a word, and the date."""
    return PagePlan(
        "The kettle is on",
        of_kind("notebook"),
        "Six cups before the rain let up. Rivet had the warm side of the stove.",
        (
            Base("base", choice=_paper("stash-kraft")),
            PhotoPart(
                "stove",
                _print(photos["Kettle on"], "3", "3"),
                (_mat("1/8", "stash-slate"),),
                Place("left", Across("centre", ZERO), Down("top", parse("3/4"))),
            ),
            Title(
                "title",
                "TEA",
                (Style(face="slab", height=parse("1"), papers=_papers("stash-slate")),),
                place=Place("left", Across("centre", ZERO), Down("top", parse("4 1/2"))),
            ),
            Words(
                "words",
                width=parse("3"),
                tells=True,
                place=Place("left", Across("centre", ZERO), Down("top", parse("5 3/4"))),
            ),
            Date("date", "9 March 2026", place=Place("left", Across("centre", ZERO), Down("bottom", parse("1/2")))),
        ),
    )


def pilot(photos: dict[str, str]) -> PagePlan:
    """A letter page half built: a wash that dries, a chart with an inked edge, a leaf slipped under the photo."""
    return PagePlan(
        "Our pilot",
        of_kind("letter-lying"),
        "The heron flew ahead from bridge to bridge and waited at each for us to catch up.",
        (
            Base("base", choice=_paper("stash-kraft")),
            Wet(
                "wash",
                "wash",
                "slate",
                "#7f9aa3",
                width=parse("6"),
                height=parse("5"),
                place=_at("left", "1/2", "2 3/4"),
            ),
            Panel(
                "chart",
                "chart",
                width=parse("5 1/2"),
                height=parse("4"),
                choice=_paper("stash-old-chart", "B"),
                place=_at("left", "5", "1 1/4"),
            ),
            Stitching("seam", place=_on("chart")),
            PhotoPart(
                "heron",
                _print(photos["Heron at first light"], "4", "6"),
                (_mat("1/4", "stash-small-pad", "B"),),
                _at("left", "1 1/4", "1"),
            ),
            ThingPart("leaf", "towpath-reed-leaf", angle=24.0, place=_at("left", "5 1/4", "5")),
            Title(
                "title",
                "PILOT",
                (Style(face="heavy", height=parse("1"), papers=_papers("stash-slate")),),
                place=_at("left", "6", "2 1/2"),
            ),
            Words("words", width=parse("4"), tells=True, place=_at("left", "6", "5 3/4")),
            Date("date", "7 March 2026", place=_at("left", "8 1/2", "7 3/4")),
        ),
        edges=(EdgeWork("chart/panel", "inked", "#5b4a3a"),),
        tucks=(Tuck("leaf", "heron"),),
    )


def with_drops(page: PagePlan) -> PagePlan:
    """Rain drops scattered along the diagonal, clear of the photos."""
    drops = Scatter(
        "drops", ("towpath-rain-drops",), 9, "other diagonal", parse("11"), parse("11"), 3, Place("left")
    )
    return replace(page, parts=(*page.parts, drops))


def with_gears(page: PagePlan) -> PagePlan:
    """Gears stamped on the panel in three inks, each second impression lighter, before anything is glued on it."""
    gears = Stamped(
        "gears", "stash-gear-stamp", 3, 4, parse("1 7/8"), parse("1 3/4"), True,
        ("#5f7a86", "#a65a3a", "#c9a24a"), 2, place=Place("left", Across("centre"), Down("bottom", parse("3/8"))),
    )  # fmt: skip
    at = next(k for k, part in enumerate(page.parts) if part.id == "panel") + 1
    return replace(page, parts=(*page.parts[:at], gears, *page.parts[at:]))
