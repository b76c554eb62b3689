"""A process that helps with quick questions while many clients ask: fed through a pipe, without a thread in the server.

Each message is its length in four bytes, then a pickle; answers come in the order of the questions.
"""

import asyncio
import os
import pickle
import signal
import struct
import sys
from collections import deque
from typing import Any, BinaryIO

from plimbo.workers.quick_questions import answer_quickly

_LENGTH = struct.Struct(">I")
# Most of the bytes of an answer that wait in the server at once.
BUFFERED = 2**24


class Lost(Exception):
    """The process has ended before it answered."""


class QuickWorker:
    """The process, as the server sees it: it belongs to one event loop, and starts at its first question."""

    def __init__(self) -> None:
        self._waiting: deque[asyncio.Future[bytes]] = deque()
        self._process: asyncio.subprocess.Process | None = None
        self._starting = asyncio.Lock()

    @property
    def waiting(self) -> int:
        """How many questions it has not answered yet."""
        return len(self._waiting)

    async def ask(self, name: str, body: bytes) -> bytes:
        """As `answer_quickly`. Raises `Lost` where the process has ended."""
        answer: asyncio.Future[bytes] = asyncio.get_running_loop().create_future()
        self._waiting.append(answer)
        async with self._starting:
            if self._process is None:
                command = (sys.executable, "-m", "plimbo.workers.quick_worker")
                pipe = asyncio.subprocess.PIPE
                self._process = await asyncio.create_subprocess_exec(*command, stdin=pipe, stdout=pipe, limit=BUFFERED)
                self._reading = asyncio.create_task(self._read(self._process))
            if self._process.stdin is not None:
                self._process.stdin.write(_packed((name, body)))
        return await answer

    async def _read(self, process: asyncio.subprocess.Process) -> None:
        try:
            while process.stdout is not None:
                (length,) = _LENGTH.unpack(await process.stdout.readexactly(_LENGTH.size))
                found = pickle.loads(await process.stdout.readexactly(length))
                answer = self._waiting.popleft()
                if answer.done():  # its client has left
                    continue
                answer.set_exception(found) if isinstance(found, Exception) else answer.set_result(found)
        except (asyncio.IncompleteReadError, OSError):
            self._process = None
            while self._waiting:
                answer = self._waiting.popleft()
                if not answer.done():
                    answer.set_exception(Lost())

    def stop(self) -> None:
        """End the process."""
        if self._process is not None and self._process.returncode is None:
            os.kill(self._process.pid, signal.SIGTERM)


def _packed(message: Any) -> bytes:
    content = pickle.dumps(message)
    return _LENGTH.pack(len(content)) + content


def _answered(name: str, body: bytes) -> bytes | Exception:
    try:
        return answer_quickly(name, body)
    except Exception as error:
        return error


def serve(questions: BinaryIO, answers: BinaryIO) -> None:
    """In the process: answer until the server closes the pipe."""
    while head := questions.read(_LENGTH.size):
        name, body = pickle.loads(questions.read(*_LENGTH.unpack(head)))
        answers.write(_packed(_answered(name, body)))
        answers.flush()


if __name__ == "__main__":
    # The server ends it; a Ctrl+C in the terminal reaches it, too.
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    with os.fdopen(os.dup(sys.stdout.fileno()), "wb") as pipe:
        # What is printed must not come between the answers.
        os.dup2(sys.stderr.fileno(), sys.stdout.fileno())
        serve(sys.stdin.buffer, pipe)
