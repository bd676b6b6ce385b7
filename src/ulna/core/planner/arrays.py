"""Arrays of machine numbers, which compiled and plain Python share: of given values, or of so many zeros."""

from __future__ import annotations

from array import array
from collections.abc import Iterable


def longs(values: int | Iterable[int]) -> array[int]:
    """Whole numbers of 64 bits."""
    return _made("q", 8, values)


def ints(values: int | Iterable[int]) -> array[int]:
    """Whole numbers of 32 bits."""
    return _made("i", 4, values)


def marks(values: int | Iterable[int]) -> array[int]:
    """Small numbers and flags of 8 bits."""
    return _made("b", 1, values)


def bits(values: int | Iterable[int]) -> array[int]:
    """Sets of up to 64 things, a bit each."""
    return _made("Q", 8, values)


def reals(values: int | Iterable[float]) -> array[float]:
    """Fractions of 64 bits."""
    return _made("d", 8, values)


def _made(code: str, size: int, values: int | Iterable[float]) -> array:  # type: ignore[type-arg]
    """Never empty, so that compiled code may take hold of it."""
    if isinstance(values, int):
        return array(code, bytes(size * max(1, values)))
    return array(code, values) or array(code, bytes(size))
