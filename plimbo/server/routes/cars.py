"""Cars: kept, listed, saved."""

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter
from fastapi import Body as RequestBody
from pydantic import BaseModel, Field

from plimbo.core import Car
from plimbo.server import examples
from plimbo.server.problems import problems
from plimbo.server.routes import CarId, Store, shows
from plimbo.store import Heading, Kind, Revision, Stored

router = APIRouter(tags=["cars"])


class ListedRecord(BaseModel):
    """A car or a setup as a list shows it."""

    id: str
    name: str
    version: int


class StoredCar(BaseModel):
    """A car as it is kept."""

    id: str
    version: int
    saved_at: datetime
    car: Car


class CarSave(BaseModel):
    """A change on top of `version`."""

    version: int = Field(ge=1)
    car: Car


class ListedRevision(BaseModel):
    """One saved state, without its content."""

    number: int
    name: str
    note: str
    saved_at: datetime


def listed(heading: Heading) -> ListedRecord:
    return ListedRecord(id=heading.id, name=heading.heading, version=heading.version)


def listed_revision(revision: Revision) -> ListedRevision:
    return ListedRevision.model_validate(revision._asdict())


def _stored_car(stored: Stored) -> StoredCar:
    return StoredCar(
        id=stored.id, version=stored.version, saved_at=stored.saved_at, car=Car.model_validate(stored.document)
    )


@router.get(
    "/cars",
    summary="List the cars",
    responses=problems(),
    openapi_extra=shows([{"id": examples.RECORD_ID, "name": "Finch", "version": 4}]),
)
def list_cars(records: Store) -> list[ListedRecord]:
    """In the order in which they were made."""
    return [listed(heading) for heading in records.headings(Kind.CAR)]


@router.post("/cars", status_code=201, summary="Add a car", responses=problems(413, 422))
def add_car(car: Annotated[Car, RequestBody(examples=[examples.CAR])], records: Store) -> StoredCar:
    """It has no setup yet."""
    return _stored_car(records.add(Kind.CAR, car.model_dump(mode="json")))


@router.get("/cars/{car_id}", summary="Get a car", responses=problems(404))
def get_car(car_id: CarId, records: Store) -> StoredCar:
    """As it was saved last."""
    return _stored_car(records.get(Kind.CAR, car_id))


@router.put("/cars/{car_id}", summary="Save a car", responses=problems(404, 409, 413, 422))
def save_car(
    car_id: CarId,
    change: Annotated[CarSave, RequestBody(examples=[{"version": 1, "car": examples.CHANGED_CAR}])],
    records: Store,
) -> StoredCar:
    """As a new revision on top of a version; refused where someone else has saved another meanwhile."""
    return _stored_car(records.save(Kind.CAR, car_id, change.version, change.car.model_dump(mode="json")))


@router.get("/cars/{car_id}/revisions", summary="List a car's revisions", responses=problems(404))
def list_car_revisions(car_id: CarId, records: Store) -> list[ListedRevision]:
    """Newest first."""
    return [listed_revision(revision) for revision in records.revisions(Kind.CAR, car_id)]
