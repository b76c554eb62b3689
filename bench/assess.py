"""Time of `assess` for one setup in all its states, as the Chain asks for it: `python -m bench.assess`.

Measured on demo setups: one rear first, so that the search for mends is in it, and a sound one, of a car with a bar;
then with everything on (tandem, booster, valve, anti-lock, tyres with load sensitivity), sound and with two verdicts
to be mended. Each run stands between two of a fixed piece of plain arithmetic, so that two machines, or one whose clock
changes, can be compared by the ratio.
"""

import gc
import statistics
import time
from collections.abc import Callable

from plimbo.cli.demo_data import CARS
from plimbo.core import assess

BUDGET_MS = 5.0
RUNS = 200


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


print(f"yardstick, 10 000 multiply-adds: {1e3 * statistics.median(yardstick() for _ in range(100)):.2f} ms")
for car, setups in CARS[:2]:
    for setup in (setups[0], setups[2] if car.name == "Wren" else setups[1]):
        for with_working in (False, True):
            runs, ratios = timed(lambda: assess(car, setup, with_working=with_working))  # noqa: B023
            median, late = statistics.median(runs), statistics.quantiles(runs, n=20)[-1]
            word = "with working" if with_working else "as the Chain asks"
            budget = "" if with_working else f", budget {BUDGET_MS} ms"
            print(
                f"assess, {car.name}, {setup.name}, {len(car.states)} states, {word}: median {median:.2f} ms,"
                f" 95th percentile {late:.2f} ms{budget}; {statistics.median(ratios):.1f} yardsticks"
            )
