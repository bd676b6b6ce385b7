"""What lies beside the page, or hangs over it or over what it lies on: moved in, or trimmed flush and kept as a scrap.

┌────────┐        by how much at which edge is told, and what of it is worth keeping as a scrap
│     ┌──┼──┐
└─────┴──┘──┘
"""

from __future__ import annotations

from collections.abc import Iterator

from ulna.core.checks.lying import Lying
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO
from ulna.core.parts.pieces import Ground
from ulna.core.parts.trimmed import trimming


def told(one: Lying, ground: Ground) -> Iterator[Finding]:
    if not ground.format.whole.meets(one.box):
        yield Finding("off-page", "stop", one.part.id, "It lies wholly beside the page; move it back.")
    elif one.built.pieces:
        yield from _over(one, ground)


def _over(one: Lying, ground: Ground) -> Iterator[Finding]:
    say, box, room = ground.ruler.say, one.box, one.room
    over = {
        "left": room.x - box.x,
        "upper": room.y - box.y,
        "right": box.right - room.right,
        "lower": box.bottom - room.bottom,
    }
    over = {name: by for name, by in over.items() if by > ZERO}
    if not over:
        return
    of = "" if one.on == "the page" else f" of {one.on}"
    edges = " and ".join(f"the {name} edge{of} by {say(by)}" for name, by in over.items())
    x = max(room.x, min(box.x, room.right - box.width))
    y = max(room.y, min(box.y, room.bottom - box.height))
    fits = box.width <= room.width and box.height <= room.height
    remedies = (Remedy("Move it in", one.placed(Rect(x, y, box.width, box.height))),) if fits else ()
    says = f"It hangs over {edges}; move it in, or trim it flush after gluing{_trimmings(one, ground)}."
    yield Finding("overhang", "warn", one.part.id, says, remedies)


def _trimmings(one: Lying, ground: Ground) -> str:
    """The largest scrap that trimming flush leaves of its paper, where it is worth keeping."""
    pieces = ((p, p.moved(one.box.x, one.box.y)) for p in one.built.pieces)
    offs = [(off, p) for p, lies in pieces if (off := trimming(lies, one.room)) is not None]
    if not offs:
        return ""
    off, piece = max(offs, key=lambda found: found[0].area)
    size = ground.ruler.say_size(off.width, off.height)
    return f": {size} of {ground.says(piece.choice)} falls off, and the cut list has it as a scrap"
