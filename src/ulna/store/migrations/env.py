"""Alembic's entry: runs on the connection that `store.schema` hands over."""

from __future__ import annotations

from alembic import context
from sqlmodel import SQLModel

from ulna.store import tables

connection = context.config.attributes["connection"]
context.configure(connection=connection, target_metadata=SQLModel.metadata, render_as_batch=True)
assert tables.Document.metadata is SQLModel.metadata
with context.begin_transaction():
    context.run_migrations()
