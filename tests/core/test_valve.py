"""The valve at work: nothing changes below its knee, the balance past it, and the knee that a state asks for."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from plimbo.core import Setup, analyse_hydraulics, assess, estimate_uncertainty, survey
from plimbo.core.braking.balance_settings import knee_set
from plimbo.core.stepping.joints import joints
from tests import slow, w1
from tests.strategies import between

FITTED = {"valve.kind": "screw", "valve.knee": 15e5, "valve.slope": 0.5}


def judged(setup: Setup):  # type: ignore[no-untyped-def]
    return assess(w1.CAR, setup, [w1.STATIC], with_working=False).states[0]


@settings(max_examples=40, deadline=None)
@given(st.floats(1e5, 1e7), between(0, 1))
def test_below_the_knee_nothing_changes(knee: float, slope: float) -> None:
    without, fitted = (
        judged(w1.SETUP),
        judged(w1.SETUP.patched({"valve.kind": "screw", "valve.knee": knee, "valve.slope": slope})),
    )
    if without.rear.at_first_lock.pressure <= knee and without.rear.has.pressure <= knee:
        assert fitted.first == without.first
        assert fitted.first_deceleration == pytest.approx(without.first_deceleration, rel=1e-12)
        assert fitted.rear.has.pressure == pytest.approx(without.rear.has.pressure, rel=1e-12)
    else:
        assert fitted.rear.has.pressure <= without.rear.has.pressure * (1 + 1e-12)
        assert fitted.first_share >= without.first_share - 1e-12


def test_a_valve_lets_the_rear_of_the_worked_example_come_second() -> None:
    assert judged(w1.SETUP).first == "rear"
    result = judged(w1.SETUP.patched(FITTED))
    assert result.first == "front"
    assert result.rear.has.line_pressure > result.rear.has.pressure


def test_the_balance_over_the_push_is_that_of_the_slow_twin() -> None:
    setup = w1.SETUP.patched(FITTED)
    curve = analyse_hydraulics(w1.CAR, setup, [w1.STATIC], with_working=False).states[0].curve
    assert curve.knee_foot_force in curve.foot_forces
    for foot, front, rear in zip(curve.foot_forces, curve.front, curve.rear, strict=True):
        assert (front, rear) == pytest.approx(slow.caliper_pressures(setup, foot), rel=1e-9, abs=1e-6)


def test_lock_pressures_fall_at_the_rear_and_rise_at_the_front_and_cross_at_lock() -> None:
    setup = w1.SETUP.patched(FITTED)
    result = analyse_hydraulics(w1.CAR, setup, [w1.STATIC], with_working=False).states[0]
    answer = judged(setup)
    curve = result.curve
    assert list(curve.front_locks_at) == sorted(curve.front_locks_at)
    assert list(curve.rear_locks_at) == sorted(curve.rear_locks_at, reverse=True)
    for made, locks_at, push in (
        (curve.front, curve.front_locks_at, answer.front.lock_foot_force),
        (curve.rear, curve.rear_locks_at, answer.rear.lock_foot_force),
    ):
        crossed = [foot for foot, one, other in zip(curve.foot_forces, made, locks_at, strict=True) if one >= other]
        step = curve.foot_forces[-1] / 40
        assert crossed[0] - step <= push <= crossed[0] + 1e-6


def test_with_the_knee_it_asks_for_both_ends_lock_together_but_for_the_tolerance() -> None:
    rear_first = w1.SETUP.patched({"split": "tandem", "tandem.bore": 0.01905, "pad_tolerance": 0.0})
    asked = analyse_hydraulics(w1.CAR, rear_first, [w1.STATIC], with_working=False).states[0].knee_wanted
    assert asked is not None
    result = judged(rear_first.patched({"valve.kind": "screw", "valve.knee": asked}))
    assert result.efficiency == pytest.approx(1, abs=1e-9)
    assert result.front.lock_foot_force == pytest.approx(result.rear.lock_foot_force)
    careful = rear_first.patched({"pad_tolerance": 0.05})
    lower = analyse_hydraulics(w1.CAR, careful, [w1.STATIC], with_working=False).states[0].knee_wanted
    assert lower < asked


def test_a_lever_stands_in_one_of_its_positions_and_steps_through_them() -> None:
    setup = w1.SETUP.patched({"valve.kind": "lever", "valve.knee": 20e5})
    joint = next(one for one in joints(setup) if one.key == "valve")
    assert joint.sizes == (18e5,)
    assert (joint.smaller.sizes, joint.bigger.sizes) == ((12e5,), (26e5,))
    assert (joint.smaller_family.sizes, joint.bigger_family.sizes) == ((12e5,), (62e5,))
    assert judged(setup).rear.has.pressure == judged(setup.patched({"valve.knee": 18e5})).rear.has.pressure


def test_the_draws_and_the_utilisation_know_the_valve() -> None:
    plain, fitted = (
        estimate_uncertainty(w1.CAR, setup, [w1.STATIC], 4000).worst.rear_first
        for setup in (w1.SETUP, w1.SETUP.patched(FITTED))
    )
    assert fitted < 0.5 < plain
    used = survey(w1.CAR, w1.SETUP.patched(FITTED), [w1.STATIC]).adhesion[0]
    weight = w1.CAR.mass * 9.80665
    for rate, front, rear in zip(used.rates[20::20], used.front[20::20], used.rear[20::20], strict=True):
        force = w1.CAR.mass * rate
        push = slow.halved(lambda foot: force - sum(slow.road_forces(w1.CAR, w1.SETUP.patched(FITTED), foot)), 1e5)  # noqa: B023
        at_front, at_rear = slow.road_forces(w1.CAR, w1.SETUP.patched(FITTED), push)
        moved = force * w1.CAR.cg_height / w1.CAR.wheelbase
        assert front == pytest.approx(at_front / (weight * 0.45 + moved), rel=1e-6)
        if rear is not None:
            assert rear == pytest.approx(at_rear / (weight * 0.55 - moved), rel=1e-6)


@settings(max_examples=60, deadline=None)
@given(st.floats(1e3, 1e9), st.sampled_from(["screw", "lever"]))
def test_a_knee_is_set_where_a_valve_can_stand_and_not_over_what_is_wanted(wanted: float, kind: str) -> None:
    setup = w1.SETUP.patched({"valve.kind": kind})
    knee = knee_set(setup, wanted)
    stands = setup.patched({"valve.knee": knee}).valve.true_knee
    assert stands == knee
    assert knee <= wanted or knee == (5e4 if kind == "screw" else setup.valve.positions[0])
    if kind == "screw" and 5e4 <= wanted <= 2e7:
        assert wanted - knee < 5e4
