"""HTTP as uvicorn speaks it, with limits on open connections and on the time in which a request must arrive."""

import asyncio
import contextlib
from typing import Any

import h11
from uvicorn.protocols.http.h11_impl import H11Protocol

from plimbo.server.guard import security_headers

CONNECTIONS = 200
# Time for the head of a request, from the start of the connection or the end of the previous answer, s.
HEAD_SECONDS = 15.0


class BoundedProtocol(H11Protocol):
    """Closes a connection that sends no complete head in time, or that exceeds the limit."""

    _waiting: asyncio.TimerHandle | None = None

    def connection_made(self, transport: Any) -> None:
        super().connection_made(transport)
        if len(self.connections) > CONNECTIONS:
            transport.abort()
            return
        self._wait()

    def connection_lost(self, exc: Exception | None) -> None:
        self._stop_waiting()
        super().connection_lost(exc)

    def handle_events(self) -> None:
        """Once the head of a request has arrived it has a cycle, and the guard takes over."""
        before = self.cycle
        super().handle_events()
        if self.cycle is not before:
            self._stop_waiting()

    def on_response_complete(self) -> None:
        super().on_response_complete()
        if not self.transport.is_closing() and (self.cycle is None or self.cycle.response_complete):
            self._wait()

    def send_400_response(self, msg: str) -> None:
        """Answers anything that is not HTTP, with the same headers as every answer."""
        headers = {"content-type": "text/plain; charset=utf-8", "connection": "close", **security_headers("none")}
        answer = h11.Response(
            status_code=400, headers=[(name.encode(), value.encode()) for name, value in headers.items()]
        )
        # If an answer has begun, nothing more can be sent.
        with contextlib.suppress(h11.LocalProtocolError):
            for event in (answer, h11.Data(data=msg.encode()), h11.EndOfMessage()):
                self.transport.write(self.conn.send(event) or b"")
        self.transport.close()

    def _wait(self) -> None:
        self._stop_waiting()
        self._waiting = self.loop.call_later(HEAD_SECONDS, self.transport.close)

    def _stop_waiting(self) -> None:
        if self._waiting is not None:
            self._waiting.cancel()
            self._waiting = None
