"""What the interface needs to know once: units, the documents' schema, and that the server is well."""

from typing import Any

from fastapi import APIRouter
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


@router.get("/schema")
def schema() -> dict[str, Any]:
    return setup_file_schema()
