"""Setups of a car: kept, saved as revisions, taken home as a file and read back."""

import json
import re
from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Depends, Request, Response
from fastapi import Body as RequestBody
from pydantic import BaseModel, Field

from plimbo.core import Car, OutOfRange, Setup, SetupFile, assess, read_setup_file, write_setup_file
from plimbo.core.quantities.fields import LINE
from plimbo.core.quantities.prechecks import Bounded
from plimbo.core.quantities.refusals import FieldError
from plimbo.server import examples
from plimbo.server.history import TOLD, HistoryEntry, history
from plimbo.server.problems import OF_A_BODY, problems, refusal_of
from plimbo.server.readable import document_of
from plimbo.server.routes import CanRead, CarId, SetupId, Store
from plimbo.server.routes.cars import (
    Entries,
    ListedRecord,
    ListedRevision,
    Number,
    RawRecord,
    StoredCar,
    Version,
    listed,
    listed_revision,
    raw,
    stored_car,
)
from plimbo.store import Kind, Stored

router = APIRouter(tags=["setups"])


class StoredSetup(BaseModel):
    """A setup as it is kept."""

    id: str
    car_id: str
    version: int
    saved_at: datetime
    setup: Setup


class OpenedSetup(StoredSetup):
    """A setup with what lies beside it when it is opened: its car, and all the setups of that car."""

    owner: StoredCar
    siblings: list[ListedRecord]


class ImportedSetup(StoredSetup):
    """A setup that was read in, and what the model refuses in it."""

    to_mend: list[FieldError] = []


class SetupSave(Bounded):
    """A change on top of `version`, with a name and a note where the user wants to find it again."""

    version: Version
    setup: Setup
    name: str = Field("", max_length=80, pattern=LINE)
    note: str = Field("", max_length=2000)


class Revisited(ListedRevision):
    """One saved state with its content."""

    setup: Setup


_SAVE = {"version": 1, "setup": examples.CHANGED_SETUP, "name": "before the rain", "note": ""}


def stored_setup(stored: Stored) -> StoredSetup:
    return StoredSetup(
        id=stored.id,
        car_id=stored.parent_id or "",
        version=stored.version,
        saved_at=stored.saved_at,
        setup=document_of(Setup, stored.document, stored.format_version),
    )


@router.get("/cars/{car_id}/setups", summary="List a car's setups", responses=problems(404))
def list_setups(car_id: CarId, records: Store, readable: CanRead) -> list[ListedRecord]:
    """In the order in which they were made."""
    records.get(Kind.CAR, car_id)
    return listed(Kind.SETUP, records.headings(Kind.SETUP, car_id), readable)


@router.post(
    "/cars/{car_id}/setups",
    status_code=201,
    summary="Add a setup to a car",
    responses=problems(404, *OF_A_BODY),
)
def add_setup(
    car_id: CarId, setup: Annotated[Setup, RequestBody(examples=[examples.SETUP])], records: Store
) -> StoredSetup:
    """Parts that are not given are left out or assumed, and marked so."""
    return stored_setup(records.add(Kind.SETUP, setup.model_dump(mode="json"), car_id))


@router.get("/setups/{setup_id}", summary="Get a setup", responses=problems(404, 422))
def get_setup(setup_id: SetupId, records: Store) -> StoredSetup:
    """As it was saved last."""
    return stored_setup(records.get(Kind.SETUP, setup_id))


@router.get("/setups/{setup_id}/opened", summary="Open a setup", responses=problems(404, 422))
def open_setup(setup_id: SetupId, records: Store, readable: CanRead) -> OpenedSetup:
    """With its car and the car's other setups, in one answer."""
    opened = stored_setup(records.get(Kind.SETUP, setup_id))
    owner = stored_car(records.get(Kind.CAR, opened.car_id))
    siblings = listed(Kind.SETUP, records.headings(Kind.SETUP, opened.car_id), readable)
    return OpenedSetup(**dict(opened), owner=owner, siblings=siblings)


