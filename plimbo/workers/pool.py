"""The worker processes and the tasks that wait for them.

They start at the first question. Two of them: one never takes long questions, so that a short one seldom waits.
"""

import multiprocessing
import os
import signal
import threading
from collections import deque
from collections.abc import Sequence
from concurrent.futures import BrokenExecutor, Future, ProcessPoolExecutor
from concurrent.futures import wait as wait_for
from contextlib import suppress

from plimbo.core import Cancelled
from plimbo.workers.process import Question, Shared, answered, begin
from plimbo.workers.task import Priority, Task

# What each worker takes, and its niceness: 0 is that of the server.
WORKERS_TAKE = (((Priority.QUICK, Priority.USUAL), 0), ((Priority.QUICK, Priority.USUAL, Priority.LONG), 10))
# Time in which a question that is no longer needed must end by itself, s; then its process is ended, which costs a
# second or two of the next question.
GRACE = 0.9


class _Worker:
    """One process: started when it is needed, and again after it was ended."""

    def __init__(self, niceness: int) -> None:
        self._niceness = niceness
        self._executor: ProcessPoolExecutor | None = None
        self._shared = Shared()

    def answer(self, task: Task) -> None:
        """Answer one question; returns when it is answered or cancelled."""
        answer = self._submit(task)
        try:
            answer.add_done_callback(lambda _: task.wake.set())
            task.wake.wait()
            if not answer.done():
                self._cancel(answer)
            if not task.cancelled and isinstance(answer.exception(), BrokenExecutor):
                self.end()
            task.end(answer)
        finally:
            task.shared = None

    def _submit(self, task: Task) -> Future[bytes]:
        try:
            return self._started(task).submit(answered, task.question)
        except BrokenExecutor:  # its process died meanwhile
            self.end()
            return self._started(task).submit(answered, task.question)

    def _cancel(self, answer: Future[bytes]) -> None:
        self._shared.cancelled = True
        while not self._shared.process and not answer.done():  # it still starts
            wait_for([answer], GRACE)
        wait_for([answer], GRACE)
        if not answer.done():
            self.end()

    def _started(self, task: Task) -> ProcessPoolExecutor:
        if self._executor is None:
            context = multiprocessing.get_context("spawn")
            self._shared = context.Value(Shared, lock=False)  # type: ignore[assignment]
            self._executor = ProcessPoolExecutor(1, context, begin, (self._shared, self._niceness))
        task.shared = self._shared
        self._shared.cancelled, self._shared.done, self._shared.steps = False, 0, 0
        return self._executor

    def end(self) -> None:
        """End its process, whatever it does."""
        executor, self._executor = self._executor, None
        if executor is not None:
            if self._shared.process:
                with suppress(OSError):  # it has ended already
                    os.kill(self._shared.process, signal.SIGTERM)
            executor.shutdown(wait=True, cancel_futures=True)


class Workers:
    """All worker processes of a server."""

    def __init__(self, take: Sequence[tuple[Sequence[Priority], int]] = WORKERS_TAKE) -> None:
        self._take = take
        self._waiting = {priority: deque[Task]() for priority in Priority}
        # By the number of the worker.
        self._running: dict[int, Task] = {}
        self._threads: list[threading.Thread] = []
        self._changed = threading.Condition()
        self._stopping = False

    def ask(self, question: Question, priority: Priority = Priority.USUAL) -> Task:
        """Have a question answered: after those of a higher priority, and those of the same that came before."""
        task = Task(question, priority)
        with self._changed:
            if not self._threads:
                self._start()
            self._waiting[priority].append(task)
            self._changed.notify_all()
        return task

    def stop(self) -> None:
        """Cancel everything and end the processes; a later question starts them again."""
        with self._changed:
            self._stopping = True
            for task in [*self._running.values(), *(task for waiting in self._waiting.values() for task in waiting)]:
                task.cancel()
            self._changed.notify_all()
            threads = list(self._threads)
        for thread in threads:
            thread.join()
        self._threads, self._stopping = [], False

    def _start(self) -> None:
        for number, (priorities, niceness) in enumerate(self._take):
            thread = threading.Thread(
                target=self._work, args=(number, priorities, niceness), name=f"worker {number}", daemon=True
            )
            self._threads.append(thread)
            thread.start()

    def _work(self, number: int, priorities: Sequence[Priority], niceness: int) -> None:
        worker = _Worker(niceness)
        while (task := self._next(number, priorities)) is not None:
            try:
                if task.cancelled:
                    task.fail(Cancelled())
                else:
                    worker.answer(task)
            except Exception as error:
                task.fail(error)
            finally:
                with self._changed:
                    self._running.pop(number, None)
        worker.end()

    def _next(self, number: int, priorities: Sequence[Priority]) -> Task | None:
        """The next task, once there is one; none at the end."""
        with self._changed:
            while True:
                waiting = next((self._waiting[one] for one in priorities if self._waiting[one]), None)
                if waiting is not None:
                    task = waiting.popleft()
                    self._running[number] = task
                    return task
                if self._stopping:
                    return None
                self._changed.wait()


# Those of this process.
WORKERS = Workers()
