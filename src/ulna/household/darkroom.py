"""Where pictures are read and made: processes of their own, so that the application stays quick meanwhile.

They step back where the machine is busy (a lower priority), and one that dies is replaced.
"""

from __future__ import annotations

import multiprocessing
import os
import signal
import threading
from collections.abc import Callable
from concurrent.futures import ProcessPoolExecutor
from concurrent.futures.process import BrokenProcessPool
from typing import ParamSpec, TypeVar

from ulna.core.errors import FieldError

WORKERS = max(1, min(2, os.cpu_count() or 1))
JOBS_EACH = 150
"""After so many pictures a process is replaced, and with it the memory it has gathered."""

P = ParamSpec("P")
Value = TypeVar("Value")


class Darkroom:
    """Runs functions of `formats.pictures` and the like elsewhere; starts on first use."""

    def __init__(self) -> None:
        self._pool: ProcessPoolExecutor | None = None
        self._lock, self._alone = threading.Lock(), threading.Lock()

    def run(self, work: Callable[P, Value], name: str, *args: P.args, **kwargs: P.kwargs) -> Value:
        """What `work` gives and raises. Raises `FieldError` of `name` where a picture kills its process."""
        for last in (False, True):
            pool = self._open()
            try:
                return pool.submit(work, *args, **kwargs).result()
            except BrokenProcessPool:
                self._close(pool)
                if last:
                    break
        raise FieldError(name, "", "this picture cannot be read on this machine", "make it smaller first")

    def run_alone(self, work: Callable[P, Value], name: str, *args: P.args, **kwargs: P.kwargs) -> Value:
        """The same, one at a time: for what takes much memory."""
        with self._alone:
            return self.run(work, name, *args, **kwargs)

    def close(self) -> None:
        if self._pool is not None:
            self._close(self._pool)

    def _open(self) -> ProcessPoolExecutor:
        with self._lock:
            if self._pool is None:
                context = multiprocessing.get_context("forkserver")
                context.set_forkserver_preload(["ulna.formats.pictures"])
                self._pool = ProcessPoolExecutor(WORKERS, context, _step_back, max_tasks_per_child=JOBS_EACH)
            return self._pool

    def _close(self, pool: ProcessPoolExecutor) -> None:
        with self._lock:
            if self._pool is pool:
                self._pool = None
        pool.shutdown(wait=False, cancel_futures=True)


def _step_back() -> None:
    """Lower priority; and the end of the application, whatever ends it, ends this process, not a key pressed in its
    terminal."""
    os.nice(10)
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    end_with_parent()


def end_with_parent() -> None:
    """Ends this process once the one that started it is gone, whatever ended that."""
    threading.Thread(target=_wait_for_parent, daemon=True).start()


def _wait_for_parent() -> None:
    parent = multiprocessing.parent_process()
    if parent is not None:
        parent.join()
        os._exit(1)
