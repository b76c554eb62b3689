"""Every reviewed car followed step by step and against a plain search; two hundred drawn cars: `make plan-check`."""

import random
import sys
import time
from itertools import combinations

import numpy as np

from plimbo.core import Car, PlanLimits, Setup, assess, estimate_uncertainty, judge_heat, plan_changes
from plimbo.core.quantities.cancellation import always
from plimbo.core.search.plan.answers import Plan
from plimbo.core.search.plan.candidates import session_changes, size_changes
from plimbo.core.search.plan.changes import PlanChange, cost_of
from plimbo.core.search.plan.evaluation import Evaluator
from plimbo.core.search.plan.faults import faults
from plimbo.core.search.plan.size_search import CHUNK, SizeSearch
from plimbo.core.search.plan.status import Status, car_status, worse
from plimbo.core.verdicts.level import SEVERITY, Rank
from tests.plan_cars import CARS, TODAY

MOST_STEPS = 5
# Likely cars may be this much past the limit between the draws of the search and all of them.
TRIPLES, SEED = 300, 26


def with_patch(car: Car, setup: Setup, patch: dict[str, object]) -> tuple[Car, Setup]:
    own = {path.removeprefix("setup."): value for path, value in patch.items() if path.startswith("setup.")}
    cars = {path.removeprefix("car."): value for path, value in patch.items() if path.startswith("car.")}
    return car.patched(cars), setup.patched(own)


def assert_sound(car: Car, setup: Setup) -> None:
    """By the questions that the screens ask, not by the search."""
    for verdict in assess(car, setup, with_working=False).verdicts:
        if verdict.key == "heat" and car.sessions:
            continue
        assert SEVERITY[verdict.level] < 2, verdict.word
        assert not SEVERITY[verdict.level] or verdict.rank > Rank.EFFORT, verdict.word
    sure = estimate_uncertainty(car, setup)
    assert sure.worst.rear_first <= car.limits.draws_rear_first
    for session in judge_heat(car, setup, TODAY).sessions:
        for found in session.findings:
            assert SEVERITY[found.level] < 2, (session.session, found.word)
            assert not SEVERITY[found.level] or found.rank > Rank.EFFORT, (session.session, found.word)


def follow(car: Car, setup: Setup, plan: Plan) -> None:
    """Make one step after the other: each stands as it promised, none makes the car worse, the last is sound."""
    assert len(plan.steps) <= MOST_STEPS
    now: Status = car_status(car, setup, TODAY)
    visited = [setup.model_dump_json() + car.model_dump_json()]
    for step in plan.steps:
        car, setup = with_patch(car, setup, dict(step.patch))
        after = car_status(car, setup, TODAY)
        if not step.mends:
            assert not worse(now.readings, after.readings), [part.title for part in step.parts]
        words = {verdict.word for verdict in assess(car, setup, with_working=False).verdicts}
        for cell in step.stands:
            if not cell.session and cell.level != "watch":
                assert cell.word in words
        found = {one.word for session in judge_heat(car, setup, TODAY).sessions for one in session.findings}
        assert {cell.word for cell in step.stands if cell.session and SEVERITY[cell.level]} <= found
        now = after
        visited.append(setup.model_dump_json() + car.model_dump_json())
    assert len(set(visited)) == len(visited), "a circle"
    if plan.sound:
        assert_sound(car, setup)


def _mended(car: Car, setup: Setup) -> tuple[Car, Setup]:
    for fault in faults(car, setup, TODAY):
        car, setup = with_patch(car, setup, fault.change.patch)
    return car, setup


def _triples(search: SizeSearch) -> np.ndarray:
    pairs = search.pairs()
    return search.with_another(pairs)


