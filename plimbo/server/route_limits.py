"""Limits that a route declares: the largest body, and the requests that it queues with.

Guard and queues run before the routes, so they look up the limits of a request by its method and path.
"""

from collections.abc import Callable, Iterable
from enum import Enum, auto
from typing import NamedTuple, TypeVar

from fastapi import APIRouter
from fastapi.routing import APIRoute

MEGABYTE = 1_000_000
Endpoint = TypeVar("Endpoint", bound=Callable[..., object])


class TooLarge(Exception):
    """The body is larger than the route allows."""

    def __init__(self, limit: int) -> None:
        super().__init__(f"More than {limit / MEGABYTE:.0f} MB: too large to be read.")


class TooSlow(Exception):
    """The body has stopped arriving."""

    def __init__(self, seconds: float) -> None:
        super().__init__(f"Nothing more of it came within {seconds:.0f} s. Try again.")


class Queue(Enum):
    """A queue of requests of one kind."""

    QUESTIONS = auto()
    RECORDS = auto()


class RouteLimits(NamedTuple):
    """Most bytes of a body; whether it is streamed, and then need not be JSON; the queue of its requests."""

    body: int = MEGABYTE
    streamed: bool = False
    queue: Queue | None = None


USUAL = RouteLimits()


def limited(
    queue: Queue | None = None, *, body: int = USUAL.body, streamed: bool = False
) -> Callable[[Endpoint], Endpoint]:
    """Declare the limits of a route at its function, under the route's own decorator."""

    def declare(endpoint: Endpoint) -> Endpoint:
        endpoint.limits = RouteLimits(body, streamed, queue)  # type: ignore[attr-defined]
        return endpoint

    return declare


class LimitsByRoute:
    """The declared limits of all routes of some routers."""

    def __init__(self, routers: Iterable[APIRouter], prefix: str) -> None:
        self._prefix = prefix
        self._declared = [
            (route.methods or set(), route.path_regex, route.endpoint.limits)
            for router in routers
            for route in router.routes
            if isinstance(route, APIRoute) and hasattr(route.endpoint, "limits")
        ]

    def of(self, method: str, path: str) -> RouteLimits:
        """The limits of a request; the usual ones if its route declares none."""
        inner = path.removeprefix(self._prefix)
        for methods, pattern, limits in self._declared:
            if method in methods and pattern.match(inner):
                return limits  # type: ignore[no-any-return]
        return USUAL
