"""Saving and finding records: optimistic versions, one transaction for each write."""

import uuid
from collections.abc import Mapping, Sequence
from datetime import UTC, datetime
from enum import StrEnum
from typing import Any, NamedTuple

from sqlalchemy import select
from sqlalchemy.orm import Session

from plimbo.core.documents import FORMAT_VERSION
from plimbo.core.working.numbers import Array
from plimbo.store import series
from plimbo.store.database import Database
from plimbo.store.naming import free_name
from plimbo.store.tables import DeskRow, RecordRow, RevisionRow


class Kind(StrEnum):
    """To add one: name it here, and what it belongs to below."""

    CAR = "car"
    SETUP = "setup"
    CIRCUIT = "circuit"


# What a record belongs to; a kind that is not named here stands alone.
PARENTS = {Kind.SETUP: Kind.CAR}


class NotFound(LookupError):
    """No such record or revision."""


class Conflict(Exception):
    """The record was saved by someone else meanwhile."""

    def __init__(self, current_version: int) -> None:
        super().__init__(f"version {current_version} is the newest")
        self.current_version = current_version


class NameTaken(Exception):
    """Another record of the list goes by this name."""

    def __init__(self, kind: Kind, name: str, *, archived: bool) -> None:
        super().__init__(name)
        self.kind, self.name, self.archived = kind, name, archived


class Stored(NamedTuple):
    """A record with the document of its newest revision, in the format of that time."""

    id: str
    kind: Kind
    parent_id: str | None
    version: int
    document: dict[str, Any]
    saved_at: datetime
    format_version: int


class Heading(NamedTuple):
    """A record as a list shows it, without its document."""

    id: str
    parent_id: str | None
    version: int
    heading: str


class Revision(NamedTuple):
    """One saved state of a record, without its document."""

    number: int
    name: str
    note: str
    saved_at: datetime
    format_version: int


class Records:
    """The records in a database."""

    def __init__(self, database: Database) -> None:
        self._database = database

    def add(
        self,
        kind: Kind,
        document: dict[str, Any],
        parent_id: str | None = None,
        channels: Mapping[str, Array] | None = None,
    ) -> Stored:
        """A new record with its first revision, and any long series that come with it.

        Where its name is taken in the list that it joins, it gets a number. Raises `NotFound` where
        the parent that its kind belongs to does not exist.
        """
        with self._database.writing() as session:
            if kind in PARENTS:
                _record(session, PARENTS[kind], parent_id or "")
            stored = _new(session, kind, _named_apart(session, kind, document, parent_id), parent_id)
            for name, samples in (channels or {}).items():
                series.add(session, stored.id, name, samples)
            return stored

    def add_setup_with_car(self, car: dict[str, Any], setup: dict[str, Any]) -> Stored:
        """A setup and its car together or not at all; it joins a car that is the same to the last digit."""
        with self._database.writing() as session:
            same = next((stored for stored in _all(session, Kind.CAR) if stored.document == car), None)
            parent = same or _new(session, Kind.CAR, _named_apart(session, Kind.CAR, car, None), None)
            return _new(session, Kind.SETUP, _named_apart(session, Kind.SETUP, setup, parent.id), parent.id)

    def add_car_with_setups(self, car: dict[str, Any], setups: Sequence[dict[str, Any]]) -> list[Stored]:
        """A car and its setups, together or not at all; gives the setups."""
        with self._database.writing() as session:
            parent = _new(session, Kind.CAR, _named_apart(session, Kind.CAR, car, None), None)
            return [_new(session, Kind.SETUP, setup, parent.id) for setup in setups]

    def fill(
        self,
        cars: Sequence[tuple[dict[str, Any], Sequence[dict[str, Any]]]],
        circuits: Sequence[dict[str, Any]] = (),
    ) -> None:
        """Cars with their setups and the circuits, all or none, where nothing has been kept yet.

        The first setup lies open then.
        """
        with self._database.writing() as session:
            if session.scalars(select(RecordRow.id).limit(1)).first() is not None:
                return
            for circuit in circuits:
                _new(session, Kind.CIRCUIT, circuit, None)
            added = []
            for car, setups in cars:
                owner = _new(session, Kind.CAR, car, None)
                added += [_new(session, Kind.SETUP, setup, owner.id) for setup in setups]
            session.merge(DeskRow(id=1, content={"setup_id": added[0].id if added else None, "place": "chain"}))

    def save(
        self, kind: Kind, record_id: str, version: int, document: dict[str, Any], name: str = "", note: str = ""
    ) -> Stored:
        """A new revision on top of `version`. Raises `Conflict` where that is no longer the newest, and `NameTaken`
        where it is to be called as another of its list is.

        The same save sent again, because its answer was lost on the way, is answered once more.
        """
        with self._database.writing() as session:
            row = _record(session, kind, record_id)
            if row.version == version + 1:
                newest = _revision(session, row.id, row.version)
                if (newest.document, newest.name, newest.note) == (document, name, note):
                    return _stored(row, newest)
            if row.version != version:
                raise Conflict(row.version)
            if _heading(document) != row.heading:
                _refuse_taken(session, kind, _heading(document), row)
            row.version = version + 1
            row.heading = _heading(document)
            return _stored(row, _append(session, row, document, name, note))

    def get(self, kind: Kind, record_id: str) -> Stored:
        """A record as it is now."""
        with self._database.reading() as session:
            row = _record(session, kind, record_id)
            return _stored(row, _revision(session, row.id, row.version))

    def all(self, kind: Kind, parent_id: str | None = None) -> list[Stored]:
        """Every record of a kind, in the order in which they were made; of one car where `parent_id` is given."""
        with self._database.reading() as session:
            return _all(session, kind, parent_id)

    def headings(self, kind: Kind, parent_id: str | None = None) -> list[Heading]:
        """As `all`, without reading a document."""
        columns = (RecordRow.id, RecordRow.parent_id, RecordRow.version, RecordRow.heading)
        with self._database.reading() as session:
            return [Heading(*row) for row in session.execute(_listed(select(*columns), kind, parent_id))]

    def channel(self, kind: Kind, record_id: str, name: str, start: int = 0, stop: int | None = None) -> Array:
        """The samples of one long series from `start` up to before `stop`. Raises `NotFound` where there is none."""
        with self._database.reading() as session:
            found = series.read(session, _record(session, kind, record_id).id, name, start, stop)
            if found is None:
                raise NotFound(f"{record_id} series {name}")
            return found

    def archive(self, kind: Kind, record_id: str) -> None:
        """Take a record off the lists, with what belongs to it; it can be brought back."""
        with self._database.writing() as session:
            _record(session, kind, record_id).removed_at = now()

    def revisions(self, kind: Kind, record_id: str) -> list[Revision]:
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
            return [Revision(*told[:3], in_utc(told[3]), told[4]) for told in session.execute(query)]

    def revision(self, kind: Kind, record_id: str, number: int) -> tuple[Revision, dict[str, Any]]:
        """One revision and its document."""
        with self._database.reading() as session:
            row = _revision(session, _record(session, kind, record_id).id, number)
            told = Revision(row.number, row.name, row.note, in_utc(row.saved_at), row.format_version)
            return told, row.document

    def desk(self) -> dict[str, Any]:
        """What lay open when the user left."""
        with self._database.reading() as session:
            row = session.get(DeskRow, 1)
            return row.content if row else {}

    def leave_desk(self, content: dict[str, Any]) -> None:
        """Remember what lies open."""
        with self._database.writing() as session:
            session.merge(DeskRow(id=1, content=content))


