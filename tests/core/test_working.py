"""The working on the screen is arithmetic that gives the number on the screen."""

import math
import re

import pytest
from hypothesis import given, settings

from plimbo.core import Car, Setup, State, assess
from plimbo.core.working import Step
from tests import strategies, w1

SIGNS = {"π": "math.pi", "·": "*", "−": "-", "²": "**2", "³": "**3", "½": "0.5", "√": "math.sqrt"}


def by_calculator(step: Step, steps: tuple[Step, ...]) -> float:
    """Follow the written formula as one would with a calculator."""
    text = "".join(SIGNS.get(sign, sign) for sign in step.formula or "")
    values = [steps[index].value for index in step.inputs]
    text = re.sub(r"\{(\d+)\}", lambda match: f"({values[int(match[1])]!r})", text)
    return float(eval(text, {"math": math}))


@settings(max_examples=40, deadline=None)
@given(strategies.cars(), strategies.setups(), strategies.states)
def test_every_written_formula_gives_its_number(car: Car, setup: Setup, state: State) -> None:
    answer = assess(car, setup, [state]).states[0]
    followed = 0
    for step in answer.steps:
        if step.formula and "∫" not in step.formula and step.value is not None:
            if any(answer.steps[index].value is None for index in step.inputs):
                continue
            assert by_calculator(step, answer.steps) == pytest.approx(step.value, rel=1e-9, abs=1e-12), step
            followed += 1
    assert followed > 50


@settings(max_examples=20, deadline=None)
@given(strategies.cars(), strategies.setups(), strategies.states)
def test_asking_for_the_working_changes_no_number(car: Car, setup: Setup, state: State) -> None:
    with_working = assess(car, setup, [state]).model_dump()
    without = assess(car, setup, [state], with_working=False).model_dump()
    for answer in with_working["states"]:
        answer["steps"], answer["headlines"] = (), {}
    assert with_working == without


def test_every_headline_number_of_the_answer_has_its_working() -> None:
    answer = assess(w1.CAR, w1.SETUP, [w1.FAST]).states[0]
    document = answer.model_dump()

    def value_at(path: str) -> float | None:
        place = document
        for name in path.split("."):
            place = place[name]
        return place  # type: ignore[return-value]

    inside = {"rod_force", "front.has.cylinder_area", "rear.has.cylinder_area", "front.has.mechanical_index"}
    inside |= {"rear.has.mechanical_index"}
    for path, index in answer.headlines.items():
        if path not in inside:
            assert answer.steps[index].value == value_at(path), path
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
