"""The kinds of part that a page is made of: one module each, a line in `BUILDERS` and one in `SENTENCES`."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from ulna.core.parts import base, joint, panel, photo
from ulna.core.parts.base import Base
from ulna.core.parts.joint import Joint
from ulna.core.parts.panel import Panel
from ulna.core.parts.photo import PhotoPart
from ulna.core.pieces import Built, Ground

Part = Base | Panel | PhotoPart | Joint

SENTENCES: dict[type, Callable[[Any, Ground], str]] = {
    Base: base.sentence,
    Panel: panel.sentence,
    PhotoPart: photo.sentence,
    Joint: joint.sentence,
}

BUILDERS: dict[type, Callable[[Any, Ground], Built]] = {
    Base: base.build,
    Panel: panel.build,
    PhotoPart: photo.build,
    Joint: joint.build,
}


MOST_WORKED = 2_000


def work_out(part: Part, ground: Ground) -> tuple[Built, str]:
    """A part worked out at the origin, and as people say it with its values in place."""
    found = ground.worked.get(part)
    if found is None:
        if len(ground.worked) > MOST_WORKED:
            ground.worked.clear()
        found = BUILDERS[type(part)](part, ground), SENTENCES[type(part)](part, ground)
        ground.worked[part] = found
    return found
