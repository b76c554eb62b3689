"""The title of the value at a path of a document: its owner and its name."""

from collections.abc import Iterator
from typing import Any

from plimbo.core.quantities.fields import Document


def part_at(document: Document, path: str) -> tuple[Document, str]:
    """The document that holds the last name of a path, and that name."""
    *parents, name = path.split(".")
    part: Any = document
    for place in parents:
        part = part[int(place)] if place.isdigit() else getattr(part, place)
    return part, name


def title_at(document: Document, path: str) -> str:
    """The value's title and its owner: "Cylinder bore, front", "Speed, state Wet"."""
    part, name = part_at(document, path)
    own = type(part).model_fields.get(name)
    what = str((own.title if own else None) or name.replace("_", " "))
    whose = " ".join(_whose(document, path.split(".")[:-1]))
    return f"{what}, {whose}" if whose else what


def _whose(document: Document, parents: list[str]) -> Iterator[str]:
    part: Any = document
    for place in parents:
        if place.isdigit():
            part = part[int(place)]
            yield str(getattr(part, "name", "") or int(place) + 1)
            continue
        part = getattr(part, place)
        if isinstance(part, tuple):
            yield place.rstrip("s").replace("_", " ")
        elif place in ("front", "rear", "front_tyre", "rear_tyre"):
            yield place.partition("_")[0]
        elif place in ("duct", "original"):
            yield place
