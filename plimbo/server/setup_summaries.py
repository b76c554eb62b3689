"""Summaries of setups, cached: calculating one simulates every session."""

from collections import OrderedDict

from plimbo.core import Cancelled, Car, Marks, Setup, assess, estimate_uncertainty, judge_heat, overall
from plimbo.core.search.session_heat.changes import Wanted

REMEMBERED = 500


class SetupSummaries:
    """A cache by a key of the caller: the versions of setup and car, and the date, since fluid ages."""

    def __init__(self) -> None:
        self._known: OrderedDict[tuple[object, ...], Marks] = OrderedDict()

    def of(self, key: tuple[object, ...], car: Car, setup: Setup, wanted: Wanted) -> Marks:
        """Raises `Cancelled` when the answer is no longer needed."""
        if key not in self._known:
            self._known[key] = _worked_out(car, setup, wanted)
            if len(self._known) > REMEMBERED:
                self._known.popitem(last=False)
        return self._known[key]


def _worked_out(car: Car, setup: Setup, wanted: Wanted) -> Marks:
    plain = assess(car, setup, with_working=False).verdicts
    doubted = estimate_uncertainty(car, setup).verdict
    if not wanted():
        raise Cancelled
    heat = judge_heat(car, setup, wanted=wanted).verdict
    return overall(car, setup, plain, doubted, heat)
