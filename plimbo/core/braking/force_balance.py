"""The force balance chart of each state: ideal curve, lock curves, lock points, lines of equal deceleration."""

import math
from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from plimbo.core.braking.force_path import ForcePath
from plimbo.core.braking.lock_order import Lock, lock_alone
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.results import Result, answer
from plimbo.core.vehicle.loads import GRAVITY
from plimbo.core.vehicle.tyre_capacity import TyreCapacity
from plimbo.core.working.numbers import Array, column

# Positions of the points along a curve.
_ALONG_IDEAL = np.linspace(0, 1, 21)
_ALONG_LOCKS = np.linspace(0, 1, 13)


class Point(Result):
    """Brake force at both axles."""

    front: float = answer("force", "Brake force, front")
    rear: float = answer("force", "Brake force, rear")


class Curve(Result):
    """Brake force at both axles, point by point."""

    front: tuple[float, ...] = answer("force", "Brake force, front")
    rear: tuple[float, ...] = answer("force", "Brake force, rear")


class DecelerationLines(Result):
    """Lines of equal deceleration, and the brake force of both axles together that gives it."""

    decelerations: tuple[float, ...] = answer("deceleration", "Deceleration")
    total_forces: tuple[float, ...] = answer("force", "Brake force of both axles")


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
    """The part of one state's chart that does not depend on the brakes."""

    ideal: Curve
    front_locks: Curve
    rear_locks: Curve
    limit: Point
    deceleration_lines: DecelerationLines


def road_curves(road: TyreCapacity) -> tuple[RoadCurves, ...]:
    """For every state, `road` of shape (state, 1). The lock curves reach beyond the limit."""
    limit = road.limit
    ideal = _ideal(road)
    # The front locks from where it brakes alone, the rear likewise; each curve runs over the braking of all tyres.
    front_alone, rear_alone = (lock_alone(road, axle) + road.engine for axle in AXLES)
    front_total = front_alone + 2.6 * limit.force * _ALONG_LOCKS
    rear_total = rear_alone + (np.maximum(_rear_spent(road), rear_alone) - rear_alone) * _ALONG_LOCKS
    at_front = _held(road, Axle.FRONT, front_total)
    at_rear = _held(road, Axle.REAR, rear_total)
    front_locks = _curves(at_front, front_total - road.engine)
    rear_locks = _curves(rear_total - road.engine - at_rear, rear_total - road.engine)
    points = zip(column(limit.front_force)[:, 0].tolist(), column(limit.rear_force)[:, 0].tolist(), strict=True)
    lines = _deceleration_lines(road)
    return tuple(
        [
            RoadCurves(ideal[state], front_locks[state], rear_locks[state], Point(front=front, rear=rear), lines[state])
            for state, (front, rear) in enumerate(points)
        ]
    )


def _rear_spent(road: TyreCapacity) -> Array:
    """Braking of all tyres at which the rear tyres have no grip left, N."""
    spent = column((road.rear.load - road.rear_load_spent) / road.transfer)
    return np.maximum(spent, road.engine)


def _capacity(road: TyreCapacity, axle: Axle, total: Array) -> Array:
    """Grip of an axle's tyres while all tyres brake with `total`, engine included, N."""
    own = road.axle(axle)
    return column(own.capacity(np.maximum(0.0, own.load + total * own.transfer), axle))


def _held(road: TyreCapacity, axle: Axle, total: Array) -> Array:
    """The part of that grip that is left for the axle's brakes, N."""
    found: Array = _capacity(road, axle, total) - road.axle(axle).engine
    return found


def force_balances(curves: Sequence[RoadCurves], limit: Array, lock: Lock, path: ForcePath) -> list[ForceBalance]:
    """The chart of every state with the brakes of one setup; `limit` is the most that the brakes can use, N.

    Arrays of shape (state, 1).
    """
    knee = [path.knee] if path.bent else []
    # The line of the brakes from nothing through the valve's knee, if it has one, to well past every limit.
    far = 4 * np.maximum(limit, path.knee) if path.bent else 4 * limit
    totals = np.concatenate(
        [np.broadcast_to([0.0, *knee], (len(limit), 1 + len(knee))), far, lock.front_force, lock.rear_force], axis=1
    )
    with np.errstate(invalid="ignore"):
        front = column(path.front(totals))
        rear = totals - front
    drawn = len(knee) + 2
    pictures = []
    for row, (at_front, at_rear) in enumerate(zip(front.tolist(), rear.tolist(), strict=True)):
        front_lock, rear_lock = (
            {"front": at_front[at], "rear": at_rear[at]} if math.isfinite(at_front[at] + at_rear[at]) else None
            for at in (drawn, drawn + 1)
        )
        rear_first = front_lock is None or (
            rear_lock is not None and column(lock.rear_force)[row, 0] < column(lock.front_force)[row, 0]
        )
        pictures.append(
            ForceBalance.model_validate(
                {
                    **curves[row]._asdict(),
                    "path": {"front": at_front[:drawn], "rear": at_rear[:drawn]},
                    "first_lock": rear_lock if rear_first else front_lock,
                    "front_lock": front_lock,
                    "rear_lock": rear_lock,
                }
            )
        )
    return pictures


def _ideal(road: TyreCapacity) -> list[Curve]:
    """Both axles use the same part of what they can give, from engine braking alone up to the limit."""
    engine = road.engine
    total = engine + (road.limit.force - engine) * _ALONG_IDEAL
    front, rear = (_capacity(road, axle, total) for axle in AXLES)
    brakes, at_front = total - engine, total * front / (front + rear) - road.front.engine
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


def _deceleration_lines(road: TyreCapacity) -> list[DecelerationLines]:
    """0.2 g apart (0.5 g where the car brakes at more than 2 g), up to past the limit."""
    highest = (column(road.deceleration(road.limit.brake_force))[:, 0] / GRAVITY).tolist()
    mass = column(road.car.mass)
    masses = mass[:, 0].tolist()
    by_others = np.broadcast_to(road.engine + road.drag, mass.shape)[:, 0].tolist()
    return [_lines(*row) for row in zip(highest, masses, by_others, strict=True)]


def _lines(highest: float, mass: float, by_others: float) -> DecelerationLines:
    step = 0.2 if highest < 2 else 0.5
    lines = [n * step * GRAVITY for n in range(1, math.ceil(highest / step) + 2)]
    lines = [line for line in lines if mass * line > by_others]
    forces: Sequence[float] = [mass * line - by_others for line in lines]
    return DecelerationLines(decelerations=tuple(lines), total_forces=tuple(forces))
