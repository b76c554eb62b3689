"""Is the heat right? Every session of a car, judged; the worst gives the verdict."""

from datetime import date

from pydantic import Field

from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.judged_states import judged_sessions, judged_states
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.quantities.cancellation import Wanted, always, raise_if_cancelled
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.quantities.phrases import Phrase
from plimbo.core.quantities.refusals import FieldError, refusal_of
from plimbo.core.quantities.results import Result
from plimbo.core.verdicts.heat import HEAT
from plimbo.core.verdicts.level import SEVERITY, Level
from plimbo.core.verdicts.matter import Judgement, Verdict
from plimbo.core.verdicts.overall import heat_as_verdict, heat_not_worked_out
from plimbo.core.verdicts.session_heat.findings import HeatVerdict
from plimbo.core.working.inputs import PLAIN


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
    worst = max(found, key=lambda one: one.gravity)
    verdict = _with_one_stop(car, setup, heat_as_verdict(worst, found))
    return HeatJudgement(worst=worst, verdict=verdict, sessions=tuple(found))


def _with_one_stop(car: Car, setup: Setup, verdict: Verdict) -> Verdict:
    """A disc that is too light for one stop is to be watched, though the sessions hold."""
    if SEVERITY[verdict.level]:
        return verdict
    screening = Screening(conditions_for(car, judged_states(car, setup)), brake_system(setup, PLAIN))
    stop = HEAT.verdict(screening, setup, Judgement(HEAT, screening))
    if stop.level is not Level.BAD:
        return verdict
    return stop.model_copy(update={"level": Level.WATCH})
