"""Limits on concurrent requests: they wait here, not in the threads that everything else needs."""

import asyncio
import os

from starlette.types import ASGIApp, Receive, Scope, Send

from plimbo.server.route_limits import Queue

# How many of each kind run at once; together far fewer than the forty threads of the server.
AT_ONCE = {
    Queue.QUESTIONS: max(2, os.cpu_count() or 2),
    Queue.RECORDS: 8,
}


class Queues:
    """Limits how many requests of a kind run at once; a route without a queue never waits.

    A request whose client has left meanwhile is dropped.
    """

    def __init__(self, app: ASGIApp) -> None:
        self.app = app
        self._places = {queue: asyncio.Semaphore(most) for queue, most in AT_ONCE.items()}

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        limits = scope.get("state", {}).get("limits")
        if limits is None or limits.queue is None:
            await self.app(scope, receive, send)
            return
        async with self._places[limits.queue]:
            gone = scope["state"].get("gone")
            if gone is None or not gone.is_set():
                await self.app(scope, receive, send)
