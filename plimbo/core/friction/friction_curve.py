"""A pad's friction over the disc's temperature, as its maker gives it."""

from functools import cache
from typing import TYPE_CHECKING

import numpy as np

from plimbo.core.documents import Pad
from plimbo.core.working.numbers import Number, plain

if TYPE_CHECKING:
    from scipy.interpolate import PchipInterpolator


class FrictionCurve:
    """A pad's friction over the disc's temperature: monotone between its points, constant beyond them."""

    def __init__(self, points: tuple[tuple[float, float], ...]) -> None:
        self.points = points

    def __format__(self, _how: str) -> str:
        return f"its curve of {len(self.points)} points"

    def at(self, temperature: Number) -> Number:
        """Friction at a temperature, K."""
        first, last = self.points[0][0], self.points[-1][0]
        return plain(_through(self.points)(np.clip(temperature, first, last)))


@cache
def _through(points: tuple[tuple[float, float], ...]) -> "PchipInterpolator":
    # Imported only when needed: it is slow to import, and few setups have a curve.
    from scipy.interpolate import PchipInterpolator  # noqa: PLC0415

    return PchipInterpolator(*zip(*points, strict=True))


def curve_of(pad: Pad) -> FrictionCurve | None:
    """The maker's curve, where the pad has one."""
    points = tuple([(point.temperature, point.friction) for point in pad.friction_curve])
    return FrictionCurve(points) if points else None
