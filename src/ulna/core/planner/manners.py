"""Manners of laying a piece: how well it fits a free part, and which of the two rests beside it is kept whole."""

from __future__ import annotations

from enum import IntEnum


class Fit(IntEnum):
    """Of the free parts a piece takes the one with the least of …"""

    AREA_LEFT = 0
    SHORTER_GAP = 1
    LONGER_GAP = 2


class Split(IntEnum):
    """Of the two first cuts beside a piece the one that …"""

    KEEPS_LARGER_REST = 0
    KEEPS_SMALLER_REST = 1
    IS_UPRIGHT = 2
    IS_LEVEL = 3


class Opens(IntEnum):
    """Of the sheets that may be opened the …"""

    MOST_WANTED = 0
    SMALLEST = 1
    LARGEST = 2
