"""The command line: `plimbo serve`, `demo`, `assess`, `backup`, `schema`."""

import gc
import json
import os
from pathlib import Path
from typing import Annotated

import typer
from platformdirs import user_data_path
from pydantic import ValidationError

from plimbo.cli import demo_data
from plimbo.cli.table import print_assessment
from plimbo.core import OutOfRange, assess, how_sure
from plimbo.core.units import UnitSystem, shown
from plimbo.files import UnreadableFile, read_setup_file, setup_file_schema
from plimbo.server import Access, create_app
from plimbo.server.guard import LOOPBACK
from plimbo.server.problems import field_errors
from plimbo.store import Database, Records

app = typer.Typer(
    help="Plimbo sizes a race car's brakes, from the driver's foot to the road, and shows its working.",
    no_args_is_help=True,
    pretty_exceptions_enable=False,
)

DATA = user_data_path("plimbo", appauthor=False)
Data = Annotated[Path, typer.Option(help="Folder that holds the database.", envvar="PLIMBO_DATA")]
Port = Annotated[int, typer.Option(help="Port to listen on.", min=1, max=65535)]
Host = Annotated[str, typer.Option(help="Address to listen on; anything but loopback needs PLIMBO_ACCESS_KEY.")]
Name = Annotated[list[str] | None, typer.Option("--name", help="A further host name that visitors use.")]


def _open(data: Path) -> Database:
    database = Database(data / "plimbo.sqlite3")
    database.migrate()
    return database


def _serve(database: Database, host: str, port: int, names: list[str]) -> None:
    import uvicorn  # noqa: PLC0415  (the other commands start faster without it)

    key = os.environ.get("PLIMBO_ACCESS_KEY") or None
    if host not in LOOPBACK and key is None:
        typer.echo(f"Refused: {host} can be reached from outside. Set PLIMBO_ACCESS_KEY to a key first.", err=True)
        raise typer.Exit(2)
    access = Access(hosts=LOOPBACK | {host.lower(), *(name.lower() for name in names)}, key=key)
    typer.echo(f"Plimbo is at http://{host}:{port}  (Ctrl+C stops it)")
    served = create_app(database, access)
    gc.freeze()  # what is loaded now stays: the collector need not walk through it again and again
    uvicorn.run(served, host=host, port=port, log_level="warning", server_header=False)


@app.command()
def serve(data: Data = DATA, host: Host = "127.0.0.1", port: Port = 8420, name: Name = None) -> None:
    """Serve the application on this machine."""
    _serve(_open(data), host, port, name or [])


@app.command()
def demo(data: Data = DATA / "demo", host: Host = "127.0.0.1", port: Port = 8420, name: Name = None) -> None:
    """Serve it with the demo cars; what you change in them is kept."""
    database = _open(data)
    demo_data.load(Records(database))
    _serve(database, host, port, name or [])


@app.command("assess")
def assess_file(
    file: Annotated[Path, typer.Argument(help="A setup file, as the application saves it.", exists=True)],
    as_json: Annotated[bool, typer.Option("--json", help="Print everything as JSON, SI units.")] = False,
    units: Annotated[UnitSystem, typer.Option(help="Units of the table.")] = UnitSystem.MIXED,
) -> None:
    """Print the same answers as the screen."""
    try:
        read = read_setup_file(file.read_bytes())
        answer = assess(read.car, read.setup)
    except UnreadableFile as error:
        typer.echo(f"{file}: {error}", err=True)
        raise typer.Exit(1) from None
    except OutOfRange as error:
        limit = shown(*error.limit, units) if error.limit else ""
        typer.echo(f"{file}: {error.path}: {error.message.replace('{limit}', limit)}", err=True)
        raise typer.Exit(1) from None
    except ValidationError as error:
        for wrong in field_errors(error.errors()):
            typer.echo(f"{file}: {wrong.path}: {wrong.told()}", err=True)
        raise typer.Exit(1) from None
    if as_json:
        typer.echo(answer.model_dump_json(indent=2))
    else:
        print_assessment(read.car, read.setup, answer, how_sure(read.car, read.setup), units)


@app.command()
def backup(target: Annotated[Path, typer.Argument(help="File to write.")], data: Data = DATA) -> None:
    """Copy the database to a file, while the application may be running."""
    source = data / "plimbo.sqlite3"
    if not source.is_file():
        typer.echo(f"There is no database at {source}.", err=True)
        raise typer.Exit(1)
    database = Database(source)
    database.backup(target)
    database.close()
    typer.echo(f"Copied to {target}.")


@app.command()
def schema() -> None:
    """Print the JSON Schema of the setup file."""
    typer.echo(json.dumps(setup_file_schema(), indent=2, ensure_ascii=False))
