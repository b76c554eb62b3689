"""A session run and judged. Importing this takes a moment: it stands on compiled code."""

from datetime import date
from typing import NamedTuple

import numpy as np

from plimbo.core.documents import Car, Session, Setup
from plimbo.core.quantities.axles import AXLES
from plimbo.core.thermal.read_off import fast_parts, session_readings, trace_of
from plimbo.core.thermal.readings import Moment, SessionReadings
from plimbo.core.thermal.session_run import SessionRun, Stage, run_session, run_to_the_grid, stage_for
from plimbo.core.verdicts.session_heat.shapes import HeatVerdict, Judged
from plimbo.core.verdicts.session_heat.verdict import heat_verdict

# From the end of the way to the grid to the start, s. Common practice.
GRID_WAIT = 180.0


class JudgedSession(NamedTuple):
    """A session as it was run, what was read off it, and the verdict."""

    run: SessionRun
    judged: Judged
    verdict: HeatVerdict

    @property
    def stage(self) -> Stage:
        return self.run.stage

    @property
    def readings(self) -> SessionReadings:
        return self.judged.readings


def judged_session(car: Car, setup: Setup, session: Session, today: date) -> JudgedSession:
    """Raises `OutOfRange` where a lap cannot be worked out."""
    stage = stage_for(car, setup, session, today)
    run = run_session(stage)
    judged = Judged(
        car,
        setup,
        session,
        session_readings(run, car, setup),
        stage.fluid,
        from_the_grid(stage),
        stage.ideal_share,
        float(stage.chain.force_share),
    )
    return JudgedSession(run, judged, heat_verdict(judged))


def from_the_grid(stage: Stage) -> tuple[tuple[Moment, float], tuple[Moment, float]]:
    """The first corner after a wait on the grid, of each axle."""
    front, rear = first_corner(run_to_the_grid(stage, GRID_WAIT))
    return front, rear


def first_corner(run: SessionRun) -> list[tuple[Moment, float]]:
    """The first braking of the last fast lap: temperature of each axle's surface, and its friction as a share of the
    best that it has between the ends of its window.
    """
    stage, lap = run.stage, fast_parts(run)[-1]
    at = lap.zones[0][0] if lap.zones else lap.begin
    name = lap.lap.zones[0].name if lap.lap and lap.lap.zones else ""
    found = []
    for place, axle in enumerate(AXLES):
        surface = float(trace_of(run.braked, axle).disc_surface[max(0, at - 1)].mean())
        frictions = stage.pedal.front_friction if place == 0 else stage.pedal.rear_friction
        temperatures = stage.pedal.first + stage.pedal.apart * np.arange(len(frictions))
        low, high = stage.windows[place]
        best = float(frictions[(temperatures >= low) & (temperatures <= high)].max())
        found.append((Moment(surface, name), float(np.interp(surface, temperatures, frictions)) / best))
    return found
