"""The desk: what was open when the user left, so that the next visit starts there."""

from typing import Annotated

from fastapi import APIRouter
from fastapi import Body as RequestBody
from pydantic import BaseModel, ConfigDict, Field, ValidationError

from plimbo.core.quantities.prechecks import Bounded
from plimbo.core.quantities.units import UnitSystem
from plimbo.server import examples
from plimbo.server.problems import OF_A_BODY, problems
from plimbo.server.route_limits import Queue, limited
from plimbo.server.routes import Store, shows

router = APIRouter(tags=["desk"])


class Baseline(BaseModel):
    """A setup as it was saved once."""

    setup_id: str = Field(max_length=32)
    version: int = Field(ge=1, strict=True)


class Desk(Bounded):
    """What is open. `baselines` holds, for each car, the setup that the others are compared with."""

    model_config = ConfigDict(extra="forbid")

    setup_id: str | None = Field(None, max_length=32)
    place: str = Field("chain", max_length=20)
    state: str = Field("", max_length=24)
    units: UnitSystem = UnitSystem.MIXED
    dark: bool = False
    caution_read: bool = False
    baselines: dict[str, Baseline] = Field({}, max_length=500)


@router.get("/desk", summary="Get what lay open", responses=problems(), openapi_extra=shows(examples.DESK))
@limited(Queue.RECORDS)
def get_desk(records: Store) -> Desk:
    """What was open when the user left; an empty desk where what is stored of it cannot be read."""
    try:
        return Desk.model_validate(records.desk())
    except ValidationError:
        return Desk()


@router.put("/desk", summary="Leave the desk", responses=problems(*OF_A_BODY))
@limited(Queue.RECORDS)
def leave_desk(desk: Annotated[Desk, RequestBody(examples=[examples.DESK])], records: Store) -> Desk:
    """Remember what lies open."""
    records.leave_desk(desk.model_dump(mode="json"))
    return desk
