"""The numbers that all matters need, for one setup or many at once, in every state of a car."""

from functools import cached_property

import numpy as np

from plimbo.core.braking.balance_settings import reached_by_setting
from plimbo.core.braking.chain import Chain, foot_to_road, path_with
from plimbo.core.braking.conditions import Conditions
from plimbo.core.braking.force_path import ForcePath
from plimbo.core.braking.leg import greatest_push, leg_effort
from plimbo.core.braking.lock_order import SAME, Lock, lock_order
from plimbo.core.braking.stops import Stop, held_force, stop_with
from plimbo.core.hydraulics.brake_system import BrakeSystem
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import Array, Holds, Number, column, side_by_side, spread


class Screening:
    """Setups of a car braking in all its states, held at first lock; arrays of shape (setup, state), forces in N.

    `system` is one setup, or columns of `count`; so is `chain`.
    """

    def __init__(self, conditions: Conditions, system: BrakeSystem, count: int = 1) -> None:
        self.conditions, self.system, self.count = conditions, system, count
        self.chain: Chain = foot_to_road(conditions.car, system, PLAIN)
        states = len(conditions.names)
        # The second of each pair has the rear pads biting more, by the tolerance.
        bite = side_by_side(np.ones((count, 1, 1)), 1 + system.pad_tolerance)
        path = spread(path_with(self.chain, 1.0, bite), (2, count, states, 1))
        road = conditions.at_speed
        both = lock_order(road.spread((2, count, states, 1)), path)
        self.rear_first_if_pads_bite: Holds = np.asarray(both.rear_first)[1, ..., 0]
        # Brake forces of the whole car, and the path they come along, of shape (setup, state, 1).
        self.lock = Lock(*(column(part)[0] for part in both))
        self.path = ForcePath(*(part[0] if isinstance(part, np.ndarray) else part for part in path))
        self.front_lock = column(road.deceleration(self.lock.front_force))[..., 0]
        self.rear_lock = column(road.deceleration(self.lock.rear_force))[..., 0]

    @property
    def rear_first(self) -> Holds:
        return np.asarray(self.lock.rear_first)[..., 0]

    @cached_property
    def reached_by_setting(self) -> Holds:
        """Whether bar, within its band, or valve can be set for each state."""
        most = self.conditions.car.limits.bar_off_centre
        limit = self.conditions.at_speed.limit
        found = reached_by_setting(self.system, self.chain, limit, most)
        return np.broadcast_to(found, (self.count, len(self.conditions.names), 1))[..., 0]

    @property
    def locks_together(self) -> Holds:
        """Whether both axles lock at the same brake force: that counts as front first."""
        front, rear = column(self.lock.front_force)[..., 0], column(self.lock.rear_force)[..., 0]
        together: Holds = np.logical_not(self.rear_first) & (rear <= front * (1 + SAME))
        return together

    @property
    def efficiency(self) -> Array:
        """Share of the tyres' grip used at first lock."""
        return column(self.lock.efficiency)[..., 0]

    @property
    def spare(self) -> Array:
        """How much later the rear would lock than the front, m/s²; minus infinity where the front never locks."""
        with np.errstate(invalid="ignore"):
            found: Array = self.rear_lock - self.front_lock
        return found

    @cached_property
    def front_at_lock(self) -> Array:
        """Front brake force at first lock, N."""
        return column(self.path.front(self.lock.first_force))[..., 0]

    @property
    def hardest_front(self) -> Number:
        """The largest front brake force at first lock over all states, N: single, or a column of many setups."""
        most = self.front_at_lock.max(axis=1)
        return float(most[0]) if self.count == 1 else most[:, None, None]

    @property
    def greatest_push(self) -> Array:
        """The greatest push that the pedal can see, N, shape (setup)."""
        found: Array = np.broadcast_to(
            greatest_push(self.conditions.car, self.first_deceleration.max(axis=1)), (self.count,)
        )
        return found

    @cached_property
    def foot_force(self) -> Array:
        """Push of the foot at first lock, N."""
        return column(self.chain.foot_at(self.lock.first_force))[..., 0]

    @cached_property
    def first_deceleration(self) -> Array:
        """Deceleration at first lock, m/s²."""
        return column(self.conditions.at_speed.deceleration(self.lock.first_force))[..., 0]

    @property
    def leg_effort(self) -> Array:
        """What the leg must push at first lock, N."""
        return column(leg_effort(self.foot_force, self.conditions.car.driver.leg_mass, self.first_deceleration))

    @property
    def order_margin(self) -> Array:
        """How much sooner the front locks than the rear: the difference of what all tyres give over what each axle
        locks at. Finite where the front never locks, and 0 where both lock together.
        """
        limit = self.conditions.at_speed.limit.brake_force
        front, rear = (np.maximum(force, 1.0) for force in (self.lock.front_force, self.lock.rear_force))
        found: Array = (limit / front - limit / rear)[..., 0]
        return found

    @cached_property
    def hardest_push(self) -> Array:
        """The hardest push at first lock over all states, N, shape (setup)."""
        found: Array = self.foot_force.max(axis=1)
        return found

    @cached_property
    def stop(self) -> Stop:
        """The hardest stop of one setup in every state."""
        shortest = self.conditions.shortest
        held = held_force(self.chain, self.conditions.car, shortest.road)
        return stop_with(shortest.road, shortest.widths, held)

    @property
    def metres_lost(self) -> list[float]:
        """How much longer one setup's hardest stop is than ideal, state by state, m."""
        lost: list[float] = column(self.stop.length.distance - self.conditions.shortest.length.distance).tolist()
        return lost

    @property
    def limits(self) -> list[tuple[float, float]]:
        """Brake forces of front and rear with both at their limit, N, state by state."""
        limit = self.conditions.at_speed.limit
        return list(zip(column(limit.front_force)[:, 0].tolist(), column(limit.rear_force)[:, 0].tolist(), strict=True))

    def per_setup(self, number: Number) -> Array:
        """A number of the system or its chain as a row of one for each setup, shape (setup)."""
        if isinstance(number, np.ndarray) and number.size == self.count:
            return number.reshape(-1)
        return np.full(self.count, number.item() if isinstance(number, np.ndarray) else number)
