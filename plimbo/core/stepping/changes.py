"""A change of a setup: its new sizes, and the values at paths of the setup."""

from typing import NamedTuple

from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.results import Result

Json = float | str | None | list[float]


class ChangeKind(Choice):
    """The kind of part or work, in a mechanic's words."""

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
    STROKE = "stroke", "longer cylinder"


class Swap(Result):
    """A part in place of another: its sizes, and the values at paths of the setup."""

    sizes: tuple[float, ...]
    patch: dict[str, Json]


class Change(NamedTuple):
    """A change of one part; `before` is empty where nothing was fitted or where it has no size.

    `steps` is the number of sizes between.
    """

    kind: ChangeKind
    joint: str
    title: str
    dimension: str
    before: tuple[float, ...]
    swap: Swap
    steps: int = 1


def to_size(size: float, patch: dict[str, Json]) -> Swap:
    """A swap to a single size."""
    return Swap(sizes=(size,), patch=patch)


def done(patch: dict[str, Json]) -> Swap:
    """A change without a size: it is done or not."""
    return Swap(sizes=(), patch=patch)
