"""The summary of a setup: doubt and sessions count, and nothing unknown is green."""

import pytest

from plimbo.cli.demo_data import CARS
from plimbo.core import CarKind, Marks, assess, begin_car, estimate_uncertainty, judge_heat, overall
from plimbo.core.verdicts.level import SEVERITY

SETUPS = [(car, setup) for car, setups in CARS for setup in setups]
WREN, SPRINT = SETUPS[0]


def marks(place: int) -> Marks:
    car, setup = SETUPS[place]
    plain = assess(car, setup, with_working=False).verdicts
    return overall(car, setup, plain, estimate_uncertainty(car, setup).verdict, judge_heat(car, setup).verdict)


@pytest.mark.parametrize("place", range(len(SETUPS)), ids=[f"{car.name}, {setup.name}" for car, setup in SETUPS])
def test_every_mark_is_what_is_known_best(place: int) -> None:
    car, setup = SETUPS[place]
    answer = marks(place)
    plain = {verdict.key: verdict for verdict in assess(car, setup, with_working=False).verdicts}
    assert [mark.key for mark in answer.marks] == list(plain)
    for mark in answer.marks:
        if mark.key == "lock_order":
            assert mark.word == estimate_uncertainty(car, setup).verdict.word
        elif mark.key == "heat":
            heat = judge_heat(car, setup)
            assert heat.worst is not None
            assert (mark.word, mark.level) == (heat.worst.word, heat.worst.level)
            assert mark.title.endswith(heat.worst.session)
            assert SEVERITY[mark.level] == max(SEVERITY[one.level] for one in heat.sessions)
        else:
            assert (mark.word, mark.level) == (plain[mark.key].word, plain[mark.key].level)
    assert SEVERITY[answer.worst.level] == max(SEVERITY[mark.level] for mark in answer.marks)


def test_without_sessions_the_one_stop_speaks() -> None:
    car = WREN.model_copy(update={"sessions": ()})
    plain = assess(car, SPRINT, with_working=False).verdicts
    answer = overall(car, SPRINT, plain, estimate_uncertainty(car, SPRINT).verdict, None)
    (heat,) = [mark for mark in answer.marks if mark.key == "heat"]
    (stop,) = [verdict for verdict in plain if verdict.key == "heat"]
    assert (heat.word, heat.title) == (stop.word, stop.title)


def test_sessions_that_cannot_be_driven_are_no_reason_for_a_green_mark() -> None:
    plain = assess(WREN, SPRINT, with_working=False).verdicts
    judged = judge_heat(WREN.patched({"power": None}), SPRINT)
    assert judged.trouble is not None
    assert (judged.worst, judged.trouble.path) == (None, "car.power")
    answer = overall(WREN, SPRINT, plain, estimate_uncertainty(WREN, SPRINT).verdict, judged.verdict)
    (heat,) = [mark for mark in answer.marks if mark.key == "heat"]
    assert (heat.level, heat.word) == ("watch", "Not worked out")


def test_a_doubt_stands_over_a_good_word() -> None:
    doubted = [
        place
        for place, (car, setup) in enumerate(SETUPS)
        if estimate_uncertainty(car, setup).in_doubt
        and assess(car, setup, with_working=False).verdicts[0].level == "good"
    ]
    assert doubted
    for place in doubted:
        assert marks(place).marks[0].level == "watch"
        assert "doubt" in marks(place).marks[0].word


def test_what_nobody_has_given_is_counted() -> None:
    assert marks(0).unconfirmed == 0
    new = begin_car("Teal", CarKind.PICKUP)
    plain = assess(new.car, new.setup, with_working=False).verdicts
    answer = overall(new.car, new.setup, plain, estimate_uncertainty(new.car, new.setup).verdict, None)
    paths = assess(new.car, new.setup, with_working=False).assumptions
    assert 30 < answer.unconfirmed < len(paths)
    lighter = new.car.patched({"mass": 1300.0, "front_tyre.friction": 1.0})
    fewer = overall(lighter, new.setup, plain, estimate_uncertainty(lighter, new.setup).verdict, None)
    assert fewer.unconfirmed == answer.unconfirmed - 2
