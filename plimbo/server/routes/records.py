"""The routes of a kind of record, for any kind: lists, saves, the archive, history, and files in and out."""

import base64
import json
import re
from collections.abc import Callable
from typing import Annotated, Any

from fastapi import APIRouter, Depends, Path, Query, Request, Response
from fastapi import Body as RequestBody

from plimbo.core.documents.document_file import DocumentFile, read_file, write_file
from plimbo.core.quantities.fields import Document
from plimbo.core.quantities.refusals import FieldError
from plimbo.server import examples
from plimbo.server.history import MOST_ENTRIES, HistoryEntry, history
from plimbo.server.problems import OF_A_BODY, problems
from plimbo.server.readable import document_of
from plimbo.server.record_models import (
    LAST_VERSION,
    Archived,
    ListedRecord,
    ListedRevision,
    RawRecord,
    Renamed,
    listed,
    listed_revision,
    models_of,
    revision_with_content,
    stored_record,
)
from plimbo.server.route_limits import Queue, limited
from plimbo.server.routes import CanRead, RecordId, Store, TheArchive, shows
from plimbo.store import RecordKind, Stored
from plimbo.store.record_file import file_of, lineage

Entries = Annotated[int, Query(description="How many entries, from the newest.", ge=1, le=MOST_ENTRIES, examples=[20])]
Number = Annotated[int, Path(description="Number of the revision.", ge=1, le=LAST_VERSION, examples=[1])]
ParentId = Annotated[str, Path(description="Id of what they belong to.", examples=[examples.RECORD_ID])]
# What the model refuses in imported documents.
Check = Callable[[DocumentFile], list[FieldError]]


def record_routes(kind: RecordKind, check: Check = lambda _file: []) -> APIRouter:
    """All routes of one kind; `check` examines an imported record after it is stored."""
    router = APIRouter(tags=[kind.plural])
    _lists(router, kind)
    _one(router, kind)
    _revisions(router, kind)
    _files(router, kind, check)
    return router


def _lists(router: APIRouter, kind: RecordKind) -> None:
    models, document, plural = models_of(kind), kind.document, kind.plural
    one = {"id": examples.RECORD_ID, "name": examples.DOCUMENTS[kind]["name"], "version": 4, "readable": True}
    body = Annotated[document, RequestBody(examples=[examples.DOCUMENTS[kind]])]  # type: ignore[valid-type]

    if kind.parent is None:

        @router.get(
            f"/{plural}",
            name=f"list_{plural}",
            summary=f"List the {plural}",
            responses=problems(),
            openapi_extra=shows([one]),
        )
        @limited(Queue.RECORDS)
        def list_records(records: Store, readable: CanRead) -> list[ListedRecord]:
            """In the order of creation."""
            return listed(records.headings(kind), readable)

        @router.post(
            f"/{plural}",
            name=f"add_{kind}",
            status_code=201,
            summary=f"Add a {kind}",
            response_model=models.stored,
            responses=problems(*OF_A_BODY),
        )
        @limited(Queue.RECORDS)
        def add_record(added: body, records: Store, readable: CanRead) -> Any:
            """Under its name; if that is taken, it gets a number."""
            return stored_record(records.add(kind, _dumped(added)), readable)

        return

    parent, path = kind.parent, f"/{kind.parent.plural}/{{parent_id}}/{plural}"

    @router.get(path, name=f"list_{plural}", summary=f"List the {plural} of a {parent}", responses=problems(404))
    @limited(Queue.RECORDS)
    def list_children(parent_id: ParentId, records: Store, readable: CanRead) -> list[ListedRecord]:
        """In the order of creation."""
        records.get(parent, parent_id)
        return listed(records.headings(kind, parent_id), readable)

    @router.post(
        path,
        name=f"add_{kind}",
        status_code=201,
        summary=f"Add a {kind} to a {parent}",
        response_model=models.stored,
        responses=problems(404, *OF_A_BODY),
    )
    @limited(Queue.RECORDS)
    def add_child(parent_id: ParentId, added: body, records: Store, readable: CanRead) -> Any:
        """Under its name; if that is taken, it gets a number."""
        return stored_record(records.add(kind, _dumped(added), parent_id), readable)


