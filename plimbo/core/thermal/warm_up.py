"""Compiles the kernel, so that the first answer need not wait for it: `python -m plimbo.core.thermal.warm_up`.

Run once after an installation. The compiled code is kept for this content of the core, see `working/compiled_code.py`.
"""

import os
from datetime import date

from plimbo.core.documents import (
    AxleBrake,
    BalanceBar,
    Caliper,
    Car,
    Circuit,
    CircuitSection,
    Disc,
    MasterCylinder,
    Pad,
    Pedal,
    Session,
    Setup,
    Tyre,
)
from plimbo.core.thermal.session_run import run_inputs, run_session
from plimbo.core.working.compiled_code import mark_complete


def warm_up() -> None:
    """One short session of any car compiles all of it."""
    tyre = Tyre(loaded_radius=0.29)
    car = Car(
        name="any", mass=800, front_share=0.5, wheelbase=2.4, cg_height=0.4, front_tyre=tyre, rear_tyre=tyre,
        top_speed=55, power=1e5,
    )  # fmt: skip
    brake = AxleBrake(
        master_cylinder=MasterCylinder(bore=0.02),
        caliper=Caliper(pistons=(0.038, 0.038)),
        disc=Disc(outer_diameter=0.28, thickness=0.024, ring_height=0.05, vane_gap=0.008),
        pad=Pad(height=0.045, length=0.1),
    )
    setup = Setup(name="any", pedal=Pedal(ratio=5.0), balance_bar=BalanceBar(length=0.064), front=brake, rear=brake)
    circuit = Circuit(name="any", sections=(CircuitSection(length=400), CircuitSection(length=60, radius=40)))
    run_session(run_inputs(car, setup, Session(name="any", circuit=circuit, fast_laps=1), date(2026, 1, 1)))
    mark_complete()


if __name__ == "__main__":
    if hasattr(os, "nice"):
        os.nice(10)
    warm_up()
