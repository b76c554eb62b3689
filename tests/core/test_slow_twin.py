"""The whole chain against the slow, independent solver: push harder until a tyre gives up."""

import math
import random
from itertools import pairwise
from typing import Any

import pytest

from plimbo.core import Car, Setup, State, assess, survey
from plimbo.core.braking.force_balance import Curve
from plimbo.core.braking.state_answer import StateAnswer
from tests import slow, w1

SYSTEMS = 60


def drawn(seed: int) -> tuple[Car, Setup, State]:
    """A random system, from a seed of its own so that a failure can be met again; every third one plain."""
    chance = random.Random(seed)
    car, setup = w1.CAR.model_dump(), w1.SETUP.model_dump()
    car |= {
        "mass": chance.uniform(350, 1900),
        "front_share": chance.uniform(0.34, 0.66),
        "cg_height": chance.uniform(0.25, 0.65),
        "wheelbase": chance.uniform(1.7, 3.1),
        "front_lift_area": chance.uniform(0, 2),
        "rear_lift_area": chance.uniform(0, 2),
        "top_speed": chance.uniform(72, 85),
    }
    plain = seed % 3 == 0
    if not plain:
        car |= {
            "drag_area": chance.uniform(0, 1.5),
            "drag_height": chance.choice([None, chance.uniform(0, 0.9)]),
            "engine_braking": chance.choice([0, chance.uniform(0, 0.03) * car["mass"] * 9.81]),
            "driven_axle": chance.choice(["front", "rear", "both"]),
            "air": {"altitude": chance.uniform(0, 2500), "temperature": chance.uniform(265, 312)},
            "loading": {
                "items": [
                    {
                        "name": "Fuel",
                        "mass": 0.06 * car["mass"],
                        "behind_front_axle": chance.uniform(0.3, 2),
                        "height": 0.3,
                        "on_scales": chance.uniform(0, 1),
                    },
                    {"name": "Ballast", "mass": 20, "behind_front_axle": chance.uniform(-0.5, 2.5), "height": 0.2},
                ],
                "states": [{"name": "light", "shares": [chance.uniform(0, 1), 0]}],
            },
        }
    for end in ("front", "rear"):
        car[f"{end}_tyre"]["friction"] = chance.uniform(0.5, 1.6)
        car[f"{end}_tyre"]["loaded_radius"] = chance.uniform(0.22, 0.34)
        if not plain:
            car[f"{end}_tyre"]["load_sensitivity"] = chance.choice([0, chance.uniform(0, 0.25)])
            car[f"{end}_tyre"]["reference_load"] = chance.choice([None, chance.uniform(1000, 4000)])
        setup[end]["master_cylinder"]["bore"] = chance.uniform(0.0155, 0.0286)
        setup[end]["caliper"]["pistons"] = [chance.uniform(0.025, 0.04) for _ in range(chance.randint(1, 2))]
        setup[end]["pad"]["friction"] = chance.uniform(0.3, 0.6)
    setup["pedal"]["ratio"] = chance.uniform(4, 7)
    setup["balance_bar"]["offset"] = chance.uniform(-0.01, 0.01)
    if seed % 2:
        actuate(setup, chance)
    state = State(
        name="drawn",
        load="As weighed" if plain else chance.choice(["As weighed", "light"]),
        track=chance.choice(["dry", "damp", "wet", "gravel"]),
        grip=chance.choice([None, chance.uniform(0.4, 1)]),
        speed=chance.uniform(0, 70),
        air_density=1.2 if plain else None,
        front_tyre_grip=chance.choice([None, None, chance.uniform(0.7, 1)]),
        rear_tyre_grip=chance.choice([None, None, chance.uniform(0.7, 1)]),
    )
    return Car.model_validate(car), Setup.model_validate(setup), state


