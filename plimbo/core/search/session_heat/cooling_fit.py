"""The cooling factor of an axle that a measured temperature of its disc gives.

Importing this is slow: it loads compiled code.
"""

from collections.abc import Callable
from datetime import date
from functools import cache
from typing import Any, NamedTuple

import numpy as np
from scipy.optimize import brentq

from plimbo.core.documents import Car, DiscReading, Face, ReadingKind, Session, Setup
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.cancellation import Wanted, always, raise_if_cancelled
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.search.session_heat.answers import CoolingFit, FittedSession
from plimbo.core.thermal.session_plan import PARKED
from plimbo.core.thermal.session_readings import of_both_sides, trace_of
from plimbo.core.thermal.session_run import run_inputs, run_session
from plimbo.core.verdicts.level import Level
from plimbo.core.verdicts.session_heat.judging import judged_session

# The factors that are tried; nearer than this a factor is found.
LEAST, MOST, NEAR = 0.3, 3.0, 0.002
# Outside these a fault of the car is more likely than its air. Plimbo's own.
ODD_UNDER, ODD_OVER = 0.5, 2.0


class Fitted(NamedTuple):
    """The factor and the ends of its interval; none where no factor gives the temperature."""

    factor: float | None
    low: float | None
    high: float | None


def factor_for(temperature_with: Callable[[float], float], wanted: float) -> float | None:
    """The factor with which a simulated temperature, K, is the wanted one; none where none from 0.3 to 3 gives it."""
    if not temperature_with(MOST) <= wanted <= temperature_with(LEAST):
        return None
    return float(brentq(lambda factor: temperature_with(factor) - wanted, LEAST, MOST, xtol=NEAR))


def fitted_cooling(
    car: Car, setup: Setup, session: Session, reading: DiscReading, today: date, wanted: Wanted = always
) -> CoolingFit:
    """Solved on this session; the answer has every session of the car before and after.

    Raises `OutOfRange` where a lap cannot be calculated, `Cancelled` when the answer is no longer needed.
    """
    path, now = f"{reading.axle}.cooling.factor", setup.brake(reading.axle).cooling.factor

    @cache
    def with_factor(factor: float) -> float:
        raise_if_cancelled(wanted)
        return _simulated(car, setup.patched({path: factor}), session, reading, today)

    expected = with_factor(now)
    fitted = _by_probe(with_factor, reading) if reading.kind is ReadingKind.PROBE else _by_paint(with_factor, reading)
    agrees = fitted.factor is not None and (fitted.low or LEAST) <= now <= (fitted.high or MOST)
    taken = None if reading.kind is ReadingKind.PAINT and agrees else _taken(fitted, reading, now)
    word, text = _words(fitted, reading, expected, now, agrees=agrees, limits=(with_factor(MOST), with_factor(LEAST)))
    return CoolingFit(
        axle=reading.axle,
        session=session.name,
        expected=expected,
        now=now,
        factor=taken,
        low=fitted.low,
        high=fitted.high,
        level=Level.GOOD if agrees else Level.WATCH,
        word=word,
        text=text,
        sessions=() if taken is None else tuple(_sessions(car, setup, reading.axle, {path: taken}, today, wanted)),
        patch=None if taken is None else {f"setup.{path}": taken},
    )


def _simulated(car: Car, setup: Setup, session: Session, reading: DiscReading, today: date) -> float:
    """What the reading would be by the model, K."""
    if reading.kind is ReadingKind.PROBE:
        session = session.patched({"parked": max(session.parked, reading.after + 1.0)})
    run = run_session(run_inputs(car, setup, session, today))
    trace = trace_of(run.braked, reading.axle)
    if reading.kind is ReadingKind.PAINT:
        return float(trace.bulk.max())
    stood = [phase for phase in run.phases if phase.kind == PARKED][-1]
    faces = {
        Face.BOTH: of_both_sides(trace.disc_surface),
        Face.INNER: trace.disc_surface[:, 0],
        Face.OUTER: trace.disc_surface[:, 1],
    }
    return float(np.interp(run.times[stood.begin - 1] + reading.after, run.times, faces[reading.face]))


