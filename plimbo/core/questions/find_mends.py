"""What would mend each verdict that is not good? One change at a time, then two together."""

from collections.abc import Sequence

from pydantic import Field

from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.judged_states import judged_states
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup, State
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.quantities.cancellation import Wanted, always, raise_if_cancelled
from plimbo.core.quantities.results import Result
from plimbo.core.search.mends import Advice, MendSearch
from plimbo.core.verdicts.lock_order import LOCK_ORDER
from plimbo.core.verdicts.registry import matters_of
from plimbo.core.working.inputs import PLAIN


class Mends(Result):
    """The advice on every matter that is not sound, by the verdicts' keys."""

    tried: int = Field(description="How many changes, and pairs of them, were tried.")
    advice: tuple[Advice, ...]


def find_mends(
    car: Car,
    setup: Setup,
    states: Sequence[State] | State | None = None,
    *,
    in_doubt: bool = False,
    wanted: Wanted = always,
) -> Mends:
    """Try the stock sizes near the fitted ones, over these states (the car's own where none are given).

    With `in_doubt`, a sound lock order is improved too, as `estimate_uncertainty` may ask.

    Raises `OutOfRange` where the inputs together are outside the model, `Cancelled` when the answer is no longer
    needed.
    """
    conditions = conditions_for(car, judged_states(car, setup, states))
    screening = Screening(conditions, brake_system(setup, PLAIN))
    search = MendSearch(screening, setup, matters_of(car, setup), surer=(LOCK_ORDER,) if in_doubt else ())
    advice = []
    for matter in search.wanting:
        raise_if_cancelled(wanted)
        advice.append(search.advice(matter))
    return Mends(tried=search.tried, advice=tuple(advice))
