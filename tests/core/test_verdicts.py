"""What is said of a car and its setup: where a verdict turns, the limits that a car may have, and the doubt."""

import warnings

import pytest
from hypothesis import given, settings

from plimbo.cli.demo_data import CARS
from plimbo.core import Car, OutOfRange, Setup, assess, estimate_uncertainty, judge_heat, survey
from plimbo.core.documents import DrivenAxle, State, Surface
from plimbo.core.verdicts.matter import Verdict
from plimbo.core.verdicts.registry import MATTERS
from tests import strategies, w1

SOUND = w1.SETUP.patched({"rear.master_cylinder.bore": 0.022225})
GRIPPY_IN_THE_WET = w1.CAR.patched({"track_grip.wet": 0.72})


def verdict(car: Car, setup: Setup, key: str) -> Verdict:
    return next(one for one in assess(car, setup, with_working=False).verdicts if one.key == key)


@pytest.mark.parametrize("matter", MATTERS, ids=lambda matter: matter.key)
def test_each_verdict_tells_its_rule_and_its_limits_with_their_numbers(matter) -> None:  # type: ignore[no-untyped-def]
    car, (setup, *_) = CARS[1]
    answer = verdict(car, setup, matter.key)
    assert answer.rule is not None
    for line in answer.rule.lines:
        assert line.text.endswith(".")
        assert len(line.shown()) < 240
    assert any(line.values for line in answer.rule.lines)
    for path in answer.limits:
        of = setup if path.startswith("setup.") else car
        for name in path.split(".")[1:]:
            of = getattr(of, name)
        assert isinstance(of, float)


def test_the_heat_of_a_session_tells_its_rule_too() -> None:
    car, (setup, *_) = CARS[1]
    (session, *_) = judge_heat(car, setup).sessions
    assert session.rule.must.values["limit"].value == car.driver.foot_force_limit
    assert "Disc over 35 K past fade." in session.rule.bad.shown()
    for words in ("Disc within 35 K of fade.", "within 25 K of boiling", "Push over 90 %"):
        assert words in session.rule.watch.shown()


@pytest.mark.parametrize(
    ("path", "value", "key", "word"),
    [
        ("limits.grip_used", 0.75, "lock_order", "Front locks first"),
        ("limits.grip_at_best", 1.0, "lock_order", "Too much front"),
        ("limits.brakes_at_all", 0.9, "lock_order", "Front locks first"),
        ("limits.leg_reserve", 0.5, "leg", "Heavy"),
        ("limits.light_push", 300.0, "leg", "Very light"),
        ("limits.room_used", 0.3, "travel", "Long pedal"),
        ("limits.stroke_left", 0.7, "travel", "Little stroke left"),
        ("limits.stop_heat", 0.4, "heat", "Disc near its limit"),
    ],
)
def test_every_limit_is_the_cars_own(path: str, value: float, key: str, word: str) -> None:
    assert verdict(w1.CAR.patched({path: value}), SOUND, key).word == word


def test_limits_are_no_assumptions_about_the_car_and_stay_in_order() -> None:
    assert not any("limits" in path for path in assess(w1.CAR, SOUND, with_working=False).assumptions)
    with pytest.raises(ValueError, match="must lie past what is to be watched"):
        w1.CAR.patched({"limits.tilt_most": 0.1})


def test_under_four_fifths_of_the_grip_in_any_state_is_to_be_watched() -> None:
    """Where the bar cannot be set for that state: else the card says how it is set, and that is sound."""
    answer = verdict(w1.CAR, SOUND, "lock_order")
    assert (answer.level, answer.word) == ("good", "Front locks first")
    assert "For “Wet, fast” turn the bar {reset} to the rear, see the card." in answer.reason.text
    assert answer.reason.values["efficiency"].value == pytest.approx(0.785, abs=5e-4)
    tight = verdict(w1.CAR.patched({"limits.bar_off_centre": 0.02}), SOUND, "lock_order")
    assert (tight.level, tight.word) == ("watch", "Too much front at times")


