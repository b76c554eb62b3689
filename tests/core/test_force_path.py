"""How brake force grows with the push, and the way back: by hand, and each way the other's inverse."""

import pytest
from hypothesis import given, settings

from plimbo.core import Car, Setup
from plimbo.core.braking.chain import path_with
from plimbo.core.braking.force_path import bent_path
from plimbo.core.hydraulics.actuation import booster_input, booster_output, foot_for_rod, rod_force
from tests import strategies
from tests.built import chain_of

between = strategies.between
LINE = 4e6


@settings(max_examples=80, deadline=None)
@given(between(500, 20000), between(500, 20000), between(0.05, 3), between(0, 1), between(0.001, 3))
def test_the_path_and_its_way_back(front: float, rear: float, knee_part: float, slope: float, part: float) -> None:
    path = bent_path(front, rear, knee_part * LINE, LINE, slope)
    total = path.total(front * part)
    assert path.front(total) == pytest.approx(front * part, abs=1e-6)
    # By hand: the rear has its full share up to the knee, and a part of each newton more past it.
    behind = min(part, knee_part) + slope * max(0.0, part - knee_part)
    assert total == pytest.approx(part * front + behind * rear)


@settings(max_examples=60, deadline=None)
@given(between(3, 8), between(0.5, 1), between(1, 6), between(100, 3000), between(0, 2000))
def test_the_push_and_its_way_back(ratio: float, efficiency: float, gain: float, run_out: float, foot: float) -> None:
    rod = rod_force(foot, ratio, efficiency)
    push = booster_output(rod, gain, run_out)
    assert push == pytest.approx(rod * gain if rod < run_out else run_out * gain + rod - run_out)
    assert foot_for_rod(booster_input(push, gain, run_out), ratio, efficiency) == pytest.approx(foot, abs=1e-9)


@settings(max_examples=40, deadline=None)
@given(strategies.cars(), strategies.actuated_setups(), between(20, 1500))
def test_force_at_a_push_and_the_push_for_a_force_are_each_others_way_back(car: Car, setup: Setup, foot: float) -> None:
    chain = chain_of(car, setup)
    assert chain.foot_at(chain.force_at(foot)) == pytest.approx(foot)
    assert chain.force_at(chain.foot_force) == pytest.approx(chain.total_force)
    assert chain.front_at(chain.foot_force) == pytest.approx(chain.front.brake_force)


@settings(max_examples=40, deadline=None)
@given(strategies.cars(), strategies.actuated_setups(), between(0.7, 1.3), between(0.7, 1.3))
def test_pads_that_bite_more_are_pads_of_more_friction(car: Car, setup: Setup, front: float, rear: float) -> None:
    bitten = setup.patched(
        {
            f"{end}.pad.{name}": value
            for end, part in (("front", front), ("rear", rear))
            for name, value in (
                ("friction", min(1.0, getattr(setup, end).pad.friction * part)),
                ("friction_curve", []),
            )
        }
    )
    factors = [
        getattr(chain_of(car, bitten), end).pad_friction / getattr(chain_of(car, setup), end).pad_friction
        for end in ("front", "rear")
    ]
    answer, expected = path_with(chain_of(car, setup), *factors), chain_of(car, bitten).path
    for name in ("share", "share_past"):
        assert getattr(answer, name) == pytest.approx(getattr(expected, name))
