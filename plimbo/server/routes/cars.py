"""Cars: kept, listed, saved."""

from datetime import datetime

from fastapi import APIRouter
from pydantic import BaseModel, Field

from plimbo.core import Car
from plimbo.server.routes import Store
from plimbo.store import Kind, Revision, Stored

router = APIRouter(tags=["cars"])


class StoredCar(BaseModel):
    id: str
    version: int
    saved_at: datetime
    car: Car


class CarSave(BaseModel):
    """A change on top of `version`."""

    version: int = Field(ge=1)
    car: Car


class RevisionTold(BaseModel):
    """One saved state, without its content."""

    number: int
    name: str
    note: str
    saved_at: datetime


def told_car(stored: Stored) -> StoredCar:
    return StoredCar(
        id=stored.id, version=stored.version, saved_at=stored.saved_at, car=Car.model_validate(stored.document)
    )


def told_revision(revision: Revision) -> RevisionTold:
    return RevisionTold(number=revision.number, name=revision.name, note=revision.note, saved_at=revision.saved_at)


@router.get("/cars")
def list_cars(records: Store) -> list[StoredCar]:
    return [told_car(stored) for stored in records.all(Kind.CAR)]


@router.post("/cars", status_code=201)
def add_car(car: Car, records: Store) -> StoredCar:
    return told_car(records.add(Kind.CAR, car.model_dump(mode="json")))


@router.get("/cars/{car_id}")
def get_car(car_id: str, records: Store) -> StoredCar:
    return told_car(records.get(Kind.CAR, car_id))


@router.put("/cars/{car_id}")
def save_car(car_id: str, change: CarSave, records: Store) -> StoredCar:
    return told_car(records.save(Kind.CAR, car_id, change.version, change.car.model_dump(mode="json")))


@router.get("/cars/{car_id}/revisions")
def list_car_revisions(car_id: str, records: Store) -> list[RevisionTold]:
    return [told_revision(revision) for revision in records.revisions(Kind.CAR, car_id)]
