"""The house rules stand in one place, a page says which edges are worked, what is built and finished is kept: what
is written from here on an older Ulna must not read, for it would give it up. Nothing in the tables changes.
"""

from __future__ import annotations

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None


def upgrade() -> None:
    pass


def downgrade() -> None:
    raise NotImplementedError("an older Ulna opens the copy that was kept before this")
