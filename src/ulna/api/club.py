"""Routes: the kit club, what it offers, kits taken in from it, its corrections, and pages for its gallery."""

from __future__ import annotations

from typing import Annotated, Literal

from fastapi import APIRouter
from fastapi.responses import Response
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.wire import attachment
from ulna.core.kit.from_club import Change, Item, items
from ulna.core.paper.shelf import Paper
from ulna.core.things.thing import Thing
from ulna.formats.documents import Doc
from ulna.formats.kit_feed import Challenge, Entry
from ulna.household import club, gallery
from ulna.household.club import Incoming
from ulna.household.home import Household
from ulna.machines.kit_club.line import Nonsense
from ulna.machines.wire import NoAnswer, Refused

router = APIRouter(prefix="/api", tags=["kit club"])

Ids = Annotated[list[Annotated[str, Field(max_length=80)]], Field(max_length=1_200)]


class EntryOut(BaseModel):
    """A kit of the club; `here` is the kit of the household that came from it."""

    entry: Doc[Entry]
    here: str | None


class CorrectionOut(BaseModel):
    code: str
    kit: str
    name: str
    edition: int
    changes: list[Doc[Change]]


class ClubOut(BaseModel):
    """`there` is false where no club answers, or not sensibly; `says` what would do."""

    there: bool
    says: str
    club: str = ""
    kits: list[EntryOut] = []
    challenge: Doc[Challenge] | None = None
    corrections: list[CorrectionOut] = []


class ItemOut(BaseModel):
    """Something in a kit that would come in: in how many, how large, and the kit in which the same is here already."""

    id: str
    what: Literal["paper", "thing", "alphabet"]
    name: str
    count: int
    size: str
    colours: list[str]
    alike: str


class ClubKitOut(BaseModel):
    code: str
    name: str
    note: str
    edition: int
    items: list[ItemOut]
    sketches: list[str]
    here: str | None


class TakeAsked(BaseModel):
    code: Annotated[str, Field(max_length=40)]
    items: Ids


class TakenOut(BaseModel):
    kit: str
    name: str
    sketches: list[str]


class BackAsked(BaseModel):
    kit: Annotated[str, Field(max_length=80)]
    sketches: Ids = []


@router.get("/club")
def get_club(home: AtHome) -> ClubOut:
    """The club's kits, its challenge, and corrections of kits that are here."""
    try:
        there = club.feed(home)
        found = club.corrections(home, there)
    except (NoAnswer, Refused, Nonsense) as error:
        return ClubOut(there=False, says=error.sentence)
    came = {one.code: one.kit for entry in there.kits if (one := club.origin(home, entry.code))}
    return ClubOut(
        there=True,
        says="",
        club=there.club,
        kits=[EntryOut(entry=entry, here=came.get(entry.code)) for entry in there.kits],
        challenge=there.challenge,
        corrections=[
            CorrectionOut(code=one.code, kit=one.kit, name=one.name, edition=one.edition, changes=list(one.changes))
            for one in found
        ],
    )


@router.get("/club/kits/{code}")
def get_offer(code: str, home: AtHome) -> ClubKitOut:
    """What would come in. Raises `NoAnswer`, `Refused`, `Nonsense`."""
    return _offer(club.incoming(home, code), home)


@router.post("/club/take", status_code=201)
def take_kit(asked: TakeAsked, home: AtHome) -> TakenOut:
    """Takes a kit in, in one act. Raises `FieldError`, `NoAnswer`, `Refused`, `Nonsense`."""
    kit, sketches = club.take(home, asked.code, set(asked.items))
    return TakenOut(kit=kit, name=home.kits.get(kit).body.name, sketches=sketches)


@router.post("/club/give-back", status_code=204)
def give_kit_back(asked: BackAsked, home: AtHome) -> None:
    """Takes the taking back. Raises `NotThere`."""
    club.give_back(home, asked.kit, asked.sketches)


@router.post("/club/correct")
def correct_kit(asked: TakeAsked, home: AtHome) -> TakenOut:
    """Takes the chosen changes of a correction; the kit's own undo takes them back. Raises `NotThere`."""
    kept = club.correct(home, asked.code, set(asked.items))
    return TakenOut(kit=kept.id, name=kept.body.name, sketches=[])


@router.get("/pages/{id}/gallery.png", response_class=Response)
def page_for_gallery(id: str, home: AtHome, photos: Literal["hidden", "shown"] = "hidden") -> Response:
    """A picture of a page for the club's gallery: nothing in it says where, when or with what it was taken, and photos
    are hidden unless they are to be shown. Raises `NotThere`."""
    return attachment(
        gallery.picture(home, id, photos == "shown"), f"{home.page(id).name} gallery.png", "image/png"
    )


def _offer(found: Incoming, home: Household) -> ClubKitOut:
    return ClubKitOut(
        code=found.offer.code,
        name=found.kit.name,
        note=found.kit.note,
        edition=found.offer.edition,
        items=[_item(one, found.alike.get(id, ""), home) for id, one in items(found.kit).items()],
        sketches=[one.name for one in found.offer.sketches],
        here=found.here.id if found.here else None,
    )


def _item(one: Item, alike: str, home: Household) -> ItemOut:
    ruler = home.ruler()
    if isinstance(one, Paper):
        colours = list(dict.fromkeys((*one.a.colours, *one.b.colours)))[:5]
        size = ruler.say_size(one.width, one.height)
        return ItemOut(
            id=one.id, what="paper", name=one.name, count=one.count, size=size, colours=colours, alike=alike
        )
    if isinstance(one, Thing):
        size = ruler.say_size(*one.size)
        return ItemOut(
            id=one.id,
            what="thing",
            name=one.name,
            count=one.count,
            size=size,
            colours=list(one.colours),
            alike=alike,
        )
    return ItemOut(
        id=one.id, what="alphabet", name=one.name, count=one.packs, size=ruler.say(one.height), colours=[one.colour],
        alike=alike,
    )  # fmt: skip
