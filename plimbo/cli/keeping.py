"""`plimbo backup` and `restore`."""

from pathlib import Path
from typing import Annotated

import typer

from plimbo.cli.serving import Data
from plimbo.cli.words import DATA, in_words
from plimbo.store import DataFolder, NotABackup, back_up, back_up_into
from plimbo.store import restore as bring_back


def backup(
    target: Annotated[Path, typer.Argument(help="File to write; with --keep, the folder of the copies.")],
    data: Data = DATA,
    keep: Annotated[
        int | None,
        typer.Option(help="Write a further copy into the folder, and keep the last so many of a day.", min=1),
    ] = None,
) -> None:
    """Copy the database to a file, while the application may be running."""
    source = DataFolder(data).database
    with in_words(data):
        if not source.is_file():
            raise NotABackup(f"There is no database at {source}.")
        if keep is None:
            back_up(source, target)
        else:
            target = back_up_into(source, target, keep)
    typer.echo(f"Copied to {target}.")


def restore(
    file: Annotated[Path, typer.Argument(help="A backup, as `plimbo backup` makes it.")],
    data: Data = DATA,
    anyway: Annotated[
        bool,
        typer.Option("--anyway", help="Also if it has changed since it was made or something in it is damaged."),
    ] = False,
) -> None:
    """Restore a backup. The application must be stopped; the present database is kept as a named copy."""
    folder = DataFolder(data)
    with in_words(data), folder.held():
        aside = bring_back(folder, file, anyway=anyway)
    typer.echo(f"{file} is back in place.")
    if aside is not None:
        typer.echo(f"What was there before is kept as {aside}.")
