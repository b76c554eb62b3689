"""From the car as it is to a sound one."""

import math
from collections.abc import Iterator, Sequence
from datetime import date
from typing import NamedTuple

import numpy as np

from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.cancellation import Wanted, always
from plimbo.core.search.plan.candidates import size_changes
from plimbo.core.search.plan.changes import PlanChange, cost_of
from plimbo.core.search.plan.evaluation import Evaluator, replaced
from plimbo.core.search.plan.faults import Fault, faults
from plimbo.core.search.plan.heat_rounds import ORDERED, Beginning, HeatRounds, Progress
from plimbo.core.search.plan.limits import PlanLimits
from plimbo.core.search.plan.size_search import Objective, Screened, SizeSearch
from plimbo.core.search.plan.status import BAD, Status, worse
from plimbo.core.search.plan.steps import MOST_STEPS, Step, in_order
from plimbo.core.verdicts.lock_order import LOCK_ORDER

# Combinations of sizes that are tried in full.
SIZES_TRIED = 24
# Combinations of sizes from which the search for the heat begins.
BEGINNINGS = 2
# So much surer than one in doubt must the next be that is tried.
STEP_SURER = 0.004
# So much nearer to its limits must one change bring what no plan makes sound.
NEARER = 0.1


def silent(done: int, of: int) -> None:
    """Reports no progress."""


class Route(NamedTuple):
    """Steps from the car as it is, the best for one aim; `faults` by the key of the change that mends each."""

    objective: Objective
    faults: dict[str, Fault]
    steps: tuple[Step, ...]
    stands: Status
    likely: float


