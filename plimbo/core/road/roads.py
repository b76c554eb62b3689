"""The road's side of a car in all its states: nothing here depends on the brakes that are fitted."""

from collections.abc import Sequence
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from plimbo.core.arrays import Array
from plimbo.core.documents import Car, State
from plimbo.core.road.demand import Demand, demand
from plimbo.core.road.force_balance import RoadCurves, road_curves
from plimbo.core.road.stops import nodes
from plimbo.core.road.sweep import Sweep, sweep
from plimbo.core.working import PLAIN

# Cars kept in mind: a part is stepped far oftener than its car is changed, and the road asks the same of every part.
REMEMBERED = 32


class Roads(NamedTuple):
    """What the tyres allow in every state; `at_speed` has each at its own speed, `stopping` at those of its hardest
    stop, each of which stands for `widths`, m/s.
    """

    demands: tuple[Demand, ...]
    at_speed: Sweep
    stopping: Sweep
    widths: Array
    curves: tuple[RoadCurves, ...]

    @property
    def limits(self) -> tuple[tuple[float, float], ...]:
        """Brake forces of front and rear with both at their limit, N."""
        return tuple([(road.limit.front_force, road.limit.rear_force) for road in self.demands])


def roads_of(car: Car, states: Sequence[State] | None = None) -> Roads:
    """Over these states, the car's own where none are given.

    Raises `OutOfRange` where the inputs together are outside the model.
    """
    return _roads(car, car.states if states is None else tuple(states))


@lru_cache(maxsize=REMEMBERED)
def _roads(car: Car, states: tuple[State, ...]) -> Roads:
    demands = tuple([demand(car, state, PLAIN, f"car.states.{index}") for index, state in enumerate(states)])
    speeds, widths = nodes(car.top_speed, car.stop_to_speed)
    swept = sweep(car, states, demands, np.array([[state.speed, *speeds] for state in states]))
    at_speed = swept.part(slice(1))
    return Roads(demands, at_speed, swept.part(slice(1, None)), widths, road_curves(at_speed, demands))
