"""The routes of a kind of long job, for any kind: begin, follow, cancel, and find again."""

import asyncio
from collections.abc import AsyncIterable, Callable
from datetime import datetime
from typing import Annotated, Any, NamedTuple

from fastapi import APIRouter, Depends, Path, Query, Request
from fastapi import Body as RequestBody
from fastapi.sse import EventSourceResponse, ServerSentEvent
from pydantic import BaseModel, Field, ValidationError, create_model

from plimbo.server import examples
from plimbo.server.jobs import RunningJobs
from plimbo.server.problems import OF_A_BODY, problems
from plimbo.server.route_limits import Queue, limited
from plimbo.server.routes import SIMULATES, Store
from plimbo.store import Job, JobState, NotFound, RecordKind
from plimbo.workers import Question

# Interval of progress events, s.
PROGRESS_EVERY = 0.15


class JobKind(NamedTuple):
    """A kind of long job: its name, its address, its question and answer models, and the function that answers."""

    name: str
    path: str
    question: type[BaseModel]
    answer: type[BaseModel]
    example: dict[str, Any]
    # The record that it belongs to, which must be on its list.
    record: Callable[[Any], tuple[RecordKind, str]]
    # The subject whose last job is kept, such as one axle of a setup; it begins with the id of that record.
    about: Callable[[Any], str]
    # Equal for equal questions, so that one is not answered twice.
    fingerprint: Callable[[Any], str]
    # The function of the core with its arguments.
    ask: Callable[[Any], Question]
    # It needs the compiled simulation.
    simulates: bool = False
    # The same question always has the same answer.
    once: bool = False


class JobProgress(BaseModel):
    """The state of a long job; each kind has its own answer."""

    id: str
    state: JobState
    asked_at: datetime
    done: int = Field(description="Steps done so far.")
    of: int = Field(description="Steps in all; 0 where none has begun.")
    question: str = Field(description="Which question this is the answer to: the same for the same question.")
    trouble: str = Field(description="Why it failed, in words.")


def _jobs(request: Request) -> RunningJobs:
    jobs: RunningJobs = request.app.state.jobs
    return jobs


Running = Annotated[RunningJobs, Depends(_jobs)]
JobId = Annotated[str, Path(description="Id of a job.", examples=[examples.RECORD_ID], pattern="^[0-9a-f]{32}$")]
About = Annotated[
    str, Query(description="What the job is about.", examples=[f"{examples.RECORD_ID} front"], max_length=64)
]


def _still_running(job_id: JobId, jobs: Running) -> None:
    if jobs.kept.get(job_id).state is not JobState.RUNNING:
        raise NotFound(job_id)


def job_routes(router: APIRouter, kind: JobKind) -> None:
    """All routes of one kind of job."""
    name, path = kind.name, kind.path
    answer: Any = (kind.answer | None, ...)
    model: Any = create_model(
        f"{name.capitalize()}Job", __base__=JobProgress, __doc__=f"A {name} as it stands.", answer=answer
    )
    question = Annotated[kind.question, RequestBody(examples=[kind.example])]  # type: ignore[name-defined]

    def now(jobs: RunningJobs, job: Job) -> Any:
        done, of = jobs.progress_of(job.id)
        fields = {"id": job.id, "asked_at": job.asked_at, "done": done, "of": of, "question": job.question}
        try:
            return model(**fields, state=job.state, answer=job.answer, trouble=job.trouble)
        except ValidationError:
            trouble = "Its answer cannot be read any more: ask again."
            return model(**fields, state=JobState.FAILED, answer=None, trouble=trouble)

    @router.post(
        path,
        name=f"begin_{name}",
        status_code=201,
        summary=f"Begin a {name}",
        response_model=model,
        dependencies=SIMULATES if kind.simulates else [],
        responses=problems(404, 429, 503, *OF_A_BODY),
    )
    @limited(Queue.RECORDS)
    def begin(asked: question, jobs: Running, records: Store) -> Any:
        """It runs in the background; the last job on a subject is kept."""
        records.get(*kind.record(asked))
        return now(
            jobs,
            jobs.begin(name, kind.about(asked), kind.fingerprint(asked), kind.ask(asked), once=kind.once),
        )

    @router.get(
        path,
        name=f"find_{name}",
        summary=f"Find the last {name} again",
        response_model=model | None,
        responses=problems(422),
    )
    def find(about: About, jobs: Running) -> Any:
        """Its state: running, done, failed, or interrupted by the end of the server; none if there was none."""
        job = jobs.kept.last(about)
        return None if job is None else now(jobs, job)

    @router.get(
        f"{path}/{{job_id}}",
        name=f"get_{name}",
        summary=f"Get a {name}",
        response_model=model,
        responses=problems(404, 422),
    )
    def get(job_id: JobId, jobs: Running) -> Any:
        """As it stands."""
        return now(jobs, jobs.kept.get(job_id))

    @router.get(
        f"{path}/{{job_id}}/events",
        name=f"follow_{name}",
        response_class=EventSourceResponse,
        summary=f"Follow a {name}",
        responses=problems(404, 422),
        dependencies=[Depends(_still_running)],
    )
    async def follow(job_id: JobId, jobs: Running) -> AsyncIterable[ServerSentEvent]:
        """Server-sent events, each with the state of the job, until it ends; of a running job only."""
        last: Any = None
        while True:
            try:
                job = await asyncio.to_thread(jobs.kept.get, job_id)
            except NotFound:
                return
            stands = now(jobs, job)
            if (stands.done, stands.of, stands.state) != last:
                last = stands.done, stands.of, stands.state
                yield ServerSentEvent(raw_data=stands.model_dump_json(), event="job")
            if stands.state is not JobState.RUNNING:
                return
            await asyncio.sleep(PROGRESS_EVERY)

    @router.delete(
        f"{path}/{{job_id}}",
        name=f"cancel_{name}",
        status_code=204,
        summary=f"Cancel a {name}",
        responses=problems(404, 422),
    )
    @limited(Queue.RECORDS)
    def cancel(job_id: JobId, jobs: Running) -> None:
        """Nothing is left of it."""
        jobs.cancel(job_id)