class Planner:
    """The search of plans for one car with one setup."""

    def __init__(
        self,
        car: Car,
        setup: Setup,
        today: date,
        limits: PlanLimits,
        wanted: Wanted = always,
        progress: Progress = silent,
    ) -> None:
        """Raises `OutOfRange` where the inputs together are outside the model."""
        self._limits, self._wanted = limits, wanted
        self._evaluator = Evaluator(car, setup, today, wanted)
        self._faults = [fault for fault in faults(car, setup, today) if limits.allow(fault.change.jobs)]
        self._sound: list[list[Step]] = []
        self._heat = HeatRounds(self._evaluator, limits, self._kept, wanted, progress)
        self._sizes_tried = 0
        self._surest = -math.inf
        self.now = self._evaluator.required(())
        self.objectives = (Objective(limits.hours_of_work), Objective(limits.hours_of_work, by_parts=True))

    @property
    def tried(self) -> int:
        return self._sizes_tried + self._heat.tried

    @property
    def simulated(self) -> int:
        return self._evaluator.simulated

    def routes(self) -> list[Route]:
        """The best for each aim, sound where one was found; none where the car is sound as it is."""
        try:
            return list(self._routes())
        finally:
            self._evaluator.close()

    def _routes(self) -> Iterator[Route]:
        mending, root = self._mended()
        if not mending and root.sound:
            return
        found = [self._in_order(self.objectives[0], mending)] if root.sound else self._searched(mending, root)
        seen = set[frozenset[str]]()
        for objective, steps in zip(self.objectives, found, strict=False):
            key = frozenset(change.key for step in steps or () for change in step.group)
            if steps and key not in seen:
                seen.add(key)
                stands = steps[-1].stands
                yield Route(objective, self._fault_of(steps), tuple(steps), stands, self._evaluator.confirmed(stands))

    def _mended(self) -> tuple[tuple[PlanChange, ...], Status]:
        """What mends the faults, and the car then."""
        made: tuple[PlanChange, ...] = ()
        stands = self.now
        for fault in self._faults:
            after = self._evaluator.evaluate((*made, fault.change))
            if after is not None:
                made, stands = (*made, fault.change), after
        return made, stands

    def _fault_of(self, steps: Sequence[Step]) -> dict[str, Fault]:
        """The fault that each change mends: its own, or one whose value it sets."""
        return {
            change.key: fault
            for step in steps
            for change in step.group
            for fault in self._faults
            if _values(fault.change) & _values(change)
        }

    def _in_order(self, objective: Objective, changes: Sequence[PlanChange]) -> list[Step] | None:
        """What is wrong in itself is mended first."""
        faulty = {path for fault in self._faults for path in _values(fault.change)}
        first = frozenset(change.key for change in changes if _values(change) & faulty)
        return in_order(self.now, changes, first, self._evaluator.evaluate, objective.hours)

    def _searched(self, mending: tuple[PlanChange, ...], root: Status) -> list[list[Step] | None]:
        """For each aim, the best of all that were found."""
        sizes = self._size_search(root)
        surer = -math.inf
        order = root.readings[LOCK_ORDER.key, "", ""]
        if sizes.now is not None and order.spoils and order.severity < BAD:
            # What is in doubt must become surer.
            surer = float(sizes.now.order[0]) + STEP_SURER
        for _ in range(2):
            screened = sizes.search(self.objectives, self._wanted, surer)
            self._sizes_tried += 0 if screened is None else len(screened.rows)
            nearest = [self._for_aim(one, mending, root, sizes, screened) for one in self.objectives]
            if self._sound or self._surest <= surer:
                break
            # All that were sound but for the doubt: more changes together may be surer.
            surer = self._surest
        if not self._sound:
            return list(nearest)
        return [min(self._sound, key=lambda steps: self._cost(one, steps)) for one in self.objectives]

    def _cost(self, objective: Objective, steps: Sequence[Step]) -> tuple[float, ...]:
        changes = [change for step in steps for change in step.group]
        hours, parts = cost_of(changes, objective.hours)
        first, second = (parts, hours) if objective.by_parts else (hours, parts)
        return round(first, 6), round(second, 6), steps[-1].stands.watched, len(steps)

    def _kept(self, objective: Objective, stands: Status, changes: Sequence[PlanChange]) -> list[Step] | None:
        """The steps to a sound car, if there is an order of them."""
        if not stands.sound or self._evaluator.confirmed(stands) > stands.car.limits.draws_rear_first:
            return None
        steps = self._in_order(objective, changes)
        if steps is not None:
            self._sound.append(steps)
        return steps

    def _for_aim(
        self,
        objective: Objective,
        mending: tuple[PlanChange, ...],
        root: Status,
        sizes: SizeSearch,
        screened: Screened | None,
    ) -> list[Step] | None:
        """The steps that lead to a sound car, or as near to one as was found."""
        unsound: list[tuple[tuple[int, ...], int, tuple[PlanChange, ...]]] = []
        begun = 0
        for row in self._size_rows(objective, mending, sizes, screened):
            whole = replaced(mending, row)
            stands = self._evaluator.evaluate(whole)
            if stands is None:
                continue
            if (steps := self._kept(objective, stands, whole)) is not None:
                return steps
            unsound.append((stands.score, len(unsound), whole))
            if root.sessions and begun < BEGINNINGS:
                # What is left is the sessions': these sizes are where it begins.
                begun += 1
                steps, nearest = self._heat.search(objective, Beginning(mending, row, stands), sizes.changes)
                if steps is not None:
                    return steps
                unsound += [(score, len(unsound) + at, made) for at, (score, made) in enumerate(nearest)]
            if root.sessions and begun == BEGINNINGS:
                break
        for score, _, whole in sorted(unsound, key=lambda one: one[:2])[: ORDERED * 2]:
            steps = self._in_order(objective, whole) if whole and score < self.now.score else None
            if steps is not None:
                return steps
        return self._nearer(objective, mending, root)

    def _nearer(self, objective: Objective, mending: tuple[PlanChange, ...], root: Status) -> list[Step] | None:
        """Where nothing makes it sound: one change after the other, each the one that brings it nearest."""
        steps = list(self._in_order(objective, mending) or ()) if mending else []
        made, stands = mending, root
        while len(steps) < MOST_STEPS:
            search = self._size_search(stands)
            if search.now is None:
                break
            alone = search.screened(search.alone())
            far = [search.now.bad[0], search.now.spoilt[0], search.now.over[0]]
            step = None
            for place in np.lexsort((alone.over, alone.spoilt, alone.bad))[:SIZES_TRIED].tolist():
                nearer = [alone.bad[place], alone.spoilt[place], alone.over[place] + NEARER]
                whole = replaced(made, search.made(alone.rows[place].tolist()))
                after = self._evaluator.evaluate(whole) if nearer < far else None
                if after is not None and not worse(stands.readings, after.readings):
                    step = Step(search.made(alone.rows[place].tolist()), after)
                    break
            if step is None:
                break
            steps.append(step)
            made, stands = replaced(made, step.group), step.stands
        return steps or None

    def _size_search(self, root: Status) -> SizeSearch:
        changes = [one for one in size_changes(root.car, root.setup, root.screening) if self._limits.allow(one.jobs)]
        return SizeSearch(
            root.screening.conditions,
            root.screening,
            root.setup,
            root.matters,
            changes,
            with_sessions=bool(root.sessions),
        )

    def _size_rows(
        self,
        objective: Objective,
        mending: tuple[PlanChange, ...],
        sizes: SizeSearch,
        screened: Screened | None,
    ) -> Iterator[tuple[PlanChange, ...]]:
        """Combinations of sizes, best first; those in doubt are passed over, with all that are no surer."""
        if screened is None:
            yield ()
            return
        surest, tried = -math.inf, 0
        for place in sizes.order(screened, objective):
            if tried >= SIZES_TRIED:
                return
            spoilt = bool(screened.spoilt[place])
            if not spoilt and screened.order[place] <= surest:
                continue
            row = sizes.made(screened.rows[place].tolist())
            if not spoilt and LOCK_ORDER.key in self._evaluator.spoilt_without_sessions(replaced(mending, row)):
                surest = self._surest = max(surest, float(screened.order[place]) + STEP_SURER)
                continue
            tried += 1
            yield row


def _values(change: PlanChange) -> set[str]:
    """The paths at which it puts a value."""
    return {path for path, value in change.patch.items() if value not in (None, [])}
