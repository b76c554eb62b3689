"""What does the heat of a session hang on? Each input is moved, and the session driven again."""

from datetime import date

from plimbo.core.documents import Car, Session, Setup
from plimbo.core.quantities.results import Result
from plimbo.core.search.session_heat.answers import Sensitivity
from plimbo.core.search.session_heat.changes import Wanted, always


class HeatInputs(Result):
    """Inputs, the one that moves most first."""

    session: str
    sensitivities: tuple[Sensitivity, ...]


def inspect_heat(
    car: Car, setup: Setup, session: Session, today: date | None = None, *, wanted: Wanted = always
) -> HeatInputs:
    """Move inputs, one at a time.

    Raises `OutOfRange` where the inputs are outside the model, `Abandoned` where the answer is no longer wanted.
    """
    from plimbo.core.search.session_heat.inputs import sensitivities  # noqa: PLC0415

    found = sensitivities(car, setup, session, today or date.today(), wanted)
    return HeatInputs(session=session.name, sensitivities=found)
