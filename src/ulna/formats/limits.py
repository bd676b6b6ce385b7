"""How large a file may be that comes in; what reads an upload stops there."""

MOST_PICTURE_BYTES = 80_000_000
MOST_JSON_BYTES = 5_000_000
