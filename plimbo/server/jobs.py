"""Long jobs, answered by a worker process: started, followed, cancelled; the result is in the database."""

import json
import logging
import threading
from concurrent.futures import Future
from functools import partial
from typing import Any

from plimbo.core import Cancelled, OutOfRange, OutsideValidity
from plimbo.store import Job, Jobs, JobState
from plimbo.workers import WORKERS, Priority, Question, Task

log = logging.getLogger("plimbo")
# Most jobs that run or wait at once.
AT_ONCE = 4


class TooMany(Exception):
    """Too many jobs run already."""


class RunningJobs:
    """The running jobs; their state is in the database."""

    def __init__(self, kept: Jobs) -> None:
        self.kept = kept
        self._running: dict[str, Task] = {}
        self._lock = threading.Lock()

    def begin(self, kind: str, about: str, fingerprint: str, question: Question, *, once: bool = False) -> Job:
        """Start a job; a running job about the same subject is cancelled, unless it asks the same question.

        With `once`, a question that has been answered is not answered again.

        Raises `TooMany`.
        """
        with self._lock:
            last = self.kept.last(about)
            if once and last is not None and last.question == fingerprint and last.state is JobState.DONE:
                return last
            if last is not None and last.id in self._running:
                if last.question == fingerprint:
                    return last
                self._running.pop(last.id).cancel()
            if len(self._running) >= AT_ONCE:
                raise TooMany
            job = self.kept.begin(kind, about, fingerprint)
            task = self._running[job.id] = WORKERS.ask(question, Priority.LONG)
        task.answer.add_done_callback(partial(self._end, job.id))
        return job

    def _end(self, job_id: str, ended: Future[bytes]) -> None:
        answer: dict[str, Any] | None = None
        state, trouble = JobState.DONE, ""
        try:
            answer = json.loads(ended.result())
        except Cancelled:
            state = JobState.INTERRUPTED
        except (OutOfRange, OutsideValidity) as error:
            state, trouble = JobState.FAILED, str(error)
        except Exception as error:
            log.error("a long question failed", exc_info=error)
            state, trouble = JobState.FAILED, "Plimbo made a mistake. What you saved before is safe."
        try:
            # Of a cancelled job nothing is left.
            if job_id in self._running:
                self.kept.end(job_id, state, answer, trouble)
        finally:
            with self._lock:
                self._running.pop(job_id, None)

    def progress_of(self, job_id: str) -> tuple[int, int]:
        """How many of how many are done; 0 of 0 if it does not run."""
        running = self._running.get(job_id)
        return running.progress() if running else (0, 0)

    def cancel(self, job_id: str) -> None:
        """Delete it completely. Raises `NotFound`."""
        with self._lock:
            running = self._running.pop(job_id, None)
            if running is not None:
                running.cancel()
        self.kept.delete(job_id)