@router.get(
    "/setups/{setup_id}/raw", response_model=RawRecord, summary="Take a setup home as it is", responses=problems(404)
)
def get_raw_setup(setup_id: SetupId, records: Store) -> Response:
    """Also where this Plimbo cannot read it."""
    return raw(records.get(Kind.SETUP, setup_id))


@router.put("/setups/{setup_id}", summary="Save a setup", responses=problems(404, 409, *OF_A_BODY))
def save_setup(
    setup_id: SetupId, change: Annotated[SetupSave, RequestBody(examples=[_SAVE])], records: Store
) -> StoredSetup:
    """As a new revision on top of a version; refused where someone else has saved another meanwhile."""
    document = change.setup.model_dump(mode="json")
    return stored_setup(records.save(Kind.SETUP, setup_id, change.version, document, change.name, change.note))


@router.get("/setups/{setup_id}/revisions", summary="List a setup's revisions", responses=problems(404))
def list_setup_revisions(setup_id: SetupId, records: Store) -> list[ListedRevision]:
    """Newest first."""
    return [listed_revision(revision) for revision in records.revisions(Kind.SETUP, setup_id)]


@router.get("/setups/{setup_id}/history", summary="Tell a setup's history", responses=problems(404, 422))
def tell_setup_history(setup_id: SetupId, records: Store, most: Entries = TOLD) -> list[HistoryEntry]:
    """Newest first: autosaves of one sitting together, each with what changed in it."""

    def at(number: int) -> Setup:
        revision, document = records.revision(Kind.SETUP, setup_id, number)
        return document_of(Setup, document, revision.format_version)

    return history(records.revisions(Kind.SETUP, setup_id), at, most)


@router.get("/setups/{setup_id}/revisions/{number}", summary="Get a setup as it was once", responses=problems(404, 422))
def get_setup_revision(setup_id: SetupId, number: Number, records: Store) -> Revisited:
    """One revision with its content."""
    revision, document = records.revision(Kind.SETUP, setup_id, number)
    return Revisited(**dict(listed_revision(revision)), setup=document_of(Setup, document, revision.format_version))


@router.get(
    "/setups/{setup_id}/file", response_model=SetupFile, summary="Take a setup home", responses=problems(404, 422)
)
def export_setup(setup_id: SetupId, records: Store) -> Response:
    """As a setup file, its car with it."""
    stored = records.get(Kind.SETUP, setup_id)
    owner = records.get(Kind.CAR, stored.parent_id or "")
    car = document_of(Car, owner.document, owner.format_version)
    setup = document_of(Setup, stored.document, stored.format_version)
    name = re.sub(r"[^a-z0-9]+", "-", f"{car.name} {setup.name}".lower()).strip("-") or "setup"
    return Response(
        write_setup_file(car, setup),
        media_type="application/json",
        headers={"content-disposition": f'attachment; filename="{name}.plimbo.json"'},
    )


async def _body(request: Request) -> bytes:
    return await request.body()


_SETUP_FILE = {
    "content": {
        "application/json": {
            "schema": {"$ref": "#/components/schemas/SetupFile"},
            "example": json.loads(examples.setup_file()),
        }
    },
    "required": True,
}


@router.post(
    "/files",
    status_code=201,
    summary="Read a setup file",
    responses=problems(*OF_A_BODY),
    openapi_extra={"requestBody": _SETUP_FILE},
)
def import_setup(body: Annotated[bytes, Depends(_body)], records: Store) -> ImportedSetup:
    """It joins the car that is the same to the last digit, or brings its own.

    It is kept also where the model refuses it; then it says what has to be mended before there is an answer.
    """
    read = read_setup_file(body)
    document = read.setup.model_dump(mode="json")
    stored = stored_setup(records.add_setup_with_car(read.car.model_dump(mode="json"), document))
    try:
        assess(read.car, read.setup, with_working=False)
    except OutOfRange as error:
        refused = [refusal_of(error)]
    else:
        refused = []
    return ImportedSetup(**dict(stored), to_mend=refused)
