"""The yardstick of all benchmarks: a fixed piece of plain arithmetic, so that two machines compare by ratios."""

import time
from pathlib import Path

# What it takes on the machine that the budgets are meant for, at its fast clock, s: a ratio to the yardstick times this
# is the time there.
FAST_CLOCK = 0.00063


def yardstick() -> float:
    """Ten thousand multiplications and additions in plain Python, s."""
    start, total = time.perf_counter(), 0.0
    for number in range(10_000):
        total += number * 1.0000001
    return time.perf_counter() - start


def stolen() -> float:
    """What the host has taken from this machine so far for others, s of all cores; 0 where it does not tell."""
    stat = Path("/proc/stat")
    fields = stat.read_text().split("\n", 1)[0].split() if stat.exists() else []
    return float(fields[8]) / 100 if len(fields) > 8 else 0.0
