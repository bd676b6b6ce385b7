"""Rules name a unit and a school of strips, a band may be cut long: what is written from here on an older Ulna must
not read, for it would give it up. Nothing in the tables changes.
"""

from __future__ import annotations

revision = "0007"
down_revision = "0006"
branch_labels = None
depends_on = None


def upgrade() -> None:
    pass


def downgrade() -> None:
    raise NotImplementedError("an older Ulna opens the copy that was kept before this")
