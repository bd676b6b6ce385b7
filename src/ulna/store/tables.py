"""The tables. A document is a kit, a page, a photo …; every state it ever had is a revision.

`Document.at` points at the revision that counts now; undo and redo move it, a new edit cuts off what was undone.
"""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import JSON, Column, UniqueConstraint
from sqlmodel import Field, SQLModel


class Document(SQLModel, table=True):
    """`version` grows with every change, undo and redo too, so that a stale window is noticed."""

    id: str = Field(primary_key=True, max_length=80)
    kind: str = Field(index=True, max_length=20)
    version: int
    at: int
    deleted: bool = False
    created: datetime
    changed: datetime


class Revision(SQLModel, table=True):
    """State number `number` of a document and what was done to reach it.

    Quick edits of one `series` (a nudge after a nudge) are one state, so that one undo takes them back.
    """

    __table_args__ = (UniqueConstraint("document", "number"),)

    id: int | None = Field(default=None, primary_key=True)
    document: str = Field(foreign_key="document.id", index=True, max_length=80)
    number: int
    what: str = Field(max_length=200)
    series: str | None = Field(default=None, max_length=200)
    body: dict[str, Any] = Field(sa_column=Column(JSON, nullable=False))
    made: datetime
