"""The demo's photos as JPEG files with the date that a camera would have written."""

from __future__ import annotations

import io
import random

from PIL import ExifTags, Image, ImageChops

from ulna.demo.scenes import Scene
from ulna.formats.svg import raster


def develop(scene: Scene) -> bytes:
    """The scene as a JPEG, with a little grain so that it does not look drawn with a ruler."""
    picture = Image.open(io.BytesIO(raster(scene.draw(), round(scene.width * scene.sharpness)))).convert("RGB")
    small = random.Random(scene.name).randbytes(512 * 512)
    grain = Image.frombytes("L", (512, 512), small).point(lambda v: 118 + v // 13)
    sheet = Image.new("L", picture.size, 128)
    for x in range(0, picture.width, 512):
        for y in range(0, picture.height, 512):
            sheet.paste(grain, (x, y))
    picture = ImageChops.overlay(picture, Image.merge("RGB", (sheet, sheet, sheet)))
    exif = Image.Exif()
    if scene.caption:
        exif[ExifTags.Base.ImageDescription] = scene.caption
    exif.get_ifd(ExifTags.IFD.Exif)[ExifTags.Base.DateTimeOriginal] = scene.taken.replace("-", ":").replace(
        "T", " "
    )
    out = io.BytesIO()
    picture.save(out, "JPEG", quality=86, exif=exif)
    return out.getvalue()
