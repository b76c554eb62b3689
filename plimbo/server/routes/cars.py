"""Cars: kept, listed, saved."""

import json
from datetime import datetime
from typing import Annotated, Any, Literal

from fastapi import APIRouter, Path, Query, Response
from fastapi import Body as RequestBody
from pydantic import BaseModel, Field

from plimbo.core import Car
from plimbo.core.quantities.fields import LINE
from plimbo.core.quantities.prechecks import Bounded
from plimbo.server import examples
from plimbo.server.history import TOLD, HistoryEntry, history
from plimbo.server.problems import OF_A_BODY, problems
from plimbo.server.readable import Readable, document_of
from plimbo.server.routes import CanRead, CarId, Store, shows
from plimbo.store import Heading, Kind, Revision, Stored

router = APIRouter(tags=["cars"])


class ListedRecord(BaseModel):
    """A car or a setup as a list shows it."""

    id: str
    name: str
    version: int
    readable: bool = Field(True, description="Whether this Plimbo can open it; its raw file can always be had.")


class RawRecord(BaseModel):
    """A record as it is kept, whatever is in it."""

    format: Literal["plimbo-record"] = "plimbo-record"
    kind: str
    format_version: int
    version: int
    saved_at: datetime
    document: dict[str, Any]


class StoredCar(BaseModel):
    """A car as it is kept."""

    id: str
    version: int
    saved_at: datetime
    car: Car


# No record gets so far.
LAST_VERSION = 2**31 - 1
Version = Annotated[int, Field(ge=1, le=LAST_VERSION, strict=True)]


class CarSave(Bounded):
    """A change on top of `version`, with a name and a note where the user wants to find it again."""

    version: Version
    car: Car
    name: str = Field("", max_length=80, pattern=LINE)
    note: str = Field("", max_length=2000)


class ListedRevision(BaseModel):
    """One saved state, without its content."""

    number: int
    name: str
    note: str
    saved_at: datetime


class RevisitedCar(ListedRevision):
    """One saved state with its content."""

    car: Car


Entries = Annotated[int, Query(description="How many entries, from the newest.", ge=1, le=TOLD, examples=[20])]
Number = Annotated[int, Path(description="Number of the revision.", ge=1, le=LAST_VERSION, examples=[1])]


def listed(kind: Kind, headings: list[Heading], readable: Readable) -> list[ListedRecord]:
    return [
        ListedRecord(id=one.id, name=one.heading, version=one.version, readable=readable(kind, one.id, one.version))
        for one in headings
    ]


def raw(stored: Stored) -> Response:
    """As a file to take home."""
    record = RawRecord(
        kind=stored.kind,
        format_version=stored.format_version,
        version=stored.version,
        saved_at=stored.saved_at,
        document=stored.document,
    )
    return Response(
        json.dumps(record.model_dump(mode="json"), indent=2),
        media_type="application/json",
        headers={"content-disposition": f'attachment; filename="{stored.kind}-{stored.id[:8]}.plimbo-raw.json"'},
    )


def listed_revision(revision: Revision) -> ListedRevision:
    return ListedRevision.model_validate(revision._asdict())


def stored_car(stored: Stored) -> StoredCar:
    car = document_of(Car, stored.document, stored.format_version)
    return StoredCar(id=stored.id, version=stored.version, saved_at=stored.saved_at, car=car)


@router.get(
    "/cars",
    summary="List the cars",
    responses=problems(),
    openapi_extra=shows([{"id": examples.RECORD_ID, "name": "Finch", "version": 4, "readable": True}]),
)
def list_cars(records: Store, readable: CanRead) -> list[ListedRecord]:
    """In the order in which they were made."""
    return listed(Kind.CAR, records.headings(Kind.CAR), readable)


@router.post("/cars", status_code=201, summary="Add a car", responses=problems(*OF_A_BODY))
def add_car(car: Annotated[Car, RequestBody(examples=[examples.CAR])], records: Store) -> StoredCar:
    """It has no setup yet."""
    return stored_car(records.add(Kind.CAR, car.model_dump(mode="json")))


@router.get("/cars/{car_id}", summary="Get a car", responses=problems(404, 422))
def get_car(car_id: CarId, records: Store) -> StoredCar:
    """As it was saved last."""
    return stored_car(records.get(Kind.CAR, car_id))


@router.get("/cars/{car_id}/raw", response_model=RawRecord, summary="Take a car home as it is", responses=problems(404))
def get_raw_car(car_id: CarId, records: Store) -> Response:
    """Also where this Plimbo cannot read it."""
    return raw(records.get(Kind.CAR, car_id))


@router.put("/cars/{car_id}", summary="Save a car", responses=problems(404, 409, *OF_A_BODY))
def save_car(
    car_id: CarId,
    change: Annotated[CarSave, RequestBody(examples=[{"version": 1, "car": examples.CHANGED_CAR}])],
    records: Store,
) -> StoredCar:
    """As a new revision on top of a version; refused where someone else has saved another meanwhile."""
    return stored_car(
        records.save(Kind.CAR, car_id, change.version, change.car.model_dump(mode="json"), change.name, change.note)
    )


@router.get("/cars/{car_id}/revisions", summary="List a car's revisions", responses=problems(404))
def list_car_revisions(car_id: CarId, records: Store) -> list[ListedRevision]:
    """Newest first."""
    return [listed_revision(revision) for revision in records.revisions(Kind.CAR, car_id)]


@router.get("/cars/{car_id}/revisions/{number}", summary="Get a car as it was once", responses=problems(404, 422))
def get_car_revision(car_id: CarId, number: Number, records: Store) -> RevisitedCar:
    """One revision with its content."""
    revision, document = records.revision(Kind.CAR, car_id, number)
    return RevisitedCar(**dict(listed_revision(revision)), car=document_of(Car, document, revision.format_version))


@router.get("/cars/{car_id}/history", summary="Tell a car's history", responses=problems(404, 422))
def tell_car_history(car_id: CarId, records: Store, most: Entries = TOLD) -> list[HistoryEntry]:
    """Newest first: autosaves of one sitting together, each with what changed in it."""

    def at(number: int) -> Car:
        revision, document = records.revision(Kind.CAR, car_id, number)
        return document_of(Car, document, revision.format_version)

    return history(records.revisions(Kind.CAR, car_id), at, most)
