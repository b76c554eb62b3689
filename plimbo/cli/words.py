"""Errors in one line instead of a trace."""

import logging
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import typer
from platformdirs import user_data_path

from plimbo.server.run import NoPort, log_to
from plimbo.store import DataFolder, InUse, NotABackup, StoreFault

DATA = user_data_path("plimbo", appauthor=False)


@contextmanager
def in_words(folder: Path) -> Iterator[None]:
    """Ends the command with status 1 and a message: what happened, what is safe and what to do."""
    try:
        yield
    except (InUse, NoPort, NotABackup, StoreFault) as error:
        typer.echo(str(error), err=True)
        raise typer.Exit(1) from None
    except typer.Exit:
        raise
    except Exception as error:
        data = DataFolder(folder)
        log_to(data)
        logging.getLogger("plimbo").error("Plimbo made a mistake; where, is in %s", data.log, exc_info=error)
        raise typer.Exit(1) from None
