"""The line to a kit club's feed: the list of its kits, a kit whole, pictures of its papers."""

from __future__ import annotations

import re
import urllib.parse
from collections.abc import Callable
from typing import TypeVar

from pydantic import ValidationError

from ulna.core.errors import UlnaError
from ulna.formats.kit_feed import Feed, Offer, read_feed, read_offer
from ulna.formats.texts import plain
from ulna.machines.wire import Wire

PATIENCE = 10.0
MOST_OFFER, MOST_PICTURE = 8_000_000, 12_000_000
BESIDE = re.compile(r"[A-Za-z0-9_\-]+(?:/[A-Za-z0-9_\-]+)*\.(?:png|jpg|jpeg|webp)")
"""A picture lies beside the feed: a path downward, nothing else."""
Said = TypeVar("Said")


class Nonsense(UlnaError):
    """What a feed says is not what its format says."""

    code = "club"

    def __init__(self, where: str, what: str) -> None:
        super().__init__()
        self.where, self.what = where, what

    @property
    def sentence(self) -> str:
        return (
            f"the kit club’s feed says what Ulna does not understand, at {self.where}: {self.what}; tell the club"
        )


class Line(Wire):
    """A feed at an address. Raises `NoAnswer`, `Refused` and `Nonsense`."""

    what, would_do = "kit club", "try again later, or unpack the kit by hand"

    def feed(self) -> Feed:
        return _read(read_feed, self.heard("GET", "/feed.json", None, "", PATIENCE))

    def offer(self, code: str) -> Offer:
        path = f"/kits/{urllib.parse.quote(code, safe='')}.json"
        found = _read(read_offer, self.heard("GET", path, None, "", PATIENCE, MOST_OFFER))
        if found.code != code:
            raise Nonsense("code", f"{code} was asked for, {found.code[:40]} came")
        return found

    def picture(self, path: str) -> bytes:
        if not BESIDE.fullmatch(path):
            raise Nonsense("pictures", f"{path[:80]} is no picture beside the feed")
        return self.heard("GET", f"/{path}", None, "", PATIENCE, MOST_PICTURE)


def _read(read: Callable[[bytes], Said], data: bytes) -> Said:
    try:
        return read(data)
    except ValidationError as error:
        first = error.errors()[0]
        raise Nonsense(
            ".".join(map(str, first["loc"])) or "its beginning", plain(str(first["msg"]))[:200]
        ) from None
    except RecursionError:
        raise Nonsense("its depth", "it is nested without end") from None
