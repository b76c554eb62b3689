"""Questions about the heat of a session, and the circuit in a speed trace."""

from datetime import date
from functools import partial
from typing import Annotated

from fastapi import APIRouter, Request, Response
from fastapi import Body as RequestBody
from pydantic import Field

from plimbo.core import (
    Car,
    CoolingFit,
    DiscReading,
    HeatAdvice,
    HeatInputs,
    HeatJudgement,
    Session,
    Setup,
    SimulatedSession,
    TraceReading,
    fit_cooling,
    inspect_heat,
    judge_heat,
    mend_heat,
    simulate_session,
)
from plimbo.core.quantities.fields import NAME
from plimbo.core.quantities.prechecks import Bounded
from plimbo.server import examples
from plimbo.server.answering import answered_by_worker
from plimbo.server.problems import OF_A_BODY, problems
from plimbo.server.route_limits import MEGABYTE
from plimbo.server.routes import SIMULATES, TheUploads
from plimbo.workers import Priority
from plimbo.workers.questions import read_trace_file

router = APIRouter(tags=["heat"], responses=problems(*OF_A_BODY))


class HeatQuestion(Bounded):
    """A setup of a car with its sessions; `today` gives the age of the fluid; the server's date if left out."""

    car: Car
    setup: Setup
    today: date | None = None


class SessionQuestion(HeatQuestion):
    """One session of the setup."""

    session: Session
    with_working: bool = False


class ReadingQuestion(SessionQuestion):
    """A session with a temperature of a disc that was measured after it."""

    reading: DiscReading


# Enough for a lap logged at a few hundred rows a second.
TRACE_LIMIT = 12 * MEGABYTE


class TraceQuestion(Bounded):
    """An uploaded CSV file with one lap or several, and the name of the new circuit."""

    name: str = Field(min_length=1, max_length=40, pattern=NAME)
    upload_id: str = Field(max_length=32, pattern="^[0-9a-f]{32}$")
    one_way: bool = False
    leave_out: bool = Field(False, description="Leave rows out that cannot be read, instead of refusing the whole.")
    lap: int | None = Field(None, ge=1, le=1000, description="Which lap of the file; left out, the fastest whole one.")
    all_laps: bool = Field(False, description="The mean of all whole laps.")


_Session = Annotated[SessionQuestion, RequestBody(examples=[examples.SESSION_QUESTION])]


@router.post(
    "/heat/session",
    response_model=SimulatedSession,
    summary="Simulate a session",
    dependencies=SIMULATES,
    responses=problems(503),
)
async def simulate_heat(question: _Session, request: Request) -> Response:
    """Both axles over time, corner by corner, and the verdict on it."""
    asked = partial(simulate_session, *_of_session(question), with_working=question.with_working)
    return await answered_by_worker(request, asked, Priority.QUICK)


@router.post(
    "/heat/mends",
    response_model=HeatAdvice,
    summary="Ask what fixes the heat of a session",
    dependencies=SIMULATES,
    responses=problems(503),
)
async def mend_session(question: _Session, request: Request) -> Response:
    """Changes, each simulated, best first."""
    return await answered_by_worker(request, partial(mend_heat, *_of_session(question)), Priority.LONG)


@router.post(
    "/heat/inputs",
    response_model=HeatInputs,
    summary="Ask what the heat of a session depends on",
    dependencies=SIMULATES,
    responses=problems(503),
)
async def inspect_session(question: _Session, request: Request) -> Response:
    """Inputs, each changed alone, the most sensitive first."""
    return await answered_by_worker(request, partial(inspect_heat, *_of_session(question)), Priority.LONG)


@router.post(
    "/heat/cooling",
    response_model=CoolingFit,
    summary="Ask what a measured temperature says of the cooling",
    dependencies=SIMULATES,
    responses=problems(503),
)
async def fit_session_cooling(
    question: Annotated[ReadingQuestion, RequestBody(examples=[examples.READING_QUESTION])], request: Request
) -> Response:
    """The axle's cooling factor, its interval, and every session of the car before and after."""
    car, setup, session, today = _of_session(question)
    asked = partial(fit_cooling, car, setup, session, question.reading, today)
    return await answered_by_worker(request, asked, Priority.LONG)


@router.post(
    "/heat",
    response_model=HeatJudgement,
    summary="Judge the heat of every session of a car",
    dependencies=SIMULATES,
    responses=problems(503),
)
async def judge_sessions(
    question: Annotated[HeatQuestion, RequestBody(examples=[examples.HEAT_QUESTION])], request: Request
) -> Response:
    """The worst one gives the verdict."""
    return await answered_by_worker(request, partial(judge_heat, question.car, question.setup, question.today))


@router.post(
    "/traces",
    response_model=TraceReading,
    summary="Find the braking zones in a speed trace",
    responses=problems(404),
)
async def find_zones(
    question: Annotated[TraceQuestion, RequestBody(examples=[examples.TRACE])], uploads: TheUploads, request: Request
) -> Response:
    """Nothing is stored: the circuit that is found can be examined, corrected and stored."""
    file = uploads.file(question.upload_id, TRACE_LIMIT)
    asked = partial(
        read_trace_file,
        file,
        question.name,
        one_way=question.one_way,
        leave_out=question.leave_out,
        lap=question.lap,
        all_laps=question.all_laps,
    )
    return await answered_by_worker(request, asked, Priority.LONG)


def _of_session(question: SessionQuestion) -> tuple[Car, Setup, Session, date | None]:
    return question.car, question.setup, question.session, question.today
