"""The garage: all cars with their setups, how each stands, the archive, and a new car from a few questions."""

from datetime import date, datetime
from typing import Annotated

from fastapi import APIRouter, Depends, Request, Response
from fastapi import Body as RequestBody
from pydantic import BaseModel, Field

from plimbo.core import (
    Car,
    CarKind,
    DrivenAxle,
    Marks,
    Setup,
    TyreKind,
    Wings,
    begin_car,
    copy_car,
    usual_choices,
)
from plimbo.core.quantities.fields import NAME
from plimbo.core.quantities.prechecks import Bounded
from plimbo.server import examples
from plimbo.server.behind import answered_behind
from plimbo.server.problems import OF_A_BODY, problems
from plimbo.server.readable import document_of
from plimbo.server.routes import CanRead, CarId, SetupId, Store, shows
from plimbo.server.routes.setups import StoredSetup, stored_setup
from plimbo.server.standings import Standings
from plimbo.store import Entry, Garage, Kind, NotFound

router = APIRouter(tags=["garage"])


class ListedSetup(BaseModel):
    """A setup as the garage lists it."""

    id: str
    name: str
    version: int
    saved_at: datetime
    archived: bool
    readable: bool


class ListedCar(ListedSetup):
    """A car with its setups."""

    setups: list[ListedSetup]


class Archived(Bounded):
    """Whether it is in the archive."""

    archived: bool


class NewCarQuestion(Bounded):
    """What a new car is begun from; what is left out is what is usual for the kind."""

    name: str = Field(min_length=1, max_length=80, pattern=NAME)
    kind: CarKind = CarKind.SALOON
    driven: DrivenAxle | None = None
    tyres: TyreKind | None = None
    wings: Wings | None = None


class CopyQuestion(Bounded):
    """What the copy is called, and which setup goes with it; all of them where none is named."""

    name: str = Field(min_length=1, max_length=80, pattern=NAME)
    setup_id: str | None = Field(None, max_length=32)


class KindChoices(BaseModel):
    """A kind of car and what is usual for it."""

    kind: CarKind
    driven: DrivenAxle
    tyres: TyreKind
    wings: Wings


def _garage(request: Request) -> Garage:
    garage: Garage = request.app.state.garage
    return garage


TheGarage = Annotated[Garage, Depends(_garage)]
_ARCHIVED = RequestBody(examples=[{"archived": True}])


@router.get(
    "/garage", summary="List cars with their setups", responses=problems(), openapi_extra=shows([examples.LISTED_CAR])
)
def list_garage(garage: TheGarage, readable: CanRead) -> list[ListedCar]:
    """In the order in which they were made, also those in the archive."""
    entries = garage.entries()

    def listed(entry: Entry) -> dict[str, object]:
        # What is in the archive is looked into when it comes back.
        opens = entry.archived or readable(entry.kind, entry.id, entry.version)
        fields = ("id", "name", "version", "saved_at", "archived")
        return {name: getattr(entry, name) for name in fields} | {"readable": opens}

    gone = {entry.id for entry in entries if entry.kind is Kind.CAR and entry.archived}
    setups: dict[str, list[ListedSetup]] = {}
    for entry in entries:
        if entry.kind is Kind.SETUP:
            own = entry if entry.parent_id not in gone else entry._replace(archived=True)
            setups.setdefault(entry.parent_id or "", []).append(ListedSetup.model_validate(listed(own)))
    return [
        ListedCar.model_validate(listed(entry) | {"setups": setups.get(entry.id, [])})
        for entry in entries
        if entry.kind is Kind.CAR
    ]


@router.get(
    "/setups/{setup_id}/marks",
    response_model=Marks,
    summary="Ask how a setup stands",
    responses=problems(404, 422),
)
async def get_marks(setup_id: SetupId, records: Store, request: Request) -> Response:
    """Every matter in a word, the doubt counted and the sessions driven; the worst by itself."""
    stored = records.get(Kind.SETUP, setup_id)
    owner = records.get(Kind.CAR, stored.parent_id or "")
    car = document_of(Car, owner.document, owner.format_version)
    setup = document_of(Setup, stored.document, stored.format_version)
    key = setup_id, stored.version, owner.id, owner.version, date.today()
    standings: Standings = request.app.state.standings
    return await answered_behind(request, lambda wanted: standings.of(key, car, setup, wanted))


