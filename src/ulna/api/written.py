"""Long lists, each entry written out once: of thousands only those are worked out again that are other ones now."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from typing import TypeVar

from fastapi import Response
from pydantic import BaseModel

from ulna.household.home import Household
from ulna.store.states import Kept

Body = TypeVar("Body")


def written_list(
    home: Household,
    name: str,
    entries: Iterable[tuple[Kept[Body], object]],
    out: Callable[[Kept[Body]], BaseModel],
) -> Response:
    """The list as JSON. Each entry comes with what its answer rests on beside its own version."""
    known = home.lasting.setdefault(name, {})

    def line(kept: Kept[Body], rests_on: object) -> bytes:
        key = kept.version, rests_on
        found = known.get(kept.id)
        if found is None or found[0] != key:
            found = known[kept.id] = key, out(kept).model_dump_json().encode()
        text: bytes = found[1]
        return text

    return Response(b"[" + b",".join(line(*entry) for entry in entries) + b"]", media_type="application/json")
