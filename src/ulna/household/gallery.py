"""A page as a picture for others to see: nothing in it but the page."""

from __future__ import annotations

import io

from ulna.core.photos.look import AS_IT_CAME, Look
from ulna.formats import svg
from ulna.household.home import Household
from ulna.store.errors import NotThere

WIDE = 1_600
MOSAIC = 9
"""A photo that is hidden is so many spots wide: its colours stay, nobody in it is known."""


def picture(home: Household, page: str, photos: bool) -> bytes:
    """As PNG, drawn anew: no place, camera or time is in it. Raises `NotThere`."""

    def embedded(id: str, look: Look = AS_IT_CAME) -> str | None:
        try:
            return svg.embedded(home.roll.picture(id, "view", look).read_bytes())
        except NotThere:
            return None

    def shown(id: str, look: Look = AS_IT_CAME) -> str | None:
        try:
            data = home.roll.picture(id, "view", look).read_bytes()
        except NotThere:
            return None
        return svg.embedded(data if photos else _hidden(data))

    drawn = svg.page(home.evaluated(home.page(page), page), home.shelf(), embedded, shown, home.faces())
    return svg.raster(drawn, WIDE)


def _hidden(data: bytes) -> bytes:
    from PIL import Image

    with Image.open(io.BytesIO(data)) as opened:
        whole = opened.convert("RGB")
    spots = whole.resize((MOSAIC, max(1, round(MOSAIC * whole.height / whole.width))), Image.Resampling.BOX)
    out = io.BytesIO()
    spots.resize(whole.size, Image.Resampling.BICUBIC).save(out, "JPEG", quality=80)
    return out.getvalue()
