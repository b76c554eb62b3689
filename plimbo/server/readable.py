"""Reading stored documents: an unreadable one does not block the others."""

from collections import OrderedDict
from typing import TypeVar

from fastapi import Request
from pydantic import ValidationError

from plimbo.core.documents import FORMAT_VERSION
from plimbo.core.quantities.fields import Document
from plimbo.store import Entry, Heading, Stored

REMEMBERED = 5000
Read = TypeVar("Read", bound=Document)


class UnreadableRecord(Exception):
    """A record that this Plimbo cannot read; the message says why."""


class Readable:
    """The records known to be unreadable: lists use it without reading any document.

    A record whose newest revision is a document counts as readable by its format until opening it has failed.
    """

    def __init__(self) -> None:
        self._unreadable: OrderedDict[tuple[str, int], None] = OrderedDict()

    def __call__(self, one: Heading | Entry) -> bool:
        """Whether a record of a list can be opened."""
        return one.sound and one.format_version <= FORMAT_VERSION and (one.id, one.version) not in self._unreadable

    def document(self, kind: type[Read], stored: Stored) -> Read:
        """The document of a record. Raises `UnreadableRecord`, and remembers it."""
        try:
            return document_of(kind, stored.document, stored.format_version)
        except UnreadableRecord:
            self._unreadable[stored.id, stored.version] = None
            if len(self._unreadable) > REMEMBERED:
                self._unreadable.popitem(last=False)
            raise

    def document_or_none(self, kind: type[Read], stored: Stored) -> Read | None:
        """The document of a record; none where it cannot be read."""
        try:
            return self.document(kind, stored)
        except UnreadableRecord:
            return None


def document_of(kind: type[Read], document: object, format_version: int) -> Read:
    """A stored document. Raises `UnreadableRecord`."""
    if format_version > FORMAT_VERSION:
        raise UnreadableRecord(
            f"It was saved by a newer Plimbo, in format {format_version}; this one reads up to {FORMAT_VERSION}."
        )
    if document is None:
        raise UnreadableRecord("Its newest saved state is missing; older ones are in its history.")
    if not isinstance(document, dict):
        raise UnreadableRecord("What is stored of it is damaged: it is no document.")
    try:
        return kind.model_validate(document)
    except ValidationError as error:
        first = error.errors(include_url=False, include_input=False)[0]
        where = ".".join(str(part) for part in first["loc"])
        raise UnreadableRecord(f"It holds what this Plimbo does not know: {where}: {first['msg']}") from None


def readable_of(request: Request) -> Readable:
    """The instance of the application."""
    found: Readable = request.app.state.readable
    return found
