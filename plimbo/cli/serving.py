"""`plimbo serve`, `demo` and `key`."""

import os
import signal
import sys
from collections.abc import Callable
from pathlib import Path
from typing import Annotated

import typer

from plimbo.cli import demo_data
from plimbo.cli.browser import has_screen, open_when_it_answers
from plimbo.cli.words import DATA, in_words
from plimbo.server import Access, create_app
from plimbo.server.access import LOOPBACK, new_key
from plimbo.server.run import listening
from plimbo.server.run import serve as serve_app
from plimbo.store import Database, DataFolder, Records

Data = Annotated[Path, typer.Option(help="Folder that holds the database.", envvar="PLIMBO_DATA")]
Port = Annotated[int, typer.Option(help="Port to listen on.", min=1, max=65535)]
Host = Annotated[str, typer.Option(help="Address to listen on; anything but loopback needs PLIMBO_ACCESS_KEY.")]
Name = Annotated[list[str] | None, typer.Option("--name", help="A further host name that visitors use.")]
Proxy = Annotated[
    str | None, typer.Option(help="Address of a reverse proxy in front, which names the visitors' addresses.")
]
Browse = Annotated[bool, typer.Option("--browser/--no-browser", help="Open the browser, where there is one.")]


def serve(
    data: Data = DATA,
    host: Host = "127.0.0.1",
    port: Port = 8420,
    name: Name = None,
    proxy: Proxy = None,
    browser: Browse = True,
) -> None:
    """Serve the application on this machine."""
    _serve(data, host, port, _access(host, name or [], proxy), browser=browser)


def demo(
    data: Data = DATA / "demo",
    host: Host = "127.0.0.1",
    port: Port = 8420,
    name: Name = None,
    proxy: Proxy = None,
    browser: Browse = True,
) -> None:
    """Serve it with the demo cars; what you change in them is kept."""
    _serve(data, host, port, _access(host, name or [], proxy), demo_data.load, browser=browser)


def key() -> None:
    """Make an access key, for PLIMBO_ACCESS_KEY."""
    typer.echo(new_key())


def _serve(
    data: Path,
    host: str,
    port: int,
    access: Access,
    fill: Callable[[Records], None] = lambda _records: None,
    *,
    browser: bool,
) -> None:
    folder = DataFolder(data)
    # A stop by the system or by Ctrl+C leaves one file and no lock.
    signal.signal(signal.SIGTERM, lambda *_: sys.exit(0))
    with in_words(data), folder.held():
        listener = listening(host, port)
        database = Database(folder.database)
        database.migrate()
        fill(Records(database))
        typer.echo(f"Plimbo is at http://{host}:{port}  (Ctrl+C stops it)")
        if browser and has_screen():
            open_when_it_answers(host, port)
        serve_app(create_app(database, access), folder, listener)


def _access(host: str, names: list[str], proxy: str | None) -> Access:
    given = os.environ.get("PLIMBO_ACCESS_KEY") or None
    if host not in LOOPBACK and given is None:
        typer.echo(f"Refused: {host} can be reached from outside. Set PLIMBO_ACCESS_KEY to a key first.", err=True)
        raise typer.Exit(2)
    try:
        return Access(hosts=LOOPBACK | {host.lower(), *(name.lower() for name in names)}, key=given, proxy=proxy)
    except ValueError as error:
        typer.echo(f"Refused: {error}", err=True)
        raise typer.Exit(2) from None
