"""How much effort so many seconds are worth.

The search counts fittings (a piece held against a free part), not time, so that one request with one bound gives
one plan on every machine. `PER_SECOND` was measured so that the bound is kept with room to spare on two slow cores.
"""

from __future__ import annotations

PER_SECOND = 1_400_000


def effort_of(seconds: float) -> int:
    """The fittings that a bound of so many seconds allows."""
    return max(1, int(seconds * PER_SECOND))
