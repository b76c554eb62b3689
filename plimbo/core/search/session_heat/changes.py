"""A car, a setup and a session with other values in them."""

from collections.abc import Callable, Mapping
from typing import Any

from plimbo.core.documents import Car, Session, Setup
from plimbo.core.quantities.errors import Cancelled

Wanted = Callable[[], bool]


def always() -> bool:
    """The answer stays needed, however long it takes."""
    return True


def raise_if_cancelled(wanted: Wanted) -> None:
    """Raises `Cancelled` when the answer is no longer needed."""
    if not wanted():
        raise Cancelled


def with_values(car: Car, setup: Setup, session: Session, values: Mapping[str, Any]) -> tuple[Car, Setup, Session]:
    """The three with other values at paths that begin with `car.`, `setup.` or `session.`, checked.

    Raises Pydantic's `ValidationError`.
    """

    def own(document: Any, name: str) -> Any:
        changes = {path.removeprefix(name): value for path, value in values.items() if path.startswith(name)}
        return document.patched(changes) if changes else document

    return own(car, "car."), own(setup, "setup."), own(session, "session.")
