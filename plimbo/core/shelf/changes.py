"""A change of a setup: what reads differently then, and the values at the paths of the setup that make it so."""

from typing import NamedTuple

from plimbo.core.quantities.results import Result

Json = float | str | None | list[float]


class Swap(Result):
    """One part for another: what it reads then, and the values to put at the paths of the setup."""

    sizes: tuple[float, ...]
    patch: dict[str, Json]


class Change(NamedTuple):
    """A change of one thing; `before` is empty where nothing was fitted."""

    joint: str
    title: str
    dimension: str
    before: tuple[float, ...]
    swap: Swap


def to_size(size: float, patch: dict[str, Json]) -> Swap:
    """To a single size."""
    return Swap(sizes=(size,), patch=patch)
