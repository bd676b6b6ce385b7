"""A sheet of stickers as somebody would photograph it on a table, drawn by code; its stickers taken in from that."""

from __future__ import annotations

import io
from dataclasses import replace

from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Polygon
from ulna.core.measure import inches
from ulna.core.things.thing import Thing, ThingKind
from ulna.demo.things import BOAT, DROP, HERON, KETTLE, LEAF, PEAR, curve, scaled
from ulna.formats import svg
from ulna.household import things
from ulna.household.home import Household

PER_INCH = 110
TABLE, SHEET = "#4a4038", "#fbf7ec"
LEFT, TOP = 0.8, 0.7
"""Where the sheet lies in the picture, in inches of the sheet."""
WIDE, HIGH = 6.0, 8.0
STICKERS = (
    (scaled(curve(HERON, 3), "1 1/4 x 2"), 0.6, 0.5, "#5f7a86"),
    (scaled(curve(LEAF), "1 x 1 1/4"), 2.4, 0.6, "#6f8a5c"),
    (scaled(BOAT, "2 x 3/4"), 3.6, 0.9, "#a5312b"), (scaled(curve(KETTLE, 3), "1 1/2 x 1 1/4"), 0.6, 3.1, "#2f6f68"),
    (scaled(curve(DROP), "5/8 x 1"), 2.7, 3.1, "#7fb0b8"), (scaled(curve(PEAR), "7/8 x 1 1/4"), 4.0, 3.0, "#b9b84a"),
    (scaled(curve(LEAF), "3/4 x 1"), 1.2, 5.4, "#c99a2e"), (scaled(curve(DROP), "1/2 x 3/4"), 3.0, 5.4, "#2b3138"),
)  # fmt: skip
NAMES = ("Heron", "Leaf", "Boat", "Kettle", "Drop", "Pear", "Gold leaf", "Ink drop")


def photograph() -> bytes:
    """The picture, as JPEG."""
    from PIL import Image

    wide, high = WIDE + 2 * LEFT, HIGH + 2 * TOP
    drawn = "".join(_sticker(line, x, y, colour) for line, x, y, colour in STICKERS)
    picture = (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide}in" height="{high}in" viewBox="0 0 {wide} {high}">'
        f'<rect width="{wide}" height="{high}" fill="{TABLE}"/>'
        f'<rect x="{LEFT}" y="{TOP}" width="{WIDE}" height="{HIGH}" fill="{SHEET}"/>{drawn}</svg>'
    )
    out = io.BytesIO()
    image = Image.open(io.BytesIO(svg.raster(picture, round(wide * PER_INCH))))
    image.convert("RGB").save(out, "JPEG", quality=90)
    return out.getvalue()


def _sticker(line: Polygon, x: float, y: float, colour: str) -> str:
    at = polygons.moved(line, x + LEFT, y + TOP)
    x1, y1, x2, y2 = polygons.bounds(at)
    light = polygons.clipped(at, polygons.box(x1, y1, (x2 - x1) * 0.45, y2 - y1))
    return (
        f'<path d="{polygons.path(at)}" fill="{colour}"/>'
        f'<path d="{polygons.path(light)}" fill="#fff" fill-opacity="0.18"/>'
    )


def taken_in(home: Household, kit: str) -> list[Thing]:
    """The stickers of the sheet, found on its photograph, as things of a kit."""
    wide, high = WIDE + 2 * LEFT, HIGH + 2 * TOP
    corners = [
        (x / wide, y / high)
        for x, y in ((LEFT, TOP), (LEFT + WIDE, TOP), (LEFT + WIDE, TOP + HIGH), (LEFT, TOP + HIGH))
    ]
    picture = home.add_sheet_picture(io.BytesIO(photograph()), "stickers.jpg")
    flat, found = things.found_on(home, picture, corners, inches(6), inches(8))
    like = Thing("", "Sticker", ThingKind.STICKER, drawn="photographic")
    taken = things.taken(home, flat, inches(6), inches(8), found, like)
    return [
        replace(one, id=f"{kit}-{name.lower().replace(' ', '-')}", name=f"{name} sticker")
        for one, name in zip(taken, NAMES, strict=False)
    ]
