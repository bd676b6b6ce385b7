"""What reading and writing documents takes besides the fields of their values: rules between fields, how documents of
earlier versions are read, and what is written for who reads a document without this program."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from ulna.core.cutting.cut_list import CutPiece, CutSheet, Rest
from ulna.core.cutting.progress import letters
from ulna.core.findings import Remedy
from ulna.core.geometry.figures import Hole, Outline
from ulna.core.page.plan import PagePlan
from ulna.core.paper import patterns, shelf
from ulna.core.paper.shelf import Kit, Paper, Side
from ulna.core.parts import place
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.card import Card
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.place import Place
from ulna.core.photos.crop import Crop
from ulna.core.photos.photo import PhotoRecord
from ulna.core.photos.template import Template

RULES: dict[type, Callable[[Any], str]] = {
    Paper: shelf.faults_of,
    Place: place.faults_of,
}
"""What is wrong with a value as a whole, in words; empty where nothing is."""

FIELD_RULES: dict[tuple[type, str], Callable[[Any], str]] = {(Side, "pattern"): patterns.unknown}
"""And with one field, where that takes more than a range."""

BESIDE: dict[type, dict[str, tuple[Any, Any]]] = {Hole: {"outline": (Outline, [])}, Crop: {"lost": (float, 0.0)}}
"""Properties that are written with the fields, for who cannot work them out: what they are, and what where they are not
written."""

HOLDS: dict[tuple[type, str], Any] = {(Remedy, "part"): Part}
"""What a field holds that its own room does not know."""


LISTED = (Kit, PagePlan, PhotoRecord, Template)
"""What lists give again and again."""


def _one_opening(data: dict[str, Any]) -> dict[str, Any]:
    """Until 0.4 there was one opening, or none."""
    if "opening" not in data:
        return data
    kept = {name: value for name, value in data.items() if name != "opening"}
    return kept if data["opening"] is None else {"openings": [data["opening"]], **kept}


def _turned_piece(data: dict[str, Any]) -> dict[str, Any]:
    """Lists of 0.3 said only whether a piece lies turned on its sheet."""
    if "turned" not in data:
        return data
    kept = {name: value for name, value in data.items() if name != "turned"}
    return kept | {"quarters": 3 if data["turned"] else 0}


def _sheet_as_it_was(data: dict[str, Any]) -> dict[str, Any]:
    """Lists of 0.1 and 0.2 named no rests; those of 0.3 kept the letters beside them; and what a step says stood in it,
    but of a gutted panel not which piece it is in."""
    kept = {name: value for name, value in data.items() if name != "names"}
    rests = data.get("rests", [])
    if any("at" not in rest for rest in rests):
        free = letters()
        names = [*data.get("names", [next(free) for _ in rests]), *["*"] * len(rests)]
        kept["rests"] = [{"at": at, "name": name} for at, name in zip(rests, names, strict=False)]
    if any("says" in step for step in data.get("steps", [])):
        kept["steps"] = [_step_as_it_was(step, data["pieces"]) for step in data["steps"]]
    return _inside(kept)


def _step_as_it_was(step: dict[str, Any], pieces: list[dict[str, Any]]) -> dict[str, Any]:
    kept = {name: step[name] for name in ("key", "n", "kind", "of", "gives")}
    if step["kind"] == "cut":
        return kept | {"axis": step["axis"], "at": step["at"]}
    if step["kind"] == "gut":
        piece = next((p for p in pieces if p["panel"] == step["of"]), None)
        of = piece["rect"] if piece else step["of"]
        return kept | {"of": of, "piece": piece["number"] if piece else 0, "panel": step["of"]}
    return kept


def _inside(data: dict[str, Any]) -> dict[str, Any]:
    """For half a day a scrap that is no rectangle had a figure in its box; now it lies inside a hole."""
    if "figure" not in data:
        return data
    kept = {name: value for name, value in data.items() if name not in ("figure", "cut")}
    if data["figure"] == "rectangle":
        return kept
    box = data.get("at") or {"width": data["width"], "height": data["height"]}
    hole = {"x": "0 in", "y": "0 in", "width": box["width"], "height": box["height"]}
    return kept | {"inside": hole | {"figure": data["figure"], "cut": data.get("cut", "0 in")}}


AS_IT_WAS: dict[type, Callable[[dict[str, Any]], dict[str, Any]]] = {
    Panel: _one_opening,
    Card: _one_opening,
    CutPiece: _turned_piece,
    CutSheet: _sheet_as_it_was,
    Paper: _inside,
    Rest: _inside,
}
"""How a document of an earlier version is read."""
