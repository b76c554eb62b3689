"""Questions about the air of a duct, and the sizing of one, which is a long job."""

from datetime import date
from functools import partial
from typing import Annotated

from fastapi import APIRouter, Request, Response
from fastapi import Body as RequestBody
from pydantic import Field

from plimbo.core import Car, DuctFlow, DuctSizing, DuctWorth, Session, Setup, analyse_air, inspect_duct, size_duct
from plimbo.core.ducting.fingerprint import fingerprint
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.metadata import number_metadata
from plimbo.core.quantities.prechecks import Bounded
from plimbo.server import examples
from plimbo.server.answering import answered_by_worker
from plimbo.server.problems import OF_A_BODY, problems
from plimbo.server.route_limits import Queue, limited
from plimbo.server.routes import SIMULATES, as_json
from plimbo.server.routes.jobs import JobKind, job_routes
from plimbo.store import RecordKind
from plimbo.workers import Priority

router = APIRouter(tags=["air"])


class DuctQuestion(Bounded):
    """A duct of one axle; `today` gives the age of the fluid; the server's date if left out."""

    car: Car
    setup: Setup
    axle: Axle
    today: date | None = None


class FlowQuestion(DuctQuestion):
    """The air at one road speed, in the air of a session if one is given."""

    session: Session | None = None
    speed: float = Field(
        40.0, ge=0, le=120, strict=True, title="Road speed", json_schema_extra=number_metadata("speed")
    )
    with_working: bool = False


class WorthQuestion(DuctQuestion):
    """The effect of each piece on one of the car's sessions."""

    session: Session


class SizingQuestion(DuctQuestion):
    """The setup that the sizing belongs to, so that its answer can be found again."""

    setup_id: str = Field(max_length=32, pattern="^[0-9a-f]{32}$")


@router.post("/air", response_model=DuctFlow, summary="Ask what a duct brings", responses=problems(*OF_A_BODY))
@limited(Queue.QUESTIONS)
def ask_air(question: Annotated[FlowQuestion, RequestBody(examples=[examples.FLOW_QUESTION])]) -> Response:
    """Both heads, the loss of each piece, and the flow paths at the eye."""
    found = analyse_air(
        question.car, question.setup, question.axle, question.session, question.speed,
        with_working=question.with_working,
    )  # fmt: skip
    return as_json(found)


@router.post(
    "/air/worth",
    response_model=DuctWorth,
    summary="Ask what each piece of a duct is worth",
    dependencies=SIMULATES,
    responses=problems(503, *OF_A_BODY),
)
async def ask_worth(
    question: Annotated[WorthQuestion, RequestBody(examples=[examples.WORTH_QUESTION])], request: Request
) -> Response:
    """Each piece changed alone and simulated; then every session with its opening taped."""
    asked = partial(inspect_duct, question.car, question.setup, question.session, question.axle, question.today)
    return await answered_by_worker(request, asked, Priority.LONG)


job_routes(
    router,
    JobKind(
        name="sizing",
        path="/air/sizings",
        question=SizingQuestion,
        answer=DuctSizing,
        example=examples.SIZING_QUESTION,
        record=lambda asked: (RecordKind.SETUP, asked.setup_id),
        about=lambda asked: f"{asked.setup_id} {asked.axle}",
        fingerprint=lambda asked: fingerprint(asked.car, asked.setup, asked.axle),
        ask=lambda asked: partial(size_duct, asked.car, asked.setup, asked.axle, asked.today),
        simulates=True,
    ),
)
