"""Python's garbage collector, set for a server that makes many short-lived answers."""

import gc

# By default the collector examines the young objects about twenty times for one answer.
YOUNG_OBJECTS = 100_000


def collect_garbage_rarely() -> None:
    """Objects loaded now stay and are not examined again; most objects of an answer are freed without the collector."""
    gc.collect()
    gc.freeze()
    gc.set_threshold(YOUNG_OBJECTS, 20, 20)
