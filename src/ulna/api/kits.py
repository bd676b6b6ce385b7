"""Routes: kits with their papers and things, in and out as JSON and CSV, and how papers look."""

from __future__ import annotations

from collections import Counter
from dataclasses import replace
from typing import Annotated, Literal

from fastapi import APIRouter, File, Query, UploadFile
from fastapi.responses import Response
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.history import add_history
from ulna.api.wire import Edit, Saved, What, attachment, saved
from ulna.api.written import written_list
from ulna.core.measure import text
from ulna.core.paper import patterns
from ulna.core.paper.searching import searched_by
from ulna.core.paper.sheets_seen import SheetSeen
from ulna.core.paper.shelf import Card, Face, Kit, Paper, Side, cards_in_rows
from ulna.core.ranges import COLOUR
from ulna.formats import kit as kit_format
from ulna.formats import kit_csv, svg
from ulna.formats.csv_words import SIZE_COLUMN
from ulna.formats.documents import AnyLength, Doc, Size
from ulna.formats.kit_csv import Rows
from ulna.formats.limits import MOST_JSON_BYTES
from ulna.formats.svg import Tile
from ulna.household.home import Household
from ulna.store.ids import new_id
from ulna.store.states import Kept

router = APIRouter(prefix="/api", tags=["kits"])


class Tiles(BaseModel):
    a: Doc[Tile]
    b: Doc[Tile]


class KitOut(BaseModel):
    """`tiles` by paper id."""

    saved: Saved
    kit: Doc[Kit]
    tiles: dict[str, Tiles]


class KitIn(Edit):
    kit: Doc[Kit]
    what: What = "changed the kit"


class PatternOut(BaseModel):
    """A kind of pattern in the given colours, and what is usual for it."""

    name: str
    busy: int
    direction: Literal["none", "one-way", "two-way"]
    scale: str
    tile: Doc[Tile]


class Colours(BaseModel):
    colours: Annotated[list[Annotated[str, Field(pattern=COLOUR)]], Field(min_length=1, max_length=5)]


class PictureOut(BaseModel):
    id: str


class CardsAsked(BaseModel):
    """Rows and columns of equal cards on a sheet."""

    paper: Doc[Paper]
    rows: Annotated[int, Field(ge=1, le=20)]
    columns: Annotated[int, Field(ge=1, le=20)]
    side: Face = "A"


class Straighten(BaseModel):
    """The sheet's corners in shares of the picture, top left first, clockwise; the sheet's size."""

    corners: Annotated[list[tuple[float, float]], Field(min_length=4, max_length=4)]
    width: Size
    height: Size


class SideIn(BaseModel):
    side: Doc[Side]
    width: AnyLength
    height: AnyLength


def picture_address(id: str) -> str:
    return f"/api/pictures/{id}/view"


def tiles_of(paper: Paper) -> Tiles:
    a, b = (svg.tile_of(paper, face, picture_address) for face in ("A", "B"))
    return Tiles(a=a, b=b)


def _out(kept: Kept[Kit], _home: Household) -> KitOut:
    return KitOut(saved=saved(kept), kit=kept.body, tiles={p.id: tiles_of(p) for p in kept.body.papers})


@router.post("/cards")
def lay_cards(asked: CardsAsked) -> list[Doc[Card]]:
    """Where the cards of a sheet are that is printed with rows and columns of them."""
    return list(cards_in_rows(asked.paper, asked.rows, asked.columns, asked.side))


@router.get("/kits", response_model=list[KitOut])
def list_kits(home: AtHome) -> Response:
    return written_list(home, "kits", ((one, None) for one in home.kits.all()), lambda one: _out(one, home))


class OnShelf(BaseModel):
    """A paper as a page can have it: sheets that are whole and free, scraps that serve it, words that find it."""

    paper: str
    left: int
    scraps: int
    words: list[str]


@router.get("/shelf")
def shelf_for_page(home: AtHome, page: str | None = None) -> list[OnShelf]:
    """Every unpacked paper, less what other pages have begun or keep."""
    shelf = home.shelf_for(page)
    scraps = Counter[str]()
    for one in shelf.papers.values():
        if one.is_scrap and one.scrap_of:
            scraps[one.scrap_of] += one.count
    return [
        OnShelf(
            paper=paper.id,
            left=shelf.papers[paper.id].count if paper.id in shelf.papers else 0,
            scraps=scraps[paper.id],
            words=sorted(searched_by(paper)),
        )
        for kept in home.kits.all()
        for paper in kept.body.papers
    ]


@router.post("/kits", status_code=201)
def add_kit(asked: KitIn, home: AtHome) -> KitOut:
    return _out(home.kits.add(asked.kit, "began the kit"), home)


@router.put("/kits/{id}")
def put_kit(id: str, asked: KitIn, home: AtHome) -> KitOut:
    return _out(home.kits.write(id, asked.version, asked.kit, asked.what, asked.series), home)


add_history(router, "kit", lambda home: home.kits, KitOut, _out)


# ---- files -----------------------------------------------------------------------------------------


