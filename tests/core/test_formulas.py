"""Every formula: the same on a float, a worked float and an array; its range checked; its units and source given."""

import importlib
import math
import pkgutil
import random
import re
from typing import Any

import numpy as np
import pytest

import plimbo.core
from plimbo.core import OutsideValidity
from plimbo.core.braking.stops import drag_work, shortest_distance, stopping_distance, stopping_time
from plimbo.core.friction.caliper import piston_area
from plimbo.core.friction.pad import curve_friction
from plimbo.core.hydraulics.brake_system import bar_sizes
from plimbo.core.hydraulics.valve import valve_output
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.units import unit_table
from plimbo.core.working.formula import Formula, Worked, worked
from plimbo.core.working.inputs import WORKED
from plimbo.core.working.numbers import maximum, minimum
from plimbo.core.working.steps import working
from tests import w1


def formulas() -> dict[str, Formula[Any]]:
    """Every formula, by the place where it stands."""
    found = {}
    for module in pkgutil.walk_packages(plimbo.core.__path__, "plimbo.core."):
        for name, thing in vars(importlib.import_module(module.name)).items():
            if isinstance(thing, Formula) and thing.function.__module__ == module.name:
                found[f"{module.name.removeprefix('plimbo.core.')}.{name}"] = thing
    return found


FORMULAS = formulas()
# These are given a curve beside their numbers, so they cannot be tried with any.
WITH_A_CURVE = (stopping_distance, shortest_distance, stopping_time, drag_work, curve_friction)
TRIED = {name: formula for name, formula in FORMULAS.items() if formula not in WITH_A_CURVE}
UNITS = r"\b(N|Pa|m|mm|m²|m³|kg|s|J|K|rad|m/s|m/s²|kg/m³)\b|share|ratio|coefficient|friction"


def numbers_for(formula: Formula[Any], *, outside: bool = False) -> list[float] | None:
    """Numbers in the formula's range, or outside it; none where there are none to be found."""
    chance = random.Random(formula.name + formula.text)
    count = len(formula._parameters)
    for _ in range(5000):
        kinds = [(chance.uniform(0, 1), 10 ** chance.uniform(-2, 4), chance.uniform(1, 9)) for _ in range(count)]
        sizes = [chance.choice(kind) for kind in kinds]
        if outside:
            sizes = [chance.choice([size, -size, 0.0]) for size in sizes]
        if formula.validity is None or formula.validity.holds(*sizes) != outside:
            return None if outside and formula.validity is None else sizes
    return None


def as_worked(number: float, place: int = 0) -> Worked:
    return worked(number, f"x{place}", f"Number {place}", "ratio")


def same(one: float, other: float) -> bool:
    return one == other or math.isclose(one, other, rel_tol=1e-12) or (math.isnan(one) and math.isnan(other))


def test_there_are_many_of_them() -> None:
    assert len(TRIED) > 90


@pytest.mark.parametrize("name", FORMULAS)
def test_it_says_its_units_its_source_and_its_dimension(name: str) -> None:
    formula = FORMULAS[name]
    assert formula.source
    assert re.search(UNITS, formula.__doc__ or ""), formula.__doc__
    assert formula.dimension in unit_table()
    assert formula.name[0].isupper() or not formula.name[0].isalpha()


@pytest.mark.parametrize("name", TRIED)
def test_a_float_a_worked_float_and_an_array_give_the_same(name: str) -> None:
    formula = TRIED[name]
    numbers = numbers_for(formula)
    assert numbers is not None
    value = formula(*numbers)
    assert type(value) is float
    assert same(formula(*numbers), value)
    every = formula(*[as_worked(number, place) for place, number in enumerate(numbers)])
    assert isinstance(every, Worked)
    assert same(every, value)
    assert [float(one) for one in every.inputs] == numbers
    # With any one of them worked, the working is kept, and the others stand in it as numbers.
    for place, number in enumerate(numbers):
        one = formula(*numbers[:place], as_worked(number), *numbers[place + 1 :])
        assert isinstance(one, Worked)
        assert same(one, value)
        assert [float(source) for source in one.inputs] == [number]
    rows = np.array([numbers, [1.0000001 * number for number in numbers], numbers])
    found = formula(*[rows[:, place, None, None] for place in range(len(numbers))])
    assert np.shape(found) == (3, 1, 1)
    assert same(float(found[0, 0, 0]), value)
    assert same(float(found[2, 0, 0]), value)
    for place in range(len(numbers)):
        alone = formula(*numbers[:place], rows[:, place, None, None], *numbers[place + 1 :])
        assert same(float(np.ravel(alone)[0]), value)


@pytest.mark.parametrize("name", [name for name, formula in TRIED.items() if formula.validity is not None])
def test_outside_its_range_a_number_is_refused_and_a_row_is_no_number(name: str) -> None:
    formula = TRIED[name]
    inside, outside = numbers_for(formula), numbers_for(formula, outside=True)
    assert inside is not None
    assert outside is not None
    with pytest.raises(OutsideValidity) as answer:
        formula(*outside)
    assert str(answer.value).startswith(f"{formula.name} holds for ")
    assert "Bring them into that range." in str(answer.value)
    with pytest.raises(OutsideValidity):
        formula(*[as_worked(number) for number in outside])
    rows = np.array([inside, outside])
    found = np.ravel(formula(*[rows[:, place, None, None] for place in range(len(inside))]))
    assert same(float(found[0]), formula(*inside))
    assert math.isnan(found[1])


def test_the_range_is_told_with_the_numbers_and_shown_in_the_working() -> None:
    with pytest.raises(OutsideValidity, match=r"0 ≤ slope ≤ 1, knee > 0, pressure ≥ 0 \(SI\); given .*slope 1\.5"):
        valve_output(5e6, 3e6, 1.5)
    steps, headlines = working({"behind": valve_output(as_worked(5e6, 1), 3e6, as_worked(0.4, 2))})
    step = steps[headlines["behind"]]
    assert step.formula == "min({0}, 3e+06) + {1} · max(0, {0} − 3e+06)"
    assert step.valid == "0 ≤ {1} ≤ 1, 3e+06 > 0, {0} ≥ 0"
    assert step.value == pytest.approx(3.8e6)


def test_the_working_is_kept_through_a_smaller_and_a_greater_of_two() -> None:
    worked_one = as_worked(0.7)
    for pair in ((1.0, worked_one), (worked_one, 1.0)):
        assert minimum(*pair) is worked_one
    for pair in ((0.2, worked_one), (worked_one, 0.2)):
        assert maximum(*pair) is worked_one


def test_a_formula_of_one_axle_names_it_and_several_arguments_are_joined() -> None:
    area = piston_area.at(Axle.FRONT)(as_worked(0.03, 1), as_worked(0.04, 2))
    assert (area.symbol, area.name[-7:]) == ("A_p,f", ", front")
    assert area.formula == "π / 4 · ({0}² + {1}²)"
    bar = bar_sizes(w1.SETUP.balance_bar, WORKED)
    assert bar.front_share.symbol == "s_bar,f"
