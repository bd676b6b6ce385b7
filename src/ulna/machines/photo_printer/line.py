"""The line to a photo printer: what Ulna asks of one, over HTTP."""

from __future__ import annotations

import json
import urllib.error
import urllib.parse
import urllib.request
from typing import TypeVar

from ulna.core.errors import UlnaError
from ulna.formats.documents import Model
from ulna.machines.photo_printer.words import Job, Loaded, Printer

PATIENCE, PATIENCE_SENDING = 3.0, 120.0
"""Seconds until a printer that says nothing counts as absent."""

Answer = TypeVar("Answer", bound=Model)


class NoAnswer(UlnaError):
    """The printer is not there, or says nothing sensible."""

    code = "printer"

    @property
    def sentence(self) -> str:
        return "the photo printer does not answer; switch it on (ulna printer), or keep the sheets as PDF"


class Refused(UlnaError):
    """The printer says no, in its own words."""

    code = "printer"


class Line:
    """A printer at an address. Raises `NoAnswer` and `Refused`."""

    def __init__(self, address: str) -> None:
        self.address = address.rstrip("/")

    def stands(self) -> Printer:
        return self._asked(Printer, "GET", "/printer")

    def send(self, name: str, pdf: bytes) -> Job:
        path = f"/jobs?name={urllib.parse.quote(name)}"
        return self._asked(Job, "POST", path, pdf, "application/pdf", PATIENCE_SENDING)

    def cancel(self, id: str) -> Job:
        return self._asked(Job, "POST", f"/jobs/{urllib.parse.quote(id)}/cancel")

    def tray(self, id: str) -> bytes:
        return self._heard("GET", f"/jobs/{urllib.parse.quote(id)}/tray.pdf", None, "", PATIENCE_SENDING)

    def load(self, paper: Loaded) -> Printer:
        return self._asked(Printer, "PUT", "/paper", paper.model_dump_json().encode(), "application/json")

    def jam(self, on: bool) -> Printer:
        return self._asked(Printer, "PUT" if on else "DELETE", "/jam")

    def _asked(
        self,
        answer: type[Answer],
        method: str,
        path: str,
        body: bytes | None = None,
        kind: str = "",
        patience: float = PATIENCE,
    ) -> Answer:
        heard = self._heard(method, path, body, kind, patience)
        try:
            return answer.model_validate_json(heard)
        except ValueError:
            raise NoAnswer from None

    def _heard(self, method: str, path: str, body: bytes | None, kind: str, patience: float) -> bytes:
        headers = {"Content-Type": kind} if kind else {}
        asked = urllib.request.Request(self.address + path, data=body, method=method, headers=headers)
        direct = urllib.request.build_opener(urllib.request.ProxyHandler({}))
        try:
            with direct.open(asked, timeout=patience) as reply:
                return bytes(reply.read())
        except urllib.error.HTTPError as error:
            raise self._refusal(error) from None
        except (OSError, ValueError):
            raise NoAnswer from None

    def _refusal(self, error: urllib.error.HTTPError) -> UlnaError:
        try:
            return Refused(str(json.loads(error.read())["sentence"]))
        except (ValueError, KeyError, TypeError, OSError):
            return NoAnswer()
