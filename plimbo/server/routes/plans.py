"""The plan for a whole car, which is a long job."""

import hashlib
from datetime import date
from functools import partial

from fastapi import APIRouter
from pydantic import Field

from plimbo.core import Car, PlanAnswer, PlanLimits, Setup, plan_changes
from plimbo.core.quantities.prechecks import Bounded
from plimbo.server import examples
from plimbo.server.routes.jobs import JobKind, job_routes
from plimbo.store import RecordKind

router = APIRouter(tags=["plans"])


class PlanQuestion(Bounded):
    """A setup of a car with its sessions, what may not be touched, and the setup that the plan belongs to."""

    car: Car
    setup: Setup
    limits: PlanLimits = PlanLimits()
    today: date | None = None
    setup_id: str = Field(max_length=32, pattern="^[0-9a-f]{32}$")


def _fingerprint(asked: PlanQuestion) -> str:
    """The same for the same values; names are left out."""
    parts = asked.car.model_copy(update={"name": "car"}), asked.setup.model_copy(update={"name": "setup"})
    text = "".join(part.model_dump_json() for part in (*parts, asked.limits)) + str(asked.today or date.today())
    return hashlib.sha256(text.encode()).hexdigest()[:32]


job_routes(
    router,
    JobKind(
        name="plan",
        path="/plans",
        question=PlanQuestion,
        answer=PlanAnswer,
        example=examples.PLAN_QUESTION,
        record=lambda asked: (RecordKind.SETUP, asked.setup_id),
        about=lambda asked: f"{asked.setup_id} plan",
        fingerprint=_fingerprint,
        ask=lambda asked: partial(plan_changes, asked.car, asked.setup, asked.limits, asked.today),
        simulates=True,
        once=True,
    ),
)
