"""All states side by side, at one speed each or over many: loads, the tyres' limit, the locking of each axle."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from typing import NamedTuple

import numpy as np

from plimbo.core.arrays import TOWARDS, Array, Arrays, both_axles
from plimbo.core.brakes.path import ForcePath
from plimbo.core.documents import Car, State
from plimbo.core.errors import OutOfRange
from plimbo.core.formulas.loads import GRAVITY
from plimbo.core.formulas.tyre import load_for_force
from plimbo.core.road.demand import Demand
from plimbo.core.road.laws import Locking, TyreLaw, limit_force
from plimbo.core.working import AXLES


@dataclass(frozen=True, eq=False)
class Axles:
    """Both axles; shape (axle, setup, state, speed), 1 wherever all are the same. `transfer` is minus at the rear."""

    law: TyreLaw
    load: Array
    transfer: Array
    engine: Array

    def lock_force(self, share: Arrays, engine: Arrays, shift: Arrays = 0.0) -> Array:
        """Brake force of the whole car at which each axle locks, N, with this share of it and this much beside it."""
        return self.locking.force(share, engine, self.engine + shift)

    @cached_property
    def locking(self) -> Locking:
        """What of the locking does not depend on the brakes."""
        return Locking(self.law, self.load, self.transfer)

    def capacity(self, total: Array) -> Array:
        """What the tyres can give while all tyres brake with `total`, engine included, N."""
        return self.law.capacity(np.maximum(0.0, self.load + total * self.transfer))

    def of_state(self, index: int) -> "Axles":
        """In one state."""
        parts = (self.load, self.transfer, self.engine)
        return Axles(self.law.of_state(index), *(part[:, :, index, None] for part in parts))


# An axle's share of the brake force is this, and TOWARDS times the front's.
_WHOLE: Array = np.array([0.0, 1.0])[:, None, None, None]


def lock_forces(axles: Axles, path: ForcePath, engine: Arrays) -> tuple[Array, Array]:
    """Brake force of the whole car at which front and rear lock, N: below the valve's knee, or else past it.

    Shape (setup, state, speed). Both pieces of the path go through the tyres' law in one call: for arrays as small as
    these, it is the calls that cost.
    """
    pieces = [(path.share, 0.0 * path.share)]
    if path.bent:
        pieces.append((path.share_past, path.shift))
    # Shape (piece, 1, setup, 1, 1)
    share, shift = np.array(pieces, dtype=float).reshape(len(pieces), 2, 1, -1, 1, 1).swapaxes(0, 1)
    found = axles.lock_force(_WHOLE + TOWARDS * share, engine, TOWARDS * shift)
    locks = found[0]
    if path.bent:
        knee = np.reshape(path.knee, (-1, 1, 1))
        locks = np.where(locks <= knee, locks, np.maximum(knee, found[1]))
    return locks[0], locks[1]


class Sweep(NamedTuple):
    """Shape (state, 1) or (state, speed): speeds m/s, masses kg, forces N; `limit` includes engine braking."""

    speeds: Array
    mass: Array
    engine: Array
    transfer: Array
    drag: Array
    axles: Axles
    most: Array
    limit: Array

    def lock_forces(self, path: ForcePath) -> tuple[Array, Array]:
        """Brake force of the whole car at which front and rear lock, N, as it grows along these paths.

        Shape (setup, state, speed).
        """
        return lock_forces(self.axles, path, self.engine)

    def deceleration(self, brake_force: Arrays) -> Array:
        """With this much from the brakes, m/s²."""
        found: Array = (brake_force + self.engine + self.drag) / self.mass
        return found

    def part(self, speeds: slice) -> "Sweep":
        """The same states at some of the speeds."""
        whole = {name: getattr(self, name)[:, speeds] for name in ("speeds", "drag", "most", "limit")}
        return self._replace(axles=replace(self.axles, load=self.axles.load[..., speeds]), **whole)

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
    numbers = np.array(rows).T[:, :, None]
    mass, front_share, height, density, engine = numbers[:5]
    grip, sensitivity, reference, own_engine = numbers[5:].reshape(2, 4, 1, len(roads), 1).swapaxes(0, 1)
    speeds = np.broadcast_to(speeds, (len(roads), speeds.shape[-1]))
    pressure = 0.5 * density * speeds * speeds
    drag = pressure * car.drag_area
    weight, transfer = mass * GRAVITY, height / car.wheelbase
    moved = drag * (car.drag_height - height) / car.wheelbase if car.drag_height is not None else 0.0
    load = both_axles(
        weight * front_share + pressure * car.front_lift_area - moved,
        weight * (1 - front_share) + pressure * car.rear_lift_area + moved,
    )
    if load.min() <= 0:
        axle, _, state, at = np.argwhere(load <= 0)[0]
        speed = float(speeds[state, at])
        raise OutOfRange(
            "car.top_speed" if speed <= car.top_speed else "car.trial_stop.from_speed",
            f"At {{limit}} in “{states[state].name}” lift carries the whole {AXLES[axle]} axle:"
            " lower the speed, or give less lift.",
            (speed, "speed"),
        )
    axles = Axles(TyreLaw(grip, sensitivity, reference), load, TOWARDS * transfer, own_engine)
    spent = np.array([load_spent(road) for road in roads])[:, None]
    most = np.maximum((load[1, 0] - spent) / transfer, engine)
    limit = limit_force(axles.locking, most)[0]
    return Sweep(speeds, mass, engine, transfer, drag, axles, most, limit)


def load_spent(road: Demand) -> float:
    """Rear axle load that engine braking there uses up, N."""
    rear = road.rear
    return (
        load_for_force.function(rear.engine, rear.grip, rear.sensitivity, rear.reference_load) if rear.engine else 0.0
    )
