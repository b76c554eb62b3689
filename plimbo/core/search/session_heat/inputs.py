"""The inputs that the heat of a session depends on: one changed at a time. Importing this is slow: it loads compiled
code.
"""

from collections.abc import Iterator
from datetime import date
from typing import Any

from pydantic import ValidationError

from plimbo.core.documents import AxleBrake, Car, Session, Setup
from plimbo.core.friction.pad_classes import pad_class
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.cancellation import Wanted, always, raise_if_cancelled
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.search.session_heat.answers import Sensitivity
from plimbo.core.search.session_heat.changes import with_values
from plimbo.core.verdicts.session_heat.judging import judged_session


def sensitivities(
    car: Car, setup: Setup, session: Session, today: date, wanted: Wanted = always
) -> tuple[Sensitivity, ...]:
    """The sensitivity of peaks, hottest fluid, one stop and cracks to one input at a time, the largest first.

    Raises `Cancelled` when the answer is no longer needed.
    """
    before = judged_session(car, setup, session, today).readings
    found = []
    for title, patch in _moved(car, setup, session):
        raise_if_cancelled(wanted)
        try:
            moved = judged_session(*with_values(car, setup, session, patch), today).readings
        except (ValidationError, OutOfRange):
            continue
        found.append(
            Sensitivity(
                title=title,
                front_peak=moved.front.surface_peak.value - before.front.surface_peak.value,
                rear_peak=moved.rear.surface_peak.value - before.rear.surface_peak.value,
                fluid=moved.hottest_fluid - before.hottest_fluid,
                stop_rise=moved.front.stop_rise.value - before.front.stop_rise.value,
                crack=moved.front.crack.value - before.front.crack.value,
            )
        )
    return tuple(sorted(found, key=lambda one: -max(abs(one.front_peak), abs(one.rear_peak), abs(one.fluid))))


def _moved(car: Car, setup: Setup, session: Session) -> Iterator[tuple[str, dict[str, Any]]]:
    """Inputs changed by their usual uncertainty, or by a usual step."""
    if car.power is not None:
        yield "Engine power +10 %", {"car.power": car.power * 1.1}
    yield "Pace −5 %", {"session.pace": session.pace * 0.95}
    yield "Tyre grip +0.1", {f"car.{end}_tyre.friction": tyre.friction + 0.1 for end, tyre in _tyres(car)}
    yield (
        "Air at the discs +20 %",
        {f"setup.{axle}.cooling.factor": min(3.0, brake.cooling.factor * 1.2) for axle, brake in _ends(setup)},
    )
    warm = session.air(car.air).temperature
    yield "Day 15 K warmer", {"session.ambient": min(335.0, warm + 15)}
    yield "Drag area +10 %", {"car.drag_area": min(4.0, max(0.05, car.drag_area * 1.1))}
    heavier: dict[str, Any] = {}
    for axle, brake in _ends(setup):
        heavier |= {
            f"setup.{axle}.disc.thickness": brake.disc.thickness * 1.15,
            f"setup.{axle}.disc.weighed_mass": None,
        }
    yield "Discs 15 % thicker", heavier
    yield "Pads half worn", {f"setup.{axle}.pad.worn": brake.pad.thickness * 0.5 for axle, brake in _ends(setup)}
    yield (
        "Pads conduct half as much again",
        {
            f"setup.{axle}.pad.conductivity": min(80.0, pad_class(brake.pad).conductivity * 1.5)
            for axle, brake in _ends(setup)
        },
    )


def _tyres(car: Car) -> tuple[tuple[str, Any], ...]:
    return ("front", car.front_tyre), ("rear", car.rear_tyre)


def _ends(setup: Setup) -> tuple[tuple[Axle, AxleBrake], ...]:
    return (Axle.FRONT, setup.front), (Axle.REAR, setup.rear)