def test_rear_first_in_more_than_a_fifth_of_the_draws_is_to_be_watched_with_the_number() -> None:
    plain = verdict(GRIPPY_IN_THE_WET, SOUND, "lock_order")
    assert plain.level == "good"
    sure = estimate_uncertainty(GRIPPY_IN_THE_WET, SOUND)
    chance = sure.worst.rear_first
    surer = estimate_uncertainty(GRIPPY_IN_THE_WET.patched({"limits.draws_rear_first": chance + 0.01}), SOUND)
    doubted = estimate_uncertainty(GRIPPY_IN_THE_WET.patched({"limits.draws_rear_first": chance - 0.01}), SOUND)
    assert (surer.in_doubt, surer.verdict.word) == (False, plain.word)
    assert (doubted.in_doubt, doubted.verdict.level, doubted.verdict.word) == (True, "watch", "Front first, in doubt")
    assert doubted.verdict.reason.values["chance"].value == chance
    assert doubted.verdict.reason.shown().endswith(sure.worst.inputs[0].measure_next)


def test_a_car_that_hardly_brakes_is_bad() -> None:
    """The rears do nothing: 0.3 g of 1.3 is no matter of taste."""
    useless = w1.SETUP.patched({"rear.pad.friction": 0.05, "rear.caliper.pistons": [0.0127]})
    nose_light = w1.CAR.patched({"front_share": 0.2, "cg_height": 0.2})
    answer = verdict(nose_light, useless, "lock_order")
    assert (answer.level, answer.word) == ("bad", "Hardly brakes")


def test_an_exact_tie_is_the_fronts_and_only_just() -> None:
    """Of one state and one share: both ends at the same brake force, to the last digits either way."""
    state = State(name="Flat", track=Surface.DRY, speed=0.0)
    car = w1.CAR.patched({"front_lift_area": 0.0, "rear_lift_area": 0.0})
    ideal = assess(car, w1.SETUP, state, with_working=False).states[0].ideal_share
    now = assess(car, w1.SETUP, state, with_working=False).states[0].force_share
    friction = w1.SETUP.rear.pad.friction * (1 - ideal) / ideal * now / (1 - now)
    for off in (0.0, 1e-13, -1e-13):
        tied = w1.SETUP.patched({"rear.pad.friction": friction * (1 + off), "pad_tolerance": 0.0})
        answer = assess(car, tied, state, with_working=False)
        assert answer.states[0].first == "front"
        assert answer.verdicts[0].word == "Both lock together"
        assert answer.verdicts[0].reason.shown().startswith("Flat: both ends lock within 0.01 g of each other")
        assert estimate_uncertainty(car.patched(NO_DOUBT), tied, state).worst.rear_first == 0


NO_DOUBT = dict.fromkeys(("doubt.pad_friction", "doubt.tyre_friction", "doubt.tyre_difference", "doubt.cg_height"), 0.0)


def test_rear_wheels_that_lift_are_spoken_of() -> None:
    tall = w1.CAR.patched({"cg_height": 0.9, "wheelbase": 1.6, "front_share": 0.6})
    answer = assess(tall, SOUND, with_working=False)
    assert any(state.rear_lifts for state in answer.states)
    assert "the rear wheels lift before the front tyres reach their limit" in answer.verdicts[0].reason.shown()


