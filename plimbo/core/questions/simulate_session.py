"""What does a session do to the brakes? Both axles over time, corner by corner, and the verdict."""

from datetime import date

from plimbo.core.documents import Car, Session, Setup
from plimbo.core.quantities.results import Result
from plimbo.core.thermal.session_answers import SessionHeat
from plimbo.core.verdicts.session_heat.findings import HeatVerdict


class SimulatedSession(Result):
    """The session's heat and the verdict."""

    heat: SessionHeat
    verdict: HeatVerdict


def simulate_session(
    car: Car, setup: Setup, session: Session, today: date | None = None, *, with_working: bool = True
) -> SimulatedSession:
    """Simulate a session, starting cold; `today` gives the age of the fluid.

    Raises `OutOfRange` where the inputs together are outside the model.
    """
    # Compiled code is slow to load, so only simulations load it.
    from plimbo.core.verdicts.session_heat.judging import judged_session  # noqa: PLC0415
    from plimbo.core.verdicts.session_heat.session_answer import session_heat  # noqa: PLC0415

    found = judged_session(car, setup, session, today or date.today())
    return SimulatedSession(heat=session_heat(found, car, setup, with_working=with_working), verdict=found.verdict)
