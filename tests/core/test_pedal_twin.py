"""The pedal against the slow twin: random systems with every kind of actuation; and its working, line by line."""

import random
from collections import Counter
from typing import Any

import pytest
from hypothesis import given, reject, settings

from plimbo.core import Car, HydraulicsAnalysis, OutOfRange, Setup, State, analyse_hydraulics, assess
from plimbo.core.braking.circuit_failure import BarRest
from plimbo.core.quantities.axles import Axle
from tests import slow, strategies
from tests.built import alone
from tests.core.test_slow_twin import actuate, drawn
from tests.core.test_working import follow

SYSTEMS = 40


def built(seed: int) -> tuple[Car, Setup, State]:
    """A drawn system with hoses, gaps, air and strokes of its own."""
    car, plain, state = drawn(seed)
    chance, setup = random.Random(1000 + seed), plain.model_dump()
    actuate(setup, chance)
    for end in ("front", "rear"):
        setup[end]["lines"] |= {
            "hose": chance.choice(["rubber", "low_expansion", "braided"]),
            "hose_length": chance.uniform(0.2, 2),
        }
        setup[end]["caliper"] |= {
            "mounting": chance.choice(["fixed", "sliding"]),
            "compliance": chance.uniform(5e-14, 4e-13),
            "pad_gap": chance.uniform(0, 3e-4),
            "retention": chance.choice(["none", "anti_knock_back", "residual", "return_limiting"]),
        }
        setup[end]["pad"] |= {"worn": chance.uniform(0, 0.008)}
        setup[end]["disc"] |= {
            "run_out": chance.uniform(0, 3e-4),
            "bell": chance.choice(["one_piece", "bolted", "floating"]),
        }
        setup[end]["master_cylinder"] |= {"stroke": chance.uniform(0.02, 0.04), "dead_stroke": chance.uniform(0, 0.002)}
    setup["fluid"] |= {"air": chance.choice([0, chance.uniform(0, 0.02)])}
    setup["balance_bar"] |= {"tilt_stop": chance.uniform(0.05, 0.6)}
    return car, Setup.model_validate(setup), state


@pytest.mark.parametrize("seed", range(SYSTEMS))
def test_travel_at_first_lock_is_that_of_the_slow_twin(seed: int) -> None:
    car, setup, state = built(seed)
    try:
        result = analyse_hydraulics(car, setup, [state], with_working=False).states[0].lock
    except OutOfRange:
        pytest.skip("lift carries an axle")
    push = min(found for axle in (0, 1) if (found := slow.push_that_locks(car, setup, state, axle)) is not None)
    pressures = slow.caliper_pressures(setup, push)
    strokes = slow.stroke(setup, 0, pressures[0]), slow.stroke(setup, 1, pressures[1])
    assert result.foot_force == pytest.approx(push, rel=1e-6)
    assert (result.front.stroke, result.rear.stroke) == pytest.approx(strokes, rel=1e-6)
    assert result.pedal == pytest.approx(slow.pedal(setup, strokes), rel=1e-6)
    due = [
        slow.stroke(setup, axle, pressures[axle], wear=max(end.pad.worn, end.pad.thickness - 0.003))
        for axle, end in enumerate((setup.front, setup.rear))
    ]
    assert result.worn == pytest.approx(slow.pedal(setup, (due[0], due[1])), rel=1e-6)
    for axle, one in enumerate((result.front, result.rear)):
        pushed = [strokes[0], strokes[1]]
        pushed[axle] = slow.stroke(setup, axle, pressures[axle], back=True)
        assert one.knock_back == pytest.approx(
            slow.pedal(setup, (pushed[0], pushed[1])) - result.pedal, rel=1e-4, abs=1e-7
        )


BARS = 150


def with_a_bar(seed: int) -> tuple[Car, Setup, State]:
    """A drawn system on a balance bar."""
    car, setup, state = built(seed)
    bar = {"split": "bar", "booster.fitted": False, "balance_bar.tilt_stop": random.Random(seed).uniform(0.05, 0.45)}
    return car, setup.patched(bar), state


