"""What is turned and what is bought: the card, sizes that centre the bar, one circuit lost, the stock anti-lock."""

import math

import pytest
from hypothesis import assume, given, settings

from plimbo.cli.demo_data import CARS
from plimbo.core import Car, Setup, analyse_hydraulics, assess, find_mends
from plimbo.core.braking.circuit_failure import BarRest
from plimbo.core.quantities.axles import Axle
from plimbo.core.stepping.stock import PISTON_FAMILIES
from plimbo.core.verdicts.anti_lock import piston_matches
from plimbo.core.verdicts.balance_changes import centrings
from tests import slow, strategies, w1
from tests.built import alone, chain_of

WREN, WREN_SETUPS = CARS[0]
WOUND = next(setup for setup in WREN_SETUPS if setup.name.startswith("Bar wound"))


def bar_share(setup: Setup) -> float:
    return setup.balance_bar.offset / (setup.balance_bar.length / 2)


def verdict(car: Car, setup: Setup, key: str):  # type: ignore[no-untyped-def]
    return next(one for one in assess(car, setup, with_working=False).verdicts if one.key == key)


def test_a_wound_bar_names_the_size_that_centres_it_and_taking_it_brings_the_bar_into_its_band() -> None:
    result = verdict(WREN, WOUND, "lock_order")
    assert (result.word, result.level) == ("Sizes wrong, bar wound", "watch")
    assert "the sizes are wrong, not the bar. With a 22.23 mm rear cylinder" in result.reason.shown()
    mends = find_mends(WREN, WOUND).advice[0].mends
    # Turning the bar back alone only moves the balance: a size goes with it.
    assert all({part.joint for part in mend.parts} != {"balance_bar"} for mend in mends)
    for mend in mends:
        mended = WOUND.patched(mend.patch)
        assert abs(bar_share(mended)) <= 0.25
        assert verdict(WREN, mended, "lock_order").word == mend.word != "Sizes wrong, bar wound"


@settings(max_examples=60, deadline=None)
@given(strategies.setups())
def test_centring_keeps_the_balance_of_pressures(setup: Setup) -> None:
    setup = setup.patched({"balance_bar.offset": 0.0115})
    for one in centrings(w1.CAR, setup):
        changed = setup.patched({f"{one.axle}.master_cylinder.bore": one.bore, "balance_bar.offset": one.offset})
        before, after = (chain_of(w1.CAR, each).pressure_share for each in (setup, changed))
        assert after == pytest.approx(before, abs=1e-4)
        assert abs(bar_share(changed)) <= 0.25 + 1e-9


@settings(max_examples=30, deadline=None)
@given(strategies.cars(), strategies.actuated_setups())
def test_every_setting_on_the_card_puts_the_front_just_first(car: Car, setup: Setup) -> None:
    result = analyse_hydraulics(car, setup, with_working=False)
    for row, state in zip(result.card.settings, car.states, strict=True):
        changed = setup.patched(row.patch) if row.patch else setup
        answer = assess(car, changed, [state], with_working=False).states[0]
        assert answer.first_foot_force == pytest.approx(row.foot_force)
        assert answer.first_share == pytest.approx(row.share)
        assert (answer.first == "front") == row.front_first
        reached = row.turns is None or abs(row.turns) < (result.card.end or 0) - 0.3
        if reached and not answer.rear_lifts and (row.turns is not None or (row.knee or 0) > 13e5):
            assert row.front_first
        limits = setup.valve.fitted and setup.valve.slope < 0.02  # then the rear may never come to its limit
        if row.turns is not None and reached and not answer.rear_lifts and not limits:
            # A turn further toward the rear than where both lock together, the rear is first.
            back = (row.together - 1) * setup.balance_bar.thread_pitch
            assume(abs(back) < setup.balance_bar.length / 2)
            wrong = setup.patched({"balance_bar.offset": back})
            assert assess(car, wrong, [state], with_working=False).states[0].first == "rear"


def test_the_card_rounds_to_quarter_turns_toward_the_front_and_warns_past_the_band() -> None:
    result = analyse_hydraulics(WREN, WOUND, with_working=False).card
    assert result.band == pytest.approx(0.25 * 32 / 1.27)
    assert result.end == pytest.approx(32 / 1.27)
    assert all((row.turns * 4) % 1 == 0 for row in result.settings)
    off = [row.state for row in result.settings if not row.within]
    assert off == ["Dry, slow", "Dry, fast", "Dry, slow, light", "Dry, fast, light"]
    assert "change sizes, not the bar. A bigger rear cylinder" in result.warning.shown()
    wet, dry = result.settings[4], result.settings[0]
    assert wet.turns < dry.turns


