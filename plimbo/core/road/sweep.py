"""All states side by side, at one speed each or over many: loads, the tyres' limit, the locking of each axle."""

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from plimbo.core.arrays import Array, Arrays
from plimbo.core.brakes.path import ForcePath
from plimbo.core.documents import Car, State
from plimbo.core.errors import OutOfRange
from plimbo.core.formulas.loads import GRAVITY
from plimbo.core.formulas.tyre import load_for_force
from plimbo.core.road.demand import Demand
from plimbo.core.road.laws import TyreLaw, limit_force
from plimbo.core.working import AXLES, Axle


class AxleSweep(NamedTuple):
    """One axle: shape (states, 1) or (states, speeds); `transfer` is minus at the rear."""

    law: TyreLaw
    load: Arrays
    transfer: Arrays
    engine: Arrays

    def lock_force(self, share: Arrays, engine: Arrays, shift: Arrays = 0.0) -> Array:
        """Brake force of the whole car at which this axle locks, N, with this share of it and this much beside it."""
        return self.law.lock_force(self.load, share, self.transfer, engine, self.engine + shift)

    def capacity(self, total: Array) -> Array:
        """What the tyres can give while all tyres brake with `total`, engine included, N."""
        return self.law.capacity(np.maximum(0.0, self.load + total * self.transfer))


def lock_forces(front: AxleSweep, rear: AxleSweep, path: ForcePath, engine: Arrays) -> tuple[Array, Array]:
    """Brake force of the whole car at which front and rear lock, N: below the valve's knee, or else past it."""
    below = front.lock_force(path.share, engine), rear.lock_force(1 - path.share, engine)
    if not path.bent:
        return below
    past = (
        front.lock_force(path.share_past, engine, path.shift),
        rear.lock_force(1 - path.share_past, engine, -path.shift),
    )
    at_front, at_rear = (
        np.where(low <= path.knee, low, np.maximum(path.knee, high)) for low, high in zip(below, past, strict=True)
    )
    return at_front, at_rear


class Sweep(NamedTuple):
    """Shape (states, 1) or (states, speeds): speeds m/s, masses kg, forces N; `limit` includes engine braking."""

    speeds: Array
    mass: Array
    engine: Array
    transfer: Array
    drag: Array
    front: AxleSweep
    rear: AxleSweep
    most: Array
    limit: Array

    def lock_forces(self, path: ForcePath) -> tuple[Array, Array]:
        """Brake force of the whole car at which front and rear lock, N, as it grows along this path."""
        return lock_forces(self.front, self.rear, path, self.engine)

    def deceleration(self, brake_force: Arrays) -> Array:
        """With this much from the brakes, m/s²."""
        found: Array = (brake_force + self.engine + self.drag) / self.mass
        return found

    def part(self, speeds: slice) -> "Sweep":
        """The same states at some of the speeds."""
        front, rear = (axle._replace(load=np.asarray(axle.load)[:, speeds]) for axle in (self.front, self.rear))
        whole = {name: getattr(self, name)[:, speeds] for name in ("speeds", "drag", "most", "limit")}
        return self._replace(front=front, rear=rear, **whole)

    @property
    def ideal(self) -> Array:
        """Deceleration with both axles at their limit, m/s²."""
        found: Array = (self.limit + self.drag) / self.mass
        return found


def sweep(car: Car, states: Sequence[State], roads: Sequence[Demand], speeds: Array) -> Sweep:
    """All states at these speeds, m/s: shape (states, speeds), or (speeds) for the same in every state.

    Raises `OutOfRange` where lift takes an axle off the ground at one of them.
    """
    rows = [
        (
            *road.car,
            road.density,
            road.engine,
            *(number for axle in (road.front, road.rear) for number in (*axle[2:5], axle.engine)),
        )
        for road in roads
    ]
    mass, front_share, height, density, engine, *of_axles = np.array(rows).T[:, :, None]
    speeds = np.broadcast_to(speeds, (len(roads), speeds.shape[-1]))
    pressure = 0.5 * density * speeds * speeds
    drag = pressure * car.drag_area
    weight, transfer = mass * GRAVITY, height / car.wheelbase
    moved = drag * (car.drag_height - height) / car.wheelbase if car.drag_height is not None else 0.0
    loads = (
        weight * front_share + pressure * car.front_lift_area - moved,
        weight * (1 - front_share) + pressure * car.rear_lift_area + moved,
    )
    axles = []
    for axle, load in zip(AXLES, loads, strict=True):
        if load.min() <= 0:
            state, at = np.argwhere(load <= 0)[0]
            speed = float(speeds[state, at])
            raise OutOfRange(
                "car.top_speed" if speed <= car.top_speed else "car.trial_stop.from_speed",
                f"At {{limit}} in “{states[state].name}” lift carries the whole {axle} axle:"
                " lower the speed, or give less lift.",
                (speed, "speed"),
            )
        grip, sensitivity, reference, own_engine = of_axles[:4] if axle is Axle.FRONT else of_axles[4:]
        towards = transfer if axle is Axle.FRONT else -transfer
        axles.append(AxleSweep(TyreLaw(grip, sensitivity, reference), load, towards, own_engine))
    front, rear = axles
    spent = np.array([load_spent(road) for road in roads])[:, None]
    most = np.maximum((rear.load - spent) / transfer, engine)
    limit = limit_force(front.law, rear.law, front.load, rear.load, transfer, most)
    return Sweep(speeds, mass, engine, transfer, drag, front, rear, most, limit)


def load_spent(road: Demand) -> float:
    """Rear axle load that engine braking there uses up, N."""
    rear = road.rear
    return (
        load_for_force.function(rear.engine, rear.grip, rear.sensitivity, rear.reference_load) if rear.engine else 0.0
    )
