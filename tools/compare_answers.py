"""Writes all answers of the demo's setups to a file, and compares two such files: for changes that must not change an
answer.

    python -m tools.compare_answers write FILE       with the code as it is
    python -m tools.compare_answers compare OLD NEW

Numbers count as equal within 1e-9 of their size; enumerations are written by the names of their members.
"""

import json
import math
import sys
from collections.abc import Iterator
from datetime import date
from enum import Enum
from pathlib import Path
from typing import Any

from pydantic import BaseModel

from plimbo import core
from plimbo.cli.demo_data import CARS

TODAY = date(2026, 11, 27)
TOLERANCE = 1e-9


def plain(value: Any) -> Any:
    """An answer as JSON values."""
    if isinstance(value, BaseModel):
        return {name: plain(getattr(value, name)) for name in type(value).model_fields}
    if isinstance(value, Enum):
        return value.name.lower()
    if isinstance(value, dict):
        return {plain(key): plain(inner) for key, inner in value.items()}
    if isinstance(value, list | tuple):
        return [plain(inner) for inner in value]
    return str(value) if isinstance(value, date) else value


def of_setup(car: core.Car, setup: core.Setup) -> dict[str, Any]:
    """The answers to every question about a setup of a car."""
    found: dict[str, Any] = {
        "assess": core.assess(car, setup, with_working=True),
        "hydraulics": core.analyse_hydraulics(car, setup, with_working=True),
        "survey": core.survey(car, setup, with_working=True),
        "uncertainty": core.estimate_uncertainty(car, setup),
        "mends": core.find_mends(car, setup),
        "cylinders": core.compare_cylinders(car, setup, "60 % by pressure"),
        "measurements": core.evaluate_measurements(car, with_working=True),
        "unmeasured": core.rank_unmeasured(car, setup),
        "judged": core.judge_heat(car, setup, TODAY),
    }
    for session in car.sessions:
        found[f"session {session.name}"] = core.simulate_session(car, setup, session, TODAY, with_working=True)
        found[f"session mends {session.name}"] = core.mend_heat(car, setup, session, TODAY)
        found[f"session inputs {session.name}"] = core.inspect_heat(car, setup, session, TODAY)
    for axle in core.Axle:
        found[f"air {axle}"] = core.analyse_air(car, setup, axle, None, 40.0, with_working=True)
        found[f"worth {axle}"] = core.inspect_duct(car, setup, car.sessions[0], axle, TODAY)
        found[f"sizing {axle}"] = core.size_duct(car, setup, axle, TODAY)
    return {name: plain(answer) for name, answer in found.items()}


def write(file: Path) -> None:
    """The answers of every demo setup, and of a new car of every kind."""
    found: dict[str, Any] = {}
    for car, setups in CARS:
        for setup in setups:
            found[f"{car.name} {setup.name}"] = of_setup(car, setup)
    for kind in core.CarKind:
        new = core.begin_car("New", kind)
        found[f"new {kind.name}"] = {
            "car": plain(new),
            "assess": plain(core.assess(new.car, new.setup)),
            "unmeasured": plain(core.rank_unmeasured(new.car, new.setup)),
        }
    file.write_text(json.dumps(found))


def differences(old: Any, new: Any, path: str) -> Iterator[str]:
    """The differences of two answers, a line each."""
    if isinstance(old, dict) and isinstance(new, dict):
        for name in old.keys() | new.keys():
            inner = f"{path} / {name}"
            if name not in old or name not in new:
                yield f"{inner}: only in {'the new' if name in new else 'the old'}"
            else:
                yield from differences(old[name], new[name], inner)
    elif isinstance(old, list) and isinstance(new, list) and len(old) == len(new):
        for place, (before, after) in enumerate(zip(old, new, strict=True)):
            yield from differences(before, after, f"{path} / {place}")
    elif isinstance(old, float | int) and isinstance(new, float | int):
        if not math.isclose(old, new, rel_tol=TOLERANCE, abs_tol=TOLERANCE * 1e-6):
            yield f"{path}: {old} → {new}"
    elif old != new:
        yield f"{path}: {str(old)[:80]} → {str(new)[:80]}"


def main(arguments: list[str]) -> int:
    if arguments[:1] == ["write"]:
        write(Path(arguments[1]))
        return 0
    old, new = (json.loads(Path(name).read_text()) for name in arguments[1:3])
    found = list(differences(old, new, ""))
    print("\n".join(found) if found else "no difference")
    return 1 if found else 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
