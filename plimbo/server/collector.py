"""Python's garbage collector, set for a server that makes many short-lived answers."""

import gc

# The collector's default walks through the young objects some twenty times for one answer.
YOUNG_OBJECTS = 100_000


def rest_the_collector() -> None:
    """What is loaded now stays and is not walked through again; what an answer leaves is mostly freed without it."""
    gc.collect()
    gc.freeze()
    gc.set_threshold(YOUNG_OBJECTS, 20, 20)
