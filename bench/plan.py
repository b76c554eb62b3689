"""A plan without sessions, and the first and the second with four: `python -m bench.plan`."""

import time
from datetime import date

from bench.yardstick import FAST_CLOCK, yardstick
from plimbo.cli.demo_data import CARS
from plimbo.core import Car, Setup, plan_changes

TODAY, RUNS = date(2026, 12, 1), 5
WREN, WRENS = CARS[0]
BUDGETS = {"without sessions": 0.3, "with four sessions": 6.0}


def median_of(car: Car, setup: Setup) -> tuple[float, float]:
    """Seconds, and yardsticks: the machine's clock beside each run."""
    times, ratios = [], []
    for _ in range(RUNS):
        beside = yardstick()
        begun = time.perf_counter()
        plan_changes(car, setup, today=TODAY)
        times.append(time.perf_counter() - begun)
        ratios.append(times[-1] / min(beside, yardstick()))
    return sorted(times)[RUNS // 2], sorted(ratios)[RUNS // 2]


if __name__ == "__main__":
    bare = WREN.model_copy(update={"sessions": ()})
    plan_changes(WREN, WRENS[0], today=TODAY)
    for setup in WRENS:
        for words, car in (("without sessions", bare), ("with four sessions", WREN)):
            took, ratio = median_of(car, setup)
            print(
                f"{setup.name}, {words}: {took:.2f} s as the machine is, {ratio:.0f} yardsticks,"
                f" {ratio * FAST_CLOCK:.2f} s at the fast clock, budget {BUDGETS[words]} s"
            )
