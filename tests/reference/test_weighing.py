"""The raised-axle weighing of Milliken & Milliken, Race Car Vehicle Dynamics, and of Reimpell (from memory)."""

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings

from plimbo.core import Car, evaluate_measurements
from plimbo.core.vehicle.weighing import WeighingAnswer
from tests import w1
from tests.strategies import between

CORNERS = {"front_left": 150.0, "front_right": 154.0, "rear_left": 196.0, "rear_right": 200.0}
RAISED = {"raised_front": 315.0, "raised_rear": 385.0, "lift": 0.40}


def weighed(readings: dict[str, Any], **changes: Any) -> WeighingAnswer:
    car = w1.CAR.model_dump() | {"wheelbase": 2.54} | changes
    for end, radius in (("front", 0.28), ("rear", 0.30)):
        car[f"{end}_tyre"]["loaded_radius"] = radius
    return evaluate_measurements(Car.model_validate(car | {"measured": {"weighing": readings}})).weighing


def test_worked_weighing_by_hand() -> None:
    answer = weighed(CORNERS | RAISED)
    # 150 + 154 + 196 + 200 kg; 304 of 700 at the front; left 346; cross 154 + 196.
    assert (answer.mass, answer.front_share) == (700, pytest.approx(0.43429, abs=5e-6))
    assert (answer.left_share, answer.cross_share) == (pytest.approx(0.49429, abs=5e-6), pytest.approx(0.5))
    # Hub line: 0.43429 · 280 + 0.56571 · 300 mm. sin θ = 400/2540: θ 9.0607°, tan θ 0.159468.
    assert answer.hub_height == pytest.approx(0.291314, abs=5e-7)
    assert math.degrees(answer.tilt or 0) == pytest.approx(9.0607, abs=5e-5)
    # The front gains 11 kg: 11 · 2540 / (700 · 0.159468) = 250.3 mm over the hubs.
    assert answer.front_gain == 11
    assert answer.cg_height == pytest.approx(0.291314 + 0.250296, abs=1e-5)
    assert answer.takes["cg_height"] == answer.cg_height
    assert answer.complaints == ()


def test_a_measured_hub_height_and_axle_scales() -> None:
    answer = weighed({"scales": "axles", "front": 304.0, "rear": 396.0, "hub_height": 0.27} | RAISED)
    assert answer.cg_height == pytest.approx(0.27 + 0.250296, abs=1e-5)
    assert (answer.left_share, answer.cross_share) == (None, None)


@settings(max_examples=80, deadline=None)
@given(between(350, 1900), between(0.34, 0.66), between(0.32, 0.75), between(1.6, 3.1), between(0.1, 0.3))
def test_a_point_mass_on_a_tilted_beam_is_found_again(
    mass: float, front_share: float, height: float, wheelbase: float, lifted: float
) -> None:
    """Statics: the mass stands on two scales under the hubs, the rear one raised; moments give what they read."""
    hubs, lift = 0.30, lifted * wheelbase
    angle = math.asin(lift / wheelbase)
    behind = (1 - front_share) * wheelbase * math.cos(angle) - (height - hubs) * math.sin(angle)
    raised_front = mass * (1 - behind / (wheelbase * math.cos(angle)))
    readings = {"front": mass * front_share, "rear": mass * (1 - front_share), "hub_height": hubs, "lift": lift}
    readings |= {"raised_front": raised_front, "raised_rear": mass - raised_front}
    answer = weighed({"scales": "axles"} | readings, wheelbase=wheelbase)
    assert answer.cg_height == pytest.approx(height, rel=1e-9)
    assert answer.complaints == ()


@pytest.mark.parametrize("scales", ["corners", "axles"])
@pytest.mark.parametrize(("lift", "gain"), [(0.25, 7.0), (0.40, 11.0), (0.80, 23.0)])
def test_the_error_is_that_of_a_large_random_sample(scales: str, lift: float, gain: float) -> None:
    """±0.5 kg on each scale and ±2 mm of lift, as standard deviations."""
    corners = scales == "corners"
    readings = CORNERS if corners else {"front": 304.0, "rear": 396.0}
    answer = weighed({"scales": scales, "raised_front": 304 + gain, "lift": lift} | readings)
    chance = np.random.default_rng(7)
    off = chance.normal(0, 0.5, (6 if corners else 3, 400_000))
    front, rear, raised = (off[:2].sum(0), off[2:4].sum(0), off[4:].sum(0)) if corners else off
    front, rear, raised = 304 + front, 396 + rear, 304 + gain + raised
    lifts = lift + chance.normal(0, 0.002, 400_000)
    heights = (raised - front) * 2.54 / ((front + rear) * np.tan(np.arcsin(lifts / 2.54)))
    assert answer.cg_error == pytest.approx(float(heights.std()), rel=0.01)
    assert answer.cg_error == pytest.approx(math.hypot(answer.scales_error or 0, answer.lift_error or 0))


def test_too_unsure_a_height_gets_the_lift_that_would_do() -> None:
    answer = weighed(CORNERS | {"raised_front": 310.9, "lift": 0.25})
    assert answer.cg_error is not None
    assert answer.cg_error > 0.015
    assert answer.advice is not None
    assert answer.advice.shown() == "Known to ±36.9 mm only. Raise the rear by 610 mm or more to know it to ±15 mm."
    # The same car at that lift: the gain grows with tan θ, from 0.0989 to 0.2474.
    higher = weighed(CORNERS | {"raised_front": 304 + 6.9 * 0.2474 / 0.0989, "lift": 0.61})
    assert higher.cg_error is not None
    assert higher.cg_error == pytest.approx(0.015, abs=0.0003)
    assert higher.advice is None
    coarse = weighed(CORNERS | {"raised_front": 310.9, "lift": 0.25, "scale_error": 5.0})
    assert coarse.advice is not None
    assert "use scales that read finer" in coarse.advice.shown()


@pytest.mark.parametrize(
    ("readings", "field", "words"),
    [
        (
            RAISED | {"raised_rear": 370.0},
            "raised_rear",
            "Raised, the scales show 685.0 kg in all, on the level 700.0 kg",
        ),
        (RAISED | {"lift": 2.6}, "lift", "A lift of 2600 mm is beyond the wheelbase of 2540 mm"),
        (RAISED | {"raised_front": 300.0, "raised_rear": 400.0}, "raised_front", "it went from 304.0 kg to 300.0 kg"),
        ({"front_left": 0.0, "front_right": 0.0}, "front_left", "Nothing stands on the front scales."),
        (RAISED | {"raised_front": 380.0, "raised_rear": 320.0}, "raised_front", "Read scales and lift again."),
    ],
)
def test_readings_that_cannot_be_are_told_at_their_field(readings: dict[str, float], field: str, words: str) -> None:
    answer = weighed(CORNERS | readings)
    assert answer.complaints[0].path == f"car.measured.weighing.{field}"
    assert words in answer.complaints[0].message.shown()
    assert answer.cg_height is None
    assert "cg_height" not in answer.takes


def test_half_a_weighing_tells_half() -> None:
    assert weighed({"front_left": 150.0}).mass is None
    answer = weighed(CORNERS)
    assert answer.takes == {"mass": 700, "front_share": pytest.approx(0.43429, abs=5e-6)}
    assert answer.cg_height is None
