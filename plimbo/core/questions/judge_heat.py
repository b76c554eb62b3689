"""Is the heat right? Every session of a car, judged; the worst gives the verdict."""

from datetime import date

from pydantic import Field

from plimbo.core.braking.judged_states import judged_sessions
from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.cancellation import Wanted, always, raise_if_cancelled
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.quantities.phrases import Phrase
from plimbo.core.quantities.refusals import FieldError, refusal_of
from plimbo.core.quantities.results import Result
from plimbo.core.verdicts.level import SEVERITY
from plimbo.core.verdicts.matter import Verdict
from plimbo.core.verdicts.overall import heat_as_verdict, heat_not_worked_out
from plimbo.core.verdicts.session_heat.findings import HeatVerdict


class HeatJudgement(Result):
    """The sessions of a car, worst first; none where it has no sessions."""

    worst: HeatVerdict | None
    verdict: Verdict | None = Field(description="What stands in the place of the verdict on one stop.")
    trouble: FieldError | None = Field(None, description="Why a session cannot be driven, at the field to blame.")
    sessions: tuple[HeatVerdict, ...] = Field(description="Those in which the setup is judged, in the car's order.")


def judge_heat(car: Car, setup: Setup, today: date | None = None, *, wanted: Wanted = always) -> HeatJudgement:
    """Simulate every session of the car that is on a track in which the setup is judged.

    If the inputs of one session are outside the model, its answer says so. Raises `Cancelled` when the answer is no
    longer needed.
    """
    if not car.sessions:
        return HeatJudgement(worst=None, verdict=None, sessions=())
    from plimbo.core.verdicts.session_heat.judging import judged_session  # noqa: PLC0415

    day, found = today or date.today(), []
    for session in judged_sessions(car, setup):
        raise_if_cancelled(wanted)
        try:
            found.append(judged_session(car, setup, session, day).verdict)
        except OutOfRange as error:
            trouble = refusal_of(error)
            limit = {"limit": trouble.limit} if trouble.limit else {}
            verdict = heat_not_worked_out(Phrase(text=trouble.message, values=limit))
            return HeatJudgement(worst=None, verdict=verdict, trouble=trouble, sessions=())
    worst = max(found, key=lambda one: SEVERITY[one.level])
    return HeatJudgement(worst=worst, verdict=heat_as_verdict(worst), sessions=tuple(found))
