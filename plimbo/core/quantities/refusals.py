"""What is wrong with a value, in plain words at its field, a limit with its unit."""

from collections.abc import Mapping
from typing import Any

from pydantic import BaseModel, ValidationError
from pydantic_core import ErrorDetails, InitErrorDetails, PydanticCustomError

from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.quantities.metadata import field_metadata
from plimbo.core.quantities.phrases import Measure
from plimbo.core.quantities.units import UnitSystem, shown

# Kind of error: where Pydantic keeps the bound, and the words for it.
_BOUNDS = {
    "greater_than": ("gt", "Must be more than {limit}."),
    "greater_than_equal": ("ge", "Must be at least {limit}."),
    "less_than": ("lt", "Must be less than {limit}."),
    "less_than_equal": ("le", "Must be at most {limit}."),
}
_DAY = "Must be a day, year first: 2026-03-28."
_PLAIN = {
    "missing": "Is missing.",
    "finite_number": "Must be a number that is not infinite.",
    "float_parsing": "Must be a number.",
    "float_type": "Must be a number.",
    "string_too_short": "Give it a name.",
    "string_too_long": "Is too long.",
    "extra_forbidden": "Is not known here.",
    "json_invalid": "This is not JSON.",
    "enum": "Choose one of the list.",
    "too_short": "At least one is needed.",
    "too_long": "Too many.",
    "string_pattern_mismatch": "Give it a name in one line, without control characters.",
    "string_unicode": "Is no text.",
    "int_type": "Must be a whole number.",
    "int_from_float": "Must be a whole number.",
    "date_from_datetime_parsing": _DAY,
    "date_parsing": _DAY,
    "date_type": _DAY,
    "date_from_datetime_inexact": _DAY,
    "bool_type": "Must be true or false.",
}


class FieldError(BaseModel):
    """What is wrong with one field. `{limit}` in the message stands for `limit`, in the reader's units."""

    path: str
    message: str
    limit: Measure | None = None

    def text(self, system: UnitSystem = UnitSystem.METRIC) -> str:
        """The message with its limit, in one system of units."""
        limit = shown(self.limit.value, self.limit.dimension, system) if self.limit else ""
        return self.message.replace("{limit}", limit)


def refusal_of(error: OutOfRange) -> FieldError:
    """What the model refuses, with its field."""
    limit = None if error.limit is None else Measure(value=error.limit[0], dimension=error.limit[1])
    return FieldError(path=error.path, message=error.message, limit=limit)


def in_words(error: ValidationError, kind: type[BaseModel]) -> ValidationError:
    """The same errors of a document of this kind, with bounds and their unit in the message.

    Errors of nested documents are in words already.
    """
    lines: list[InitErrorDetails] = []
    for line in error.errors(include_url=False):
        context = dict(line.get("ctx", {}))
        message = str(context.pop("error", line["msg"])) if line["type"] == "value_error" else line["msg"]
        name = line["loc"][0] if line["loc"] else None
        if line["type"] in _BOUNDS and "limit" not in context:
            key, words = _BOUNDS[line["type"]]
            dimension = field_metadata(kind, str(name)).get("dimension", "ratio") if name in kind.model_fields else ""
            limit = float(context[key])
            message = words.format(limit=shown(limit, dimension) if dimension else f"{limit:g}")
            context = {"limit": limit, "dimension": dimension or "ratio"}
        lines.append(
            InitErrorDetails(
                type=PydanticCustomError(line["type"], _literal(message), context or None),
                loc=line["loc"],
                input=line["input"],
            )
        )
    return ValidationError.from_exception_data(error.title, lines)


def _literal(message: str) -> Any:
    """Pydantic fills braces of a message from its context: there are none to fill here."""
    return message.replace("{", "(").replace("}", ")")


def field_errors(errors: list[ErrorDetails] | list[Any]) -> list[FieldError]:
    """Pydantic's errors in plain words, each at its field."""
    return [_field_error(error) for error in errors]


def _field_error(error: Mapping[str, Any]) -> FieldError:
    kind, context = error["type"], error.get("ctx", {})
    path = ".".join(str(part) for part in error["loc"] if part != "body") if kind != "json_invalid" else ""
    if kind in _BOUNDS:
        key, message = _BOUNDS[kind]
        limit = Measure(
            value=float(context.get("limit", context.get(key))), dimension=context.get("dimension", "ratio")
        )
        return FieldError(path=path, message=message, limit=limit)
    if kind == "value_error":
        return FieldError(path=path, message=str(context.get("error", error["msg"])))
    return FieldError(path=path, message=_PLAIN.get(kind, error["msg"]))