def _one(router: APIRouter, kind: RecordKind) -> None:
    models, path, changed = models_of(kind), f"/{kind.plural}/{{record_id}}", examples.changed(kind)
    change_body = Annotated[
        models.save,  # type: ignore[name-defined]
        RequestBody(examples=[{"version": 1, kind.value: changed, "name": "before the rain", "note": ""}]),
    ]

    @router.get(
        path, name=f"get_{kind}", summary=f"Get a {kind}", response_model=models.stored, responses=problems(404, 422)
    )
    @limited(Queue.RECORDS)
    def get_record(record_id: RecordId, records: Store, readable: CanRead) -> Any:
        """As saved last."""
        return stored_record(records.get(kind, record_id), readable)

    @router.put(
        path,
        name=f"save_{kind}",
        summary=f"Save a {kind}",
        response_model=models.stored,
        responses=problems(404, 409, *OF_A_BODY),
    )
    @limited(Queue.RECORDS)
    def save_record(record_id: RecordId, change: change_body, records: Store, readable: CanRead) -> Any:
        """As a new revision on top of a version; refused if someone else has saved another one meanwhile."""
        given: Any = change
        document = _dumped(getattr(given, kind.value))
        return stored_record(records.save(kind, record_id, given.version, document, given.name, given.note), readable)

    @router.put(
        f"{path}/name",
        name=f"rename_{kind}",
        summary=f"Rename a {kind}",
        response_model=models.stored,
        responses=problems(404, 409, *OF_A_BODY),
    )
    @limited(Queue.RECORDS)
    def rename_record(
        record_id: RecordId,
        change: Annotated[Renamed, RequestBody(examples=[{"version": 1, "name": "Another"}])],
        records: Store,
        readable: CanRead,
    ) -> Any:
        """A new revision with another name only."""
        kept = readable.document(kind.document, records.get(kind, record_id))
        renamed = _dumped(kept.patched({"name": change.name}))
        return stored_record(records.save(kind, record_id, change.version, renamed), readable)

    @router.put(
        f"{path}/archived",
        name=f"archive_{kind}",
        status_code=204,
        summary=f"Archive a {kind}",
        responses=problems(404, *OF_A_BODY),
    )
    @limited(Queue.RECORDS)
    def archive_record(
        record_id: RecordId,
        change: Annotated[Archived, RequestBody(examples=[{"archived": True}])],
        archive: TheArchive,
    ) -> None:
        """With everything that belongs to it; or bring it back."""
        (archive.put_away if change.archived else archive.bring_back)(kind, record_id)

    @router.delete(
        path,
        name=f"delete_{kind}",
        status_code=204,
        summary=f"Delete a {kind} for good",
        responses=problems(404, 409),
    )
    @limited(Queue.RECORDS)
    def delete_record(record_id: RecordId, archive: TheArchive) -> None:
        """With all revisions and everything that belongs to it; only from the archive."""
        archive.delete(kind, record_id)


def _revisions(router: APIRouter, kind: RecordKind) -> None:
    path = f"/{kind.plural}/{{record_id}}"

    @router.get(
        f"{path}/revisions",
        name=f"list_{kind}_revisions",
        summary=f"List the revisions of a {kind}",
        responses=problems(404),
    )
    @limited(Queue.RECORDS)
    def list_revisions(record_id: RecordId, records: Store) -> list[ListedRevision]:
        """Newest first."""
        return [listed_revision(revision) for revision in records.revisions(kind, record_id)]

    @router.get(
        f"{path}/revisions/{{number}}",
        name=f"get_{kind}_revision",
        summary=f"Get a {kind} as it was once",
        response_model=models_of(kind).revision,
        responses=problems(404, 422),
    )
    @limited(Queue.RECORDS)
    def get_revision(record_id: RecordId, number: Number, records: Store) -> Any:
        """One revision with its content."""
        return revision_with_content(kind, *records.revision(kind, record_id, number))

    @router.get(
        f"{path}/history",
        name=f"tell_{kind}_history",
        summary=f"Tell the history of a {kind}",
        responses=problems(404, 422),
    )
    @limited(Queue.RECORDS)
    def get_history(record_id: RecordId, records: Store, most: Entries = MOST_ENTRIES) -> list[HistoryEntry]:
        """Newest first: autosaves of one sitting together, each with what changed in it."""

        def at(number: int) -> Document:
            revision, document = records.revision(kind, record_id, number)
            return document_of(kind.document, document, revision.format_version)

        return history(records.revisions(kind, record_id), at, most)


