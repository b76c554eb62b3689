"""Where questions are answered: quick ones here, long ones by worker processes.

A question whose client has left is cancelled.
"""

import asyncio
import contextlib
from collections.abc import Callable, Coroutine
from typing import Any

from fastapi.routing import APIRoute
from starlette.requests import Request
from starlette.responses import Response

from plimbo.core import Cancelled
from plimbo.workers import WORKERS, Priority, Question
from plimbo.workers.quick_questions import answer_quickly
from plimbo.workers.quick_worker import Lost

# As many quick questions as one screen has open at once; with more of them the quick worker helps.
OF_ONE_SCREEN = 4
# Questions that may wait for the quick worker, so that it always has the next one.
AHEAD = 3


class QuickRoute(APIRoute):
    """A question of a few milliseconds, by its name in `QUICK`: its body goes unread to where it is answered.

    That is here, without a thread, which would wait for the interpreter longer than the question takes; or in the quick
    worker, while many ask. The function of the route only declares what is asked and answered.
    """

    def get_route_handler(self) -> Callable[[Request], Coroutine[Any, Any, Response]]:
        name = self.path_format.rpartition("/")[2]

        async def answered(request: Request) -> Response:
            body, state = await request.body(), request.app.state
            state.quick_open += 1
            try:
                # So that all that came at the same moment are counted, and saves come in between.
                await asyncio.sleep(0)
                if request.state.gone.is_set():
                    return Response(status_code=503)  # which no client reads
                if state.quick_open > OF_ONE_SCREEN and state.quick_worker.waiting < AHEAD:
                    with contextlib.suppress(Lost):
                        return _json(await state.quick_worker.ask(name, body))
                return _json(answer_quickly(name, body))
            finally:
                state.quick_open -= 1

        return answered


def _json(answer: bytes) -> Response:
    return Response(answer, media_type="application/json")


async def answered_by_worker(request: Request, question: Question, priority: Priority = Priority.USUAL) -> Response:
    """The answer of a function of the core with its arguments, by `functools.partial`, as JSON."""
    task = WORKERS.ask(question, priority)
    answer = asyncio.wrap_future(task.answer)
    # An error that came too late is not reported as one that was overlooked.
    answer.add_done_callback(lambda ended: ended.cancelled() or ended.exception())
    leaving = asyncio.create_task(request.state.gone.wait())
    try:
        await asyncio.wait((answer, leaving), return_when=asyncio.FIRST_COMPLETED)
        if leaving.done():
            return Response(status_code=503)  # which no client reads
        return _json(answer.result())
    except Cancelled:
        return Response(status_code=503)
    finally:
        leaving.cancel()
        if not answer.done():
            task.cancel()
