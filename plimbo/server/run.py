"""Serving: the port, the bounds of a connection, a clean stop, and the log of what went wrong."""

import contextlib
import errno
import logging
import socket
from logging.handlers import RotatingFileHandler
from pathlib import Path
from typing import Any

from plimbo.server.app import Application
from plimbo.server.collector import rest_the_collector
from plimbo.store import DataFolder

# Requests under way get so long at a stop; an upload that stalls is cut off then.
STOP_SECONDS = 4
HEAD_BYTES = 32_000


class NoPort(Exception):
    """The port cannot be listened on; the message says why and what to do."""


def listening(host: str, port: int) -> socket.socket:
    """The port, taken before anything else. Raises `NoPort`."""
    try:
        (family, *_, address), *_ = socket.getaddrinfo(host, port, type=socket.SOCK_STREAM, flags=socket.AI_PASSIVE)
        listener = socket.socket(family, socket.SOCK_STREAM)
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
    """Until a signal stops it; the database is one file then."""
    import uvicorn  # noqa: PLC0415  (the other commands start faster without it)

    from plimbo.server.protocol import BoundedProtocol  # noqa: PLC0415

    log_to(folder)
    app.state.jobs.kept.find_interrupted()
    app.state.uploads.clear()
    rest_the_collector()
    config = uvicorn.Config(
        app,
        http=BoundedProtocol,
        ws="none",
        lifespan="off",
        log_config=None,
        server_header=False,
        timeout_graceful_shutdown=STOP_SECONDS,
        h11_max_incomplete_event_size=HEAD_BYTES,
    )
    try:
        with contextlib.suppress(KeyboardInterrupt):
            uvicorn.Server(config).run(sockets=[listener])
    finally:
        listener.close()
        app.state.jobs.stop()
        app.database.close()


class _LogFile(RotatingFileHandler):
    """Made when there is something to say."""

    def _open(self) -> Any:
        Path(self.baseFilename).parent.mkdir(mode=0o700, parents=True, exist_ok=True)
        return super()._open()


class _OneLine(logging.Formatter):
    """Without the trace, which only the log file holds."""

    def format(self, record: logging.LogRecord) -> str:
        return f"{record.levelname.lower()}: {record.getMessage()}"


def log_to(folder: DataFolder) -> None:
    """What goes wrong goes into the folder's log, with its trace, and onto the console in one line."""
    kept = _LogFile(folder.log, maxBytes=1_000_000, backupCount=3, delay=True)
    kept.setFormatter(logging.Formatter("%(asctime)s %(levelname)s %(name)s: %(message)s"))
    told = logging.StreamHandler()
    told.setFormatter(_OneLine())
    of_each: dict[str, list[logging.Handler]] = {"plimbo": [kept, told], "uvicorn": [told]}
    for name, handlers in of_each.items():
        logger = logging.getLogger(name)
        logger.handlers, logger.propagate = handlers, False
        logger.setLevel(logging.WARNING)
