"""Circuits: kept on a list, beside the cars."""

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Path
from fastapi import Body as RequestBody
from pydantic import BaseModel

from plimbo.core import Circuit
from plimbo.core.quantities.prechecks import Bounded
from plimbo.server import examples
from plimbo.server.problems import OF_A_BODY, problems
from plimbo.server.readable import document_of
from plimbo.server.routes import CanRead, Store, shows
from plimbo.server.routes.cars import ListedRecord, Version, listed
from plimbo.store import Kind, Stored

router = APIRouter(tags=["circuits"])
CircuitId = Annotated[str, Path(description="Id of a circuit.", examples=[examples.RECORD_ID])]


class StoredCircuit(BaseModel):
    """A circuit as it is kept."""

    id: str
    version: int
    saved_at: datetime
    circuit: Circuit


class CircuitSave(Bounded):
    """A change on top of `version`."""

    version: Version
    circuit: Circuit


_SAVE = {"version": 1, "circuit": examples.CIRCUIT}


def _stored_circuit(stored: Stored) -> StoredCircuit:
    circuit = document_of(Circuit, stored.document, stored.format_version)
    return StoredCircuit(id=stored.id, version=stored.version, saved_at=stored.saved_at, circuit=circuit)


@router.get(
    "/circuits",
    summary="List the circuits",
    responses=problems(),
    openapi_extra=shows([{"id": examples.RECORD_ID, "name": "Heron Fields", "version": 1, "readable": True}]),
)
def list_circuits(records: Store, readable: CanRead) -> list[ListedRecord]:
    """In the order in which they were made."""
    return listed(Kind.CIRCUIT, records.headings(Kind.CIRCUIT), readable)


@router.post("/circuits", status_code=201, summary="Add a circuit", responses=problems(*OF_A_BODY))
def add_circuit(circuit: Annotated[Circuit, RequestBody(examples=[examples.CIRCUIT])], records: Store) -> StoredCircuit:
    """A session takes a copy of it."""
    return _stored_circuit(records.add(Kind.CIRCUIT, circuit.model_dump(mode="json")))


@router.get("/circuits/{circuit_id}", summary="Get a circuit", responses=problems(404, 422))
def get_circuit(circuit_id: CircuitId, records: Store) -> StoredCircuit:
    """As it was saved last."""
    return _stored_circuit(records.get(Kind.CIRCUIT, circuit_id))


@router.put("/circuits/{circuit_id}", summary="Save a circuit", responses=problems(404, 409, *OF_A_BODY))
def save_circuit(
    circuit_id: CircuitId, change: Annotated[CircuitSave, RequestBody(examples=[_SAVE])], records: Store
) -> StoredCircuit:
    """As a new revision on top of a version."""
    document = change.circuit.model_dump(mode="json")
    return _stored_circuit(records.save(Kind.CIRCUIT, circuit_id, change.version, document))


@router.delete(
    "/circuits/{circuit_id}", status_code=204, summary="Take a circuit off the list", responses=problems(404)
)
def remove_circuit(circuit_id: CircuitId, records: Store) -> None:
    """Sessions keep their copies of it."""
    records.archive(Kind.CIRCUIT, circuit_id)
