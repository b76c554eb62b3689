"""The whole chain against a slow, independent solver: push harder in small steps until a tyre gives up."""

import math
import random

import pytest

from plimbo.core import Car, Setup, State, assess
from plimbo.core.answers import StateAnswer
from plimbo.core.road.force_balance import deceleration_lines
from tests import w1

SYSTEMS = 40


def drawn(seed: int) -> tuple[Car, Setup, State]:
    """A random system, from a seed of its own so that a failure can be met again."""
    chance = random.Random(seed)
    car, setup = w1.CAR.model_dump(), w1.SETUP.model_dump()
    car |= {
        "mass": chance.uniform(350, 1900),
        "front_share": chance.uniform(0.34, 0.66),
        "cg_height": chance.uniform(0.25, 0.65),
        "wheelbase": chance.uniform(1.7, 3.1),
        "front_lift_area": chance.uniform(0, 2),
        "rear_lift_area": chance.uniform(0, 2),
    }
    for end in ("front", "rear"):
        car[f"{end}_tyre"]["friction"] = chance.uniform(0.5, 1.6)
        car[f"{end}_tyre"]["loaded_radius"] = chance.uniform(0.22, 0.34)
        setup[end]["master_cylinder"]["bore"] = chance.uniform(0.0155, 0.0286)
        setup[end]["caliper"]["pistons"] = [chance.uniform(0.025, 0.04) for _ in range(chance.randint(1, 2))]
        setup[end]["pad"]["friction"] = chance.uniform(0.3, 0.6)
    setup["pedal"]["ratio"] = chance.uniform(4, 7)
    setup["balance_bar"]["offset"] = chance.uniform(-0.01, 0.01)
    state = State(name="drawn", grip=chance.uniform(0.4, 1), speed=chance.uniform(0, 70), air_density=1.2)
    return Car.model_validate(car), Setup.model_validate(setup), state


def road_forces(car: Car, setup: Setup, push: float) -> tuple[float, float]:
    """Brake force at both axles, worked out anew from the parts, step by step."""
    found = []
    rod = push * setup.pedal.ratio * setup.pedal.efficiency
    half = setup.balance_bar.length / 2
    for sign, brake, tyre in ((1, setup.front, car.front_tyre), (-1, setup.rear, car.rear_tyre)):
        # Moments about the other clevis.
        force = rod * (half + sign * setup.balance_bar.offset) / setup.balance_bar.length
        pressure = force * brake.master_cylinder.efficiency / (math.pi * (brake.master_cylinder.bore / 2) ** 2)
        clamp = sum(pressure * math.pi * (piston / 2) ** 2 for piston in brake.caliper.pistons)
        outer = brake.disc.outer_diameter / 2 - brake.pad.inset
        radius = outer - brake.pad.height / 2
        torque = 2 * brake.pad.friction * clamp * brake.caliper.efficiency * radius
        found.append(2 * torque / tyre.loaded_radius)
    return found[0], found[1]


def spare_grip(car: Car, setup: Setup, state: State, push: float) -> tuple[float, float]:
    """Grip left at each axle at this push, N; below zero it has locked."""
    front, rear = road_forces(car, setup, push)
    q = 0.5 * state.air_density * state.speed**2
    moved = (front + rear) * car.cg_height / car.wheelbase
    load_front = car.mass * 9.80665 * car.front_share + q * car.front_lift_area + moved
    load_rear = car.mass * 9.80665 * (1 - car.front_share) + q * car.rear_lift_area - moved
    return (
        car.front_tyre.friction * state.grip * load_front - front,
        car.rear_tyre.friction * state.grip * load_rear - rear,
    )


def push_that_locks(car: Car, setup: Setup, state: State, axle: int) -> float | None:
    """By halving; None where no push up to 100 kN locks the axle."""
    low, high = 0.0, 1e5
    if spare_grip(car, setup, state, high)[axle] > 0:
        return None
    for _ in range(80):
        middle = (low + high) / 2
        low, high = (low, middle) if spare_grip(car, setup, state, middle)[axle] < 0 else (middle, high)
    return high


@pytest.mark.parametrize("seed", range(SYSTEMS))
def test_random_systems_are_solved_alike(seed: int) -> None:
    car, setup, state = drawn(seed)
    answer = assess(car, setup, [state], with_working=False).states[0]
    pushes = [push_that_locks(car, setup, state, axle) for axle in (0, 1)]
    for told, push in zip((answer.front, answer.rear), pushes, strict=True):
        if push is None:
            assert told.lock_foot_force is None or told.lock_foot_force > 1e5
        else:
            assert told.lock_foot_force == pytest.approx(push, rel=1e-6)
            total = sum(road_forces(car, setup, push))
            assert told.lock_deceleration == pytest.approx(total / car.mass, rel=1e-6)
    known = [math.inf if push is None else push for push in pushes]
    assert answer.first == ("rear" if known[1] < known[0] else "front")
    assert answer.first_foot_force == pytest.approx(min(known), rel=1e-6)
    at_push = road_forces(car, setup, car.driver.foot_force)
    assert (answer.front.has.brake_force, answer.rear.has.brake_force) == pytest.approx(at_push, rel=1e-9)


def on_line(point, line) -> bool:  # type: ignore[no-untyped-def]
    """Whether a point stands on the straight through two others."""
    (a, b), p = line, point
    cross = (b.front - a.front) * (p.rear - a.rear) - (b.rear - a.rear) * (p.front - a.front)
    size = math.hypot(b.front - a.front, b.rear - a.rear) * math.hypot(p.front, p.rear)
    return abs(cross) < 1e-9 * size


@pytest.mark.parametrize("seed", range(SYSTEMS))
def test_the_force_balance_picture_is_of_one_piece(seed: int) -> None:
    car, setup, state = drawn(seed)
    answer: StateAnswer = assess(car, setup, [state], with_working=False).states[0]
    picture = answer.force_balance
    first, line = picture.first_lock, picture.front_locks if answer.first == "front" else picture.rear_locks
    assert first.front / (first.front + first.rear) == pytest.approx(answer.force_share)
    assert on_line(first, line)
    assert on_line(picture.rear_lock, picture.rear_locks)
    if picture.front_lock and answer.front.grip * car.cg_height / car.wheelbase < 1:
        assert on_line(picture.front_lock, picture.front_locks)
    if not answer.rear_lifts:
        assert on_line(picture.limit, picture.front_locks)
        assert on_line(picture.limit, picture.rear_locks)
    assert (picture.ideal[0].front, picture.ideal[0].rear) == (0, 0)
    assert picture.ideal[-1] == picture.limit
    assert picture.limit.front + picture.limit.rear == pytest.approx(answer.limit_deceleration * car.mass)
    totals = [point.front + point.rear for point in picture.ideal]
    assert totals == sorted(totals)


def test_lines_of_equal_deceleration_reach_past_the_highest() -> None:
    for highest, step in ((0.7, 0.2), (1.9, 0.2), (3.4, 0.5)):
        lines = deceleration_lines(800, highest * 9.80665)
        assert lines[-1].deceleration / 9.80665 > highest
        assert lines[0].deceleration / 9.80665 == pytest.approx(step)
        assert all(line.total_force == pytest.approx(800 * line.deceleration) for line in lines)
