"""How a car stands with some changes: every combination and every session is worked out once.

Compiled code is loaded where a session is simulated.
"""

from collections.abc import Sequence
from concurrent.futures import ThreadPoolExecutor
from datetime import date

from pydantic import ValidationError

from plimbo.core.braking.judged_states import judged_sessions
from plimbo.core.braking.likely_cars import DRAWS, drawn_states
from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.cancellation import Wanted, raise_if_cancelled
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.search.plan.changes import PlanChange, with_changes_made
from plimbo.core.search.plan.status import SessionStatus, Status, car_status

THREADS = 2


class Evaluator:
    """One car and setup, and what is known of them with any changes."""

    def __init__(self, car: Car, setup: Setup, today: date, wanted: Wanted) -> None:
        self._car, self._setup, self._today, self._wanted = car, setup, today, wanted
        self._known: dict[frozenset[str], Status | None] = {}
        self._sessions: dict[tuple[frozenset[str], str], SessionStatus] = {}
        self._pool = ThreadPoolExecutor(THREADS)
        self.simulated = 0

    def close(self) -> None:
        self._pool.shutdown(cancel_futures=True)

    def required(self, changes: Sequence[PlanChange]) -> Status:
        """Raises `OutOfRange` where the inputs together are outside the model."""
        car, setup = with_changes_made(self._car, self._setup, changes)
        found = car_status(car, setup, self._today, sessions=self._simulate(changes, car, setup))
        self._known[frozenset(change.key for change in changes)] = found
        return found

    def evaluate(self, changes: Sequence[PlanChange]) -> Status | None:
        """How everything stands with these changes; none where they do not go together."""
        raise_if_cancelled(self._wanted)
        key = frozenset(change.key for change in changes)
        if key not in self._known:
            try:
                self._known[key] = self.required(changes)
            except (ValidationError, OutOfRange):
                self._known[key] = None
        return self._known[key]

    def spoilt_without_sessions(self, changes: Sequence[PlanChange]) -> set[str]:
        """The matters that are not sound with these changes; a word where they do not go together."""
        try:
            car, setup = with_changes_made(self._car, self._setup, changes)
            found = car_status(car, setup, self._today, sessions=())
        except (ValidationError, OutOfRange):
            return {"nothing fits"}
        return {name for (name, _, _), one in found.readings.items() if one.spoils}

    def confirmed(self, stands: Status) -> float:
        """The share of all likely cars whose rear locks first."""
        conditions = stands.screening.conditions
        found = drawn_states(conditions, stands.screening.system, DRAWS, self._wanted)
        return max(drawn.rear_first for drawn in found) / DRAWS

    def sessions_with_each(
        self, made: Sequence[PlanChange], offered: Sequence[PlanChange], stands: Status, names: set[str]
    ) -> list[list[SessionStatus] | None]:
        """The sessions with each change alone: simulated where something is to be mended, else as they stand."""

        def with_one(change: PlanChange) -> list[SessionStatus] | None:
            raise_if_cancelled(self._wanted)
            changes = replaced(made, [change])
            try:
                car, setup = with_changes_made(self._car, self._setup, changes)
                return [
                    self._session(changes, car, setup, one.verdict.session) if one.verdict.session in names else one
                    for one in stands.sessions
                ]
            except (ValidationError, OutOfRange):
                return None

        return list(self._pool.map(with_one, offered))

    def _simulate(self, changes: Sequence[PlanChange], car: Car, setup: Setup) -> list[SessionStatus]:
        """Every session, side by side."""
        names = [session.name for session in judged_sessions(car, setup)]
        if names:
            self.simulated += 1
        if not self._known:
            # The first loads the compiled code, which two threads at once would compile again.
            return [self._session(changes, car, setup, name) for name in names]
        tasks = [self._pool.submit(self._session, changes, car, setup, name) for name in names]
        return [task.result() for task in tasks]

    def _session(self, changes: Sequence[PlanChange], car: Car, setup: Setup, name: str) -> SessionStatus:
        from plimbo.core.verdicts.session_heat.judging import judged_session  # noqa: PLC0415  (loads the compiler)

        raise_if_cancelled(self._wanted)
        # A change of another session's laps leaves this one as it is.
        place = next(place for place, one in enumerate(car.sessions) if one.name == name)
        concerned = [
            change
            for change in changes
            if any(not path.startswith("car.sessions.") or f"car.sessions.{place}." in path for path in change.patch)
        ]
        key = frozenset(change.key for change in concerned), name
        if key not in self._sessions:
            found = judged_session(car, setup, car.sessions[place], self._today)
            self._sessions[key] = SessionStatus(found.judged, found.verdict)
        return self._sessions[key]


def replaced(made: Sequence[PlanChange], more: Sequence[PlanChange]) -> tuple[PlanChange, ...]:
    """Changes with others after them: one that sets a value again takes the place of the earlier one."""
    again = {path for change in more for path, value in change.patch.items() if value not in (None, [])}
    kept = [change for change in made if not again & change.patch.keys()]
    return (*kept, *more)
