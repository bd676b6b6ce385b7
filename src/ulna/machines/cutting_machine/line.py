"""The line to a cutting machine: what Ulna asks of one, over HTTP."""

from __future__ import annotations

import urllib.parse
from typing import Literal

from ulna.core.measure import Length, text
from ulna.machines.cutting_machine.words import CuttingMachine, Job
from ulna.machines.wire import PATIENCE_SENDING, Wire

Act = Literal["pause", "resume", "cancel"]
Hand = Literal["straighten", "blade", "empty"]
"""What a person does at the machine: the paper laid straight, a new blade, the bed cleared."""


class Line(Wire):
    """A cutting machine at an address. Raises `NoAnswer` and `Refused`."""

    what, would_do = "cutting machine", "switch it on (ulna cutting-machine), or take the outlines as a file"

    def stands(self) -> CuttingMachine:
        return self.asked(CuttingMachine, "GET", "/machine")

    def send(self, name: str, width: Length, height: Length, svg: bytes) -> Job:
        return self._lay("/jobs", name, width, height, svg)

    def look(self, name: str, width: Length, height: Length, svg: bytes) -> Job:
        """What it would do, in which order and how long; it does nothing of it."""
        return self._lay("/look", name, width, height, svg)

    def _lay(self, path: str, name: str, width: Length, height: Length, svg: bytes) -> Job:
        asked = urllib.parse.urlencode({"name": name, "width": text(width), "height": text(height)})
        return self.asked(Job, "POST", f"{path}?{asked}", svg, "image/svg+xml", PATIENCE_SENDING)

    def job(self, id: str) -> Job:
        return self.asked(Job, "GET", f"/jobs/{urllib.parse.quote(id)}")

    def act(self, id: str, act: Act) -> Job:
        return self.asked(Job, "POST", f"/jobs/{urllib.parse.quote(id)}/{act}")

    def hand(self, what: Hand) -> CuttingMachine:
        return self.asked(CuttingMachine, "POST", f"/hands/{what}")

    def tray(self, id: str) -> bytes:
        return self.heard("GET", f"/jobs/{urllib.parse.quote(id)}/tray.svg", None, "", PATIENCE_SENDING)
