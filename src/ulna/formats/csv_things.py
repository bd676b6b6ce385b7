"""How things and alphabets stand in a kit's table: their columns, and each as a row."""

from __future__ import annotations

from typing import get_args

from ulna.core.geometry.figures import FIGURES
from ulna.core.geometry.polygons import Point
from ulna.core.measure import Unit, parse, text
from ulna.core.things.thing import Drawn, Fixing, Points, Thing, ThingKind
from ulna.core.words.alphabets import Alphabet, Material, MeasuredWord

YES, NO = "yes", "no"
COLUMNS: dict[str, str] = {
    "length": "For ribbon, twine and tape: how long each is.",
    "figure": f"Of a thing: {', '.join(FIGURES)}. Empty: what is usual for its kind.",
    "outline": "Of a thing that was traced: corners in inches from its upper left, such as 0 0; 1 0; 0.5 2.",
    "thickness": "Of a thing or an alphabet. Empty: flat.",
    "drawn": f"How a thing is drawn: {', '.join(w for w in get_args(Drawn) if w)}. Empty: not said.",
    "says": "The words printed on a thing.",
    "points": f"Which way a thing points or looks: {', '.join(w for w in get_args(Points) if w)}. Empty: no way.",
    "fixing": f"{', '.join(get_args(Fixing))}. Empty: own adhesive.",
    "clear": f"{YES} where what is under a thing is seen through it. Empty: {NO}.",
    "rim": f"{YES} where a thing has a white edge. Empty: {NO}.",
    "each": "How many are on one strip of gems. Empty: 1.",
    "letters": "Of an alphabet: all that are on one sheet, as a run such as aaaabbccd; its height is that of capitals.",
    "face": "Of an alphabet: the face that looks like it. Empty: plain.",
    "material": f"Of an alphabet: {', '.join(get_args(Material))}. Empty: flat sticker.",
    "measured": "Of an alphabet: how long words or letters are, such as HERON = 2 5/8 in; W = 1 in.",
    "note": "For things: anything to remember.",
}


class NotSaid(ValueError):
    """What is wrong with a cell, in a few words."""


def thing_row(t: Thing) -> dict[str, str]:
    sizes = {name: text(value) for name, value in (("width", t.width), ("height", t.height)) if value is not None}
    return {
        "name": t.name, "kind": t.kind.value, "count": str(t.count), **sizes,
        "length": text(t.length) if t.length else "", "note": t.note, "a colours": " ".join(t.colours),
        "figure": t.figure, "outline": corners_said(t.outline), "thickness": text(t.thickness) if t.thickness else "",
        "drawn": t.drawn, "says": t.says, "points": t.points,
        "fixing": t.fixing if t.fixing != "own adhesive" else "",
        "clear": YES if t.clear else "", "rim": YES if t.rim else "", "each": str(t.each) if t.each > 1 else "",
    }  # fmt: skip


def alphabet_row(a: Alphabet) -> dict[str, str]:
    return {
        "name": a.name, "kind": ThingKind.ALPHABET.value, "count": str(a.packs), "height": text(a.height),
        "letters": a.letters, "thickness": text(a.thickness) if a.thickness else "", "a colours": a.colour,
        "fixing": a.fixing if a.fixing != "own adhesive" else "", "face": a.face,
        "material": a.material, "measured": "; ".join(f"{one.text} = {text(one.width)}" for one in a.measured),
    }  # fmt: skip


def corners_said(outline: tuple[Point, ...]) -> str:
    return "; ".join(f"{x:.6g} {y:.6g}" for x, y in outline)


def corners_in(said: str) -> tuple[Point, ...]:
    """Raises `NotSaid`."""
    found = list[Point]()
    for corner in said.split(";") if said.strip() else []:
        try:
            x, y = (float(number) for number in corner.split())
        except ValueError:
            raise NotSaid(f"“{corner.strip()[:40]}” is no corner; write two numbers such as 1.5 2") from None
        if not (0 <= x <= 100 and 0 <= y <= 100):
            raise NotSaid("a corner lies more than 100 in away, or above or left of the thing")
        found.append((x, y))
    if found and not 3 <= len(found) <= 400:
        raise NotSaid(f"{len(found)} corners; an outline has from 3 to 400")
    return tuple(found)


def measured_in(said: str, unit: Unit) -> tuple[MeasuredWord, ...]:
    """Raises `NotSaid` and `LengthError`."""
    found = list[MeasuredWord]()
    for one in said.split(";") if said.strip() else []:
        word, equals, long = one.rpartition("=")
        if not equals or not 0 < len(word.strip()) <= 40:
            raise NotSaid(f"“{one.strip()[:40]}” is no word with its length, such as HERON = 2 5/8 in")
        found.append(MeasuredWord(word.strip(), parse(long.strip(), unit)))
    return tuple(found)
