"""From a dotted path to the field that it names, for the unit of a limit."""

from typing import get_args

from pydantic import BaseModel

from plimbo.core.documents import Car, Setup

_ROOTS: dict[str, type[BaseModel]] = {"car": Car, "setup": Setup}


def _model_in(annotation: object) -> type[BaseModel] | None:
    """The model that an annotation holds, through tuples and unions."""
    if isinstance(annotation, type) and issubclass(annotation, BaseModel):
        return annotation
    return next((model for part in get_args(annotation) if (model := _model_in(part))), None)


def dimension_of(path: str, root: type[BaseModel] | None = None) -> str:
    """Dimension of the field at a path such as `car.states.0.speed`; a plain ratio where there is none."""
    names = [name for name in path.split(".") if not name.isdigit()]
    model = root
    if model is None and names and names[0] in _ROOTS:
        model = _ROOTS[names.pop(0)]
    dimension = "ratio"
    for name in names:
        field = model.model_fields.get(name) if model else None
        if field is None:
            break
        if isinstance(field.json_schema_extra, dict):
            dimension = str(field.json_schema_extra.get("dimension", dimension))
        model = _model_in(field.annotation)
    return dimension
