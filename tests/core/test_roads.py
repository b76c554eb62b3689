"""The road is worked out once for a car, and never taken for another's; a verdict tells the numbers of its state."""

import pytest
from hypothesis import given, settings

from plimbo.core import Car, Setup, assess
from plimbo.core.road import roads
from plimbo.core.road.roads import roads_of
from tests import strategies, w1


def as_typed(car: Car, **changes: object) -> Car:
    """Read afresh, as the server reads it."""
    return Car.model_validate(car.model_dump() | changes)


def test_the_same_car_read_again_is_not_worked_out_again() -> None:
    assert roads_of(as_typed(w1.CAR)) is roads_of(w1.CAR)
    assert roads_of(w1.CAR, w1.CAR.states[:1]) is not roads_of(w1.CAR)


@pytest.mark.parametrize(("field", "value"), [("mass", 1001.0), ("cg_height", 0.401), ("engine_braking", 300.0)])
def test_another_car_is_answered_for_itself(field: str, value: float) -> None:
    other = as_typed(w1.CAR, **{field: value})
    first = assess(w1.CAR, w1.SETUP).model_dump()
    changed = assess(other, w1.SETUP).model_dump()
    assert changed["states"] != first["states"]
    assert assess(w1.CAR, w1.SETUP).model_dump() == first
    # What was remembered is what is found with nothing remembered.
    roads._roads.cache_clear()
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
    assert heat.brake_energy == max(one.brake_energy for one in answer.states)
    used = [disc.temperature_rise / disc.rise_limit for disc in (heat.front.disc, heat.rear.disc)]
    hotter = (heat.front.disc, heat.rear.disc)[used.index(max(used))]
    assert verdicts["heat"].number.value == pytest.approx(hotter.temperature_rise)
