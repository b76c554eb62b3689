"""When the fluid boils: by its kind, and by the water that it has taken up."""

from datetime import date
from typing import NamedTuple

from plimbo.core.documents import Fluid, FluidKind
from plimbo.core.friction.disc_materials import FREEZING
from plimbo.core.working.formula import formula
from plimbo.core.working.numbers import Number, exponential

FMVSS = "Least boiling points of FMVSS 116, from memory"
# Water by mass at which a wet boiling point is given, and water that a fluid takes up in a year (own).
WET_WATER, WATER_A_YEAR = 0.037, 0.015
# Old fluid takes up no more than about this, by mass.
MOST_WATER = 0.08


class FluidClass(NamedTuple):
    """Dry and wet boiling point, K, and where they come from."""

    dry: float
    wet: float
    source: str


FLUID_CLASSES = {
    FluidKind.DOT_3: FluidClass(205 + FREEZING, 140 + FREEZING, FMVSS),
    FluidKind.DOT_4: FluidClass(230 + FREEZING, 155 + FREEZING, FMVSS),
    FluidKind.DOT_5_1: FluidClass(260 + FREEZING, 180 + FREEZING, FMVSS),
    FluidKind.RACE: FluidClass(310 + FREEZING, 200 + FREEZING, "Common practice: above 310 °C dry, about 200 °C wet"),
}


@formula(
    "T_boil",
    "Boiling point",
    "temperature",
    "{dry} − ({dry} − {wet}) · (1 − exp(−{water} / 0.016)) / (1 − exp(−0.037 / 0.016))",
    "Steep at first, as published curves of glycol fluids are (from memory); the end points as told, the shape our own",
    valid="0 ≤ {water} ≤ 0.1, {wet} ≤ {dry}",
)
def boiling_point(dry: Number, wet: Number, water: Number) -> Number:
    """K, of a fluid with a share of water by mass."""
    return dry - (dry - wet) * (1 - exponential(-water / 0.016)) / (1 - exponential(-WET_WATER / 0.016))


@formula("w", "Water by age", "share", "{years} · 0.015", "Plimbo's own: 1.5 % a year", valid="{years} ≥ 0")
def water_by_age(years: Number) -> Number:
    """Water, a share by mass, after a number of years in a car, if not measured."""
    return years * WATER_A_YEAR


class FluidState(NamedTuple):
    """The fluid as it is now: boiling points fresh, wet and as it is, K; its water, a share, and how that is known."""

    dry: float
    wet: float
    water: float
    boils: float
    known_by: str


def fluid_state(fluid: Fluid, today: date) -> FluidState:
    """Of the bottle's own points where it has them, else of the least of its class; water by tester, else by age."""
    least = FLUID_CLASSES[fluid.kind]
    dry = least.dry if fluid.dry_point is None else fluid.dry_point
    wet = min(dry, least.wet if fluid.wet_point is None else fluid.wet_point)
    since = min((day for day in (fluid.filled, fluid.opened) if day is not None), default=None)
    if fluid.water is not None:
        water, known_by = fluid.water, "by tester"
    elif since is not None:
        years = max(0.0, (today - since).days / 365.25)
        water, known_by = min(MOST_WATER, float(water_by_age(years))), "by its age"
    else:
        water, known_by = float(water_by_age(1.0)), "taken to be a year old"
    return FluidState(dry, wet, water, float(boiling_point(dry, wet, water)), known_by)
