"""Quick questions, from the body of a request to that of its answer: the same in the server and in the quick worker."""

from collections.abc import Callable
from typing import Any

from pydantic import BaseModel, Field

from plimbo.core import Car, Setup, State, analyse_hydraulics, assess, survey
from plimbo.core.quantities.prechecks import Bounded

QUICK: dict[str, Callable[..., BaseModel]] = {"assess": assess, "survey": survey, "hydraulics": analyse_hydraulics}


class Question(Bounded):
    """A setup of a car, over these states (the car's own where none are given)."""

    car: Car
    setup: Setup
    states: tuple[State, ...] | None = Field(None, min_length=1, max_length=12)


class WorkedQuestion(Question):
    """With the working of every number, if asked for."""

    with_working: bool = False


def answer_quickly(name: str, body: bytes) -> bytes:
    """The answer to a question of `QUICK`, as JSON. Raises Pydantic's `ValidationError`, and `OutOfRange`."""
    asked: Any = WorkedQuestion.model_validate_json(body)
    found = QUICK[name](asked.car, asked.setup, asked.states, with_working=asked.with_working)
    return found.model_dump_json().encode()
