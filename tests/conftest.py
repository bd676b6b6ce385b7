"""What tests of several floors share."""

from __future__ import annotations

from hypothesis import settings

settings.register_profile("ulna", deadline=None, derandomize=True)
settings.load_profile("ulna")
