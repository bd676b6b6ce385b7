"""The line to a kit club: absent, slow, lying and hostile ones are survived, and told in a sentence."""

from __future__ import annotations

import json
import threading
from collections.abc import Callable, Iterator
from http.server import BaseHTTPRequestHandler, HTTPServer

import pytest

from ulna.core.errors import UlnaError
from ulna.machines import wire
from ulna.machines.kit_club.line import Line, Nonsense
from ulna.machines.wire import NoAnswer

Answering = Callable[[bytes], Line]


@pytest.fixture
def answering() -> Iterator[Answering]:
    """A club that answers everything with the same bytes."""
    servers = list[HTTPServer]()

    def begun(body: bytes) -> Line:
        class Says(BaseHTTPRequestHandler):
            def do_GET(self) -> None:
                self.send_response(200)
                self.send_header("Content-Length", str(len(body)))
                self.end_headers()
                self.wfile.write(body)

            def log_message(self, *_: object) -> None:
                pass

        server = HTTPServer(("127.0.0.1", 0), Says)
        servers.append(server)
        threading.Thread(target=server.serve_forever, daemon=True).start()
        return Line(f"http://127.0.0.1:{server.server_port}")

    yield begun
    for server in servers:
        server.shutdown()


def feed(**more: object) -> bytes:
    return json.dumps({"format": "ulna-kit-feed", "version": 1, "club": "C", "kits": [], **more}).encode()


def offer(**more: object) -> bytes:
    kit = {"name": "K", "papers": []}
    return json.dumps({"format": "ulna-kit-offer", "version": 1, "code": "k", "kit": kit, **more}).encode()


@pytest.mark.parametrize(
    ("body", "says"),
    [
        (b"<html>", "its beginning"),
        (feed(format="other"), "format"),
        (feed(version=2), "version"),
        (feed(kits=[{"code": "k", "name": "K", "edition": 0}]), "kits.0.edition"),
        (feed(kits=[{"code": "k", "name": "K"}] * 401), "kits"),
        (feed(club="x" * 500), "club"),
        (b"[" * 100_000, "at its"),
    ],
)
def test_a_feed_that_makes_no_sense_is_told_with_where(answering: Answering, body: bytes, says: str) -> None:
    with pytest.raises(UlnaError) as told:
        answering(body).feed()
    assert (
        isinstance(told.value, Nonsense) and says in told.value.sentence and "tell the club" in told.value.sentence
    )


def test_another_kit_than_was_asked_for_is_refused(answering: Answering) -> None:
    with pytest.raises(Nonsense, match="other was asked for, k came"):
        answering(offer()).offer("other")


@pytest.mark.parametrize(
    "kit",
    [
        {"name": "K", "papers": [{"id": "p", "name": "P", "width": "1000 mi", "height": "1 in", "count": 1}]},
        {"name": "K", "papers": [{"id": "p", "name": "P", "width": "12 in", "height": "12 in", "count": 10**9}]},
        {"name": "K", "things": [{"id": "t", "name": "x" * 10_000}]},
    ],
)
def test_a_kit_that_cannot_be_is_refused(answering: Answering, kit: object) -> None:
    with pytest.raises(Nonsense, match="kit"):
        answering(offer(kit=kit)).offer("k")


@pytest.mark.parametrize(
    "path",
    ["http://elsewhere.example/a.png", "//elsewhere/a.png", "../../a.png", "/etc/a.png", "a.svg", "a.png?x=1", ""],
)
def test_a_picture_lies_beside_the_feed_or_is_not_asked_for(answering: Answering, path: str) -> None:
    with pytest.raises(Nonsense, match="no picture beside the feed"):
        answering(b"").picture(path)


def test_a_club_that_is_not_there_is_told(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(wire, "PATIENCE", 0.5)
    with pytest.raises(NoAnswer, match="the kit club does not answer; try again later"):
        Line("http://127.0.0.1:9").feed()


def test_an_endless_answer_is_cut_off(answering: Answering) -> None:
    with pytest.raises(NoAnswer):
        answering(b" " * (wire.MOST_ANSWER + 10)).feed()
