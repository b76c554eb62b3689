"""Which of the values used are Plimbo's own assumptions, or came with a copy, and nobody has confirmed them yet."""

from functools import cache
from typing import Any

from plimbo.core.quantities.fields import Document


@cache
def _assumable(kind: type[Document]) -> tuple[tuple[str, Any], ...]:
    """Fields of a document that may hold an assumption, and the value assumed."""
    fields = kind.model_fields.items()
    return tuple(
        (name, field.default)
        for name, field in fields
        if isinstance(extra := field.json_schema_extra, dict) and "assumption" in extra
    )


@cache
def _branches(kind: type[Document]) -> tuple[str, ...]:
    """Fields that may hold further documents."""
    return tuple(name for name, field in kind.model_fields.items() if "documents." in str(field.annotation))


def count_unconfirmed(document: Document) -> int:
    """How many values came with the kind of car or with a copy, in a document and the documents inside it."""
    count = len(document.unconfirmed)
    for name in _branches(type(document)):
        value = getattr(document, name)
        if isinstance(value, Document):
            count += count_unconfirmed(value)
        elif isinstance(value, tuple) and value and isinstance(value[0], Document):
            count += sum(count_unconfirmed(item) for item in value)
    return count


def assumed(document: Document, path: str) -> list[str]:
    """Paths of the assumed values in a document and the documents inside it."""
    kind = type(document)
    values, confirmed = document.__dict__, document.confirmed
    found = [f"{path}.{name}" for name in document.unconfirmed]
    found += [
        f"{path}.{name}"
        for name, default in _assumable(kind)
        if values[name] == default and not (confirmed and name in confirmed) and name not in document.unconfirmed
    ]
    for name in _branches(kind):
        value = values[name]
        if isinstance(value, Document):
            found += assumed(value, f"{path}.{name}")
        elif isinstance(value, tuple) and value and isinstance(value[0], Document):
            for index, item in enumerate(value):
                found += assumed(item, f"{path}.{name}.{index}")
    return found
