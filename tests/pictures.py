"""Pictures that are not what they seem."""

from __future__ import annotations

import io
import struct
import zlib

from PIL import Image


def huge_png() -> bytes:
    """The head of a PNG of 30 000 × 30 000."""
    out = io.BytesIO()
    Image.new("1", (8, 8)).save(out, "PNG")
    small = out.getvalue()
    head = struct.pack(">IIBBBBB", 30_000, 30_000, 1, 0, 0, 0, 0)
    chunk = b"IHDR" + head
    return small[:8] + struct.pack(">I", 13) + chunk + struct.pack(">I", zlib.crc32(chunk)) + small[33:]
