"""Documents and their revisions."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "document",
        sa.Column("id", sa.String(80), primary_key=True),
        sa.Column("kind", sa.String(20), nullable=False, index=True),
        sa.Column("version", sa.Integer, nullable=False),
        sa.Column("at", sa.Integer, nullable=False),
        sa.Column("deleted", sa.Boolean, nullable=False),
        sa.Column("created", sa.DateTime, nullable=False),
        sa.Column("changed", sa.DateTime, nullable=False),
    )
    op.create_table(
        "revision",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("document", sa.String(80), sa.ForeignKey("document.id"), nullable=False, index=True),
        sa.Column("number", sa.Integer, nullable=False),
        sa.Column("what", sa.String(200), nullable=False),
        sa.Column("series", sa.String(200)),
        sa.Column("body", sa.JSON, nullable=False),
        sa.Column("made", sa.DateTime, nullable=False),
        sa.UniqueConstraint("document", "number"),
    )


def downgrade() -> None:
    op.drop_table("revision")
    op.drop_table("document")
