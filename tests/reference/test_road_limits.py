"""Adhesion utilisation against the limits for passenger cars: UN Regulation 13-H, Annex 5 (from memory).

The front's curve above the rear's for 0.15 ≤ z ≤ 0.80, and z ≥ 0.1 + 0.7·(k − 0.2) for 0.2 ≤ k ≤ 0.8.
"""

import pytest

from plimbo.core import Car, Setup, State, survey
from plimbo.core.braking.adhesion import AdhesionCurves
from tests import w1


def judged(force_share: float, **changes: object) -> AdhesionCurves:
    """A 1 400 kg road car with χ = h/L = 0.2 whose setup has this front share of brake force."""
    road = {"mass": 1400.0, "front_share": 0.60, "wheelbase": 2.60, "cg_height": 0.52, "drag_area": 0.7}
    car = Car.model_validate(w1.CAR.model_dump() | road | {"engine_braking": 300.0} | changes)
    return survey(car, with_share(car, force_share), [State(name="Dry", speed=30)]).adhesion[0]


def with_share(car: Car, share: float) -> Setup:
    """Rear pads that give this share: brake force goes with pad friction."""
    now = survey(car, w1.SETUP, [State(name="Dry", speed=30)]).adhesion[0]
    # f = φ·z/(w + z·χ) at the front, so φ from what the front needs at z = 0.8.
    chi = car.cg_height / car.wheelbase
    has = now.front_at_top * (car.front_share + 0.8 * chi) / 0.8
    friction = 0.45 * has / (1 - has) * (1 - share) / share
    return w1.SETUP.patched({"rear.pad.friction": friction})


def at(curve: tuple[float | None, ...], rates: tuple[float, ...], rate: float) -> float | None:
    return curve[min(range(len(rates)), key=lambda n: abs(rates[n] - rate * 9.80665))]


def test_a_setup_that_meets_them() -> None:
    """φ = 0.77: at z = 0.8 the front needs 0.77·0.8/0.76 = 0.811, the rear 0.23·0.8/0.24 = 0.767."""
    answer = judged(0.77)
    assert answer.meets_road_limits
    assert (answer.rear_above_from, answer.over_line_at) == (None, None)
    assert "within the road-car limits" in answer.words.shown()
    assert (answer.front_at_top, answer.rear_at_top) == pytest.approx((0.81053, 0.76667), abs=1e-5)
    assert at(answer.front, answer.rates, 0.5) == pytest.approx(0.77 * 0.5 / 0.7)
    assert at(answer.rear, answer.rates, 0.5) == pytest.approx(0.23 * 0.5 / 0.3)


def test_a_setup_whose_rear_comes_first_on_the_road() -> None:
    """φ = 0.68: the curves cross where φ − w = z·χ, at z = 0.08/0.2 = 0.40."""
    answer = judged(0.68)
    assert not answer.meets_road_limits
    assert (answer.rear_above_from or 0) / 9.80665 == pytest.approx(0.40, abs=0.0051)
    assert "From 0.40 g the rear needs more grip than the front" in answer.words.shown()


def test_a_setup_that_wastes_the_rear() -> None:
    """w = 0.45, φ = 0.95: at z = 0.2 the front needs 0.95·0.2/0.49 = 0.388, the line allows 0.24/0.7 = 0.343."""
    answer = judged(0.95, front_share=0.45)
    assert not answer.meets_road_limits
    assert answer.rear_above_from is None
    assert at(answer.front, answer.rates, 0.2) == pytest.approx(0.3878, abs=5e-5)
    assert answer.over_line_at is not None
    rate = answer.over_line_at / 9.80665
    assert at(answer.front, answer.rates, rate) > (rate + 0.04) / 0.7  # type: ignore[operator]
    assert "the front axle needs" in answer.words.shown()


def test_the_line_is_the_published_one_and_wings_drag_and_engine_are_left_out() -> None:
    answer = judged(0.77)
    assert list(zip(answer.line_rates, answer.line, strict=True)) == [
        (pytest.approx(0.1 * 9.80665), pytest.approx(0.2)),
        (pytest.approx(0.52 * 9.80665), pytest.approx(0.8)),
    ]
    still = judged(0.77, engine_braking=0.0, drag_area=0.0, front_lift_area=0.0, rear_lift_area=0.0)
    assert (still.front_at_top, still.rear_at_top) == pytest.approx((answer.front_at_top, answer.rear_at_top))


def test_rear_wheels_in_the_air_have_no_utilisation_and_meet_nothing() -> None:
    answer = judged(0.77, cg_height=1.2, wheelbase=1.8)
    assert answer.rear[-1] is None
    assert answer.rear_at_top is None
    assert not answer.meets_road_limits
