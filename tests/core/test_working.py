"""The working on the screen is arithmetic that gives the number on the screen."""

import math
import re
from collections import Counter
from collections.abc import Iterator
from typing import Any

import pytest
from hypothesis import given, reject, settings

from plimbo.cli.demo_data import CARS
from plimbo.core import Car, OutOfRange, Setup, State, assess, evaluate_measurements, survey
from plimbo.core.working.formula import READ, SOLVED
from plimbo.core.working.steps import Step
from tests import strategies, w1

SIGNS = {"π": "math.pi", "·": "*", "−": "-", "²": "**2", "³": "**3", "½": "0.5", "√": "math.sqrt", "^": "**"}
CALCULATOR = {"math": math, "min": min, "max": max, "tan": math.tan, "arctan": math.atan, "arcsin": math.asin}


def filled(text: str, step: Step, steps: tuple[Step, ...]) -> str:
    """The written formula with its numbers, in a calculator's signs."""
    text = "".join(SIGNS.get(sign, sign) for sign in text)
    values = [steps[index].value for index in step.inputs]
    return re.sub(r"\{(\d+)\}", lambda match: f"({values[int(match[1])]!r})", text)


def follow(steps: tuple[Step, ...]) -> Counter[str]:
    """Check every written formula as one would with a calculator; how many of each kind were checked."""
    followed: Counter[str] = Counter()
    for step in steps:
        if not step.formula or "∫" in step.formula or step.formula.startswith(READ) or step.value is None:
            continue
        if any(steps[index].value is None for index in step.inputs):
            continue
        if step.formula.startswith(SOLVED):
            # The number was found by trial: both sides must come out alike with it.
            equation, *lets = re.split(r", (?=[A-Z] = )", filled(step.formula.removeprefix(SOLVED), step, steps))
            names = {"F": step.value, "N": step.value}
            for let in lets:
                name, text = let.split(" = ")
                names[name] = eval(text, CALCULATOR | names)
            left, right = (eval(side, CALCULATOR | names) for side in equation.split(" = "))
            # Past the peak of a tyre the law that is written no longer holds.
            if not peaked(step, steps, names):
                assert left == pytest.approx(right, rel=1e-8), step
                followed["solved"] += 1
        else:
            found = float(eval(filled(step.formula, step, steps), CALCULATOR))
            assert found == pytest.approx(step.value, rel=1e-9, abs=1e-12), step
            followed["plain"] += 1
    return followed


def peaked(step: Step, steps: tuple[Step, ...], names: dict[str, float]) -> bool:
    """Whether one of the loads in it is beyond where its tyres give most."""
    inputs = [steps[index] for index in step.inputs]
    peaks = [math.inf]
    for sensitivity in (one for one in inputs if one.name.startswith("Load sensitivity") and one.value):
        end = sensitivity.name.split(", ")[1]
        load = next(one.value for one in inputs if one.dimension == "force" and one.symbol in (f"N_ref,{end[0]}",))
        peaks.append(load * (1 + sensitivity.value) / sensitivity.value)
    return any(names.get(name, 0) > min(peaks) * (1 - 1e-9) for name in ("N", "M"))


@settings(max_examples=60, deadline=None)
@given(strategies.cars() | strategies.full_cars(), strategies.setups(), strategies.states | strategies.cold_states)
def test_every_written_formula_gives_its_number(car: Car, setup: Setup, state: State) -> None:
    try:
        answer = assess(car, setup, [state]).states[0]
    except OutOfRange:
        reject()
    followed = follow(answer.steps)
    assert followed["plain"] > 50
    if car.front_tyre.load_sensitivity > 0.02 and car.front_tyre.load_sensitivity < 0.1 and not answer.rear_lifts:
        assert followed["solved"] >= 1


