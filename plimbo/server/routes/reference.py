"""Data that the interface reads once: units, the documents' schema, and the health of the server."""

import json
from functools import cache
from typing import Any

from fastapi import APIRouter, Response
from pydantic import BaseModel, create_model

from plimbo import __version__
from plimbo.core.documents import FORMAT_VERSION
from plimbo.core.quantities.units import DimensionUnits, unit_table
from plimbo.server.problems import problems
from plimbo.server.routes import Store, shows
from plimbo.store import RecordKind
from plimbo.store.record_file import DRAFT

router = APIRouter(tags=["reference"], responses=problems())


class Health(BaseModel):
    """The server answers and its database can be read."""

    status: str
    version: str
    cars: int


@router.get(
    "/health", summary="Ask whether it is well", openapi_extra=shows({"status": "ok", "version": "0.1.0", "cars": 3})
)
def health(records: Store) -> Health:
    """Reads the database to say so."""
    return Health(status="ok", version=__version__, cars=len(records.headings(RecordKind.CAR)))


@router.get(
    "/units",
    summary="List the units",
    openapi_extra=shows({"pressure": unit_table()["pressure"].model_dump(mode="json")}),
)
def units() -> dict[str, DimensionUnits]:
    """For each dimension and system of units: symbol, factor and offset to SI, and the number of decimals."""
    return unit_table()


HEAD = {"$schema": DRAFT, "$id": f"urn:plimbo:schema:documents:{FORMAT_VERSION}"}


@cache
def _schema(kinds: tuple[RecordKind, ...]) -> str:
    documents: Any = {kind.value: (kind.document, ...) for kind in kinds}
    return json.dumps(HEAD | create_model("Documents", **documents).model_json_schema())


@router.get(
    "/schema",
    response_model=dict[str, Any],
    summary="Get the schema of the documents",
    openapi_extra=shows(HEAD | {"title": "Documents", "properties": {"car": {"$ref": "#/$defs/Car"}}}),
)
def schema() -> Response:
    """JSON Schema of every kind of record, with title, help, bounds, dimension and unit of every field."""
    return Response(_schema(tuple(RecordKind)), media_type="application/json")
