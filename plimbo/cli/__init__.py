"""The command line: `plimbo serve`, `demo`, `assess`, `backup`, `schema`."""

import json
import os
from pathlib import Path
from typing import Annotated

import typer
from platformdirs import user_data_path
from pydantic import ValidationError

from plimbo.cli import demo_data
from plimbo.cli.report import print_assessment
from plimbo.core import OutOfRange, UnreadableFile, assess, estimate_uncertainty, read_setup_file
from plimbo.core.quantities.refusals import field_errors
from plimbo.core.quantities.units import UnitSystem, shown
from plimbo.core.verdicts.level import Level
from plimbo.files import setup_file_schema
from plimbo.server import Access, create_app, rest_the_collector
from plimbo.server.guard import LOOPBACK
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
    rest_the_collector()
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


# What `plimbo assess` ends with, for scripts.
SEVERITY_STATUS = {Level.GOOD: 0, Level.WATCH: 1, Level.BAD: 2}
UNREADABLE = 3


@app.command("assess")
def assess_file(
    file: Annotated[Path, typer.Argument(help="A setup file, as the application saves it.")],
    state: Annotated[str | None, typer.Option(help="Print the numbers of this state too.")] = None,
    all_states: Annotated[bool, typer.Option("--all", help="Print the numbers of every state too.")] = False,
    as_json: Annotated[bool, typer.Option("--json", help="Print everything as JSON, SI units.")] = False,
    units: Annotated[UnitSystem, typer.Option(help="Units of the tables.")] = UnitSystem.MIXED,
) -> None:
    """Judge a setup file: the verdicts and the worst states, as on the screen.

    Ends with status 0 where all is sound, 1 where something is to be watched, 2 where something is bad, 3 where the
    file cannot be read or answered.
    """
    try:
        read = read_setup_file(file.read_bytes())
        answer = assess(read.car, read.setup, with_working=as_json)
    except OSError as error:
        raise _unreadable(f"{file}: {error.strerror or error}.") from None
    except UnreadableFile as error:
        raise _unreadable(f"{file}: {error}") from None
    except OutOfRange as error:
        limit = shown(*error.limit, units) if error.limit else ""
        raise _unreadable(f"{file}: {error.path}: {error.message.replace('{limit}', limit)}") from None
    except ValidationError as error:
        wrong = [f"{file}: {one.path}: {one.text()}" for one in field_errors(error.errors())]
        raise _unreadable("\n".join(wrong)) from None
    names = [one.state.name for one in answer.states]
    if state is not None and state not in names:
        raise _unreadable(f"{file}: there is no state “{state}”, but {', '.join(f'“{name}”' for name in names)}.")
    if as_json:
        typer.echo(answer.model_dump_json(indent=2))
    else:
        tables = names if all_states else [state] if state is not None else []
        print_assessment(read, answer, estimate_uncertainty(read.car, read.setup), tables, units)
    raise typer.Exit(max(SEVERITY_STATUS[verdict.level] for verdict in answer.verdicts))


def _unreadable(words: str) -> typer.Exit:
    typer.echo(words, err=True)
    return typer.Exit(UNREADABLE)


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
