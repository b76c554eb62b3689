"""Questions that may take long end when their answer is no longer needed, after the step at hand."""

from collections.abc import Callable
from functools import partial
from typing import Any

import pytest

from plimbo.cli.demo_data import CARS
from plimbo.core import Cancelled, CarKind, assess, estimate_uncertainty, find_mends, rank_unmeasured
from plimbo.core.questions.begin_car import begin_car

WREN, (SPRINT, *_) = CARS[0]


@pytest.mark.parametrize("question", [estimate_uncertainty, find_mends, rank_unmeasured])
def test_a_question_of_many_steps_asks_before_each_one(question: Callable[..., Any]) -> None:
    began = begin_car("Heron", CarKind.SALOON)
    car, setup = began.car, began.setup.patched({"front.master_cylinder.bore": 0.0127})
    assert any(verdict.level != "good" for verdict in assess(car, setup).verdicts)
    ask, asked = partial(question, car, setup), 0

    def until_the_second() -> bool:
        nonlocal asked
        asked += 1
        return asked < 2

    with pytest.raises(Cancelled):
        ask(wanted=until_the_second)
    assert asked == 2
    assert ask(wanted=lambda: True) == ask()
