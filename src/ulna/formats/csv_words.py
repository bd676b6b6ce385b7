"""What other programs, and people, call the columns and cells of a kit's table."""

from __future__ import annotations

import difflib
import re
from collections.abc import Iterable

SIZE_COLUMN = "size"
"""A width and a height in one cell, such as 8.5x11."""

HEADINGS: dict[str, tuple[str, ...]] = {
    "name": ("title", "paper", "paper name", "description", "item", "product", "sheet", "article"),
    "kind": ("category", "form", "what"),
    "width": ("w", "wide", "breadth"),
    "height": ("h", "high", "length of sheet", "tall"),
    SIZE_COLUMN: ("dimensions", "format", "measurements", "sheet size", "paper size"),
    "count": ("qty", "quantity", "number", "sheets", "how many", "amount", "pcs", "pieces", "no", "stock count"),
    "stock": ("type", "material", "paper type", "weight", "finish"),
    "a pattern": ("pattern", "design", "print", "front", "front pattern", "side a", "a side", "a"),
    "a colours": ("colour", "color", "colours", "colors", "main colour", "main color", "front colour", "front color",
                  "a colour", "a color", "a colors", "shade", "palette"),
    "b pattern": ("back", "reverse", "back pattern", "side b", "b side", "b", "other side", "verso"),
    "b colours": ("back colour", "back color", "b colour", "b color", "b colors", "reverse colour", "back colours"),
    "note": ("notes", "comment", "comments", "remarks", "memo"),
    "strip edge": ("branding strip", "strip", "zip strip"),
}  # fmt: skip

STOCKS = {
    "cardstock": "card stock", "card": "card stock", "solid": "card stock", "solid cardstock": "card stock",
    "textured cardstock": "card stock", "paper": "patterned", "patterned paper": "patterned",
    "pattern": "patterned", "pp": "patterned", "print": "patterned", "printed": "patterned",
    "double sided": "patterned", "double-sided": "patterned", "acetate": "vellum", "transparency": "vellum",
}  # fmt: skip

PATTERNS_SAID = {
    "dots": "dot", "polka dot": "dot", "polka dots": "dot", "spots": "dot", "spotted": "dot", "stripes": "stripe",
    "striped": "stripe", "lines": "pinstripe", "pinstripes": "pinstripe", "flowers": "floral", "flower": "floral",
    "florals": "floral", "roses": "floral", "botanical": "leaf", "leaves": "leaf", "foliage": "leaf",
    "solid": "plain", "none": "plain", "blank": "plain", "unprinted": "plain", "checks": "check",
    "checked": "check", "chequered": "check", "checkered": "check", "tartan": "plaid", "zigzag": "chevron",
    "zig zag": "chevron", "text": "script", "words": "script", "writing": "script", "handwriting": "script",
    "ledger paper": "ledger", "grid": "graph", "wood": "wood grain", "woodgrain": "wood grain",
    "timber": "wood grain", "map": "map lines", "maps": "map lines", "cut apart": "cards", "cut aparts": "cards",
    "journaling cards": "cards", "splatter": "spatter", "splashes": "spatter", "wave": "waves", "brick": "bricks",
    "diamond": "diamonds", "harlequin": "diamonds", "feather": "feathers", "scale": "scales", "house": "houses",
}  # fmt: skip

_CELL = r"[\d\s./¼½¾⅛⅜⅝⅞]+(?:in|inch|inches|mm|cm|\"|″|”)?"
_SIZE = re.compile(rf"\s*({_CELL})\s*(?:x|×|\*|by)\s*({_CELL})\s*", re.IGNORECASE)


def heading_of(text: str, own: Iterable[str]) -> str:
    """The column that a heading means; empty where it means none."""
    said = re.sub(r"[^\w#]+", " ", text.replace("_", " ")).strip().lower()
    said = re.sub(r"\bcolou?rs?\b", lambda m: "colours" if m[0].endswith("s") else "colour", said)
    if said in own or said == SIZE_COLUMN:
        return said
    for column, words in HEADINGS.items():
        if said in words:
            return column
    return ""


def size_in(text: str) -> tuple[str, str] | None:
    """Width and height as they are written in one cell; a unit behind the second counts for both."""
    found = _SIZE.fullmatch(text)
    if found is None:
        return None
    width, height = found[1].strip(), found[2].strip()
    unit = re.search(r"[a-z\"″”]+$", height, re.IGNORECASE)
    return (width if not unit or re.search(r"[a-z\"″”]$", width, re.IGNORECASE) else f"{width} {unit[0]}"), height


def pattern_said(text: str, known: Iterable[str]) -> str:
    """The pattern that a text names: as a word for it, by a word in it, or by what is spelled most like it."""
    said, names = text.lower().strip(), list(known)
    if said in PATTERNS_SAID:
        return PATTERNS_SAID[said]
    words = [said, *said.split()]
    for word in words:
        if word in names:
            return word
        if word in PATTERNS_SAID:
            return PATTERNS_SAID[word]
    return next(iter(difflib.get_close_matches(said, names, 1, 0.75)), "")


def stock_said(text: str, known: Iterable[str]) -> str:
    """The stock that a text names, empty where it names none."""
    said, names = text.lower().strip(), list(known)
    if said in STOCKS:
        return STOCKS[said]
    for name in (*names, *STOCKS):
        if name in said:
            return STOCKS.get(name, name)
    return next(iter(difflib.get_close_matches(said, names, 1, 0.75)), "")
