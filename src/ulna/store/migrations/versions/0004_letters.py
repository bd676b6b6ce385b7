"""Kits have alphabets, pages have titles: both are written in the next shape from here on, and those of earlier ones
are read as they are. Nothing in the tables changes; an older Ulna must not read what it would give up.
"""

from __future__ import annotations

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    pass


def downgrade() -> None:
    raise NotImplementedError("an older Ulna opens the copy that was kept before this")
