"""A stop in every state: its distance and time, with this setup and at best."""

from functools import cache
from typing import NamedTuple

import numpy as np

from plimbo.core.braking.chain import Chain
from plimbo.core.braking.leg import force_held, push_held
from plimbo.core.braking.lock_order import lock_order
from plimbo.core.documents import Car, State
from plimbo.core.quantities.axles import AXLES
from plimbo.core.vehicle.tyre_capacity import TyreCapacity, condition_of, tyre_capacity
from plimbo.core.working.formula import DEFINITION, formula
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Array, Number, column, is_finite

# The limits of a stop have kinks, so the integration uses many short panels; its error is about 1e-5.
PANELS, ORDER = 24, 3

_WAY = "∫ v dv / {profile} from {from_speed} down to {to_speed}; a is {at_start} at its start, {at_end} at its end"
_RULE = "Kinematics, integrated by Gauss and Legendre's rule"
_SLOWS_DOWN = "{to_speed} < {from_speed}"
FORCE_ALONG_THE_WAY = "Force along the way"


class Profile:
    """Deceleration and drag over the speeds of a stop, at the nodes of an integration rule: m/s², N; widths in m/s."""

    def __init__(self, speeds: Array, widths: Array, decelerations: Array, drag: Array) -> None:
        self.speeds, self.widths, self.decelerations, self.drag = speeds, widths, decelerations, drag

    def __format__(self, _how: str) -> str:
        return "a(v)"

    @property
    def time(self) -> float:
        """`∫ dv/a`, s."""
        return float(np.sum(self.widths / self.decelerations))

    def along(self, force: Number) -> float:
        """Work of a force over the stopping distance, `∫ F·v dv/a`, J; for a force of 1 N: the distance itself, m."""
        return float(np.sum(self.widths * self.speeds * force / self.decelerations))


def _distance(from_speed: Number, to_speed: Number, at_start: Number, at_end: Number, profile: Profile) -> Number:
    """Stopping distance, m; `profile` runs between the two speeds, m/s. The decelerations at its ends, m/s², are only
    shown in the working.
    """
    del from_speed, to_speed, at_start, at_end
    return profile.along(1.0)


stopping_distance = formula("d", "Stopping distance", "distance", _WAY, _RULE, valid=_SLOWS_DOWN)(_distance)
shortest_distance = formula("d_ideal", "Stopping distance, ideal", "distance", _WAY, _RULE, valid=_SLOWS_DOWN)(
    _distance
)


@formula("t", "Stopping time", "time", _WAY.replace("v dv", "dv"), _RULE, valid=_SLOWS_DOWN)
def stopping_time(from_speed: Number, to_speed: Number, at_start: Number, at_end: Number, profile: Profile) -> Number:
    """Time of the stop, s, between two speeds, m/s."""
    del from_speed, to_speed, at_start, at_end
    return profile.time


@formula("Δd", "Distance lost against the ideal", "distance", "{distance} − {ideal}", DEFINITION)
def distance_lost(distance: Number, ideal: Number) -> Number:
    """How much longer the stop is than both axles at their limit would make it, m."""
    return distance - ideal


@formula(
    "W_D",
    "Work of drag over the shortest stop",
    "energy",
    "∫ ½ρ · CdA · v² ds over {distance}, {drag_area}",
    FORCE_ALONG_THE_WAY,
)
def drag_work(distance: Number, drag_area: Number, profile: Profile) -> Number:
    """The part of the stop's energy that drag takes, J. The profile holds the drag; m and m² are only shown in the
    working.
    """
    del distance, drag_area
    return profile.along(profile.drag)


@cache
def _rule() -> tuple[Array, Array]:
    """Places and widths of the integration rule on 0…1."""
    places, widths = np.polynomial.legendre.leggauss(ORDER)
    starts = np.arange(PANELS)[:, None] / PANELS
    return (starts + (places + 1) / 2 / PANELS).ravel(), np.tile(widths / 2 / PANELS, PANELS)


