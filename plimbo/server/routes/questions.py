"""One question, one call: each question of the job has one address, and the server adds nothing to the answer."""

from fastapi import APIRouter, Response
from pydantic import BaseModel, Field

from plimbo.core import (
    Assessment,
    Car,
    Measurements,
    PedalWork,
    Setup,
    State,
    Survey,
    Uncertainty,
    assess,
    how_sure,
    measure,
    pedal_work,
    survey,
)

router = APIRouter(tags=["questions"])


class Question(BaseModel):
    """A setup of a car, over these states (the car's own where none are given)."""

    car: Car
    setup: Setup
    states: tuple[State, ...] | None = Field(None, min_length=1, max_length=12)


class WorkedQuestion(Question):
    """With the working of every number, where it is wanted."""

    with_working: bool = False


class CarQuestion(BaseModel):
    """What was read off the car."""

    car: Car
    with_working: bool = False


def _told(answer: BaseModel) -> Response:
    return Response(answer.model_dump_json(), media_type="application/json")


@router.post("/assess", response_model=Assessment)
def assess_setup(question: WorkedQuestion) -> Response:
    return _told(assess(question.car, question.setup, question.states, with_working=question.with_working))


@router.post("/survey", response_model=Survey)
def survey_road(question: WorkedQuestion) -> Response:
    return _told(survey(question.car, question.setup, question.states, with_working=question.with_working))


@router.post("/pedal", response_model=PedalWork)
def work_the_pedal(question: WorkedQuestion) -> Response:
    return _told(pedal_work(question.car, question.setup, question.states, with_working=question.with_working))


@router.post("/uncertainty", response_model=Uncertainty)
def tell_how_sure(question: Question) -> Response:
    return _told(how_sure(question.car, question.setup, question.states))


@router.post("/measure", response_model=Measurements)
def measure_car(question: CarQuestion) -> Response:
    return _told(measure(question.car, with_working=question.with_working))
