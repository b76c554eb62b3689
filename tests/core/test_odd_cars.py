"""What the command line says of odd cars is what was read and found right."""

import pytest

from plimbo.core import Car, Setup
from tests.odd_cars import CARS, KEPT, answer

REVIEWED = KEPT.read_text().strip().split("\n\n")


def test_all_of_them_are_kept() -> None:
    assert len(REVIEWED) == len(CARS) >= 12


@pytest.mark.parametrize(("place", "car", "setup"), [(place, *pair) for place, pair in enumerate(CARS)])
def test_verdicts_and_first_lines_of_advice_are_as_reviewed(place: int, car: Car, setup: Setup) -> None:
    assert answer(car, setup) == REVIEWED[place]