@settings(max_examples=20, deadline=None)
@given(strategies.full_cars(), strategies.setups(), strategies.states)
def test_every_written_formula_of_the_survey_gives_its_number(car: Car, setup: Setup, state: State) -> None:
    try:
        result = survey(car, setup, [state]).states[0]
    except OutOfRange:
        reject()
    assert follow(result.steps)["plain"] > 30
    assert result.steps[result.headlines["stop.distance"]].value == pytest.approx(result.stop.distance)
    assert result.steps[result.headlines["stop.time"]].value == pytest.approx(result.stop.time)


def test_every_written_formula_of_the_measurements_gives_its_number() -> None:
    result = evaluate_measurements(CARS[0][0])
    assert follow(result.steps)["plain"] > 20
    document = result.model_dump()
    for key, index in result.headlines.items():
        value: Any = document
        for name in key.split("."):
            value = value[int(name)] if name.isdigit() else value[name]
        assert result.steps[index].value == value, key


@settings(max_examples=20, deadline=None)
@given(strategies.cars() | strategies.full_cars(), strategies.setups(), strategies.states)
def test_asking_for_the_working_changes_no_number(car: Car, setup: Setup, state: State) -> None:
    try:
        with_working = assess(car, setup, [state]).model_dump()
    except OutOfRange:
        reject()
    without = assess(car, setup, [state], with_working=False).model_dump()
    for answer in with_working["states"]:
        answer["steps"], answer["headlines"] = (), {}
    result, plain = dict(leaves(with_working)), dict(leaves(without))
    assert result.keys() == plain.keys()
    for path, value in result.items():
        # Sums over the stop may add up in another order, and so all that comes of them.
        summed = isinstance(value, float) and any(part in path for part in ("stop", "energy", "disc", "verdicts"))
        assert plain[path] == (pytest.approx(value, rel=1e-9, abs=1e-9) if summed else value), path


def leaves(answer: Any, path: str = "") -> Iterator[tuple[str, Any]]:
    """Everything in an answer that holds nothing more, by its path."""
    if isinstance(answer, dict | list | tuple):
        for key, part in answer.items() if isinstance(answer, dict) else enumerate(answer):
            yield from leaves(part, f"{path}.{key}")
    else:
        yield path, answer


def test_every_headline_number_of_the_answer_has_its_working() -> None:
    answer = assess(w1.CAR, w1.SETUP, [w1.FAST]).states[0]
    document = answer.model_dump()

    def value_at(path: str) -> float | None:
        place = document
        for name in path.split("."):
            place = place[name]
        return place  # type: ignore[return-value]

    inside = {
        "rod_force",
        "push",
        "front.has.pad_friction",
        "rear.has.pad_friction",
        "front.has.cylinder_area",
        "rear.has.cylinder_area",
        "front.has.mechanical_index",
    }
    inside |= {"rear.has.mechanical_index"}
    for path, index in answer.headlines.items():
        if path not in inside:
            # By arrays and by single numbers the last digit may differ.
            assert answer.steps[index].value == pytest.approx(value_at(path), rel=1e-12), path
    for end in ("front", "rear"):
        for group in ("has", "needs"):
            for name in document[end][group]:
                assert f"{end}.{group}.{name}" in answer.headlines
    for name in ("force_share", "pressure_share", "index_share", "ideal_share", "efficiency", "first_foot_force"):
        assert name in answer.headlines


def test_own_defaults_are_marked_as_assumed_until_confirmed() -> None:
    def assumed(car: Car) -> dict[str, str | None]:
        steps = assess(car, w1.SETUP, [w1.STATIC]).states[0].steps
        return {step.name: step.assumption for step in steps}

    assert "3 %" in str(assumed(w1.CAR)["Energy in turning parts"])
    assert assumed(w1.CAR)["Mass"] is None
    confirmed = w1.CAR.model_copy(update={"confirmed": ("rotating_share",)})
    assert assumed(confirmed)["Energy in turning parts"] is None
    assert "car.rotating_share" in assess(w1.CAR, w1.SETUP).assumptions
    assert "car.rotating_share" not in assess(confirmed, w1.SETUP).assumptions
