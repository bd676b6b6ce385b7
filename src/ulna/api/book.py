"""Routes: the kit's book, what there was of every paper, what was cut, what is left and what it can make."""

from __future__ import annotations

import csv
import io
from dataclasses import replace
from datetime import datetime
from fractions import Fraction
from typing import Literal

from fastapi import APIRouter
from fastapi.responses import Response
from pydantic import BaseModel

from ulna.api.at_home import AtHome
from ulna.api.wire import attachment
from ulna.core.cutting.cut_list import CutSheet
from ulna.core.kit import book
from ulna.core.kit.cutting import Cutting
from ulna.core.measure import Ruler, decimal
from ulna.core.paper.yields import makes
from ulna.formats.cut_csv import plain
from ulna.formats.documents import Doc
from ulna.household import things
from ulna.household.home import Household

router = APIRouter(prefix="/api", tags=["book"])


class AreasOut(BaseModel):
    """Shares of what there was, from 0 to 1; `says` in words, in the person's unit."""

    pieces: float
    scraps: float
    open: float
    whole: float
    waste: float
    says: str


class SheetOut(BaseModel):
    """A begun sheet or scrap; `when` its last cut was made, `pieces` what came of it, in words."""

    called: str
    page: str
    page_name: str
    when: datetime | None
    sheet: Doc[CutSheet]
    ticked: list[str]
    pieces: list[str]


class ScrapOut(BaseModel):
    name: str
    size: str


class KeptBack(BaseModel):
    page: str
    page_name: str
    count: int


class MakeOut(BaseModel):
    what: str
    count: int


class PaperBook(BaseModel):
    paper: str
    name: str
    had: int
    over: int
    left: int
    kept_back: list[KeptBack]
    used_up: bool
    areas: AreasOut
    sheets: list[SheetOut]
    scraps: list[ScrapOut]
    makes: list[MakeOut]


class UseOut(BaseModel):
    """How many, or what length, a page takes of a thing."""

    page: str
    page_name: str
    says: str


class ThingBook(BaseModel):
    """A thing: what there was and what is left of it, in words, and which pages take it."""

    thing: str
    name: str
    had: str
    left: str
    used: list[UseOut]


class KitBook(BaseModel):
    """`pages` is how many pages were cut or take things from it."""

    kit: str
    name: str
    kind: Literal["kit", "stash", "scraps"]
    pages: int
    areas: AreasOut
    papers: list[PaperBook]
    things: list[ThingBook]


@router.get("/book")
def get_book(home: AtHome) -> list[KitBook]:
    """Kits in the order in which they came, their papers in the order of the kit."""
    cuttings, ruler = home.cuttings(), home.ruler()
    lists = {page: cutting.begun for page, cutting in cuttings.items()}
    entries = {e.paper.id: e for e in book.book(home.shelf(), lists, home.least_scrap())}
    names = {kept.id: kept.body.name for kept in home.pages.all()}
    keeps = home.keeps()
    stuck_on = _things(home, names, ruler)
    out = []
    for kept in home.kits.all():
        kit = kept.body
        found = [entries[paper.id] for paper in kit.papers if paper.id in entries]
        total = sum((e.areas for e in found), book.Areas())
        papers = []
        for entry in found:
            mine = {page: keep for page, all in keeps.items() if (keep := all.get(entry.paper.id))}
            papers.append(_paper(entry, mine, names, home, ruler))
        mine_too = [stuck_on[thing.id] for thing in kit.things if thing.id in stuck_on]
        gave = {sheet.page for paper in papers for sheet in paper.sheets}
        gave |= {use.page for thing in mine_too for use in thing.used}
        out.append(
            KitBook(
                kit=kept.id, name=kit.name, kind=kit.kind, pages=len(gave), areas=_areas(total, ruler), papers=papers,
                things=mine_too,
            )
        )  # fmt: skip
    return out


def _things(home: Household, names: dict[str, str], ruler: Ruler) -> dict[str, ThingBook]:
    """Every thing that runs out, by its id."""
    shelf, takings = home.shelf(), things.all_takings(home)
    counted, lengths = things.left_by(shelf, takings)
    found = {}
    for id, thing in shelf.things.items():
        if not thing.runs_out:
            continue
        by_length = thing.length is not None
        used = [
            UseOut(
                page=page, page_name=names.get(page, ""),
                says=ruler.say(long) if by_length else _halves(halves),
            )
            for page, of, halves, long in takings if of == id
        ]  # fmt: skip
        had = ruler.say(shelf.lengths_left[id]) if by_length else str(thing.there)
        left = ruler.say(lengths[id]) if by_length else str(max(0, counted[id]))
        found[id] = ThingBook(thing=id, name=thing.name, had=had, left=left, used=used)
    return found


