"""Many setups on arrays against the chain of one; how brake force grows with the push; which way a size goes."""

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from plimbo.core import Car, Setup, assess
from plimbo.core.brakes.chain import bend_of, foot_at, foot_to_road, force_at
from plimbo.core.brakes.joints import joints, neighbour, patched
from plimbo.core.brakes.many import Many
from plimbo.core.brakes.path import PushLaw, force_path
from plimbo.core.judging.candidates import BIGGER
from plimbo.core.working import PLAIN
from tests import strategies, w1

between = strategies.between


@settings(max_examples=40, deadline=None)
@given(strategies.cars(), st.lists(strategies.actuated_setups(), min_size=1, max_size=4))
def test_arrays_say_of_every_setup_what_its_own_chain_says(car: Car, setups: list[Setup]) -> None:
    school = setups[0].radius_method
    setups = [patched(setup, {"radius_method": school}) for setup in setups]
    many = Many(car, setups)
    path, law, count = many.paths(), many.law, len(setups)
    for index, setup in enumerate(setups):
        chain = foot_to_road(car, setup, PLAIN)
        front = chain.front.brake_force
        assert law.front_at(chain.foot_force)[index, 0] == pytest.approx(front)
        calipers, line = many.pressed(np.full(count, front))
        pressures = [calipers[0, index], line[index], calipers[1, index]]
        told = chain.front.pressure, chain.rear.line_pressure, chain.rear.pressure
        assert pressures == pytest.approx(told)
        for part, name in zip(path[:4], ("share", "knee", "share_past", "shift"), strict=True):
            if chain.path.bent:
                assert np.asarray(part)[0, index] == pytest.approx(getattr(chain.path, name), abs=1e-6)
        if not chain.path.bent:
            assert np.asarray(path.share)[0, index] == pytest.approx(chain.force_share)
        assert many.areas[1, index] == pytest.approx(chain.rear.cylinder_area)
    # The second row has the rear pads biting more, so less share at the front.
    as_they_are, bitten = np.asarray(path.share)
    assert np.all(as_they_are >= bitten)


@settings(max_examples=80, deadline=None)
@given(between(500, 20000), between(500, 20000), between(0.05, 3), between(0, 1), between(0, 3))
def test_the_path_and_its_way_back(front: float, rear: float, knee_part: float, slope: float, part: float) -> None:
    path = force_path(front, rear, knee_part, slope)
    total = float(path.total(front * part))
    assert float(path.front(total)) == pytest.approx(front * part, abs=1e-6)
    # By hand: the rear has its full share up to the knee, and a part of each newton more past it.
    behind = min(part, knee_part) + slope * max(0.0, part - knee_part)
    assert total == pytest.approx(part * front + behind * rear)


@settings(max_examples=60, deadline=None)
@given(between(3, 8), between(0.5, 1), between(1, 6), between(100, 3000), between(0, 2000))
def test_the_push_and_its_way_back(ratio: float, efficiency: float, gain: float, run_out: float, foot: float) -> None:
    law = PushLaw(ratio, efficiency, gain, run_out, 4.2)
    assert float(law.foot_at(law.front_at(foot))) == pytest.approx(foot, abs=1e-9)
    rod = foot * ratio * efficiency
    boosted = rod * gain if rod < run_out else run_out * gain + rod - run_out
    assert float(law.front_at(foot)) == pytest.approx(4.2 * boosted)


@settings(max_examples=40, deadline=None)
@given(strategies.cars(), strategies.actuated_setups(), between(20, 1500))
def test_force_at_a_push_and_the_push_for_a_force_are_each_others_way_back(car: Car, setup: Setup, foot: float) -> None:
    chain = foot_to_road(car, setup, PLAIN)
    assert foot_at(chain, force_at(chain, foot)) == pytest.approx(foot)
    bend = bend_of(setup, chain)
    assert bend.front == pytest.approx(chain.front.brake_force)
    if not setup.valve.fitted:
        assert (bend.unvalved, bend.slope) == (pytest.approx(chain.rear.brake_force), 1.0)


