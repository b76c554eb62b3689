"""The conditions under which every setup of a car brakes: what the road allows in each state. Nothing here depends on
the brakes.
"""

from collections.abc import Sequence
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from plimbo.core.braking.force_balance import RoadCurves, road_curves
from plimbo.core.braking.judged_states import speed_path
from plimbo.core.braking.stop_heat import energy_of_stop
from plimbo.core.braking.stops import Stop, nodes, shortest_stop
from plimbo.core.documents import Car, State
from plimbo.core.quantities.assumptions import assumed
from plimbo.core.vehicle.tyre_capacity import (
    Condition,
    TyreCapacity,
    condition_rows,
    conditions_of,
    tyre_capacity,
)
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import Array, at_speeds, column

# Cars kept in the cache: a part changes far more often than its car, and the road stays the same for every part.
REMEMBERED = 32


class Conditions(NamedTuple):
    """The states of a car and their road: `at_speed` each at its own speed, shape (state, 1), `shortest` over the
    speeds of its hardest stop, shape (state, node).

    `energies` is what that stop puts into the brakes, J, shape (state, 1); `assumptions` are the paths of what is
    assumed of the car.
    """

    car: Car
    states: tuple[State, ...]
    names: tuple[str, ...]
    rows: tuple[Condition, ...]
    at_speed: TyreCapacity
    shortest: Stop
    energies: Array
    curves: tuple[RoadCurves, ...]
    assumptions: tuple[str, ...]

    def at(self, speeds: Array) -> TyreCapacity:
        """All states at these speeds, m/s, the same in every state: shape (state, speed).

        Raises `OutOfRange` where lift takes an axle off the ground at one of them.
        """

        def path_of(_state: int, at: int) -> str:
            return "car.top_speed" if speeds[at] <= self.car.top_speed else "car.trial_stop.from_speed"

        everywhere = np.broadcast_to(speeds, (len(self.names), speeds.size))
        return tyre_capacity(self.car, conditions_of(self.rows, everywhere), PLAIN, self.names, path_of)


def conditions_for(car: Car, states: Sequence[State] | None = None) -> Conditions:
    """Over these states, the car's own where none are given.

    Raises `OutOfRange` where the inputs together are outside the model.
    """
    return _conditions(car, car.states if states is None else tuple(states))


@lru_cache(maxsize=REMEMBERED)
def _conditions(car: Car, states: tuple[State, ...]) -> Conditions:
    names = tuple([state.name for state in states])
    rows = tuple(condition_rows(car, states))
    between, widths = nodes(car.top_speed, car.stop_to_speed)
    # Each state at its own speed, then over its hardest stop, then the ends of that: the model must hold there too.
    speeds = np.empty((len(states), 3 + between.size))
    speeds[:, 0], speeds[:, 1:-2] = [state.speed for state in states], between
    speeds[:, -2:] = car.top_speed, car.stop_to_speed

    def path_of(state: int, at: int) -> str:
        return speed_path(car, states[state], state) if at == 0 else "car.top_speed"

    road = tyre_capacity(car, conditions_of(rows, speeds), PLAIN, names, path_of)
    at_speed, stopping = at_speeds(road, slice(1)), at_speeds(road, slice(1, -2))
    shortest = shortest_stop(stopping, widths)
    ideal, drag_work = (column(part)[:, None] for part in (shortest.length.distance, shortest.length.drag_work))
    energies = energy_of_stop(car, at_speed, ideal, drag_work, PLAIN)
    assumptions = tuple(assumed(car, "car"))
    return Conditions(
        car, states, names, rows, at_speed, shortest, column(energies), road_curves(at_speed), assumptions
    )
