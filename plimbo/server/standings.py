"""How setups stand at a glance, remembered: working it out drives every session."""

from collections import OrderedDict

from plimbo.core import Abandoned, Car, Marks, Setup, assess, estimate_uncertainty, judge_heat, overall
from plimbo.core.search.session_heat.changes import Wanted

REMEMBERED = 500


class Standings:
    """By what a caller says makes them the same: the versions of setup and car, and the day, since fluid ages."""

    def __init__(self) -> None:
        self._known: OrderedDict[tuple[object, ...], Marks] = OrderedDict()

    def of(self, key: tuple[object, ...], car: Car, setup: Setup, wanted: Wanted) -> Marks:
        """Raises `Abandoned` where nobody waits for it any more."""
        if key not in self._known:
            self._known[key] = _worked_out(car, setup, wanted)
            if len(self._known) > REMEMBERED:
                self._known.popitem(last=False)
        return self._known[key]


def _worked_out(car: Car, setup: Setup, wanted: Wanted) -> Marks:
    plain = assess(car, setup, with_working=False).verdicts
    doubted = estimate_uncertainty(car, setup).verdict
    if not wanted():
        raise Abandoned
    heat = judge_heat(car, setup, wanted=wanted).verdict
    return overall(car, setup, plain, doubted, heat)
