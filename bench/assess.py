"""Time of `assess` for every demo setup in all its states, as the Chain asks for it: `python -m bench.assess`.

A step on the Chain changes a part: the road's side of the car, read afresh as off the web, is known then; it is
worked out again where the car has changed. What mends the verdicts is a question of its own, asked for when the hand
rests. Each run stands between two of the yardstick; the ratio to it tells the time at the fast clock.
"""

import gc
import itertools
import statistics
import time
from collections.abc import Callable

from bench.yardstick import FAST_CLOCK, yardstick
from plimbo.cli.demo_data import CARS
from plimbo.core import Car, Setup, assess, find_mends
from plimbo.core.braking.conditions import REMEMBERED
from plimbo.server import rest_the_collector

BUDGET_MS = 5.0
RUNS = 120
# The screen asks for the working of one state, and only while its sheet is open.
RESTING, WORKED = "what mends it, on its own", "with all the working"


def ratios(work: Callable[[], object]) -> list[float]:
    """Of each run, warm, to the yardsticks beside it."""
    for _ in range(20):
        work()
    gc.collect()
    found = []
    for _ in range(RUNS):
        before, start = yardstick(), time.perf_counter()
        work()
        run = time.perf_counter() - start
        found.append(run / ((before + yardstick()) / 2))
    return found


def one_after_another(cars: list[Car], setup: Setup, *, with_working: bool = False) -> Callable[[], object]:
    """Asks about the next car each time."""
    turn = itertools.cycle(cars)
    return lambda: assess(next(turn), setup, with_working=with_working)


def mended(car: Car, setup: Setup) -> Callable[[], object]:
    """Asks what mends it: single changes, then pairs where no single one does."""
    return lambda: find_mends(car, setup)


if __name__ == "__main__":
    rest_the_collector()
    fast = 1e3 * FAST_CLOCK
    for car, setups in CARS:
        # A step is asked about without the sessions: they do not change with it.
        car = car.model_copy(update={"sessions": ()})  # noqa: PLW2901
        read_afresh = [Car.model_validate(car.model_dump()) for _ in range(2)]
        # More cars than are remembered, so that the road of each is worked out anew.
        others = [car.model_copy(update={"mass": car.mass + kilos}) for kilos in range(2 * REMEMBERED)]
        for setup in setups:
            wanting = sum(verdict.level != "good" for verdict in assess(car, setup, with_working=False).verdicts)
            for what, work in (
                ("a part changed", one_after_another(read_afresh, setup)),
                ("the car changed", one_after_another(others, setup)),
                (RESTING, mended(car, setup)),
                (WORKED, one_after_another(read_afresh, setup, with_working=True)),
            ):
                found = ratios(work)
                median, late = statistics.median(found), statistics.quantiles(found, n=20)[-1]
                budget = "" if what in (RESTING, WORKED) else f", budget {BUDGET_MS} ms"
                print(
                    f"assess, {car.name}, {setup.name}, {len(car.states)} states, {wanting} to be mended, {what}:"
                    f" median {median * fast:.2f} ms at the fast clock, 95th percentile {late * fast:.2f} ms"
                    f"{budget}; {median:.1f} yardsticks"
                )
