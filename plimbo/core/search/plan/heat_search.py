"""Few changes together that make every session sound.

Each change is simulated alone; what several do together is their sum, until one combination is simulated and says how
much of the sum holds.
"""

import math
from collections.abc import Iterator, Sequence
from typing import NamedTuple

import numpy as np
import numpy.typing as npt

from plimbo.core.quantities.axles import AXLES
from plimbo.core.search.plan.changes import PlanChange
from plimbo.core.search.plan.size_search import Objective
from plimbo.core.search.plan.status import SOUND_TO, SessionStatus, Status
from plimbo.core.search.plan.work import hours_of, parts_in
from plimbo.core.search.trials import NONE, Rows
from plimbo.core.thermal.damage import METAL_ENDS
from plimbo.core.verdicts.level import Rank
from plimbo.core.verdicts.session_heat.discs import CRACK_BAD, CRACK_WATCH, SESSIONS_WATCH
from plimbo.core.verdicts.session_heat.findings import DISC_BAND, FLUID_BAND, RANKS, HeatEvidence
from plimbo.core.verdicts.session_heat.pedal import SEAL_BAD, SHARE_BAND
from plimbo.core.working.numbers import Array

MOST_TOGETHER = 6
# Combinations kept while another change is added.
WIDTH = 1200
# So far inside a limit a sum must stay, as a share of the band.
SPARE = 0.05
# So many metres longer count as much as all that the driver holds.
METRES = 100.0


class Measured(NamedTuple):
    """A number of a session and the limits past which it is to be watched, and bad."""

    value: float
    watch: float
    bad: float
    rank: int


def measured(one: HeatEvidence) -> Iterator[Measured]:
    """Every number that decides a finding, always the same ones in the same order."""
    boils, readings = one.fluid.boils, one.readings
    for axle in AXLES:
        own, brake = readings.axle(axle), one.brake(axle)
        for wet, mean in ((own.wet_running, own.fluid_running), (own.wet_parked, own.fluid_parked)):
            hottest = -math.inf if math.isnan(mean.value) else max(wet.value - FLUID_BAND, mean.value)
            yield Measured(max(-99.0, (hottest - boils) / FLUID_BAND), -2.0, 0.0, Rank.LOST_BRAKES)
        yield Measured((own.surface_peak.value - own.window[1]) / DISC_BAND, -1.0, 1.0, RANKS["fade"])
        if (ends := METAL_ENDS.get(brake.disc.material)) is not None:
            over = max(own.surface_peak.value - ends.surface, own.bulk_peak.value - ends.bulk)
            yield Measured(over / DISC_BAND, 0.0, (ends.fails - ends.surface) / DISC_BAND, RANKS["too_hot"])
        else:
            yield Measured(0.0, 1.0, 1.0, RANKS["too_hot"])
        seal = own.wet_hottest.value - brake.caliper.seal_limit
        yield Measured(seal / SEAL_BAD, 0.0, 1.0, RANKS["seals"])
        yield Measured(own.crack.value, CRACK_WATCH, CRACK_BAD, RANKS["crack"])
        for sets in (own.pad_sets, own.disc_sets):
            yield Measured(1 / max(sets, 0.01), 1 / SESSIONS_WATCH, 1.0, Rank.LOST_BRAKES + 4)
    limit = one.car.driver.foot_force_limit
    # The foot never pushes more than the driver holds: past it, how much longer the worst stop is.
    push = readings.push.value / limit + (readings.metres / METRES if readings.leg_ends else 0.0)
    yield Measured(push, one.car.limits.leg_reserve, 1.0, RANKS["leg"])
    least = readings.front_share_least.value
    off = 0.0 if math.isnan(least) or one.share < one.ideal_share - SHARE_BAND else one.ideal_share - least
    yield Measured(off / SHARE_BAND, 1.0, 1.0, RANKS["balance"])


class Table(NamedTuple):
    """The numbers of all sessions beside each other: value, limits and whether they spoil a sound car."""

    values: Array
    watch: Array
    bad: Array
    grave: npt.NDArray[np.bool_]
    weights: Array


def table_of(sessions: Sequence[SessionStatus]) -> Table:
    rows = [one for session in sessions for one in measured(session.evidence)]
    values, watch, bad, ranks = (np.array(column, float) for column in zip(*rows, strict=True))
    return Table(values, watch, bad, ranks <= SOUND_TO, 10.0 ** (len(Rank) - ranks))


