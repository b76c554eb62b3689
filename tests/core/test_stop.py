"""Stops against slow stepping in time, against plain kinematics, and their energy against what takes it."""

import math

import pytest
from hypothesis import given, settings

from plimbo.core import Car, Setup, State, assess, survey
from plimbo.core.vehicle.loads import GRAVITY
from tests import slow, strategies, w1
from tests.core.test_slow_twin import drawn


class SlowStop:
    """Brakes held at first lock or at the driver's limit, or both axles at their limit, in small steps of time."""

    def __init__(self, car: Car, setup: Setup, state: State, *, ideal: bool) -> None:
        self.distance = self.time = self.brakes = self.drag = self.engine = 0.0
        mass, engine = slow.loaded(car, state.load)[0], sum(slow.engine(car))
        leg = sum(slow.road_forces(car, setup, car.driver.foot_force_limit))
        speed, end = car.trial_stop.from_speed, car.trial_stop.to_speed

        def force_at(speed: float) -> float:
            now = state.model_copy(update={"speed": speed})
            if ideal:
                return slow.tyre_limit(car, now) - engine
            pushes = [slow.push_that_locks(car, setup, now, axle) for axle in (0, 1)]
            held = [sum(slow.road_forces(car, setup, push)) for push in pushes if push is not None]
            return min([leg, *held])

        step = 0.04
        while speed > end:
            # Heun's method; the last step only as long as it takes.
            force, air = force_at(speed), slow.drag(car, state.model_copy(update={"speed": speed}))
            first = (force + engine + air) / mass
            later = max(end, speed - first * step)
            after = force_at(later)
            second = (after + engine + slow.drag(car, state.model_copy(update={"speed": later}))) / mass
            deceleration = (first + second) / 2
            lasts = min(step, (speed - end) / deceleration)
            way = speed * lasts - deceleration * lasts**2 / 2
            self.distance, self.time = self.distance + way, self.time + lasts
            self.brakes += (force + after) / 2 * way
            self.drag += (air + slow.drag(car, state.model_copy(update={"speed": later}))) / 2 * way
            self.engine += engine * way
            speed = speed - deceleration * lasts if lasts == step else end


@pytest.mark.parametrize("seed", [1, 4, 5, 7])
def test_a_stop_agrees_with_small_steps_of_time_and_closes_its_energy(seed: int) -> None:
    car, setup, state = drawn(seed)
    car = Car.model_validate(car.model_dump() | {"trial_stop": {"from_speed": 40, "to_speed": 12}})
    stop = survey(car, setup, [state], with_working=False).states[0].stop
    made = SlowStop(car, setup, state, ideal=False)
    assert (stop.distance, stop.time) == pytest.approx((made.distance, made.time), rel=1e-3)
    assert stop.brake_work == pytest.approx(made.brakes, rel=1e-3)
    assert stop.drag_work == pytest.approx(made.drag, rel=1e-3)
    assert stop.engine_work == pytest.approx(made.engine, rel=1e-3)
    given_up = 0.5 * slow.loaded(car, state.load)[0] * (40**2 - 12**2)
    assert stop.brake_work + stop.drag_work + stop.engine_work == pytest.approx(given_up, rel=1e-3)
    best = SlowStop(car, setup, state, ideal=True)
    assert (stop.ideal, stop.ideal_time) == pytest.approx((best.distance, best.time), rel=1e-3)


def closed_stop(car: Car, setup: Setup, state: State, steps: int = 1500) -> tuple[float, float]:
    """No drag, no engine, grip in proportion to load: the textbook's lock forces in small steps of speed."""
    width = (car.top_speed - car.stop_to_speed) / steps
    made = ideal = 0.0
    chain = assess(car, setup, [state], with_working=False).states[0]
    share, push = chain.force_share, (chain.front.has.brake_force + chain.rear.has.brake_force)
    driver = push * car.driver.foot_force_limit / car.driver.foot_force
    k = car.cg_height / car.wheelbase
    grip_f, grip_r = (tyre.friction * state.grip for tyre in (car.front_tyre, car.rear_tyre))
    for n in range(steps):
        speed = car.top_speed - width * (n + 0.5)
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
def test_stop_agrees_with_small_steps_of_speed(car: Car, setup: Setup, state: State) -> None:
    stop = assess(car, setup, [state], with_working=False).states[0].stop
    made, ideal = closed_stop(car, setup, state)
    assert stop.distance == pytest.approx(made, rel=1e-4)
    assert stop.ideal == pytest.approx(ideal, rel=1e-4)
    assert stop.lost >= -1e-9


