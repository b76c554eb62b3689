"""Setups of a car: kept, saved as revisions, taken home as a file and read back."""

import json
import re
from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Path, Request, Response
from fastapi import Body as RequestBody
from pydantic import BaseModel, Field

from plimbo.core import Car, Setup, SetupFile, read_setup_file, write_setup_file
from plimbo.server import examples
from plimbo.server.problems import problems
from plimbo.server.routes import CarId, SetupId, Store
from plimbo.server.routes.cars import ListedRecord, ListedRevision, listed, listed_revision
from plimbo.store import Kind, Stored

router = APIRouter(tags=["setups"])


class StoredSetup(BaseModel):
    """A setup as it is kept."""

    id: str
    car_id: str
    version: int
    saved_at: datetime
    setup: Setup


class SetupSave(BaseModel):
    """A change on top of `version`, with a name and a note where the user wants to find it again."""

    version: int = Field(ge=1)
    setup: Setup
    name: str = Field("", max_length=80)
    note: str = Field("", max_length=2000)


class Revisited(ListedRevision):
    """One saved state with its content."""

    setup: Setup


_SAVE = {"version": 1, "setup": examples.CHANGED_SETUP, "name": "before the rain", "note": ""}
Number = Annotated[int, Path(description="Number of the revision.", examples=[1])]


def _stored_setup(stored: Stored) -> StoredSetup:
    return StoredSetup(
        id=stored.id,
        car_id=stored.parent_id or "",
        version=stored.version,
        saved_at=stored.saved_at,
        setup=Setup.model_validate(stored.document),
    )


@router.get("/cars/{car_id}/setups", summary="List a car's setups", responses=problems(404))
def list_setups(car_id: CarId, records: Store) -> list[ListedRecord]:
    """In the order in which they were made."""
    records.get(Kind.CAR, car_id)
    return [listed(heading) for heading in records.headings(Kind.SETUP, car_id)]


@router.post(
    "/cars/{car_id}/setups", status_code=201, summary="Add a setup to a car", responses=problems(404, 413, 422)
)
def add_setup(
    car_id: CarId, setup: Annotated[Setup, RequestBody(examples=[examples.SETUP])], records: Store
) -> StoredSetup:
    """Parts that are not given are left out or assumed, and marked so."""
    return _stored_setup(records.add(Kind.SETUP, setup.model_dump(mode="json"), car_id))


@router.get("/setups/{setup_id}", summary="Get a setup", responses=problems(404))
def get_setup(setup_id: SetupId, records: Store) -> StoredSetup:
    """As it was saved last."""
    return _stored_setup(records.get(Kind.SETUP, setup_id))


@router.put("/setups/{setup_id}", summary="Save a setup", responses=problems(404, 409, 413, 422))
def save_setup(
    setup_id: SetupId, change: Annotated[SetupSave, RequestBody(examples=[_SAVE])], records: Store
) -> StoredSetup:
    """As a new revision on top of a version; refused where someone else has saved another meanwhile."""
    document = change.setup.model_dump(mode="json")
    return _stored_setup(records.save(Kind.SETUP, setup_id, change.version, document, change.name, change.note))


@router.delete("/setups/{setup_id}", status_code=204, summary="Take a setup off the list", responses=problems(404))
def remove_setup(setup_id: SetupId, records: Store) -> None:
    """Its revisions stay in the database."""
    records.remove(Kind.SETUP, setup_id)


@router.get("/setups/{setup_id}/revisions", summary="List a setup's revisions", responses=problems(404))
def list_setup_revisions(setup_id: SetupId, records: Store) -> list[ListedRevision]:
    """Newest first."""
    return [listed_revision(revision) for revision in records.revisions(Kind.SETUP, setup_id)]


@router.get("/setups/{setup_id}/revisions/{number}", summary="Get a setup as it was once", responses=problems(404, 422))
def get_setup_revision(setup_id: SetupId, number: Number, records: Store) -> Revisited:
    """One revision with its content."""
    revision, document = records.revision(Kind.SETUP, setup_id, number)
    return Revisited(**listed_revision(revision).model_dump(), setup=Setup.model_validate(document))


@router.get("/setups/{setup_id}/file", response_model=SetupFile, summary="Take a setup home", responses=problems(404))
def export_setup(setup_id: SetupId, records: Store) -> Response:
    """As a setup file, its car with it."""
    stored = records.get(Kind.SETUP, setup_id)
    car = Car.model_validate(records.get(Kind.CAR, stored.parent_id or "").document)
    setup = Setup.model_validate(stored.document)
    name = re.sub(r"[^a-z0-9]+", "-", f"{car.name} {setup.name}".lower()).strip("-") or "setup"
    return Response(
        write_setup_file(car, setup),
        media_type="application/json",
        headers={"content-disposition": f'attachment; filename="{name}.plimbo.json"'},
    )


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
    responses=problems(400, 413, 422),
    openapi_extra={"requestBody": _SETUP_FILE},
)
async def import_setup(request: Request, records: Store) -> StoredSetup:
    """It joins the car that is the same to the last digit, or brings its own."""
    read = read_setup_file(await request.body())
    document = read.setup.model_dump(mode="json")
    return _stored_setup(records.add_setup_with_car(read.car.model_dump(mode="json"), document))
