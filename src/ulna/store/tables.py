"""The tables. A document is a kit, a page, a photo …; every state it ever had is a revision.

`Document.at` points at the revision that counts now; undo and redo move it, a new edit cuts off what was undone.
"""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import Column, Index, Text, UniqueConstraint
from sqlmodel import Field, SQLModel


class Document(SQLModel, table=True):
    """`version` grows with every change, undo and redo too, so that a stale window is noticed.

    `seq` counts the changes of the whole library: that of a document is the one that changed it last.
    """

    __table_args__ = (Index("ix_document_kind_seq", "kind", "seq"), Index("ix_document_seq", "seq"))

    id: str = Field(primary_key=True, max_length=80)
    kind: str = Field(index=True, max_length=20)
    version: int
    at: int
    deleted: bool = False
    created: datetime
    changed: datetime
    seq: int = 0


class Revision(SQLModel, table=True):
    """State number `number` of a document and what was done to reach it: `body` as JSON in the shape number `form`,
    and the CRC-32 of that text, by which a damaged one is known.

    Quick edits of one `series` (a nudge after a nudge) are one state, so that one undo takes them back.
    """

    __table_args__ = (UniqueConstraint("document", "number"),)

    id: int | None = Field(default=None, primary_key=True)
    document: str = Field(foreign_key="document.id", index=True, max_length=80)
    number: int
    what: str = Field(max_length=200)
    series: str | None = Field(default=None, max_length=200)
    body: str = Field(sa_column=Column(Text, nullable=False))
    made: datetime
    form: int = 1
    crc: int | None = None
