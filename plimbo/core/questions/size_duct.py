"""Which duct? The smallest stock hose that keeps the hottest session in the window, and what should be tried before
it.
"""

from collections.abc import Callable
from datetime import date

from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.cancellation import Wanted, always
from plimbo.core.search.ducts.answers import DuctSizing


def size_duct(
    car: Car,
    setup: Setup,
    axle: Axle,
    today: date | None = None,
    *,
    wanted: Wanted = always,
    progress: Callable[[int, int], None] = lambda _done, _of: None,
) -> DuctSizing:
    """Simulate every session of the car with every stock hose; `progress` is called with how many of how many are done.

    Raises `OutOfRange` where the inputs together are outside the model, `Cancelled` when the answer is no longer
    needed.
    """
    from plimbo.core.search.ducts.sizing import sized  # noqa: PLC0415

    return sized(car, setup, axle, today or date.today(), wanted, progress)
