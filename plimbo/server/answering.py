"""Where questions are answered: quick ones here, long ones by worker processes.

A question whose client has left is cancelled.
"""

import asyncio

from starlette.requests import Request
from starlette.responses import Response

from plimbo.core import Cancelled
from plimbo.workers import WORKERS, Priority, Question


async def answered_quickly(request: Request, question: Question) -> Response:
    """The answer to a question of a few milliseconds, as JSON.

    It is answered without a thread, which would wait for the interpreter longer than the question takes.
    """
    # So that saves and health come in between.
    await asyncio.sleep(0)
    if request.state.gone.is_set():
        return Response(status_code=503)  # which no client reads
    return Response(question().model_dump_json(), media_type="application/json")


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
        return Response(answer.result(), media_type="application/json")
    except Cancelled:
        return Response(status_code=503)
    finally:
        leaving.cancel()
        if not answer.done():
            task.cancel()
