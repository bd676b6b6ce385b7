"""The line to a printer that answers strangely: never more memory, never more time than it is given."""

from __future__ import annotations

import socket
import threading
import time
from collections.abc import Callable, Iterator
from contextlib import closing, contextmanager

import pytest

from ulna.core.errors import UlnaError
from ulna.machines import wire
from ulna.machines.photo_printer.line import Line
from ulna.machines.wire import NoAnswer, Refused

HEAD = b"HTTP/1.1 200 OK\r\nContent-Type: application/json\r\n"


@contextmanager
def answering(say: Callable[[socket.socket], None]) -> Iterator[str]:
    """A program at an address that says something to whoever calls."""
    with closing(socket.create_server(("127.0.0.1", 0))) as server:

        def serve() -> None:
            while True:
                try:
                    caller, _ = server.accept()
                except OSError:
                    return
                with closing(caller):
                    try:
                        caller.recv(65536)
                        say(caller)
                    except OSError:
                        pass

        threading.Thread(target=serve, daemon=True).start()
        yield f"http://127.0.0.1:{server.getsockname()[1]}"


def endless(caller: socket.socket) -> None:
    caller.sendall(HEAD + b"\r\n")
    while True:
        caller.sendall(b"x" * 1_000_000)


def dripping(caller: socket.socket) -> None:
    caller.sendall(HEAD + b"Content-Length: 100000\r\n\r\n")
    while True:
        caller.sendall(b" ")
        time.sleep(0.05)


def dripping_heads(caller: socket.socket) -> None:
    caller.sendall(HEAD)
    while True:
        caller.sendall(b"X")
        time.sleep(0.05)


def silent(caller: socket.socket) -> None:
    time.sleep(5)


def says(data: bytes) -> Callable[[socket.socket], None]:
    return lambda caller: caller.sendall(data)


STRANGE = {
    "endless": endless,
    "dripping": dripping,
    "dripping heads": dripping_heads,
    "silent": silent,
    "nothing": says(b""),
    "no HTTP": says(b"\x00\x01\x02 hello\r\n\r\n"),
    "cut short": says(HEAD + b"Content-Length: 500\r\n\r\n{"),
    "no JSON": says(HEAD + b"\r\nhello"),
    "other JSON": says(HEAD + b"\r\n[1, 2]"),
    "a deep one": says(HEAD + b"\r\n" + b"[" * 100_000),
    "an odd status": says(b"HTTP/1.1 999 Hm\r\n\r\n{}"),
    "a redirect": says(b"HTTP/1.1 302 Found\r\nLocation: http://127.0.0.1:1/\r\n\r\n"),
}


@pytest.mark.parametrize("how", STRANGE)
def test_a_printer_that_answers_strangely_counts_as_absent(how: str, monkeypatch: pytest.MonkeyPatch) -> None:
    """Soon, and in a sentence."""
    monkeypatch.setattr(wire, "PATIENCE", 0.6)
    begun = time.monotonic()
    with answering(STRANGE[how]) as address, pytest.raises(NoAnswer):
        Line(address).stands()
    assert time.monotonic() - begun < 4


def test_what_a_printer_says_no_with_is_cut_to_a_sentence() -> None:
    """Without control characters, and not by the page."""
    refusal = b'{"sentence": "no \\u0007 paper ' + b"x" * 5_000 + b'"}'
    with answering(says(b"HTTP/1.1 409 Conflict\r\n\r\n" + refusal)) as address, pytest.raises(Refused) as told:
        Line(address).stands()
    assert told.value.sentence.startswith("no  paper x") and len(told.value.sentence) == 500


@pytest.mark.parametrize("address", ["http://127.0.0.1:1", "http://", "nowhere", "http://127.0.0.1:99999999"])
def test_an_address_where_nothing_is_counts_as_absent(address: str) -> None:
    with pytest.raises(UlnaError):
        Line(address).stands()
