"""Questions that take long: worked on in threads of low rank, and left off where nobody waits for the answer any more.

So a step of a joint or of a slider is answered at once, whatever is still being driven for the one before.
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

from plimbo.core import Abandoned
from plimbo.core.search.session_heat.changes import Wanted

THREADS, RANK = 2, 10


def _step_back() -> None:
    # Elsewhere a thread has no rank of its own.
    if sys.platform == "linux":
        os.setpriority(os.PRIO_PROCESS, threading.get_native_id(), RANK)


POOL = ThreadPoolExecutor(THREADS, "behind", initializer=_step_back)


async def answered_behind(request: Request, work: Callable[[Wanted], BaseModel]) -> Response:
    """The answer of `work` as JSON. It is told whether the answer is still wanted, and may raise `Abandoned`."""
    gone = threading.Event()

    async def watch() -> None:
        while (await request.receive())["type"] != "http.disconnect":
            pass
        gone.set()

    watching = asyncio.create_task(watch())
    try:
        doing = asyncio.get_running_loop().run_in_executor(POOL, partial(work, lambda: not gone.is_set()))
        answer = await doing
    except Abandoned:
        return Response(status_code=503)  # which nobody reads
    finally:
        gone.set()
        watching.cancel()
    return Response(answer.model_dump_json(), media_type="application/json")
