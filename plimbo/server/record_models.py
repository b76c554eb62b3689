"""Request and response models of a kind of record, made from its document."""

from collections.abc import Mapping
from datetime import datetime
from functools import cache
from typing import Annotated, Any, Literal, NamedTuple

from pydantic import BaseModel, ConfigDict, Field, create_model

from plimbo.core.quantities.fields import LINE, NAME
from plimbo.core.quantities.prechecks import Bounded
from plimbo.core.quantities.refusals import FieldError
from plimbo.server.readable import Readable, document_of
from plimbo.store import Heading, RecordKind, Revision, Stored

# Beyond the version of any record.
LAST_VERSION = 2**31 - 1
Version = Annotated[int, Field(ge=1, le=LAST_VERSION, strict=True)]


class _Shown(BaseModel):
    """What a route answers with; built at the first answer, since it holds a whole document."""

    model_config = ConfigDict(defer_build=True)


class ListedRecord(BaseModel):
    """A record as a list shows it."""

    id: str
    name: str
    version: int
    readable: bool = Field(True, description="Whether this Plimbo can open it; its raw file can always be had.")


class RawRecord(BaseModel):
    """A record as stored, readable or not."""

    format: Literal["plimbo-record"] = "plimbo-record"
    kind: str
    format_version: int
    version: int
    saved_at: datetime
    document: Any = Field(description="The document as stored; the text as it stands where it is no document.")
    stored: str | None = Field(None, description="The bytes of what is no document, in base64.")


class ListedRevision(_Shown):
    """One saved state, without its content."""

    number: int
    name: str
    note: str
    saved_at: datetime


class Renamed(Bounded):
    """A record's new name, on top of `version`."""

    version: Version
    name: str = Field(min_length=1, max_length=80, pattern=NAME)


class Archived(Bounded):
    """Whether it is in the archive."""

    archived: bool


class RecordModels(NamedTuple):
    """The models of one kind: as stored, a save, a revision with its content, and as imported."""

    stored: type[BaseModel]
    save: type[BaseModel]
    revision: type[BaseModel]
    imported: type[BaseModel]


@cache
def models_of(kind: RecordKind) -> RecordModels:
    """Of a car: `StoredCar`, `CarSave`, `RevisitedCar`, `ImportedCar`."""
    name, document = kind.capitalize(), {kind.value: (kind.document, ...)}
    parent = {f"{kind.parent}_id": (str, ...)} if kind.parent else {}
    kept = {"id": (str, ...), **parent, "version": (int, ...), "saved_at": (datetime, ...), **document}
    label = {"name": (str, Field("", max_length=80, pattern=LINE)), "note": (str, Field("", max_length=2000))}
    stored = _model(f"Stored{name}", f"A {kind} as it is kept.", _Shown, kept)
    return RecordModels(
        stored=stored,
        save=_model(
            f"{name}Save",
            "A change on top of `version`, with a name and a note where the user wants to find it again.",
            Bounded,
            {"version": (Version, ...), **document, **label},
        ),
        revision=_model(f"Revisited{name}", "One saved state with its content.", ListedRevision, document),
        imported=_model(
            f"Imported{name}",
            f"A {kind} that was read in, and what the model refuses in it.",
            stored,
            {"to_mend": (list[FieldError], [])},
        ),
    )


def _model(name: str, doc: str, base: type[BaseModel], fields: Mapping[str, Any]) -> type[BaseModel]:
    return create_model(name, __base__=base, __doc__=doc, **fields)


def stored_record(stored: Stored, readable: Readable) -> Any:
    """The record as its kind's `stored` model. Raises `UnreadableRecord`."""
    parent: dict[str, Any] = {f"{stored.kind.parent}_id": stored.parent_id} if stored.kind.parent else {}
    content: dict[str, Any] = {stored.kind.value: readable.document(stored.kind.document, stored)}
    return models_of(stored.kind).stored.model_construct(
        id=stored.id, **parent, version=stored.version, saved_at=stored.saved_at, **content
    )


def revision_with_content(kind: RecordKind, revision: Revision, document: object) -> Any:
    """The revision as its kind's `revision` model. Raises `UnreadableRecord`."""
    content: dict[str, Any] = {kind.value: document_of(kind.document, document, revision.format_version)}
    return models_of(kind).revision.model_construct(**dict(listed_revision(revision)), **content)


def listed(headings: list[Heading], readable: Readable) -> list[ListedRecord]:
    """The records as a list shows them."""
    return [
        ListedRecord.model_construct(
            id=one.id,
            name=one.heading,
            version=one.version,
            readable=readable(one),
        )
        for one in headings
    ]


def listed_revision(revision: Revision) -> ListedRevision:
    return ListedRevision.model_validate(revision._asdict())
