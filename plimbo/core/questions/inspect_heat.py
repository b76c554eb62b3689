"""What does the heat of a session depend on? Each input is changed, and the session simulated again."""

from datetime import date

from plimbo.core.documents import Car, Session, Setup
from plimbo.core.quantities.cancellation import Wanted, always
from plimbo.core.quantities.results import Result
from plimbo.core.search.session_heat.answers import Sensitivity


class HeatInputs(Result):
    """The inputs, the most sensitive first."""

    session: str
    sensitivities: tuple[Sensitivity, ...]


def inspect_heat(
    car: Car, setup: Setup, session: Session, today: date | None = None, *, wanted: Wanted = always
) -> HeatInputs:
    """Change the inputs one at a time.

    Raises `OutOfRange` where the inputs are outside the model, `Cancelled` when the answer is no longer needed.
    """
    from plimbo.core.search.session_heat.inputs import sensitivities  # noqa: PLC0415

    found = sensitivities(car, setup, session, today or date.today(), wanted)
    return HeatInputs(session=session.name, sensitivities=found)
