"""A stop in every state: its length and time, as the setup makes it and at best, and its energy."""

import math
from functools import cache
from typing import NamedTuple

import numpy as np

from plimbo.core.arrays import Array
from plimbo.core.brakes.chain import Chain, force_at
from plimbo.core.documents import Car, State
from plimbo.core.formulas import stop
from plimbo.core.formulas.stop import Profile
from plimbo.core.road.demand import Demand, demand, lock_order
from plimbo.core.road.sweep import Sweep
from plimbo.core.working import AXLES, Inputs

# The limits of a stop have kinks, so many short panels; with these a stop is right to about 1e-5.
PANELS, ORDER = 24, 3


@cache
def _rule() -> tuple[Array, Array]:
    """Places and widths of the integration rule on 0…1."""
    places, widths = np.polynomial.legendre.leggauss(ORDER)
    starts = np.arange(PANELS)[:, None] / PANELS
    return (starts + (places + 1) / 2 / PANELS).ravel(), np.tile(widths / 2 / PANELS, PANELS)


class StopLength(NamedTuple):
    """A stop in one state: m, s and J."""

    distance: float
    ideal: float
    lost: float
    time: float
    ideal_time: float
    brake_work: float
    drag_work: float
    engine_work: float
    ideal_drag_work: float


class Stops(NamedTuple):
    """The stop between two speeds in every state, as the setup makes it and with both axles at their limit.

    Shape (states, nodes): decelerations, m/s²; `widths` in m/s.
    """

    swept: Sweep
    widths: Array
    made: Array
    best: Array
    lengths: tuple[StopLength, ...]

    def profile(self, index: int, decelerations: Array) -> Profile:
        """One state's decelerations over its speeds."""
        return Profile(self.swept.speeds[index], self.widths, decelerations[index], self.swept.drag[index])


def nodes(from_speed: float, to_speed: float) -> tuple[Array, Array]:
    """Speeds at which a stop is looked at, and how much each stands for, m/s."""
    places, widths = _rule()
    return to_speed + (from_speed - to_speed) * places, (from_speed - to_speed) * widths


def stops(car: Car, chain: Chain, swept: Sweep, widths: Array) -> Stops:
    """Every state's stop held at first lock, or at the driver's limit where that comes first; and the shortest one.

    `swept` is at the speeds of `nodes`.
    """
    (at_front,), (at_rear,) = swept.lock_forces(chain.path)
    leg = force_at(chain, car.driver.foot_force_limit)
    held = np.minimum(np.minimum(at_front, at_rear), leg)
    made, best = swept.deceleration(held), swept.ideal
    time, ideal_time = widths / made, widths / best
    way, ideal_way = swept.speeds * time, swept.speeds * ideal_time
    integrands = {
        "distance": way,
        "ideal": ideal_way,
        "lost": way - ideal_way,
        "time": time,
        "ideal_time": ideal_time,
        "brake_work": way * held,
        "drag_work": way * swept.drag,
        "engine_work": way * swept.engine,
        "ideal_drag_work": ideal_way * swept.drag,
    }
    rows: list[list[float]] = np.array(list(integrands.values())).sum(axis=2).T.tolist()
    lengths = tuple([StopLength(**dict(zip(integrands, row, strict=True))) for row in rows])
    return Stops(swept, widths, made, best, lengths)


def energy_of_stop(car: Car, road: Demand, ideal: float, drag_work: float, take: Inputs) -> float:
    """What the hardest stop puts into the brakes, J.

    `ideal` is the shortest way of it, m, and `drag_work` what the air takes on that way, J: a stop held at the tyres'
    limit leaves least to drag and engine.
    """
    sizes = (
        road.car.mass,
        take(car, "top_speed"),
        take(car, "stop_to_speed"),
        take(car, "rotating_share"),
        take(car, "slip_share"),
    )
    if not car.drag_area and not road.engine:
        return stop.stop_energy(*sizes)
    engine = stop.engine_work(road.engine, ideal) if road.engine else 0.0
    return stop.stop_energy_in_air(*sizes, drag_work, engine)


class WorkedStop(NamedTuple):
    """Lengths of one stop, m, its time, s, and what drag takes on the shortest way, J, each with its working."""

    distance: float
    ideal: float
    lost: float
    time: float
    drag_work: float


def worked_stop(
    car: Car, state: State, chain: Chain, made: Profile, best: Profile, from_speed: float, to_speed: float, take: Inputs
) -> WorkedStop:
    """One stop with its working."""
    push = take(car.driver, "foot_force_limit")
    leg = stop.driver_limit(chain.total_force, push, chain.foot_force)
    if not chain.straight:
        leg = force_at(chain, push)
    held, ideal = [], []
    for speed in (from_speed, to_speed):
        end = demand(car, state.model_copy(update={"speed": float(speed)}), take)
        lock = lock_order(end, chain.path)
        locking = [end.deceleration(lock.force(axle), axle) for axle in AXLES if math.isfinite(lock.force(axle))]
        held.append(min([*locking, end.deceleration(leg)]))
        ideal.append(end.deceleration(end.limit.brake_force))
    distance = stop.stopping_distance(from_speed, to_speed, held[0], held[1], made)
    shortest = stop.shortest_distance(from_speed, to_speed, ideal[0], ideal[1], best)
    return WorkedStop(
        distance=distance,
        ideal=shortest,
        lost=stop.distance_lost(distance, shortest),
        time=stop.stopping_time(from_speed, to_speed, held[0], held[1], made),
        drag_work=stop.drag_work(shortest, take(car, "drag_area"), best) if car.drag_area else 0.0,
    )
