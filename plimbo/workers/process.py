"""What happens in a worker process: it answers one question after another until its server ends."""

import inspect
import multiprocessing
import os
import signal
import threading
from collections.abc import Callable
from ctypes import Structure, c_bool, c_int
from multiprocessing.connection import wait
from typing import Any

from pydantic import BaseModel

# A function of the core with its arguments, by `functools.partial`. One that takes `wanted` is given a function that
# says whether the answer is still needed; one that takes `progress`, a function that notes steps done and steps in all.
Question = Callable[..., BaseModel]


class Shared(Structure):
    """What the server and one worker process both see."""

    _fields_ = (("process", c_int), ("cancelled", c_bool), ("done", c_int), ("steps", c_int))

    process: int
    cancelled: bool
    done: int
    steps: int


_shared = Shared()


def begin(shared: Shared, niceness: int) -> None:
    """Prepare the process for its first question."""
    global _shared  # noqa: PLW0603 - one for each process
    _shared = shared
    _shared.process = os.getpid()
    # The server ends its workers; a Ctrl+C in the terminal reaches them, too.
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    if hasattr(os, "nice"):
        os.nice(niceness)
    threading.Thread(target=_end_with_server, daemon=True).start()


def _end_with_server() -> None:
    server = multiprocessing.parent_process()
    if server is not None:
        wait([server.sentinel])
        os._exit(1)


def _wanted() -> bool:
    return not _shared.cancelled


def _progress(done: int, steps: int) -> None:
    _shared.done, _shared.steps = done, steps


def answered(question: Question) -> bytes:
    """The answer as JSON."""
    offered: dict[str, Any] = {"wanted": _wanted, "progress": _progress}
    takes = inspect.signature(question).parameters
    return question(**{name: given for name, given in offered.items() if name in takes}).model_dump_json().encode()
