"""A person's own font file, taken in: read in a process of its own that may use so much memory and time and no more.

What comes back is a font written anew: the outlines of the letters that are of use, without hinting, layout, or
anything that could run. A file that is none, or that is made to do harm, is refused with a reason.
"""

from __future__ import annotations

import io
import resource
import subprocess
import sys

from fontTools.subset import Options, Subsetter
from fontTools.ttLib import TTFont

from ulna.formats.faces.reading import FontFace

MOST_BYTES = 8_000_000
MOST_MEMORY = 600_000_000
MOST_SECONDS = 20
MOST_POINTS = 6_000
"""Of one letter: what has more takes too long to draw and to cut."""
BEGINNINGS = (b"\x00\x01\x00\x00", b"OTTO", b"true", b"wOFF", b"wOF2")
LETTERS = [*range(0x20, 0x7F), *range(0xA0, 0x180), *range(0x2010, 0x2027), 0x2030, 0x2039, 0x203A, 0x20AC, 0x2122]
"""Latin letters with their accents, figures, signs."""
WANTED = "HOxo"
"""Without these it is no alphabet; the height of an H is that of the capitals."""


class BadFont(ValueError):
    """Why a file is not taken in, in a sentence."""


def taken_in(data: bytes) -> bytes:
    """The font as WOFF2, written anew. Raises `BadFont`."""
    if len(data) > MOST_BYTES:
        raise BadFont(f"it is larger than {MOST_BYTES // 1_000_000} MB")
    if data[:4] not in BEGINNINGS:
        raise BadFont("it is no font; TTF, OTF, WOFF and WOFF2 are")
    try:
        done = subprocess.run(
            [sys.executable, "-m", "ulna.formats.faces.taking"],
            input=data, capture_output=True, timeout=MOST_SECONDS, check=False, preexec_fn=_limited,
        )  # fmt: skip
    except subprocess.TimeoutExpired:
        raise BadFont("it takes too long to read") from None
    if done.returncode == 0 and done.stdout:
        return done.stdout
    said = done.stderr.decode(errors="replace").strip().splitlines()
    raise BadFont(said[-1][8:] if said and said[-1].startswith("refused ") else "it cannot be read")


def _limited() -> None:
    resource.setrlimit(resource.RLIMIT_AS, (MOST_MEMORY, MOST_MEMORY))
    resource.setrlimit(resource.RLIMIT_CPU, (MOST_SECONDS, MOST_SECONDS))


def _anew(data: bytes) -> bytes:
    font = TTFont(io.BytesIO(data), fontNumber=0, recalcTimestamp=False)
    cut = Subsetter(Options(layout_features=[], hinting=False, notdef_outline=False, drop_tables=["GSUB", "GPOS"]))
    cut.populate(unicodes=LETTERS)
    cut.subset(font)
    out = io.BytesIO()
    font.flavor = "woff2"
    font.save(out)
    face = FontFace(io.BytesIO(out.getvalue()))
    if any(face.glyph(letter) is None for letter in WANTED):
        raise BadFont("it has no Latin letters")
    for letter in map(chr, LETTERS):
        glyph = face.glyph(letter)
        if glyph and sum(len(bit.outline) + sum(map(len, bit.counters)) for bit in glyph.bits) > MOST_POINTS:
            raise BadFont(f"its {letter} has so many corners that it cannot be cut")
    return out.getvalue()


def _main() -> None:
    try:
        sys.stdout.buffer.write(_anew(sys.stdin.buffer.read()))
    except BadFont as why:
        sys.exit(f"refused {why}")
    except Exception:  # whatever a broken font does to its reader, it is no font
        sys.exit("refused it cannot be read")


if __name__ == "__main__":
    _main()
