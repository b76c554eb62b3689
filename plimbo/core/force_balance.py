"""The force balance picture of one state: ideal curve, lock lines, lock points."""

import math

from plimbo.core.answers import DecelerationLine, ForceBalance, Point
from plimbo.core.demand import Demand, Lock
from plimbo.core.formulas.loads import GRAVITY, tyre_limit_force
from plimbo.core.working import Axle

CURVE_POINTS = 20


def _ideal(road: Demand, share_of_grip: float) -> Point:
    """Both axles at their limit on a track with this share of the state's grip."""
    front_grip, rear_grip = road.front_grip * share_of_grip, road.rear_grip * share_of_grip
    if front_grip * (road.front_load + road.rear_load) >= road.rear_load / road.transfer:
        return Point(front=road.rear_load / road.transfer, rear=0.0)
    total = tyre_limit_force.function(front_grip, rear_grip, road.front_load, road.rear_load, road.transfer)
    front = front_grip * (road.front_load + total * road.transfer)
    return Point(front=front, rear=total - front)


def _along(total: float, share: float) -> Point:
    return Point(front=float(total * share), rear=float(total * (1 - share)))


def force_balance(road: Demand, lock: Lock, force_share: float) -> ForceBalance:
    """Points in N; the lock lines run from one axis to beyond the limit."""
    k, front_grip, rear_grip = road.transfer, road.front_grip, road.rear_grip
    share = float(force_share)
    corner = 1.3 * float(road.limit_force)
    if front_grip * k < 1:
        front_line = tuple(
            Point(front=front_grip * (road.front_load + k * rear) / (1 - front_grip * k), rear=rear)
            for rear in (0.0, corner)
        )
    else:  # so tall and grippy that rear force alone brings no front lock: the line runs off the picture
        front_line = (Point(front=corner, rear=0.0), Point(front=corner, rear=corner))
    rear_line = (
        Point(front=0.0, rear=rear_grip * road.rear_load / (1 + rear_grip * k)),
        Point(front=road.rear_load / k, rear=0.0),
    )
    return ForceBalance(
        ideal=tuple(_ideal(road, step / CURVE_POINTS) for step in range(CURVE_POINTS + 1)),
        front_locks=front_line,
        rear_locks=rear_line,
        limit=_ideal(road, 1.0),
        first_lock=_along(lock.first_force, share),
        front_lock=_along(lock.front_force, share) if math.isfinite(lock.front_force) else None,
        rear_lock=_along(lock.force(Axle.REAR), share),
    )


def deceleration_lines(mass: float, highest: float) -> tuple[DecelerationLine, ...]:
    """Lines of equal deceleration, a fifth of g apart (a half where the car pulls more than 2 g)."""
    step = 0.2 if highest < 2 * GRAVITY else 0.5
    count = math.ceil(highest / GRAVITY / step) + 1
    return tuple(
        DecelerationLine(deceleration=n * step * GRAVITY, total_force=n * step * GRAVITY * mass)
        for n in range(1, count + 1)
    )