@pytest.mark.parametrize(("from_speed", "to_speed"), [(62, 0), (27.8, 0), (40, 15), (5, 4.9)])
def test_without_downforce_and_drag_the_ideal_stop_is_plain_kinematics(from_speed: float, to_speed: float) -> None:
    """`v²/(2μg)` and `v/(μg)`."""
    changes = {"front_lift_area": 0.0, "rear_lift_area": 0.0}
    changes |= {"trial_stop": {"from_speed": from_speed, "to_speed": to_speed}}
    car = Car.model_validate(w1.CAR.model_dump() | changes)
    stop = survey(car, w1.SETUP, [w1.STATIC]).states[0].stop
    assert stop.ideal == pytest.approx((from_speed**2 - to_speed**2) / (2 * 1.30 * GRAVITY))
    assert stop.ideal_time == pytest.approx((from_speed - to_speed) / (1.30 * GRAVITY))
    assert stop.brake_work == pytest.approx(0.5 * 640 * (from_speed**2 - to_speed**2))


def test_drag_alone_follows_the_logarithm_of_the_speeds() -> None:
    """With drag and constant brake force `d = m/(2c)·ln((F + c·v₁²)/(F + c·v₂²))`: the driver's leg limits this one."""
    driver = {"foot_force": 10.0, "foot_force_limit": 60.0}
    changes = {"drag_area": 1.1, "front_lift_area": 0.0, "rear_lift_area": 0.0, "driver": driver}
    car = Car.model_validate(w1.CAR.model_dump() | changes | {"trial_stop": {"from_speed": 60, "to_speed": 20}})
    stop = survey(car, w1.SETUP, [w1.FAST]).states[0].stop
    c, force = 0.5 * 1.2 * 1.1, sum(slow.road_forces(car, w1.SETUP, 60))
    by_hand = 640 / (2 * c) * math.log((force + c * 60**2) / (force + c * 20**2))
    assert stop.distance == pytest.approx(by_hand, rel=1e-9)


def test_drag_and_engine_braking_take_their_part_of_the_heat() -> None:
    plain = assess(w1.CAR, w1.SETUP, [w1.FAST], with_working=False).states[0]
    car = Car.model_validate(w1.CAR.model_dump() | {"drag_area": 0.8, "engine_braking": 500.0})
    answer = assess(car, w1.SETUP, [w1.FAST]).states[0]
    trial = Car.model_validate(car.model_dump() | {"trial_stop": {"from_speed": 62, "to_speed": 20}})
    stop = survey(trial, w1.SETUP, [w1.FAST], with_working=False).states[0].stop
    # Held at the tyres' limit all the way, which leaves least to them.
    taken = (plain.brake_energy - answer.brake_energy) / 0.94
    assert 500 * stop.ideal < taken < 500 * stop.ideal + stop.drag_work
    assert answer.front.disc.temperature_rise < plain.front.disc.temperature_rise


def test_heat_is_the_energy_of_the_stop_over_the_heat_of_the_disc() -> None:
    answer = assess(w1.CAR, w1.SETUP, [w1.STATIC]).states[0]
    into_brakes = 0.5 * 640 * (62**2 - 20**2) * 1.03 * 0.94
    # By hand, iron at 215 °C: c = 470 + 0.3·215 = 534.5, k = 52 − 0.02·215 = 47.7.
    # It takes √(47.7·7200·534.5) through its ring against √(3.5·2800·900) of a sprint pad through its face.
    off_both = []
    for axle, brake in ((answer.front, w1.SETUP.front), (answer.rear, w1.SETUP.rear)):
        disc, pad = brake.disc, brake.pad
        ring = 3.14159265 * ((disc.outer_diameter / 2) ** 2 - (disc.outer_diameter / 2 - disc.ring_height) ** 2)
        taken = 13548.8 * ring / (13548.8 * ring + 2969.8 * pad.height * pad.length)
        assert 0.9 < taken < 0.99, "a pad covers a fraction of the ring"
        off_both.append(axle.disc.energy / taken)
    assert 2 * sum(off_both) == pytest.approx(into_brakes, rel=1e-4)
    assert off_both[0] / sum(off_both) == pytest.approx(0.60563, abs=1e-5)
    ring = 3.14159265 * (0.142**2 - 0.09**2) * (0.026 - 0.010 * 0.8) * 7200
    assert answer.front.disc.ring_mass == pytest.approx(ring)
    assert answer.front.disc.temperature_rise == pytest.approx(answer.front.disc.energy / (ring * 534.5))
