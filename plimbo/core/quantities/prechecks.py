"""What is refused before a document is read item by item: lists that are too long, unknown names, meaningless numbers.

Pydantic reads all items of a list and reports the errors of each before it reports that the list is too long.
"""

from collections.abc import Iterator, Mapping
from functools import cache
from typing import Any, NamedTuple, Self

from pydantic import BaseModel, ConfigDict, ModelWrapValidatorHandler, ValidationError, model_validator
from pydantic_core import InitErrorDetails, PydanticCustomError

from plimbo.core.quantities.metadata import field_metadata
from plimbo.core.quantities.units import si_unit

# Most unknown names that are listed one by one.
MOST_NAMES = 20
# A number nearer to zero is a typing error and would cause divisions by nearly zero; zero itself may be allowed.
LEAST_MAGNITUDE = 1e-9
# The same for dimensions whose SI unit is very large compared with usual values.
_LEAST_OF = {"compliance": 1e-18, "swelling": 1e-18, "wear": 1e-18}


class _Checks(NamedTuple):
    names: frozenset[str]
    lists: tuple[tuple[str, int], ...]
    numbers: tuple[tuple[str, float, str], ...]  # with the least magnitude, and the words for it


@cache
def _checks_of(kind: type[BaseModel]) -> _Checks:
    lists, numbers = [], []
    for name, field in kind.model_fields.items():
        lists += [(name, bound.max_length) for bound in field.metadata if hasattr(bound, "max_length")]
        dimension = field_metadata(kind, name).get("dimension")
        if dimension is not None:
            least = _LEAST_OF.get(dimension, LEAST_MAGNITUDE)
            above_nothing = any(getattr(bound, "gt", None) == 0 for bound in field.metadata)
            unit = f" {si_unit(dimension)}".rstrip()
            words = f"Is too near to nothing: give {'' if above_nothing else '0, or '}at least {least:g}{unit}."
            numbers.append((name, least, words))
    return _Checks(frozenset(kind.model_fields), tuple(lists), tuple(numbers))


def prechecked(kind: type[BaseModel], data: Any) -> None:
    """Raises Pydantic's `ValidationError`, in words, if something must be refused at once."""
    if not isinstance(data, dict):
        return
    checks = _checks_of(kind)
    if _all_is_well(checks, data):
        return
    lines = list(_refusals(checks, data))
    if lines:
        raise ValidationError.from_exception_data(kind.__name__, lines)


def _all_is_well(checks: _Checks, data: Mapping[Any, Any]) -> bool:
    """Quickly, since every document is read this way; what it does not know is left to `_refusals`."""
    if len(data) > len(checks.names):
        return False
    for name, most in checks.lists:
        value = data.get(name)
        if value is not None and (not hasattr(value, "__len__") or len(value) > most):
            return False
    for name, least, _ in checks.numbers:
        value = data.get(name)
        # Most numbers are far from zero.
        if value is None or (value.__class__ is float and (value >= least or value == 0 or value <= -least)):
            continue
        if value.__class__ is not int:
            return False
    return True


def _refusals(checks: _Checks, data: Mapping[Any, Any]) -> Iterator[InitErrorDetails]:
    if len(data) > len(checks.names) + MOST_NAMES:
        for name in [name for name in data if name not in checks.names][:MOST_NAMES]:
            yield _refusal("extra_forbidden", "Is not known here.", name)
    for name, most in checks.lists:
        value = data.get(name)
        if isinstance(value, list | tuple | dict) and len(value) > most:
            yield _refusal("too_long", "Too many.", name)
    for name, least, words in checks.numbers:
        value = data.get(name)
        numbers = value if isinstance(value, list | tuple) else (value,)
        for number in numbers:
            if isinstance(number, float) and 0 < abs(number) < least:
                yield _refusal("too_small", words, name)
                break


def _refusal(kind: Any, words: Any, name: Any) -> InitErrorDetails:
    return InitErrorDetails(
        type=PydanticCustomError(kind, words), loc=(name if isinstance(name, str) else "?",), input=None
    )


class Bounded(BaseModel):
    """A model whose lists are bounded before they are read."""

    # Built at the first request: validators of whole cars would lengthen each start.
    model_config = ConfigDict(defer_build=True)

    @model_validator(mode="wrap")
    @classmethod
    def _bounded(cls, data: Any, handler: ModelWrapValidatorHandler[Self]) -> Self:
        prechecked(cls, data)
        return handler(data)