@pytest.mark.parametrize("seed", range(BARS))
def test_one_circuit_lost_is_that_of_the_slow_twin(seed: int) -> None:
    car, setup, _ = built(seed) if seed % 5 == 0 else with_a_bar(seed)
    for index, axle in enumerate((Axle.FRONT, Axle.REAR)):
        before = 0.0
        for foot in (30.0, 80.0, 200.0, 300.0, 500.0, 900.0):
            result = alone(car, setup, axle, foot)
            pressure, way = slow.alone(setup, index, foot)
            assert result.pressure == pytest.approx(pressure, rel=1e-6)
            assert result.pedal.pedal == pytest.approx(way, rel=1e-6)
            assert pressure >= before * (1 - 1e-12), "it never falls with foot"
            before = pressure


@pytest.mark.parametrize("seed", range(BARS))
def test_the_foot_that_locks_one_axle_alone_is_the_least_that_does(seed: int) -> None:
    car, setup, state = with_a_bar(seed)
    try:
        row = analyse_hydraulics(car, setup, [state], with_working=False).states[0]
    except OutOfRange:
        pytest.skip("lift carries an axle")
    for index, axle in enumerate((Axle.FRONT, Axle.REAR)):
        left = row.failures[axle]
        if left.best_foot_force is None:
            continue
        locks, _ = slow.alone(setup, index, left.best_foot_force * (1 + 1e-9))
        less, _ = slow.alone(setup, index, left.best_foot_force * 0.999)
        force = alone(car, setup, axle, left.best_foot_force * (1 + 1e-9))
        assert force.brake_force == pytest.approx(left.best * slow.loaded(car, state.load)[0], rel=1e-6)
        assert force.pressure == pytest.approx(locks, rel=1e-6)
        assert less < locks


def test_all_ways_of_losing_a_circuit_are_among_them() -> None:
    ways: Counter[BarRest | None] = Counter()
    for seed in range(BARS):
        car, setup, _ = with_a_bar(seed)
        for axle in (Axle.FRONT, Axle.REAR):
            for foot in (30.0, 80.0, 200.0, 300.0, 500.0, 900.0):
                result = alone(car, setup, axle, foot)
                ways[result.rest] += 1
                if axle is Axle.FRONT:  # a valve may hide it at the rear
                    at_bottom = alone(car, setup.patched({"balance_bar.tilt_stop": 0.8}), axle, foot)
                    assert (result.pressure > at_bottom.pressure * (1 + 1e-9)) == (result.rest is not BarRest.BOTTOM)
    assert min(ways[rest] for rest in BarRest) > 20, ways


@settings(max_examples=25, deadline=None)
@given(
    strategies.cars() | strategies.full_cars(), strategies.actuated_setups(), strategies.states | strategies.cold_states
)
def test_every_written_formula_of_the_pedal_and_the_chain_gives_its_number(
    car: Car, setup: Setup, state: State
) -> None:
    try:
        result = analyse_hydraulics(car, setup, [state]).states[0]
        answer = assess(car, setup, [state]).states[0]
    except OutOfRange:
        reject()
    assert follow(result.steps)["plain"] > 60
    assert follow(answer.steps)["plain"] > 50
    document: Any = result.model_dump()
    for key, index in result.headlines.items():
        value = document
        for name in key.split("."):
            value = value[name]
        assert result.steps[index].value == pytest.approx(value), key
    valve = setup.valve.fitted and answer.rear.has.line_pressure > setup.valve.true_knee
    assert any(step.name.startswith("Line pressure behind the valve") for step in answer.steps) == setup.valve.fitted
    if valve:
        assert answer.rear.has.pressure < answer.rear.has.line_pressure


@settings(max_examples=15, deadline=None)
@given(strategies.full_cars(), strategies.actuated_setups())
def test_asking_for_the_working_of_the_pedal_changes_no_number(car: Car, setup: Setup) -> None:
    try:
        result = analyse_hydraulics(car, setup)
    except OutOfRange:
        reject()
    without = analyse_hydraulics(car, setup, with_working=False)

    def bare(work: HydraulicsAnalysis) -> Any:
        document = work.model_dump()
        for state in document["states"]:
            state["steps"], state["headlines"] = (), {}
        return document

    for one, other in zip(bare(result)["states"], bare(without)["states"], strict=True):
        assert one["lock"]["pedal"] == pytest.approx(other["lock"]["pedal"])
        assert [row["deceleration"] for row in one["failures"].values()] == pytest.approx(
            [row["deceleration"] for row in other["failures"].values()]
        )
        assert one["stiffness"] == pytest.approx(other["stiffness"])
    assert bare(result)["card"] == bare(without)["card"]
    assert bare(result)["improvements"] == bare(without)["improvements"]