def now() -> datetime:
    return datetime.now(UTC)


def _record(session: Session, kind: Kind, record_id: str) -> RecordRow:
    row = session.get(RecordRow, record_id)
    if row is None or row.kind != kind or row.removed_at is not None:
        raise NotFound(record_id)
    return row


def _beside(session: Session, kind: Kind, parent_id: str | None) -> list[RecordRow]:
    """Every record of a list, also in the archive: what is brought back must not meet its name."""
    query = select(RecordRow).where(RecordRow.kind == kind)
    return list(session.scalars(query.where(RecordRow.parent_id == parent_id) if parent_id else query))


def _named_apart(session: Session, kind: Kind, document: dict[str, Any], parent_id: str | None) -> dict[str, Any]:
    """A new document under a name that is free in its list."""
    taken = [row.heading for row in _beside(session, kind, parent_id)]
    return document | {"name": free_name(_heading(document), taken)}


def _refuse_taken(session: Session, kind: Kind, name: str, row: RecordRow) -> None:
    for other in _beside(session, kind, row.parent_id):
        if other.id != row.id and other.heading.casefold() == name.casefold():
            raise NameTaken(kind, name, archived=other.removed_at is not None)


def _revision(session: Session, record_id: str, number: int) -> RevisionRow:
    revision = session.get(RevisionRow, (record_id, number))
    if revision is None:
        raise NotFound(f"{record_id} revision {number}")
    return revision


def _new(session: Session, kind: Kind, document: dict[str, Any], parent_id: str | None) -> Stored:
    row = RecordRow(
        id=uuid.uuid4().hex,
        kind=kind,
        parent_id=parent_id,
        version=1,
        heading=_heading(document),
        created_at=now(),
        removed_at=None,
    )
    session.add(row)
    session.flush()
    return _stored(row, _append(session, row, document, "", ""))


def _heading(document: Mapping[str, Any]) -> str:
    return str(document.get("name", ""))


def _listed(query: Any, kind: Kind, parent_id: str | None) -> Any:
    """A query for records, narrowed to those of a kind that are on the lists, in the order in which they were made."""
    query = query.where(RecordRow.kind == kind, RecordRow.removed_at.is_(None))
    if parent_id is not None:
        query = query.where(RecordRow.parent_id == parent_id)
    return query.order_by(RecordRow.created_at, RecordRow.id)


def _all(session: Session, kind: Kind, parent_id: str | None = None) -> list[Stored]:
    newest = (RevisionRow.record_id == RecordRow.id) & (RevisionRow.number == RecordRow.version)
    query = _listed(select(RecordRow, RevisionRow).join(RevisionRow, newest), kind, parent_id)
    return [_stored(row, revision) for row, revision in session.execute(query)]


def _append(session: Session, row: RecordRow, document: dict[str, Any], name: str, note: str) -> RevisionRow:
    revision = RevisionRow(
        record_id=row.id,
        number=row.version,
        format_version=FORMAT_VERSION,
        document=document,
        name=name,
        note=note,
        saved_at=now(),
    )
    session.add(revision)
    session.flush()
    return revision


def _stored(row: RecordRow, revision: RevisionRow) -> Stored:
    return Stored(
        row.id,
        Kind(row.kind),
        row.parent_id,
        row.version,
        revision.document,
        in_utc(revision.saved_at),
        revision.format_version,
    )


def in_utc(moment: datetime) -> datetime:
    # SQLite keeps no time zone; everything is written in UTC.
    return moment.replace(tzinfo=UTC)
