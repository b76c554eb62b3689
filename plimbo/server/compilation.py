"""Compiles the simulation once on each machine, in a separate process, so that everything else answers meanwhile."""

import logging
import subprocess
import sys
import threading
from collections.abc import Sequence

from plimbo.core.working import compiled_code

log = logging.getLogger("plimbo")
COMMAND = (sys.executable, "-m", "plimbo.core.thermal.warm_up")
# A client may ask again after this time, s.
RETRY_AFTER = 2
# Time from the start of the server to that of the compilation, s.
START_AFTER = 1.0


class Compiling(Exception):
    """The simulation is still being compiled."""


class Compilation:
    """Starts the compilation where it is needed, and knows whether it still runs."""

    def __init__(self, command: Sequence[str] = COMMAND) -> None:
        self._command = command
        self._process: subprocess.Popen[bytes] | None = None
        self._ready = False
        self._timer: threading.Timer | None = None
        self._lock = threading.Lock()

    def start(self) -> None:
        """Compile in the background, unless it has been done; a little later, so that the first page comes first."""
        self._timer = threading.Timer(START_AFTER, self.is_ready)
        self._timer.daemon = True
        self._timer.start()

    def is_ready(self) -> bool:
        """Whether a question that simulates can be answered; starts the compilation if it cannot.

        If the compilation fails, the first such question compiles for itself.
        """
        with self._lock:
            if self._ready:
                return True
            if self._process is None:
                self._ready = compiled_code.is_complete()
                if not self._ready:
                    self._process = subprocess.Popen(self._command)
                return self._ready
            status = self._process.poll()
            if status:
                log.error("the simulation could not be compiled in advance: status %s", status)
            self._ready = status is not None
            return self._ready

    def require(self) -> None:
        """Raises `Compiling` as long as the compilation runs."""
        if not self.is_ready():
            raise Compiling

    def stop(self) -> None:
        """At shutdown: what is not finished is started again next time."""
        if self._timer is not None:
            self._timer.cancel()
        with self._lock:
            if self._process is not None and self._process.poll() is None:
                self._process.terminate()
                self._process.wait()
