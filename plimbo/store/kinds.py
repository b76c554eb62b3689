"""The kinds of record. A further kind is one line here, and its document: lists, saves, files and routes work for
it.
"""

from enum import StrEnum
from typing import Self

from plimbo.core.documents import Car, Circuit, Setup
from plimbo.core.quantities.fields import Document


class KindOfRecord(StrEnum):
    """A kind: its name in the database, its document, and the name of the kind that it belongs to, if any."""

    document: type[Document]
    parent_name: str

    def __new__(cls, name: str, document: type[Document], parent_name: str = "") -> Self:
        kind = str.__new__(cls, name)
        kind._value_ = name
        kind.document = document
        kind.parent_name = parent_name
        return kind

    @classmethod
    def named(cls, name: str) -> Self:
        """The kind with this name."""
        return next(kind for kind in cls if kind.value == name)

    @classmethod
    def is_known(cls, name: str) -> bool:
        """Whether there is a kind with this name."""
        return any(kind.value == name for kind in cls)

    @property
    def parent(self) -> Self | None:
        """The kind that it belongs to."""
        return self.named(self.parent_name) if self.parent_name else None

    @property
    def plural(self) -> str:
        """Its name in addresses."""
        return f"{self.value}s"


class RecordKind(KindOfRecord):
    """All kinds."""

    CAR = "car", Car
    SETUP = "setup", Setup, "car"
    CIRCUIT = "circuit", Circuit
