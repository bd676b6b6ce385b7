"""What lies in the strip that is punched or sewn. What covers it whole is a ground: it is punched with the page."""

from __future__ import annotations

from collections.abc import Iterator

from ulna.core.checks.lying import Lying
from ulna.core.findings import Finding
from ulna.core.parts.pieces import Ground


def told(one: Lying, ground: Ground) -> Iterator[Finding]:
    format, say = ground.format, ground.ruler.say
    if not one.built.pieces or not format.whole.meets(one.box):
        return
    if any(strip.meets(one.box) and not one.box.contains(strip) for strip in format.strips):
        says = (
            f"It reaches into the {say(format.binding)} that is kept clear for the binding: "
            "holes would be punched through it."
        )
        yield Finding("binding", "warn", one.part.id, says)
