"""The printer itself: takes jobs, draws in sheet after sheet, stops where it cannot go on, and goes on when it can.

What it has to do lies in its folder, and what it has printed in its tray, so that it goes on where it was after it
was switched off. A sheet that was being printed then, or that jammed, is printed anew.
"""

from __future__ import annotations

import io
import json
import os
import secrets
import threading
import time
from pathlib import Path

from pypdf import PdfReader, PdfWriter
from pypdf.errors import PyPdfError

from ulna.core.errors import FieldError
from ulna.core.measure import Length, inches, mm
from ulna.formats.documents import Model
from ulna.machines.photo_printer.words import Job, Loaded, Printer

NAME = "Photo printer (simulated)"
SAME = mm(1)
"""Papers count as the same where they differ by less."""

TICK = 0.05
MOST_SHEETS = 500


class _Kept(Model):
    loaded: Loaded | None = None
    jammed: bool = False
    jobs: list[Job] = []


class Machine:
    def __init__(self, folder: Path, seconds_a_sheet: float = 2.0, margin: Length = inches(0, 1, 8)) -> None:
        self.folder, self.seconds, self.margin = folder, seconds_a_sheet, margin
        folder.mkdir(parents=True, exist_ok=True)
        self._state = folder / "printer.json"
        self._kept = _Kept.model_validate_json(self._state.read_text()) if self._state.exists() else _Kept()
        self._lock = threading.RLock()
        self._off = threading.Event()
        self._thread = threading.Thread(target=self._run, daemon=True)
        self._thread.start()

    def switch_off(self) -> None:
        self._off.set()
        self._thread.join(5)

    def stands(self) -> Printer:
        with self._lock:
            return Printer(
                name=NAME,
                margin=self.margin,
                seconds_a_sheet=self.seconds,
                loaded=self._kept.loaded,
                jammed=self._kept.jammed,
                jobs=list(self._kept.jobs),
            )

    def take(self, name: str, pdf: bytes) -> Job:
        """A job: every page of the PDF is a sheet, all of one size. Raises `FieldError`."""
        try:
            pages = PdfReader(io.BytesIO(pdf)).pages
            sizes = {(round(float(p.mediabox.width), 1), round(float(p.mediabox.height), 1)) for p in pages}
        except (PyPdfError, ValueError, KeyError, OSError, RecursionError) as error:
            raise FieldError("job", "", f"this is no PDF that can be printed ({error})", "send it again") from None
        if len(sizes) != 1 or len(pages) > MOST_SHEETS:
            raise FieldError(
                "job", len(pages), "its pages are of several sizes, or too many", "send one size at a time"
            )
        width, height = (Length(round(side / 72 * 914_400)) for side in sizes.pop())
        with self._lock:
            job = Job(
                id=f"job-{secrets.token_hex(6)}", name=name[:120], width=width, height=height, sheets=len(pages)
            )
            (self.folder / f"{job.id}.pdf").write_bytes(pdf)
            self._kept.jobs.append(job)
            self._keep()
            return job

    def job(self, id: str) -> Job:
        """Raises `FieldError`."""
        for job in self._kept.jobs:
            if job.id == id:
                return job
        raise FieldError("job", id, "there is no such job", "ask for the printer’s jobs")

    def cancel(self, id: str) -> Job:
        """Takes a job back; the sheet that is being printed comes out blank from there, and does not count."""
        with self._lock:
            job = self.job(id)
            if job.state not in ("done", "cancelled"):
                self._set(job, state="cancelled", trouble="", says="")
            return self.job(id)

    def load(self, paper: Loaded) -> Printer:
        """Puts paper in; what was in is taken out."""
        with self._lock:
            self._kept.loaded = paper
            self._keep()
            return self.stands()

    def jam(self, on: bool = True) -> Printer:
        """A sheet gets stuck, or is pulled out again."""
        with self._lock:
            if on and not self._kept.jammed and self._kept.loaded and self._kept.loaded.sheets:
                self._kept.loaded = self._kept.loaded.model_copy(update={"sheets": self._kept.loaded.sheets - 1})
            self._kept.jammed = on
            self._keep()
            return self.stands()

    def tray(self, id: str) -> bytes:
        """What a job has printed so far, as PDF. Raises `FieldError` where there is nothing yet."""
        job = self.job(id)
        if not job.printed:
            raise FieldError("job", id, "nothing of it is printed yet", "wait for its first sheet")
        writer = PdfWriter()
        for page in PdfReader(self.folder / f"{id}.pdf").pages[: job.printed]:
            writer.add_page(page)
        out = io.BytesIO()
        writer.write(out)
        return out.getvalue()

    # ---- at work ---------------------------------------------------------------------------------------

    def _run(self) -> None:
        begun: tuple[str, int] | None = None
        since = 0.0
        while not self._off.wait(TICK):
            with self._lock:
                job = next((j for j in self._kept.jobs if j.state in ("waiting", "printing", "stopped")), None)
                if job is None or not self._can_go_on(job):
                    begun = None
                    continue
                if begun != (job.id, job.printed):
                    begun, since = (job.id, job.printed), time.monotonic()
                    self._set(job, state="printing", trouble="", says="")
                elif time.monotonic() - since >= self.seconds:
                    self._sheet_done(job)

    def _can_go_on(self, job: Job) -> bool:
        loaded = self._kept.loaded
        left = f"{job.printed} of {job.sheets} are printed"
        if self._kept.jammed:
            self._stop(job, "jam", f"A sheet is stuck; {left}. Pull it out and say so.")
            return False
        if loaded is None or loaded.sheets < 1:
            self._stop(job, "no paper", f"Out of paper; {left}. Load more and it goes on.")
            return False
        sides, wanted = sorted((loaded.width, loaded.height)), sorted((job.width, job.height))
        if any(abs(a - b) >= SAME for a, b in zip(sides, wanted, strict=True)):
            self._stop(job, "other paper", f"{loaded.name} is loaded, but this job wants another size; {left}.")
            return False
        return True

    def _stop(self, job: Job, trouble: str, says: str) -> None:
        if (job.trouble, job.says) != (trouble, says):
            self._set(job, state="stopped", trouble=trouble, says=says)

    def _sheet_done(self, job: Job) -> None:
        loaded = self._kept.loaded
        if loaded is not None:
            self._kept.loaded = loaded.model_copy(update={"sheets": loaded.sheets - 1})
        printed = job.printed + 1
        self._set(job, printed=printed, state="done" if printed == job.sheets else "printing")

    def _set(self, job: Job, **changes: object) -> None:
        at = next(k for k, one in enumerate(self._kept.jobs) if one.id == job.id)
        new = job.model_copy(update=changes)
        if new != job:
            self._kept.jobs[at] = new
            self._keep()

    def _keep(self) -> None:
        new = self._state.with_suffix(".new")
        new.write_text(json.dumps(self._kept.model_dump(mode="json")))
        os.replace(new, self._state)
