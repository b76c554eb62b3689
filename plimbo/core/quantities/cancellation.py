"""Work that ends early when its answer is no longer needed."""

from collections.abc import Callable

Wanted = Callable[[], bool]


class Cancelled(Exception):
    """The answer is no longer needed."""


def always() -> bool:
    """The answer stays needed, however long it takes."""
    return True


def raise_if_cancelled(wanted: Wanted) -> None:
    """Raises `Cancelled` when the answer is no longer needed."""
    if not wanted():
        raise Cancelled
