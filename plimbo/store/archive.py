"""The archive: records taken off the lists, brought back, or deleted for good; and lists that include them."""

from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from datetime import datetime
from typing import NamedTuple

from sqlalchemy import delete, or_, select, text
from sqlalchemy.orm import Session

from plimbo.store.database import Database
from plimbo.store.kinds import RecordKind
from plimbo.store.records import NotFound
from plimbo.store.rows import IS_SOUND, NEWEST, in_utc, now
from plimbo.store.tables import JobRow, RecordRow, RevisionRow, SeriesRow


class NotArchived(Exception):
    """Only a record in the archive can be deleted for good."""


class Entry(NamedTuple):
    """A record in a list that includes the archive."""

    id: str
    kind: RecordKind
    parent_id: str | None
    version: int
    name: str
    saved_at: datetime
    archived: bool
    format_version: int
    sound: bool


class Archive:
    """The records of a database, on the lists and off them."""

    def __init__(self, database: Database) -> None:
        self._database = database

    def entries(self, kinds: Sequence[RecordKind]) -> list[Entry]:
        """Every record of these kinds, in the order of creation; one of an unknown kind counts as the first of them."""
        query = (
            select(RecordRow, RevisionRow.saved_at, RevisionRow.format_version, IS_SOUND)
            .outerjoin(RevisionRow, NEWEST)
            .where(or_(RecordRow.kind.in_(kinds), RecordRow.kind.not_in(list(RecordKind))))
            .order_by(RecordRow.created_at, RecordRow.id)
        )
        with self._database.reading() as session:
            return [
                Entry(
                    row.id,
                    RecordKind.named(row.kind) if RecordKind.is_known(row.kind) else kinds[0],
                    row.parent_id,
                    row.version,
                    row.heading,
                    in_utc(saved_at or row.created_at),
                    row.removed_at is not None,
                    format_version or 0,
                    bool(sound) and RecordKind.is_known(row.kind),
                )
                for row, saved_at, format_version, sound in session.execute(query)
            ]

    def put_away(self, kind: RecordKind, record_id: str) -> None:
        """Take a record off the lists, with everything that belongs to it. Raises `NotFound` if it is on none."""
        with self._database.writing() as session:
            row = _row(session, kind, record_id)
            if row.removed_at is not None:
                raise NotFound(record_id)
            row.removed_at = now()

    def bring_back(self, kind: RecordKind, record_id: str) -> None:
        """Put a record back on the lists. Raises `NotFound` where there is none."""
        with self._database.writing() as session:
            _row(session, kind, record_id).removed_at = None

    def delete(self, kind: RecordKind, record_id: str) -> None:
        """Delete a record of the archive for good, with its revisions and all that belongs to it.

        Raises `NotArchived` where it is not in the archive.
        """
        with self._database.writing() as session:
            row = _row(session, kind, record_id)
            if row.removed_at is None:
                raise NotArchived(record_id)
            doomed = _with_descendants(session, row.id)
            with _unguarded(session):
                session.execute(delete(JobRow).where(or_(*(JobRow.about.startswith(one) for one in doomed))))
                for table in (SeriesRow, RevisionRow):
                    session.execute(delete(table).where(table.record_id.in_(doomed)))
                # Children are deleted before their parent.
                for one in reversed(doomed):
                    session.execute(delete(RecordRow).where(RecordRow.id == one))


def _with_descendants(session: Session, record_id: str) -> list[str]:
    """A record and everything that belongs to it, parents first."""
    found = [record_id]
    for one in found:
        found += session.scalars(select(RecordRow.id).where(RecordRow.parent_id == one))
    return found


@contextmanager
def _unguarded(session: Session) -> Iterator[None]:
    """Without the triggers that protect saved data from deletion; within one transaction, so they are always
    restored.
    """
    known = text("select name, sql from sqlite_master where type = 'trigger' and name like '%_no_delete'")
    guards = session.execute(known).all()
    for name, _ in guards:
        session.execute(text(f"drop trigger {name}"))
    yield
    for _, definition in guards:
        session.execute(text(definition))


def _row(session: Session, kind: RecordKind, record_id: str) -> RecordRow:
    """Also of the archive, and of an unknown kind."""
    row = session.get(RecordRow, record_id)
    if row is None or (row.kind != kind and RecordKind.is_known(row.kind)):
        raise NotFound(record_id)
    return row
