"""What can be stepped, and to which neighbours."""

import pytest

from plimbo.core import assess
from plimbo.core.stepping.joints import joints
from tests import w1


@pytest.mark.parametrize(
    ("changes", "keys"),
    [
        ({}, ["pedal", "balance_bar", "front.master_cylinder", "rear.master_cylinder"]),
        ({"split": "tandem"}, ["pedal", "tandem"]),
        ({"split": "tandem", "booster.fitted": True}, ["pedal", "booster", "tandem"]),
        ({"valve.kind": "screw"}, ["pedal", "balance_bar", "front.master_cylinder", "rear.master_cylinder", "valve"]),
    ],
)
def test_only_what_is_fitted_can_be_stepped(changes: dict[str, object], keys: list[str]) -> None:
    setup = w1.SETUP.patched(changes)
    answer = [joint.key for joint in joints(setup)]
    ends = [f"{end}.{part}" for end in ("front", "rear") for part in ("caliper", "disc", "pad")]
    assert sorted(answer) == sorted(keys + ends)
    for joint in joints(setup):
        for swap in (joint.smaller, joint.bigger):
            assert swap is not None
            assert setup.patched(swap.patch) != setup


@pytest.mark.parametrize(
    ("changes", "key", "smaller", "bigger"),
    [
        ({"split": "tandem"}, "tandem", 0.022225, 0.0254),
        ({"split": "tandem", "booster.fitted": True}, "booster", 3.9, 4.1),
        ({"valve.kind": "screw", "valve.knee": 25.3e5}, "valve", 25e5, 26e5),
        ({"pedal.pad_length": 0.26, "pedal.rod_length": 0.05}, "pedal", 5.0, 5.25),
    ],
)
def test_the_neighbours_of_what_is_fitted(changes: dict[str, object], key: str, smaller: float, bigger: float) -> None:
    joint = next(one for one in joints(w1.SETUP.patched(changes)) if one.key == key)
    assert joint.smaller is not None
    assert joint.bigger is not None
    assert (*joint.smaller.sizes, *joint.bigger.sizes) == pytest.approx((smaller, bigger))


def test_a_friction_off_a_curve_is_stepped_away_from_it() -> None:
    points = [{"temperature": 400.0, "friction": 0.3}, {"temperature": 700.0, "friction": 0.5}]
    setup = w1.SETUP.patched({"front.pad.friction_curve": points, "front.pad.looked_at": 550.0})
    joint = next(one for one in joints(setup) if one.key == "front.pad")
    assert joint.sizes == (0.4,)
    stepped = setup.patched(joint.bigger.patch)
    assert (stepped.front.pad.friction, stepped.front.pad.friction_curve) == (0.41, ())
    hotter = setup.patched({"front.pad.looked_at": 2000.0 - 500})
    assert assess(w1.CAR, hotter).states[0].front.has.clamp == assess(w1.CAR, setup).states[0].front.has.clamp
    assert assess(w1.CAR, hotter).states[0].front.has.torque == pytest.approx(
        assess(w1.CAR, setup).states[0].front.has.torque * 0.5 / 0.4
    )
