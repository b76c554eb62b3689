"""A copy of a car for another one: its values stand in for unknown ones and are marked so."""

from enum import StrEnum
from typing import Any, TypeVar

from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.fields import Document

Kind = TypeVar("Kind", bound=Document)
# Fields that are chosen for a day or a race rather than measured on the car.
_NO_READING = {"states", "sessions", "limits", "kind", "split", "trial_stop", "radius_method"}


def copied_car(car: Car, name: str) -> Car:
    """The car under another name, its given values marked as copied."""
    return marked(car).model_copy(update={"name": name, "copied_from": car.name})


def copied_setup(setup: Setup) -> Setup:
    """A setup of such a car."""
    return marked(setup)


def marked(document: Kind) -> Kind:
    """A document whose given values are unconfirmed, and those of the documents in it."""
    update: dict[str, Any] = {}
    names = []
    for name, field in type(document).model_fields.items():
        value = getattr(document, name)
        if name in _NO_READING:
            continue
        if isinstance(value, Document):
            update[name] = marked(value)
        elif isinstance(value, tuple) and value and isinstance(value[0], Document):
            update[name] = tuple(marked(one) for one in value)
        elif _is_reading(value) and (field.is_required() or value != field.default):
            names.append(name)
    return document.model_copy(update=update | {"unconfirmed": tuple(names)})


def _is_reading(value: Any) -> bool:
    if isinstance(value, tuple):
        return bool(value) and all(isinstance(one, float) for one in value)
    return isinstance(value, StrEnum | int | float) and not isinstance(value, bool)
