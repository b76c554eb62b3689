"""The road of all states at once against each alone; worked out once for a car, and never taken for another's."""

import numpy as np
import pytest
from hypothesis import given, settings

from plimbo.core import Car, Setup, State, assess
from plimbo.core.braking import conditions
from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.lock_order import lock_order
from plimbo.core.braking.state_answer import StateAnswer
from plimbo.core.documents import Surface
from plimbo.core.vehicle.tyre_capacity import condition_of, tyre_capacity
from plimbo.core.working.inputs import PLAIN
from tests import strategies, w1
from tests.built import chain_of

STATES = tuple(
    State(name=track, track=track, load="Raced", speed=speed) for track, speed in ((Surface.DRY, 9), (Surface.WET, 21))
)


@settings(max_examples=60, deadline=None)
@given(strategies.full_cars(), strategies.actuated_setups())
def test_locks_and_limits_are_those_of_each_state_alone(car: Car, setup: Setup) -> None:
    together = conditions_for(car, STATES).at_speed
    alone = [
        tyre_capacity(car, condition_of(car, one, PLAIN), PLAIN, (one.name,), lambda *_: "speed") for one in STATES
    ]
    path = chain_of(car, setup).path
    locks, each = lock_order(together, path), [lock_order(road, path) for road in alone]
    for name in ("force", "brake_force", "front_load", "rear_load", "front_force", "rear_force", "ideal_share"):
        singles = [getattr(road.limit, name) for road in alone]
        assert np.ravel(getattr(together.limit, name)).tolist() == pytest.approx(singles, rel=1e-9), name
    for name in ("front_force", "rear_force", "first_force", "efficiency"):
        singles = [getattr(lock, name) for lock in each]
        assert np.ravel(getattr(locks, name)).tolist() == pytest.approx(singles, rel=1e-9), name


def as_typed(car: Car, **changes: object) -> Car:
    """Read afresh, as the server reads it."""
    return Car.model_validate(car.model_dump() | changes)


def test_the_same_car_read_again_is_not_worked_out_again() -> None:
    assert conditions_for(as_typed(w1.CAR)) is conditions_for(w1.CAR)
    assert conditions_for(w1.CAR, w1.CAR.states[:1]) is not conditions_for(w1.CAR)


@pytest.mark.parametrize(("field", "value"), [("mass", 1001.0), ("cg_height", 0.401), ("engine_braking", 300.0)])
def test_another_car_is_answered_for_itself(field: str, value: float) -> None:
    other = as_typed(w1.CAR, **{field: value})
    first = assess(w1.CAR, w1.SETUP).model_dump()
    changed = assess(other, w1.SETUP).model_dump()
    assert changed["states"] != first["states"]
    assert assess(w1.CAR, w1.SETUP).model_dump() == first
    # What was remembered is what is found with nothing remembered.
    conditions._conditions.cache_clear()
    assert assess(other, w1.SETUP).model_dump() == changed


@settings(max_examples=40, deadline=None)
@given(strategies.full_cars(), strategies.actuated_setups())
def test_the_verdicts_tell_the_numbers_of_the_states_that_decide(car: Car, setup: Setup) -> None:
    answer = assess(car, setup, with_working=False)
    verdicts = {verdict.key: verdict for verdict in answer.verdicts}
    states = {one.state.name: one for one in answer.states}
    order, leg, heat = (states[verdicts[key].state or ""] for key in ("lock_order", "leg", "heat"))
    assert verdicts["lock_order"].number.value == pytest.approx(order.first_deceleration)
    assert verdicts["leg"].number.value == pytest.approx(leg.first_foot_force)

    def used_most(of: StateAnswer) -> float:
        return max(disc.temperature_rise / disc.rise_limit for disc in (of.front.disc, of.rear.disc))

    assert used_most(heat) == pytest.approx(max(used_most(one) for one in answer.states))
    used = [disc.temperature_rise / disc.rise_limit for disc in (heat.front.disc, heat.rear.disc)]
    hotter = (heat.front.disc, heat.rear.disc)[used.index(max(used))]
    assert verdicts["heat"].number.value == pytest.approx(hotter.temperature_rise)