def test_one_circuit_lost_on_a_bar_by_hand() -> None:
    """Front alone at 500 N: 2375 N on the bar. The empty rear cylinder has 28 mm, the bar's stop is 23.36 mm away.

    The front, were it shared, has 1187.5 N over 248.287 mm²: 47.83 bar and 12.42 mm of stroke, so the rear is at its
    bottom 15.58 mm further, before the stop at 64·tan(0.35 rad). The rod goes the mean of 12.42 and 28 mm, the pedal
    five times as far. Both tyres take 7121 N at 38.262 bar, so 8901 N; alone they lock at 1.30·6276.3·0.45/(1 −
    1.30·0.37/2.32) = 4631.8 N.
    """
    result = alone(w1.CAR, w1.SETUP, Axle.FRONT)
    assert result.pressure / 1e5 == pytest.approx(47.828, abs=1e-3)
    assert result.rest is BarRest.BOTTOM
    assert result.pedal.pedal == pytest.approx(5 * (0.01242 + 0.028) / 2, abs=2e-5)
    assert result.brake_force == pytest.approx(8901, abs=1)
    row = analyse_hydraulics(w1.CAR, w1.SETUP, w1.STATIC).states[0].failures["front"]
    assert row.best * w1.CAR.mass == pytest.approx(4631.8, abs=0.5)
    assert row.deceleration == pytest.approx(row.best)
    assert row.best_foot_force == pytest.approx(500 * 4631.8 / 8901, rel=1e-3)


def test_a_bar_that_meets_its_stops_gives_all_of_the_push_to_the_good_cylinder() -> None:
    setup = w1.SETUP.patched({"balance_bar.tilt_stop": 0.1})
    result = alone(w1.CAR, setup, Axle.FRONT)
    assert result.rest is BarRest.STOP
    assert result.pressure / 1e5 == pytest.approx(2 * 47.828, abs=2e-3)
    assert result.pedal.tilt == pytest.approx(0.1)
    short = w1.SETUP.patched({"pedal.room": 0.08})
    assert verdict(w1.CAR, short, "travel").word == "Floor with one circuit failed"


def test_the_tyre_alone_locks_where_the_slow_twin_finds_it() -> None:
    answer = analyse_hydraulics(w1.CAR, w1.SETUP, [w1.STATIC]).states[0]
    for axle, key in ((0, "front"), (1, "rear")):

        def spare(force: float, axle: int = axle) -> float:
            return slow.capacities(w1.CAR, w1.STATIC, force)[axle] - force

        force = slow.halved(spare, 1e6)
        row = answer.failures[key]
        assert row.best == pytest.approx(force / w1.CAR.mass, rel=1e-6)


def test_what_never_locks_alone_has_no_most_and_no_foot_force_for_it() -> None:
    """Short and tall: each newton of braking loads the front by more than a newton of grip, so alone it never locks."""
    tall = Car.model_validate(w1.CAR.model_dump() | {"cg_height": 1.0, "wheelbase": 1.2})
    assert tall.front_tyre.friction * tall.cg_height / tall.wheelbase > 1
    for with_working in (True, False):
        result = analyse_hydraulics(tall, w1.SETUP, [w1.STATIC], with_working=with_working).states[0].failures
        front, rear = result["front"], result["rear"]
        assert (front.best, front.best_foot_force, front.locks) == (None, None, False)
        assert front.deceleration * tall.mass == pytest.approx(8901, rel=1e-3)
        assert rear.best is not None


@pytest.mark.parametrize(("knee", "reached"), [(10e5, False), (200e5, True)])
def test_no_push_takes_the_rear_past_the_knee_of_a_limiting_valve(knee: float, reached: bool) -> None:
    valve = {"valve.kind": "screw", "valve.knee": knee, "valve.slope": 0}
    rear = analyse_hydraulics(w1.CAR, w1.SETUP.patched(valve), [w1.STATIC]).states[0].failures["rear"]
    without = analyse_hydraulics(w1.CAR, w1.SETUP, [w1.STATIC]).states[0].failures["rear"]
    assert rear.best == pytest.approx(without.best)
    needs = assess(w1.CAR, w1.SETUP.patched(valve), [w1.STATIC]).states[0].rear.needs
    assert (needs.line_pressure is not None, needs.bore is not None) == (reached, reached)
    assert rear.best_foot_force == (pytest.approx(without.best_foot_force) if reached else None)


