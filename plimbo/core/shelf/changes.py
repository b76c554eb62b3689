"""A change of a setup: what reads differently then, and the values at the paths of the setup that make it so."""

from typing import NamedTuple

from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.results import Result

Json = float | str | None | list[float]


class Kind(Choice):
    """What is changed, as a mechanic would say what has to be bought or done."""

    TURN = "turn", "turn of the bar"
    KNEE = "knee", "valve"
    BORE = "bore", "cylinder"
    RATIO = "ratio", "pedal"
    GAIN = "gain", "booster"
    PISTONS = "pistons"
    DIAMETER = "diameter", "disc diameter"
    THICKNESS = "thickness", "disc thickness"
    MATERIAL = "material", "disc material"
    COMPOUND = "compound"
    BLEED = "bleed", "bleeding"
    WEAR = "wear", "new pads"
    SPRINGS = "springs"
    HOSES = "hoses"
    STIFFNESS = "stiffness", "stiffer calipers"
    STROKE = "stroke", "longer cylinder"


class Swap(Result):
    """One part for another: what it reads then, and the values to put at the paths of the setup."""

    sizes: tuple[float, ...]
    patch: dict[str, Json]


class Change(NamedTuple):
    """A change of one thing; `before` is empty where nothing was fitted or where it has no size.

    `steps` is how many sizes away it is.
    """

    kind: Kind
    joint: str
    title: str
    dimension: str
    before: tuple[float, ...]
    swap: Swap
    steps: int = 1


def to_size(size: float, patch: dict[str, Json]) -> Swap:
    """To a single size."""
    return Swap(sizes=(size,), patch=patch)


def done(patch: dict[str, Json]) -> Swap:
    """Something that has no size: it is done or not."""
    return Swap(sizes=(), patch=patch)
