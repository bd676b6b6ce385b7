"""Papers of a kit may be sorted into piles, photos of a template may span: both are written in shape 2 from here on,
and those of shape 1 are read as they are. Nothing in the tables changes; an older Ulna must not read what it would
give up.
"""

from __future__ import annotations

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None


def upgrade() -> None:
    pass


def downgrade() -> None:
    raise NotImplementedError("an older Ulna opens the copy that was kept before this")
