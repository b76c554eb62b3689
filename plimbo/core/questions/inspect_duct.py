"""What is each piece of the duct worth? Each is changed and the session simulated; then the tape for each session."""

from datetime import date

from plimbo.core.documents import Car, Session, Setup
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.cancellation import Wanted, always
from plimbo.core.search.ducts.answers import DuctWorth


def inspect_duct(
    car: Car, setup: Setup, session: Session, axle: Axle, today: date | None = None, *, wanted: Wanted = always
) -> DuctWorth:
    """Change the pieces one at a time.

    Raises `OutOfRange` where the inputs are outside the model, `Cancelled` when the answer is no longer needed.
    """
    from plimbo.core.search.ducts.worths import worths  # noqa: PLC0415

    return worths(car, setup, session, axle, today or date.today(), wanted)
