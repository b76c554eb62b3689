"""From the car as it is to a sound one. Importing this is slow: it loads compiled code."""

from collections.abc import Callable, Iterator, Sequence
from concurrent.futures import ThreadPoolExecutor
from datetime import date
from typing import NamedTuple

from pydantic import ValidationError

from plimbo.core.braking.judged_states import judged_sessions
from plimbo.core.braking.likely_cars import DRAWS, drawn_states
from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.cancellation import Wanted, always, raise_if_cancelled
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.search.plan.candidates import pedal_changes, session_changes, size_changes
from plimbo.core.search.plan.changes import PlanChange, cost_of, with_changes_made
from plimbo.core.search.plan.faults import Fault, faults
from plimbo.core.search.plan.heat_search import HeatSearch
from plimbo.core.search.plan.limits import PlanLimits
from plimbo.core.search.plan.size_search import Objective, Screened, SizeSearch
from plimbo.core.search.plan.standing import SessionStanding, Standing, standing
from plimbo.core.search.plan.steps import Step, in_order
from plimbo.core.search.plan.work import Work
from plimbo.core.verdicts.lock_order import LOCK_ORDER
from plimbo.core.verdicts.session_heat.judging import judged_session
from plimbo.core.working.numbers import Array

Progress = Callable[[int, int], None]
THREADS = 2
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


def silent(done: int, of: int) -> None:
    """Reports no progress."""


class Route(NamedTuple):
    """Steps from the car as it is, for one aim; `mending` are those that mend what is wrong in itself."""

    objective: Objective
    mending: tuple[tuple[Fault, Standing], ...]
    steps: tuple[Step, ...]
    stands: Standing
    likely: float


