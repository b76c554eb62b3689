"""The yardstick of all benchmarks: a fixed piece of plain arithmetic, so that two machines compare by ratios."""

import time


def yardstick() -> float:
    """Ten thousand multiplications and additions in plain Python, s."""
    start, total = time.perf_counter(), 0.0
    for number in range(10_000):
        total += number * 1.0000001
    return time.perf_counter() - start
