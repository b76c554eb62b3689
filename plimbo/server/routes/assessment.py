"""One question, one call."""

from fastapi import APIRouter, Response
from pydantic import BaseModel, Field

from plimbo.core import Assessment, Car, Setup, State, assess

router = APIRouter(tags=["assessment"])


class Question(BaseModel):
    """A setup of a car, over these states (the car's own where none are given)."""

    car: Car
    setup: Setup
    states: tuple[State, ...] | None = Field(None, min_length=1, max_length=12)
    with_working: bool = False


@router.post("/assess", response_model=Assessment)
def assess_setup(question: Question) -> Response:
    answer = assess(question.car, question.setup, question.states, with_working=question.with_working)
    return Response(answer.model_dump_json(), media_type="application/json")
