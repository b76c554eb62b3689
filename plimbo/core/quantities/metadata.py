"""The metadata of a number field: dimension and unit, kept with the field and so part of every schema."""

from typing import Any

from pydantic import BaseModel

from plimbo.core.quantities.units import si_unit


def number_metadata(dimension: str) -> dict[str, Any]:
    """Of a number in SI of this dimension."""
    return {"dimension": dimension, "unit": si_unit(dimension)}


def field_metadata(model: BaseModel | type[BaseModel], name: str) -> dict[str, Any]:
    """Of a field; empty where it is no number."""
    kind = model if isinstance(model, type) else type(model)
    extra = kind.model_fields[name].json_schema_extra
    return extra if isinstance(extra, dict) else {}