def actuate(setup: dict[str, Any], chance: random.Random) -> None:
    """A valve, most often; a tandem cylinder with or without a booster; a pedal by its lengths."""
    setup["valve"] |= {
        "kind": chance.choice(["none", "screw", "screw", "lever"]),
        "knee": chance.uniform(5e5, 5e6),
        "slope": chance.choice([0.0, 0.5, chance.uniform(0, 1)]),
    }
    if chance.random() < 0.6:
        setup["split"] = "tandem"
        setup["tandem"] |= {"bore": chance.uniform(0.019, 0.0286), "efficiency": chance.uniform(0.85, 1)}
        run_out = chance.uniform(200, 3000)
        setup["booster"] |= {"fitted": chance.random() < 0.7, "gain": chance.uniform(1.5, 5), "run_out": run_out}
    if chance.random() < 0.3:
        setup["pedal"] |= {"pad_length": chance.uniform(0.2, 0.3), "rod_length": chance.uniform(0.04, 0.06)}


@pytest.mark.parametrize("seed", range(SYSTEMS))
def test_random_systems_are_solved_alike(seed: int) -> None:
    car, setup, state = drawn(seed)
    answer = assess(car, setup, [state], with_working=False).states[0]
    pushes = [slow.push_that_locks(car, setup, state, axle) for axle in (0, 1)]
    mass = slow.loaded(car, state.load)[0]
    others = slow.drag(car, state) + sum(slow.engine(car))
    for result, push in zip((answer.front, answer.rear), pushes, strict=True):
        if push is None:
            assert result.lock_foot_force is None or result.lock_foot_force > 1e5
        else:
            assert result.lock_foot_force == pytest.approx(push, rel=1e-6)
            total = sum(slow.road_forces(car, setup, push)) + others
            assert result.lock_deceleration == pytest.approx(total / mass, rel=1e-6)
    known = [math.inf if push is None else push for push in pushes]
    assert answer.first == ("rear" if known[1] < known[0] else "front")
    assert answer.first_foot_force == pytest.approx(min(known), rel=1e-6)
    asked = slow.road_forces(car, setup, answer.first_foot_force)
    first = (answer.front, answer.rear)
    assert [one.at_first_lock.brake_force for one in first] == pytest.approx(asked, rel=1e-6)
    pressed = slow.caliper_pressures(setup, answer.first_foot_force)
    assert [one.at_first_lock.pressure for one in first] == pytest.approx(pressed, rel=1e-6)
    at_push = slow.road_forces(car, setup, car.driver.foot_force)
    assert (answer.front.has.brake_force, answer.rear.has.brake_force) == pytest.approx(at_push, rel=1e-9)


def test_the_drawn_systems_have_every_kind_of_actuation_many_times() -> None:
    setups = [drawn(seed)[1] for seed in range(SYSTEMS)]
    assert sum(setup.valve.fitted for setup in setups) >= 15
    assert sum(setup.booster.fitted for setup in setups) >= 8
    assert sum(setup.tandem_fitted for setup in setups) >= 15


@pytest.mark.parametrize("seed", range(SYSTEMS))
def test_the_limit_of_the_tyres_is_found_alike(seed: int) -> None:
    car, setup, state = drawn(seed)
    answer = assess(car, setup, [state], with_working=False).states[0]
    limit = slow.tyre_limit(car, state)
    mass = slow.loaded(car, state.load)[0]
    assert answer.limit_deceleration == pytest.approx((limit + slow.drag(car, state)) / mass, rel=1e-6)
    assert (answer.front.limit_load, answer.rear.limit_load) == pytest.approx(
        slow.axle_loads(car, state, limit), rel=1e-6, abs=1e-6
    )
    front_engine, rear_engine = slow.engine(car)
    if not answer.rear_lifts:
        front = slow.capacities(car, state, limit)[0] - front_engine
        assert answer.ideal_share == pytest.approx(front / (limit - front_engine - rear_engine), rel=1e-6)
    assert answer.efficiency == pytest.approx(
        (answer.first_deceleration * mass - slow.drag(car, state)) / limit, rel=1e-6
    )


@pytest.mark.parametrize("seed", range(SYSTEMS))
def test_the_survey_over_speed_is_that_of_each_speed(seed: int) -> None:
    car, setup, state = drawn(seed)
    result = survey(car, setup, [state], with_working=False)
    for index in (0, 13, 40):
        at_speed = state.model_copy(update={"speed": result.speeds[index]})
        answer = assess(car, setup, [at_speed], with_working=False).states[0]
        row = result.states[0]
        assert row.limit[index] == pytest.approx(answer.limit_deceleration, rel=1e-9)
        assert row.rear_lock[index] == pytest.approx(answer.rear.lock_deceleration, rel=1e-9)
        if answer.front.lock_deceleration is None:
            assert row.front_lock[index] is None
        else:
            assert row.front_lock[index] == pytest.approx(answer.front.lock_deceleration, rel=1e-9)
        assert row.held[index] <= answer.first_deceleration * (1 + 1e-9)


