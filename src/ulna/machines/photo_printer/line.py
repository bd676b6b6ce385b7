"""The line to a photo printer: what Ulna asks of one, over HTTP."""

from __future__ import annotations

import http.client
import json
import socket
import threading
import urllib.parse
from contextlib import suppress
from typing import TypeVar

from ulna.core.errors import UlnaError
from ulna.formats.documents import Model
from ulna.formats.texts import plain
from ulna.machines.photo_printer.words import Job, Loaded, Printer

PATIENCE, PATIENCE_SENDING = 3.0, 120.0
"""Seconds until a printer that has not answered whole counts as absent."""

MOST_ANSWER, MOST_TRAY = 2_000_000, 200_000_000
"""Bytes of an answer; beyond them nobody listens."""

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
        self.at = urllib.parse.urlsplit(address.rstrip("/"))

    def stands(self) -> Printer:
        return self._asked(Printer, "GET", "/printer")

    def send(self, name: str, pdf: bytes) -> Job:
        path = f"/jobs?name={urllib.parse.quote(name)}"
        return self._asked(Job, "POST", path, pdf, "application/pdf", PATIENCE_SENDING)

    def cancel(self, id: str) -> Job:
        return self._asked(Job, "POST", f"/jobs/{urllib.parse.quote(id)}/cancel")

    def tray(self, id: str) -> bytes:
        path = f"/jobs/{urllib.parse.quote(id)}/tray.pdf"
        return self._heard("GET", path, None, "", PATIENCE_SENDING, MOST_TRAY)

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
        patience: float | None = None,
    ) -> Answer:
        heard = self._heard(method, path, body, kind, patience or PATIENCE)
        try:
            return answer.model_validate_json(heard)
        except ValueError:
            raise NoAnswer from None

    def _heard(
        self, method: str, path: str, body: bytes | None, kind: str, patience: float, most: int = MOST_ANSWER
    ) -> bytes:
        """What the printer answers: whole, of `most` bytes, and within `patience` seconds however it drips."""
        connection = self._connection(patience)
        end = threading.Timer(patience, _cut_off, [connection])
        end.daemon = True
        end.start()
        try:
            connection.request(method, self.at.path + path, body, {"Content-Type": kind} if kind else {})
            reply = connection.getresponse()
            heard = reply.read(most + 1)
            if len(heard) > most or (reply.length or 0) > 0:
                raise NoAnswer
        except (OSError, ValueError, http.client.HTTPException, AttributeError):
            raise NoAnswer from None
        finally:
            end.cancel()
            connection.close()
        if reply.status >= 400:
            raise _refusal(heard)
        return heard

    def _connection(self, patience: float) -> http.client.HTTPConnection:
        secure = self.at.scheme == "https"
        try:
            made = http.client.HTTPSConnection if secure else http.client.HTTPConnection
            return made(self.at.hostname or "", self.at.port, timeout=patience)
        except ValueError:  # a port that is none
            raise NoAnswer from None


def _cut_off(connection: http.client.HTTPConnection) -> None:
    """Ends a connection under the hand of who reads from it."""
    if connection.sock is not None:
        with suppress(OSError):
            connection.sock.shutdown(socket.SHUT_RDWR)


def _refusal(heard: bytes) -> UlnaError:
    try:
        return Refused(plain(str(json.loads(heard)["sentence"]))[:500])
    except (ValueError, KeyError, TypeError):
        return NoAnswer()
