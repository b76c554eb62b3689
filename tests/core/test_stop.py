"""The closed form of the stop against a slow, obvious integration, and against plain kinematics."""

import pytest
from hypothesis import given, settings

from plimbo.core import Car, Setup, State, assess
from plimbo.core.formulas.loads import GRAVITY
from plimbo.core.formulas.stop import stopping_distance
from tests import strategies, w1


def slow_stop(car: Car, setup: Setup, state: State, steps: int = 1500) -> tuple[float, float]:
    """Distance at first lock or the driver's limit, and ideal: small steps in speed, each with its own lock force."""
    speeds = [car.top_speed + (car.stop_to_speed - car.top_speed) * (n + 0.5) / steps for n in range(steps)]
    width = (car.top_speed - car.stop_to_speed) / steps
    made = ideal = 0.0
    chain = assess(car, setup, [state], with_working=False).states[0]
    share, push = chain.force_share, (chain.front.has.brake_force + chain.rear.has.brake_force)
    driver = push * car.driver.foot_force_limit / car.driver.foot_force
    k = car.cg_height / car.wheelbase
    grip_f, grip_r = (tyre.friction * state.grip for tyre in (car.front_tyre, car.rear_tyre))
    for speed in speeds:
        q = 0.5 * state.air_density * speed**2
        load_f = car.mass * GRAVITY * car.front_share + q * car.front_lift_area
        load_r = car.mass * GRAVITY * (1 - car.front_share) + q * car.rear_lift_area
        limits = [driver, grip_r * load_r / (1 - share + grip_r * k)]
        if share > grip_f * k:
            limits.append(grip_f * load_f / (share - grip_f * k))
        best = [load_r / k]
        if (grip_f - grip_r) * k < 1:
            best.append((grip_f * load_f + grip_r * load_r) / (1 - (grip_f - grip_r) * k))
        made += speed * width * car.mass / min(limits)
        ideal += speed * width * car.mass / min(best)
    return made, ideal


@settings(max_examples=25, deadline=None)
@given(strategies.cars(), strategies.setups(), strategies.states)
def test_stop_agrees_with_small_steps(car: Car, setup: Setup, state: State) -> None:
    stop = assess(car, setup, [state], with_working=False).states[0].stop
    made, ideal = slow_stop(car, setup, state)
    assert stop.distance == pytest.approx(made, rel=1e-4)
    assert stop.ideal == pytest.approx(ideal, rel=1e-4)
    assert stop.lost >= -1e-9


def test_without_downforce_the_ideal_stop_is_plain_kinematics() -> None:
    car = Car.model_validate(w1.CAR.model_dump() | {"front_lift_area": 0.0, "rear_lift_area": 0.0, "stop_to_speed": 0})
    stop = assess(car, w1.SETUP, [w1.STATIC]).states[0].stop
    assert stop.ideal == pytest.approx(62**2 / (2 * 1.30 * GRAVITY))


@pytest.mark.parametrize("growth", [0.0, 1e-12, 1e-9])
def test_nearly_constant_deceleration_keeps_its_digits(growth: float) -> None:
    # To first order the mean of the two decelerations rules.
    assert stopping_distance(60.0, 0.0, 10 + growth * 3600, 10) == pytest.approx(1800 / (10 + growth * 1800), rel=1e-11)


def test_heat_is_the_energy_of_the_stop_over_the_heat_of_the_disc() -> None:
    answer = assess(w1.CAR, w1.SETUP, [w1.STATIC]).states[0]
    into_brakes = 0.5 * 640 * (62**2 - 20**2) * 1.03 * 0.94
    both = 2 * (answer.front.disc.energy + answer.rear.disc.energy)
    # By hand: iron takes √(48·7200·500) against √(1.212·2595·1465) of the pad.
    assert both == pytest.approx(into_brakes * 13145.3 / (13145.3 + 2146.6), rel=1e-4)
    assert answer.front.disc.energy / (answer.front.disc.energy + answer.rear.disc.energy) == pytest.approx(
        0.60563, abs=1e-5
    )
    ring = 3.14159265 * (0.142**2 - 0.09**2) * (0.026 - 0.010 * 0.8) * 7200
    assert answer.front.disc.ring_mass == pytest.approx(ring)
    assert answer.front.disc.temperature_rise == pytest.approx(answer.front.disc.energy / (ring * 500))