def _by_probe(with_factor: Callable[[float], float], reading: DiscReading) -> Fitted:
    read = reading.temperature or 0.0
    # A hotter disc has less air.
    return Fitted(
        factor_for(with_factor, read),
        factor_for(with_factor, read + reading.error),
        factor_for(with_factor, read - reading.error),
    )


def _by_paint(with_factor: Callable[[float], float], reading: DiscReading) -> Fitted:
    low = None if reading.below is None else factor_for(with_factor, reading.below)
    high = None if reading.at_least is None else factor_for(with_factor, reading.at_least)
    hottest, coldest = with_factor(LEAST), with_factor(MOST)
    if (reading.at_least or 0.0) > hottest or (reading.below or 1e9) < coldest:
        return Fitted(None, None, None)
    ends = [one for one in (low, high) if one is not None]
    return Fitted(sum(ends) / len(ends) if ends else 1.0, low, high)


def _taken(fitted: Fitted, reading: DiscReading, now: float) -> float | None:
    """A probe's factor; of a band its end nearer to the factor so far."""
    if fitted.factor is None:
        return None
    if reading.kind is ReadingKind.PROBE:
        return round(fitted.factor, 3)
    ends = [one for one in (fitted.low, fitted.high) if one is not None]
    nearer: float = min(ends, key=lambda one: abs(one - now))
    return round(nearer, 3)


def _words(
    fitted: Fitted, reading: DiscReading, expected: float, now: float, *, agrees: bool, limits: tuple[float, float]
) -> tuple[str, Phrase]:
    axle = reading.axle
    if fitted.factor is None:
        return "No air explains it", phrase(
            f"Whatever the air at the {axle} discs, from a third to three times of what is taken, they would be between"
            " {coldest} and {hottest} there. Look at the reading and its time, at pace and laps, and for a pad that"
            " drags.",
            coldest=(limits[0], "temperature"),
            hottest=(limits[1], "temperature"),
        )
    if agrees:
        return "The reading agrees", phrase(
            f"By the model the {axle} disc is at {{expected}} there: within what the reading is good for.",
            expected=(expected, "temperature"),
        )
    odd, more = not ODD_UNDER <= fitted.factor <= ODD_OVER, fitted.factor > now
    if reading.kind is ReadingKind.PROBE:
        was, read = "it was {read}", reading.temperature
    elif more:
        was, read = "it stayed under {read}", reading.below
    else:
        was, read = "it came to {read} at least", reading.at_least
    look = (_LOOK_COOLER if more else _LOOK_HOTTER) if odd else ""
    return f"{'More' if more else 'Less'} air than taken", phrase(
        f"By the model the {axle} disc would be at {{expected}} there; {was}. Its air takes off {{share}} of what the"
        f" model had.{look} Other sessions should agree before you trust it.",
        expected=(expected, "temperature"),
        read=(read or expected, "temperature"),
        share=(fitted.factor / now, "share"),
    )


_LOOK_HOTTER = " So far off, look first for a pad that drags, a hose that came off, or more laps than were driven."
_LOOK_COOLER = (
    " So far off, ask first whether it was driven as fast, and whether the probe lay on the ring soon enough."
)


def _sessions(
    car: Car, setup: Setup, axle: Axle, values: dict[str, Any], today: date, wanted: Wanted
) -> list[FittedSession]:
    found = []
    for one in car.sessions:
        raise_if_cancelled(wanted)
        before = judged_session(car, setup, one, today)
        after = judged_session(car, setup.patched(values), one, today)
        peaks = [judged.readings.axle(axle).surface_peak.value for judged in (before, after)]
        found.append(
            FittedSession(
                session=one.name,
                level=before.verdict.level,
                word=before.verdict.word,
                peak=peaks[0],
                level_then=after.verdict.level,
                word_then=after.verdict.word,
                peak_then=peaks[1],
            )
        )
    return found
