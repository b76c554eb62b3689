"""The order of a session: its laps, its rests, and how the car comes to rest before each."""

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from plimbo.core.circuits.lap import Lap, LapCar, lap_of
from plimbo.core.documents import Session

# Shares of the session's pace. Plimbo's own.
OUT_PACE, COOL_PACE, SAFETY_CAR_PACE = 0.85, 0.70, 0.55
# How a car is slowed down to be parked, m/s²: a quarter of g, Plimbo's own; cells of that way.
GENTLY, CELLS = 2.5, 40
# Phases in which the car stands with its engine off; a race stop is in the middle of the fast laps.
PARKED, RACE_STOP, SLOWING = "parked", "race stop", "slowing"
RESTS = frozenset({PARKED, RACE_STOP})


class Planned(NamedTuple):
    """A lap at a share of the pace, or a rest of so many seconds; `slowing` follows a lap at this pace."""

    kind: str
    pace: float = 0.0
    seconds: float = 0.0


def session_plan(session: Session) -> list[Planned]:
    """The laps and rests of a session, in order."""
    fast, rest = Planned("fast", session.pace), Planned(PARKED, seconds=session.parked)
    if session.circuit.one_way:
        return coming_to_rest([one for _ in range(session.fast_laps) for one in (fast, rest)])
    stop = [Planned(RACE_STOP, seconds=session.race_stop)] if session.race_stop_after else []
    return coming_to_rest(
        [
            *[Planned("out", OUT_PACE * session.pace)] * session.out_laps,
            *[fast] * session.race_stop_after,
            *stop,
            *[fast] * (session.fast_laps - session.race_stop_after),
            *[Planned("cool-down", COOL_PACE * session.pace)] * session.cool_down_laps,
            rest,
            *[Planned("after", session.pace)] * session.laps_after,
        ]
    )


def coming_to_rest(plan: Sequence[Planned]) -> list[Planned]:
    """The plan with the way on which the car slows down before each rest; rests of no time are left out."""
    whole = list[Planned]()
    for one in plan:
        if one.kind in RESTS:
            if not one.seconds:
                continue
            if whole and whole[-1].kind not in RESTS:
                whole.append(Planned(SLOWING, whole[-1].pace))
        whole.append(one)
    return whole


def slowing_lap(car: LapCar, speed: float) -> Lap:
    """From a speed, m/s, to rest: what the air does not take, the brakes do."""
    nodes = np.sqrt(np.linspace(speed**2, 0.0, CELLS + 1))
    lengths = np.full(CELLS, speed**2 / (2 * GENTLY) / CELLS)
    return lap_of(car, lengths, nodes, 2 * lengths / (nodes[:-1] + nodes[1:]))
