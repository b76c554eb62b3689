"""Serving: the port, the limits of connections, a clean stop, and the error log."""

import contextlib
import errno
import logging
import socket
from logging.handlers import RotatingFileHandler
from pathlib import Path
from typing import Any

from plimbo.server.app import Application
from plimbo.server.garbage_collection import collect_garbage_rarely
from plimbo.store import DataFolder
from plimbo.workers import WORKERS

# Time for open requests at a stop, s; a stalled upload is cut off after it.
STOP_SECONDS = 4
HEAD_BYTES = 32_000


class NoPort(Exception):
    """The port is not available; the message says why and what to do."""


def listening(host: str, port: int) -> socket.socket:
    """Opens the port before anything else. Raises `NoPort`."""
    try:
        (family, *_, address), *_ = socket.getaddrinfo(host, port, type=socket.SOCK_STREAM, flags=socket.AI_PASSIVE)
        # With its protocol named, asyncio sends small answers at once; else each may wait 40 ms for an acknowledgement.
        listener = socket.socket(family, socket.SOCK_STREAM, socket.IPPROTO_TCP)
        listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        listener.bind(address)
    except socket.gaierror:
        raise NoPort(f"There is no address {host} on this machine: see --host.") from None
    except OSError as error:
        why = {
            errno.EADDRINUSE: "another program listens there, maybe another Plimbo. Stop it",
            errno.EACCES: "you may not listen there. Take a port above 1023",
            errno.EADDRNOTAVAIL: f"{host} is no address of this machine. See --host",
        }.get(error.errno or 0, str(error.strerror))
        raise NoPort(f"Port {port} cannot be used: {why}, or choose another with --port.") from None
    return listener


def serve(app: Application, folder: DataFolder, listener: socket.socket) -> None:
    """Serves until a signal stops it; then the database is one file."""
    import uvicorn  # noqa: PLC0415  (not needed by the other commands)

    from plimbo.server.protocol import BoundedProtocol  # noqa: PLC0415

    log_to(folder)
    app.state.jobs.kept.find_interrupted()
    app.state.uploads.clear()
    app.state.compilation.start()
    collect_garbage_rarely()
    config = uvicorn.Config(
        app,
        http=BoundedProtocol,
        ws="none",
        lifespan="off",
        log_config=None,
        server_header=False,
        # Else anybody on this machine could name any address as the visitor's.
        proxy_headers=app.access.proxy is not None,
        forwarded_allow_ips=app.access.proxy or "",
        timeout_graceful_shutdown=STOP_SECONDS,
        h11_max_incomplete_event_size=HEAD_BYTES,
    )
    try:
        with contextlib.suppress(KeyboardInterrupt):
            uvicorn.Server(config).run(sockets=[listener])
    finally:
        listener.close()
        WORKERS.stop()
        app.state.compilation.stop()
        app.database.close()


class _LogFile(RotatingFileHandler):
    """Created at the first message."""

    def _open(self) -> Any:
        Path(self.baseFilename).parent.mkdir(mode=0o700, parents=True, exist_ok=True)
        return super()._open()


class _OneLine(logging.Formatter):
    """Without the trace, which is only in the log file."""

    def format(self, record: logging.LogRecord) -> str:
        return f"{record.levelname.lower()}: {record.getMessage()}"


def log_to(folder: DataFolder) -> None:
    """Errors go to the folder's log with their trace, and to the console in one line."""
    kept = _LogFile(folder.log, maxBytes=1_000_000, backupCount=3, delay=True)
    kept.setFormatter(logging.Formatter("%(asctime)s %(levelname)s %(name)s: %(message)s"))
    console = logging.StreamHandler()
    console.setFormatter(_OneLine())
    of_each: dict[str, list[logging.Handler]] = {"plimbo": [kept, console], "uvicorn": [console]}
    for name, handlers in of_each.items():
        logger = logging.getLogger(name)
        logger.handlers, logger.propagate = handlers, False
        logger.setLevel(logging.WARNING)
