"""Requests for the cut planner whose best plan is known, drawn by a seed: sheets are cut up, to be put together again.

All lengths are drawn on a grid of 1/8 in. What is known of each is a plan with so many whole sheets and so many
pieces without a place; the best may need fewer sheets.
"""

from __future__ import annotations

import random
from dataclasses import dataclass
from typing import Any

SIZES = ((96, 96), (96, 96), (96, 96), (68, 88), (48, 64), (48, 48))
"""12 × 12, letter, two pads: widths and heights in eighths of an inch."""
LEAST = 6
"""No piece is narrower than 3/4 in."""


@dataclass(frozen=True, slots=True)
class Instance:
    name: str
    request: dict[str, Any]
    sheets: int
    unplaced: int = 0


@dataclass(slots=True)
class Sized:
    """A piece in eighths of an inch."""

    width: int
    height: int
    turn: bool = False
    paper: str = ""
    gut: dict[str, int] | None = None


def cut_up(width: int, height: int, pieces: int, dice: random.Random) -> list[tuple[int, int]]:
    """So many rectangles that edge-to-edge cuts make of a sheet, or as many as the least size allows."""
    parts = [(width, height)]
    while len(parts) < pieces:
        able = [p for p in parts if max(p) >= 2 * LEAST]
        if not able:
            break
        w, h = dice.choices(able, [a * b for a, b in able])[0]
        parts.remove((w, h))
        upright = h < 2 * LEAST or (w >= 2 * LEAST and dice.random() < w / (w + h))
        at = dice.randint(LEAST, (w if upright else h) - LEAST)
        parts += [(at, h), (w - at, h)] if upright else [(w, at), (w, h - at)]
    return parts


def perfect(seed: int) -> Instance:
    """One to eight whole sheets without waste, 8 to 60 pieces; turning for all, none or half."""
    dice = random.Random(seed)
    sheets, pieces = _dissected(dice, mixed=dice.random() < 0.5)
    return Instance(f"perfect {seed}", _asked(dice, _sheets(sheets), pieces), len(sheets))


def near_perfect(seed: int) -> Instance:
    """The same with 3 to 8 % taken off the pieces: still no plan has fewer sheets."""
    dice = random.Random(1000 + seed)
    sheets, pieces = _dissected(dice, mixed=False)
    area = sum(w * h for w, h in sheets)
    away = min(dice.uniform(0.03, 0.08) * area, sheets[0][0] * sheets[0][1] - 1)
    while away > 0:
        piece, by = dice.choice(pieces), dice.randint(1, 4)
        if dice.random() < 0.5 and piece.width - by >= 4 and by * piece.height <= away + 40:
            piece.width, away = piece.width - by, away - by * piece.height
        elif piece.height - by >= 4 and by * piece.width <= away + 40:
            piece.height, away = piece.height - by, away - by * piece.width
        elif away < 40:
            break
    return Instance(f"near-perfect {seed}", _asked(dice, _sheets(sheets, 2), pieces), len(sheets))


def large(seed: int) -> Instance:
    """200 to 400 pieces on 40 to 60 sheets, 3 to 8 % taken off."""
    dice = random.Random(2000 + seed)
    count = dice.randint(40, 60)
    sheets = [(96, 96)] * count
    pieces = []
    each = dice.randint(max(200, 4 * count), 400) // count
    turn = dice.choice(("all", "none", "half"))
    for w, h in sheets:
        pieces += [Sized(a, b, _turns(turn, dice)) for a, b in cut_up(w, h, each + dice.randint(-1, 1), dice)]
    for piece in pieces:
        if dice.random() < 0.5 and piece.width > LEAST:
            piece.width -= 1
    return Instance(f"large {seed}", _asked(dice, _sheets(sheets, 4), pieces), count)


def papers(seed: int) -> Instance:
    """Twenty papers, each with the pieces of two sheets of its own, 2 to 5 % taken off; none stands in for another."""
    dice = random.Random(5000 + seed)
    sheets, pieces = list[dict[str, Any]](), list[Sized]()
    for k in range(20):
        name = f"paper-{k}"
        sheets.append({"id": name, "width": 96, "height": 96, "quantity": 4})
        turn = dice.choice(("all", "none", "half"))
        cut = [cut_up(96, 96, dice.randint(8, 16), dice) for _ in range(2)]
        mine = [Sized(w, h, _turns(turn, dice), name) for one in cut for w, h in one]
        away = dice.uniform(0.02, 0.05) * 2 * 96 * 96
        while away > 0:
            piece = dice.choice(mine)
            if piece.width > LEAST:
                piece.width, away = piece.width - 1, away - piece.height
        pieces += mine
    return Instance(f"papers {seed}", _asked(dice, sheets, pieces), 40)


