"""Prints made: the list of those that are wanted, laid on sheets, as files, and through the photo printer."""

from __future__ import annotations

import threading
from collections.abc import Callable, Sequence
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass, replace
from itertools import groupby
from typing import TYPE_CHECKING, Literal

from ulna.core.errors import UlnaError
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, Ruler
from ulna.core.page.evaluate import Evaluated
from ulna.core.photos import crop as cropping
from ulna.core.photos import print_sheets
from ulna.core.photos import template as templates
from ulna.core.photos.photo import Photo
from ulna.core.photos.print_list import PrintList, WantedPrint, usual
from ulna.core.photos.print_sheets import PrintPlan, PrintSheet, Wanted
from ulna.core.photos.prints import PIXELS_PER_INCH, Print, toned
from ulna.household.darkroom import WORKERS, Darkroom
from ulna.household.documents import Documents
from ulna.household.roll import Roll
from ulna.machines.photo_printer.line import Line
from ulna.store.errors import NotThere, Unreadable
from ulna.store.ids import new_id
from ulna.store.library import Library
from ulna.store.states import Kept

if TYPE_CHECKING:
    from ulna.formats.print_picture import Sheetful, Shot

Phase = Literal["making", "sending", "sent", "stopped", "failed"]


@dataclass(frozen=True, slots=True)
class Run:
    """A print run on its way to the printer: prints made so far, then the printer's jobs, one for each paper."""

    phase: Phase
    made: int
    of: int
    jobs: tuple[str, ...] = ()
    says: str = ""


class Stopped(UlnaError):
    """A run that a person stopped."""


