"""What the interface needs to know once: units, the documents' schema, and that the server is well."""

import json
from functools import cache
from typing import Any

from fastapi import APIRouter, Response
from pydantic import BaseModel

from plimbo import __version__
from plimbo.core.units import DimensionUnits, unit_table
from plimbo.files import setup_file_schema
from plimbo.server.routes import Store
from plimbo.store import Kind

router = APIRouter(tags=["reference"])


class Health(BaseModel):
    """The server answers and its database can be read."""

    status: str
    version: str
    cars: int


@router.get("/health")
def health(records: Store) -> Health:
    return Health(status="ok", version=__version__, cars=len(records.all(Kind.CAR)))


@router.get("/units")
def units() -> dict[str, DimensionUnits]:
    return unit_table()


@cache
def _schema() -> str:
    return json.dumps(setup_file_schema())


@router.get("/schema", response_model=dict[str, Any])
def schema() -> Response:
    return Response(_schema(), media_type="application/json")
