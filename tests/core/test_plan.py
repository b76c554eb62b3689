"""Plans followed step by step, and against a plain search over the same changes."""

import random
from typing import Any

import numpy as np
import pytest
from pydantic import ValidationError

from plimbo.core import Car, OutOfRange, PlanLimits, Setup, Work, assess, plan_changes
from plimbo.core.search.plan.status import Status, car_status, worse
from plimbo.core.search.plan.work import NO_PART, jobs_of
from plimbo.core.verdicts.level import SEVERITY
from tests import plan_check, w1
from tests.plan_cars import CARS, KEPT, TODAY, words_of

# Those of the reviewed cars that are followed here; all of them by `make plan-check`.
FOLLOWED = {car.name: (car, setup) for car, setup in CARS if car.name in (
    "Big coupe", "Tiny pad friction", "Huge booster", "Weak driver", "Wren, two compounds", "Pipit, worn pads",
)}  # fmt: skip


@pytest.mark.parametrize("name", FOLLOWED)
def test_following_the_plan_ends_at_a_sound_car_and_no_step_makes_it_worse(name: str) -> None:
    car, setup = FOLLOWED[name]
    answer = plan_changes(car, setup, today=TODAY)
    assert answer.plans
    for plan in answer.plans:
        assert plan.sound
        plan_check.follow(car, setup, plan)
        bought = [job for step in plan.steps for job in jobs_of(step.patch) if job.work not in NO_PART]
        assert len(bought) == len(set(bought)), "a part is fitted once"


@pytest.mark.parametrize("name", FOLLOWED)
def test_what_is_said_is_what_was_reviewed(name: str) -> None:
    car, setup = FOLLOWED[name]
    said = words_of(car, plan_changes(car, setup, today=TODAY))
    assert said in KEPT.read_text().replace("\n\n== ", "\n== ")


@pytest.mark.parametrize("name", ["Big coupe", "Huge booster", "Weak driver"])
def test_a_plain_search_over_three_changes_finds_no_plan_with_fewer_parts(name: str) -> None:
    car, setup = FOLLOWED[name]
    fewest = plan_check.fewest_parts(car, setup)
    answer = plan_changes(car, setup, today=TODAY)
    if fewest is not None:
        assert min(plan.parts for plan in answer.plans if plan.sound) <= fewest + 1


def drawn(seed: int) -> tuple[Car, Setup]:
    """A car by chance: weights, wings, cylinders, pistons, pads and ratio at random."""
    draw = random.Random(seed)
    sizes: dict[str, Any] = {
        "pedal.ratio": round(draw.uniform(4.0, 7.0), 2),
        "front.master_cylinder.bore": draw.choice((0.015875, 0.01905, 0.022225)),
        "rear.master_cylinder.bore": draw.choice((0.015875, 0.01905, 0.022225)),
        "front.caliper.pistons": [draw.choice((0.0318, 0.0381, 0.0413))] * 2,
        "rear.caliper.pistons": [draw.choice((0.0254, 0.0318, 0.036))] * 2,
        "front.pad.friction": (friction := round(draw.uniform(0.32, 0.52), 2)),
        "rear.pad.friction": friction,
        "balance_bar.offset": round(draw.uniform(-0.006, 0.006), 4),
    }
    car: dict[str, Any] = {
        "mass": round(draw.uniform(420, 1100)),
        "front_share": round(draw.uniform(0.40, 0.58), 3),
        "cg_height": round(draw.uniform(0.28, 0.48), 3),
        "front_lift_area": round(draw.uniform(0, 1.2), 2),
        "rear_lift_area": round(draw.uniform(0, 1.6), 2),
    }
    return w1.CAR.patched(car), w1.SETUP.patched(sizes)


# Two hundred by `make plan-check`.
@pytest.mark.parametrize("part", range(4))
def test_on_drawn_cars_every_step_keeps_its_promise_and_pins_hold(part: int) -> None:
    for seed in range(part * 8, part * 8 + 8):
        plan_check.check_drawn(*drawn(seed), seed)


