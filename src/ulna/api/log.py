"""Routes: finished pages, the album, stories without a page, what has lain longest; all of it as a table, as a page."""

from __future__ import annotations

import csv
import io
from datetime import date, datetime
from html import escape
from typing import Annotated

from fastapi import APIRouter
from fastapi.responses import Response
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.wire import Saved, attachment, saved
from ulna.core.kit.finished import Facing, Finished, album, in_order
from ulna.formats.cut_csv import plain
from ulna.formats.documents import Doc
from ulna.household import log
from ulna.household.home import Household
from ulna.store.states import Kept

router = APIRouter(prefix="/api", tags=["log"])


class FinishedOut(BaseModel):
    """`words` find it: its name, story, people, papers and things."""

    saved: Saved
    entry: Doc[Finished]
    words: list[str]


class FacingOut(BaseModel):
    """Two places that face each other, by the ids of their pages; a double page that is `torn` apart says so."""

    left: str | None
    right: str | None
    torn: bool


class LainOut(BaseModel):
    what: str
    kind: str
    kit: str
    since: datetime


class LogOut(BaseModel):
    """Finished pages in the order of the album, pairs as they face each other, stories waiting for a page, what nobody
    has used yet."""

    finished: list[FinishedOut]
    album: list[FacingOut]
    waiting: list[str]
    lain: list[LainOut]


class Placed(BaseModel):
    """The pages of the album in a new order."""

    pages: Annotated[list[str], Field(max_length=5_000)]


def _found(kept: Kept[Finished]) -> FinishedOut:
    one = kept.body
    said = " ".join([one.name, one.story, one.people, *one.kits, *one.used, str(one.told or "")])
    return FinishedOut(saved=saved(kept), entry=one, words=sorted(set(said.lower().split())))


def _facing(one: Facing) -> FacingOut:
    left, right = (page.page if page is not None else None for page in (one.left, one.right))
    return FacingOut(left=left, right=right, torn=one.torn)


@router.get("/log")
def get_log(home: AtHome) -> LogOut:
    """The whole log."""
    kept = {one.body.page: one for one in home.finished.all()}
    ordered = in_order([one.body for one in kept.values()])
    waiting = [page.id for page in home.pages.all() if page.id not in kept and page.body.story.strip()]
    return LogOut(
        finished=[_found(kept[one.page]) for one in ordered],
        album=[_facing(one) for one in album(ordered)],
        waiting=waiting,
        lain=[LainOut(what=o.what, kind=o.kind, kit=o.kit, since=o.since) for o in log.lain_longest(home)],
    )


@router.get("/pages/{id}/finished")
def get_finished(id: str, home: AtHome) -> Doc[Finished]:
    """What the log says of a page; of one that is not in it what it would say."""
    found = next((one.body for one in home.finished.all() if one.body.page == id), None)
    return found or log.draft(home, id)


@router.put("/pages/{id}/finished")
def finish_page(id: str, asked: Doc[Finished], home: AtHome) -> FinishedOut:
    """Puts a page into the log, or puts the log right."""
    home.page(id)
    return _found(log.finish(home, asked))


@router.delete("/pages/{id}/finished", status_code=204)
def unfinish_page(id: str, home: AtHome) -> None:
    """The page is not finished after all; what the log said comes back with it."""
    kept = next((one for one in home.finished.all() if one.body.page == id), None)
    if kept is not None:
        home.finished.put_away(kept.id, kept.version, away=True)


@router.put("/log/order")
def order_album(asked: Placed, home: AtHome) -> LogOut:
    """The album in the order in which its pages are named."""
    log.place(home, asked.pages)
    return get_log(home)


COLUMNS = ("page", "day", "finished", "kits", "people", "minutes", "expected", "used", "story", "otherwise")


@router.get("/log.csv", response_class=Response)
def get_log_csv(home: AtHome) -> Response:
    """A row for every finished page."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\n")
    table.writerow(COLUMNS)
    for one in in_order([kept.body for kept in home.finished.all()]):
        minutes = sum(spent.minutes for spent in one.spent)
        row = (
            one.name, one.told or "", one.when.date(), "; ".join(one.kits), one.people, minutes, one.expected,
            "; ".join(one.used), one.story, one.otherwise,
        )  # fmt: skip
        table.writerow([plain(str(cell)) for cell in row])
    return attachment(out.getvalue().encode("utf-8-sig"), "log.csv", "text/csv; charset=utf-8")


@router.get("/log.html", response_class=Response)
def get_log_html(home: AtHome) -> Response:
    """One file with all finished pages, their pictures in it."""
    return attachment(log_html(home).encode(), "album.html", "text/html; charset=utf-8")


def log_html(home: Household) -> str:
    """The album as a page of its own."""
    said = []
    for one in in_order([kept.body for kept in home.finished.all()]):
        day = one.told.strftime("%-d %B %Y") if isinstance(one.told, date) else ""
        said.append(
            f"<article><h2>{escape(one.name)}</h2><p class=day>{day}</p>{log.picture_tag(home, one)}"
            f"<p>{escape(one.story).replace(chr(10), '<br>')}</p>"
            f"<p class=small>{escape(', '.join(one.used))}</p></article>"
        )
    style = (
        "body{font-family:Georgia,serif;max-width:60rem;margin:2rem auto;background:#f6f1e7;color:#2a2218}"
        "img{max-width:100%;box-shadow:2px 3px 8px #0004}.day,.small{color:#6b6152;font-size:.9rem}"
    )
    title = "The album"
    return (
        f'<!doctype html><html lang="en"><meta charset="utf-8"><title>{title}</title><style>{style}</style>'
        f"<h1>{title}</h1>{''.join(said)}</html>"
    )
