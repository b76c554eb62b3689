"""A car, a setup and a session with other values in them."""

from collections.abc import Mapping
from typing import Any

from plimbo.core.documents import Car, Session, Setup


def with_values(car: Car, setup: Setup, session: Session, values: Mapping[str, Any]) -> tuple[Car, Setup, Session]:
    """The three with other values at paths that begin with `car.`, `setup.` or `session.`, checked.

    Raises Pydantic's `ValidationError`.
    """

    def own(document: Any, name: str) -> Any:
        changes = {path.removeprefix(name): value for path, value in values.items() if path.startswith(name)}
        return document.patched(changes) if changes else document

    return own(car, "car."), own(setup, "setup."), own(session, "session.")
