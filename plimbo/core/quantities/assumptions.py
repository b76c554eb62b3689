"""Which of the values used are Plimbo's own assumptions, or came with a copy, and are not confirmed yet."""

from collections.abc import Iterator
from functools import cache
from typing import Any

from plimbo.core.quantities.fields import Document, holds_documents


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
    """Fields that hold further documents, or lists of them."""
    return tuple(name for name, field in kind.model_fields.items() if holds_documents(field.annotation))


def _inside(document: Document) -> Iterator[Document]:
    """A document and all the documents inside it."""
    yield document
    for name in _branches(type(document)):
        value = document.__dict__[name]
        for one in value if isinstance(value, tuple) else (value,):
            if isinstance(one, Document):
                yield from _inside(one)


def count_unconfirmed(document: Document) -> int:
    """How many values came with the kind of car or with a copy, in a document and the documents inside it."""
    return sum(len(one.unconfirmed) for one in _inside(document))


def assumed(document: Document, path: str) -> list[str]:
    """Paths of the assumed values in a document and the documents inside it."""
    found = list[str]()
    _find_assumed(document, path, found)
    return found


def _find_assumed(document: Document, path: str, found: list[str]) -> None:
    values = document.__dict__
    given, marked = values["confirmed"], values["unconfirmed"]
    for name in marked:
        found.append(f"{path}.{name}")
    for name, default in _assumable(type(document)):
        if values[name] == default and name not in given and name not in marked:
            found.append(f"{path}.{name}")
    for name in _branches(type(document)):
        value = values[name]
        if isinstance(value, tuple):
            for place, item in enumerate(value):
                _find_assumed(item, f"{path}.{name}.{place}", found)
        elif value is not None:
            _find_assumed(value, f"{path}.{name}", found)
