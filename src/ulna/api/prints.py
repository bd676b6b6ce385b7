"""Routes: the prints that are wanted, and the sheets they lie on."""

from __future__ import annotations

from fastapi import APIRouter
from fastapi.responses import Response

from ulna.api.at_home import AtHome
from ulna.api.kits import attachment
from ulna.api.schemas import (
    LeftOut,
    Picture,
    PlacedOut,
    PrintListAsked,
    PrintListIn,
    PrintListOut,
    PrintPicture,
    PrintPlanOut,
    PrintSheetOut,
    Step,
    WordsOut,
    saved,
)
from ulna.core.errors import FieldError
from ulna.core.geometry.rects import Rect as CoreRect
from ulna.core.measure import ZERO
from ulna.core.page_formats import of_kind
from ulna.core.parts.pieces import Ground
from ulna.core.parts.printed import lay
from ulna.core.photos.print_sheets import PrintPlan, PrintSheet
from ulna.core.photos.prints import words
from ulna.formats.cuts import Rect
from ulna.formats.print_list import PrintList
from ulna.formats.recipe import Recipe
from ulna.household.home import Household
from ulna.store.errors import NotThere
from ulna.store.library import Kept

router = APIRouter(prefix="/api", tags=["prints"])


# ---- the list ----------------------------------------------------------------------------------------


def _list_out(kept: Kept, home: Household) -> PrintListOut:
    prints, photos, ruler = PrintList.model_validate(kept.body), home.photos(), home.ruler()
    named = {w.id: photos.get(w.print.photo or "") for w in prints.wanted}
    return PrintListOut(
        saved=saved(kept),
        prints=prints,
        names={id: photo.name if photo else "a photo that is gone" for id, photo in named.items()},
        says={w.id: words(w.print.value(), ruler) for w in prints.wanted},
    )


@router.get("/prints")
def get_prints(home: AtHome) -> PrintListOut:
    return _list_out(home.printing.kept(home.ruler()), home)


@router.put("/prints")
def put_prints(asked: PrintListIn, home: AtHome) -> PrintListOut:
    body = asked.prints.model_dump(mode="json")
    return _list_out(home.library.write("prints", "prints", asked.version, body, asked.what, asked.series), home)


@router.post("/prints/undo")
def undo_prints(step: Step, home: AtHome) -> PrintListOut:
    return _list_out(home.library.undo("prints", "prints", step.version), home)


@router.post("/prints/redo")
def redo_prints(step: Step, home: AtHome) -> PrintListOut:
    return _list_out(home.library.redo("prints", "prints", step.version), home)


@router.post("/prints/of-page/{id}")
def want_prints_of_page(id: str, step: Step, home: AtHome) -> PrintListOut:
    """Puts every print of a page on the list; what the page had there before is taken off first."""
    page = Recipe.model_validate(home.library.get("page", id).body)
    plan = page.value()
    kept = home.printing.kept(home.ruler())
    prints = PrintList.model_validate(kept.body)
    coming = home.printing.of_page(id, home.evaluated(plan, id))
    wanted = [*(w for w in prints.wanted if w.page != id), *coming]
    body = prints.model_copy(update={"wanted": wanted}).model_dump(mode="json")
    body = PrintList.model_validate(body).model_dump(mode="json")
    written = home.library.write("prints", "prints", step.version, body, f"wanted the prints of {page.name}")
    return _list_out(written, home)


@router.post("/prints/plan")
def plan_prints(asked: PrintListAsked, home: AtHome) -> PrintPlanOut:
    """A list laid on sheets."""
    prints = asked.prints
    plan = home.printing.planned(prints, home.photos(), home.ruler())
    ground = Ground(of_kind("12x12"), home.shelf(), home.photos(), home.ruler())
    pictures = {}
    for wanted in prints.wanted:
        print_ = wanted.print.value()
        whole = type(print_)(**{**_fields(print_), "rim_off": False, "trim": ZERO})
        piece, _ = lay("p", "print", whole, CoreRect(ZERO, ZERO, *whole.lies), ground)
        pictures[wanted.id] = PrintPicture(
            width=whole.width, height=whole.height, picture=Picture.from_value(piece.picture)
        )
    return PrintPlanOut(
        sheets=[_sheet_out(sheet, home) for sheet in plan.sheets],
        left=[LeftOut.from_value(left) for left in plan.left],
        notes=list(plan.notes),
        pictures=pictures,
    )


def _fields(print_: object) -> dict[str, object]:
    return {name: getattr(print_, name) for name in type(print_).__dataclass_fields__}  # type: ignore[attr-defined]


def _sheet_out(sheet: PrintSheet, home: Household) -> PrintSheetOut:
    paper = sheet.paper
    return PrintSheetOut(
        paper=paper.id,
        says=f"{paper.name}, {home.ruler().say_size(paper.width, paper.height)}",
        width=paper.width,
        height=paper.height,
        printable=Rect.from_value(paper.printable),
        placed=[
            PlacedOut(
                wanted=p.part.wanted,
                label=p.part.label,
                at=Rect.from_value(p.at),
                turned=p.turned,
                shows=Rect.from_value(p.part.shows),
            )
            for p in sheet.placed
        ],
        ticks=[Rect.from_value(t) for t in sheet.ticks],
        labels=[WordsOut.from_value(label) for label in sheet.labels],
        line=WordsOut.from_value(sheet.line) if sheet.line else None,
    )


# ---- files -------------------------------------------------------------------------------------------


def planned(home: Household) -> tuple[PrintList, PrintPlan]:
    """The list as it is kept, laid on sheets. Raises `FieldError` where there is nothing to print."""
    prints = PrintList.model_validate(home.printing.kept(home.ruler()).body)
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
