"""The draws against a plain loop over single assessments, and what must hold of them."""

import numpy as np
import pytest

from plimbo.core import Car, Setup, assess, estimate_uncertainty
from plimbo.core.braking.likely_cars import SEED
from tests import w1
from tests.core.test_slow_twin import drawn


def one_by_one(car: Car, setup: Setup, count: int) -> list[float]:
    """Each draw fitted to car and setup, which are then judged as usual."""
    draws = np.random.default_rng(SEED).uniform(-1, 1, (count, 5))
    rear_first = np.zeros(len(car.states))
    for pad_front, pad_rear, tyre, difference, height in draws.tolist():
        changed = car.model_dump()
        changed["cg_height"] += car.doubt.cg_height * height
        for end, sign in (("front", 1), ("rear", -1)):
            off = car.doubt.tyre_friction * tyre + sign * car.doubt.tyre_difference / 2 * difference
            changed[f"{end}_tyre"]["friction"] += off
        pads = {
            "front.pad.friction": setup.front.pad.friction * (1 + car.doubt.pad_friction * pad_front),
            "rear.pad.friction": setup.rear.pad.friction * (1 + car.doubt.pad_friction * pad_rear),
        }
        answer = assess(Car.model_validate(changed), setup.patched(pads), with_working=False)
        rear_first += [state.first == "rear" for state in answer.states]
    return (rear_first / count).tolist()


@pytest.mark.parametrize("seed", [0, 1, 5])
def test_the_draws_are_those_of_a_plain_loop(seed: int) -> None:
    car, setup, state = drawn(seed)
    car = car.model_copy(update={"states": (state, state.model_copy(update={"name": "slower", "speed": 10.0}))})
    result = estimate_uncertainty(car, setup, draws=250)
    assert [one.rear_first for one in result.states] == one_by_one(car, setup, 250)


def test_same_seed_same_answer_and_more_draws_begin_with_the_same() -> None:
    assert estimate_uncertainty(w1.CAR, w1.SETUP, [w1.STATIC]) == estimate_uncertainty(w1.CAR, w1.SETUP, [w1.STATIC])
    few, many = (estimate_uncertainty(w1.CAR, w1.SETUP, draws=count) for count in (20_000, 100_000))
    for one, other in zip(few.states, many.states, strict=True):
        assert one.rear_first == pytest.approx(other.rear_first, abs=0.01)
    assert many.worst.rear_first == max(one.rear_first for one in many.states)


@pytest.mark.parametrize(
    ("doubt", "title"),
    [
        ("pad_friction", "pad μ"),
        ("tyre_friction", "Tyre grip"),
        ("cg_height", "CG height"),
        ("tyre_difference", "Front against"),
    ],
)
def test_the_only_thing_in_doubt_has_all_the_doubt(doubt: str, title: str) -> None:
    none = {"pad_friction": 0, "tyre_friction": 0, "tyre_difference": 0, "cg_height": 0}
    car = Car.model_validate(w1.CAR.model_dump() | {"doubt": none | {doubt: 0.03}})
    inputs = estimate_uncertainty(car, w1.SETUP, [w1.STATIC]).worst.inputs
    assert sum(one.share for one in inputs if title in one.title) == pytest.approx(1, abs=0.01)
    assert sum(one.share for one in inputs if title not in one.title) == pytest.approx(0, abs=1e-4)


def test_nothing_in_doubt_is_sure() -> None:
    none = {"pad_friction": 0, "tyre_friction": 0, "tyre_difference": 0, "cg_height": 0}
    car = Car.model_validate(w1.CAR.model_dump() | {"doubt": none})
    result = estimate_uncertainty(car, w1.SETUP, [w1.STATIC, w1.WET], draws=1000)
    assert [one.rear_first for one in result.states] == [1, 0]
    assert all(one.share == 0 for one in result.worst.inputs)


def test_shares_follow_the_sizes_of_the_doubts() -> None:
    """Pads ±10 % move the front share by about φ(1 − φ)·0.1 each; CG ±20 mm moves the ideal by μ·0.02/L: by hand."""
    inputs = {one.title: one.share for one in estimate_uncertainty(w1.CAR, w1.SETUP, [w1.STATIC]).worst.inputs}
    share = 0.60563
    by_hand = (share * (1 - share) * 0.10 / (1.30 * 0.02 / 2.32)) ** 2
    assert inputs["Front pad μ"] / inputs["CG height"] == pytest.approx(by_hand, rel=0.15)
    assert inputs["Front pad μ"] == pytest.approx(inputs["Rear pad μ"], rel=0.03)
    assert sum(inputs.values()) == pytest.approx(1, abs=0.03)
