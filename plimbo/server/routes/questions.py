"""One question, one call: each question of the core has one address, and the server adds nothing to the answer."""

from functools import partial
from typing import Annotated, Any

from fastapi import APIRouter, Request, Response
from fastapi import Body as RequestBody
from pydantic import Field

from plimbo.core import (
    Assessment,
    Car,
    CylinderTable,
    Following,
    HydraulicsAnalysis,
    Measurements,
    Mends,
    Setup,
    State,
    StillToMeasure,
    Survey,
    Uncertainty,
    analyse_hydraulics,
    assess,
    compare_cylinders,
    estimate_uncertainty,
    evaluate_measurements,
    find_mends,
    follow_given,
    rank_unmeasured,
    survey,
)
from plimbo.core.quantities.prechecks import Bounded
from plimbo.server import examples
from plimbo.server.answering import answered_by_worker, answered_quickly
from plimbo.server.problems import OF_A_BODY, problems
from plimbo.server.route_limits import Queue, limited
from plimbo.server.routes import as_json

router = APIRouter(tags=["questions"], responses=problems(*OF_A_BODY))


class Question(Bounded):
    """A setup of a car, over these states (the car's own where none are given)."""

    car: Car
    setup: Setup
    states: tuple[State, ...] | None = Field(None, min_length=1, max_length=12)


class WorkedQuestion(Question):
    """With the working of every number, if asked for."""

    with_working: bool = False


class MendQuestion(Question):
    """Also improves a sound lock order that is in doubt."""

    in_doubt: bool = False


class CylinderQuestion(Question):
    """With the typed target."""

    target: str = Field("", max_length=60)


class CarQuestion(Bounded):
    """The readings of the car."""

    car: Car
    with_working: bool = False


_Worked = Annotated[WorkedQuestion, RequestBody(examples=[examples.QUESTION])]


class RawPair(Bounded):
    """Documents as typed, which together may not be possible yet."""

    car: dict[str, Any]
    setup: dict[str, Any]


def _asked(question: Question) -> tuple[Car, Setup, tuple[State, ...] | None]:
    return question.car, question.setup, question.states


@router.post("/assess", response_model=Assessment, summary="Judge a setup of a car")
async def assess_setup(question: _Worked, request: Request) -> Response:
    """Every state's numbers from the foot to the road, and the verdicts over all states."""
    return await answered_quickly(request, partial(assess, *_asked(question), with_working=question.with_working))


@router.post("/mends", response_model=Mends, summary="Ask what would fix the verdicts")
async def find_setup_mends(
    question: Annotated[MendQuestion, RequestBody(examples=[examples.QUESTION])], request: Request
) -> Response:
    """Changes of one part, and of two together, that mend what is not sound: their effect and their cost."""
    asked = partial(find_mends, question.car, question.setup, question.states, in_doubt=question.in_doubt)
    return await answered_by_worker(request, asked)


@router.post("/cylinders", response_model=CylinderTable, summary="Compare all pairs of stock cylinders")
async def compare_setup_cylinders(
    question: Annotated[CylinderQuestion, RequestBody(examples=[examples.QUESTION | {"target": "60 % by pressure"}])],
    request: Request,
) -> Response:
    """The result of each pair, its bar setting, and the pairs nearest to a target."""
    asked = partial(compare_cylinders, question.car, question.setup, question.target, question.states)
    return await answered_by_worker(request, asked)


@router.post("/survey", response_model=Survey, summary="Look at the road over speed")
async def survey_road(question: _Worked, request: Request) -> Response:
    """What the tyres allow and the setup uses from standstill to top speed, one stop, and the adhesion utilised."""
    return await answered_quickly(request, partial(survey, *_asked(question), with_working=question.with_working))


@router.post("/hydraulics", response_model=HydraulicsAnalysis, summary="Look at the pedal and the lines")
async def analyse_setup_hydraulics(question: _Worked, request: Request) -> Response:
    """Pressures over the push, travel of the pedal, a circuit lost, and the setting of bar or valve for each state."""
    asked = partial(analyse_hydraulics, *_asked(question), with_working=question.with_working)
    return await answered_quickly(request, asked)


@router.post("/uncertainty", response_model=Uncertainty, summary="Ask how sure the lock order is")
async def estimate_setup_uncertainty(
    question: Annotated[Question, RequestBody(examples=[examples.QUESTION])], request: Request
) -> Response:
    """The share of draws within the car's doubts in which the rear locks first, and what to measure next."""
    return await answered_by_worker(
        request, partial(estimate_uncertainty, question.car, question.setup, question.states)
    )


@router.post("/unmeasured", response_model=StillToMeasure, summary="Ask what is still to measure")
async def rank_unmeasured_values(
    question: Annotated[Question, RequestBody(examples=[examples.QUESTION])], request: Request
) -> Response:
    """Every assumed or copied value and its effect on the lock order, the largest first."""
    return await answered_by_worker(request, partial(rank_unmeasured, question.car, question.setup))


@router.post("/following", response_model=Following, summary="Ask what follows what is given")
@limited(Queue.QUESTIONS)
def follow_given_values(pair: Annotated[RawPair, RequestBody(examples=[examples.QUESTION])]) -> Response:
    """Changes to unconfirmed values that make the given ones possible."""
    return as_json(follow_given(pair.car, pair.setup))


@router.post("/measurements", response_model=Measurements, summary="Work out what was read off the car")
@limited(Queue.QUESTIONS)
def evaluate_car_measurements(
    question: Annotated[CarQuestion, RequestBody(examples=[{"car": examples.CAR}])],
) -> Response:
    """Weights and the height of the centre of gravity, tyre radii, grip from the log, areas of lift and drag."""
    return as_json(evaluate_measurements(question.car, with_working=question.with_working))
