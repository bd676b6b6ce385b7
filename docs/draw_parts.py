"""Draws the pictures of docs/parts.md from the demo's papers. Run with `make screenshots`."""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path

from ulna.core.geometry.rects import Borders
from ulna.core.measure import ZERO, Ruler, inches, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import PageFormat
from ulna.core.paper.shelf import Face, Shelf
from ulna.core.parts.built_up import Under
from ulna.core.parts.joined import Joined
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.band import Band
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.card import Card
from ulna.core.parts.kinds.cutout import Cutout
from ulna.core.parts.kinds.edging import Edging
from ulna.core.parts.kinds.grid import Cell, Grid
from ulna.core.parts.kinds.mitred import Mitred
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.papered import Papered
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.pieced import Pieced
from ulna.core.parts.kinds.pocket import Pocket
from ulna.core.parts.kinds.rounds import Rounds
from ulna.core.parts.kinds.stitching import Stitching
from ulna.core.parts.kinds.tape import Tape
from ulna.core.parts.kinds.tiles import Taken, Tiles
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.torn import Torn
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.lettering import Style
from ulna.core.parts.mats import Mat
from ulna.core.parts.opening import Opening
from ulna.core.parts.openings import Openings
from ulna.core.parts.pieces import Ground, PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.prints import Print
from ulna.core.words.writing import USUAL_HANDS
from ulna.demo import kits
from ulna.formats import svg
from ulna.formats.faces import SHIPPED

TO = Path(__file__).parent / "parts"
SHELF = Shelf.of(
    [p for kit in (kits.towpath(), kits.wharf(), kits.stash()) for p in kit.papers], (), kits.towpath().alphabets
)
HANDS = {hand.id: hand for hand in USUAL_HANDS}


def paper(name: str, side: Face = "A") -> PaperChoice:
    return PaperChoice(name, side)


def at(left: str, top: str) -> Place:
    return Place("left", Across("left", parse(left)), Down("top", parse(top)))


def on(base: str) -> Place:
    return Place("left", Across("centre", ZERO, base), Down("centre", ZERO, base))


RED, BRICK, TIN = paper("wharf-painted-tin"), paper("towpath-lock-brick"), paper("wharf-zigzag-tin")
GREEN, WATER, BOOK = paper("wharf-verdigris"), paper("towpath-still-water"), paper("towpath-log-book")
FOUR = (WATER, BRICK, BOOK, GREEN)


def ground(id: str, left: str, w: str = "4", h: str = "4", choice: PaperChoice = BOOK) -> Panel:
    return Panel(id, id, width=parse(w), height=parse(h), choice=choice, place=at(left, "1/4"))


def foundations() -> list[Part]:
    mitred, papered = ground("m", "1/4", choice=paper("towpath-cream")), ground("p", "4 1/2", choice=GREEN)
    frame = Panel("f", "frame", width=inches(4), height=inches(4), choice=BRICK, place=at("8 3/4", "1/4"))
    return [
        mitred,
        Mitred("border", parse("5/8"), choice=paper("wharf-awning"), place=on("m")),
        papered,
        Papered(
            "papered", (WATER, BOOK, TIN), shares=(2, 1, 1), strip=parse("1/4"), strip_choice=RED, place=on("p")
        ),
        replace(frame, openings=(Opening(rim=parse("3/4")),)),
        Torn("t", parse("1"), inches(4), layers=3, papers=(WATER, BRICK, BOOK), place=at("13", "1/2")),
        Panel("s", width=inches(4), height=parse("1 1/2"), choice=RED, place=at("13", "2 3/4")),
        Stitching("seam", place=on("s")),
    ]


def strips() -> list[Part]:
    made: list[Part] = [
        Band(
            "b1",
            6,
            parse("3/8"),
            inches(3),
            parse("1/8"),
            "stepped",
            parse("1/4"),
            papers=FOUR,
            place=at("1/4", "1/2"),
        )
    ]
    made.append(Edging("e", inches(16), parse("5/8"), parse("1/2"), choice=RED, place=at("1/4", "3 3/4")))
    for k, pattern in enumerate(("log cabin", "pinwheel", "herringbone", "sunburst", "triangle")):
        left = f"{5 + k * 25 // 10} {'1/2' if k % 2 else ''}".strip() if k else "5"
        size = inches(2, 1, 4)
        made.append(Pieced(f"p{k}", pattern, size, inches(3), parse("3/8"), FOUR, place=at(left, "1/2")))  # type: ignore[arg-type]
    return made


def cells() -> list[Part]:
    photo = Cell(0, 0, 2, 2, "photo", Print(None, inches(2), inches(2)))
    round_ = Cell(1, 2, figure="circle")
    return [
        Grid(
            "g", 2, 3, gap=parse("1/8"), margin=ZERO, width=inches(4), height=inches(4), cells=(photo, round_),
            papers=FOUR, place=at("1/4", "1/4"),
        ),
        Tiles(
            "h", size=parse("7/8"), gap=parse("1/16"), width=inches(4), height=inches(4), papers=FOUR,
            place=at("4 5/8", "1/4"),
        ),
        Tiles(
            "r", size=parse("5/8"), gap=parse("1/16"), width=inches(4), height=inches(4), layout="ring", papers=FOUR,
            hole_width=parse("1 1/2"), hole_height=parse("1 1/2"), place=at("8 7/8", "1/4"),
        ),
        Tiles(
            "t", "triangle", parse("1"), width=inches(4), height=inches(4), trimmed=True, papers=(RED, TIN),
            place=at("13 1/4", "1/4"),
        ),
    ]  # fmt: skip