class HeatSearch:
    """Combinations of changes on the car as it is, by the sum of what each does alone."""

    def __init__(self, now: Status, changes: Sequence[PlanChange], alone: Sequence[Sequence[SessionStatus]]) -> None:
        """`alone` are the sessions with each of these changes."""
        self.changes = list(changes)
        self._table = table_of(now.sessions)
        self._effects = np.stack(
            [table_of(one).values - self._table.values for one in alone] + [np.zeros_like(self._table.values)]
        )
        self._holds = np.ones_like(self._table.values)
        count = len(self.changes)
        self._apart = np.zeros((count, count), bool)
        for here, one in enumerate(self.changes):
            for there, other in enumerate(self.changes[:here]):
                goes = one.goes_with(other) and not _same_thing(one, other)
                # Of what moves the pedal one is enough: two sizes are for the search without sessions.
                goes = goes and (one.change is None or other.change is None)
                self._apart[here, there] = self._apart[there, here] = goes
        self._rows = self._all()

    def learn(self, row: Sequence[int], sessions: Sequence[SessionStatus]) -> None:
        """How much of the sum holds, by a combination that was simulated."""
        summed = self._effects[list(row)].sum(axis=0)
        real = table_of(sessions).values - self._table.values
        with np.errstate(invalid="ignore", divide="ignore"):
            part = np.where(np.abs(summed) > SPARE, real / summed, 1.0)
        self._holds = np.minimum(self._holds, np.clip(np.nan_to_num(part, nan=1.0), 0.2, 1.0))

    def _expected(self, rows: Rows) -> Array:
        summed = np.zeros((len(rows), len(self._table.values)))
        for column in rows.T:
            summed += self._effects[column]
        expected: Array = self._table.values + np.where(summed < 0, summed * self._holds, summed)
        return expected

    def _scores(self, rows: Rows) -> tuple[Array, Array]:
        """What is bad, the graver the more, and by how much everything together spoils."""
        expected, table = self._expected(rows), self._table
        # Where nothing changes, the finding is as it was.
        spare = np.where(np.abs(expected - table.values) > 1e-9, SPARE, 0.0)
        bad = expected > table.bad - spare
        spoilt = bad | ((expected > table.watch - spare) & table.grave)
        over = np.where(bad, expected - table.bad, 0) + np.where(spoilt & ~bad, expected - table.watch, 0)
        return (bad * table.weights).sum(axis=1) + spoilt.sum(axis=1), np.clip(over, 0, 50).sum(axis=1)

    def best(self, objectives: Sequence[Objective], seen: set[tuple[int, ...]]) -> Iterator[tuple[int, ...]]:
        """The combinations that should be tried next, best first for each objective in turn, none of those seen."""
        rows = self._rows
        bad, over = self._scores(rows)
        orders = []
        for objective in objectives:
            hours, parts = self._costs(rows, objective)
            first, second = (parts, hours) if objective.by_parts else (hours, parts)
            count = (rows != NONE).sum(axis=1)
            keys = (*rows.T[::-1], count, second, np.round(first, 6), np.where(bad > 0, np.round(over, 1), 0), bad)
            orders.append(np.lexsort(keys))
        for places in zip(*orders, strict=True):
            for place in places:
                row = tuple(number for number in rows[place].tolist() if number != NONE)
                if row not in seen:
                    yield row

    def _all(self) -> Rows:
        """Every combination up to a size, the widest ones only of the best."""
        count = len(self.changes)
        found = [np.full((1, MOST_TOGETHER), NONE)]
        last = np.empty((1, 0), np.intp)
        for size in range(1, MOST_TOGETHER + 1):
            beside = np.ones((len(last), count), bool)
            for column in last.T:
                beside &= self._apart[column]
            if size > 1:
                beside &= np.arange(count) > last[:, -1:]
            at, after = np.nonzero(beside)
            last = np.hstack([last[at], after[:, None]])
            if not len(last):
                break
            if len(last) > WIDTH:
                bad, over = self._scores(last)
                last = last[np.lexsort((*last.T[::-1], over, bad))[:WIDTH]]
                last = last[np.lexsort(last.T[::-1])]
            found.append(np.pad(last, ((0, 0), (0, MOST_TOGETHER - size)), constant_values=NONE))
        return np.concatenate(found)

    def _costs(self, rows: Rows, objective: Objective) -> tuple[Array, Array]:
        """Hours and parts; work that changes share is done once."""
        jobs = sorted({job for one in self.changes for job in one.jobs}, key=str)
        does = np.array([*([job in one.jobs for job in jobs] for one in self.changes), [False] * len(jobs)], bool)
        done = np.zeros((len(rows), len(jobs)), bool)
        for column in rows.T:
            done |= does[column]
        hours = done @ np.array([hours_of([job], objective.hours) for job in jobs])
        parts = done @ np.array([float(parts_in([job])) for job in jobs])
        return hours, parts


def _same_thing(one: PlanChange, other: PlanChange) -> bool:
    """Whether both set the same values, though to different ones, or one is part of the other."""
    return bool({path for path in one.patch if one.patch[path] not in (None, [])} & other.patch.keys())
