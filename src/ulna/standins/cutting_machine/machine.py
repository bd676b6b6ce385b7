"""The cutting machine itself: takes a sheet and its lines, goes along one after the other, stops where it cannot go on,
and goes on when it can.

What it has to do and what has become of it lies in its folder, so that it goes on where it was after it was switched
off. The line it was at then is gone along anew.
"""

from __future__ import annotations

import os
import secrets
import threading
import time
from pathlib import Path

from ulna.core.errors import FieldError
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches
from ulna.formats.documents import Model
from ulna.machines.cutting_machine.words import CuttingMachine, Job, LineOut
from ulna.standins.cutting_machine import reading, way

NAME = "Cutting machine (simulated)"
WIDTH, HEIGHT, MARGIN, SMALLEST = inches(12, 1, 2), inches(24), inches(0, 1, 4), inches(0, 3, 16)
BLADE = 4_000.0
"""Inches that a new blade cuts well."""
TICK = 0.04
MOST_JOBS = 200
UNFINISHED = ("waiting", "cutting", "paused", "stopped")


class _Kept(Model):
    blade: float = BLADE
    bed_full: bool = False
    jobs: list[Job] = []


class Machine:
    def __init__(self, folder: Path, speed: float = 4.0) -> None:
        self.folder, self.speed = folder, speed
        folder.mkdir(parents=True, exist_ok=True)
        self._state = folder / "machine.json"
        self._kept = _Kept.model_validate_json(self._state.read_text()) if self._state.exists() else _Kept()
        self._lock = threading.RLock()
        self._off = threading.Event()
        self._along = 0.0
        self._thread = threading.Thread(target=self._run, daemon=True)
        self._thread.start()

    def switch_off(self) -> None:
        self._off.set()
        self._thread.join(5)

    def stands(self) -> CuttingMachine:
        with self._lock:
            return CuttingMachine(
                name=NAME, width=WIDTH, height=HEIGHT, margin=MARGIN, smallest=SMALLEST, blade=self._kept.blade,
                bed_full=self._kept.bed_full, jobs=list(self._kept.jobs),
            )  # fmt: skip

    def look(self, name: str, width: Length, height: Length, data: bytes) -> Job:
        """What it would do with a sheet of that size, its top left corner in the bed's: its lines in their order, how
        long. Nothing of it is kept. Raises `FieldError`."""
        lines = reading.lines(data)
        sheet, bed = Rect(ZERO, ZERO, width, height), Rect(ZERO, ZERO, WIDTH, HEIGHT)
        way.checked(lines, sheet, bed, MARGIN, SMALLEST)
        ordered = way.in_order(lines)
        return Job(
            id=f"job-{secrets.token_hex(6)}", name=name[:120], width=width, height=height, lines=ordered,
            left=round(way.seconds(ordered, self.speed), 1),
        )  # fmt: skip

    def take(self, name: str, width: Length, height: Length, data: bytes) -> Job:
        """Takes a sheet and begins once its turn comes. Raises `FieldError`."""
        job = self.look(name, width, height, data)
        with self._lock:
            self._kept.jobs = [*self._kept.jobs, job][-MOST_JOBS:]
            self._keep()
            return job

    def job(self, id: str) -> Job:
        """Raises `FieldError`."""
        for job in self._kept.jobs:
            if job.id == id:
                return job
        raise FieldError("job", id, "there is no such job", "ask for the machine’s jobs")

    def pause(self, id: str) -> Job:
        return self._told(id, ("waiting", "cutting", "stopped"), state="paused")

    def resume(self, id: str) -> Job:
        return self._told(id, ("paused",), state="waiting")

    def cancel(self, id: str) -> Job:
        """Ends a job where it is; the sheet stays on the bed."""
        with self._lock:
            begun = any(line.fate != "to do" for line in self.job(id).lines)
            job = self._told(id, UNFINISHED, state="cancelled", trouble="", says="")
            if begun and job.state == "cancelled":
                self._kept.bed_full = True
                self._keep()
            return job

    def _told(self, id: str, where: tuple[str, ...], **changes: object) -> Job:
        with self._lock:
            job = self.job(id)
            if job.state in where:
                self._set(job, **changes)
            return self.job(id)

    # ---- hands at the machine --------------------------------------------------------------------------

    def slip(self) -> CuttingMachine:
        """The paper moves under the blade: the line that is being cut is spoiled."""
        with self._lock:
            job = next((j for j in self._kept.jobs if j.state in ("cutting", "paused", "waiting")), None)
            if job is not None:
                at = next((k for k, line in enumerate(job.lines) if line.fate == "to do"), None)
                if at is not None:
                    lines = list(job.lines)
                    lines[at] = lines[at].model_copy(update={"fate": "spoiled"})
                    self._set(job, lines=lines)
                    self._stop(self.job(job.id), "paper slipped", _slipped(lines, at))
                self._along = 0.0
            return self.stands()

    def straighten(self) -> CuttingMachine:
        """The paper is laid straight again, its corner in the bed's."""
        return self._free("paper slipped")

    def new_blade(self) -> CuttingMachine:
        with self._lock:
            self._kept.blade = BLADE
            return self._free("blade worn")

    def wear(self) -> CuttingMachine:
        """The blade is worn at once."""
        with self._lock:
            self._kept.blade = 0.0
            self._keep()
            return self.stands()

    def empty(self) -> CuttingMachine:
        """What is cut is taken off the bed."""
        with self._lock:
            self._kept.bed_full = False
            return self._free("bed full")

    def _free(self, trouble: str) -> CuttingMachine:
        with self._lock:
            for job in list(self._kept.jobs):
                if job.state == "stopped" and job.trouble == trouble:
                    self._set(job, state="waiting", trouble="", says="")
            self._keep()
            return self.stands()

    # ---- at work ---------------------------------------------------------------------------------------

    def _run(self) -> None:
        before = time.monotonic()
        while not self._off.wait(TICK):
            now = time.monotonic()
            passed, before = now - before, now
            with self._lock:
                job = next(
                    (j for j in self._kept.jobs if j.state in ("waiting", "cutting", "stopped", "paused")), None
                )
                if (
                    job is None
                    or job.state == "paused"
                    or (job.state == "stopped" and job.trouble == "paper slipped")
                ):
                    continue
                if self._can_go_on(job):
                    self._go_along(job, passed * self.speed)

    def _can_go_on(self, job: Job) -> bool:
        begun = any(line.fate != "to do" for line in job.lines)
        if self._kept.bed_full and not begun:
            self._stop(job, "bed full", "A sheet that is cut lies on the bed. Take it off and say so.")
            return False
        if self._kept.blade <= 0:
            self._stop(job, "blade worn", f"The blade is worn; {_so_far(job.lines)}. Change it and it goes on.")
            return False
        return True

    def _go_along(self, job: Job, by: float) -> None:
        lines = list(job.lines)
        self._along += by
        for k, line in enumerate(lines):
            if line.fate != "to do":
                continue
            needs = way.length(line) + way.LIFT * self.speed
            if self._along < needs:
                break
            self._along -= needs
            self._kept.blade = max(0.0, self._kept.blade - way.length(line))
            lines[k] = line.model_copy(update={"fate": "done"})
            if self._kept.blade <= 0:
                break
        left = round(max(0.0, way.seconds(lines, self.speed) - self._along / self.speed), 1)
        over = all(line.fate != "to do" for line in lines)
        done = sum(line.fate != "to do" for line in lines)
        self._set(job, lines=lines, done=done, left=left, state="done" if over else "cutting", trouble="", says="")
        if over:
            self._kept.bed_full, self._along = True, 0.0
            self._keep()

    def _stop(self, job: Job, trouble: str, says: str) -> None:
        if (job.trouble, job.says) != (trouble, says):
            self._set(job, state="stopped", trouble=trouble, says=says)

    def _set(self, job: Job, **changes: object) -> None:
        at = next(k for k, one in enumerate(self._kept.jobs) if one.id == job.id)
        new = job.model_copy(update=changes)
        if new != job:
            self._kept.jobs[at] = new
            if {"state", "done"} & changes.keys():
                self._keep()

    def _keep(self) -> None:
        new = self._state.with_suffix(".new")
        new.write_text(self._kept.model_dump_json())
        os.replace(new, self._state)


def _so_far(lines: list[LineOut]) -> str:
    return f"{sum(line.fate == 'done' for line in lines)} of {len(lines)} lines are cut"


def _slipped(lines: list[LineOut], at: int) -> str:
    piece = f", and piece {lines[at].piece} with it" if lines[at].piece else ""
    return f"The paper slipped: line {at + 1} is spoiled{piece}; {_so_far(lines)}. Lay it straight, and it goes on."
