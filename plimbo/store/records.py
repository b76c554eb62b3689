"""Saving and finding records: optimistic versions, one transaction for each write."""

from collections.abc import Iterable, Mapping, Sequence
from datetime import timedelta
from typing import Any

from sqlalchemy import ColumnElement, func, insert, literal_column, select
from sqlalchemy.orm import Session

from plimbo.store.database import Database
from plimbo.store.kinds import RecordKind
from plimbo.store.naming import TakenNames, name_key
from plimbo.store.rows import (
    IS_SOUND,
    NEWEST,
    Heading,
    NewRecord,
    Revision,
    Stored,
    add_tree,
    as_stored,
    heading_of,
    in_list,
    in_utc,
    listed,
    new_record,
    now,
    revision_values,
    row_values,
    same_record,
    with_free_name,
)
from plimbo.store.tables import DeskRow, RecordRow, RevisionRow


class NotFound(LookupError):
    """No such record or revision."""


class Conflict(Exception):
    """The record was saved by someone else meanwhile."""

    def __init__(self, current_version: int) -> None:
        super().__init__(f"version {current_version} is the newest")
        self.current_version = current_version


class NameTaken(Exception):
    """Another record of the list has this name."""

    def __init__(self, kind: RecordKind, name: str, *, archived: bool) -> None:
        super().__init__(name)
        self.kind, self.name, self.archived = kind, name, archived