def anti_lock_car(setup: Setup) -> Car:
    """A car whose original parts are those of a setup."""
    ends = {
        end: {
            "pistons": list(brake.caliper.pistons),
            "disc_diameter": brake.disc.outer_diameter,
            "pad_friction": brake.pad.friction,
        }
        for end, brake in (("front", setup.front), ("rear", setup.rear))
    }
    return Car.model_validate(w1.CAR.model_dump() | {"original": {"anti_lock": True} | ends})


@pytest.mark.parametrize(
    ("times", "word", "level"),
    [
        (1.0, "As tuned", "good"),
        (1.049, "As tuned", "good"),
        (1.08, "Near its edge", "watch"),
        (0.88, "Off its tune", "bad"),
    ],
)
def test_the_bands_of_the_stock_anti_lock(times: float, word: str, level: str) -> None:
    car = anti_lock_car(w1.SETUP)
    pistons = [piston * math.sqrt(times) for piston in w1.SETUP.front.caliper.pistons]
    result = verdict(car, w1.SETUP.patched({"front.caliper.pistons": pistons}), "anti_lock")
    assert (result.word, result.level) == (word, level)
    assert result.number.value == pytest.approx(times - 1, abs=1e-9)
    assert verdict(car, w1.SETUP.patched({"front.disc.outer_diameter": 0.284 * times}), "anti_lock").word == word


def test_what_is_not_known_of_the_original_is_said_and_no_anti_lock_means_no_verdict() -> None:
    unknown = Car.model_validate(w1.CAR.model_dump() | {"original": {"anti_lock": True}})
    assert verdict(unknown, w1.SETUP, "anti_lock").word == "Originals not known"
    assert [one.key for one in assess(w1.CAR, w1.SETUP).verdicts] == ["lock_order", "leg", "travel", "heat"]


def test_matching_pistons_mend_an_anti_lock_failure() -> None:
    car = anti_lock_car(w1.SETUP)
    wrong = w1.SETUP.patched({"rear.caliper.pistons": [0.0302, 0.0302], "rear.master_cylinder.bore": 0.022225})
    result = verdict(car, wrong, "anti_lock")
    assert result.word == "Off its tune"
    first = next(one for one in find_mends(car, wrong).advice if one.key == "anti_lock").mends[0]
    assert (first.parts[0].joint, first.parts[0].after, first.level) == ("rear.caliper", (0.036, 0.036), "good")
    assert verdict(car, wrong.patched(first.patch), "anti_lock").word == "As tuned"
    check = assess(car, wrong, with_working=False).anti_lock
    assert {match.axle for match in check.matches} == {"front", "rear"}
    assert all(abs(match.off) <= 0.1 for match in check.matches)


@settings(max_examples=60, deadline=None)
@given(strategies.between(0.026, 0.05), strategies.between(0.026, 0.05))
def test_no_set_on_the_shelf_matches_better_than_the_first_that_is_named(small: float, large: float) -> None:
    """Of as many pistons as are fitted, where any of those pass: all sets of the shelf gone through one by one."""
    original = {"anti_lock": True, "front": {"pistons": (small, large)}}
    car = Car.model_validate(w1.CAR.model_dump() | {"original": original})
    pad, fitted = w1.SETUP.front.pad, len(w1.SETUP.front.caliper.pistons)
    area = small * small + large * large
    off = {
        sizes: abs(sum(size * size for size in sizes) / area - 1)
        for family in PISTON_FAMILIES
        for sizes in family
        if max(sizes) <= pad.height and sum(sizes) <= pad.length
    }
    named = [match.sizes for match in piston_matches(car, w1.SETUP)]
    assert len(named) == min(3, sum(one <= 0.1 for one in off.values()))
    assert all(off[sizes] <= 0.1 for sizes in named)
    alike = [one for sizes, one in off.items() if len(sizes) == fitted and one <= 0.05]
    if alike:
        assert off[named[0]] == pytest.approx(min(alike), abs=1e-9)


def test_the_same_part_at_both_ends_is_held_against_the_original_of_each() -> None:
    """In a notebook one caliper may be given to both axles."""
    brake, pistons = w1.SETUP.front, w1.SETUP.front.caliper.pistons
    setup = w1.SETUP.model_copy(update={"rear": brake})
    original = {"anti_lock": True, "front": {"pistons": pistons}, "rear": {"pistons": pistons[:1]}}
    check = assess(Car.model_validate(w1.CAR.model_dump() | {"original": original}), setup).anti_lock
    assert check is not None
    off = {row.axle: row.off for row in check.rows if row.title.startswith("Piston area")}
    assert off["front"] == pytest.approx(0)
    assert off["rear"] == pytest.approx(pistons[1] ** 2 / pistons[0] ** 2)


