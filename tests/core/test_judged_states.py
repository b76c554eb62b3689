"""A setup may be judged in some states only; without a word it is judged in all."""

from datetime import date

import pytest

from plimbo.cli.demo_data import CARS
from plimbo.core import (
    OutOfRange,
    analyse_hydraulics,
    assess,
    compare_cylinders,
    estimate_uncertainty,
    find_mends,
    judge_heat,
    rank_unmeasured,
    survey,
)
from plimbo.workers.questions import marks

WREN, (SPRINT, *_) = CARS[0]
WET_STATES = tuple(state.name for state in WREN.states if state.track == "wet")
WET = SPRINT.patched({"judged_in": WET_STATES})
ONLY_WET = WREN.patched({"states": [state for state in WREN.states if state.name in WET_STATES]})


@pytest.mark.parametrize("question", [assess, analyse_hydraulics, survey])
def test_every_state_that_counts_is_answered_as_if_the_car_had_no_other(question) -> None:  # type: ignore[no-untyped-def]
    answer, alone = question(WREN, WET), question(ONLY_WET, SPRINT)
    assert answer.states == alone.states
    assert len(answer.states) == len(WET_STATES) < len(WREN.states)


def test_verdicts_doubt_advice_and_cylinders_are_those_of_these_states() -> None:
    assert assess(WREN, WET).verdicts == assess(ONLY_WET, SPRINT).verdicts
    assert estimate_uncertainty(WREN, WET) == estimate_uncertainty(ONLY_WET, SPRINT)
    assert find_mends(WREN, WET).advice == find_mends(ONLY_WET, SPRINT).advice
    assert compare_cylinders(WREN, WET).pairs == compare_cylinders(ONLY_WET, SPRINT).pairs
    effects = [
        [(one.path, one.effect) for one in rank_unmeasured(*pair).items] for pair in ((WREN, WET), (ONLY_WET, SPRINT))
    ]
    assert effects[0] == effects[1]


def test_the_garage_is_told_in_which() -> None:
    today = date(2026, 12, 1)
    assert marks(WREN, WET, today).judged_in == WET_STATES
    assert marks(WREN, SPRINT, today).judged_in == ()


def test_a_state_that_the_car_has_not_is_left_out_with_a_word_and_none_left_means_all() -> None:
    lost = SPRINT.patched({"judged_in": (*WET_STATES, "Snow")})
    assert assess(WREN, lost).verdicts == assess(WREN, WET).verdicts
    words = [one.text.shown() for one in analyse_hydraulics(WREN, lost).remarks if one.path == "setup.judged_in"]
    assert words == ["This setup is to be judged in “Snow”, which is no state of the car: it is left out."]
    assert assess(WREN, SPRINT.patched({"judged_in": ("Snow",)})).verdicts == assess(WREN, SPRINT).verdicts


def test_what_is_wrong_is_said_at_the_state_of_the_car() -> None:
    place = next(place for place, state in enumerate(WREN.states) if state.name == WET_STATES[0])
    lifted = WREN.patched(
        {"front_lift_area": -1.0, "rear_lift_area": -1.0, f"states.{place}.speed": 100.0, "top_speed": 40.0}
    )
    with pytest.raises(OutOfRange) as error:
        assess(lifted, WET)
    assert error.value.path == f"car.states.{place}.speed"


def test_a_wet_setup_is_not_judged_in_dry_sessions() -> None:
    dry = WREN.sessions[0]
    rain = dry.patched({"name": "Rain", "track": "wet"})
    car = WREN.model_copy(update={"sessions": (dry, rain)})
    assert [one.session for one in judge_heat(car, WET, date(2026, 12, 1)).sessions] == ["Rain"]
    assert [one.session for one in judge_heat(car, SPRINT, date(2026, 12, 1)).sessions] == [dry.name, "Rain"]
    # Where none is left, all count: a mark without any session would be green over a real risk.
    only_dry = WREN.model_copy(update={"sessions": (dry,)})
    assert [one.session for one in judge_heat(only_dry, WET, date(2026, 12, 1)).sessions] == [dry.name]
