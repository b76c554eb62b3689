"""The ducts that are compared: none, the stock hoses, a scoop."""

from collections.abc import Iterator
from typing import Any, NamedTuple

from plimbo.core.documents import Aim
from plimbo.core.ducting.sizes import NO_DUCT, SCOOP, SIZES, HoseSize, of_size
from plimbo.core.search.ducts.duct_runs import DuctCase


class DuctWay(NamedTuple):
    """A duct to be simulated."""

    key: str
    title: str
    size: HoseSize | None
    patch: dict[str, Any]
    trouble: str


def duct_ways(setting: DuctCase) -> Iterator[DuctWay]:
    duct, solid = setting.setup.brake(setting.axle).cooling.duct, is_solid(setting)
    yield DuctWay(NO_DUCT, "no duct", None, {f"{setting.path}.fitted": False}, "nothing")
    for size in SIZES:
        patch = {f"{setting.path}.{name}": value for name, value in of_size(duct, size, setting.axle).items()}
        patch[f"{setting.path}.aim"] = Aim.FACE.value if solid else Aim.EYE.value
        yield DuctWay(size.key, str(size), size, patch, _trouble(size))
    scoop = {f"{setting.path}.{name}": value for name, value in of_size(duct, HoseSize(0.063), setting.axle).items()}
    yield DuctWay(
        SCOOP, "scoop on the arm", None, scoop | {f"{setting.path}.aim": Aim.SCOOP.value},
        "no hose, an hour's work; turns with the wheel, and stones find it",
    )  # fmt: skip


def is_solid(setting: DuctCase) -> bool:
    return setting.setup.brake(setting.axle).disc.vane_gap == 0


def _trouble(size: HoseSize) -> str:
    if size.hoses > 1:
        return "two hoses go where one big one does not; twice the clamps"
    return "hard to get past the wheel at full lock" if size.bore > 0.09 else "a hose, an opening, a flange"