def _halves(count: int) -> str:
    """So many halves as people count things: 1½."""
    whole, half = divmod(count, 2)
    return f"{whole or ''}{'½' if half else ''}" or "0"


@router.get("/book.csv", response_class=Response)
def get_book_as_csv(home: AtHome) -> Response:
    """What was cut, a row a piece: kit, paper, sheet, page, piece, its size as numbers, when."""
    unit = home.ruler().unit
    out = io.StringIO(newline="")
    writer = csv.writer(out, lineterminator="\r\n")
    sizes = [f"width ({unit})", f"height ({unit})"]
    writer.writerow(["kit", "paper", "sheet", "page", "piece", *sizes, "cut on"])
    cuttings = home.cuttings()
    lists = {page: cutting.begun for page, cutting in cuttings.items()}
    entries = {e.paper.id: e for e in book.book(home.shelf(), lists, home.least_scrap())}
    names = {kept.id: kept.body.name for kept in home.pages.all()}
    for kept in home.kits.all():
        kit = kept.body
        for entry in (entries[p.id] for p in kit.papers if p.id in entries):
            for one in entry.sheets:
                when = _when(one, cuttings[one.page])
                for p in one.pieces:
                    words = [kit.name, entry.paper.name, one.sheet.called, names.get(one.page, ""), p.name]
                    numbers = [decimal(size, unit) for size in p.lies]
                    writer.writerow([*map(plain, words), *numbers, when.date().isoformat() if when else ""])
    return attachment(b"\xef\xbb\xbf" + out.getvalue().encode(), "the book.csv", "text/csv; charset=utf-8")


def _when(one: book.SheetEntry, cutting: Cutting) -> datetime | None:
    """When the last cut of a sheet was made."""
    return max((at for key, at in cutting.when.items() if key.startswith(f"{one.sheet.key}/")), default=None)


def _paper(
    entry: book.PaperEntry, keeps: dict[str, int], names: dict[str, str], home: Household, ruler: Ruler
) -> PaperBook:
    """As it was worked out before, where nothing of it has changed."""
    called = {page: names.get(page, "") for page in (*keeps, *(one.page for one in entry.sheets))}
    key, known = (entry, keeps, called, ruler), home.lasting.setdefault("book", {})
    found = known.get(entry.paper.id)
    if found is None or found[0] != key:
        found = known[entry.paper.id] = key, _worked_out(entry, keeps, called, home, ruler)
    worked: PaperBook = found[1]
    return worked


def _worked_out(
    entry: book.PaperEntry, keeps: dict[str, int], names: dict[str, str], home: Household, ruler: Ruler
) -> PaperBook:
    cuttings = home.cuttings()
    sheets = []
    for one in entry.sheets:
        sheets.append(
            SheetOut(
                called=one.sheet.called,
                page=one.page,
                page_name=names.get(one.page, ""),
                when=_when(one, cuttings[one.page]),
                sheet=one.sheet,
                ticked=sorted(one.ticked & {step.key for step in one.sheet.steps}),
                pieces=[f"{p.name}, {ruler.say_size(p.rect.width, p.rect.height)}" for p in one.pieces],
            )
        )
    whole = replace(entry.paper, count=entry.left)
    return PaperBook(
        paper=entry.paper.id,
        name=entry.paper.name,
        had=entry.had,
        over=entry.over,
        left=entry.left,
        kept_back=[KeptBack(page=p, page_name=names.get(p, ""), count=n) for p, n in keeps.items()],
        used_up=entry.used_up,
        areas=_areas(entry.areas, ruler),
        sheets=sheets,
        scraps=[ScrapOut(name=p.name, size=ruler.say_size(p.width, p.height)) for p in entry.scraps],
        makes=[MakeOut(what=m.what, count=m.count) for m in makes([whole, *entry.scraps], ruler) if m.count],
    )


def _areas(areas: book.Areas, ruler: Ruler) -> AreasOut:
    had = areas.had or Fraction(1)
    return AreasOut(
        pieces=float(areas.pieces / had),
        scraps=float(areas.scraps / had),
        open=float(areas.open / had),
        whole=float(areas.whole / had),
        waste=float(areas.waste / had),
        says=book.words(areas, ruler),
    )
