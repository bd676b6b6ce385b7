"""The line to a photo printer: what Ulna asks of one, over HTTP."""

from __future__ import annotations

import urllib.parse

from ulna.machines.photo_printer.words import Job, Loaded, Printer
from ulna.machines.wire import PATIENCE_SENDING, Wire

MOST_TRAY = 200_000_000


class Line(Wire):
    """A printer at an address. Raises `NoAnswer` and `Refused`."""

    what, would_do = "photo printer", "switch it on (ulna printer), or keep the sheets as PDF"

    def stands(self) -> Printer:
        return self.asked(Printer, "GET", "/printer")

    def send(self, name: str, pdf: bytes) -> Job:
        path = f"/jobs?name={urllib.parse.quote(name)}"
        return self.asked(Job, "POST", path, pdf, "application/pdf", PATIENCE_SENDING)

    def cancel(self, id: str) -> Job:
        return self.asked(Job, "POST", f"/jobs/{urllib.parse.quote(id)}/cancel")

    def tray(self, id: str) -> bytes:
        path = f"/jobs/{urllib.parse.quote(id)}/tray.pdf"
        return self.heard("GET", path, None, "", PATIENCE_SENDING, MOST_TRAY)

    def load(self, paper: Loaded) -> Printer:
        return self.asked(Printer, "PUT", "/paper", paper.model_dump_json().encode(), "application/json")

    def jam(self, on: bool) -> Printer:
        return self.asked(Printer, "PUT" if on else "DELETE", "/jam")
