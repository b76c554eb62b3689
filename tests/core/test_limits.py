"""The edges of the model: a front that never locks, rear wheels in the air, lift that carries an axle."""

import pytest

from plimbo.core import OutOfRange, Setup, State, assess, survey
from plimbo.core.documents import Car
from tests import w1


def test_a_front_that_can_never_lock_means_the_rear_is_first() -> None:
    document = w1.SETUP.model_dump()
    document["front"]["master_cylinder"]["bore"] = 0.045
    assessment = assess(w1.CAR, Setup.model_validate(document), [w1.STATIC])
    answer = assessment.states[0]
    assert answer.force_share < 1.30 * 0.37 / 2.32
    assert answer.front.lock_deceleration is None
    assert answer.front.lock_foot_force is None
    assert answer.force_balance.front_lock is None
    assert answer.first == "rear"
    verdict = assessment.verdicts[0]
    assert verdict.word == "Rear locks first"
    assert verdict.margin.value is None
    assert "the front never does" in verdict.reason.text


def test_a_tall_short_car_is_limited_by_its_rear_wheels_lifting() -> None:
    car = Car.model_validate(w1.CAR.model_dump() | {"cg_height": 0.9, "wheelbase": 1.6})
    answer = assess(car, w1.SETUP, [w1.STATIC]).states[0]
    assert answer.rear_lifts
    # Moments about the front contact: m·a·h = m·g·(1 − w_f)·L.
    assert answer.limit_deceleration == pytest.approx(9.80665 * 0.55 * 1.6 / 0.9)
    assert answer.rear.limit_load == pytest.approx(0, abs=1e-9)
    assert answer.ideal_share == 1
    assert answer.rear.needs.bore is None
    assert answer.rear.needs.pressure == 0
    assert answer.efficiency <= 1


def test_lift_on_the_way_of_a_stop_is_told_at_the_speed_that_the_stop_starts_from() -> None:
    lifted = {"front_lift_area": -1.0, "top_speed": 60.0, "trial_stop": {"from_speed": 100.0, "to_speed": 0.0}}
    car = Car.model_validate(w1.CAR.model_dump() | lifted)
    assess(car, w1.SETUP, [w1.STATIC])
    with pytest.raises(OutOfRange) as result:
        survey(car, w1.SETUP, [w1.STATIC])
    assert result.value.path == "car.trial_stop.from_speed"
    fast = Car.model_validate(w1.CAR.model_dump() | lifted | {"top_speed": 100.0})
    with pytest.raises(OutOfRange) as result:
        assess(fast, w1.SETUP, [w1.STATIC])
    assert result.value.path == "car.top_speed"


def test_engine_braking_that_takes_all_of_an_axle_s_grip_is_told() -> None:
    for axle, force in (("rear", 4700.0), ("front", 4700.0), ("both", 9500.0)):
        car = Car.model_validate(w1.CAR.model_dump() | {"engine_braking": force, "driven_axle": axle})
        with pytest.raises(OutOfRange, match="engine braking alone takes all the grip") as result:
            assess(car, w1.SETUP, [w1.STATIC])
        assert result.value.path == "car.engine_braking"


def test_rear_wheels_spent_on_the_engine_leave_the_brakes_to_the_front() -> None:
    """Nearly all that the rear can hold goes to the engine, so every newton of the brakes belongs to the front."""
    document = {"engine_braking": 2500.0, "cg_height": 0.6, "wheelbase": 1.9}
    answer = assess(Car.model_validate(w1.CAR.model_dump() | document), w1.SETUP, [w1.STATIC]).states[0]
    assert answer.rear_lifts
    assert (answer.ideal_share, answer.rear.needs.bore) == (1, None)
    assert answer.rear.limit_load == pytest.approx(2500 / 1.30)


def test_lift_that_carries_an_axle_is_told_at_the_speed() -> None:
    car = Car.model_validate(w1.CAR.model_dump() | {"front_lift_area": -1.0})
    with pytest.raises(OutOfRange) as result:
        assess(car, w1.SETUP, [w1.STATIC, State(name="Flat out", grip=1, speed=110)])
    assert result.value.path == "car.states.1.speed"
    assert "lift carries the whole front axle" in result.value.message
