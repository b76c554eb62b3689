"""The garage: all cars with their setups, and a new car from a few questions, or from another."""

from collections.abc import Sequence
from datetime import datetime
from typing import Annotated, Any

from fastapi import APIRouter
from fastapi import Body as RequestBody
from pydantic import BaseModel, Field

from plimbo.core import (
    Car,
    CarKind,
    DrivenAxle,
    Setup,
    TyreKind,
    Wings,
    begin_car,
    copy_car,
    usual_choices,
)
from plimbo.core.quantities.choices import Choice, words_of
from plimbo.core.quantities.fields import NAME, Document
from plimbo.core.quantities.prechecks import Bounded
from plimbo.server import examples
from plimbo.server.problems import OF_A_BODY, problems
from plimbo.server.record_models import models_of, stored_record
from plimbo.server.route_limits import Queue, limited
from plimbo.server.routes import CanRead, RecordId, Store, TheArchive, shows
from plimbo.store import Entry, NewRecord, NotFound, RecordKind

router = APIRouter(tags=["garage"])
StoredSetup = models_of(RecordKind.SETUP).stored


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

    missing: bool = Field(False, description="The car is not in the store: only its setups are.")
    setups: list[ListedSetup]


class NewCarQuestion(Bounded):
    """The choices for a new car; those left out are usual for the kind."""

    name: str = Field(min_length=1, max_length=80, pattern=NAME)
    kind: CarKind = CarKind.SALOON
    driven: DrivenAxle | None = None
    tyres: TyreKind | None = None
    wings: Wings | None = None


class CopyQuestion(Bounded):
    """The name of the copy, and the setup to copy with it; all of them if none is named."""

    name: str = Field(min_length=1, max_length=80, pattern=NAME)
    setup_id: str | None = Field(None, max_length=32)


class KindChoices(BaseModel):
    """A kind of car and what is usual for it."""

    kind: CarKind
    driven: DrivenAxle
    tyres: TyreKind
    wings: Wings


@router.get(
    "/garage", summary="List cars with their setups", responses=problems(), openapi_extra=shows([examples.LISTED_CAR])
)
@limited(Queue.RECORDS)
def list_garage(archive: TheArchive, readable: CanRead) -> list[ListedCar]:
    """In the order of creation, including the archive.

    Setups whose car is missing stand at the end, under a car without a name that cannot be opened.
    """
    entries = archive.entries((RecordKind.CAR, RecordKind.SETUP))
    cars = {entry.id: entry for entry in entries if entry.kind is RecordKind.CAR}

    def listed(entry: Entry) -> dict[str, object]:
        fields = ("id", "name", "version", "saved_at", "archived")
        return {name: getattr(entry, name) for name in fields} | {"readable": readable(entry)}

    setups: dict[str, list[ListedSetup]] = {}
    missing: dict[str, Entry] = {}
    for entry in entries:
        if entry.kind is RecordKind.SETUP:
            parent = cars.get(entry.parent_id or "")
            if parent is None:
                missing[entry.parent_id or ""] = entry
            own = entry._replace(
                archived=entry.archived or (parent is not None and parent.archived),
                sound=entry.sound and parent is not None,
            )
            setups.setdefault(entry.parent_id or "", []).append(ListedSetup.model_validate(listed(own)))
    shown = [
        *cars.values(),
        *(entry._replace(id=one, name="", archived=False, sound=False) for one, entry in missing.items()),
    ]
    return [
        ListedCar.model_validate(listed(entry) | {"missing": entry.id not in cars, "setups": setups.get(entry.id, [])})
        for entry in shown
    ]


class NewCarChoices(BaseModel):
    """The choices for a new car: the kinds, and the word for each key."""

    kinds: list[KindChoices]
    words: dict[str, dict[str, str]] = Field(description="By `kind`, `driven`, `tyres` and `wings`.")


@router.get(
    "/kinds",
    summary="List the kinds of car",
    responses=problems(),
    openapi_extra=shows(
        {"kinds": [{"kind": "pickup", "driven": "rear", "tyres": "road", "wings": "none"}], "words": {}}
    ),
)
def list_kinds() -> NewCarChoices:
    """Each kind with its usual choices."""
    kinds = [
        KindChoices(kind=kind, driven=driven, tyres=tyres, wings=wings)
        for kind, (driven, tyres, wings) in usual_choices().items()
    ]
    choices: dict[str, type[Choice]] = {"kind": CarKind, "driven": DrivenAxle, "tyres": TyreKind, "wings": Wings}
    return NewCarChoices(kinds=kinds, words={name: dict(words_of(kind)) for name, kind in choices.items()})


@router.post(
    "/new-cars",
    status_code=201,
    summary="Begin a new car",
    response_model=StoredSetup,
    responses=problems(*OF_A_BODY),
)
@limited(Queue.RECORDS)
def add_new_car(
    question: Annotated[NewCarQuestion, RequestBody(examples=[{"name": "Lark", "kind": "buggy"}])],
    records: Store,
    readable: CanRead,
) -> Any:
    """A whole car and a first setup from what is usual for its kind, every value of them marked as unconfirmed."""
    new = begin_car(question.name, question.kind, question.driven, question.tyres, question.wings)
    _, setup = records.add_tree(_tree(new.car, [new.setup]))
    return stored_record(setup, readable)


@router.post(
    "/cars/{record_id}/copies",
    status_code=201,
    summary="Copy a car",
    response_model=StoredSetup,
    responses=problems(404, *OF_A_BODY),
)
@limited(Queue.RECORDS)
def copy_stored_car(
    record_id: RecordId,
    wish: Annotated[CopyQuestion, RequestBody(examples=[{"name": "Lark"}])],
    records: Store,
    readable: CanRead,
) -> Any:
    """Copies it with its setups, or one of them; given values are marked as copied.

    A setup that cannot be read stays behind. Answers with the first of the setups.
    """
    car = readable.document(Car, records.get(RecordKind.CAR, record_id))
    kept = [one for one in records.all(RecordKind.SETUP, record_id) if wish.setup_id in (None, one.id)]
    setups = [one for stored in kept if (one := readable.document_or_none(Setup, stored)) is not None]
    if not setups:
        raise NotFound(record_id)
    copied = copy_car(car, setups, wish.name)
    _, first, *_ = records.add_tree(_tree(copied.car, copied.setups))
    return stored_record(first, readable)


def _tree(car: Car, setups: Sequence[Setup]) -> NewRecord:
    def dumped(document: Document) -> dict[str, Any]:
        return document.model_dump(mode="json")

    children = tuple(NewRecord(RecordKind.SETUP, dumped(setup)) for setup in setups)
    return NewRecord(RecordKind.CAR, dumped(car), children)
