"""The tables. A record is a car or a setup; its content is only ever in its revisions, and those never change."""

from datetime import datetime
from typing import Any

from sqlalchemy import JSON, CheckConstraint, DateTime, ForeignKey, Index, String
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column


class Base(DeclarativeBase):
    pass


class RecordRow(Base):
    """A car, or a setup that belongs to a car (`parent_id`). `version` is the number of its newest revision."""

    __tablename__ = "record"
    __table_args__ = (
        CheckConstraint("kind in ('car', 'setup')", name="known_kind"),
        CheckConstraint("(kind = 'setup') = (parent_id is not null)", name="setup_has_car"),
        Index("record_by_parent", "parent_id"),
    )

    id: Mapped[str] = mapped_column(String(32), primary_key=True)
    kind: Mapped[str] = mapped_column(String(16))
    parent_id: Mapped[str | None] = mapped_column(ForeignKey("record.id"))
    version: Mapped[int]
    created_at: Mapped[datetime] = mapped_column(DateTime(timezone=True))
    removed_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))


class RevisionRow(Base):
    """One saved state of a record's document, in the file format of its time."""

    __tablename__ = "revision"

    record_id: Mapped[str] = mapped_column(ForeignKey("record.id"), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    format_version: Mapped[int]
    document: Mapped[dict[str, Any]] = mapped_column(JSON)
    name: Mapped[str] = mapped_column(String(80))
    note: Mapped[str] = mapped_column(String(2000))
    saved_at: Mapped[datetime] = mapped_column(DateTime(timezone=True))


class DeskRow(Base):
    """What lay open when the user left: one row."""

    __tablename__ = "desk"

    id: Mapped[int] = mapped_column(primary_key=True)
    content: Mapped[dict[str, Any]] = mapped_column(JSON)
