"""All cars and setups, also those in the archive: listed, brought back, deleted for good."""

from collections.abc import Iterator
from contextlib import contextmanager
from datetime import datetime
from typing import NamedTuple

from sqlalchemy import delete, or_, select, text
from sqlalchemy.orm import Session

from plimbo.store.database import Database
from plimbo.store.records import Kind, NotFound, in_utc, now
from plimbo.store.tables import JobRow, RecordRow, RevisionRow, SeriesRow


class StillListed(Exception):
    """Only what is in the archive is deleted for good."""


class Entry(NamedTuple):
    """A car or a setup as the garage lists it."""

    id: str
    kind: Kind
    parent_id: str | None
    version: int
    name: str
    saved_at: datetime
    archived: bool


class Garage:
    """The cars and setups in a database."""

    def __init__(self, database: Database) -> None:
        self._database = database

    def entries(self) -> list[Entry]:
        """Every car and every setup, in the order in which they were made."""
        newest = (RevisionRow.record_id == RecordRow.id) & (RevisionRow.number == RecordRow.version)
        query = (
            select(RecordRow, RevisionRow.saved_at)
            .join(RevisionRow, newest)
            .where(RecordRow.kind.in_((Kind.CAR, Kind.SETUP)))
            .order_by(RecordRow.created_at, RecordRow.id)
        )
        with self._database.reading() as session:
            return [_entry(row, saved_at) for row, saved_at in session.execute(query)]

    def bring_back(self, kind: Kind, record_id: str) -> None:
        """Put a record back on the lists. Raises `NotFound` where there is none."""
        with self._database.writing() as session:
            _row(session, kind, record_id).removed_at = None

    def delete(self, kind: Kind, record_id: str) -> None:
        """Delete a record of the archive for good, with its revisions and all that belongs to it.

        Raises `StillListed` where it is not in the archive.
        """
        with self._database.writing() as session:
            row = _row(session, kind, record_id)
            if row.removed_at is None:
                raise StillListed(record_id)
            children = list(session.scalars(select(RecordRow).where(RecordRow.parent_id == row.id)))
            for child in children:
                child.removed_at = child.removed_at or now()
            session.flush()
            doomed = [*(child.id for child in children), row.id]
            with _unguarded(session):
                session.execute(delete(JobRow).where(or_(*(JobRow.about.startswith(one) for one in doomed))))
                for table in (SeriesRow, RevisionRow):
                    session.execute(delete(table).where(table.record_id.in_(doomed)))
                for one in doomed:
                    session.execute(delete(RecordRow).where(RecordRow.id == one))


@contextmanager
def _unguarded(session: Session) -> Iterator[None]:
    """Without the triggers that keep what is saved from being deleted: within one transaction, so never left so."""
    known = text("select name, sql from sqlite_master where type = 'trigger' and name like '%_no_delete'")
    guards = session.execute(known).all()
    for name, _ in guards:
        session.execute(text(f"drop trigger {name}"))
    yield
    for _, definition in guards:
        session.execute(text(definition))


def _row(session: Session, kind: Kind, record_id: str) -> RecordRow:
    """Also of the archive."""
    row = session.get(RecordRow, record_id)
    if row is None or row.kind != kind:
        raise NotFound(record_id)
    return row


def _entry(row: RecordRow, saved_at: datetime) -> Entry:
    name, archived = row.heading, row.removed_at is not None
    return Entry(row.id, Kind(row.kind), row.parent_id, row.version, name, in_utc(saved_at), archived)
