"""What does a measured temperature of a disc say of the air at it? The session is simulated with other cooling."""

from datetime import date

from plimbo.core.documents import Car, DiscReading, Session, Setup
from plimbo.core.quantities.cancellation import Wanted, always
from plimbo.core.search.session_heat.answers import CoolingFit


def fit_cooling(
    car: Car,
    setup: Setup,
    session: Session,
    reading: DiscReading,
    today: date | None = None,
    *,
    wanted: Wanted = always,
) -> CoolingFit:
    """The axle's cooling factor, its interval, and every session's verdict before and after.

    Raises `OutOfRange` where the inputs are outside the model, `Cancelled` when the answer is no longer needed.
    """
    from plimbo.core.search.session_heat.cooling_fit import fitted_cooling  # noqa: PLC0415

    return fitted_cooling(car, setup, session, reading, today or date.today(), wanted)