def test_no_mend_makes_another_matter_bad_and_each_says_what_it_disturbs() -> None:
    """Big fronts with the rear matched: going back to the original front pistons alone puts the rear first."""
    car, setups = CARS[1]
    setup = next(one for one in setups if one.name == "Big fronts, rear matched")
    advice = next(one for one in find_mends(car, setup).advice if one.key == "anti_lock")
    # It is not offered alone: a mend that makes another matter bad is none.
    for mend in advice.mends:
        after = assess(car, setup.patched(mend.patch), with_working=False).verdicts
        assert {cost.word for cost in mend.costs if cost.word} <= {one.word for one in after if one.key != "anti_lock"}
        assert after[0].word != "Rear locks first"


def test_a_firm_and_a_light_pedal() -> None:
    result = analyse_hydraulics(w1.CAR, w1.SETUP, [w1.STATIC], with_working=False)
    firm, light = result.push_targets
    assert (firm.foot_force, light.foot_force) == pytest.approx((450, 270))
    for target in (firm, light):
        after = assess(w1.CAR, w1.SETUP.patched(target.patch), [w1.STATIC], with_working=False).states[0]
        assert after.first_foot_force == pytest.approx(target.foot_force, rel=1e-3)
    assert firm.travel < light.travel
    assert [one.usual for one in (firm, light)] == [4 <= one.ratio <= 7 for one in (firm, light)]
    stiff = Car.model_validate(w1.CAR.model_dump() | {"mass": 4000})
    (_, light) = analyse_hydraulics(stiff, w1.SETUP, [w1.STATIC], with_working=False).push_targets
    assert (light.usual, light.ratio, light.travel) == (False, None, None)
    assert [one.method for one in result.radii] == ["uniform_wear", "uniform_pressure", "half_pad"]
    assert {one.key for one in result.practice} == {"bar", "compounds", "pedal", "radius", "anti_lock"}


def test_needs_through_the_valve_and_back() -> None:
    """With the bore it needs, the bar as it is set or centred, each axle is at its limit at the design effort."""
    setup = w1.SETUP.patched({"valve.kind": "screw", "valve.knee": 8e5, "balance_bar.offset": 0.003})
    answer = assess(w1.CAR, setup, [w1.STATIC]).states[0]
    for offset, name in ((0.003, "bore"), (0.0, "centred_bore")):
        bores = {f"{end}.master_cylinder.bore": getattr(getattr(answer, end).needs, name) for end in ("front", "rear")}
        result = assess(w1.CAR, setup.patched(bores | {"balance_bar.offset": offset}), [w1.STATIC]).states[0]
        assert result.efficiency == pytest.approx(1, abs=1e-9)
        assert result.first_foot_force == pytest.approx(w1.CAR.driver.foot_force)
    ratio = assess(w1.CAR, setup.patched({"pedal.ratio": answer.needed_ratio}), [w1.STATIC]).states[0]
    assert ratio.first_foot_force == pytest.approx(w1.CAR.driver.foot_force)


def test_a_measured_pedal_has_the_ratio_of_its_lengths() -> None:
    measured = w1.SETUP.patched({"pedal.pad_length": 0.25, "pedal.rod_length": 0.05})
    assert assess(w1.CAR, measured).rod_force == pytest.approx(assess(w1.CAR, w1.SETUP).rod_force)
    joint = assess(w1.CAR, measured.patched({"pedal.rod_length": 0.04})).joints[0]
    assert joint.sizes == (6.25,)
    stepped = measured.patched(joint.bigger.patch)
    assert stepped.pedal.true_ratio == 6.5
    assert stepped.pedal.pad_length == 0.25


def test_the_handbrake_locks_the_rear_by_hand() -> None:
    """220 N · 7 over 3/4 in: 1540 N on 285.0 mm², 54.03 bar."""
    car, setups = CARS[2]
    result = analyse_hydraulics(car, setups[0]).handbrake
    assert result.pressure / 1e5 == pytest.approx(54.03, abs=0.01)
    for row, state in zip(result.states, car.states, strict=True):

        def spare(force: float, state=state) -> float:  # type: ignore[no-untyped-def]
            return slow.capacities(car, state, force)[1] - force

        assert row.pull_to_lock == pytest.approx(220 * slow.halved(spare, 1e6) / result.brake_force, rel=1e-6)
    assert result.left > 0
