"""The order in which the changes of a plan are made: no step makes the car worse, the gravest is mended first."""

from collections.abc import Callable, Mapping, Sequence
from itertools import combinations
from typing import NamedTuple

from plimbo.core.search.plan.changes import PlanChange, cost_of
from plimbo.core.search.plan.status import Status, worse
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
# Orders that are tried before the set of changes is given up.
TRIES = 40

Group = tuple[PlanChange, ...]
Evaluate = Callable[[Sequence[PlanChange]], Status | None]


class Step(NamedTuple):
    """What is done in one step, and how the car stands after it."""

    group: Group
    stands: Status


class _Tries:
    def __init__(self) -> None:
        self.left = TRIES


def in_order(
    now: Status,
    changes: Sequence[PlanChange],
    first: frozenset[str],
    evaluate: Evaluate,
    hours: Mapping[Work, float],
) -> list[Step] | None:
    """The steps from the car as it is; none where every order makes it worse somewhere.

    `first` are the keys of the changes that mend what is wrong in itself.
    """
    return _ordered(now, (), tuple(changes), first, evaluate, hours, MOST_STEPS, _Tries())


def _ordered(
    stands: Status,
    made: Group,
    rest: Group,
    first: frozenset[str],
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
    mending = [change for change in rest if change.key in first]
    for size in range(1, min(MOST_TOGETHER, len(rest)) + 1):
        found = []
        if len(rest) - size > (most - 1) * MOST_TOGETHER:
            continue
        for places in sorted(combinations(range(len(rest)), size), key=lambda one: _sense([rest[at] for at in one])):
            group = tuple(rest[place] for place in places)
            if mending and not any(change.key in first for change in group):
                continue
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
            behind = _ordered(after, (*made, *group), others, first, evaluate, hours, most - 1, tries)
            if behind is not None:
                return [Step(group, after), *behind]
    if not mending:
        return None
    # What is wrong in itself is mended although something else becomes worse by it.
    group = tuple(mending[:1])
    others = tuple(one for one in rest if one is not mending[0])
    alone = evaluate((*made, *group))
    behind = _ordered(alone, (*made, *group), others, first, evaluate, hours, most - 1, tries) if alone else None
    return None if alone is None or behind is None else [Step(group, alone), *behind]


def _sense(group: Sequence[PlanChange]) -> int:
    works = {job.work for change in group for job in change.jobs}
    return next((place for place, one in enumerate(TOGETHER) if works == one), len(TOGETHER))
