"""Stored long jobs: the question, its state, and its answer. Only the last job on a subject is kept."""

import uuid
from datetime import datetime
from enum import StrEnum
from typing import Any, NamedTuple

from sqlalchemy import delete, select, update

from plimbo.store.database import Database
from plimbo.store.records import NotFound
from plimbo.store.rows import in_utc, now
from plimbo.store.tables import JobRow

# Most jobs that are kept; the oldest are deleted.
KEPT = 300


class JobState(StrEnum):
    RUNNING = "running"
    DONE = "done"
    FAILED = "failed"
    INTERRUPTED = "interrupted"


class Job(NamedTuple):
    """A long job; `trouble` says why it failed, after the name of the field."""

    id: str
    kind: str
    about: str
    state: JobState
    asked_at: datetime
    question: str
    answer: Any
    trouble: str


class Jobs:
    """The long jobs in a database."""

    def __init__(self, database: Database) -> None:
        self._database = database

    def begin(self, kind: str, about: str, question: str) -> Job:
        """A new job, replacing the last on this subject."""
        with self._database.writing() as session:
            session.execute(delete(JobRow).where(JobRow.about == about))
            old = select(JobRow.id).order_by(JobRow.asked_at.desc()).offset(KEPT)
            session.execute(delete(JobRow).where(JobRow.id.in_(old)))
            row = JobRow(
                id=uuid.uuid4().hex,
                kind=kind,
                about=about,
                state=JobState.RUNNING,
                asked_at=now(),
                question=question,
                answer=None,
                trouble="",
            )
            session.add(row)
            session.flush()
            return _job(row)

    def end(self, job_id: str, state: JobState, answer: dict[str, Any] | None = None, trouble: str = "") -> None:
        """Store its answer; nothing is stored for a job that was cancelled meanwhile."""
        with self._database.writing() as session:
            values = {"state": state, "answer": answer, "trouble": trouble[:500]}
            session.execute(update(JobRow).where(JobRow.id == job_id).values(values))

    def get(self, job_id: str) -> Job:
        """Raises `NotFound`."""
        with self._database.reading() as session:
            row = session.get(JobRow, job_id)
            if row is None:
                raise NotFound(job_id)
            return _job(row)

    def last(self, about: str) -> Job | None:
        """The last job on this subject."""
        with self._database.reading() as session:
            row = session.scalars(select(JobRow).where(JobRow.about == about)).first()
            return _job(row) if row else None

    def delete(self, job_id: str) -> None:
        """Delete it completely. Raises `NotFound`."""
        with self._database.writing() as session:
            row = session.get(JobRow, job_id)
            if row is None:
                raise NotFound(job_id)
            session.delete(row)

    def find_interrupted(self) -> None:
        """At a start: jobs still running when the last server ended were interrupted."""
        with self._database.reading() as session:
            left = session.scalars(select(JobRow.id).where(JobRow.state == JobState.RUNNING)).all()
        for job_id in left:
            self.end(job_id, JobState.INTERRUPTED)


def _job(row: JobRow) -> Job:
    state = JobState(row.state) if row.state in list(JobState) else JobState.INTERRUPTED
    return Job(row.id, row.kind, row.about, state, in_utc(row.asked_at), row.question, row.answer, row.trouble)