@router.put("/cars/{car_id}/archived", status_code=204, summary="Archive a car", responses=problems(404, *OF_A_BODY))
def archive_car(car_id: CarId, change: Annotated[Archived, _ARCHIVED], records: Store, garage: TheGarage) -> None:
    """With its setups; or bring it back."""
    _archive(Kind.CAR, car_id, change, records, garage)


@router.put(
    "/setups/{setup_id}/archived", status_code=204, summary="Archive a setup", responses=problems(404, *OF_A_BODY)
)
def archive_setup(setup_id: SetupId, change: Annotated[Archived, _ARCHIVED], records: Store, garage: TheGarage) -> None:
    """Or bring it back."""
    _archive(Kind.SETUP, setup_id, change, records, garage)


def _archive(kind: Kind, record_id: str, change: Archived, records: Store, garage: Garage) -> None:
    if change.archived:
        records.archive(kind, record_id)
    else:
        garage.bring_back(kind, record_id)


@router.delete("/cars/{car_id}", status_code=204, summary="Delete a car for good", responses=problems(404, 409))
def delete_car(car_id: CarId, garage: TheGarage) -> None:
    """With its setups and all revisions; only what is in the archive."""
    garage.delete(Kind.CAR, car_id)


@router.delete("/setups/{setup_id}", status_code=204, summary="Delete a setup for good", responses=problems(404, 409))
def delete_setup(setup_id: SetupId, garage: TheGarage) -> None:
    """With all revisions; only what is in the archive."""
    garage.delete(Kind.SETUP, setup_id)


@router.get(
    "/kinds",
    summary="List the kinds of car",
    responses=problems(),
    openapi_extra=shows([{"kind": "pickup", "driven": "rear", "tyres": "road tyres", "wings": "none"}]),
)
def list_kinds() -> list[KindChoices]:
    """Each with what is usual for it."""
    return [
        KindChoices(kind=kind, driven=driven, tyres=tyres, wings=wings)
        for kind, (driven, tyres, wings) in usual_choices().items()
    ]


@router.post("/new-cars", status_code=201, summary="Begin a new car", responses=problems(*OF_A_BODY))
def add_new_car(
    question: Annotated[NewCarQuestion, RequestBody(examples=[{"name": "Lark", "kind": "buggy"}])], records: Store
) -> StoredSetup:
    """A whole car and a first setup from what is usual for its kind, every value of them marked as unconfirmed."""
    new = begin_car(question.name, question.kind, question.driven, question.tyres, question.wings)
    car, setup = new.car.model_dump(mode="json"), new.setup.model_dump(mode="json")
    return stored_setup(records.add_car_with_setups(car, [setup])[0])


@router.post("/cars/{car_id}/copies", status_code=201, summary="Copy a car", responses=problems(404, *OF_A_BODY))
def copy_stored_car(
    car_id: CarId, wish: Annotated[CopyQuestion, RequestBody(examples=[{"name": "Lark"}])], records: Store
) -> StoredSetup:
    """With its setups, or one of them; what was given for the one is marked as copied in the other.

    Answers with the first of the setups.
    """
    stored = records.get(Kind.CAR, car_id)
    car = document_of(Car, stored.document, stored.format_version)
    kept = [one for one in records.all(Kind.SETUP, car_id) if wish.setup_id in (None, one.id)]
    if not kept:
        raise NotFound(car_id)
    setups = [document_of(Setup, one.document, one.format_version) for one in kept]
    copied = copy_car(car, setups, wish.name)
    documents = [setup.model_dump(mode="json") for setup in copied.setups]
    return stored_setup(records.add_car_with_setups(copied.car.model_dump(mode="json"), documents)[0])