def mixed(seed: int) -> Instance:
    """Twenty-five papers, each with one to three sheets of its own: without waste, or with 2 to 8 % taken off."""
    dice = random.Random(6000 + seed)
    sheets, pieces, whole = list[dict[str, Any]](), list[Sized](), 0
    for k in range(25):
        name, count = f"paper-{k}", dice.choice((1, 2, 2, 3))
        sheets.append({"id": name, "width": 96, "height": 96, "quantity": count + 2})
        turn = dice.choice(("all", "none", "half"))
        mine = [
            Sized(w, h, _turns(turn, dice), name)
            for _ in range(count)
            for w, h in cut_up(96, 96, dice.randint(6, 16), dice)
        ]
        least, most = dice.choice(((0, 0), (0.02, 0.05), (0.03, 0.08)))
        away = dice.uniform(least, most) * count * 96 * 96
        while away > 0:
            piece = dice.choice(mine)
            if piece.width > LEAST:
                piece.width, away = piece.width - 1, away - piece.height
        pieces += mine
        whole += count
    return Instance(f"mixed {seed}", _asked(dice, sheets, pieces), whole)


def infeasible(seed: int) -> Instance:
    """A near-perfect one with one or two pieces that fit nowhere."""
    dice = random.Random(3000 + seed)
    known = near_perfect(500 + seed)
    extra = [
        {
            "id": f"too-large-{k}",
            "width": 12 + dice.randint(1, 40) / 8,
            "height": dice.randint(8, 96) / 8,
            "turn": False,
        }
        for k in range(dice.randint(1, 2))
    ]
    pieces = [*known.request["pieces"], *extra]
    dice.shuffle(pieces)
    return Instance(f"infeasible {seed}", {**known.request, "pieces": pieces}, known.sheets, len(extra))


