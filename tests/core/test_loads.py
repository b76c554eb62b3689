"""What comes and goes: loads by hand, and what cannot be carried."""

from typing import Any

import pytest
from pydantic import ValidationError

from plimbo.core import Car, OutOfRange, State, assess
from tests import w1

# 640 kg, 0.45 on the front, L 2.32 m, h 0.37 m, weighed with the driver out and 30 of 60 kg of fuel aboard.
ITEMS: list[dict[str, Any]] = [
    {"name": "Driver", "mass": 80.0, "behind_front_axle": 1.0, "height": 0.50, "on_scales": 0.0},
    {"name": "Fuel", "mass": 60.0, "behind_front_axle": 1.8, "height": 0.30, "on_scales": 0.5},
]


def loaded(items: list[dict[str, Any]], shares: list[float], **changes: Any) -> Car:
    loading = {"items": items, "states": [{"name": "Raced", "shares": shares}]}
    return Car.model_validate(w1.CAR.model_dump() | {"loading": loading} | changes)


def answer(car: Car):  # type: ignore[no-untyped-def]
    return assess(car, w1.SETUP, [State(name="s", load="Raced", speed=0)]).states[0]


def test_driver_in_and_tank_full_by_hand() -> None:
    result = answer(loaded(ITEMS, [1.0, 1.0])).car
    # 640 + 80 + 30 kg; moments about the front axle 640·1.276 + 80·1.0 + 30·1.8, about the ground
    # 640·0.37 + 80·0.5 + 30·0.3.
    assert result.mass == pytest.approx(750)
    assert result.front_share == pytest.approx(1 - (640 * 1.276 + 80 + 54) / 750 / 2.32, rel=1e-12)
    assert result.cg_height == pytest.approx((640 * 0.37 + 40 + 9) / 750, rel=1e-12)


def test_what_is_aboard_as_on_the_scales_changes_nothing() -> None:
    assert answer(loaded(ITEMS, [0.0, 0.5])).car.mass == 640
    as_weighed = assess(loaded(ITEMS, [1, 1]), w1.SETUP, [State(name="s", speed=0)]).states[0]
    assert (as_weighed.car.mass, as_weighed.car.cg_height) == (640, 0.37)


def test_the_reference_load_of_a_tyre_stays_that_of_the_weighing() -> None:
    tyre = w1.CAR.front_tyre.model_copy(update={"load_sensitivity": 0.1})
    car = loaded(ITEMS, [1.0, 1.0], front_tyre=tyre)
    result = answer(car)
    reference = 640 * 9.80665 * 0.45 / 2
    each = result.front.limit_load / 2
    assert result.front.needs.brake_force == pytest.approx(
        1.3 * (1 - 0.1 * (each - reference) / reference) * result.front.limit_load
    )


@pytest.mark.parametrize(
    ("items", "shares", "words"),
    [
        ([ITEMS[0] | {"mass": 700.0, "on_scales": 1.0}], [0.0], "more is taken off than the car weighs"),
        ([ITEMS[0] | {"mass": 900.0, "behind_front_axle": 8.0}], [1.0], "the weight stands outside the wheels"),
        ([ITEMS[0] | {"mass": 200.0, "height": 2.5, "on_scales": 1.0}], [0.0], "the weight sits below the ground"),
    ],
)
def test_loads_that_cannot_be_carried_are_told(items: list[dict[str, Any]], shares: list[float], words: str) -> None:
    with pytest.raises(OutOfRange, match=words) as result:
        answer(loaded(items, shares))
    assert result.value.path == "car.loading"


@pytest.mark.parametrize(
    ("changes", "words"),
    [
        ({"loading": {"items": ITEMS, "states": [{"name": "Raced", "shares": [1.0]}]}}, "2 shares are needed"),
        ({"loading": {"items": [ITEMS[0], ITEMS[0]], "states": []}}, "Two items have the same name"),
        ({"loading": {"states": [{"name": "As weighed"}]}}, "Two loads have the same name"),
        (
            {"states": [{"name": "s", "load": "Towed", "speed": 0}]},
            "wants the load “Towed”, which the car does not have",
        ),
        ({"measured": {"logged": {"load": "Towed"}}}, "The log was in load “Towed”"),
        ({"trial_stop": {"from_speed": 20, "to_speed": 20}}, "must end slower than it starts"),
    ],
)
def test_loads_and_states_must_fit_together(changes: dict[str, Any], words: str) -> None:
    with pytest.raises(ValidationError, match=words):
        Car.model_validate(w1.CAR.model_dump() | changes)


def test_a_bare_grip_of_the_first_release_finds_its_track() -> None:
    tracks = [
        State.model_validate({"name": "s", "grip": grip, "speed": 0}).track for grip in (1.0, 0.85, 0.75 / 1.3, 0.3)
    ]
    assert tracks == ["dry", "damp", "wet", "wet"]
