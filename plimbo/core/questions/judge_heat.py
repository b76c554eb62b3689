"""Is the heat right? Every session of a car, judged; the worst of them speaks."""

from datetime import date

from pydantic import Field

from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.results import Result
from plimbo.core.search.session_heat.changes import Wanted, always, go_on
from plimbo.core.verdicts.level import SEVERITY
from plimbo.core.verdicts.session_heat.shapes import HeatVerdict


class HeatJudgement(Result):
    """The sessions of a car, worst first; none where it has no sessions."""

    worst: HeatVerdict | None
    sessions: tuple[HeatVerdict, ...] = Field(description="In the order in which the car has them.")


def judge_heat(car: Car, setup: Setup, today: date | None = None, *, wanted: Wanted = always) -> HeatJudgement:
    """Drive every session of the car.

    Raises `OutOfRange` where the inputs together are outside the model, `Abandoned` where the answer is no longer
    wanted.
    """
    if not car.sessions:
        return HeatJudgement(worst=None, sessions=())
    from plimbo.core.verdicts.session_heat.judging import judged_session  # noqa: PLC0415

    day, found = today or date.today(), []
    for session in car.sessions:
        go_on(wanted)
        found.append(judged_session(car, setup, session, day).verdict)
    return HeatJudgement(worst=max(found, key=lambda one: SEVERITY[one.level]), sessions=tuple(found))
