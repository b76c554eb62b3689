"""Time of `assess` for one setup in all its states, as the Chain asks for it: `python -m bench.assess`.

Measured on demo setups: one rear first, so that the search for mends is in it, and a sound one, of a car with a bar;
then with everything on (tandem, booster, valve, anti-lock, tyres with load sensitivity), sound and with two verdicts
to be mended. A step on the Chain changes a part: the road's side of the car, read afresh as off the web, is known then;
it is worked out again where the car has changed. Each run stands between two of a fixed piece of plain arithmetic, so
that two machines, or one whose clock changes, can be compared by the ratio.
"""

import gc
import itertools
import statistics
import time
from collections.abc import Callable

from plimbo.cli.demo_data import CARS
from plimbo.core import Car, Setup, assess
from plimbo.core.road.roads import REMEMBERED

BUDGET_MS = 5.0
RUNS = 200
# The screen asks for it of one state, and only while its sheet is open.
WORKED = "with all the working"


def yardstick() -> float:
    """Ten thousand multiplications and additions in plain Python, s."""
    start, total = time.perf_counter(), 0.0
    for number in range(10_000):
        total += number * 1.0000001
    return time.perf_counter() - start


def timed(work: Callable[[], object]) -> tuple[list[float], list[float]]:
    """Milliseconds of each run, warm, and its ratio to the yardsticks beside it."""
    for _ in range(30):
        work()
    gc.collect()
    runs, ratios = [], []
    for _ in range(RUNS):
        before, start = yardstick(), time.perf_counter()
        work()
        run = time.perf_counter() - start
        runs.append(1e3 * run)
        ratios.append(run / ((before + yardstick()) / 2))
    return runs, ratios


def one_after_another(cars: list[Car], setup: Setup, *, with_working: bool = False) -> Callable[[], object]:
    """Asks about the next car each time."""
    turn = itertools.cycle(cars)
    return lambda: assess(next(turn), setup, with_working=with_working)


print(f"yardstick, 10 000 multiply-adds: {1e3 * statistics.median(yardstick() for _ in range(100)):.2f} ms")
for car, setups in CARS[:2]:
    read_afresh = [Car.model_validate(car.model_dump()) for _ in range(2)]
    # More cars than are remembered, so that the road of each is worked out anew.
    others = [car.model_copy(update={"mass": car.mass + kilos}) for kilos in range(2 * REMEMBERED)]
    for setup in (setups[0], setups[2] if car.name == "Wren" else setups[1]):
        for what, work in (
            ("a part changed", one_after_another(read_afresh, setup)),
            ("the car changed", one_after_another(others, setup)),
            (WORKED, one_after_another(read_afresh, setup, with_working=True)),
        ):
            runs, ratios = timed(work)
            median, late = statistics.median(runs), statistics.quantiles(runs, n=20)[-1]
            budget = "" if what == WORKED else f", budget {BUDGET_MS} ms"
            print(
                f"assess, {car.name}, {setup.name}, {len(car.states)} states, {what}: median {median:.2f} ms, 95th"
                f" percentile {late:.2f} ms{budget}; {statistics.median(ratios):.1f} yardsticks"
            )
