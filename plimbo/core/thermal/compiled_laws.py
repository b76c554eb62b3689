"""The laws of air and materials for compiled code: the very functions inside the formulas, and what stands on them."""

import math
from collections.abc import Callable
from typing import Any, NamedTuple

from numba.extending import overload, register_jitable

from plimbo.core.friction import disc_materials
from plimbo.core.thermal import air, cooling
from plimbo.core.thermal.corner import Corner
from plimbo.core.vehicle import air as vehicle_air
from plimbo.core.working import numbers
from plimbo.core.working.compiling import inlined


def _stands_for(helper: Callable[..., Any], of_numbers: Callable[..., Any]) -> None:
    """In compiled code the helpers of the formulas work on single numbers."""
    overload(helper)(of_numbers)


_stands_for(numbers.maximum, lambda one, other: lambda one, other: max(one, other))  # noqa: ARG005, PLW0108
_stands_for(numbers.minimum, lambda one, other: lambda one, other: min(one, other))  # noqa: ARG005, PLW0108
_stands_for(numbers.square_root, lambda number: lambda number: math.sqrt(number))  # noqa: ARG005, PLW0108
_stands_for(numbers.exponential, lambda number: lambda number: math.exp(number))  # noqa: ARG005, PLW0108
_stands_for(numbers.logarithm, lambda number: lambda number: math.log(number))  # noqa: ARG005, PLW0108

density = register_jitable(vehicle_air.air_density.function)
viscosity = register_jitable(air.air_viscosity.function)
conductivity_of_air = register_jitable(air.air_conductivity.function)
reynolds = register_jitable(cooling.reynolds.function)
rough_share = register_jitable(cooling.rough_share.function)
face_nusselt = register_jitable(cooling.face_nusselt.function)
face_coefficient = register_jitable(cooling.face_coefficient.function)
vane_nusselt = register_jitable(cooling.vane_nusselt.function)
vane_conductance = register_jitable(cooling.vane_conductance.function)
caliper_nusselt = register_jitable(cooling.caliper_nusselt.function)
radiation_coefficient = register_jitable(cooling.radiation_coefficient.function)
well_share = register_jitable(cooling.well_share.function)
conductivity_at = register_jitable(disc_materials.conductivity_at.function)
specific_heat_at = register_jitable(disc_materials.specific_heat_at.function)

AT_REST = 0.5  # m/s
# Behind a tight seal and a taped opening the air is nearly still, never quite, kg/s.
LEAST_FLOW = 1e-6
NATURAL = cooling.NATURAL
CALIPER_LENGTH = 0.1


class FaceConditions(NamedTuple):
    """The conditions at a corner in one sample: friction heat of a surface, W; m/s; Pa; K; length of the step, s.

    `gain` is the vanes' airflow over the flow that they draw alone, `cold` the share of it from a duct, `fed` the gain
    that the same hose would give at the eye.
    """

    friction: float
    speed: float
    pressure: float
    ambient: float
    well: float
    step: float
    gain: float
    cold: float
    fed: float


@inlined
def face_transfer(speed: float, diameter: float, film: float, pressure: float, factor: float) -> Any:
    """Heat transfer of a face, W/(m²·K)."""
    if speed < AT_REST:
        return NATURAL
    stream = reynolds(density(pressure, film), speed, diameter, viscosity(film))
    nusselt = face_nusselt(stream, rough_share(stream))
    return face_coefficient(factor, nusselt, conductivity_of_air(film), diameter)


@inlined
def faces_transfer(corner: Corner, around: FaceConditions, film: float) -> Any:
    """Heat transfer of both rubbing faces, inboard and outboard, W/(m²·K), at the film between them and the well."""
    if around.speed < AT_REST:
        return NATURAL, NATURAL
    stream = reynolds(density(around.pressure, film), around.speed, corner.diameter, viscosity(film))
    nusselt, conducts = face_nusselt(stream, rough_share(stream)), conductivity_of_air(film)
    factor = cooling.FACE_TURBULENCE * corner.cooling
    return (
        face_coefficient(factor * corner.inboard_shield, nusselt, conducts, corner.diameter),
        face_coefficient(factor * corner.outboard_shield, nusselt, conducts, corner.diameter),
    )


@inlined
def vanes_take(corner: Corner, around: FaceConditions, film: float, gain: float) -> Any:
    """Heat taken by the air through the vanes, W/K; `gain` is the flow over the flow that they draw alone."""
    if corner.gap == 0.0:
        return 0.0
    if around.speed < AT_REST:
        return cooling.VANES_AT_REST * corner.vane_surface
    own = density(around.pressure, around.ambient) * corner.vane_passage * corner.flow_at_speed
    flow = own * gain * around.speed + LEAST_FLOW
    stream = flow * corner.vane_hydraulic_diameter / (corner.vane_passage * viscosity(film))
    nusselt = vane_nusselt(stream, corner.vane_hydraulic_diameter / corner.vane_length)
    coefficient = (
        cooling.VANE_TURBULENCE * corner.cooling * nusselt * conductivity_of_air(film) / corner.vane_hydraulic_diameter
    )
    return vane_conductance(flow, coefficient, corner.vane_surface, cooling.VANES_RUNNING)


@inlined
def jet_takes(corner: Corner, around: FaceConditions, film: float) -> Any:
    """Heat taken by the air of a hose that blows at the inboard face, W/K: part of what it would take at the eye."""
    if around.speed < AT_REST:
        return 0.0
    if corner.air.jet == 0.0:
        return corner.air.solid_jet * around.speed
    fed = vanes_take(corner, around, film, around.fed)
    return corner.air.jet * max(0.0, fed - vanes_take(corner, around, film, 1.0))


@inlined
def caliper_transfer(around: FaceConditions, caliper: float, blown: float) -> Any:
    """Heat transfer of the caliper, W/(m²·K); `blown` is the factor on the air speed with a hose to it."""
    if around.speed < AT_REST:
        return NATURAL
    film = 0.5 * (caliper + around.well)
    stream = reynolds(density(around.pressure, film), blown * around.speed / 2, CALIPER_LENGTH, viscosity(film))
    return max(NATURAL, caliper_nusselt(stream) * conductivity_of_air(film) / CALIPER_LENGTH)
