"""The wire to what stands outside: requests over HTTP to an address, answered whole and in time, or not at all."""

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

PATIENCE, PATIENCE_SENDING = 3.0, 120.0
"""Seconds until one that has not answered whole counts as absent."""

MOST_ANSWER = 2_000_000
"""Bytes of an answer; beyond them nobody listens."""

Answer = TypeVar("Answer", bound=Model)


class NoAnswer(UlnaError):
    """What was asked is not there, or says nothing sensible."""

    code = "machine"

    def __init__(self, what: str, would_do: str) -> None:
        super().__init__()
        self.what, self.would_do = what, would_do

    @property
    def sentence(self) -> str:
        return f"the {self.what} does not answer; {self.would_do}"


class Refused(UlnaError):
    """It says no, in its own words."""

    code = "machine"


class Wire:
    """One of these at an address; `what` it is called, and what `would_do` where it is silent. Raises `NoAnswer` and
    `Refused`."""

    what, would_do = "machine", "switch it on"

    def __init__(self, address: str) -> None:
        self.at = urllib.parse.urlsplit(address.rstrip("/"))

    def absent(self) -> NoAnswer:
        return NoAnswer(self.what, self.would_do)

    def asked(
        self,
        answer: type[Answer],
        method: str,
        path: str,
        body: bytes | None = None,
        kind: str = "",
        patience: float | None = None,
    ) -> Answer:
        heard = self.heard(method, path, body, kind, patience or PATIENCE)
        try:
            return answer.model_validate_json(heard)
        except ValueError:
            raise self.absent() from None

    def heard(
        self, method: str, path: str, body: bytes | None, kind: str, patience: float, most: int = MOST_ANSWER
    ) -> bytes:
        """What is answered: whole, of `most` bytes, and within `patience` seconds however it drips."""
        connection = self._connection(patience)
        end = threading.Timer(patience, _cut_off, [connection])
        end.daemon = True
        end.start()
        try:
            connection.request(method, self.at.path + path, body, {"Content-Type": kind} if kind else {})
            reply = connection.getresponse()
            heard = reply.read(most + 1)
            if len(heard) > most or (reply.length or 0) > 0:
                raise self.absent()
        except (OSError, ValueError, http.client.HTTPException, AttributeError):
            raise self.absent() from None
        finally:
            end.cancel()
            connection.close()
        if reply.status >= 400:
            raise self._refusal(heard)
        return heard

    def _refusal(self, heard: bytes) -> UlnaError:
        try:
            return Refused(plain(str(json.loads(heard)["sentence"]))[:500])
        except (ValueError, KeyError, TypeError):
            return self.absent()

    def _connection(self, patience: float) -> http.client.HTTPConnection:
        secure = self.at.scheme == "https"
        try:
            made = http.client.HTTPSConnection if secure else http.client.HTTPConnection
            return made(self.at.hostname or "", self.at.port, timeout=patience)
        except ValueError:  # a port that is none
            raise self.absent() from None


def _cut_off(connection: http.client.HTTPConnection) -> None:
    """Ends a connection under the hand of who reads from it."""
    if connection.sock is not None:
        with suppress(OSError):
            connection.sock.shutdown(socket.SHUT_RDWR)
