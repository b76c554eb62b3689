"""The force balance picture of each state: ideal curve, lock curves, lock points, lines of equal deceleration."""

import math
from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from plimbo.core.arrays import Array, both_axles
from plimbo.core.brakes.path import ForcePath, front_at
from plimbo.core.documents.fields import Result
from plimbo.core.formulas.loads import GRAVITY
from plimbo.core.road.demand import Demand, Lock
from plimbo.core.road.sweep import Sweep

# Where the points of a curve lie along it.
_ALONG_IDEAL = np.linspace(0, 1, 21)
_ALONG_LOCKS = np.linspace(0, 1, 13)


class Point(Result):
    """Brake force at both axles, N."""

    front: float
    rear: float


class Curve(Result):
    """Brake force at both axles, N, point by point."""

    front: tuple[float, ...]
    rear: tuple[float, ...]


class DecelerationLines(Result):
    """Lines of equal deceleration: m/s², and the brake force of both axles together that gives it, N."""

    decelerations: tuple[float, ...]
    total_forces: tuple[float, ...]


class ForceBalance(Result):
    """What the force balance chart draws for one state."""

    path: Curve
    ideal: Curve
    front_locks: Curve
    rear_locks: Curve
    limit: Point
    first_lock: Point
    front_lock: Point | None
    rear_lock: Point | None
    deceleration_lines: DecelerationLines


class RoadCurves(NamedTuple):
    """What of one state's picture does not depend on the brakes."""

    ideal: Curve
    front_locks: Curve
    rear_locks: Curve
    limit: Point
    deceleration_lines: DecelerationLines


def road_curves(at_speed: Sweep, roads: Sequence[Demand]) -> tuple[RoadCurves, ...]:
    """For every state; `at_speed` has each at its own speed. The lock curves reach beyond the limit."""
    ideal = _ideal(at_speed)
    # The front locks from where it brakes alone, the rear likewise; each curve runs over the braking of all tyres.
    engine, axles = at_speed.engine, at_speed.axles
    (front_alone,), (rear_alone,) = axles.lock_force(1.0, engine) + engine
    front_total = front_alone + 2.6 * at_speed.limit * _ALONG_LOCKS
    rear_total = rear_alone + (np.maximum(at_speed.most, rear_alone) - rear_alone) * _ALONG_LOCKS
    (at_front,), (at_rear,) = axles.capacity(both_axles(front_total, rear_total)) - axles.engine
    front_locks = _curves(at_front, front_total - engine)
    rear_locks = _curves(rear_total - engine - at_rear, rear_total - engine)
    return tuple(
        [
            RoadCurves(
                ideal[index],
                front_locks[index],
                rear_locks[index],
                Point(front=road.limit.front_force, rear=road.limit.rear_force),
                deceleration_lines(road),
            )
            for index, road in enumerate(roads)
        ]
    )


def force_balance(curves: RoadCurves, road: Demand, lock: Lock, path: ForcePath) -> ForceBalance:
    """The picture of one state with these brakes."""
    return ForceBalance(
        **curves._asdict(),
        path=_drawn(path, road.limit.brake_force),
        first_lock=_along(lock.first_force, path),
        front_lock=_along(lock.front_force, path) if math.isfinite(lock.front_force) else None,
        rear_lock=_along(lock.rear_force, path) if math.isfinite(lock.rear_force) else None,
    )


def _ideal(at_speed: Sweep) -> list[Curve]:
    """Both axles use the same part of what they can give, from engine braking alone up to the limit."""
    engine = at_speed.engine
    total = engine + (at_speed.limit - engine) * _ALONG_IDEAL
    (front,), (rear,) = at_speed.axles.capacity(total)
    brakes, at_front = total - engine, total * front / (front + rear) - at_speed.axles.engine[0, 0]
    # Brakes cannot push: where the engine already does an axle's part, the other has the rest.
    return _curves(np.minimum(np.maximum(at_front, 0.0), brakes), brakes)


def _curves(front: Array, brakes: Array) -> list[Curve]:
    """One curve for each state from the front's force and that of both; none where it is off every picture."""
    with np.errstate(invalid="ignore"):
        rows = zip(front.tolist(), (brakes - front).tolist(), strict=True)
    return [
        Curve(front=tuple(at_front), rear=tuple(at_rear)) if math.isfinite(at_front[-1]) else Curve(front=(), rear=())
        for at_front, at_rear in rows
    ]


def _along(total: float, path: ForcePath) -> Point:
    front = front_at(path, total)
    return Point(front=front, rear=total - front)


def _drawn(path: ForcePath, limit: float) -> Curve:
    """The line of the brakes from nothing through the valve's knee, if it has one, to well past every limit."""
    knees = [float(path.knee)] if path.bent else []
    far = 4 * max([limit, *knees])
    totals = (0.0, *knees, far)
    fronts = tuple([front_at(path, total) for total in totals])
    return Curve(front=fronts, rear=tuple([total - front for total, front in zip(totals, fronts, strict=True)]))


def deceleration_lines(road: Demand) -> DecelerationLines:
    """A fifth of g apart (a half where the car pulls more than 2 g), up to past the limit."""
    highest = float(road.deceleration(road.limit.brake_force)) / GRAVITY
    step = 0.2 if highest < 2 else 0.5
    lines = [n * step * GRAVITY for n in range(1, math.ceil(highest / step) + 2)]
    by_others = road.engine + road.drag
    lines = [line for line in lines if road.car.mass * line > by_others]
    return DecelerationLines(
        decelerations=tuple(lines), total_forces=tuple([road.car.mass * line - by_others for line in lines])
    )
