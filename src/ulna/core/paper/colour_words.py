"""Colours in plain English, as people write them on a list of papers: "navy and cream", "light blue/rust"."""

from __future__ import annotations

import re

PLAIN = {
    "white": "#ffffff", "ivory": "#f6f0df", "cream": "#f6efdc", "ecru": "#ece2c8", "beige": "#e3d6bb",
    "natural": "#d9c7a3", "kraft": "#b58f62", "tan": "#c8a878", "sand": "#d8c49a", "camel": "#b9894f",
    "brown": "#70482a", "chocolate": "#4a2f1f", "coffee": "#5b4232", "rust": "#a64b22", "terracotta": "#bf6646",
    "orange": "#e2802b", "pumpkin": "#d96c1e", "apricot": "#f0b184", "peach": "#f4c2a2", "coral": "#ee7f6b",
    "red": "#b3262b", "scarlet": "#c4261d", "crimson": "#9c1c31", "burgundy": "#6b1f2e", "wine": "#6d2436",
    "maroon": "#6a1e24", "pink": "#eba3b4", "blush": "#efc7c4", "rose": "#d88a94", "fuchsia": "#c2307c",
    "magenta": "#b8246f", "plum": "#6d3a5d", "purple": "#6a4a8c", "violet": "#7659a3", "lavender": "#c3b4dc",
    "lilac": "#cdb6d9", "mauve": "#b294ab", "navy": "#1f2d4f", "indigo": "#33406f", "blue": "#3f6ea5",
    "denim": "#4b6584", "sky": "#a9cfe6", "turquoise": "#43a8a4", "teal": "#1f6f6e", "aqua": "#8fd0cc",
    "mint": "#bfe0cd", "green": "#4f8a4f", "sage": "#a3b18f", "olive": "#74733a", "lime": "#b2cc4b",
    "moss": "#6d7a3c", "forest": "#2c5238", "emerald": "#1d7a55", "yellow": "#ecc94b", "mustard": "#c99a2e",
    "gold": "#c6a04a", "lemon": "#f3e27a", "ochre": "#b8862f", "grey": "#8d8d8a", "gray": "#8d8d8a",
    "silver": "#bfc1c2", "slate": "#54606a", "charcoal": "#3a3d40", "black": "#1d1d1f", "ink": "#2b3138",
}  # fmt: skip
SHADES = {"light": 0.5, "pale": 0.62, "soft": 0.35, "pastel": 0.55, "bright": 0.0, "dark": -0.38, "deep": -0.3}
"""How far a shade goes toward white, or below nothing toward black."""

MOST = 5
_HEX = re.compile(r"#?([0-9a-f]{6})")


def colours_in(text: str) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """Up to five colours of a text as #rrggbb, in its order, and the words of it that are none."""
    found, unknown, shade = list[str](), list[str](), 0.0
    for word in re.split(r"[^#\w]+", text.lower()):
        if word in ("", "and", "with", "on", "the", "a", "of"):
            continue
        if word in SHADES:
            shade = SHADES[word]
            continue
        plain = PLAIN.get(word) or PLAIN.get(word.removesuffix("s"))
        written = _HEX.fullmatch(word)
        if plain:
            found.append(shaded(plain, shade))
        elif written:
            found.append(f"#{written[1]}")
        else:
            unknown.append(word)
        shade = 0.0
    return tuple(dict.fromkeys(found))[:MOST], tuple(unknown)


def shaded(colour: str, by: float) -> str:
    """A colour so far toward white, or below nothing toward black."""
    toward = 255 if by > 0 else 0
    parts = (int(colour[k : k + 2], 16) for k in (1, 3, 5))
    return "#" + "".join(f"{round(part + (toward - part) * abs(by)):02x}" for part in parts)
