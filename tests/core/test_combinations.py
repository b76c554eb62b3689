"""Combinations of parts, screened on columns, against `assess` of each of them as a setup of its own."""

import math
from collections.abc import Mapping
from typing import Any

import numpy as np
import pytest
from pydantic import ValidationError

from bench.shelf import shelf
from plimbo.cli.demo_data import CARS
from plimbo.core import Car, assess
from plimbo.core.braking.conditions import conditions_for
from plimbo.core.quantities.defaults import LIGHT_FOOT
from plimbo.core.search import combinations as module
from plimbo.core.search.combinations import Combinations, Screened, screen, screened
from plimbo.core.verdicts.registry import MATTERS, matters_of


def in_the_words_of_the_verdicts(car: Car, found: Screened, place: int) -> dict[str, tuple[str, float, float]]:
    """Word, number and margin of each matter."""
    row: dict[str, Any] = {
        key: type(numbers)(*(np.asarray(column).T[place].tolist() for column in numbers))
        for key, numbers in found.numbers.items()
    }
    words = {
        matter.key: matter.findings[found.findings[matter.key][place]].word
        for matter in MATTERS
        if matter.key in found.findings
    }
    leg = row["leg"]
    assert leg.hardest_push == found.hardest_push[place]
    result = {
        "lock_order": (min(row["lock_order"].front_lock, row["lock_order"].rear_lock), row["lock_order"].spare),
        "leg": (leg.hardest_push, car.driver.foot_force_limit - leg.hardest_push),
        "travel": (row["travel"].due, row["travel"].left),
    }
    heat = row["heat"]
    discs = (heat.front_rise, heat.front_limit), (heat.rear_rise, heat.rear_limit)
    worst = max(discs, key=lambda pair: pair[0] / pair[1])
    result["heat"] = (worst[0], worst[1] - worst[0])
    if words["leg"] == "Very light":
        result["leg"] = leg.lightest_push, leg.lightest_push - LIGHT_FOOT.value
    return {key: (words[key], *numbers) for key, numbers in result.items()}


def agree(car: Car, found: Screened, combinations: Combinations) -> None:
    for place, row in enumerate(found.rows.tolist()):
        answer = assess(car, combinations.setup_at(row), with_working=False)
        verdicts: Mapping[str, Any] = {one.key: one for one in answer.verdicts}
        for key, (word, number, margin) in in_the_words_of_the_verdicts(car, found, place).items():
            assert verdicts[key].word == word, (row, key)
            assert verdicts[key].number.value == pytest.approx(number, rel=1e-9), (row, key)
            # Where the front never locks there is no margin.
            expected = pytest.approx(margin, rel=1e-9, abs=1e-9) if math.isfinite(margin) else None
            said = verdicts[key].margin.value
            if said is not None and "too early" in verdicts[key].margin_words:
                said = -said
            assert said == expected, (row, key)


def test_two_thousand_of_a_million_are_what_assess_says_of_them() -> None:
    car, combinations = CARS[0][0], shelf()
    assert len(combinations) > 1_000_000
    rows = np.random.default_rng(10).choice(len(combinations), 2000, replace=False)
    found = screened(conditions_for(car), combinations, rows, matters_of(car, combinations.setup))
    assert found.rows.tolist() == rows.tolist()
    agree(car, found, combinations)


def test_all_of_a_shelf_with_booster_and_valve_in_their_order_and_none_that_cannot_be_built(
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    car, (setup, *_) = CARS[1]
    pistons = ([0.0381], [0.0381, 0.0413], [0.066, 0.066])
    combinations = Combinations(
        setup,
        {
            "tandem": [setup.tandem.patched({"bore": bore}) for bore in (0.0206375, 0.0238125)],
            "booster": [setup.booster, setup.booster.patched({"fitted": False})],
            "valve": [setup.valve, setup.valve.patched({"kind": "none"}), setup.valve.patched({"knee": 2e6})],
            "rear.caliper": [setup.rear.caliper.patched({"pistons": some}) for some in pistons],
            "front.disc": [setup.front.disc, setup.front.disc.patched({"outer_diameter": 0.33})],
        },
    )
    monkeypatch.setattr(module, "CHUNK", 7)
    chunks = list(screen(car, combinations))
    can_be_built = []
    for row in range(len(combinations)):
        try:
            combinations.setup_at(row)
        except ValidationError:
            continue
        can_be_built.append(row)
    assert np.concatenate([chunk.rows for chunk in chunks]).tolist() == can_be_built
    assert 0 < len(can_be_built) < len(combinations)
    for chunk in chunks:
        agree(car, chunk, combinations)
