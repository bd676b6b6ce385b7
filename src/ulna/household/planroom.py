"""Where cuts are planned while others read and write: processes of their own.

Planning is all arithmetic, and in the application's own process everybody would wait for it. Plans that are asked for
twice at once are made once. A longer search has a process to itself, one at a time; the others wait for their turn.
"""

from __future__ import annotations

import contextlib
import multiprocessing
import os
import threading
import time
from collections.abc import Callable
from concurrent.futures import Future, ProcessPoolExecutor
from concurrent.futures.process import BrokenProcessPool
from multiprocessing.connection import Connection

from ulna.core.planner import plan_cuts
from ulna.core.planner.effort import effort_of
from ulna.core.planner.plan import CutPlan
from ulna.core.planner.request import CutRequest
from ulna.household.darkroom import end_with_parent

Over = Callable[[], bool]
LOOKS = 0.05
"""Seconds after which one looks whether a search is to be stopped."""


class Here:
    """Plans in this process: for a command, which has nobody to keep waiting."""

    def plan(self, request: CutRequest, effort: int) -> CutPlan:
        return plan_cuts(request, effort)

    def search(self, request: CutRequest, seconds: float, over: Over) -> CutPlan:
        """The best plan that is found until it is `over`."""
        return plan_cuts(request, effort_of(seconds), over)

    def close(self) -> None:
        """There is nothing to close."""


class Planroom(Here):
    """Plans in another process, and searches in a third one. What they cannot do is done here."""

    def __init__(self) -> None:
        self._context = multiprocessing.get_context("forkserver")
        self._context.set_forkserver_preload(["ulna.formats.pictures", "ulna.household.planroom"])
        self._pool: ProcessPoolExecutor | None = None
        self._asked: dict[tuple[CutRequest, int], Future[CutPlan]] = {}
        self._lock, self._turn = threading.Lock(), threading.Lock()

    def plan(self, request: CutRequest, effort: int) -> CutPlan:
        key = request, effort
        with self._lock:
            asked = self._asked.get(key)
            if asked is None:
                try:
                    asked = self._asked[key] = self._open().submit(plan_cuts, request, effort)
                except BrokenProcessPool:
                    self._pool = None
                    return plan_cuts(request, effort)
        try:
            return asked.result()
        except BrokenProcessPool:
            return plan_cuts(request, effort)
        finally:
            with self._lock:
                self._asked.pop(key, None)

    def search(self, request: CutRequest, seconds: float, over: Over) -> CutPlan:
        while not self._turn.acquire(timeout=LOOKS):
            if over():
                return plan_cuts(request, 0)
        try:
            mine, theirs = self._context.Pipe()
            process = self._context.Process(target=_search, args=(theirs, request, seconds), daemon=True)
            process.start()
            theirs.close()
            try:
                while not mine.poll(LOOKS):
                    if over():
                        mine.send("enough")
                        break
                found: CutPlan = mine.recv()
                return found
            finally:
                mine.close()
                process.join(1)
                process.kill()
        except (EOFError, OSError):
            return plan_cuts(request, effort_of(seconds), over)
        finally:
            self._turn.release()

    def close(self) -> None:
        with self._lock:
            if self._pool is not None:
                self._pool.shutdown(wait=False, cancel_futures=True)
                self._pool = None

    def _open(self) -> ProcessPoolExecutor:
        if self._pool is None:
            self._pool = ProcessPoolExecutor(1, self._context, _begin)
        return self._pool


def _begin() -> None:
    """Lower in priority than who answers; it ends with the application."""
    os.nice(5)
    end_with_parent()


def _search(out: Connection, request: CutRequest, seconds: float) -> None:
    """Searches until the time is over or something is said; a pipe whose other end is gone says so too."""
    _begin()
    os.nice(5)
    end = time.monotonic() + seconds
    plan = plan_cuts(request, effort_of(seconds), lambda: time.monotonic() > end or out.poll())
    with contextlib.suppress(OSError):
        out.send(plan)
