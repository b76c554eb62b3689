"""The order in which the changes of a plan are made: no step makes the car worse, the gravest is mended first."""

from collections.abc import Callable, Mapping, Sequence
from itertools import combinations
from typing import NamedTuple

from plimbo.core.search.plan.changes import PlanChange, cost_of
from plimbo.core.search.plan.status import Status, worse
from plimbo.core.search.plan.work import NO_PART, Work

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
    for units in (_by_part(changes), [(change,) for change in changes]):
        found = _ordered(now, (), tuple(units), first, evaluate, hours, MOST_STEPS, _Tries())
        if found is not None:
            return found
    return None


def _by_part(changes: Sequence[PlanChange]) -> list[Group]:
    """Changes of the same part together: it is bought, or taken apart, once."""
    units: list[Group] = []
    for change in changes:
        parts = {job for job in change.jobs if job.work not in NO_PART}
        same = [unit for unit in units if any(parts & one.jobs for one in unit)]
        units = [unit for unit in units if unit not in same]
        units.append((*(one for unit in same for one in unit), change))
    return units


def _ordered(
    stands: Status,
    made: Group,
    rest: tuple[Group, ...],
    first: frozenset[str],
    evaluate: Evaluate,
    hours: Mapping[Work, float],
    most: int,
    tries: _Tries,
) -> list[Step] | None:
    """One part a step; two or three together where each alone makes the car worse, or the steps run out."""
    if not rest:
        return []
    if most == 0:
        return None
    mending = [unit for unit in rest if any(change.key in first for change in unit)]
    for size in range(1, min(MOST_TOGETHER, len(rest)) + 1):
        found = []
        if len(rest) - size > (most - 1) * MOST_TOGETHER:
            continue
        for places in sorted(combinations(range(len(rest)), size), key=lambda one: _sense(_joined(rest, one))):
            group = _joined(rest, places)
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
            group = _joined(rest, places)
            others = tuple(one for place, one in enumerate(rest) if place not in places)
            behind = _ordered(after, (*made, *group), others, first, evaluate, hours, most - 1, tries)
            if behind is not None:
                return [Step(group, after), *behind]
    if not mending:
        return None
    # What is wrong in itself is mended although something else becomes worse by it.
    group = mending[0]
    others = tuple(one for one in rest if one is not mending[0])
    alone = evaluate((*made, *group))
    behind = _ordered(alone, (*made, *group), others, first, evaluate, hours, most - 1, tries) if alone else None
    return None if alone is None or behind is None else [Step(group, alone), *behind]


def _joined(units: Sequence[Group], places: Sequence[int]) -> Group:
    return tuple(change for place in places for change in units[place])


def _sense(group: Sequence[PlanChange]) -> int:
    works = {job.work for change in group for job in change.jobs}
    return next((place for place, one in enumerate(TOGETHER) if works == one), len(TOGETHER))