class Planner:
    """All that is tried for one car with one setup; every combination is worked out once."""

    def __init__(
        self,
        car: Car,
        setup: Setup,
        today: date,
        limits: PlanLimits,
        wanted: Wanted = always,
        progress: Progress = silent,
    ) -> None:
        self._car, self._setup, self._today, self._limits = car, setup, today, limits
        self._wanted, self._progress = wanted, progress
        self._known: dict[frozenset[str], Standing | None] = {}
        self._sessions: dict[tuple[frozenset[str], str], SessionStanding | None] = {}
        self.tried, self.simulated, self._done = 0, 0, 0
        self._pool = ThreadPoolExecutor(THREADS)
        self.now = self._required(())
        self.objectives = (Objective(limits.hours_of_work), Objective(limits.hours_of_work, by_parts=True))

    def _required(self, changes: Sequence[PlanChange]) -> Standing:
        """Raises `OutOfRange` where the inputs together are outside the model."""
        car, setup = with_changes_made(self._car, self._setup, changes)
        found = standing(car, setup, self._today, sessions=self._simulate(changes, car, setup))
        self._known[frozenset(change.key for change in changes)] = found
        return found

    def evaluate(self, changes: Sequence[PlanChange]) -> Standing | None:
        """How everything stands with these changes; none where they do not go together."""
        raise_if_cancelled(self._wanted)
        key = frozenset(change.key for change in changes)
        if key not in self._known:
            try:
                self._known[key] = self._required(changes)
            except (ValidationError, OutOfRange):
                self._known[key] = None
        return self._known[key]

    def _simulate(self, changes: Sequence[PlanChange], car: Car, setup: Setup) -> list[SessionStanding]:
        """Every session, each simulated once, side by side."""
        names = [session.name for session in judged_sessions(car, setup)]
        if names:
            self.simulated += 1
        if not self._known:
            # The first loads the compiled code, which two threads at once would compile again.
            return [self._session(changes, car, setup, name) for name in names]
        tasks = [self._pool.submit(self._session, changes, car, setup, name) for name in names]
        return [task.result() for task in tasks]

    def _session(self, changes: Sequence[PlanChange], car: Car, setup: Setup, name: str) -> SessionStanding:
        raise_if_cancelled(self._wanted)
        # A change of another session's laps leaves this one as it is.
        place = next(place for place, one in enumerate(car.sessions) if one.name == name)
        concerned = [
            change
            for change in changes
            if any(not path.startswith("car.sessions.") or f"car.sessions.{place}." in path for path in change.patch)
        ]
        key = frozenset(change.key for change in concerned), name
        known = self._sessions.get(key)
        if known is None:
            found = judged_session(car, setup, car.sessions[place], self._today)
            known = self._sessions[key] = SessionStanding(found.judged, found.verdict)
        return known

    def routes(self) -> list[Route]:
        """The best for each aim, sound where one was found; none where the car is sound as it is."""
        try:
            return list(self._routes())
        finally:
            self._pool.shutdown(cancel_futures=True)

    def _routes(self) -> Iterator[Route]:
        mending = tuple(self._mending())
        made = tuple(fault.change for fault, _ in mending)
        root = mending[-1][1] if mending else self.now
        if root.sound:
            if mending:
                yield self._route(self.objectives[0], mending, ())
            return
        changes = [one for one in size_changes(root.car, root.setup, root.screening) if self._limits.allow(one.jobs)]
        sizes = SizeSearch(
            root.screening.conditions, root.screening, root.setup, root.matters, changes,
            with_sessions=bool(root.sessions),
        )  # fmt: skip
        screened = sizes.search(self.objectives, self._wanted)
        self.tried += 0 if screened is None else len(screened.rows)
        found = [self._for_aim(one, root, made, sizes, screened, changes) for one in self.objectives]
        seen = set[frozenset[str]]()
        for objective, steps in zip(self.objectives, found, strict=True):
            key = frozenset(change.key for step in steps for change in step.group)
            if (steps or mending) and key not in seen:
                seen.add(key)
                yield self._route(objective, mending, steps)

    def _mending(self) -> Iterator[tuple[Fault, Standing]]:
        made: tuple[PlanChange, ...] = ()
        for fault in faults(self._car, self._setup, self._today):
            if not self._limits.allow(fault.change.jobs):
                continue
            after = self.evaluate((*made, fault.change))
            if after is not None:
                made = (*made, fault.change)
                yield fault, after

    def _route(self, objective: Objective, mending: tuple[tuple[Fault, Standing], ...], steps: Sequence[Step]) -> Route:
        stands = steps[-1].stands if steps else mending[-1][1] if mending else self.now
        return Route(objective, mending, tuple(steps), stands, self._confirmed(stands))

    def _confirmed(self, stands: Standing) -> float:
        """The share of all likely cars whose rear locks first."""
        conditions = stands.screening.conditions
        found = drawn_states(conditions, stands.screening.system, DRAWS, self._wanted)
        return max(drawn.rear_first for drawn in found) / DRAWS

    def _for_aim(
        self,
        objective: Objective,
        root: Standing,
        made: tuple[PlanChange, ...],
        sizes: SizeSearch,
        screened: Screened | None,
        changes: Sequence[PlanChange],
    ) -> list[Step]:
        """The steps that lead to a sound car, or as near to one as was found."""
        nearest: list[Step] = []
        begun = 0
        for row in self._size_rows(objective, made, sizes, screened):
            stands = self.evaluate((*made, *row))
            if stands is None:
                continue
            steps: list[Step] | None = None
            if stands.sound or not root.sessions:
                steps = in_order(root, made, row, self.evaluate, objective.hours)
            elif begun < BEGINNINGS:
                # What is left is the sessions': these sizes are where it begins.
                begun += 1
                steps = self._with_heat(objective, root, made, (row, stands), changes)
            if not steps:
                continue
            last = steps[-1].stands
            if last.sound and self._confirmed(last) <= root.car.limits.draws_rear_first:
                return steps
            if last.score < (nearest[-1].stands.score if nearest else root.score):
                nearest = steps
            if root.sessions and begun == BEGINNINGS:
                break
        return nearest

    def _size_rows(
        self,
        objective: Objective,
        made: tuple[PlanChange, ...],
        sizes: SizeSearch,
        screened: Screened | None,
    ) -> Iterator[tuple[PlanChange, ...]]:
        """Combinations of sizes, best first; those in doubt are passed over, with all that are no surer."""
        if screened is None:
            yield ()
            return
        surest = -float("inf")
        tried = 0
        loose: Array | None = None
        order = sizes.order(screened, objective, loose)
        for place in order:
            if tried >= SIZES_TRIED:
                return
            if not screened.spoilt[place] and screened.order[place] <= surest:
                continue
            row = sizes.made(screened.rows[place].tolist())
            if not screened.spoilt[place] and self._in_doubt((*made, *row)):
                surest = max(surest, float(screened.order[place]) + STEP_SURER)
                continue
            tried += 1
            yield row

    def _in_doubt(self, changes: Sequence[PlanChange]) -> bool:
        try:
            car, setup = with_changes_made(self._car, self._setup, changes)
            found = standing(car, setup, self._today, sessions=())
        except (ValidationError, OutOfRange):
            return True
        return found.readings[LOCK_ORDER.key, "", ""].spoils

    def _spoilt_without_sessions(self, changes: Sequence[PlanChange]) -> set[str]:
        """The matters that are not sound with these changes; all of them where they do not go together."""
        try:
            car, setup = with_changes_made(self._car, self._setup, changes)
            found = standing(car, setup, self._today, sessions=())
        except (ValidationError, OutOfRange):
            return {"nothing fits"}
        return {name for (name, _, _), one in found.readings.items() if one.spoils}

    def _with_heat(
        self,
        objective: Objective,
        root: Standing,
        made: tuple[PlanChange, ...],
        begin: tuple[tuple[PlanChange, ...], Standing],
        sizes: Sequence[PlanChange],
    ) -> list[Step]:
        """Changes for the heat beside the sizes that it begins with."""
        row, stands = begin
        best: list[Step] = []
        for _ in range(ROUNDS):
            steps = self._heat_round(objective, root, made, row, stands, sizes)
            if steps and (not best or steps[-1].stands.score < best[-1].stands.score):
                best = steps
            if not steps or steps[-1].stands.sound or steps[-1].stands.score >= stands.score:
                break
            row, stands = tuple(change for step in steps for change in step.group), steps[-1].stands
        return best

    def _heat_round(
        self,
        objective: Objective,
        root: Standing,
        made: tuple[PlanChange, ...],
        row: tuple[PlanChange, ...],
        stands: Standing,
        sizes: Sequence[PlanChange],
    ) -> list[Step]:
        spoilt = {name for (name, _, session), one in stands.readings.items() if session and one.spoils}
        asking = [one for one in stands.sessions if any(f.key in _findings_of(spoilt) for f in one.verdict.findings)]
        about = _findings_of(spoilt)
        offered = [
            one
            for one in session_changes(stands.car, stands.setup, asking)
            if one.about & about and self._limits.allow(one.jobs)
        ]
        offered += [one for one in pedal_changes(sizes, list(spoilt)) if one not in row]
        spoilt_already = self._spoilt_without_sessions((*made, *row))
        offered = [
            one
            for one in offered
            if not any(job.work in MOVES_THE_PEDAL for job in one.jobs)
            or self._spoilt_without_sessions(_replaced((*made, *row), [one])) <= spoilt_already
        ]
        alone = self._alone((*made, *row), offered, stands, {one.verdict.session for one in asking})
        usable = [(one, sessions) for one, sessions in zip(offered, alone, strict=True) if sessions is not None]
        if not usable:
            return []
        search = HeatSearch(stands, [one for one, _ in usable], [sessions for _, sessions in usable])
        unsound: list[tuple[tuple[int, ...], int, tuple[PlanChange, ...]]] = []
        seen: set[tuple[int, ...]] = {()}
        for _ in range(HEAT_TRIED):
            self._progress(self._done, self._done + HEAT_TRIED)
            tried = next(search.best([objective], seen), None)
            if tried is None:
                break
            seen.add(tried)
            whole = _replaced(row, [search.changes[number] for number in tried])
            after = self.evaluate((*made, *whole))
            if after is None:
                continue
            search.learn(tried, after.sessions)
            if after.sound:
                whole = self._without_what_is_not_needed(objective, made, whole)
                after = self.evaluate((*made, *whole)) or after
            if not after.sound:
                unsound.append((after.score, len(unsound), whole))
            elif self._confirmed(after) <= root.car.limits.draws_rear_first:
                steps = in_order(root, made, whole, self.evaluate, objective.hours)
                if steps is not None:
                    return steps
            if not any(one.spoils for (_, _, session), one in after.readings.items() if session):
                break
        for score, _, whole in sorted(unsound, key=lambda one: one[:2])[:ORDERED]:
            steps = in_order(root, made, whole, self.evaluate, objective.hours) if score < root.score else None
            if steps is not None:
                return steps
        return []

    def _without_what_is_not_needed(
        self, objective: Objective, made: Sequence[PlanChange], changes: tuple[PlanChange, ...]
    ) -> tuple[PlanChange, ...]:
        """Those of these changes without which the car is not sound: what costs most is left out first."""
        dearest = sorted(changes, key=lambda one: cost_of([one], objective.hours)[objective.by_parts], reverse=True)
        for change in dearest:
            rest = tuple(one for one in changes if one is not change)
            after = self.evaluate((*made, *rest))
            if after is not None and after.sound:
                changes = rest
        return changes

    def _alone(
        self, made: Sequence[PlanChange], offered: Sequence[PlanChange], stands: Standing, names: set[str]
    ) -> list[list[SessionStanding] | None]:
        """The sessions with each change, simulated where something is to be mended, else as they stand."""

        def with_one(change: PlanChange) -> list[SessionStanding] | None:
            raise_if_cancelled(self._wanted)
            changes = _replaced(made, [change])
            try:
                car, setup = with_changes_made(self._car, self._setup, changes)
                return [
                    self._session(changes, car, setup, one.verdict.session) if one.verdict.session in names else one
                    for one in stands.sessions
                ]
            except (ValidationError, OutOfRange):
                return None

        found = []
        for done, one in enumerate(self._pool.map(with_one, offered)):
            self._progress(done, len(offered) + HEAT_TRIED)
            found.append(one)
        self._done = len(offered)
        self.tried += len(offered)
        return found


# So much surer than one in doubt must the next be that is tried.
STEP_SURER = 0.004


def _findings_of(names: set[str]) -> set[str]:
    """The keys of findings behind the names of readings."""
    return {"leg" if name == "pedal" else name for name in names}


def _replaced(made: Sequence[PlanChange], more: Sequence[PlanChange]) -> tuple[PlanChange, ...]:
    """Changes with others after them: one that sets a value again takes the place of the earlier one."""
    again = {path for change in more for path, value in change.patch.items() if value not in (None, [])}
    kept = [change for change in made if not again & change.patch.keys()]
    return (*kept, *more)