@router.get("/kit-template.csv", response_class=Response)
def kit_template() -> Response:
    return _csv(kit_csv.template(), "kit-template")


@router.get("/kits/{id}/kit.csv", response_class=Response)
def kit_as_csv(id: str, home: AtHome) -> Response:
    kit = home.kits.get(id).body
    called = {paper.id: paper.name for paper in home.shelf().papers.values()}
    return _csv(kit_csv.write(kit, called), kit.name)


def _csv(content: str, name: str) -> Response:
    return attachment(("\ufeff" + content).encode(), f"{name}.csv", "text/csv; charset=utf-8")


@router.get("/kits/{id}/kit.json", response_class=Response)
def kit_as_json(id: str, home: AtHome) -> Response:
    kit = home.kits.get(id).body
    return attachment(kit_format.write(kit).encode(), f"{kit.name}.json", "application/json")


@router.post("/kits/read-csv")
def read_kit_csv(
    file: Annotated[UploadFile, File()],
    home: AtHome,
    columns: Annotated[list[Annotated[str, Field(max_length=40)]] | None, Query(max_length=200)] = None,
) -> Doc[Rows]:
    """What a CSV file holds, right rows and wrong ones, and how its columns were understood, or as `columns` says them;
    nothing is kept yet."""
    data = file.file.read(kit_csv.MOST_BYTES + 1)
    there = {paper.name: paper.id for paper in home.shelf().papers.values()}
    return kit_csv.read(data, home.ruler().unit, lambda: new_id("paper"), columns, there)


@router.get("/kit-columns")
def kit_columns() -> list[str]:
    """What a column of a kit's table can be."""
    return [*kit_csv.COLUMNS, SIZE_COLUMN]


@router.post("/kits/read-json")
def read_kit_json(file: Annotated[UploadFile, File()]) -> Doc[Kit]:
    """The kit in a JSON file, with fresh ids; nothing is kept yet."""
    kit = kit_format.read(file.file.read(MOST_JSON_BYTES))
    fresh = {paper.id: new_id("paper") for paper in kit.papers}
    papers = tuple(replace(p, id=fresh[p.id], scrap_of=fresh.get(p.scrap_of or "")) for p in kit.papers)
    alphabets = tuple(replace(one, id=new_id("alphabet")) for one in kit.alphabets)
    things = tuple(replace(t, id=new_id("thing")) for t in kit.things)
    return replace(kit, papers=papers, things=things, alphabets=alphabets)


# ---- looks -----------------------------------------------------------------------------------------


@router.post("/patterns")
def list_patterns(asked: Colours) -> list[PatternOut]:
    """Every kind of pattern in these colours."""
    found = []
    for pattern in patterns.PATTERNS.values():
        side = Side(pattern.name, tuple(asked.colours))
        tile = svg.tile(side, 12, 12, picture_address)
        found.append(
            PatternOut(
                name=pattern.name,
                busy=pattern.busy,
                direction=pattern.direction.value,
                scale=text(pattern.scale),
                tile=tile,
            )
        )
    return found


@router.post("/tile")
def draw_tile(asked: SideIn) -> Doc[Tile]:
    """One side as it would look."""
    return svg.tile(asked.side, asked.width.inches, asked.height.inches, picture_address)


@router.post("/pictures", status_code=201)
def add_picture(file: Annotated[UploadFile, File()], home: AtHome) -> PictureOut:
    """Keeps a photograph of a sheet."""
    return PictureOut(id=home.add_sheet_picture(file.file, file.filename or "picture"))


@router.post("/pictures/{id}/straighten", status_code=201)
def straighten_picture(id: str, asked: Straighten, home: AtHome) -> PictureOut:
    """A photographed sheet laid flat at its size."""
    return PictureOut(id=home.straighten(id, asked.corners, asked.width, asked.height))


class SheetIn(BaseModel):
    """A sheet in a photograph, as it was found or put right."""

    name: Annotated[str, Field(min_length=1, max_length=120)]
    corners: Annotated[list[tuple[float, float]], Field(min_length=4, max_length=4)]
    width: Size
    height: Size


@router.get("/pictures/{id}/sheets")
def find_sheets(id: str, home: AtHome) -> list[Doc[SheetSeen]]:
    """The sheets that lie beside each other in a photograph, each with its corners and its likely size."""
    return home.sheets_in(id)


@router.post("/pictures/{id}/sheets")
def take_sheets(
    id: str, asked: Annotated[list[SheetIn], Field(min_length=1, max_length=60)], home: AtHome
) -> list[Doc[Paper]]:
    """Papers of the sheets in a photograph: laid flat, with what is seen of their print; nothing but their pictures is
    kept yet."""
    return [home.paper_in(id, one.corners, one.width, one.height, one.name) for one in asked]


@router.post("/demo-kit", status_code=201)
def add_demo_kit(home: AtHome) -> KitOut:
    """The demo household's newest kit, to look at."""
    from ulna.demo.kits import towpath  # seldom asked for

    return _out(home.kits.add(towpath(), "brought in the demo kit"), home)