class Records:
    """The records in a database."""

    def __init__(self, database: Database) -> None:
        self._database = database

    def add(self, kind: RecordKind, document: dict[str, Any], parent_id: str | None = None) -> Stored:
        """A new record with its first revision.

        If its name is taken in its list, it gets a number. Raises `NotFound` if its parent does not exist.
        """
        with self._database.writing() as session:
            _require_parent(session, kind, parent_id)
            return new_record(session, kind, with_free_name(session, kind, document, parent_id), parent_id)

    def add_many(
        self, kind: RecordKind, documents: Iterable[dict[str, Any]], parent_id: str | None = None
    ) -> list[str]:
        """New records in this order, all or none; their ids. Names and parent as in `add`."""
        with self._database.writing() as session:
            _require_parent(session, kind, parent_id)
            names = TakenNames(session.scalars(in_list(select(RecordRow.name_key), kind, parent_id)))
            begun, rows, revisions = now(), list[dict[str, Any]](), list[dict[str, Any]]()
            for place, document in enumerate(documents):
                named = document | {"name": names.claim(heading_of(document))}
                # Lists are ordered by time: one microsecond apart keeps their order.
                row = row_values(kind, named, parent_id, begun + timedelta(microseconds=place))
                rows.append(row)
                revisions.append(revision_values(row["id"], 1, named, "", ""))
            if rows:
                session.execute(insert(RecordRow), rows)
                session.execute(insert(RevisionRow), revisions)
            return [row["id"] for row in rows]

    def add_with_owners(self, documents: Mapping[RecordKind, dict[str, Any]]) -> Stored:
        """Adds the last of these records and those that it belongs to, the topmost first: together or not at all.

        An owner that is already stored, exactly the same, is used; any other is added.
        """
        *owners, (kind, document) = documents.items()
        parent_id: str | None = None
        with self._database.writing() as session:
            for owner_kind, owner in owners:
                same = same_record(session, owner_kind, owner, parent_id)
                named = with_free_name(session, owner_kind, owner, parent_id)
                parent_id = same or new_record(session, owner_kind, named, parent_id).id
            return new_record(session, kind, with_free_name(session, kind, document, parent_id), parent_id)

    def add_tree(self, new: NewRecord) -> list[Stored]:
        """A record and all that belongs to it, together or not at all; in this order."""
        with self._database.writing() as session:
            named = with_free_name(session, new.kind, new.document, None)
            return add_tree(session, new._replace(document=named), None)

    def fill(self, records: Sequence[NewRecord], desk: Mapping[str, Any]) -> None:
        """Add these to an empty database, all or none; the first one with a parent is opened on the desk."""
        with self._database.writing() as session:
            if session.scalars(select(RecordRow.id).limit(1)).first() is not None:
                return
            added = [stored for new in records for stored in add_tree(session, new, None)]
            opened = next((stored.id for stored in added if stored.parent_id is not None), None)
            session.merge(DeskRow(id=1, content={**desk, "setup_id": opened}))

    def save(
        self, kind: RecordKind, record_id: str, version: int, document: dict[str, Any], name: str = "", note: str = ""
    ) -> Stored:
        """A new revision on top of `version`. Raises `Conflict` if that is no longer the newest, and `NameTaken` if
        another record of its list has its name.

        The same save sent again, because its answer was lost, gets the same answer.
        """
        with self._database.writing() as session:
            row = _record(session, kind, record_id)
            if row.version == version + 1:
                newest = _revision(session, row.id, row.version)
                if (newest.document, newest.name, newest.note) == (document, name, note):
                    return as_stored(row, newest)
            if row.version != version:
                raise Conflict(row.version)
            if heading_of(document) != row.heading:
                _refuse_taken(session, kind, heading_of(document), row)
            row.version = version + 1
            row.heading, row.name_key = heading_of(document), name_key(heading_of(document))
            revision = RevisionRow(**revision_values(row.id, row.version, document, name, note))
            session.add(revision)
            session.flush()
            return as_stored(row, revision)

    def get(self, kind: RecordKind, record_id: str) -> Stored:
        """The newest revision of a record."""
        with self._database.reading() as session:
            row = _record(session, kind, record_id)
            return as_stored(row, session.get(RevisionRow, (row.id, row.version)), kind)

    def raw(self, kind: RecordKind, record_id: str) -> tuple[Stored, bytes]:
        """The newest revision that there is, and the bytes of its document as they are; also of an unknown kind."""
        as_bytes: ColumnElement[bytes] = literal_column("cast(revision.document as blob)").label("content")
        query = (
            select(RevisionRow, as_bytes).where(RevisionRow.record_id == record_id).order_by(RevisionRow.number.desc())
        )
        with self._database.reading() as session:
            row = _record(session, kind, record_id)
            found = session.execute(query).first()
            return (as_stored(row, None, kind), b"") if found is None else (as_stored(row, found[0], kind), found[1])

    def all(self, kind: RecordKind, parent_id: str | None = None) -> list[Stored]:
        """Every record of a kind, in the order of creation; of one parent if `parent_id` is given."""
        query = listed(select(RecordRow, RevisionRow).outerjoin(RevisionRow, NEWEST), kind, parent_id)
        with self._database.reading() as session:
            return [as_stored(row, revision) for row, revision in session.execute(query)]

    def headings(self, kind: RecordKind, parent_id: str | None = None) -> list[Heading]:
        """As `all`, without reading a document."""
        columns = (RecordRow.id, RecordRow.parent_id, RecordRow.version, RecordRow.heading)
        query = listed(
            select(*columns, func.coalesce(RevisionRow.format_version, 0), IS_SOUND.label("sound")).outerjoin(
                RevisionRow, NEWEST
            ),
            kind,
            parent_id,
        )
        with self._database.reading() as session:
            return [Heading(*row)._replace(sound=bool(row.sound)) for row in session.execute(query)]

    def revisions(self, kind: RecordKind, record_id: str) -> list[Revision]:
        """Every revision, newest first."""
        columns = (
            RevisionRow.number,
            RevisionRow.name,
            RevisionRow.note,
            RevisionRow.saved_at,
            RevisionRow.format_version,
        )
        with self._database.reading() as session:
            row = _record(session, kind, record_id)
            query = select(*columns).where(RevisionRow.record_id == row.id).order_by(RevisionRow.number.desc())
            return [
                Revision(number, label, note, in_utc(saved_at), format_version)
                for number, label, note, saved_at, format_version in session.execute(query)
            ]

    def revision(self, kind: RecordKind, record_id: str, number: int) -> tuple[Revision, dict[str, Any]]:
        """One revision and its document."""
        with self._database.reading() as session:
            row = _revision(session, _record(session, kind, record_id).id, number)
            return Revision(row.number, row.name, row.note, in_utc(row.saved_at), row.format_version), row.document

    def desk(self) -> dict[str, Any]:
        """What was open when the user left."""
        with self._database.reading() as session:
            row = session.get(DeskRow, 1)
            return row.content if row and isinstance(row.content, dict) else {}

    def leave_desk(self, content: dict[str, Any]) -> None:
        """Remember what lies open."""
        with self._database.writing() as session:
            session.merge(DeskRow(id=1, content=content))


def _record(session: Session, kind: RecordKind, record_id: str) -> RecordRow:
    row = session.get(RecordRow, record_id)
    if row is None or row.removed_at is not None or (row.kind != kind and RecordKind.is_known(row.kind)):
        raise NotFound(record_id)
    return row


def _require_parent(session: Session, kind: RecordKind, parent_id: str | None) -> None:
    if kind.parent is not None:
        _record(session, kind.parent, parent_id or "")


def _refuse_taken(session: Session, kind: RecordKind, name: str, row: RecordRow) -> None:
    query = select(RecordRow).where(RecordRow.name_key == name_key(name), RecordRow.id != row.id)
    other = session.scalars(in_list(query, kind, row.parent_id)).first()
    if other is not None:
        raise NameTaken(kind, name, archived=other.removed_at is not None)


def _revision(session: Session, record_id: str, number: int) -> RevisionRow:
    revision = session.get(RevisionRow, (record_id, number))
    if revision is None:
        raise NotFound(f"{record_id} revision {number}")
    return revision
