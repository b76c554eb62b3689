"""The yardstick of all benchmarks: a fixed piece of plain arithmetic, so that machines can be compared by ratios."""

import time
from pathlib import Path

# Its time on the machine of the budgets at its fast clock, s: a ratio to the yardstick times this is the time there.
FAST_CLOCK = 0.00063


def yardstick() -> float:
    """Ten thousand multiplications and additions in plain Python, s."""
    start, total = time.perf_counter(), 0.0
    for number in range(10_000):
        total += number * 1.0000001
    return time.perf_counter() - start


def stolen() -> float:
    """Processor time that the host has taken from this machine so far, s of all cores; 0 if unknown."""
    stat = Path("/proc/stat")
    fields = stat.read_text().split("\n", 1)[0].split() if stat.exists() else []
    return float(fields[8]) / 100 if len(fields) > 8 else 0.0
