"""What mends the sessions beside some sizes: changes for the heat, simulated the most promising first."""

from collections.abc import Callable, Sequence
from typing import NamedTuple

from plimbo.core.quantities.cancellation import Wanted, raise_if_cancelled
from plimbo.core.search.plan.candidates import pedal_changes, session_changes
from plimbo.core.search.plan.changes import PlanChange, cost_of
from plimbo.core.search.plan.evaluation import Evaluator, replaced
from plimbo.core.search.plan.heat_search import HeatSearch
from plimbo.core.search.plan.limits import PlanLimits
from plimbo.core.search.plan.size_search import Objective
from plimbo.core.search.plan.status import Status
from plimbo.core.search.plan.steps import Step
from plimbo.core.search.plan.work import Work

Progress = Callable[[int, int], None]
# The steps to a sound car, if these changes lead to one.
Kept = Callable[[Objective, Status, Sequence[PlanChange]], list[Step] | None]
# Combinations of changes that are simulated for each aim.
HEAT_TRIED = 12
# Combinations that are not sound, kept where none is.
ORDERED = 3
# How often the search for the heat begins again from the best that it has found.
ROUNDS = 2
# Work that moves what is judged without a session.
MOVES_THE_PEDAL = {Work.CYLINDER, Work.PEDAL, Work.DISC, Work.CALIPER, Work.SETTING}


class Beginning(NamedTuple):
    """Where a search begins: the car with what is wrong in itself mended, and with these sizes."""

    mending: tuple[PlanChange, ...]
    sizes: tuple[PlanChange, ...]
    stands: Status


class HeatRounds:
    """The search for one car; `tried` is the number of changes that were simulated alone."""

    def __init__(
        self, evaluator: Evaluator, limits: PlanLimits, kept: Kept, wanted: Wanted, progress: Progress
    ) -> None:
        self._evaluator, self._limits, self._kept = evaluator, limits, kept
        self._wanted, self._progress = wanted, progress
        self._done = self.tried = 0

    def search(
        self, objective: Objective, begin: Beginning, sizes: Sequence[PlanChange]
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
        self, objective: Objective, begin: Beginning, sizes: Sequence[PlanChange]
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

    def _heat_search(self, begin: Beginning, sizes: Sequence[PlanChange]) -> HeatSearch | None:
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
