"""Long jobs that run in the background: started, followed, cancelled; the result is in the database."""

import logging
import threading
from collections.abc import Callable
from typing import Any, NamedTuple

from pydantic import BaseModel

from plimbo.core import Cancelled, OutOfRange, OutsideValidity
from plimbo.core.search.session_heat.changes import Wanted
from plimbo.server.background import POOL
from plimbo.store import Job, Jobs, JobState

log = logging.getLogger("plimbo")
# Most jobs that run or wait at once.
AT_ONCE = 4
Progress = Callable[[int, int], None]


class TooMany(Exception):
    """Too many jobs run already."""


class _Running(NamedTuple):
    unwanted: threading.Event
    steps: list[int]


class RunningJobs:
    """The running jobs; their state is in the database."""

    def __init__(self, kept: Jobs) -> None:
        self.kept = kept
        self._running: dict[str, _Running] = {}
        self._lock = threading.Lock()

    def begin(self, kind: str, about: str, question: str, ask: Callable[[Wanted, Progress], BaseModel]) -> Job:
        """Start a job; a running job about the same subject is cancelled, unless it asks the same question.

        Raises `TooMany`.
        """
        with self._lock:
            last = self.kept.last(about)
            if last is not None and last.id in self._running:
                if last.question == question:
                    return last
                self._running.pop(last.id).unwanted.set()
            if len(self._running) >= AT_ONCE:
                raise TooMany
            job = self.kept.begin(kind, about, question)
            running = self._running[job.id] = _Running(threading.Event(), [0, 0])
        POOL.submit(self._do, job, running, ask)
        return job

    def _do(self, job: Job, running: _Running, ask: Callable[[Wanted, Progress], BaseModel]) -> None:
        def progress(done: int, of: int) -> None:
            running.steps[:] = done, of

        answer: dict[str, Any] | None = None
        state, trouble = JobState.DONE, ""
        try:
            answer = ask(lambda: not running.unwanted.is_set(), progress).model_dump(mode="json")
        except Cancelled:
            state = JobState.INTERRUPTED
        except (OutOfRange, OutsideValidity) as error:
            state, trouble = JobState.FAILED, str(error)
        except Exception as error:
            log.error("a long question failed", exc_info=error)
            state, trouble = JobState.FAILED, "Plimbo made a mistake. What you saved before is safe."
        try:
            if not running.unwanted.is_set():
                self.kept.end(job.id, state, answer, trouble)
        finally:
            with self._lock:
                self._running.pop(job.id, None)

    def progress_of(self, job_id: str) -> tuple[int, int]:
        """How many of how many are done; 0 of 0 if it does not run."""
        running = self._running.get(job_id)
        return (running.steps[0], running.steps[1]) if running else (0, 0)

    def cancel(self, job_id: str) -> None:
        """Delete it completely. Raises `NotFound`."""
        with self._lock:
            running = self._running.pop(job_id, None)
            if running is not None:
                running.unwanted.set()
        self.kept.delete(job_id)

    def stop(self) -> None:
        """At shutdown: cancels all jobs; the next start marks them as interrupted."""
        for running in list(self._running.values()):
            running.unwanted.set()