class Printing:
    def __init__(self, library: Library, roll: Roll, darkroom: Darkroom, printer: str | None) -> None:
        self.roll, self.darkroom = roll, darkroom
        self.lists = Documents(library, "prints", PrintList)
        self.runs = Documents(library, "run", Run)
        self.line = Line(printer) if printer else None
        self._run: Run | None = None
        self._stop = threading.Event()
        self._lock = threading.Lock()

    # ---- the list --------------------------------------------------------------------------------------

    def kept(self, ruler: Ruler) -> Kept[PrintList]:
        """The list's document, made on first asking."""
        return self.lists.only(lambda: usual(ruler.unit))

    def of_page(self, page: str, evaluated: Evaluated) -> list[WantedPrint]:
        """The prints that a page is made of, each with the line at which the gutter will cut it."""
        found = []
        for piece in evaluated.pieces:
            print_ = piece.print
            if print_ is None or not print_.photo or piece.half == "right":
                continue
            at = piece.rect.right - piece.uncut.x + print_.cut_off.left if piece.half == "left" else None
            found.append(
                WantedPrint(
                    id=new_id("print"),
                    print=print_,
                    page=page,
                    part=piece.base_id,
                    cut_at=at,
                )
            )
        return found

    # ---- sheets ----------------------------------------------------------------------------------------

    def planned(self, list_: PrintList, photos: dict[str, Photo], ruler: Ruler) -> PrintPlan:
        """The sheets for a list, as they will be printed."""
        papers = [paper for paper in list_.papers if paper.use]
        wanted = [self._wanted(w, photos) for w in list_.wanted if w.copies]
        return print_sheets.plan(papers, wanted, list_.gap, ruler)

    def _wanted(self, one: WantedPrint, photos: dict[str, Photo]) -> Wanted:
        """With the cuts that take a template apart, where it is printed at its own size."""
        print_, across, down = one.print, list[Length](), list[Length]()
        if print_.photo in photos and (print_.photo or "").startswith("template-"):
            template = self.roll.templates.get(print_.photo or "").body
            if template.cut_apart and (template.width, template.height) == (print_.width, print_.height):
                across, down = templates.cuts(template)
        return Wanted(
            one.id,
            _name(one, photos),
            print_.width,
            print_.height,
            one.copies,
            one.cut_at,
            tuple(across),
            tuple(down),
        )

    def pictures(
        self,
        list_: PrintList,
        sheets: Sequence[PrintSheet],
        told: Callable[[int], None] = lambda _: None,
        stop: threading.Event | None = None,
    ) -> list[list[bytes]]:
        """For each sheet the JPEGs of its prints at 300 pixels an inch; `told` hears how many are made.

        Raises `Stopped` once `stop` is set.
        """
        from ulna.formats import print_picture

        photos, wanted = self.roll.photos(), {w.id: w for w in list_.wanted}
        ready = dict[tuple[str, Rect], bytes]()
        asked = list(dict.fromkeys((p.part.wanted, p.part.shows) for sheet in sheets for p in sheet.placed))

        def make(one: tuple[str, Rect]) -> bytes:
            if stop is not None and stop.is_set():
                raise Stopped("the print run was stopped")
            of = self._sheetful(wanted[one[0]].print, photos)
            shows = [side.inches for side in (one[1].x, one[1].y, one[1].width, one[1].height)]
            run = self.darkroom.run_alone if print_picture.is_large(of) else self.darkroom.run
            return run(print_picture.jpeg_at, _name(wanted[one[0]], photos), of, PIXELS_PER_INCH, shows)

        with ThreadPoolExecutor(WORKERS) as hands:
            for k, (one, data) in enumerate(zip(asked, hands.map(make, asked), strict=True), 1):
                ready[one] = data
                told(k)
        return [[ready[p.part.wanted, p.part.shows] for p in sheet.placed] for sheet in sheets]

    def pdf(self, list_: PrintList, plan: PrintPlan) -> bytes:
        from ulna.formats import print_pdf

        made = self.pictures(list_, plan.sheets)
        return print_pdf.write(list(zip(plan.sheets, made, strict=True)), "Print sheets")

    def png(self, list_: PrintList, sheet: PrintSheet) -> bytes:
        from ulna.formats import print_pdf

        return self.darkroom.run(print_pdf.picture, "sheet", sheet, self.pictures(list_, [sheet])[0])

    def _sheetful(self, print_: Print, photos: dict[str, Photo]) -> Sheetful:
        """What a print is made of; an empty white one where its photo is gone."""
        from ulna.formats.print_picture import Sheetful, Shot

        shots: tuple[Shot, ...] = ()
        photo = photos.get(print_.photo or "")
        if photo is not None and min(print_.seen) > ZERO:
            crop = cropping.crop(photo.pixels, print_.seen, photo.framing.by(print_.frame))
            at = print_.window.moved(print_.cut_off.left, print_.cut_off.top)
            if print_.shape != "rectangle":
                w, h = print_.seen
                at = Rect((print_.width - w).part(1, 2), (print_.height - h).part(1, 2), w, h)
            file = self._template(photo.id, photos) or self.roll.pictures.path(photo.id, "original")
            shots = (Shot(file, toned(photo.look, print_), crop, at),)
        return Sheetful(print_.width.inches, print_.height.inches, shots, print_)

    def _template(self, id: str, photos: dict[str, Photo]) -> Sheetful | None:
        from ulna.formats.print_picture import Sheetful

        if not id.startswith("template-"):
            return None
        template = self.roll.templates.get(id).body
        shots = self.roll.shots(template, photos, "original")
        return Sheetful(template.width.inches, template.height.inches, shots)

    # ---- the photo printer -----------------------------------------------------------------------------

    def printer(self) -> Line:
        """Raises `NoAnswer` where none is set up."""
        if self.line is None:
            raise Line("").absent()
        return self.line

    def run(self) -> Run | None:
        """The run that is under way, or how the last one ended, also before a restart."""
        if self._run is not None:
            return self._run
        try:
            last = self.runs.get("run").body
        except (NotThere, Unreadable):
            return None
        if last.phase not in ("making", "sending"):
            return last
        sent = f"{len(last.jobs)} of its jobs had been sent; look at the printer first" if last.jobs else ""
        return replace(last, phase="failed", says=f"Ulna was closed during the run; {sent or 'start it again'}")

    def start(self, list_: PrintList, plan: PrintPlan) -> Run:
        """Begins a print run in the background, unless one is on its way. Raises `NoAnswer`."""
        line = self.printer()
        line.stands()
        with self._lock:
            if self._run is not None and self._run.phase in ("making", "sending"):
                return self._run
            self._stop.clear()
            prints = {(p.part.wanted, p.part.shows) for sheet in plan.sheets for p in sheet.placed}
            self._run = Run("making", 0, len(prints))
            self._keep(self._run)
        threading.Thread(target=self._print, args=(line, list_, plan), daemon=True).start()
        return self._run

    def stop(self) -> Run | None:
        """Stops a run that is being made, and takes back the jobs that were sent."""
        self._stop.set()
        run, says = self.run(), "The run was stopped."
        if run is None:
            return None
        try:
            for job in run.jobs:
                self.printer().cancel(job)
        except UlnaError as error:
            says = f"The run was stopped here, but {error}"
        self._run = replace(run, phase="stopped", says=says)
        self._keep(self._run)
        return self._run

    def _print(self, line: Line, list_: PrintList, plan: PrintPlan) -> None:
        from ulna.formats import print_pdf

        try:
            made = self.pictures(list_, plan.sheets, lambda k: self._now(made=k), self._stop)
            self._now(phase="sending")
            pairs = sorted(zip(plan.sheets, made, strict=True), key=lambda pair: pair[0].paper.id)
            for paper, some in groupby(pairs, key=lambda pair: pair[0].paper):
                if self._stop.is_set():
                    raise Stopped("the print run was stopped")
                job = line.send(f"Prints on {paper.name}", print_pdf.write(list(some), "Print sheets"))
                run = self._run
                self._now(jobs=(*(run.jobs if run else ()), job.id))
            self._now(phase="sent")
        except Stopped:
            self._now(phase="stopped", says="The run was stopped.")
        except (UlnaError, OSError) as error:
            self._now(phase="failed", says=str(error))

    def _now(self, **changes: object) -> None:
        with self._lock:
            if self._run is not None and self._run.phase != "stopped":
                self._run = replace(self._run, **changes)  # type: ignore[arg-type]
                if "made" not in changes:
                    self._keep(self._run)

    def _keep(self, run: Run) -> None:
        """So that it is known after a restart."""
        try:
            self.runs.write("run", self.runs.get("run").version, run, run.phase)
        except NotThere:
            self.runs.add(run, run.phase, id="run")
        except Unreadable:
            pass


def _name(wanted: WantedPrint, photos: dict[str, Photo]) -> str:
    photo = photos.get(wanted.print.photo or "")
    return photo.name if photo else "a photo that is gone"