def test_the_legs_own_mass_adds_to_what_can_be_held() -> None:
    """Newton's second law: 8 kg at 1.9 g push with 150 N."""
    plain, thrown = (
        assess(w1.CAR.patched({"driver.leg_mass": mass}), SOUND, with_working=False) for mass in (0.0, 8.0)
    )
    for before, after in zip(plain.states, thrown.states, strict=True):
        assert after.first_foot_force == before.first_foot_force == before.leg_effort
        assert after.leg_effort == pytest.approx(before.first_foot_force - 8 * before.first_deceleration)
    leg = next(one for one in thrown.verdicts if one.key == "leg")
    assert leg.number.value == pytest.approx(max(state.leg_effort for state in thrown.states))
    assert "thrown forward, adds" in leg.reason.text
    weak = {"driver.foot_force": 200, "driver.foot_force_limit": 250}
    heavy, helped = (w1.CAR.patched(weak | {"driver.leg_mass": mass}) for mass in (0.0, 8.0))
    assert verdict(heavy, SOUND, "leg").word == "Too heavy"
    assert verdict(helped, SOUND, "leg").margin.value > verdict(heavy, SOUND, "leg").margin.value
    stops = [assess(car, SOUND).states[1].stop.distance for car in (heavy, helped)]
    assert stops[1] < stops[0]
    # At the end of the fixed point the push is what is held and what the deceleration adds.
    from_rest = [assess(car, SOUND, with_working=False).states[1].stop.distance for car in (heavy, helped)]
    assert from_rest == pytest.approx(stops)


def test_pressures_at_the_greatest_push_are_held_against_ratings() -> None:
    rated = SOUND.patched({"front.caliper.rating": 45e5})
    answer = verdict(w1.CAR, rated, "travel")
    assert (answer.level, answer.word) == ("bad", "Past its rating")
    numbers = answer.reason.values
    push = w1.CAR.driver.foot_force_limit
    chosen = assess(w1.CAR, rated, with_working=False).states[0].front.has.line_pressure
    assert numbers["pressure"].value == pytest.approx(chosen * push / w1.CAR.driver.foot_force)
    assert (numbers["rating"].value, numbers["push"].value) == (45e5, push)
    assert "front caliper" in answer.reason.text
    assert verdict(w1.CAR, rated.patched({"front.caliper.rating": 80e5}), "travel").word == "Travel holds"
    unrated = verdict(w1.CAR, SOUND, "travel")
    assert "Not checked: parts without a rating see up to {unrated}" in unrated.reason.text


def test_travel_at_the_greatest_push_is_to_be_watched() -> None:
    soft = SOUND.patched({"front.lines.hose": "rubber", "rear.lines.hose": "rubber", "pedal.room": 0.075})
    roomy = w1.CAR.patched({"limits.room_used": 1.0, "driver.foot_force_limit": 900})
    answer = verdict(roomy, soft, "travel")
    assert (answer.level, answer.word) == ("watch", "Floor at a full push")
    assert answer.reason.values["push"].value == 900


def test_the_numbers_of_the_travel_tile_are_of_one_condition_which_is_named() -> None:
    answer = verdict(w1.CAR, SOUND, "travel")
    assert answer.number.value == answer.reason.values["due"].value
    assert answer.margin.value == answer.reason.values["left"].value
    assert answer.condition == "pads due"
    assert answer.state is not None


def test_engine_braking_that_lifts_an_axle_is_refused_with_its_reason() -> None:
    """80 % on the front of 1 000 kg, CG 1 m high on 1.5 m: 3 100 N leave the rear less than nothing."""
    car = w1.CAR.patched(
        {
            "mass": 1000,
            "front_share": 0.8,
            "cg_height": 1.0,
            "wheelbase": 1.5,
            "engine_braking": 3100,
            "front_lift_area": 0.0,
            "rear_lift_area": 0.0,
        }
    ).model_copy(update={"driven_axle": DrivenAxle.FRONT})
    with pytest.raises(OutOfRange, match="engine braking alone lifts the rear axle") as refused:
        assess(car, SOUND)
    assert refused.value.path == "car.engine_braking"


@pytest.mark.parametrize("with_working", [True, False])
def test_an_answer_is_the_same_with_and_without_its_working(with_working: bool) -> None:
    """At the slow end of the hardest stop the wings help least: there the engine alone takes the rear's grip."""
    car, (setup, *_) = CARS[0]
    state = State(name="Very wet", track=Surface.WET, grip=0.3, speed=60)
    car = car.patched({"engine_braking": 1400})
    with pytest.raises(OutOfRange, match="engine braking alone takes all the grip of the rear axle") as refused:
        assess(car, setup, state, with_working=with_working)
    assert refused.value.limit == (pytest.approx(20.0, abs=0.3), "speed")


