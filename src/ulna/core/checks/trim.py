"""What must stay whole, a stitched pocket or a border, keeps off an edge that may be trimmed after gluing."""

from __future__ import annotations

from collections.abc import Iterator

from ulna.core.checks.lying import Lying
from ulna.core.findings import Finding
from ulna.core.parts.kinds import traits
from ulna.core.parts.pieces import Ground


def told(one: Lying, ground: Ground) -> Iterator[Finding]:
    format, box, off = ground.format, one.box, traits(one.part).off_trim
    whole = format.whole
    if not off or not format.allowance or not whole.meets(box):
        return
    spared = whole.x + off <= box.x or format.pages == 1 or box.x >= format.width
    if spared and box.right <= whole.right - off and box.y >= off and box.bottom <= whole.bottom - off:
        return
    says = (
        f"It lies nearer than {ground.ruler.say(off)} to an edge that may be trimmed after gluing; "
        "what must stay whole keeps off it."
    )
    yield Finding("near-trim", "warn", one.part.id, says)