def nodes(from_speed: float, to_speed: float) -> tuple[Array, Array]:
    """Speeds at which a stop is evaluated, and the weight of each, m/s."""
    places, widths = _rule()
    return to_speed + (from_speed - to_speed) * places, (from_speed - to_speed) * widths


class StopLength(NamedTuple):
    """The stops of all states, as held or as short as possible; shape (state): m, s and J."""

    distance: Number
    time: Number
    brake_work: Number
    drag_work: Number
    engine_work: Number

    def at(self, state: int) -> "StopLength":
        """Of one state."""
        return StopLength(*(column(part)[state] for part in self))


class Stop(NamedTuple):
    """The stop between two speeds in every state, held by the brakes or at best; shape (state, node), m/s²."""

    road: TyreCapacity
    widths: Array
    decelerations: Array
    length: StopLength

    def profile(self, state: int) -> Profile:
        """One state's decelerations over its speeds."""
        speeds, drag = (
            np.broadcast_to(part, self.decelerations.shape)[state] for part in (self.road.speed, self.road.drag)
        )
        return Profile(speeds, self.widths, self.decelerations[state], drag)


def stop_with(road: TyreCapacity, widths: Array, brake_force: Array) -> Stop:
    """The stop in which the brakes make this force, N; `road` at the speeds of `nodes`."""
    decelerations = road.deceleration(brake_force)
    time = widths / decelerations
    way = road.speed * time
    works = [np.sum(way * force, axis=-1) for force in (brake_force, road.drag, road.engine)]
    return Stop(road, widths, column(decelerations), StopLength(np.sum(way, axis=-1), np.sum(time, axis=-1), *works))


def held_force(chain: Chain, car: Car, road: TyreCapacity) -> Array:
    """What the brakes make over the stop, N: held at first lock, or at the driver's limit where that comes first."""
    lock = lock_order(road, chain.path)
    return column(force_held(chain, car, road, lock.first_force))


def shortest_stop(road: TyreCapacity, widths: Array) -> Stop:
    """With both axles at their limit all the way."""
    return stop_with(road, widths, column(road.limit.brake_force))


class WorkedStop(NamedTuple):
    """Lengths of one stop, m, its time, s, and the work of drag over the shortest stop, J, each with its working."""

    distance: Number
    ideal: Number
    lost: Number
    time: Number
    drag_work: Number


def worked_stop(
    car: Car, state: State, chain: Chain, held: Profile, best: Profile, from_speed: Number, to_speed: Number,
    inputs: Inputs,
) -> WorkedStop:  # fmt: skip
    """One stop with its working."""
    limit, mass = inputs(car.driver, "foot_force_limit"), inputs(car.driver, "leg_mass")
    made, ideal = [], []
    for speed in (from_speed, to_speed):
        at_end = state.model_copy(update={"speed": float(speed)})
        road = tyre_capacity(car, condition_of(car, at_end, inputs), inputs, (state.name,), lambda *_: "car.top_speed")
        lock = lock_order(road, chain.path)
        locking = [road.deceleration(lock.force(axle), axle) for axle in AXLES if is_finite(lock.force(axle))]
        thrown_at = road.deceleration(force_held(chain, car, road, lock.first_force))
        leg = chain.force_at(push_held(limit, mass, thrown_at) if mass else limit)
        made.append(min([*locking, road.deceleration(leg)]))
        ideal.append(road.deceleration(road.limit.brake_force))
    distance = stopping_distance(from_speed, to_speed, made[0], made[1], held)
    shortest = shortest_distance(from_speed, to_speed, ideal[0], ideal[1], best)
    return WorkedStop(
        distance=distance,
        ideal=shortest,
        lost=distance_lost(distance, shortest),
        time=stopping_time(from_speed, to_speed, made[0], made[1], held),
        drag_work=drag_work(shortest, inputs(car, "drag_area"), best) if car.drag_area else 0.0,
    )