@settings(max_examples=60, deadline=None)
@given(strategies.full_cars(), strategies.actuated_setups())
def test_no_answer_warns(car: Car, setup: Setup) -> None:
    with warnings.catch_warnings():
        warnings.simplefilter("error")
        try:
            answer = assess(car, setup, with_working=False)
        except OutOfRange:
            with pytest.raises(OutOfRange):
                assess(car, setup)
            return
        assert [one.word for one in answer.verdicts] == [one.word for one in assess(car, setup).verdicts]


def test_what_nobody_makes_is_not_needed() -> None:
    """A needed ratio below 1, or a bore under 3/8 in, is a dash."""
    light = w1.CAR.patched({"driver.foot_force": 2000, "driver.foot_force_limit": 2400})
    answer = assess(light, SOUND, with_working=False).states[0]
    assert answer.needed_ratio is None or answer.needed_ratio >= 1
    slow = assess(light.patched({"mass": 200}), SOUND, with_working=False).states[0]
    assert slow.needed_ratio is None
    gentle = w1.CAR.patched({"driver.foot_force": 60})
    assert assess(gentle, SOUND, with_working=False).states[0].front.needs.bore is None


def test_over_speed_the_lines_tell_where_the_pedal_must_come_up() -> None:
    """At rest the pressure at which an axle locks is that of its first lock; with wings it grows with speed."""
    answer = survey(w1.CAR, SOUND, with_working=False)
    dry = answer.states[0]
    assert (answer.front_pressure, answer.rear_pressure) == pytest.approx(
        [getattr(assess(w1.CAR, SOUND, with_working=False).states[0], end).has.pressure for end in ("front", "rear")]
    )
    assert dry.front_lock_pressure[-1] > dry.front_lock_pressure[0]
    assert dry.rear_lock_pressure[-1] > dry.rear_lock_pressure[0]
    # 400 N lock the car at rest, and no longer where the wings hold it down: there the push is that of first lock.
    assert 0 < dry.push_locks_under < w1.CAR.top_speed
    there = State(name="There", track=Surface.DRY, speed=dry.push_locks_under)
    foot = assess(w1.CAR, SOUND, there, with_working=False).states[0].first_foot_force
    assert foot == pytest.approx(w1.CAR.driver.foot_force, rel=2e-3)
    gentle = survey(w1.CAR.patched({"driver.foot_force": 50}), SOUND, with_working=False).states[0]
    assert gentle.push_locks_under is None
    # At the state's own speed it is the pressure of the matrix.
    flat = w1.CAR.patched({"front_lift_area": 0.0, "rear_lift_area": 0.0})
    state = assess(flat, SOUND, with_working=False).states[0]
    alone = survey(flat, SOUND, with_working=False).states[0]
    assert alone.front_lock_pressure[5] == pytest.approx(state.front.at_first_lock.pressure)


@pytest.mark.parametrize(
    ("limit", "word", "level"),
    [
        (900.0, "Travel holds", "good"),
        (1500.0, "Pressure without a rating", "watch"),
        (2450.0, "Pressure too high", "bad"),
    ],
)
def test_pressure_at_parts_that_no_maker_has_rated_is_watched_over_120_and_bad_over_200_bar(
    limit: float, word: str, level: str
) -> None:
    """Common practice: most parts are made for 120 to 200 bar. W1's front sees 57.4 bar at 600 N, as hydrostatics has
    it.
    """
    strong = w1.CAR.patched({"driver.foot_force_limit": limit})
    room = {"pedal.room": 0.4, "front.master_cylinder.stroke": 0.08, "rear.master_cylinder.stroke": 0.08}
    own = verdict(strong, SOUND.patched(room), "travel")
    assert (own.word, own.level) == (word, level)
    rated = {f"{end}.{part}.rating": 3e7 for end in ("front", "rear") for part in ("master_cylinder", "caliper")}
    assert verdict(strong, SOUND.patched(room | rated), "travel").word == "Travel holds"