def _files(router: APIRouter, kind: RecordKind, check: Check) -> None:
    path, file = f"/{kind.plural}/{{record_id}}", file_of(kind)

    @router.get(
        f"{path}/raw",
        name=f"get_raw_{kind}",
        response_model=RawRecord,
        summary=f"Take a {kind} home as it is",
        responses=problems(404),
    )
    @limited(Queue.RECORDS)
    def get_raw(record_id: RecordId, records: Store) -> Response:
        """Also if this Plimbo cannot read it."""
        return _raw(*records.raw(kind, record_id))

    @router.get(
        f"{path}/file",
        name=f"export_{kind}",
        response_model=file,
        summary=f"Take a {kind} home",
        responses=problems(404, 422),
    )
    @limited(Queue.RECORDS)
    def export_record(record_id: RecordId, records: Store, readable: CanRead) -> Response:
        """As a file that includes the records that it belongs to."""
        documents: dict[str, Document] = {}
        wanted: str | None = record_id
        for one in reversed(lineage(kind)):
            stored = records.get(one, wanted or "")
            documents[one.value] = readable.document(one.document, stored)
            wanted = stored.parent_id
        names = " ".join(str(getattr(documents[one.value], "name", "")) for one in lineage(kind))
        return _attachment(write_file(file.model_validate(documents)), f"{_in_a_file_name(names) or kind}.plimbo.json")

    @router.post(
        f"/{kind.plural}/files",
        name=f"import_{kind}",
        status_code=201,
        summary=f"Read a {kind} file",
        response_model=models_of(kind).imported,
        responses=problems(*OF_A_BODY),
        openapi_extra={"requestBody": _file_body(file)},
    )
    @limited(Queue.RECORDS)
    def import_record(body: Annotated[bytes, Depends(_body)], records: Store, readable: CanRead) -> Any:
        """It is added to the record that it belongs to if that is exactly the same, or brings its own.

        It is stored even if the model refuses it; then the answer says what to mend.
        """
        read = read_file(file, body)
        stored = records.add_with_owners({one: _dumped(getattr(read, one.value)) for one in lineage(kind)})
        return models_of(kind).imported.model_construct(**dict(stored_record(stored, readable)), to_mend=check(read))


def _dumped(document: Document) -> dict[str, Any]:
    return document.model_dump(mode="json")


async def _body(request: Request) -> bytes:
    return await request.body()


def _file_body(file: type[DocumentFile]) -> dict[str, Any]:
    reference = {"$ref": f"#/components/schemas/{file.__name__}"}
    example = json.loads(examples.file_text(file))
    return {"content": {"application/json": {"schema": reference, "example": example}}, "required": True}


def _in_a_file_name(name: str) -> str:
    return re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-")


def _attachment(text: str, name: str) -> Response:
    disposition = {"content-disposition": f'attachment; filename="{name}"'}
    return Response(text, media_type="application/json", headers=disposition)


def _raw(stored: Stored, content: bytes) -> Response:
    damaged = not isinstance(stored.document, dict)
    record = RawRecord(
        kind=stored.kind,
        format_version=stored.format_version,
        version=stored.version,
        saved_at=stored.saved_at,
        document=stored.document,
        stored=base64.b64encode(content).decode() if damaged else None,
    )
    text = json.dumps(record.model_dump(mode="json"), indent=2)
    return _attachment(text, f"{stored.kind}-{stored.id[:8]}.plimbo-raw.json")
