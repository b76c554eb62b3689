"""From the car as it is to a sound one."""

import math
from collections.abc import Callable, Iterator, Sequence
from datetime import date
from typing import NamedTuple

import numpy as np

from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.cancellation import Wanted, always, raise_if_cancelled
from plimbo.core.search.plan.candidates import pedal_changes, session_changes, size_changes
from plimbo.core.search.plan.changes import PlanChange, cost_of
from plimbo.core.search.plan.evaluation import Evaluator, replaced
from plimbo.core.search.plan.faults import Fault, faults
from plimbo.core.search.plan.heat_search import HeatSearch
from plimbo.core.search.plan.limits import PlanLimits
from plimbo.core.search.plan.size_search import Objective, Screened, SizeSearch
from plimbo.core.search.plan.status import BAD, Status, worse
from plimbo.core.search.plan.steps import MOST_STEPS, Step, in_order
from plimbo.core.search.plan.work import Work
from plimbo.core.verdicts.lock_order import LOCK_ORDER

Progress = Callable[[int, int], None]
# Combinations of sizes that are tried in full, and of changes for the heat that are simulated for each aim.
SIZES_TRIED, HEAT_TRIED = 24, 12
# How often the search for the heat begins again from the best that it has found.
ROUNDS = 2
# Combinations of sizes from which the search for the heat begins.
BEGINNINGS = 2
# Combinations that are not sound, put in order where none is.
ORDERED = 3
# Work that moves what is judged without a session.
MOVES_THE_PEDAL = {Work.CYLINDER, Work.PEDAL, Work.DISC, Work.CALIPER, Work.SETTING}
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


class _Beginning(NamedTuple):
    """Where a search begins: the car with what is wrong in itself mended, and with these sizes."""

    mending: tuple[PlanChange, ...]
    sizes: tuple[PlanChange, ...]
    stands: Status


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
        self._limits, self._wanted, self._progress = limits, wanted, progress
        self._evaluator = Evaluator(car, setup, today, wanted)
        self._faults = [fault for fault in faults(car, setup, today) if limits.allow(fault.change.jobs)]
        self._sound: list[list[Step]] = []
        self._done = self.tried = 0
        self._surest = -math.inf
        self.now = self._evaluator.required(())
        self.objectives = (Objective(limits.hours_of_work), Objective(limits.hours_of_work, by_parts=True))

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
            self.tried += 0 if screened is None else len(screened.rows)
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
                steps, nearest = self._with_heat(objective, _Beginning(mending, row, stands), sizes.changes)
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

    def _with_heat(
        self, objective: Objective, begin: _Beginning, sizes: Sequence[PlanChange]
    ) -> tuple[list[Step] | None, list[tuple[tuple[int, ...], tuple[PlanChange, ...]]]]:
        """Changes for the heat beside these sizes: the steps to a sound car, else the nearest combinations."""
        nearest: list[tuple[tuple[int, ...], tuple[PlanChange, ...]]] = []
        for _ in range(ROUNDS):
            steps, unsound = self._heat_round(objective, begin, sizes)
            if steps is not None:
                return steps, []
            nearest = sorted([*nearest, *unsound], key=lambda one: one[0])[:ORDERED]
            if not nearest or nearest[0][0] >= begin.stands.score:
                break
            stands = self._evaluator.evaluate(nearest[0][1])
            if stands is None:
                break
            begin = begin._replace(sizes=nearest[0][1], mending=(), stands=stands)
        return None, nearest

    def _heat_round(
        self, objective: Objective, begin: _Beginning, sizes: Sequence[PlanChange]
    ) -> tuple[list[Step] | None, list[tuple[tuple[int, ...], tuple[PlanChange, ...]]]]:
        search = self._heat_search(begin, sizes)
        unsound: list[tuple[tuple[int, ...], tuple[PlanChange, ...]]] = []
        if search is None:
            return None, unsound
        seen: set[tuple[int, ...]] = {()}
        base = replaced(begin.mending, begin.sizes)
        for done in range(HEAT_TRIED):
            self._progress(self._done + done, self._done + HEAT_TRIED)
            tried = next(search.best([objective], seen), None)
            if tried is None:
                break
            seen.add(tried)
            whole = replaced(base, [search.changes[number] for number in tried])
            after = self._evaluator.evaluate(whole)
            if after is None:
                continue
            search.learn(tried, after.sessions)
            if after.sound:
                whole = self._without_what_is_not_needed(objective, begin.mending, whole)
                steps = self._kept(objective, self._evaluator.evaluate(whole) or after, whole)
                if steps is not None:
                    return steps, []
            unsound.append((after.score, whole))
            if not any(one.spoils for (_, _, session), one in after.readings.items() if session):
                break
        return None, unsound

    def _heat_search(self, begin: _Beginning, sizes: Sequence[PlanChange]) -> HeatSearch | None:
        """What could mend what spoils the sessions, each simulated alone; none where there is nothing."""
        stands, base = begin.stands, replaced(begin.mending, begin.sizes)
        spoilt = {name for (name, _, session), one in stands.readings.items() if session and one.spoils}
        about = {"leg" if name == "pedal" else name for name in spoilt}
        asking = [one for one in stands.sessions if any(found.key in about for found in one.verdict.findings)]
        offered = [one for one in session_changes(stands.car, stands.setup, asking) if one.about & about]
        offered += [one for one in pedal_changes(sizes, list(spoilt)) if one not in begin.sizes]
        already = self._evaluator.spoilt_without_sessions(base)
        offered = [
            one
            for one in offered
            if self._limits.allow(one.jobs)
            and (
                not any(job.work in MOVES_THE_PEDAL for job in one.jobs)
                or self._evaluator.spoilt_without_sessions(replaced(base, [one])) <= already
            )
        ]
        raise_if_cancelled(self._wanted)
        self._done += len(offered)
        self.tried += len(offered)
        names = {one.verdict.session for one in asking}
        alone = self._evaluator.sessions_with_each(base, offered, stands, names)
        usable = [(one, sessions) for one, sessions in zip(offered, alone, strict=True) if sessions is not None]
        if not usable:
            return None
        return HeatSearch(stands, [one for one, _ in usable], [sessions for _, sessions in usable])

    def _without_what_is_not_needed(
        self, objective: Objective, mending: Sequence[PlanChange], changes: tuple[PlanChange, ...]
    ) -> tuple[PlanChange, ...]:
        """Those of these changes without which the car is not sound: what costs most is left out first."""
        dearest = sorted(changes, key=lambda one: cost_of([one], objective.hours)[objective.by_parts], reverse=True)
        for change in dearest:
            rest = tuple(one for one in changes if one is not change)
            after = self._evaluator.evaluate(rest) if change not in mending else None
            if after is not None and after.sound:
                changes = rest
        return changes


def _values(change: PlanChange) -> set[str]:
    """The paths at which it puts a value."""
    return {path for path, value in change.patch.items() if value not in (None, [])}