def kit(seed: int) -> Instance:
    """Three to eight papers with strips, pads and scraps; pieces tied to papers, some only possible from panels that
    are gutted, some nested; 72 to 97 % full; some with a kerf, some in millimetres."""
    dice = random.Random(4000 + seed)
    kerf = dice.choice((0, 0, 0, 1))
    sheets, pieces, whole = list[dict[str, Any]](), list[Sized](), 0
    papers = dice.randint(3, 8)
    wanted = dice.randint(20, 60) // papers
    for k in range(papers):
        name = f"paper-{k}"
        w, h = dice.choice(SIZES)
        count = dice.randint(1, 3)
        sheet: dict[str, Any] = {"id": name, "width": w, "height": h, "quantity": count}
        if dice.random() < 0.4 and min(w, h) == 96:
            sheet["reserve"] = {
                "edge": dice.choice(("left", "top", "right", "bottom")),
                "depth": dice.randint(2, 5),
            }
        sheets.append(sheet)
        usable_w = w - (sheet.get("reserve", {}).get("depth", 0) if _is_side(sheet) else 0)
        usable_h = h - (0 if _is_side(sheet) else sheet.get("reserve", {}).get("depth", 0))
        stock = [(usable_w, usable_h)] * count
        if dice.random() < 0.4:
            scrap = (dice.randint(20, 60), dice.randint(16, 40))
            sheets.append({"id": f"scrap-{k}", "width": scrap[0], "height": scrap[1], "scrap": True})
            stock.append(scrap)
        turn = dice.choice(("all", "none", "half"))
        whole += count
        for n, (a, b) in enumerate(stock):
            each = max(1, wanted // count if n < count else 2)
            pieces += _from_stock(a, b, each, name, turn, kerf, dice)
    fill = dice.uniform(0.72, 0.97)
    kept = [p for p in pieces if p.gut is not None or dice.random() < fill + 0.1]
    unit = dice.choice(("in", "in", "mm"))
    request = _asked(dice, sheets, kept, kerf, unit)
    return Instance(f"kit {seed}", request, whole)


def _from_stock(
    w: int, h: int, pieces: int, name: str, turn: str, kerf: int, dice: random.Random, deep: int = 0
) -> list[Sized]:
    """What comes out of one sheet or panel: a frame that is gutted with more inside it, or pieces side by side."""
    if deep < 2 and min(w, h) >= 40 and dice.random() < (0.35 if deep == 0 else 0.3):
        frame = Sized(w - dice.randint(0, 4), h - dice.randint(0, 4), False, name)
        rims = {side: dice.randint(2, 6) for side in ("left", "top", "right", "bottom")}
        frame.gut = rims
        inner = frame.width - rims["left"] - rims["right"], frame.height - rims["top"] - rims["bottom"]
        return [frame, *_from_stock(*inner, max(1, pieces - 1), name, turn, kerf, dice, deep + 1)]
    found = []
    for a, b in cut_up(w, h, pieces, dice):
        a, b = a - kerf - dice.randint(0, 1), b - kerf - dice.randint(0, 1)
        if min(a, b) >= 4:
            found.append(Sized(a, b, _turns(turn, dice), name))
    return found


def _is_side(sheet: dict[str, Any]) -> bool:
    return sheet.get("reserve", {}).get("edge") in ("left", "right")


def _turns(turn: str, dice: random.Random) -> bool:
    return turn == "all" or (turn == "half" and dice.random() < 0.5)


def _dissected(dice: random.Random, mixed: bool) -> tuple[list[tuple[int, int]], list[Sized]]:
    count = dice.randint(1, 8)
    total = dice.randint(max(8, 2 * count), min(60, 12 * count))
    sheets = [dice.choice(SIZES) for _ in range(count)] if mixed else [dice.choice(SIZES)] * count
    each = [1] * count
    for _ in range(total - count):
        k = min(range(count), key=lambda k: (each[k] + dice.random() * 3) / (sheets[k][0] * sheets[k][1]))
        each[k] += 1
    turn = dice.choice(("all", "none", "half"))
    parts = [part for (w, h), n in zip(sheets, each, strict=True) for part in cut_up(w, h, n, dice)]
    return sheets, [Sized(w, h, _turns(turn, dice)) for w, h in parts]


def _sheets(sizes: list[tuple[int, int]], spare: int = 0) -> list[dict[str, Any]]:
    kinds = dict[tuple[int, int], int]()
    for size in sizes:
        kinds[size] = kinds.get(size, spare) + 1
    return [
        {"id": f"paper {k}" if k else "paper", "width": w, "height": h, "quantity": n}
        for k, ((w, h), n) in enumerate(kinds.items())
    ]


def _asked(
    dice: random.Random, sheets: list[dict[str, Any]], pieces: list[Sized], kerf: int = 0, unit: str = "in"
) -> dict[str, Any]:
    """The request, its pieces shuffled and those that turn lying either way."""
    scale = 0.125 if unit == "in" else 3.175

    def long(eighths: int) -> float:
        return round(eighths * scale, 6)

    def written(value: Any) -> Any:
        if isinstance(value, dict):
            return {k: v if k in ("quantity", "scrap") else written(v) for k, v in value.items()}
        return long(value) if isinstance(value, int) else value

    names = {name for s in sheets if not s.get("scrap") for name in (s["id"],)}
    asked = []
    for k, piece in enumerate(pieces):
        w, h = piece.width, piece.height
        if piece.turn and piece.gut is None and dice.random() < 0.5:
            w, h = h, w
        one: dict[str, Any] = {"id": f"piece-{k}", "width": long(w), "height": long(h), "turn": piece.turn}
        if len(names) > 1 and piece.paper in names:
            scrap = piece.paper.replace("paper", "scrap")
            one["from"] = [piece.paper] + [scrap] * any(s["id"] == scrap for s in sheets)
        if piece.gut is not None:
            one["gut"] = {side: long(rim) for side, rim in piece.gut.items()}
        asked.append(one)
    dice.shuffle(asked)
    return {
        "format": "ulna-cut-request",
        "version": 1,
        "unit": unit,
        "kerf": long(kerf),
        "sheets": [written(s) for s in sheets],
        "pieces": asked,
    }


KINDS = {
    "perfect": perfect,
    "near-perfect": near_perfect,
    "kit": kit,
    "infeasible": infeasible,
    "large": large,
    "papers": papers,
    "mixed": mixed,
}
