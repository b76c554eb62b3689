"""The order in which the changes of a plan are made: no step makes the car worse, the gravest is mended first.

Importing this is slow: it loads compiled code.
"""

from collections.abc import Callable, Mapping, Sequence
from itertools import combinations
from typing import NamedTuple

from plimbo.core.search.plan.changes import PlanChange, cost_of
from plimbo.core.search.plan.standing import Standing, worse
from plimbo.core.search.plan.work import Work

MOST_STEPS, MOST_TOGETHER = 5, 3
# Works that may make sense only together, the likeliest first.
TOGETHER = (
    {Work.CYLINDER},
    {Work.PADS},
    {Work.PADS, Work.FLUID},
    {Work.SETTING, Work.CYLINDER},
    {Work.SETTING, Work.FLUID},
    {Work.DISC},
    {Work.CALIPER},
    {Work.CALIPER, Work.DISC},
    {Work.PADS, Work.DISC},
)
# Orders that are looked at before the set of changes is given up.
TRIES = 40

Group = tuple[PlanChange, ...]
Evaluate = Callable[[Sequence[PlanChange]], Standing | None]


class Step(NamedTuple):
    """What is done in one step, and how the car stands after it."""

    group: Group
    stands: Standing


class _Tries:
    def __init__(self) -> None:
        self.left = TRIES


def in_order(
    root: Standing, made: Group, changes: Sequence[PlanChange], evaluate: Evaluate, hours: Mapping[Work, float]
) -> list[Step] | None:
    """The steps from `root`, in which `made` is made already; none where every order makes the car worse somewhere."""
    return _ordered(root, made, tuple(changes), evaluate, hours, MOST_STEPS, _Tries())


def _ordered(
    stands: Standing,
    made: Group,
    rest: Group,
    evaluate: Evaluate,
    hours: Mapping[Work, float],
    most: int,
    tries: _Tries,
) -> list[Step] | None:
    """One change a step; two or three together where each alone makes the car worse, or the steps run out."""
    if not rest:
        return []
    if most == 0:
        return None
    for size in range(1, min(MOST_TOGETHER, len(rest)) + 1):
        found = []
        if len(rest) - size > (most - 1) * MOST_TOGETHER:
            continue
        for places in sorted(combinations(range(len(rest)), size), key=lambda one: _sense([rest[at] for at in one])):
            group = tuple(rest[place] for place in places)
            tries.left -= 1
            if tries.left < 0:
                break
            after = evaluate((*made, *group))
            if after is not None and not worse(stands.readings, after.readings):
                found.append((after.score, cost_of(group, hours).hours, places, after))
                if size > 1:
                    break
        for _, _, places, after in sorted(found, key=lambda one: one[:3]):
            group = tuple(rest[place] for place in places)
            others = tuple(one for place, one in enumerate(rest) if place not in places)
            behind = _ordered(after, (*made, *group), others, evaluate, hours, most - 1, tries)
            if behind is not None:
                return [Step(group, after), *behind]
    return None


def _sense(group: Sequence[PlanChange]) -> int:
    works = {job.work for change in group for job in change.jobs}
    return next((place for place, one in enumerate(TOGETHER) if works == one), len(TOGETHER))
