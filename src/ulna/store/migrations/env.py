"""Alembic's entry: runs on the connection that `store.schema` hands over."""

from __future__ import annotations

from alembic import context

from ulna.store import tables

connection = context.config.attributes["connection"]
context.configure(connection=connection, target_metadata=tables.Document.metadata, render_as_batch=True)
with context.begin_transaction():
    context.run_migrations()
