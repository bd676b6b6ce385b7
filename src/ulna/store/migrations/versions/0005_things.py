"""Things have sizes and outlines, pages have things on them, sketches are kept: what is written from here on an older
Ulna must not read, for it would give it up. Nothing in the tables changes.
"""

from __future__ import annotations

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    pass


def downgrade() -> None:
    raise NotImplementedError("an older Ulna opens the copy that was kept before this")
