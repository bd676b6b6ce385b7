"""Routes: how the household measures, and lengths as people write them."""

from __future__ import annotations

from fastapi import APIRouter

from ulna.api.at_home import AtHome
from ulna.api.schemas import Away, LengthRead, LengthText, LengthTexts, SettingsIn, SettingsOut, saved
from ulna.core.measure import RANGES, Length, Ruler, parse, text
from ulna.formats.settings import Settings
from ulna.store.library import Kept

router = APIRouter(prefix="/api", tags=["settings"])


def _out(kept: Kept) -> SettingsOut:
    return SettingsOut(saved=saved(kept), settings=Settings.model_validate(kept.body))


@router.get("/settings")
def get_settings(home: AtHome) -> SettingsOut:
    return _out(home.settings())


@router.put("/settings")
def put_settings(asked: SettingsIn, home: AtHome) -> SettingsOut:
    body = asked.settings.model_dump(mode="json")
    return _out(home.library.write("settings", "settings", asked.version, body, "changed how lengths are shown"))


@router.get("/away")
def list_away(home: AtHome) -> list[Away]:
    """Kits, photos, templates and pages that were put away, the last one first."""
    return [
        Away(kind=kept.kind, name=str(kept.body.get("name", "")), saved=saved(kept))  # type: ignore[arg-type]
        for kept in home.library.all_away()
        if kept.kind in ("kit", "photo", "page", "template")
    ]


@router.post("/lengths/read")
def read_length(asked: LengthText, home: AtHome) -> LengthRead:
    """The length that was typed, stepped by marks where asked. Refused outside its range."""
    ruler, allowed = home.ruler(), RANGES[asked.range]
    length = parse(asked.text, ruler.unit)
    if asked.marks:
        length = min(max(ruler.step(length, asked.marks), allowed.least), allowed.most)
    return _shown(allowed.check(length, asked.text), ruler)


@router.post("/lengths/show")
def show_lengths(asked: LengthTexts, home: AtHome) -> list[LengthRead]:
    """Lengths in the person's unit."""
    ruler = home.ruler()
    return [_shown(length, ruler) for length in asked.lengths]


def _shown(length: Length, ruler: Ruler) -> LengthRead:
    shown = ruler.show(length)
    return LengthRead(length=text(length), shown=shown.text, rounded=shown.rounded)
