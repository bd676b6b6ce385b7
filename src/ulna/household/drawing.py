"""A page as a drawing with everything in it."""

from __future__ import annotations

from typing import Literal

from ulna.core.photos.look import AS_IT_CAME, Look
from ulna.formats import svg
from ulna.household.home import Household
from ulna.store.errors import NotThere


def drawn(home: Household, page: str, copy: Literal["view", "thumb"]) -> str:
    """As SVG, its photos from their larger or smaller copies. Raises `NotThere`."""

    def embedded(picture: str, look: Look = AS_IT_CAME) -> str | None:
        try:
            return svg.embedded(home.roll.picture(picture, copy, look).read_bytes())
        except NotThere:
            return None

    return svg.page(home.evaluated(home.page(page), page), home.shelf(), embedded, embedded, home.faces())
