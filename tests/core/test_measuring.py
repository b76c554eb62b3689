"""Grip from the log and areas from forces, by hand; and readings that cannot be."""

from typing import Any

import pytest

from plimbo.core import Car, Measurements, State, assess, evaluate_measurements
from tests import w1

G = 9.80665


def measured(readings: dict[str, Any], **changes: Any) -> Measurements:
    return evaluate_measurements(Car.model_validate(w1.CAR.model_dump() | {"measured": readings} | changes))


def test_without_wings_the_best_deceleration_in_g_is_the_grip() -> None:
    """About the same number for a car without downforce: common practice."""
    result = measured({"logged": {"deceleration": 1.18 * G}}, front_lift_area=0.0, rear_lift_area=0.0)
    assert result.logged.front_friction == pytest.approx(1.18)
    assert result.logged.takes == {"front_tyre.friction": 1.18, "rear_tyre.friction": 1.18}
    assert result.logged.advice is None


def test_downforce_and_drag_are_taken_out_by_hand() -> None:
    car = {"drag_area": 0.7, "air": {"altitude": 0, "temperature": 288.15}}
    result = measured({"logged": {"deceleration": 19.0, "speed": 50, "track": "damp"}}, **car).logged
    pressure = 0.5 * 1.225 * 50**2
    force = 640 * 19.0 - pressure * 0.7
    assert result.tyre_force == pytest.approx(force, rel=1e-4)
    by_hand = force / (640 * G + pressure * 1.4) / 0.8
    assert (result.front_friction, result.rear_friction) == pytest.approx((by_hand, by_hand), rel=1e-4)


def test_without_the_speed_the_air_is_left_in_and_that_is_said() -> None:
    result = measured({"logged": {"deceleration": 15.0}}).logged
    assert result.front_friction == pytest.approx(15 / G)
    assert result.advice is not None
    assert "Give the speed too" in result.advice.shown()


def test_the_grip_taken_over_brings_the_limit_to_what_was_logged() -> None:
    """Different tyres, load sensitivity, engine braking: with the new grip both axles' limit is the logged stop."""
    tyres = {
        "front_tyre": {"friction": 1.0, "load_sensitivity": 0.12, "loaded_radius": 0.28},
        "rear_tyre": {"friction": 1.2, "load_sensitivity": 0.05, "loaded_radius": 0.29},
    }
    readings = {"logged": {"deceleration": 17.0, "speed": 45}}
    changes: dict[str, Any] = tyres | {"drag_area": 0.6, "engine_braking": 400.0}
    result = measured(readings, **changes).logged
    assert (result.rear_friction or 0) / (result.front_friction or 1) == pytest.approx(1.2)
    for end, friction in (("front_tyre", result.front_friction), ("rear_tyre", result.rear_friction)):
        changes[end] = tyres[end] | {"friction": friction}
    car = Car.model_validate(w1.CAR.model_dump() | changes)
    answer = assess(car, w1.SETUP, [State(name="as logged", speed=45)], with_working=False).states[0]
    assert answer.limit_deceleration == pytest.approx(17.0, rel=1e-9)


@pytest.mark.parametrize(
    ("logged", "changes", "words"),
    [
        ({"deceleration": 1.0, "speed": 60}, {"drag_area": 1.0}, "Drag and engine braking alone give that much"),
        ({"deceleration": 59.0}, {}, "would lift the rear wheels"),
        ({"deceleration": 33.0}, {"cg_height": 0.1}, "No tyre grips like that"),
        ({"deceleration": 9.0, "track": "wet"}, {"engine_braking": 9000.0}, "engine braking alone takes all the grip"),
    ],
)
def test_logs_that_cannot_be_are_told(logged: dict[str, Any], changes: dict[str, Any], words: str) -> None:
    result = measured({"logged": logged}, **changes).logged
    assert words in result.complaints[0].message.shown()
    assert (result.front_friction, result.takes) == (None, {})


def test_areas_from_forces_by_hand() -> None:
    """½·1.225·50² = 1 531 Pa; 100 kg of load at the front are 980.7 N."""
    air = {"altitude": 0, "temperature": 288.15}
    result = measured({"downforce": {"speed": 50, "front": 980.665, "drag": 1225.0}}, air=air).downforce
    assert result.front_lift_area == pytest.approx(980.665 / 1531.2, rel=1e-4)
    assert result.drag_area == pytest.approx(0.8, rel=1e-4)
    assert result.rear_lift_area is None
    assert set(result.takes) == {"front_lift_area", "drag_area"}


def test_forces_of_the_air_that_mean_nothing_are_told() -> None:
    result = measured({"downforce": {"front": 900}}).downforce
    assert result.complaints[0].path == "car.measured.downforce.speed"
    result = measured({"downforce": {"speed": 20, "front": 5000, "rear": 300}}).downforce
    assert result.complaints[0].path == "car.measured.downforce.front"
    assert set(result.takes) == {"rear_lift_area"}
