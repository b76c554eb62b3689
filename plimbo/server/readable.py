"""Stored documents, read: one that cannot be read stands in nobody's way."""

from collections import OrderedDict
from typing import TypeVar

from fastapi import Request
from pydantic import ValidationError

from plimbo.core import Car, Circuit, Setup
from plimbo.core.documents import FORMAT_VERSION
from plimbo.core.quantities.fields import Document
from plimbo.store import Kind, Records, Stored

MODELS: dict[Kind, type[Document]] = {Kind.CAR: Car, Kind.SETUP: Setup, Kind.CIRCUIT: Circuit}
REMEMBERED = 5000
Read = TypeVar("Read", bound=Document)


class UnreadableRecord(Exception):
    """A record that this Plimbo cannot read; the message says why."""


def document_of(kind: type[Read], document: object, format_version: int) -> Read:
    """A stored document. Raises `UnreadableRecord`."""
    if format_version > FORMAT_VERSION:
        raise UnreadableRecord(
            f"It was saved by a newer Plimbo, in format {format_version}; this one reads up to {FORMAT_VERSION}."
        )
    try:
        return kind.model_validate(document)
    except ValidationError as error:
        first = error.errors(include_url=False, include_input=False)[0]
        where = ".".join(str(part) for part in first["loc"])
        raise UnreadableRecord(f"It holds what this Plimbo does not know: {where}: {first['msg']}") from None


class Readable:
    """Which records can be read, remembered by their version."""

    def __init__(self, records: Records) -> None:
        self._records = records
        self._known: OrderedDict[tuple[str, int], bool] = OrderedDict()

    def __call__(self, kind: Kind, record_id: str, version: int) -> bool:
        key = (record_id, version)
        if key not in self._known:
            self._known[key] = self._reads(self._records.get(kind, record_id))
            if len(self._known) > REMEMBERED:
                self._known.popitem(last=False)
        return self._known[key]

    @staticmethod
    def _reads(stored: Stored) -> bool:
        try:
            document_of(MODELS[stored.kind], stored.document, stored.format_version)
        except UnreadableRecord:
            return False
        return True


def readable_of(request: Request) -> Readable:
    """The application's."""
    found: Readable = request.app.state.readable
    return found
