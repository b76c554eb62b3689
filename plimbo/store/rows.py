"""The models of a record, and the rows of a new one."""

import uuid
from collections.abc import Mapping
from datetime import UTC, datetime
from typing import Any, NamedTuple

from pydantic import ValidationError
from sqlalchemy import case, func, select
from sqlalchemy.orm import Session

from plimbo.core.documents import FORMAT_VERSION
from plimbo.store.kinds import RecordKind
from plimbo.store.naming import TakenNames, key_prefix, name_key
from plimbo.store.tables import RecordRow, RevisionRow

NEWEST = (RevisionRow.record_id == RecordRow.id) & (RevisionRow.number == RecordRow.version)
# Whether the newest revision is there and is a document, without reading it.
IS_SOUND = func.coalesce(
    case((func.json_valid(RevisionRow.document) == 1, func.json_type(RevisionRow.document) == "object"), else_=False),
    False,
)


class Stored(NamedTuple):
    """A record with the document of its newest revision, in the format of that time.

    `document` is whatever is there in its place: none if the newest revision is missing, a text if it is no JSON.
    """

    id: str
    kind: RecordKind
    parent_id: str | None
    version: int
    document: Any
    saved_at: datetime
    format_version: int


class Heading(NamedTuple):
    """A record as a list shows it, without its document; `sound` unless its newest revision is missing or damaged."""

    id: str
    parent_id: str | None
    version: int
    heading: str
    format_version: int
    sound: bool


class Revision(NamedTuple):
    """One saved state of a record, without its document."""

    number: int
    name: str
    note: str
    saved_at: datetime
    format_version: int


class NewRecord(NamedTuple):
    """A record to be added, with those that belong to it."""

    kind: RecordKind
    document: dict[str, Any]
    children: "tuple[NewRecord, ...]" = ()


def now() -> datetime:
    return datetime.now(UTC)


def in_utc(moment: datetime) -> datetime:
    # SQLite keeps no time zone; everything is written in UTC.
    return moment.replace(tzinfo=UTC)


def in_list(query: Any, kind: RecordKind, parent_id: str | None) -> Any:
    """A query narrowed to one list, including its archived records, so that one can be brought back without a clash of
    names.
    """
    return query.where(RecordRow.kind == kind, RecordRow.parent_id.is_(parent_id))


def listed(query: Any, kind: RecordKind, parent_id: str | None) -> Any:
    """A query for records, narrowed to those of a kind that are on the lists, in the order of creation."""
    query = query.where(RecordRow.kind == kind, RecordRow.removed_at.is_(None))
    if parent_id is not None:
        query = query.where(RecordRow.parent_id == parent_id)
    return query.order_by(RecordRow.created_at, RecordRow.id)


def heading_of(document: Mapping[str, Any]) -> str:
    return str(document.get("name", ""))


def with_free_name(
    session: Session, kind: RecordKind, document: dict[str, Any], parent_id: str | None
) -> dict[str, Any]:
    """A new document under a name that is free in its list."""
    name = heading_of(document)
    prefix = key_prefix(name)
    alike = RecordRow.name_key >= prefix, RecordRow.name_key < prefix + "\U0010ffff"
    keys = session.scalars(in_list(select(RecordRow.name_key).where(*alike), kind, parent_id))
    return document | {"name": TakenNames(keys).claim(name)}


def same_record(session: Session, kind: RecordKind, document: dict[str, Any], parent_id: str | None) -> str | None:
    """The listed record with exactly the same document, in whatever format it was stored."""
    query = select(RecordRow.id, RevisionRow.document).join(RevisionRow, NEWEST)
    alike = listed(query.where(RecordRow.name_key == name_key(heading_of(document))), kind, parent_id)
    kept = session.execute(alike)
    return next((record_id for record_id, one in kept if document in (one, as_now(kind, one))), None)


def as_now(kind: RecordKind, kept: dict[str, Any]) -> dict[str, Any] | None:
    try:
        return kind.document.model_validate(kept).model_dump(mode="json")
    except ValidationError:
        return None


def row_values(kind: RecordKind, document: dict[str, Any], parent_id: str | None, moment: datetime) -> dict[str, Any]:
    heading = heading_of(document)
    return {
        "id": uuid.uuid4().hex,
        "kind": kind.value,
        "parent_id": parent_id,
        "version": 1,
        "heading": heading,
        "name_key": name_key(heading),
        "created_at": moment,
        "removed_at": None,
    }


def revision_values(record_id: str, number: int, document: dict[str, Any], name: str, note: str) -> dict[str, Any]:
    return {
        "record_id": record_id,
        "number": number,
        "format_version": FORMAT_VERSION,
        "document": document,
        "name": name,
        "note": note,
        "saved_at": now(),
    }


def new_record(session: Session, kind: RecordKind, document: dict[str, Any], parent_id: str | None) -> Stored:
    row = RecordRow(**row_values(kind, document, parent_id, now()))
    revision = RevisionRow(**revision_values(row.id, 1, document, "", ""))
    session.add(row)
    session.flush()
    session.add(revision)
    session.flush()
    return as_stored(row, revision)


def add_tree(session: Session, new: NewRecord, parent_id: str | None) -> list[Stored]:
    stored = new_record(session, new.kind, new.document, parent_id)
    return [stored, *(inner for child in new.children for inner in add_tree(session, child, stored.id))]


def as_stored(row: RecordRow, revision: RevisionRow | None, kind: RecordKind | None = None) -> Stored:
    """`kind` is that under which it was found, where its own is unknown."""
    found = RecordKind.named(row.kind) if RecordKind.is_known(row.kind) or kind is None else kind
    if revision is None:
        return Stored(row.id, found, row.parent_id, row.version, None, in_utc(row.created_at), FORMAT_VERSION)
    return Stored(
        row.id, found, row.parent_id, row.version, revision.document, in_utc(revision.saved_at), revision.format_version
    )
