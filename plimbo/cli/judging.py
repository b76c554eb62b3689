"""`plimbo assess` and `schema`: setup files, without a database."""

import json
from pathlib import Path
from typing import Annotated

import typer
from pydantic import ValidationError

from plimbo.core import (
    OutOfRange,
    UnreadableFile,
    assess,
    estimate_uncertainty,
    find_mends,
    judge_heat,
    plan_changes,
    read_setup_file,
)
from plimbo.core.quantities.refusals import field_errors, refusal_of
from plimbo.core.quantities.units import UnitSystem
from plimbo.core.verdicts.level import SEVERITY
from plimbo.core.working.compiled_code import is_complete
from plimbo.store.record_file import setup_file_schema

# Exit status of `plimbo assess`, for scripts; of a setup that is read it is the severity of its worst level.
UNREADABLE = 3


def assess_file(
    file: Annotated[Path, typer.Argument(help="A setup file, as the application saves it.")],
    state: Annotated[str | None, typer.Option(help="Print the numbers of this state too.")] = None,
    all_states: Annotated[bool, typer.Option("--all", help="Print the numbers of every state too.")] = False,
    as_json: Annotated[bool, typer.Option("--json", help="Print everything as JSON, SI units.")] = False,
    units: Annotated[UnitSystem, typer.Option(help="Units of the tables.")] = UnitSystem.MIXED,
) -> None:
    """Judge a setup file: the verdicts, the heat of its sessions and the worst states, as on the screen.

    Ends with status 0 if all is sound, 1 if something is to be watched, 2 if something is bad, 3 if the file cannot be
    read or answered.
    """
    try:
        read = read_setup_file(file.read_bytes())
        answer = assess(read.car, read.setup, with_working=as_json)
        if read.car.sessions and not is_complete():
            typer.echo("Compiling the simulation of heat, once on this machine: about half a minute.", err=True)
            from plimbo.core.thermal.warm_up import warm_up  # noqa: PLC0415  (loads the compiler)

            warm_up()
        heat, sure = judge_heat(read.car, read.setup), estimate_uncertainty(read.car, read.setup)
        if heat.trouble:
            raise _unreadable(f"{file}: {heat.trouble.path}: {heat.trouble.text(units)}")
    except OSError as error:
        raise _unreadable(f"{file}: {error.strerror or error}.") from None
    except UnreadableFile as error:
        raise _unreadable(f"{file}: {error}") from None
    except OutOfRange as error:
        raise _unreadable(f"{file}: {error.path}: {refusal_of(error).text(units)}") from None
    except ValidationError as error:
        wrong = [f"{file}: {one.path}: {one.text()}" for one in field_errors(error.errors())]
        raise _unreadable("\n".join(wrong)) from None
    names = [one.state.name for one in answer.states]
    if state is not None and state not in names:
        raise _unreadable(f"{file}: there is no state “{state}”, but {', '.join(f'“{name}”' for name in names)}.")
    if as_json:
        both = answer.model_dump(mode="json") | {
            "heat": heat.model_dump(mode="json"),
            "uncertainty": sure.model_dump(mode="json"),
        }
        typer.echo(json.dumps(both, indent=2, ensure_ascii=False))
    else:
        from plimbo.cli.report import print_assessment  # noqa: PLC0415  (a starting server needs no tables)

        tables = names if all_states else [state] if state is not None else []
        mends = find_mends(read.car, read.setup, in_doubt=sure.in_doubt)
        print_assessment(read, answer, mends, sure, heat, tables, units, plan_changes(read.car, read.setup))
    levels = [
        sure.verdict.level,
        *(verdict.level for verdict in answer.verdicts),
        *(verdict.level for verdict in heat.sessions),
    ]
    raise typer.Exit(max(SEVERITY[level] for level in levels))


def _unreadable(words: str) -> typer.Exit:
    typer.echo(words, err=True)
    return typer.Exit(UNREADABLE)


def schema() -> None:
    """Print the JSON Schema of the setup file."""
    typer.echo(json.dumps(setup_file_schema(), indent=2, ensure_ascii=False))
