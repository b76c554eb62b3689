"""The classes of pad: window, friction over temperature, conduction and wear of each, used where no data sheet gives
them.
"""

from functools import cache
from typing import Any, NamedTuple

import numpy as np

from plimbo.core.documents import Compound, Pad, PadMaterial
from plimbo.core.friction.disc_materials import FREEZING
from plimbo.core.friction.friction_curve import curve_of
from plimbo.core.working.numbers import Array

HANDBOOKS = "conduction from memory of handbooks; friction, window and wear are Plimbo's own figures"


class PadClass(NamedTuple):
    """Conductivity W/(m·K), density kg/m³, specific heat J/(kg·K); window, K; wear in the window, m³/J.

    `frictions` are pairs of temperature of the disc's surface, K, and friction.
    """

    name: str
    conductivity: float
    density: float
    heat: float
    low: float
    high: float
    wear: float
    frictions: tuple[tuple[float, float], ...]
    source: str = HANDBOOKS


_STEPS = 50, 150, 300, 450, 600, 700, 800, 900


def _class(
    name: str, of: tuple[float, float, float], window: tuple[float, float], wear: float, frictions: tuple[float, ...]
) -> PadClass:
    """Window in °C, wear in mm³/MJ."""
    points = tuple((step + FREEZING, friction) for step, friction in zip(_STEPS, frictions, strict=False))
    return PadClass(name, *of, window[0] + FREEZING, window[1] + FREEZING, wear * 1e-15, points)


STREET = _class("street", (0.9, 2200, 1050), (0, 350), 60, (0.36, 0.40, 0.39, 0.27, 0.16, 0.12, 0.10))
FAST_ROAD = _class("fast road", (2.5, 2700, 900), (50, 450), 100, (0.34, 0.40, 0.42, 0.36, 0.25, 0.18, 0.14))
SPRINT = _class("sprint", (3.5, 2800, 900), (260, 540), 140, (0.30, 0.38, 0.46, 0.50, 0.48, 0.40, 0.30))
ENDURANCE = _class("endurance", (3.5, 2800, 900), (350, 780), 220, (0.25, 0.33, 0.42, 0.47, 0.50, 0.50, 0.47, 0.38))
SINTERED = _class("sintered", (15, 5000, 520), (200, 700), 180, (0.36, 0.40, 0.43, 0.45, 0.45, 0.43, 0.40))
CARBON = _class("carbon", (10, 1750, 1400), (350, 800), 120, (0.15, 0.20, 0.38, 0.50, 0.52, 0.50, 0.48))

_BY_COMPOUND = {
    Compound.ROAD: STREET,
    Compound.FAST_ROAD: FAST_ROAD,
    Compound.SPRINT: SPRINT,
    Compound.ENDURANCE: ENDURANCE,
    # If unknown, the class that most race cars use.
    Compound.UNKNOWN: SPRINT,
}


def pad_class(pad: Pad) -> PadClass:
    """The class of a pad by its material and compound, with the pad's own values in their place."""
    found = {PadMaterial.SINTERED: SINTERED, PadMaterial.CARBON: CARBON}.get(pad.material, _BY_COMPOUND[pad.compound])
    own: dict[str, Any] = {
        "conductivity": pad.conductivity,
        "low": pad.window_low,
        "high": pad.window_high,
        "wear": pad.wear_rate,
    }
    found = found._replace(**{name: value for name, value in own.items() if value is not None})
    # One typed end of the window may lie beyond the other end of its class.
    return found._replace(high=max(found.high, found.low + 10.0))


def class_is_assumed(pad: Pad) -> bool:
    """Whether neither the pad's class nor its window is known."""
    named = pad.compound is not Compound.UNKNOWN or pad.material is not PadMaterial.RESIN_BONDED
    return not named and None in (pad.window_low, pad.window_high)


def window_of(pad: Pad) -> tuple[float, float]:
    """The pad's working window: temperatures of the disc's surface, K."""
    kind = pad_class(pad)
    return kind.low, kind.high


def friction_over(pad: Pad, temperatures: Any) -> Array:
    """Friction at these temperatures of the disc's surface, K.

    From the pad's own curve if it has one. Otherwise the curve of its class, scaled to pass through the pad's friction,
    so that session and sizes use the same pad.
    """
    curve = curve_of(pad)
    if curve is not None:
        found: Array = np.asarray(curve.at(temperatures), dtype=float)
        return found
    own = pad_class(pad)
    shape: Array = np.interp(temperatures, *_columns(own.frictions))
    return pad.friction / _of_class(own.frictions, pad.looked_at) * shape


@cache
def _columns(points: tuple[tuple[float, float], ...]) -> tuple[list[float], list[float]]:
    return [point[0] for point in points], [point[1] for point in points]


def _of_class(points: tuple[tuple[float, float], ...], temperature: float) -> float:
    return float(np.interp(temperature, *_columns(points)))
