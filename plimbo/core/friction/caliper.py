"""The caliper: the area that clamps, and the part of the fluid's push that becomes clamp force."""

import math
from typing import NamedTuple

from plimbo.core.documents import Caliper, CaliperMounting, Retention
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import Axle
from plimbo.core.working.formula import formula
from plimbo.core.working.inputs import Inputs, remembered
from plimbo.core.working.numbers import Number


@formula("A_p", "Piston area, one side", "area", "π / 4 · ({diameters:² + }²)", "Circles; only their area counts")
def piston_area(*diameters: Number) -> Number:
    """Area that clamps, m², of diameters in m: one side's pistons of a fixed caliper, all pistons of a sliding one."""
    return math.pi / 4 * sum([diameter * diameter for diameter in diameters])


@formula("F_n", "Clamp, each caliper", "force", "{pressure} · {area}", "Pascal's law", valid="{pressure} ≥ 0")
def clamp(pressure: Number, area: Number) -> Number:
    """Force of one pad on the disc, N; Pa, m²."""
    return pressure * area


@formula(
    "p_need",
    "Line pressure needed",
    "pressure",
    "{clamp} / {area}",
    "Pascal's law, turned round",
    valid="{area} > 0",
)
def pressure_for_clamp(clamp: Number, area: Number) -> Number:
    """Line pressure, Pa, that makes this clamp, N, on this piston area, m²."""
    return clamp / area


class CaliperSizes(NamedTuple):
    """One caliper as numbers; `pistons_length` is all of one side in a row, m.

    `knock_back_taken` is the part of knock-back that pushes its pistons back, 1 of a fixed caliper; `knock_back_left`
    what springs or a valve leave of that, 1 without them; `rating` is infinite where it is not known.
    """

    piston_area: Number
    pistons_length: Number
    fixed: Number
    efficiency: Number
    compliance: Number
    pad_gap: Number
    knock_back_taken: Number
    knock_back_left: Number
    rating: Number


@remembered
def caliper_sizes(caliper: Caliper, inputs: Inputs, axle: Axle) -> CaliperSizes:
    """The caliper of one axle."""
    pistons = tuple(caliper.pistons)
    diameters = [inputs.number(caliper, "pistons", size, axle, nth) for nth, size in enumerate(pistons, 1)]
    held = inputs.constant(defaults.KNOCK_BACK_HELD.value, "k_k", "Left of knock-back", "share", "Plimbo's own default")
    slides = inputs.constant(
        defaults.KNOCK_BACK_SLIDING.value, "k_s", "Knock-back of a sliding caliper", "share", "Plimbo's own default"
    )
    return CaliperSizes(
        piston_area=piston_area.at(axle)(*diameters),
        pistons_length=sum(pistons),
        fixed=caliper.mounting == CaliperMounting.FIXED,
        efficiency=inputs(caliper, "efficiency", axle),
        compliance=inputs(caliper, "compliance", axle),
        pad_gap=inputs(caliper, "pad_gap", axle),
        knock_back_taken=1.0 if caliper.mounting == CaliperMounting.FIXED else slides,
        knock_back_left=1.0 if caliper.retention == Retention.NONE else held,
        rating=math.inf if caliper.rating is None else caliper.rating,
    )