def near(point_front: float, point_rear: float, curve: Curve) -> float:
    """How far a point stands off a curve of short straights, as a share of its distance from the origin."""
    best = math.inf
    ends = list(zip(curve.front, curve.rear, strict=True))
    for (a, b), (c, d) in pairwise(ends):
        length = (c - a) ** 2 + (d - b) ** 2
        along = min(1, max(0, ((point_front - a) * (c - a) + (point_rear - b) * (d - b)) / length)) if length else 0
        best = min(best, math.hypot(a + along * (c - a) - point_front, b + along * (d - b) - point_rear))
    return best / math.hypot(point_front, point_rear)


@pytest.mark.parametrize("seed", range(SYSTEMS))
def test_the_force_balance_picture_is_of_one_piece(seed: int) -> None:
    car, setup, state = drawn(seed)
    answer: StateAnswer = assess(car, setup, [state], with_working=False).states[0]
    picture = answer.force_balance
    first, curve = picture.first_lock, picture.front_locks if answer.first == "front" else picture.rear_locks
    straight = not (car.front_tyre.load_sensitivity or car.rear_tyre.load_sensitivity)
    off = 1e-9 if straight else 3e-3
    assert first.front / (first.front + first.rear) == pytest.approx(answer.first_share)
    assert near(first.front, first.rear, picture.path) < 1e-9
    for part in (0.2, 0.6, 1.0):
        assert near(*slow.road_forces(car, setup, part * answer.first_foot_force), picture.path) < 1e-9
    assert near(first.front, first.rear, curve) < off
    if picture.rear_lock.front + picture.rear_lock.rear > 0:
        assert near(picture.rear_lock.front, picture.rear_lock.rear, picture.rear_locks) < off
    if not answer.rear_lifts:
        for line in (picture.front_locks, picture.rear_locks):
            if line.front:
                assert near(picture.limit.front, picture.limit.rear, line) < off
    assert (picture.ideal.front[0], picture.ideal.rear[0]) == pytest.approx((0, 0), abs=1e-9)
    assert (picture.ideal.front[-1], picture.ideal.rear[-1]) == pytest.approx(
        (picture.limit.front, picture.limit.rear), rel=1e-9, abs=1e-6
    )
    totals = [front + rear for front, rear in zip(picture.ideal.front, picture.ideal.rear, strict=True)]
    assert totals == sorted(totals)
    # Along the curve both axles use the same part of what they can give, unless brakes would have to push.
    engine = slow.engine(car)
    for front, rear in list(zip(picture.ideal.front, picture.ideal.rear, strict=True))[5::5]:
        can = slow.capacities(car, state, front + rear + sum(engine))
        if front > 0 and rear > 0 and not answer.rear_lifts:
            assert (front + engine[0]) / can[0] == pytest.approx((rear + engine[1]) / can[1], rel=1e-6)


@pytest.mark.parametrize("seed", range(8))
def test_lines_of_equal_deceleration_reach_past_the_highest(seed: int) -> None:
    car, setup, state = drawn(seed)
    answer = assess(car, setup, [state], with_working=False).states[0]
    lines = answer.force_balance.deceleration_lines
    assert lines.decelerations[-1] > answer.limit_deceleration
    mass, others = slow.loaded(car, state.load)[0], slow.drag(car, state) + sum(slow.engine(car))
    for deceleration, total in zip(lines.decelerations, lines.total_forces, strict=True):
        assert total == pytest.approx(mass * deceleration - others, rel=1e-6)
    step = 0.2 if answer.limit_deceleration < 2 * 9.80665 else 0.5
    gaps = {round((b - a) / 9.80665, 6) for a, b in pairwise(lines.decelerations)}
    assert gaps == {step}
