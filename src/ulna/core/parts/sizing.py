"""The handles of a part that has a width and a height of its own."""

from __future__ import annotations

from ulna.core.geometry.rects import Rect
from ulna.core.measure import inches
from ulna.core.parts.pieces import Handle
from ulna.core.parts.place import Place

KEPT_OFF = inches(0, 1, 4)
"""What must stay whole keeps so far off an edge that may be trimmed."""


def size_handles(place: Place, box: Rect) -> list[Handle]:
    """Width at the right edge and height at the lower one; what is centred grows at both ends."""
    across = 2.0 if place.across.edge == "centre" else 1.0
    down = 2.0 if place.down.edge == "centre" else 1.0
    return [
        Handle("width", "width", box.right, box.y + box.height.part(1, 2), across),
        Handle("height", "height", box.x + box.width.part(1, 2), box.bottom, 0.0, down),
    ]
