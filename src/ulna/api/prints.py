"""Routes: the prints that are wanted, and the sheets they lie on."""

from __future__ import annotations

from dataclasses import replace

from fastapi import APIRouter
from fastapi.responses import Response
from pydantic import BaseModel

from ulna.api.at_home import AtHome
from ulna.api.drawn import Picture
from ulna.api.wire import Edit, Saved, Step, What, attachment, saved
from ulna.core.errors import FieldError
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO
from ulna.core.page_formats import of_kind
from ulna.core.parts.pieces import Ground
from ulna.core.parts.printed import lay
from ulna.core.photos.print_list import PrintList
from ulna.core.photos.print_sheets import Left, PrintPlan, PrintSheet, Words
from ulna.core.photos.prints import words
from ulna.formats.documents import AnyLength, Doc
from ulna.household.home import Household
from ulna.store.errors import NotThere
from ulna.store.states import Kept

router = APIRouter(prefix="/api", tags=["prints"])


class PrintListOut(BaseModel):
    """`names` are the photos' by wanted print, `says` each print in words."""

    saved: Saved
    prints: Doc[PrintList]
    names: dict[str, str]
    says: dict[str, str]


class PrintListIn(Edit):
    prints: Doc[PrintList]
    what: What = "changed the print list"


class PlacedOut(BaseModel):
    """A print or a part of one on its sheet; `shows` is which part of the print it is."""

    wanted: str
    label: str
    at: Doc[Rect]
    turned: bool
    shows: Doc[Rect]


class PrintSheetOut(BaseModel):
    paper: str
    says: str
    width: AnyLength
    height: AnyLength
    printable: Doc[Rect]
    placed: list[PlacedOut]
    ticks: list[Doc[Rect]]
    labels: list[Doc[Words]]
    line: Doc[Words] | None


class PrintPicture(BaseModel):
    """How a wanted print looks on the screen: the window of its picture, as on a page."""

    width: AnyLength
    height: AnyLength
    picture: Picture


class PrintPlanOut(BaseModel):
    sheets: list[PrintSheetOut]
    left: list[Doc[Left]]
    notes: list[str]
    pictures: dict[str, PrintPicture]


class PrintListAsked(BaseModel):
    prints: Doc[PrintList]


# ---- the list ----------------------------------------------------------------------------------------


def list_out(kept: Kept[PrintList], home: Household) -> PrintListOut:
    prints, photos, ruler = kept.body, home.photos(), home.ruler()
    named = {w.id: photos.get(w.print.photo or "") for w in prints.wanted}
    return PrintListOut(
        saved=saved(kept),
        prints=prints,
        names={id: photo.name if photo else "a photo that is gone" for id, photo in named.items()},
        says={w.id: words(w.print, ruler) for w in prints.wanted},
    )


@router.get("/prints")
def get_prints(home: AtHome) -> PrintListOut:
    return list_out(home.printing.kept(home.ruler()), home)


@router.put("/prints")
def put_prints(asked: PrintListIn, home: AtHome) -> PrintListOut:
    lists = home.printing.lists
    return list_out(lists.write("prints", asked.version, asked.prints, asked.what, asked.series), home)


@router.post("/prints/undo")
def undo_prints(step: Step, home: AtHome) -> PrintListOut:
    return list_out(home.printing.lists.undo("prints", step.version), home)


@router.post("/prints/redo")
def redo_prints(step: Step, home: AtHome) -> PrintListOut:
    return list_out(home.printing.lists.redo("prints", step.version), home)


@router.post("/prints/of-page/{id}")
def want_prints_of_page(id: str, step: Step, home: AtHome) -> PrintListOut:
    """Puts every print of a page on the list; what the page had there before is taken off first."""
    return list_out(home.want_prints_of(id, step.version), home)


@router.post("/prints/plan")
def plan_prints(asked: PrintListAsked, home: AtHome) -> PrintPlanOut:
    """A list laid on sheets."""
    plan = home.printing.planned(asked.prints, home.photos(), home.ruler())
    ground = Ground(of_kind("12x12"), home.shelf(), home.photos(), home.ruler(), home.faces(), {})
    pictures = {}
    for wanted in asked.prints.wanted:
        whole = replace(wanted.print, rim_off=False, trim=ZERO)
        piece, _ = lay("p", "print", whole, Rect(ZERO, ZERO, *whole.lies), ground)
        picture = Picture.model_validate(piece.picture)
        pictures[wanted.id] = PrintPicture(width=whole.width, height=whole.height, picture=picture)
    return PrintPlanOut(
        sheets=[_sheet_out(sheet, home) for sheet in plan.sheets],
        left=list(plan.left),
        notes=list(plan.notes),
        pictures=pictures,
    )


def _sheet_out(sheet: PrintSheet, home: Household) -> PrintSheetOut:
    paper = sheet.paper
    return PrintSheetOut(
        paper=paper.id,
        says=f"{paper.name}, {home.ruler().say_size(paper.width, paper.height)}",
        width=paper.width,
        height=paper.height,
        printable=paper.printable,
        placed=[
            PlacedOut(wanted=p.part.wanted, label=p.part.label, at=p.at, turned=p.turned, shows=p.part.shows)
            for p in sheet.placed
        ],
        ticks=list(sheet.ticks),
        labels=list(sheet.labels),
        line=sheet.line,
    )


# ---- files -------------------------------------------------------------------------------------------


def planned(home: Household) -> tuple[PrintList, PrintPlan]:
    """The list as it is kept, laid on sheets. Raises `FieldError` where there is nothing to print."""
    prints = home.printing.kept(home.ruler()).body
    plan = home.printing.planned(prints, home.photos(), home.ruler())
    if not plan.sheets:
        reason = plan.left[0].sentence if plan.left else "no print is wanted"
        raise FieldError("prints", "", reason, "add prints, and choose a paper for them")
    return prints, plan


@router.get("/prints/sheets.pdf", response_class=Response)
def sheets_as_pdf(home: AtHome) -> Response:
    prints, plan = planned(home)
    return attachment(home.printing.pdf(prints, plan), "print sheets.pdf", "application/pdf")


@router.get("/prints/sheets/{number}.png", response_class=Response)
def sheet_as_png(number: int, home: AtHome) -> Response:
    """The sheet at that place, counted from 1, at 300 pixels an inch."""
    prints, plan = planned(home)
    if not 1 <= number <= len(plan.sheets):
        raise NotThere("sheet", str(number))
    data = home.printing.png(prints, plan.sheets[number - 1])
    return attachment(data, f"print sheet {number}.png", "image/png")
