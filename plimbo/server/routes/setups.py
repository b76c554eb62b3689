"""Setups of a car: kept, saved as revisions, taken home as a file and read back."""

import re
from datetime import datetime

from fastapi import APIRouter, Request, Response
from pydantic import BaseModel, Field

from plimbo.core import Car, Setup
from plimbo.files import SetupFile, read_setup_file, write_setup_file
from plimbo.server.routes import Store
from plimbo.server.routes.cars import RevisionTold, told_revision
from plimbo.store import Kind, Stored

router = APIRouter(tags=["setups"])


class StoredSetup(BaseModel):
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


class Revisited(RevisionTold):
    """One saved state with its content."""

    setup: Setup


def _told(stored: Stored) -> StoredSetup:
    return StoredSetup(
        id=stored.id,
        car_id=stored.parent_id or "",
        version=stored.version,
        saved_at=stored.saved_at,
        setup=Setup.model_validate(stored.document),
    )


@router.get("/cars/{car_id}/setups")
def list_setups(car_id: str, records: Store) -> list[StoredSetup]:
    records.get(Kind.CAR, car_id)
    return [_told(stored) for stored in records.all(Kind.SETUP, car_id)]


@router.post("/cars/{car_id}/setups", status_code=201)
def add_setup(car_id: str, setup: Setup, records: Store) -> StoredSetup:
    return _told(records.add(Kind.SETUP, setup.model_dump(mode="json"), car_id))


@router.get("/setups/{setup_id}")
def get_setup(setup_id: str, records: Store) -> StoredSetup:
    return _told(records.get(Kind.SETUP, setup_id))


@router.put("/setups/{setup_id}")
def save_setup(setup_id: str, change: SetupSave, records: Store) -> StoredSetup:
    document = change.setup.model_dump(mode="json")
    return _told(records.save(Kind.SETUP, setup_id, change.version, document, change.name, change.note))


@router.delete("/setups/{setup_id}", status_code=204)
def remove_setup(setup_id: str, records: Store) -> None:
    records.remove(Kind.SETUP, setup_id)


@router.get("/setups/{setup_id}/revisions")
def list_setup_revisions(setup_id: str, records: Store) -> list[RevisionTold]:
    return [told_revision(revision) for revision in records.revisions(Kind.SETUP, setup_id)]


@router.get("/setups/{setup_id}/revisions/{number}")
def get_setup_revision(setup_id: str, number: int, records: Store) -> Revisited:
    revision, document = records.revision(Kind.SETUP, setup_id, number)
    return Revisited(**told_revision(revision).model_dump(), setup=Setup.model_validate(document))


@router.get("/setups/{setup_id}/file", response_model=SetupFile)
def export_setup(setup_id: str, records: Store) -> Response:
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
    "content": {"application/json": {"schema": {"$ref": "#/components/schemas/SetupFile"}}},
    "required": True,
}


@router.post("/files", status_code=201, openapi_extra={"requestBody": _SETUP_FILE})
async def import_setup(request: Request, records: Store) -> StoredSetup:
    """Read a setup file; it joins the car that is the same to the last digit, or brings its own."""
    read = read_setup_file(await request.body())
    return _told(records.add_setup_with_car(read.car.model_dump(mode="json"), read.setup.model_dump(mode="json")))
