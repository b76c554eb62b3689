"""The yardstick of all benchmarks: a fixed piece of plain arithmetic, so that two machines compare by ratios."""

import time

# What it takes on the machine that the budgets are meant for, at its fast clock, s: a ratio to the yardstick times this
# is the time there.
FAST_CLOCK = 0.00063


def yardstick() -> float:
    """Ten thousand multiplications and additions in plain Python, s."""
    start, total = time.perf_counter(), 0.0
    for number in range(10_000):
        total += number * 1.0000001
    return time.perf_counter() - start
