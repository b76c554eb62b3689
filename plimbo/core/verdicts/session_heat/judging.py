"""A simulated and judged session. Importing this is slow: it loads compiled code."""

from datetime import date
from typing import NamedTuple

import numpy as np

from plimbo.core.documents import Car, Session, Setup
from plimbo.core.quantities.axles import AXLES
from plimbo.core.thermal.readings import Moment, SessionReadings
from plimbo.core.thermal.session_readings import fast_phases, session_readings, trace_of
from plimbo.core.thermal.session_run import RunInputs, SessionRun, run_inputs, run_session, run_to_the_grid
from plimbo.core.verdicts.session_heat.findings import HeatEvidence, HeatVerdict
from plimbo.core.verdicts.session_heat.verdict import heat_verdict

# From the end of the way to the grid to the start, s. Common practice.
GRID_WAIT = 180.0


class JudgedSession(NamedTuple):
    """A simulated session, its readings, and the verdict."""

    run: SessionRun
    judged: HeatEvidence
    verdict: HeatVerdict

    @property
    def inputs(self) -> RunInputs:
        return self.run.inputs

    @property
    def readings(self) -> SessionReadings:
        return self.judged.readings


def judged_session(car: Car, setup: Setup, session: Session, today: date) -> JudgedSession:
    """Raises `OutOfRange` where a lap cannot be calculated."""
    inputs = run_inputs(car, setup, session, today)
    run = run_session(inputs)
    readings = session_readings(run, car, setup)
    front, rear = (bite_at(inputs, place, readings.axle(axle).surface_peak.value) for place, axle in enumerate(AXLES))
    judged = HeatEvidence(
        car,
        setup,
        session,
        readings,
        inputs.fluid,
        from_the_grid(inputs),
        inputs.ideal_share,
        float(inputs.chain.force_share),
        (front, rear),
    )
    return JudgedSession(run, judged, heat_verdict(judged))


def from_the_grid(inputs: RunInputs) -> tuple[tuple[Moment, float], tuple[Moment, float]]:
    """The first corner after a wait on the grid, for each axle."""
    front, rear = first_corner(run_to_the_grid(inputs, GRID_WAIT))
    return front, rear


def first_corner(run: SessionRun) -> list[tuple[Moment, float]]:
    """The first braking of the last fast lap: temperature of each axle's surface, and its friction as a share of the
    best that it has between the ends of its window.
    """
    inputs, lap = run.inputs, fast_phases(run)[-1]
    at = lap.zones[0][0] if lap.zones else lap.begin
    name = lap.lap.zones[0].name if lap.lap and lap.lap.zones else ""
    found = []
    for place, axle in enumerate(AXLES):
        surface = float(trace_of(run.braked, axle).disc_surface[max(0, at - 1)].mean())
        found.append((Moment(surface, name), bite_at(inputs, place, surface)))
    return found


def bite_at(inputs: RunInputs, place: int, surface: float) -> float:
    """Friction of the pads of an axle, 0 the front, at a temperature of the disc, K, as a share of the best that they
    have between the ends of their window.
    """
    frictions = inputs.pedal.front_friction if place == 0 else inputs.pedal.rear_friction
    temperatures = inputs.pedal.first + inputs.pedal.apart * np.arange(len(frictions))
    low, high = inputs.windows[place]
    best = float(frictions[(temperatures >= low) & (temperatures <= high)].max())
    return float(np.interp(surface, temperatures, frictions)) / best
