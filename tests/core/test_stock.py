"""Steps on the shelf, and where one verdict ends and the next begins."""

import pytest

from plimbo.core import Car, Setup, assess
from plimbo.core.stepping.joints import joints
from plimbo.core.stepping.stock import BORES, PISTONS, next_pistons, next_size
from plimbo.core.verdicts.matter import Verdict
from tests import w1


def joint(setup: Setup, key: str):  # type: ignore[no-untyped-def]
    return next(one for one in joints(setup) if one.key == key)


@pytest.mark.parametrize("stock", [BORES, PISTONS])
def test_stepping_up_and_down_the_shelf_visits_every_size_and_stops_at_its_ends(stock: tuple[float, ...]) -> None:
    size, seen = stock[0], [stock[0]]
    while (bigger := next_size(size, stock, True)) is not None:
        size = bigger
        seen.append(size)
    assert tuple(seen) == stock
    assert next_size(stock[0], stock, False) is None
    assert next_size(stock[3], stock, False) == stock[2]
    between = (stock[3] + stock[4]) / 2
    assert (next_size(between, stock, False), next_size(between, stock, True)) == (stock[3], stock[4])


def test_staggered_pistons_stay_staggered() -> None:
    assert next_pistons((0.0381, 0.0413), True) == (0.0413, 0.0445)
    assert next_pistons((0.0381, 0.0413), False) == (0.036, 0.0381)


def test_the_next_family_of_pistons_has_about_the_same_area() -> None:
    fitted = joint(w1.SETUP, "rear.caliper")
    one_big = fitted.smaller_family.sizes
    assert len(one_big) == 1
    area = sum(size**2 for size in fitted.sizes)
    assert one_big[0] ** 2 == pytest.approx(area, rel=0.07)


def test_a_step_on_the_bar_is_one_turn_of_the_adjuster_and_ends_at_the_clevis() -> None:
    bar = joint(w1.SETUP, "balance_bar")
    assert bar.bigger.patch == {"balance_bar.offset": pytest.approx(0.00127)}
    setup = w1.SETUP.patched({"balance_bar.offset": 0.0318})
    assert joint(setup, "balance_bar").bigger is None


def test_another_disc_is_no_longer_the_one_that_was_weighed() -> None:
    setup = w1.SETUP.patched({"front.disc.weighed_mass": 4.0})
    bigger = setup.patched(joint(setup, "front.disc").bigger.patch)
    assert bigger.front.disc.outer_diameter == pytest.approx(0.290)
    assert bigger.front.disc.weighed_mass is None


def verdict_of(car: Car, setup: Setup, key: str) -> Verdict:
    return next(one for one in assess(car, setup, with_working=False).verdicts if one.key == key)


def test_verdict_levels_at_their_edges() -> None:
    def leg(limit: float) -> str:
        document = w1.CAR.model_dump()
        document["driver"] |= {"foot_force": 100, "foot_force_limit": limit}
        return verdict_of(Car.model_validate(document), w1.SETUP, "leg").word

    hardest = verdict_of(w1.CAR, w1.SETUP, "leg").number.value
    assert (leg(hardest * 0.99), leg(hardest * 1.05), leg(hardest * 1.2)) == ("Too heavy", "Heavy", "Pedal effort OK")

    def heat(mass: float) -> str:
        return verdict_of(w1.CAR, w1.SETUP.patched({"front.disc.weighed_mass": mass}), "heat").word

    answer = verdict_of(w1.CAR, w1.SETUP, "heat")
    ring = assess(w1.CAR, w1.SETUP).states[0].front.disc.ring_mass
    at_limit = ring * answer.number.value / 230
    assert (heat(at_limit * 0.99), heat(at_limit * 1.1), heat(at_limit * 1.3)) == (
        "Disc too light",
        "Disc near its limit",
        "One stop holds",
    )
