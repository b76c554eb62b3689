"""Long questions: answered in low-priority threads, and cancelled when the client has left.

So a step of a joint or a slider is answered at once, whatever simulation still runs for the step before.
"""

import asyncio
import os
import sys
import threading
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from functools import partial

from pydantic import BaseModel
from starlette.requests import Request
from starlette.responses import Response

from plimbo.core import Cancelled
from plimbo.core.search.session_heat.changes import Wanted

THREADS, RANK = 2, 10


def _step_back() -> None:
    # Other systems have no priority for single threads.
    if sys.platform == "linux":
        os.setpriority(os.PRIO_PROCESS, threading.get_native_id(), RANK)


POOL = ThreadPoolExecutor(THREADS, "behind", initializer=_step_back)


async def answered_in_background(request: Request, work: Callable[[Wanted], BaseModel]) -> Response:
    """The answer of `work` as JSON. `work` gets a function that says whether the answer is still needed, and may raise
    `Cancelled`.
    """
    gone = threading.Event()

    async def watch() -> None:
        while (await request.receive())["type"] != "http.disconnect":
            pass
        gone.set()

    watching = asyncio.create_task(watch())
    try:
        doing = asyncio.get_running_loop().run_in_executor(POOL, partial(work, lambda: not gone.is_set()))
        answer = await doing
    except Cancelled:
        return Response(status_code=503)  # which no client reads
    finally:
        gone.set()
        watching.cancel()
    return Response(answer.model_dump_json(), media_type="application/json")
