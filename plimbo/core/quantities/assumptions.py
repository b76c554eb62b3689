"""Which of the values used are Plimbo's own assumptions, or came with a copy, and nobody has confirmed them yet."""

from collections.abc import Iterator
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


def _inside(document: Document, path: str) -> Iterator[tuple[str, Document]]:
    """A document and all the documents inside it, each with its path."""
    yield path, document
    for name in _branches(type(document)):
        value = document.__dict__[name]
        if isinstance(value, Document):
            yield from _inside(value, f"{path}.{name}")
        elif isinstance(value, tuple) and value and isinstance(value[0], Document):
            for index, item in enumerate(value):
                yield from _inside(item, f"{path}.{name}.{index}")


def count_unconfirmed(document: Document) -> int:
    """How many values came with the kind of car or with a copy, in a document and the documents inside it."""
    return sum(len(one.unconfirmed) for _, one in _inside(document, ""))


def assumed(document: Document, path: str) -> list[str]:
    """Paths of the assumed values in a document and the documents inside it."""
    found = []
    for place, one in _inside(document, path):
        values, given, marked = one.__dict__, one.confirmed, one.unconfirmed
        found += [f"{place}.{name}" for name in marked]
        found += [
            f"{place}.{name}"
            for name, default in _assumable(type(one))
            if values[name] == default and name not in given and name not in marked
        ]
    return found
