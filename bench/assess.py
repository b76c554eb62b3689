"""Time of `assess` for every demo setup in all its states, as the Chain asks for it: `python -m bench.assess`.

A step on the Chain changes a part: the tyre capacity of the car is cached then; it is calculated again when the car has
changed. Advice is a separate question, asked after a pause. Each run is between two of the yardstick; the ratio gives
the time at the fast clock.
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
from plimbo.server import collect_garbage_rarely

BUDGET_MS = 5.0
RUNS = 120
# The screen asks for the working of one state only while its sheet is open.
RESTING, WORKED = "what mends it, on its own", "with all the working"


def ratios(work: Callable[[], object]) -> list[float]:
    """The ratio of each warm run to the yardsticks before and after it."""
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
    """A question about the next car each time."""
    turn = itertools.cycle(cars)
    return lambda: assess(next(turn), setup, with_working=with_working)


def mended(car: Car, setup: Setup) -> Callable[[], object]:
    """Asks for mends: single changes, then pairs where no single change is enough."""
    return lambda: find_mends(car, setup)


if __name__ == "__main__":
    collect_garbage_rarely()
    fast = 1e3 * FAST_CLOCK
    for car, setups in CARS:
        # A step is judged without the sessions, since it does not change them.
        car = car.model_copy(update={"sessions": ()})  # noqa: PLW2901
        read_afresh = [Car.model_validate(car.model_dump()) for _ in range(2)]
        # More cars than the cache holds, so that each is calculated again.
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
