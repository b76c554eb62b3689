"""Questions about the heat of a session, and the circuit in a speed trace."""

from datetime import date
from typing import Annotated

from fastapi import APIRouter, Request, Response
from fastapi import Body as RequestBody
from pydantic import Field

from plimbo.core import (
    Car,
    HeatAdvice,
    HeatInputs,
    HeatJudgement,
    Session,
    Setup,
    SimulatedSession,
    TraceReading,
    inspect_heat,
    judge_heat,
    mend_heat,
    read_speed_trace,
    simulate_session,
)
from plimbo.core.quantities.fields import NAME
from plimbo.core.quantities.prechecks import Bounded
from plimbo.server import examples
from plimbo.server.background import answered_in_background
from plimbo.server.problems import OF_A_BODY, problems
from plimbo.server.route_limits import MEGABYTE, Queue, limited
from plimbo.server.routes import SIMULATES, TheUploads, as_json

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


# Enough for a lap logged at a few hundred rows a second.
TRACE_LIMIT = 12 * MEGABYTE


class TraceQuestion(Bounded):
    """An uploaded CSV file with one lap, and the name of the new circuit."""

    name: str = Field(min_length=1, max_length=40, pattern=NAME)
    upload_id: str = Field(max_length=32, pattern="^[0-9a-f]{32}$")
    one_way: bool = False
    leave_out: bool = Field(False, description="Leave rows out that cannot be read, instead of refusing the whole.")


_Session = Annotated[SessionQuestion, RequestBody(examples=[examples.SESSION_QUESTION])]


@router.post(
    "/heat/session",
    response_model=SimulatedSession,
    summary="Simulate a session",
    dependencies=SIMULATES,
    responses=problems(503),
)
@limited(Queue.QUESTIONS)
def simulate_heat(question: _Session) -> Response:
    """Both axles over time, corner by corner, and the verdict on it."""
    car, setup, session, today = question.car, question.setup, question.session, question.today
    return as_json(simulate_session(car, setup, session, today, with_working=question.with_working))


@router.post(
    "/heat/mends",
    response_model=HeatAdvice,
    summary="Ask what mends the heat of a session",
    dependencies=SIMULATES,
    responses=problems(503),
)
@limited(Queue.SIMULATIONS)
async def mend_session(question: _Session, request: Request) -> Response:
    """Changes, each simulated, best first."""
    car, setup, session, today = question.car, question.setup, question.session, question.today
    return await answered_in_background(request, lambda wanted: mend_heat(car, setup, session, today, wanted=wanted))


@router.post(
    "/heat/inputs",
    response_model=HeatInputs,
    summary="Ask what the heat of a session hangs on",
    dependencies=SIMULATES,
    responses=problems(503),
)
@limited(Queue.SIMULATIONS)
async def inspect_session(question: _Session, request: Request) -> Response:
    """Inputs, each changed alone, the most sensitive first."""
    car, setup, session, today = question.car, question.setup, question.session, question.today
    return await answered_in_background(request, lambda wanted: inspect_heat(car, setup, session, today, wanted=wanted))


@router.post(
    "/heat",
    response_model=HeatJudgement,
    summary="Judge the heat of every session of a car",
    dependencies=SIMULATES,
    responses=problems(503),
)
@limited(Queue.QUESTIONS)
async def judge_sessions(
    question: Annotated[HeatQuestion, RequestBody(examples=[examples.HEAT_QUESTION])], request: Request
) -> Response:
    """The worst one gives the verdict."""
    car, setup, today = question.car, question.setup, question.today
    return await answered_in_background(request, lambda wanted: judge_heat(car, setup, today, wanted=wanted))


@router.post(
    "/traces",
    response_model=TraceReading,
    summary="Find the braking zones in a speed trace",
    responses=problems(404),
)
@limited(Queue.QUESTIONS)
def find_zones(
    question: Annotated[TraceQuestion, RequestBody(examples=[examples.TRACE])], uploads: TheUploads
) -> Response:
    """Nothing is stored: the circuit that is found can be examined, corrected and stored."""
    text = uploads.text(question.upload_id, TRACE_LIMIT)
    return as_json(read_speed_trace(text, question.name, one_way=question.one_way, leave_out=question.leave_out))
