"""Waiting for a condition instead of for a time."""

import time
from collections.abc import Callable


def until(holds: Callable[[], object], what: str = "it never came", seconds: float = 60) -> None:
    """Return as soon as it holds; fail if it does not within a generous time."""
    end = time.monotonic() + seconds
    while not holds():
        assert time.monotonic() < end, what
        time.sleep(0.05)
