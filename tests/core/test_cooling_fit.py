"""A measured temperature corrects the cooling: made readings give back the factor that they were made with."""

from datetime import date

import numpy as np
import pytest
from pydantic import ValidationError

from plimbo.cli.demo_circuits import FENBANK
from plimbo.cli.demo_data import CARS
from plimbo.core import Cancelled, CoolingFit, DiscReading, Session, Setup, fit_cooling
from plimbo.core.documents import Face, ReadingKind
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.thermal.session_readings import of_both_sides, trace_of
from plimbo.core.thermal.session_run import SessionRun, run_inputs, run_session
from plimbo.core.verdicts.level import Level

TODAY = date(2026, 12, 1)
WREN, (SPRINT, *_) = CARS[0]
LAPS = Session(name="Fenbank", circuit=FENBANK, fast_laps=5, cool_down_laps=1)
CAR = WREN.model_copy(update={"sessions": (LAPS,)})


def made(axle: Axle, factor: float, setup: Setup = SPRINT) -> SessionRun:
    return run_session(run_inputs(CAR, setup.patched({f"{axle}.cooling.factor": factor}), LAPS, TODAY))


def in_the_park(run: SessionRun, axle: Axle, face: Face, seconds: float) -> float:
    stood = next(phase for phase in run.phases if phase.kind == "parked")
    disc = trace_of(run.braked, axle).disc_surface
    values = {Face.BOTH: of_both_sides(disc), Face.INNER: disc[:, 0], Face.OUTER: disc[:, 1]}[face]
    return float(np.interp(run.times[stood.begin - 1] + seconds, run.times, values))


def fit(reading: DiscReading, setup: Setup = SPRINT) -> CoolingFit:
    return fit_cooling(CAR, setup, LAPS, reading, TODAY)


@pytest.mark.parametrize("axle", AXLES)
@pytest.mark.parametrize(
    ("factor", "face", "seconds"), [(0.6, Face.BOTH, 30), (1.0, Face.OUTER, 120), (1.7, Face.INNER, 400)]
)
def test_a_probe_gives_back_the_factor(axle: Axle, factor: float, face: Face, seconds: float) -> None:
    temperature = in_the_park(made(axle, factor), axle, face, seconds)
    found = fit(DiscReading(axle=axle, face=face, temperature=temperature, after=seconds))
    assert found.factor == pytest.approx(factor, rel=0.01)
    assert found.low is not None
    assert found.high is not None
    assert found.low < found.factor < found.high
    hotter = found.low
    assert in_the_park(made(axle, hotter), axle, face, seconds) == pytest.approx(temperature + 10, abs=1.0)
    assert found.patch == {f"setup.{axle}.cooling.factor": found.factor}
    assert (found.level is Level.GOOD) == (factor == 1.0)


def test_what_it_changes_is_told_for_every_session_before_it_is_taken_over() -> None:
    temperature = in_the_park(made(Axle.FRONT, 0.7), Axle.FRONT, Face.BOTH, 120)
    found = fit(DiscReading(axle=Axle.FRONT, temperature=temperature))
    (row,) = found.sessions
    assert found.word == "Less air than taken"
    assert row.peak_then > row.peak + 30
    assert (row.level_then, row.word_then) == (Level.BAD, "Front too hot for the pads")
    corrected = SPRINT.patched({"front.cooling.factor": 0.7})
    assert fit(DiscReading(axle=Axle.FRONT, temperature=temperature), corrected).word == "The reading agrees"


def test_a_reading_that_no_air_explains_is_said_with_what_to_look_at() -> None:
    found = fit(DiscReading(axle=Axle.FRONT, temperature=1200.0))
    assert (found.factor, found.patch, found.sessions) == (None, None, ())
    assert found.word == "No air explains it"
    assert "drags" in found.text.text


def test_paint_agrees_inside_its_band_and_moves_to_its_nearer_end_outside() -> None:
    peak = float(trace_of(made(Axle.FRONT, 1.0).braked, Axle.FRONT).bulk.max())
    inside = DiscReading(axle=Axle.FRONT, kind=ReadingKind.PAINT, at_least=peak - 40, below=peak + 40)
    assert (fit(inside).word, fit(inside).patch) == ("The reading agrees", None)
    over = fit(DiscReading(axle=Axle.FRONT, kind=ReadingKind.PAINT, at_least=peak + 40, below=peak + 120))
    assert over.factor is not None
    assert float(trace_of(made(Axle.FRONT, over.factor).braked, Axle.FRONT).bulk.max()) == pytest.approx(
        peak + 40, abs=1.5
    )
    assert "at least" in over.text.text
    under = fit(DiscReading(axle=Axle.FRONT, kind=ReadingKind.PAINT, below=peak - 30))
    assert under.factor is not None
    assert under.factor > 1
    assert "stayed under" in under.text.text


@pytest.mark.parametrize(
    ("wrong", "message"),
    [
        ({}, "Give the temperature that the probe shows"),
        ({"kind": "paint"}, "Give the paint that turned"),
        ({"kind": "paint", "at_least": 800.0, "below": 700.0}, "must be for more heat"),
    ],
)
def test_a_reading_without_its_number_is_refused(wrong: dict[str, object], message: str) -> None:
    with pytest.raises(ValidationError, match=message):
        DiscReading.model_validate({"axle": "front", **wrong})


def test_it_ends_when_it_is_no_longer_wanted() -> None:
    with pytest.raises(Cancelled):
        fit_cooling(CAR, SPRINT, LAPS, DiscReading(axle=Axle.FRONT, temperature=650.0), TODAY, wanted=lambda: False)
