"""What to do, and in which order: a plan from the car as it is to a sound one."""

from collections.abc import Callable
from datetime import date

from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.cancellation import Wanted, always
from plimbo.core.search.plan.answers import PlanAnswer
from plimbo.core.search.plan.assembling import assembled
from plimbo.core.search.plan.limits import PlanLimits
from plimbo.core.search.plan.planning import Planner


def _silent(done: int, of: int) -> None:
    """Reports no progress."""


def plan_changes(
    car: Car,
    setup: Setup,
    limits: PlanLimits | None = None,
    today: date | None = None,
    *,
    wanted: Wanted = always,
    progress: Callable[[int, int], None] = _silent,
) -> PlanAnswer:
    """Search settings, stock sizes, pads, fluid, ducts and laps; every session is simulated.

    `limits` are parts that stay and work that is left out. Raises `OutOfRange` where the inputs together are outside
    the model, `Cancelled` when the answer is no longer needed.
    """
    planner = Planner(car, setup, today or date.today(), limits or PlanLimits(), wanted, progress)
    return assembled(planner, planner.routes())