def fewest_parts(car: Car, setup: Setup) -> int | None:
    """By every combination of at most three changes, of a car without sessions; none where none is sound."""
    car, setup = _mended(car, setup)
    root = car_status(car, setup, TODAY, sessions=())
    if root.sound:
        return 0
    search = SizeSearch(root.screening.conditions, root.screening, setup, root.matters,
                        size_changes(car, setup, root.screening), with_sessions=False)  # fmt: skip
    sound: list[tuple[float, tuple[PlanChange, ...]]] = []
    for rows in (search.alone(), search.pairs(), _triples(search)):
        for start in range(0, len(rows), CHUNK * 8):
            found = search.screened(rows[start : start + CHUNK * 8])
            for place in np.flatnonzero(found.spoilt == 0).tolist():
                made = search.made(found.rows[place].tolist())
                sound.append((cost_of(made).parts, made))
        best = _first_surely_sound(car, setup, sound)
        if best is not None:
            return best
    return None


def _first_surely_sound(car: Car, setup: Setup, sound: list[tuple[float, tuple[PlanChange, ...]]]) -> int | None:
    for parts, made in sorted(sound, key=lambda one: one[0])[:400]:
        patch = {path: value for change in made for path, value in change.patch.items()}
        if car_status(*with_patch(car, setup, patch), TODAY, sessions=()).sound:
            return int(parts)
    return None


def fewest_parts_driven(car: Car, setup: Setup, pairs: int, triples: int = TRIPLES) -> int | None:
    """Of a car with sessions: all single changes, so many pairs and triples that were drawn."""
    car, setup = _mended(car, setup)
    evaluator = Evaluator(car, setup, TODAY, always)
    root = evaluator.required(())
    changes = [*size_changes(car, setup, root.screening), *session_changes(car, setup, root.sessions)]
    draw = random.Random(SEED)
    rows: list[tuple[PlanChange, ...]] = [(), *((one,) for one in changes)]
    two = [pair for pair in combinations(changes, 2) if pair[0].goes_with(pair[1])]
    rows += draw.sample(two, min(pairs, len(two)))
    rows += [tuple(draw.sample(changes, 3)) for _ in range(triples)]
    best: int | None = None
    for row in rows:
        parts = cost_of(row).parts
        if (best is not None and parts >= best) or not all(a.goes_with(b) for a, b in combinations(row, 2)):
            continue
        if evaluator.spoilt_without_sessions(row):
            continue
        found = evaluator.evaluate(row)
        if found is not None and found.sound:
            best = parts
    evaluator.close()
    return best


def check_drawn(car: Car, setup: Setup, seed: int) -> None:
    """The plans of a drawn car keep their promise, and a part that is pinned stays."""
    answer = plan_changes(car, setup, today=TODAY)
    for plan in answer.plans:
        follow(car, setup, plan)
    pinned = random.Random(seed).choice(("front cylinder", "rear cylinder", "front caliper", "pedal"))
    end, _, part = pinned.rpartition(" ")
    place = {"cylinder": "master_cylinder"}.get(part, part)
    path = f"setup.{end}.{place}" if end else f"setup.{place}"
    for plan in plan_changes(car, setup, PlanLimits(pinned=(pinned,)), TODAY).plans:
        assert not any(one.startswith(path) for one in plan.patch)


def main(pairs: int) -> None:
    from tests.core.test_plan import drawn  # noqa: PLC0415  (it imports this)

    wrong = 0
    for car, setup in CARS:
        begun = time.perf_counter()
        answer = plan_changes(car, setup, today=TODAY)
        took = time.perf_counter() - begun
        for plan in answer.plans:
            follow(car, setup, plan)
        parts = min((plan.parts for plan in answer.plans if plan.sound), default=None)
        fewest = fewest_parts_driven(car, setup, pairs) if car.sessions else fewest_parts(car, setup)
        fine = answer.sound or fewest is None or (parts is not None and parts <= fewest + 1)
        wrong += not fine
        print(
            f"{'ok ' if fine else 'BAD'} {car.name}: {answer.word}, {parts} parts, plain search {fewest}, {took:.1f} s"
        )
    for seed in range(200):
        check_drawn(*drawn(seed), seed)
    print("200 drawn cars: every step keeps its promise")
    sys.exit(wrong)


if __name__ == "__main__":
    main(int(sys.argv[1]) if len(sys.argv) > 1 else 400)
