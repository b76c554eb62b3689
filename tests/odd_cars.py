"""Odd cars, what is said of each and the first three lines of advice: `python -m tests.odd_cars` prints them again.

What it prints is kept in `odd_cars.txt`, where each line has been read as a mechanic would.
"""

import tempfile
from pathlib import Path

from typer.testing import CliRunner

from plimbo.cli import app, demo_data
from plimbo.core import Car, Setup, write_setup_file
from plimbo.core.documents import State, Surface
from tests import w1

KEPT = Path(__file__).with_name("odd_cars.txt")
TRIES = 3

_DUNNOCK, (_STOCK, *_) = demo_data.CARS[1]
_PIPIT, (_GRAVEL, *_) = demo_data.CARS[2]
_NO_WINGS = {"front_lift_area": 0.0, "rear_lift_area": 0.0}


def _states(speed: float) -> tuple[State, ...]:
    return State(name="Dry", track=Surface.DRY, speed=speed), State(name="Wet", track=Surface.WET, speed=speed)


def _car(name: str, **changes: object) -> Car:
    return w1.CAR.patched(_NO_WINGS | {"name": name, "states": _states(30)} | changes)


def _saloon(name: str, setup: dict[str, object], **changes: object) -> tuple[Car, Setup]:
    car = _DUNNOCK.patched({"name": name, "sessions": (), "original.anti_lock": False} | changes)
    return car, _STOCK.patched({"name": "As it stands"} | setup)


def _racer(name: str, setup: dict[str, object], **changes: object) -> tuple[Car, Setup]:
    return _car(name, **changes), w1.SETUP.patched({"name": "As it stands"} | setup)


CARS: tuple[tuple[Car, Setup], ...] = (
    _racer(
        "Light, 350 kg",
        {"front.caliper.pistons": [0.0318, 0.0318], "rear.caliper.pistons": [0.0254, 0.0254]},
        mass=350,
        front_share=0.42,
        wheelbase=1.9,
        cg_height=0.28,
    ),
    _racer("Heavy, 1900 kg", {"pedal.ratio": 6.0}, mass=1900, front_share=0.52, wheelbase=2.9, cg_height=0.52),
    _racer(
        "Nose-heavy",
        {},
        mass=900,
        front_share=0.65,
        cg_height=0.45,
        wheelbase=2.4,
        **{"front_tyre.friction": 1.1, "rear_tyre.friction": 1.1},
    ),
    _racer(
        "Tail-heavy",
        {"front.master_cylinder.bore": 0.015875},
        mass=900,
        front_share=0.36,
        cg_height=0.45,
        wheelbase=2.4,
    ),
    (
        w1.CAR.patched({"name": "Winged", "front_lift_area": 1.6, "rear_lift_area": 2.4, "top_speed": 75.0}),
        w1.SETUP.patched({"name": "As it stands", "rear.master_cylinder.bore": 0.022225}),
    ),
    (_PIPIT.patched({"name": "Gravel", "sessions": ()}), _GRAVEL.patched({"name": "As it stands"})),
    _saloon("Boosted", {}),
    _saloon("No booster", {"booster.fitted": False}),
    _saloon("Limiting valve", {"valve.kind": "screw", "valve.knee": 15e5, "valve.slope": 0.0}),
    _racer(
        "Rear-engined, equal calipers",
        {
            "rear.caliper.pistons": [0.0381, 0.0413],
            "rear.master_cylinder.bore": 0.01778,
            "rear.pad.height": 0.044,
        },
        mass=1050,
        front_share=0.38,
        wheelbase=2.27,
        cg_height=0.48,
    ),
    _racer("Long pedal, 2 % air", {"rear.master_cylinder.bore": 0.022225, "fluid.air": 0.02, "pedal.room": 0.1}),
    _racer("Useless rear", {"rear.caliper.pistons": [0.0222], "rear.pad.friction": 0.25}),
    _racer(
        "Hot light discs",
        {
            "rear.master_cylinder.bore": 0.022225,
            "front.disc.thickness": 0.012,
            "front.disc.vane_gap": 0.003,
            "rear.disc.thickness": 0.01,
            "rear.disc.vane_gap": 0.0,
        },
        top_speed=70.0,
    ),
)


def answer(car: Car, setup: Setup) -> str:
    """The verdicts and the first lines of advice, as the command line prints them."""
    with tempfile.TemporaryDirectory() as folder:
        file = Path(folder) / "car.plimbo.json"
        file.write_text(write_setup_file(car, setup))
        printed = CliRunner().invoke(app, ["assess", str(file)], env={"COLUMNS": "1000"})
    lines, tries = [], 0
    for line in printed.output.splitlines():
        if line.startswith(" ") or line.split(":")[0] in ("Lock order", "Leg", "Travel", "Heat, one stop", "Plan"):
            tries = tries + 1 if line.startswith("  try ") else 0
            if tries <= TRIES and not line.strip().startswith(("state", "locks first")):
                lines.append(line.rstrip())
        if line.startswith("Worst states"):
            break
    return "\n".join([f"== {car.name} ==", *lines, f"status {printed.exit_code}"])


def told_of_all() -> str:
    return "\n\n".join(answer(car, setup) for car, setup in CARS) + "\n"


if __name__ == "__main__":
    KEPT.write_text(told_of_all())
