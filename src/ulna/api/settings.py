"""Routes: how the household measures, and lengths as people write them."""

from __future__ import annotations

from typing import Annotated, Literal

from fastapi import APIRouter
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.wire import Saved, saved
from ulna.core.kit.settings import Settings
from ulna.core.measure import RANGES, Length, Ruler, parse, text
from ulna.core.rules import RULES, Rule, Rules
from ulna.formats.documents import AnyLength, Doc
from ulna.store.states import Kept

router = APIRouter(prefix="/api", tags=["settings"])


class SettingsOut(BaseModel):
    saved: Saved
    settings: Doc[Settings]


class SettingsIn(BaseModel):
    settings: Doc[Settings]
    version: int


class Away(BaseModel):
    """Something that was put away, and why, where its owner said so."""

    kind: Literal["kit", "photo", "page", "template"]
    name: str
    why: str = ""
    saved: Saved


class LengthText(BaseModel):
    """A length as typed, within `range`, stepped by so many of the person's `marks`; `unit` is that of the page it is
    typed on, where a rule gives it one."""

    text: Annotated[str, Field(max_length=200)]
    unit: Literal["in", "mm"] | None = None
    range: Literal["size", "page size", "gap", "offset", "supply"] = "size"
    marks: Annotated[int, Field(ge=-1000, le=1000)] = 0


class LengthRead(BaseModel):
    """`length` is exact, with its unit; `shown` is in the person's unit to their mark."""

    length: str
    shown: str
    rounded: bool


class LengthTexts(BaseModel):
    lengths: Annotated[list[AnyLength], Field(max_length=500)]
    unit: Literal["in", "mm"] | None = None


def _out(kept: Kept[Settings]) -> SettingsOut:
    return SettingsOut(saved=saved(kept), settings=kept.body)


@router.get("/settings")
def get_settings(home: AtHome) -> SettingsOut:
    return _out(home.settings())


@router.put("/settings")
def put_settings(asked: SettingsIn, home: AtHome) -> SettingsOut:
    says = "changed how lengths are shown"
    return _out(home.all_settings.write("settings", asked.version, asked.settings, says))


@router.get("/rules")
def list_rules() -> list[Doc[Rule]]:
    """Every house rule with its options, the usual one first."""
    return list(RULES)


@router.get("/away")
def list_away(home: AtHome) -> list[Away]:
    """Kits, photos, templates and pages that were put away, the last one first."""
    return [_away(kept) for kept in home.library.all_away() if kept.kind in ("kit", "photo", "page", "template")]


def _away(kept: Kept[dict[str, object]]) -> Away:
    name, why = (str(kept.body.get(field, "")) for field in ("name", "waits_for"))
    return Away(kind=kept.kind, name=name, why=why, saved=saved(kept))  # type: ignore[arg-type]


@router.post("/lengths/read")
def read_length(asked: LengthText, home: AtHome) -> LengthRead:
    """The length that was typed, stepped by marks where asked. Refused outside its range."""
    ruler, allowed = home.ruler(Rules(unit=asked.unit)), RANGES[asked.range]
    length = parse(asked.text, ruler.unit)
    if asked.marks:
        length = min(max(ruler.step(length, asked.marks), allowed.least), allowed.most)
    return _shown(allowed.check(length, asked.text), ruler)


@router.post("/lengths/show")
def show_lengths(asked: LengthTexts, home: AtHome) -> list[LengthRead]:
    """Lengths in the person's unit, or the page's."""
    ruler = home.ruler(Rules(unit=asked.unit))
    return [_shown(length, ruler) for length in asked.lengths]


def _shown(length: Length, ruler: Ruler) -> LengthRead:
    shown = ruler.show(length)
    return LengthRead(length=text(length), shown=shown.text, rounded=shown.rounded)
