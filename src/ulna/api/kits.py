"""Routes: kits with their papers and things, in and out as JSON and CSV, and how papers look."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, File, UploadFile
from fastapi.responses import Response

from ulna.api.at_home import AtHome
from ulna.api.history import add_history
from ulna.api.schemas import (
    CardsAsked,
    Colours,
    KitIn,
    KitOut,
    PatternOut,
    PictureOut,
    RowsOut,
    SideIn,
    Straighten,
    Tile,
    Tiles,
    saved,
)
from ulna.core.measure import SIZE, text
from ulna.core.paper import patterns
from ulna.core.paper.shelf import Paper, Side, cards_in_rows
from ulna.formats import kit as kit_format
from ulna.formats import kit_csv, svg
from ulna.formats.kit import Card, Kit
from ulna.formats.limits import MOST_JSON_BYTES
from ulna.household.home import Household
from ulna.store.ids import new_id
from ulna.store.library import Kept

router = APIRouter(prefix="/api", tags=["kits"])


def picture_address(id: str) -> str:
    return f"/api/pictures/{id}/view"


def tiles_of(paper: Paper) -> Tiles:
    a, b = (svg.tile_of(paper, face, picture_address) for face in ("A", "B"))
    return Tiles(a=Tile.from_value(a), b=Tile.from_value(b))


def _out(kept: Kept, _home: Household) -> KitOut:
    kit = Kit.model_validate(kept.body)
    return KitOut(saved=saved(kept), kit=kit, tiles={p.id: tiles_of(p.value()) for p in kit.papers})


@router.post("/cards")
def lay_cards(asked: CardsAsked) -> list[Card]:
    """Where the cards of a sheet are that is printed with rows and columns of them."""
    cards = cards_in_rows(asked.paper.value(), asked.rows, asked.columns, asked.side)
    return [Card.from_value(card) for card in cards]


@router.get("/kits")
def list_kits(home: AtHome) -> list[KitOut]:
    return [_out(kept, home) for kept in home.library.all("kit")]


@router.post("/kits", status_code=201)
def add_kit(asked: KitIn, home: AtHome) -> KitOut:
    return _out(home.library.add("kit", asked.kit.model_dump(mode="json"), "began the kit"), home)


@router.put("/kits/{id}")
def put_kit(id: str, asked: KitIn, home: AtHome) -> KitOut:
    return _out(
        home.library.write("kit", id, asked.version, asked.kit.model_dump(mode="json"), asked.what, asked.series),
        home,
    )


add_history(router, "kit", KitOut, _out)


# ---- files -----------------------------------------------------------------------------------------


@router.get("/kit-template.csv", response_class=Response)
def kit_template() -> Response:
    return _csv(kit_csv.template(), "kit-template")


@router.get("/kits/{id}/kit.csv", response_class=Response)
def kit_as_csv(id: str, home: AtHome) -> Response:
    kit = Kit.model_validate(home.library.get("kit", id).body)
    papers, things = [p.value() for p in kit.papers], [t.value() for t in kit.things]
    return _csv(kit_csv.write(papers, things), kit.name)


def _csv(content: str, name: str) -> Response:
    return attachment(("\ufeff" + content).encode(), f"{name}.csv", "text/csv; charset=utf-8")


@router.get("/kits/{id}/kit.json", response_class=Response)
def kit_as_json(id: str, home: AtHome) -> Response:
    kit = Kit.model_validate(home.library.get("kit", id).body)
    return attachment(kit_format.write(kit).encode(), f"{kit.name}.json", "application/json")


def attachment(content: bytes, name: str, media: str) -> Response:
    """A file to keep; its name without what a file name cannot have."""
    plain = "".join(c if c.isascii() and (c.isalnum() or c in " .-_") else "_" for c in name)
    return Response(content, media_type=media, headers={"Content-Disposition": f'attachment; filename="{plain}"'})


@router.post("/kits/read-csv")
def read_kit_csv(file: Annotated[UploadFile, File()], home: AtHome) -> RowsOut:
    """What a CSV file holds, right rows and wrong ones; nothing is kept yet."""
    data = file.file.read(kit_csv.MOST_BYTES + 1)
    return RowsOut.from_value(kit_csv.read(data, home.ruler().unit, lambda: new_id("paper")))


@router.post("/kits/read-json")
def read_kit_json(file: Annotated[UploadFile, File()]) -> Kit:
    """The kit in a JSON file, with fresh ids; nothing is kept yet."""
    kit = kit_format.read(file.file.read(MOST_JSON_BYTES))
    fresh = {paper.id: new_id("paper") for paper in kit.papers}
    for paper in kit.papers:
        paper.id, paper.scrap_of = fresh[paper.id], fresh.get(paper.scrap_of or "")
    for thing in kit.things:
        thing.id = new_id("thing")
    return kit


# ---- looks -----------------------------------------------------------------------------------------


@router.post("/patterns")
def list_patterns(asked: Colours) -> list[PatternOut]:
    """Every kind of pattern in these colours."""
    found = []
    for pattern in patterns.PATTERNS.values():
        side = Side(pattern.name, tuple(asked.colours))
        tile = Tile.from_value(svg.tile(side, 12, 12, picture_address))
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
def draw_tile(asked: SideIn) -> Tile:
    """One side as it would look."""
    side = svg.tile(asked.side.value(), asked.width.inches, asked.height.inches, picture_address)
    return Tile.from_value(side)


@router.post("/pictures", status_code=201)
def add_picture(file: Annotated[UploadFile, File()], home: AtHome) -> PictureOut:
    """Keeps a photograph of a sheet."""
    return PictureOut(id=home.add_sheet_picture(file.file, file.filename or "picture"))


@router.post("/pictures/{id}/straighten", status_code=201)
def straighten_picture(id: str, asked: Straighten, home: AtHome) -> PictureOut:
    """A photographed sheet laid flat at its size."""
    width, height = SIZE.check(asked.width), SIZE.check(asked.height)
    return PictureOut(id=home.straighten(id, asked.corners, width, height))


@router.post("/demo-kit", status_code=201)
def add_demo_kit(home: AtHome) -> KitOut:
    """The demo household's newest kit, to look at."""
    from ulna.demo.kits import towpath  # seldom asked for

    return _out(home.library.add("kit", towpath().model_dump(mode="json"), "brought in the demo kit"), home)