def shapes() -> list[Part]:
    def cut(
        id: str, figure: str, w: str, h: str, left: str, top: str, choice: PaperChoice, more: str = "0"
    ) -> Cutout:
        return Cutout(id, figure, parse(w), parse(h), parse(more), choice=choice, place=at(left, top))  # type: ignore[arg-type]

    tag = cut("tag", "tag", "1 3/4", "3", "1/2", "3/4", BOOK, "3/8")
    mat = Mat(Borders.even(parse("1/8")), RED)
    opening = Opening("circle", None, inches(2), inches(2), print=Print(None, inches(3), inches(3)))
    return [
        replace(tag, hole=parse("3/8"), reinforced=True, ring=RED, mats=(replace(mat, angle=6.0),)),
        cut("heart", "heart", "1 3/4", "1 3/4", "3", "1/2", RED),
        cut("banner", "banner", "1", "1 3/4", "3 3/8", "2 1/2", TIN, "3/8"),
        cut("scallop", "scalloped", "2 1/4", "1 1/2", "5 1/4", "1/2", WATER, "3/8"),
        cut("arch", "arch", "1 1/2", "1 7/8", "5 5/8", "2 3/8", GREEN),
        Pocket("pocket", inches(3), inches(2), choice=paper("wharf-oilcloth"), inside=BOOK, place=at("8", "3/4")),
        Panel(
            "window", width=inches(3), height=inches(3), choice=GREEN, openings=(opening,), place=at("11 1/2", "3/4")
        ),
        Rounds("ring", path="ring", length=parse("1 3/4"), pitch=parse("5/8"), papers=FOUR, place=at("15", "1/2")),
        Card("card", "towpath-little-cards", "small 1", mats=(mat,), place=at("15", "2 1/2")),
        Tape("tape", width=parse("3/8"), length=parse("7 1/4"), wrapped=0, colour="#c8873c", place=at("1/4", "4")),
    ]  # fmt: skip


def openings() -> list[Part]:
    def hole(x: str, y: str, size: str, ring: PaperChoice) -> Opening:
        return Opening(
            "circle", None, parse(size), parse(size), parse(x), parse(y), print=Print(None, inches(2), inches(2)),
            ring=parse("1/8"), ring_choice=ring,
        )  # fmt: skip

    sheet = ground("two", "1/4", choice=WATER)
    card = Taken(1, 1, "card", sheet="towpath-little-cards", card="small 1")
    return [
        replace(sheet, openings=(hole("-7/8", "-3/4", "1 3/4", RED), hole("7/8", "7/8", "1 3/4", TIN))),
        replace(ground("joined", "4 1/2", choice=BRICK), joined=Joined(seam=parse("2 1/2"), lap=parse("1/4"))),
        Torn("hill", parse("2"), inches(4), papers=(GREEN,), rise=parse("3/4"), place=at("8 3/4", "1/4")),
        PhotoPart("tag", Print(None, inches(2), inches(3), parse("1/8"), shape="tag", hole=parse("1/2")),
                  place=at("13", "3/4")),
        Cutout("half", "circle", inches(3), parse("1 1/2"), half="top", choice=RED, place=at("9 1/4", "2 3/4")),
        Cutout("round", "scalloped round", inches(2), inches(2), parse("3/8"), choice=GREEN,
               place=at("15 1/4", "2 3/8")),
        Tiles("tiles", "square", inches(1), width=inches(2), height=inches(2), papers=FOUR, taken=(card,),
              place=at("15 1/4", "1/4")),
    ]  # fmt: skip


def letters() -> list[Part]:
    cut = Style(face="heavy", height=inches(1), papers=(RED, TIN, GREEN))
    two = (Style("towpath-small-capitals"), Style("towpath-painted-block"))
    told = "Out in nineteen pieces, back in twenty. Rivet sat on the manual."
    shadow, backing = Under("shadow", parse("1/8"), (WATER,)), Under("backing", parse("1/4"), (BOOK,))
    behind = Openings(BOOK, parse("3/8"))
    words = Words("words", told, width=inches(3), paper=BOOK, place=at("10 1/4", "1/2"))
    return [
        Title("cut", "heron", (cut,), layers=2, place=at("1/2", "1/2")),
        Title("two", "OFF TO MARKET", two, form="arc", rise=parse("1/2"), place=at("1/2", "2 1/4")),
        Title("nested", "lapping\nHIGH", (cut,), nested=True, small="26", place=at("1/2", "4 1/2")),
        Title("built", "REED", (cut,), letters=parse("1/8"), under=(shadow, backing), place=at("5", "4 3/4")),
        Title("opened", "LOOK", (cut,), letters=parse("3/16"), openings=behind, place=at("9 3/4", "4 1/2")),
        replace(words, id="round", shape="circle", height=inches(3), align="centre", place=at("13 3/4", "3 3/4")),
        Title("upright", "LOCKS", two[:1], upright="up", place=at("9", "1/2")),
        words,
        Words("lines", ruled=True, more=5, width=inches(3), place=at("14", "1/2")),
    ]


def main() -> None:
    TO.mkdir(exist_ok=True)
    for make, high in (
        (foundations, "4 1/2"),
        (strips, "4 3/4"),
        (cells, "4 1/2"),
        (shapes, "6"),
        (openings, "4 1/2"),
        (letters, "7 1/2"),
    ):
        format = PageFormat("own", parse("17 1/2"), parse(high))
        base = Base("base", choice=paper("stash-kraft", "B"))
        plan = PagePlan(make.__name__, format, parts=(replace(base, choice=paper("wharf-white")), *make()))
        page = evaluate(plan, Ground(format, SHELF, {}, Ruler(), SHIPPED, HANDS))
        drawing = svg.page(page, SHELF, lambda _: None, lambda *_: None, SHIPPED)
        (TO / f"{make.__name__}.png").write_bytes(svg.raster(drawing, 1400))


if __name__ == "__main__":
    main()