def status(readings: dict[str, tuple[int, float]]) -> Status:
    base = car_status(*CARS[0], TODAY, sessions=())
    order = base.readings["lock_order", "", ""]
    return base._replace(
        readings={(key, "", ""): order._replace(severity=of[0], past=of[1]) for key, of in readings.items()}
    )


@pytest.mark.parametrize(
    ("before", "after", "is_worse"),
    [
        ({"a": (2, 1.0)}, {"a": (2, 1.0)}, False),
        ({"a": (0, 0.0)}, {"a": (2, 1.0)}, True),
        ({"a": (1, 0.0)}, {"a": (2, 1.0)}, True),
        ({"a": (2, 1.0)}, {"a": (2, 1.2)}, True),
        ({"a": (2, 1.0), "b": (0, 0.0)}, {"a": (2, 0.5), "b": (1, 1.0)}, True),
        ({"a": (2, 1.0), "b": (0, 0.0)}, {"a": (1, 0.5), "b": (1, 1.0)}, False),
    ],
)
def test_worse_is_what_adds_a_red_moves_one_away_or_turns_green_amber_for_nothing(
    before: dict[str, tuple[int, float]], after: dict[str, tuple[int, float]], is_worse: bool
) -> None:
    assert worse(status(before).readings, status(after).readings) is is_worse


def test_pinned_parts_and_work_that_is_left_out_are_left_alone() -> None:
    car, setup = FOLLOWED["Weak driver"]
    free = plan_changes(car, setup, today=TODAY)
    assert any("pad" in path for plan in free.plans for path in plan.patch)
    limits = PlanLimits(pinned=("front pads", "rear pads"), left_out=(Work.PEDAL,))
    held = plan_changes(car, setup, limits, TODAY)
    for plan in held.plans:
        assert not any(".pad." in path or path.startswith(("setup.pedal", "setup.booster")) for path in plan.patch)


def test_hours_may_be_set_and_change_the_plan_of_least_work() -> None:
    car, setup = FOLLOWED["Weak driver"]
    dear = plan_changes(car, setup, PlanLimits(hours={Work.PADS: 9.0}), TODAY)
    assert not any(".pad." in path for path in dear.plans[0].patch)


def test_a_sound_car_needs_no_plan_and_one_that_nothing_mends_says_what_stands_in_the_way() -> None:
    car, setup = next(one for one in CARS if one[0].name == "Pipit, big fronts")
    assert (answer := plan_changes(car, setup, today=TODAY)).sound
    assert (answer.word, answer.plans) == ("Sound as it is, 1 to be watched", ())
    hatch, fitted = next(one for one in CARS if one[0].name == "Nose-heavy hatch")
    everything = PlanLimits(left_out=tuple(Work))
    nothing = plan_changes(hatch, fitted, everything, TODAY)
    assert not any(plan.sound for plan in nothing.plans)
    assert nothing.way is not None
    assert "rear locks first" in nothing.way.shown()


def test_the_same_question_has_the_same_answer() -> None:
    car, setup = FOLLOWED["Pipit, worn pads"]
    assert plan_changes(car, setup, today=TODAY) == plan_changes(car, setup, today=TODAY)


def test_a_plan_without_sessions_agrees_with_the_assessment() -> None:
    car, setup = FOLLOWED["Big coupe"]
    answer = plan_changes(car, setup, today=TODAY)
    verdicts = {one.key: one for one in assess(car, setup, with_working=False).verdicts}
    for cell in answer.stands:
        assert SEVERITY[cell.level] == SEVERITY[verdicts[cell.key].level]
        assert np.isclose(cell.number.value or 0.0, verdicts[cell.key].number.value or 0.0)


def test_impossible_values_are_refused() -> None:
    with pytest.raises(ValidationError):
        PlanLimits.model_validate({"left_out": ["wings"]})
    car, setup = CARS[0]
    with pytest.raises(OutOfRange):
        plan_changes(car.patched({"front_lift_area": -1.0, "top_speed": 110.0}), setup, today=TODAY)
