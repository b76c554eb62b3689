"""All pairs of stock cylinders: each cell is what fitting the pair shows, and the target rings what is nearest."""

import pytest
from hypothesis import given, settings

from plimbo.cli.demo_data import CARS
from plimbo.core import OutOfRange, Setup, analyse_hydraulics, assess, compare_cylinders
from plimbo.core.search.cylinders.target import TargetQuantity, read_target
from plimbo.core.stepping.stock import BORES
from tests import strategies, w1


def answer(setup: Setup, patch: dict) -> dict:  # type: ignore[type-arg]
    return {one.key: one for one in assess(w1.CAR, setup.patched(patch), with_working=False).verdicts}


@settings(max_examples=8, deadline=None)
@given(strategies.setups())
def test_each_cell_is_what_fitting_the_pair_shows(setup: Setup) -> None:
    table = compare_cylinders(w1.CAR, setup)
    assert len(table.pairs) == len(BORES) ** 2
    for pair in table.pairs[::7]:
        for tried in (pair.centred, pair.as_wanted):
            after = answer(setup, tried.patch)
            assert after["lock_order"].word == tried.word
            assert after["travel"].number.value == pytest.approx(tried.travel)
            assert tuple(one.word for one in after.values() if one.level in ("watch", "bad")) == tried.wrong
        states = assess(w1.CAR, setup.patched(pair.centred.patch), with_working=False).states
        assert pair.pressure_share == pytest.approx(states[0].pressure_share)
        assert pair.force_share == pytest.approx(states[0].force_share)
        assert pair.centred.foot_force == pytest.approx(max(one.first_foot_force for one in states))


def test_the_bar_is_wanted_where_the_card_wants_it_in_the_deciding_state() -> None:
    table = compare_cylinders(w1.CAR, w1.SETUP)
    (fitted,) = [pair for pair in table.pairs if pair.fitted]
    card = analyse_hydraulics(w1.CAR, w1.SETUP, with_working=False).card
    assert fitted.turns == pytest.approx(max(row.turns for row in card.settings))


def test_sixty_per_cent_by_pressure_with_the_bar_centred() -> None:
    """By hand: A_r / (A_f + A_r) of 13/16 and 1 in is 1 / (1 + 0.8125²) = 60.2 %; no stock pair comes nearer."""
    table = compare_cylinders(w1.CAR, w1.SETUP, "60 % by pressure, bar centred")
    first = next(pair for pair in table.pairs if pair.nearest == 1)
    assert (first.column, first.row) == pytest.approx((0.0206375, 0.0254), abs=1e-6)
    assert first.pressure_share == pytest.approx(1 / (1 + 0.8125**2), abs=1e-4)
    shares = {(a, b): b * b / (a * a + b * b) for a in BORES for b in BORES}
    assert min(abs(share - 0.6) for share in shares.values()) == pytest.approx(
        abs(first.pressure_share - 0.6), abs=1e-6
    )
    assert sorted(pair.nearest for pair in table.pairs if pair.nearest) == [1, 2, 3]


def test_a_push_rings_pairs_that_can_be_used() -> None:
    table = compare_cylinders(w1.CAR, w1.SETUP, "300 N at lock")
    ringed = [pair for pair in table.pairs if pair.nearest]
    assert all(pair.usable for pair in ringed)
    usable = [abs(pair.as_wanted.foot_force - 300) for pair in table.pairs if pair.usable]
    assert min(usable) == min(abs(pair.as_wanted.foot_force - 300) for pair in ringed)


def test_a_disc_that_is_too_light_makes_no_pair_unusable_but_is_told() -> None:
    light = w1.SETUP.patched({"front.disc.thickness": 0.011, "front.disc.vane_gap": 0.004})
    table = compare_cylinders(w1.CAR, light)
    usable = [pair for pair in table.pairs if pair.usable]
    assert usable
    assert all("Disc too light" in pair.as_wanted.wrong for pair in usable)


@pytest.mark.parametrize(
    ("text", "aim", "value"),
    [
        ("60 %", TargetQuantity.PRESSURE, 0.6),
        ("0.6", TargetQuantity.PRESSURE, 0.6),
        ("62,5 % by force", TargetQuantity.FORCE, 0.625),
        ("250 N at lock", TargetQuantity.PUSH, 250),
        ("60 lbf", TargetQuantity.PUSH, 266.893),
        ("45mm", TargetQuantity.TRAVEL, 0.045),
        ("1.75 in", TargetQuantity.TRAVEL, 0.04445),
    ],
)
def test_a_target_is_read_as_it_is_typed(text: str, aim: TargetQuantity, value: float) -> None:
    target = read_target(text)
    assert target is not None
    assert (target.aim, target.value) == (aim, pytest.approx(value, rel=1e-5))


