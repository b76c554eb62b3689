"""How everything stands: every matter, the likely cars and every session, of one car with one setup.

Compiled code is loaded where a session is simulated.
"""

import math
from collections.abc import Iterable, Mapping
from datetime import date
from typing import Any, NamedTuple

import numpy as np

from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.judged_states import judged_sessions, judged_states
from plimbo.core.braking.likely_cars import drawn_states
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.search.trials import Judged, judged
from plimbo.core.verdicts.heat import HEAT
from plimbo.core.verdicts.level import SEVERITY, Level, Rank
from plimbo.core.verdicts.lock_order import LOCK_ORDER
from plimbo.core.verdicts.lock_order_words import IN_DOUBT
from plimbo.core.verdicts.matter import Matter
from plimbo.core.verdicts.registry import matters_of
from plimbo.core.verdicts.session_heat.findings import RANKS, HeatEvidence, HeatVerdict
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import Array

# Draws of a search; what is shown is confirmed on all.
SEARCH_DRAWS = 4_000
# The last rank at which nothing may be to be watched on a sound car.
SOUND_TO = Rank.EFFORT
BAD, WATCH = SEVERITY[Level.BAD], SEVERITY[Level.WATCH]


class Reading(NamedTuple):
    """One matter, or one finding of a session: `past` grows as it gets worse, and may grow by `tolerance` unnoticed."""

    severity: int
    rank: int
    word: str
    past: float
    tolerance: float

    @property
    def spoils(self) -> bool:
        """Whether the car is not sound with it."""
        return self.severity == BAD or (self.severity == WATCH and self.rank <= SOUND_TO)

    @property
    def gravity(self) -> tuple[int, int, float]:
        """The gravest is the largest."""
        return self.severity, -self.rank, self.past


# A matter by its key; a finding by its key, its axle and its session.
Key = tuple[str, str, str]


class SessionStatus(NamedTuple):
    """A session that was simulated, without its long series."""

    evidence: HeatEvidence
    verdict: HeatVerdict


class Status(NamedTuple):
    """How everything stands; `likely` is the share of likely cars whose rear locks first, in the worst state."""

    car: Car
    setup: Setup
    screening: Screening
    matters: tuple[Matter[Any], ...]
    judged: Judged
    likely: float
    likely_state: str
    sessions: tuple[SessionStatus, ...]
    readings: Mapping[Key, Reading]

    @property
    def sound(self) -> bool:
        return not any(reading.spoils for reading in self.readings.values())

    @property
    def gravest(self) -> Key:
        return max(self.readings, key=lambda key: self.readings[key].gravity)

    @property
    def score(self) -> tuple[int, ...]:
        """The number of what is bad, rank by rank, then of what spoils it, then of what is to be watched."""
        bad = [sum(one.severity == BAD and one.rank == rank for one in self.readings.values()) for rank in Rank]
        return *bad, sum(one.spoils for one in self.readings.values())

    @property
    def watched(self) -> int:
        return sum(one.severity == WATCH for one in self.readings.values())


def worse(before: Mapping[Key, Reading], after: Mapping[Key, Reading]) -> bool:
    """Whether a step would make the car worse: it adds something bad, moves what is bad further off, or turns what is
    good to be watched without taking anything bad away.
    """
    cured = any(one.severity == BAD and after[key].severity < BAD for key, one in before.items() if key in after)
    for key, now in after.items():
        was = before.get(key)
        if was is None:
            continue
        if now.severity == BAD and (was.severity < BAD or now.past > was.past + now.tolerance):
            return True
        if now.severity == WATCH and was.severity < WATCH and not cured:
            return True
    return False


# How far the number of a matter or finding may move unnoticed: 0.005 g, 5 N, 5 K, half a metre, else a little.
_G = 0.005 * 9.80665
TOLERANCES = {
    "lock_order": _G,
    "leg": 5.0,
    "travel": 0.02,
    "heat": 5.0,
    "anti_lock": 0.001,
    "fluid_running": 5 / 25,
    "fluid_parked": 5 / 25,
    "fade": 5 / 35,
    "too_hot": 5 / 35,
    "material": 5 / 35,
    "seals": 5 / 30,
    "balance": 0.1,
    "pedal": 0.5,
    "crack": 0.02,
    "wear": 0.02,
    "disc_wear": 0.02,
}


