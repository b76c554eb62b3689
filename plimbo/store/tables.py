"""The tables. A record is a document of some kind; its content is only ever in its revisions, and those never change.

Which kinds there are, and which belongs to which, is in `kinds.py`: no table has to change for another one.
"""

from datetime import datetime
from typing import Any

from sqlalchemy import ForeignKey, Index, LargeBinary
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column

from plimbo.store.columns import DocumentColumn, MomentColumn, NumberColumn, TextColumn


class Base(DeclarativeBase):
    pass


class RecordRow(Base):
    """A document of a kind, such as a car, or a setup that belongs to a car (`parent_id`).

    `version` is the number of its newest revision, `heading` what its document calls itself there: lists need no more.
    `name_key` is the same for names that count as the same in their list.
    """

    __tablename__ = "record"
    __table_args__ = (
        Index("record_by_parent", "parent_id"),
        Index("record_by_kind", "kind"),
        Index("record_by_name", "kind", "parent_id", "name_key"),
    )

    id: Mapped[str] = mapped_column(TextColumn(32), primary_key=True)
    kind: Mapped[str] = mapped_column(TextColumn(16))
    parent_id: Mapped[str | None] = mapped_column(TextColumn, ForeignKey("record.id"))
    version: Mapped[int] = mapped_column(NumberColumn)
    heading: Mapped[str] = mapped_column(TextColumn(200))
    name_key: Mapped[str] = mapped_column(TextColumn(200))
    created_at: Mapped[datetime] = mapped_column(MomentColumn)
    removed_at: Mapped[datetime | None] = mapped_column(MomentColumn)


class RevisionRow(Base):
    """One saved state of a record's document, in the file format of its time."""

    __tablename__ = "revision"

    record_id: Mapped[str] = mapped_column(TextColumn, ForeignKey("record.id"), primary_key=True)
    number: Mapped[int] = mapped_column(NumberColumn, primary_key=True)
    format_version: Mapped[int] = mapped_column(NumberColumn)
    document: Mapped[Any] = mapped_column(DocumentColumn)
    name: Mapped[str] = mapped_column(TextColumn(80))
    note: Mapped[str] = mapped_column(TextColumn(2000))
    saved_at: Mapped[datetime] = mapped_column(MomentColumn)


class SeriesRow(Base):
    """A stretch of a long series of numbers that belongs to a record, such as one channel of a log; it never changes.

    `samples` holds `count` little-endian doubles, the first of them the `start`th of the series.
    """

    __tablename__ = "series"

    record_id: Mapped[str] = mapped_column(TextColumn, ForeignKey("record.id"), primary_key=True)
    name: Mapped[str] = mapped_column(TextColumn(80), primary_key=True)
    start: Mapped[int] = mapped_column(primary_key=True)
    count: Mapped[int]
    samples: Mapped[bytes] = mapped_column(LargeBinary)


class JobRow(Base):
    """A long job, its subject and its answer; `question` identifies the question.

    Only the last job on a subject is kept.
    """

    __tablename__ = "job"
    __table_args__ = (Index("job_by_about", "about"),)

    id: Mapped[str] = mapped_column(TextColumn(32), primary_key=True)
    kind: Mapped[str] = mapped_column(TextColumn(16))
    about: Mapped[str] = mapped_column(TextColumn(64))
    state: Mapped[str] = mapped_column(TextColumn(16))
    asked_at: Mapped[datetime] = mapped_column(MomentColumn)
    question: Mapped[str] = mapped_column(TextColumn(64))
    answer: Mapped[Any] = mapped_column(DocumentColumn, nullable=True)
    trouble: Mapped[str] = mapped_column(TextColumn(500))


class DeskRow(Base):
    """What was open when the user left: one row."""

    __tablename__ = "desk"

    id: Mapped[int] = mapped_column(primary_key=True)
    content: Mapped[Any] = mapped_column(DocumentColumn)
