"""A question that waits for a worker process or is answered by one."""

import threading
from concurrent.futures import Future
from enum import IntEnum

from plimbo.core import Cancelled
from plimbo.workers.process import Question, Shared


class Priority(IntEnum):
    """Which question comes first."""

    # A slider is moved.
    QUICK = 0
    # Well under a second.
    USUAL = 1
    # Seconds; one worker process never takes these.
    LONG = 2


class Task:
    """The answer of a question, as JSON, once there is one; `Cancelled` if it was no longer needed."""

    def __init__(self, question: Question, priority: Priority) -> None:
        self.question, self.priority = question, priority
        self.answer: Future[bytes] = Future()
        # Set when the answer is there, or no longer needed.
        self.wake = threading.Event()
        self.cancelled = False
        self.shared: Shared | None = None

    def cancel(self) -> None:
        """The answer is no longer needed."""
        self.cancelled = True
        self.wake.set()

    def progress(self) -> tuple[int, int]:
        """How many steps of how many are done; 0 of 0 before the first."""
        return (self.shared.done, self.shared.steps) if self.shared else (0, 0)

    def end(self, answer: Future[bytes]) -> None:
        """Take the answer of the process, or its error."""
        if self.cancelled:
            self.fail(Cancelled())
        elif (error := answer.exception()) is not None:
            self.fail(error)
        else:
            self.answer.set_result(answer.result())

    def fail(self, error: BaseException) -> None:
        """End without an answer."""
        if not self.answer.done():
            self.answer.set_exception(error)
