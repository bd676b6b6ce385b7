"""A kit club's feed: what kits there are, and each of them with all that is in it. Any shop may publish one.

The feed is a list at one address, a kit a document at another; both have a JSON Schema in docs/schemas.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Annotated, Any, Literal

from ulna.core.paper.shelf import Kit
from ulna.core.ranges import Many, Text, Title, Whole
from ulna.core.sketches.sketch import Sketch
from ulna.formats.documents import model_of, read_json

Code = Annotated[str, Text(40, 1)]
MOST_KITS = 400


@dataclass(frozen=True, slots=True)
class Entry:
    """A kit as the feed lists it. `edition` is one more whenever the club has corrected it."""

    code: Code
    name: Title
    month: Annotated[str, Text(7)] = ""
    kind: Literal["kit", "add-on", "page kit"] = "kit"
    edition: Annotated[int, Whole(1, 10_000)] = 1
    says: Annotated[str, Text(500)] = ""


@dataclass(frozen=True, slots=True)
class Challenge:
    """What the club asks its members to try."""

    title: Title
    says: Annotated[str, Text(2_000)] = ""
    until: Annotated[str, Text(10)] = ""


@dataclass(frozen=True, slots=True)
class Feed:
    """The newest kit first."""

    club: Title
    kits: Annotated[tuple[Entry, ...], Many(MOST_KITS)] = ()
    challenge: Challenge | None = None
    format: Literal["ulna-kit-feed"] = "ulna-kit-feed"
    version: Literal[1] = 1


@dataclass(frozen=True, slots=True)
class Offer:
    """A kit whole. `pictures` says where the pictures are that papers and things name, by their names, each beside the
    feed."""

    code: Code
    kit: Kit
    edition: Annotated[int, Whole(1, 10_000)] = 1
    sketches: Annotated[tuple[Sketch, ...], Many(60)] = ()
    pictures: Mapping[str, str] = field(default_factory=dict)
    format: Literal["ulna-kit-offer"] = "ulna-kit-offer"
    version: Literal[1] = 1


def read_feed(data: bytes) -> Feed:
    """Raises `pydantic.ValidationError`."""
    return read_json(Feed, data)


def read_offer(data: bytes) -> Offer:
    """Raises `pydantic.ValidationError`."""
    return read_json(Offer, data)


def feed_schema() -> dict[str, Any]:
    """The JSON Schema of a feed."""
    return model_of(Feed).model_json_schema()


def offer_schema() -> dict[str, Any]:
    """The JSON Schema of a kit in a feed."""
    return model_of(Offer).model_json_schema()
