"""All states, speeds and setups at once on arrays, against one state at a time at one speed."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from plimbo.core import Car, Setup, State
from plimbo.core.brakes.chain import foot_to_road
from plimbo.core.brakes.many import Many
from plimbo.core.brakes.path import ForcePath
from plimbo.core.documents import Track
from plimbo.core.road.demand import demand, lock_order
from plimbo.core.road.sweep import sweep
from plimbo.core.working import PLAIN
from tests import strategies

STATES = [
    State(name=track, track=track, load="Raced", speed=speed) for track, speed in ((Track.DRY, 9), (Track.WET, 21))
]


@settings(max_examples=60, deadline=None)
@given(strategies.full_cars(), st.lists(strategies.actuated_setups(), min_size=1, max_size=3))
def test_locks_and_limits_are_those_of_each_state_alone(car: Car, setups: list[Setup]) -> None:
    roads = [demand(car, state, PLAIN) for state in STATES]
    swept = sweep(car, STATES, roads, np.array([[state.speed] for state in STATES]))
    assert swept.limit[:, 0].tolist() == pytest.approx([road.limit.force for road in roads], rel=1e-9)
    for setup in setups:
        path = foot_to_road(car, setup, PLAIN).path
        at_front, at_rear = swept.lock_forces(path)
        locks = [lock_order(road, path) for road in roads]
        assert at_front[0, :, 0].tolist() == pytest.approx([lock.front_force for lock in locks], rel=1e-9)
        assert at_rear[0, :, 0].tolist() == pytest.approx([lock.rear_force for lock in locks], rel=1e-9)


@settings(max_examples=40, deadline=None)
@given(strategies.full_cars(), st.lists(strategies.actuated_setups(), min_size=2, max_size=4))
def test_setups_side_by_side_lock_as_each_does_alone(car: Car, setups: list[Setup]) -> None:
    roads = [demand(car, state, PLAIN) for state in STATES]
    swept = sweep(car, STATES, roads, np.array([[state.speed] for state in STATES]))
    paths = Many(car, setups).paths()
    together = swept.lock_forces(paths)
    for index in range(2 * len(setups)):
        share, knee, past, shift = (float(np.ravel(part)[index]) for part in paths[:4])
        alone = swept.lock_forces(ForcePath(share, knee, past, shift, bent=paths.bent))
        for several, single in zip(together, alone, strict=True):
            assert several[index].ravel().tolist() == pytest.approx(single[0].ravel().tolist(), rel=1e-12)
