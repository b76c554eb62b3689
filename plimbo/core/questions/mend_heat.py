"""What would mend the heat of a session? Each change is simulated."""

from datetime import date

from plimbo.core.documents import Car, Session, Setup
from plimbo.core.quantities.cancellation import Wanted, always
from plimbo.core.quantities.results import Result
from plimbo.core.search.session_heat.answers import HeatMend


class HeatAdvice(Result):
    """Changes, best first."""

    session: str
    mends: tuple[HeatMend, ...]


def mend_heat(
    car: Car, setup: Setup, session: Session, today: date | None = None, *, wanted: Wanted = always
) -> HeatAdvice:
    """Try the changes one at a time.

    Raises `OutOfRange` where the inputs are outside the model, `Cancelled` when the answer is no longer needed.
    """
    from plimbo.core.search.session_heat.mends import heat_mends  # noqa: PLC0415

    found = heat_mends(car, setup, session, today or date.today(), wanted)
    return HeatAdvice(session=session.name, mends=found)