@settings(max_examples=40, deadline=None)
@given(strategies.cars(), strategies.actuated_setups())
def test_a_size_bigger_goes_the_way_the_search_takes_it_to_go(car: Car, setup: Setup) -> None:
    """What the search for mends leaves out would have gone the wrong way."""
    now = foot_to_road(car, setup, PLAIN)
    for joint in joints(setup):
        if joint.key not in BIGGER or joint.bigger is None:
            continue
        try:
            bigger = patched(setup, joint.bigger.patch)
        except ValueError:
            continue
        then = foot_to_road(car, bigger, PLAIN)
        share, force = BIGGER[joint.key]
        moved = then.force_share - now.force_share
        grown = then.total_force / now.total_force - 1
        # A valve bends the share with the push itself, a limiting one swallows what the rear would have more.
        assume(not setup.valve.fitted)
        assert np.sign(round(moved, 12)) == share, joint.key
        assert np.sign(round(grown, 12)) == force, joint.key


def test_a_neighbour_is_the_setup_with_that_size_and_nothing_else() -> None:
    for joint in joints(w1.SETUP):
        for swap in (joint.smaller, joint.bigger):
            assert swap is not None
            assert neighbour(w1.SETUP, swap.patch) == patched(w1.SETUP, swap.patch)
    with pytest.raises(ValueError, match="bigger than the"):
        neighbour(w1.SETUP, {"front.caliper.pistons": [0.06]})


@pytest.mark.parametrize(
    ("changes", "keys"),
    [
        ({}, ["pedal", "balance_bar", "front.master_cylinder", "rear.master_cylinder"]),
        ({"split": "tandem cylinder"}, ["pedal", "tandem"]),
        ({"split": "tandem cylinder", "booster.fitted": True}, ["pedal", "booster", "tandem"]),
        ({"valve.kind": "screw"}, ["pedal", "balance_bar", "front.master_cylinder", "rear.master_cylinder", "valve"]),
    ],
)
def test_only_what_is_fitted_can_be_stepped(changes: dict[str, object], keys: list[str]) -> None:
    setup = patched(w1.SETUP, changes)
    told = [joint.key for joint in joints(setup)]
    ends = [f"{end}.{part}" for end in ("front", "rear") for part in ("caliper", "disc", "pad")]
    assert sorted(told) == sorted(keys + ends)
    for joint in joints(setup):
        for swap in (joint.smaller, joint.bigger):
            assert swap is not None
            assert patched(setup, swap.patch) != setup


@pytest.mark.parametrize(
    ("changes", "key", "smaller", "bigger"),
    [
        ({"split": "tandem cylinder"}, "tandem", 0.022225, 0.0254),
        ({"split": "tandem cylinder", "booster.fitted": True}, "booster", 3.9, 4.1),
        ({"valve.kind": "screw", "valve.knee": 25.3e5}, "valve", 25e5, 26e5),
        ({"pedal.pad_length": 0.26, "pedal.rod_length": 0.05}, "pedal", 5.0, 5.25),
    ],
)
def test_the_neighbours_of_what_is_fitted(changes: dict[str, object], key: str, smaller: float, bigger: float) -> None:
    joint = next(one for one in joints(patched(w1.SETUP, changes)) if one.key == key)
    assert joint.smaller is not None
    assert joint.bigger is not None
    assert (*joint.smaller.sizes, *joint.bigger.sizes) == pytest.approx((smaller, bigger))


def test_a_friction_off_a_curve_is_stepped_away_from_it() -> None:
    points = [{"temperature": 400.0, "friction": 0.3}, {"temperature": 700.0, "friction": 0.5}]
    setup = patched(w1.SETUP, {"front.pad.friction_curve": points, "front.pad.looked_at": 550.0})
    joint = next(one for one in joints(setup) if one.key == "front.pad")
    assert joint.sizes == (0.4,)
    stepped = patched(setup, joint.bigger.patch)
    assert (stepped.front.pad.friction, stepped.front.pad.friction_curve) == (0.41, ())
    hotter = patched(setup, {"front.pad.looked_at": 2000.0 - 500})
    assert assess(w1.CAR, hotter).states[0].front.has.clamp == assess(w1.CAR, setup).states[0].front.has.clamp
    assert assess(w1.CAR, hotter).states[0].front.has.torque == pytest.approx(
        assess(w1.CAR, setup).states[0].front.has.torque * 0.5 / 0.4
    )
