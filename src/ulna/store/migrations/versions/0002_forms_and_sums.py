"""Each state has the number of its shape and a sum; each document knows which change of the library was its last.

Libraries of the first evening have no `series`: the first migration was changed in place then, which is not done any
more.
"""

from __future__ import annotations

import zlib

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None


def upgrade() -> None:
    connection = op.get_bind()
    if "series" not in {column["name"] for column in sa.inspect(connection).get_columns("revision")}:
        op.add_column("revision", sa.Column("series", sa.String(200)))
    op.add_column("revision", sa.Column("form", sa.Integer, nullable=False, server_default="1"))
    op.add_column("revision", sa.Column("crc", sa.Integer))
    op.add_column("document", sa.Column("seq", sa.Integer, nullable=False, server_default="0"))
    op.execute("UPDATE document SET seq = rowid")
    op.create_index("ix_document_kind_seq", "document", ["kind", "seq"])
    op.create_index("ix_document_seq", "document", ["seq"])
    for id, body in connection.exec_driver_sql("SELECT id, body FROM revision").all():
        sum = zlib.crc32(str(body).encode(errors="replace"))
        connection.exec_driver_sql("UPDATE revision SET crc = ? WHERE id = ?", (sum, id))


def downgrade() -> None:
    raise NotImplementedError("an older Ulna opens the copy that was kept before this")