@pytest.mark.parametrize("text", ["apples", "60 apples", "60", "160 %", "0 N"])
def test_what_says_nothing_is_refused_at_its_field(text: str) -> None:
    with pytest.raises(OutOfRange) as refused:
        compare_cylinders(w1.CAR, w1.SETUP, text)
    assert refused.value.path == "target"


def test_a_tandem_cylinder_is_laid_out_by_the_knees_of_its_valve() -> None:
    car, (stock, *_) = CARS[1]
    table = compare_cylinders(car, stock)
    assert table.tandem
    assert table.rows[0] is None
    (fitted,) = [pair for pair in table.pairs if pair.fitted]
    assert (fitted.column, fitted.row) == (stock.tandem.bore, stock.valve.knee)
    bare = next(pair for pair in table.pairs if pair.column == stock.tandem.bore and pair.row is None)
    after = assess(car, stock.patched(bare.centred.patch), with_working=False)
    assert after.verdicts[0].word == bare.centred.word == "Rear locks first"
    lever = stock.patched({"valve.kind": "lever"})
    assert compare_cylinders(car, lever).rows[1:] == lever.valve.positions


@pytest.mark.parametrize(
    ("text", "aim", "value", "push"),
    [
        ("0.66 by force", TargetQuantity.FORCE, 0.66, None),
        ("0.6", TargetQuantity.PRESSURE, 0.6, None),
        ("0,6 front by pressure", TargetQuantity.PRESSURE, 0.6, None),
        ("62 % by force at 400 N", TargetQuantity.FORCE, 0.62, 400.0),
        ("60 %, 400 N", TargetQuantity.PRESSURE, 0.60, 400.0),
        ("60 % and 40 kgf", TargetQuantity.PRESSURE, 0.60, 392.266),
        ("400 N at lock", TargetQuantity.PUSH, 400.0, None),
    ],
)
def test_a_target_is_read_whole(text: str, aim: TargetQuantity, value: float, push: float | None) -> None:
    target = read_target(text)
    assert target is not None
    assert (target.aim, target.value) == (aim, pytest.approx(value))
    assert target.push == (pytest.approx(push) if push else None)


def test_a_push_beside_a_share_is_part_of_the_wish() -> None:
    """Of the pairs with about the share, the one that locks near the push is ringed first."""
    alone = next(pair for pair in compare_cylinders(w1.CAR, w1.SETUP, "60 % by pressure").pairs if pair.nearest == 1)
    both = next(
        pair for pair in compare_cylinders(w1.CAR, w1.SETUP, "60 % by pressure, 330 N").pairs if pair.nearest == 1
    )
    assert abs(both.as_wanted.foot_force - 330) < abs(alone.as_wanted.foot_force - 330)
    assert abs(both.pressure_share - 0.6) < 0.03


@pytest.mark.parametrize("target", ["60 % by pressure", "0.62 by force", "900 N at lock", "30 mm"])
def test_no_pair_past_what_the_driver_holds_is_ringed_before_one_that_he_holds(target: str) -> None:
    weak = w1.CAR.patched({"driver.foot_force": 250.0, "driver.foot_force_limit": 300.0})
    pairs = compare_cylinders(weak, w1.SETUP, target).pairs
    first = next(pair for pair in pairs if pair.nearest == 1)
    assert first.as_wanted.foot_force <= 300
    assert any(pair.as_wanted.foot_force > 300 for pair in pairs)


def test_fitted_sizes_that_are_no_stock_ones_have_their_own_row_and_column() -> None:
    odd = w1.SETUP.patched({"front.master_cylinder.bore": 0.0185})
    table = compare_cylinders(w1.CAR, odd)
    assert (len(table.columns), len(table.rows), 0.0185 in table.columns) == (len(BORES) + 1, len(BORES), True)
    assert [pair.column for pair in table.pairs if pair.fitted] == [0.0185]
    car, setup = CARS[1][0], CARS[1][1][0].patched({"tandem.bore": 0.0231, "valve.kind": "screw", "valve.knee": 2.35e6})
    table = compare_cylinders(car, setup)
    (fitted,) = [pair for pair in table.pairs if pair.fitted]
    assert (fitted.column, fitted.row) == (0.0231, 2.35e6)
    shown = {one.key: one.word for one in assess(car, setup, with_working=False).verdicts}
    assert fitted.centred.word == shown["lock_order"]
