"""The heat of one stop: its energy, the part that goes into each disc, and the temperature rise of the disc."""

from typing import NamedTuple

from plimbo.core.braking.force_path import rear_force_share
from plimbo.core.braking.stops import FORCE_ALONG_THE_WAY
from plimbo.core.documents import Car
from plimbo.core.friction.disc import disc_energy, disc_heat_share, ring_area, temperature_rise
from plimbo.core.friction.disc_materials import LIMPERT
from plimbo.core.hydraulics.brake_system import BrakeSystem
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.vehicle.tyre_capacity import TyreCapacity
from plimbo.core.working.formula import formula
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Number


@formula("W_e", "Work of the engine over the shortest stop", "energy", "{engine} · {distance}", FORCE_ALONG_THE_WAY)
def engine_work(engine: Number, distance: Number) -> Number:
    """The part of the stop's energy that engine braking takes, J; N, m."""
    return engine * distance


@formula(
    "E",
    "Energy of the stop into the brakes",
    "energy",
    "½ · {mass} · ({from_speed}² − {to_speed}²) · (1 + {rotating_share}) · (1 − {slip_share})",
    LIMPERT,
    valid="0 ≤ {to_speed} < {from_speed}, 0 ≤ {slip_share} < 1",
)
def stop_energy(
    mass: Number, from_speed: Number, to_speed: Number, rotating_share: Number, slip_share: Number
) -> Number:
    """Kinetic energy given up, with turning parts, less the tyre slip loss, J; kg, m/s."""
    return 0.5 * mass * (from_speed**2 - to_speed**2) * (1 + rotating_share) * (1 - slip_share)


@formula(
    "E",
    "Energy of the stop into the brakes",
    "energy",
    "(½ · {mass} · ({from_speed}² − {to_speed}²) · (1 + {rotating_share}) − {drag_work} − {engine_work})"
    " · (1 − {slip_share})",
    LIMPERT,
    valid="0 ≤ {to_speed} < {from_speed}, 0 ≤ {slip_share} < 1",
)
def stop_energy_in_air(
    mass: Number,
    from_speed: Number,
    to_speed: Number,
    rotating_share: Number,
    slip_share: Number,
    drag_work: Number,
    engine_work: Number,
) -> Number:
    """As `stop_energy`, less what drag and engine braking take over the shortest stop, J."""
    kinetic = 0.5 * mass * (from_speed**2 - to_speed**2) * (1 + rotating_share)
    return (kinetic - drag_work - engine_work) * (1 - slip_share)


def energy_of_stop(car: Car, road: TyreCapacity, ideal: Number, drag_work: Number, inputs: Inputs) -> Number:
    """What the hardest stop puts into the brakes, J.

    `ideal` is the shortest stopping distance, m, and `drag_work` the work of drag over it, J: in a stop at the tyres'
    limit drag and engine take the least.
    """
    speeds = inputs(car, "top_speed"), inputs(car, "stop_to_speed")
    sizes = (road.car.mass, *speeds, inputs(car, "rotating_share"), inputs(car, "slip_share"))
    if not car.drag_area and not road.engine:
        return stop_energy(*sizes)
    return stop_energy_in_air(*sizes, drag_work, engine_work(road.engine, ideal) if road.engine else 0.0)


class DiscHeat(NamedTuple):
    """One disc of an axle in one stop: J, K, and how far one stop may heat it, K."""

    energy: Number
    temperature_rise: Number
    rise_limit: Number


def heat_of_stop(system: BrakeSystem, front_share: Number, energy: Number) -> tuple[DiscHeat, DiscHeat]:
    """Front and rear disc in one stop that puts this energy, J, into the brakes, nothing cooling them.

    `front_share` is the front's share of the brake force in that stop.
    """
    front, rear = (
        _disc_heat(system, share, energy, axle)
        for axle, share in zip(AXLES, (front_share, rear_force_share(front_share)), strict=True)
    )
    return front, rear


def _disc_heat(system: BrakeSystem, axle_share: Number, energy: Number, axle: Axle) -> DiscHeat:
    circuit = system.circuit(axle)
    ring = ring_area.at(axle)(circuit.disc.outer_diameter, circuit.disc.ring_height)
    into_disc = disc_heat_share.at(axle)(circuit.disc.effusivity, circuit.pad.effusivity, ring, circuit.pad.face)
    into_one = disc_energy.at(axle)(energy, axle_share, into_disc)
    rise = temperature_rise.at(axle)(into_one, circuit.disc.ring_mass, circuit.disc.specific_heat)
    return DiscHeat(into_one, rise, circuit.disc.rise_limit)
