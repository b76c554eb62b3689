"""Questions about the air of a duct, and the sizing of one, which goes on while nobody looks."""

import asyncio
from collections.abc import AsyncIterable
from datetime import date, datetime
from typing import Annotated, Any

from fastapi import APIRouter, Depends, Path, Request, Response
from fastapi import Body as RequestBody
from fastapi.sse import EventSourceResponse, ServerSentEvent
from pydantic import BaseModel, Field

from plimbo.core import Car, DuctFlow, DuctSizing, DuctWorth, Session, Setup, analyse_air, inspect_duct, size_duct
from plimbo.core.ducting.fingerprint import fingerprint
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.metadata import number_metadata
from plimbo.core.quantities.prechecks import Bounded
from plimbo.server import examples
from plimbo.server.behind import answered_behind
from plimbo.server.problems import OF_A_BODY, problems
from plimbo.server.routes import SetupId, Store
from plimbo.server.work import Work
from plimbo.store import Job, JobState, Kind, NotFound

router = APIRouter(tags=["air"])
KIND = "duct"
# How often who follows is told, s.
TOLD_EVERY = 0.15


class DuctQuestion(Bounded):
    """The duct of one axle; `today` tells the age of the fluid, the server's day where it is left out."""

    car: Car
    setup: Setup
    axle: Axle
    today: date | None = None


class FlowQuestion(DuctQuestion):
    """The air at one road speed, on the day of a session where one is given."""

    session: Session | None = None
    speed: float = Field(
        40.0, ge=0, le=120, strict=True, title="Road speed", json_schema_extra=number_metadata("speed")
    )
    with_working: bool = False


class WorthQuestion(DuctQuestion):
    """What each piece is worth, on one of the car's sessions."""

    session: Session


class SizingQuestion(DuctQuestion):
    """The setup that it belongs to, so that the answer is found again."""

    setup_id: str = Field(max_length=32, pattern="^[0-9a-f]{32}$")


class SizingJob(BaseModel):
    """A sizing as it stands."""

    id: str
    state: JobState
    asked_at: datetime
    done: int = Field(description="Ducts driven so far.")
    of: int = Field(description="Ducts to be driven; 0 where none has begun.")
    question: str = Field(description="Of which car and setup, as in the answer about its air.")
    answer: DuctSizing | None
    trouble: str = Field(description="Why it failed, in words.")


def _work(request: Request) -> Work:
    work: Work = request.app.state.work
    return work


TheWork = Annotated[Work, Depends(_work)]
JobId = Annotated[str, Path(description="Id of a sizing.", examples=[examples.RECORD_ID], pattern="^[0-9a-f]{32}$")]


def _as_json(answer: BaseModel) -> Response:
    return Response(answer.model_dump_json(), media_type="application/json")


def _now(work: Work, job: Job) -> SizingJob:
    done, of = work.progress_of(job.id)
    answer = DuctSizing.model_validate(job.answer) if job.answer else None
    return SizingJob(
        id=job.id,
        state=job.state,
        asked_at=job.asked_at,
        done=done,
        of=of,
        question=job.question,
        answer=answer,
        trouble=job.trouble,
    )


@router.post("/air", response_model=DuctFlow, summary="Ask what a duct brings", responses=problems(*OF_A_BODY))
def ask_air(question: Annotated[FlowQuestion, RequestBody(examples=[examples.FLOW_QUESTION])]) -> Response:
    """Both heads, what each piece costs, and where the air goes at the eye."""
    found = analyse_air(
        question.car, question.setup, question.axle, question.session, question.speed,
        with_working=question.with_working,
    )  # fmt: skip
    return _as_json(found)


@router.post(
    "/air/worth",
    response_model=DuctWorth,
    summary="Ask what each piece of a duct is worth",
    responses=problems(*OF_A_BODY),
)
async def ask_worth(
    question: Annotated[WorthQuestion, RequestBody(examples=[examples.WORTH_QUESTION])], request: Request
) -> Response:
    """Each piece changed by itself and driven; then every session with its opening taped."""
    car, setup, session, axle, today = question.car, question.setup, question.session, question.axle, question.today
    return await answered_behind(request, lambda wanted: inspect_duct(car, setup, session, axle, today, wanted=wanted))


@router.post(
    "/air/sizings",
    status_code=201,
    summary="Begin to size the duct of an axle",
    responses=problems(429, *OF_A_BODY),
)
def begin_sizing(
    question: Annotated[SizingQuestion, RequestBody(examples=[examples.SIZING_QUESTION])], work: TheWork
) -> SizingJob:
    """It goes on while nobody looks; the last about a setup's axle is kept."""
    car, setup, axle, today = question.car, question.setup, question.axle, question.today
    job = work.begin(
        KIND,
        _about(question.setup_id, axle),
        fingerprint(car, setup, axle),
        lambda wanted, progress: size_duct(car, setup, axle, today, wanted=wanted, progress=progress),
    )
    return _now(work, job)


def _about(setup_id: str, axle: Axle) -> str:
    return f"{setup_id} {axle}"


@router.get(
    "/setups/{setup_id}/sizings/{axle}", summary="Get the last sizing of a setup's axle", responses=problems(404, 422)
)
def last_sizing(
    setup_id: SetupId, axle: Annotated[Axle, Path(examples=["front"])], work: TheWork, records: Store
) -> SizingJob | None:
    """As it stands: running, done, failed, or interrupted by the end of the server; none where none was begun."""
    job = work.jobs.last(_about(setup_id, axle))
    if job is None:
        records.get(Kind.SETUP, setup_id)
        return None
    return _now(work, job)


@router.get("/air/sizings/{job_id}", summary="Get a sizing", responses=problems(404, 422))
def get_sizing(job_id: JobId, work: TheWork) -> SizingJob:
    """As it stands."""
    return _now(work, work.jobs.get(job_id))


@router.get(
    "/air/sizings/{job_id}/events",
    response_class=EventSourceResponse,
    summary="Follow a sizing",
    responses=problems(404, 422),
)
async def follow_sizing(job_id: JobId, work: TheWork) -> AsyncIterable[ServerSentEvent]:
    """Server-sent events, each a sizing as it stands, until it no longer runs."""
    told: Any = None
    while True:
        try:
            job = await asyncio.to_thread(work.jobs.get, job_id)
        except NotFound:
            return
        now = _now(work, job)
        if (now.done, now.of, now.state) != told:
            told = now.done, now.of, now.state
            yield ServerSentEvent(raw_data=now.model_dump_json(), event="sizing")
        if now.state is not JobState.RUNNING:
            return
        await asyncio.sleep(TOLD_EVERY)


@router.delete("/air/sizings/{job_id}", status_code=204, summary="Leave a sizing off", responses=problems(404, 422))
def leave_sizing(job_id: JobId, work: TheWork) -> None:
    """Nothing is left of it."""
    work.leave_off(job_id)