def past_limits(key: str, judgement: Any) -> Array:
    """A number of a matter for every setup that grows as the matter gets worse, in its own unit."""
    numbers = judgement.columns
    if key == "lock_order":
        spare = np.asarray(numbers.spare)
        # Where the front never locks, by how early the rear does.
        return np.where(np.isfinite(spare), -np.where(np.isfinite(spare), spare, 0.0), 1e3 - numbers.order)
    if key == "leg":
        return np.asarray(numbers.hardest_push)
    if key == "heat":
        over: Array = np.maximum(numbers.front_rise - numbers.front_limit, numbers.rear_rise - numbers.rear_limit)
        return over
    found: Array = judgement.distances
    return found


def reading_keys(verdict: HeatVerdict) -> Iterable[tuple[Key, Reading]]:
    """The findings of a session; the leg's is called the pedal, since the leg has its own matter."""
    for one in verdict.findings:
        name = "pedal" if one.key == "leg" else one.key
        key = name, str(one.axle or ""), verdict.session
        yield key, Reading(SEVERITY[one.level], one.rank, one.word, one.past, TOLERANCES.get(name, 0.05))


# Every finding that a session may have, so that what is good before is known to be so.
_OF_AN_AXLE = tuple(key for key in RANKS if key not in ("leg", "balance"))
_FINDINGS = (
    *((key, axle) for axle in ("front", "rear") for key in _OF_AN_AXLE),
    ("pedal", ""),
    ("balance", ""),
    ("not_named", ""),
)
GOOD = Reading(0, Rank.WEAR, "", -math.inf, 0.0)


def car_status(
    car: Car,
    setup: Setup,
    today: date,
    *,
    draws: int = SEARCH_DRAWS,
    sessions: Iterable[SessionStatus] | None = None,
) -> Status:
    """Every matter, the likely cars and every session; `sessions` are those that were simulated already.

    Raises `OutOfRange` where the inputs together are outside the model.
    """
    conditions = conditions_for(car, judged_states(car, setup))
    system = brake_system(setup, PLAIN)
    screening = Screening(conditions, system)
    matters = matters_of(car, setup)
    found = judged(screening, matters)
    readings: dict[Key, Reading] = {}
    driven = judged_sessions(car, setup)
    for matter in matters:
        finding = found[matter.key].finding
        past = float(past_limits(matter.key, found[matter.key])[0])
        severity = finding.severity
        if matter is HEAT and driven:
            # The sessions know more than one stop.
            severity = min(severity, WATCH)
        readings[matter.key, "", ""] = Reading(severity, finding.rank, finding.word, past, TOLERANCES[matter.key])
    likely, where = 0.0, ""
    if found[LOCK_ORDER.key].finding.severity < BAD:
        chances = [(drawn.rear_first / draws, drawn.state) for drawn in drawn_states(conditions, system, draws)]
        likely, where = max(chances)
        if likely > car.limits.draws_rear_first:
            before = readings[LOCK_ORDER.key, "", ""]
            if before.rank > IN_DOUBT.rank or not before.severity:
                readings[LOCK_ORDER.key, "", ""] = before._replace(
                    severity=IN_DOUBT.severity, rank=IN_DOUBT.rank, word=IN_DOUBT.word
                )
    simulated = tuple(session_statuses(car, setup, today) if sessions is None else sessions)
    for session in simulated:
        name = session.verdict.session
        readings |= {(key, axle, name): GOOD for key, axle in _FINDINGS}
        readings |= dict(reading_keys(session.verdict))
    return Status(car, setup, screening, matters, found, likely, where, simulated, readings)


def session_statuses(car: Car, setup: Setup, today: date) -> Iterable[SessionStatus]:
    """Every session in which the setup is judged."""
    from plimbo.core.verdicts.session_heat.judging import judged_session  # noqa: PLC0415  (loads the compiler)

    for session in judged_sessions(car, setup):
        found = judged_session(car, setup, session, today)
        yield SessionStatus(found.judged, found.verdict)
