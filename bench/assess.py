"""Time of `assess` for one setup in all its states, as the Chain asks for it: `make bench` or `python -m bench.assess`.

Measured on the demo's first setup, which is rear first, so that the search for mends is in it; and on a sound one. The
ratio to a fixed piece of plain arithmetic lets two machines be compared.
"""

import gc
import statistics
import time
from collections.abc import Callable

from plimbo.cli.demo_data import CARS
from plimbo.core import assess

BUDGET_MS = 5.0
RUNS = 300


def timed(work: Callable[[], object]) -> list[float]:
    """Milliseconds of each run, warm."""
    for _ in range(30):
        work()
    gc.collect()
    found = []
    for _ in range(RUNS):
        start = time.perf_counter()
        work()
        found.append(1e3 * (time.perf_counter() - start))
    return found


def yardstick() -> float:
    """Ten thousand multiplications and additions in plain Python."""
    total = 0.0
    for number in range(10_000):
        total += number * 1.0000001
    return total


car, setups = CARS[0]
unit = statistics.median(timed(yardstick))
print(f"yardstick, 10 000 multiply-adds: {unit:.2f} ms")
for setup in (setups[0], setups[2]):
    for with_working in (False, True):
        runs = timed(lambda: assess(car, setup, with_working=with_working))  # noqa: B023
        median, late = statistics.median(runs), statistics.quantiles(runs, n=20)[-1]
        word = "with working" if with_working else "as the Chain asks"
        budget = "" if with_working else f", budget {BUDGET_MS} ms"
        print(
            f"assess, {len(car.states)} states, {setup.name}, {word}: median {median:.2f} ms,"
            f" 95th percentile {late:.2f} ms{budget}; {median / unit:.1f} yardsticks"
        )
