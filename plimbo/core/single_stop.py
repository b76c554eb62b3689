"""The hardest stop, once: heat into each disc, and the metres that balance and effort cost."""

import math
from typing import NamedTuple

from plimbo.core.chain import Chain
from plimbo.core.demand import Demand, lock_order
from plimbo.core.documents import AxleBrake, Car, Setup
from plimbo.core.documents.materials import (
    DISC_PROPERTIES,
    PAD_PROPERTIES,
    ThermalProperties,
)
from plimbo.core.formulas import loads, stop
from plimbo.core.working import Axle, Inputs


class DiscStop(NamedTuple):
    """One disc of an axle in the hardest stop: J, kg, K, and how far one stop may heat it, K."""

    energy: float
    ring_mass: float
    temperature_rise: float
    rise_limit: float

    @property
    def share_of_limit(self) -> float:
        return self.temperature_rise / self.rise_limit


def _effusivity(of: ThermalProperties, what: str, take: Inputs, axle: Axle) -> float:
    return stop.effusivity.at(axle)(
        take.constant(of.conductivity, f"k_{what}", f"Conductivity, {what}", "conductivity", of.source),
        take.constant(of.density, f"ρ_{what}", f"Density, {what}", "density", of.source),
        take.constant(of.specific_heat, f"c_{what}", f"Specific heat, {what}", "specific heat", of.source),
    )


def _disc(brake: AxleBrake, energy: float, axle_share: float, take: Inputs, axle: Axle) -> DiscStop:
    properties = DISC_PROPERTIES[brake.disc.material]
    thermal = properties.thermal
    into_disc = stop.disc_heat_share.at(axle)(
        _effusivity(thermal, "disc", take, axle), _effusivity(PAD_PROPERTIES[brake.pad.material], "pad", take, axle)
    )
    disc_energy = stop.disc_energy.at(axle)(energy, axle_share, into_disc)
    if brake.disc.weighed_mass is not None:
        mass = take(brake.disc, "weighed_mass", axle)
    else:
        mass = stop.ring_mass.at(axle)(
            take(brake.disc, "outer_diameter", axle),
            take(brake.disc, "ring_height", axle),
            take(brake.disc, "thickness", axle),
            take(brake.disc, "vane_gap", axle),
            take(brake.disc, "vane_fill", axle),
            take.constant(thermal.density, "ρ_disc", "Density, disc", "density", thermal.source),
        )
    heat = take.constant(thermal.specific_heat, "c_disc", "Specific heat, disc", "specific heat", thermal.source)
    rise = stop.temperature_rise.at(axle)(disc_energy, mass, heat)
    return DiscStop(disc_energy, mass, rise, properties.stop_rise_limit)


def heat_of_stop(car: Car, setup: Setup, chain: Chain, take: Inputs) -> tuple[DiscStop, DiscStop]:
    """Front and rear disc in one stop from top speed, nothing cooling them."""
    energy = stop.stop_energy(
        take(car, "mass"),
        take(car, "top_speed"),
        take(car, "stop_to_speed"),
        take(car, "rotating_share"),
        take(car, "slip_share"),
    )
    front = _disc(setup.front, energy, chain.force_share, take, Axle.FRONT)
    rear = _disc(setup.rear, energy, stop.rear_share(chain.force_share), take, Axle.REAR)
    return front, rear


class StopLength(NamedTuple):
    """The hardest stop in one state, m."""

    distance: float
    ideal: float
    lost: float


def length_of_stop(car: Car, chain: Chain, fast: Demand, slow: Demand, take: Inputs) -> StopLength:
    """Length of the hardest stop, from the road's side at its highest and at its lowest speed.

    The stop is held at first lock, or at the driver's limit where that comes first; the ideal stop holds both axles at
    their limit. Every limit is linear in v², so the two ends fix it.
    """
    mass = take(car, "mass")
    fast_lock, slow_lock = lock_order(fast, chain.force_share), lock_order(slow, chain.force_share)
    at_driver = stop.driver_limit(
        chain.total_force, take(car.driver, "foot_force_limit"), take(car.driver, "foot_force"), mass
    )
    held = [at_driver, at_driver]
    for axle in Axle:
        ends = (fast_lock.force(axle), slow_lock.force(axle))
        if math.isfinite(ends[0]):
            held += [loads.deceleration.at(axle)(force, mass) for force in ends]
    best = [loads.deceleration(loads.rear_lift_force(end.rear_load, end.transfer), mass) for end in (fast, slow)]
    if 1 - (fast.front_grip - fast.rear_grip) * fast.transfer > 0:
        best += [
            loads.deceleration(
                loads.tyre_limit_force(end.front_grip, end.rear_grip, end.front_load, end.rear_load, end.transfer),
                mass,
            )
            for end in (fast, slow)
        ]
    from_speed, to_speed = take(car, "top_speed"), take(car, "stop_to_speed")
    distance = stop.stopping_distance(from_speed, to_speed, *held)
    ideal = stop.stopping_distance(from_speed, to_speed, *best)
    return StopLength(distance, ideal, stop.distance_lost(distance, ideal))
