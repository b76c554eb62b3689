"""Few sizes and settings together that make what is judged without a session sound: screened on columns.

Every change alone, every two, then a third and a fourth beside the best of those.
"""

import math
from collections.abc import Mapping, Sequence
from concurrent.futures import ThreadPoolExecutor
from typing import Any, NamedTuple

import numpy as np

from plimbo.core.braking.conditions import Conditions
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Setup
from plimbo.core.hydraulics.columns import place_of
from plimbo.core.quantities.cancellation import Wanted, raise_if_cancelled
from plimbo.core.search.plan.changes import PlanChange
from plimbo.core.search.plan.status import BAD, SOUND_TO, WATCH
from plimbo.core.search.plan.work import HOURS, Work, hours_of, parts_in
from plimbo.core.search.trials import NONE, Changes, Rows
from plimbo.core.verdicts.heat import HEAT
from plimbo.core.verdicts.level import Rank
from plimbo.core.verdicts.lock_order import LOCK_ORDER
from plimbo.core.verdicts.matter import Matter
from plimbo.core.working.numbers import Array

CHUNK, THREADS = 2048, 2
# Rows to which a third and a fourth change are added.
WIDTH = 150
# Most that one criterion adds to the distance of a row.
FAR_OFF = 20.0
DEPTH = 5


class Objective(NamedTuple):
    """What comes first where all else is alike: hours or parts."""

    hours: Mapping[Work, float] = HOURS
    by_parts: bool = False


class Screened(NamedTuple):
    """Rows of changes that can be built, and how they stand: arrays of shape (row).

    `bad` is larger the more and the graver is bad, `over` says how far what spoils a row is past its limits, `order` is
    the least margin by which the front locks first.
    """

    rows: Rows
    bad: Array
    spoilt: Array
    watched: Array
    over: Array
    order: Array


def joined(parts: Sequence[Screened]) -> Screened:
    """All of them; rows of fewer changes are filled up."""
    width = max(part.rows.shape[1] for part in parts)
    rows = [np.pad(part.rows, ((0, 0), (0, width - part.rows.shape[1])), constant_values=NONE) for part in parts]
    return Screened(
        np.concatenate(rows),
        *(np.concatenate(columns) for columns in zip(*(part[1:] for part in parts), strict=True)),
    )


class SizeSearch:
    """The changes of one setup that columns know, and every combination of them that was screened."""

    def __init__(
        self,
        conditions: Conditions,
        screening: Screening,
        setup: Setup,
        matters: Sequence[Matter[Any]],
        changes: Sequence[PlanChange],
        *,
        with_sessions: bool,
    ) -> None:
        self.changes = [one for one in changes if one.change is not None]
        self._conditions, self._matters, self._with_sessions = conditions, matters, with_sessions
        plain = [one.change for one in self.changes if one.change is not None]
        self._columns = Changes(setup, screening.system, plain) if plain else None
        places = [frozenset(place_of(path)[0] for path in one.swap.patch) for one in plain]
        apart = [[not here & there for there in places] for here in places]
        self._apart = np.array(apart, bool).reshape(len(plain), len(plain))
        self.now = self._screen(np.full((1, 1), NONE)) if plain else None

    def _screen(self, rows: Rows) -> Screened:
        assert self._columns is not None
        fitting = self._columns.fitting(rows)
        columns = self._columns.columns(fitting)
        screening = Screening(self._conditions, columns, len(fitting))
        severities, ranks = [], []
        order, over = np.zeros(len(fitting)), np.zeros(len(fitting))
        for matter in self._matters:
            judgement = matter.judgement(screening)
            places = judgement.places.astype(np.intp)
            severity = np.take([finding.severity for finding in matter.findings], places)
            if matter is HEAT and self._with_sessions:
                severity = np.minimum(severity, WATCH)
            severities.append(np.broadcast_to(severity, len(fitting)))
            ranks.append(np.broadcast_to(np.take([f.rank for f in matter.findings], places), len(fitting)))
            past = np.clip(judgement.excesses - 1, 0, FAR_OFF).sum(axis=0)
            over += np.where(severity > 0, past, 0.0)
            if matter is LOCK_ORDER:
                order = np.broadcast_to(judgement.columns.order, len(fitting))
        levels, rank = np.stack(severities), np.stack(ranks)
        bad = (np.where(levels == BAD, 10.0 ** (len(Rank) - rank), 0.0)).sum(axis=0)
        spoilt = ((levels == BAD) | ((levels == WATCH) & (rank <= SOUND_TO))).sum(axis=0)
        return Screened(fitting, bad, spoilt, (levels == WATCH).sum(axis=0), over, order)

    def screened(self, rows: Rows) -> Screened:
        """Chunk by chunk, side by side."""
        chunks = [rows[start : start + CHUNK] for start in range(0, len(rows), CHUNK)]
        with ThreadPoolExecutor(THREADS) as pool:
            return joined(list(pool.map(self._screen, chunks)))

    def alone(self) -> Rows:
        return np.arange(len(self.changes))[:, None]

    def pairs(self) -> Rows:
        first, second = np.nonzero(np.triu(self._apart, 1))
        return np.stack([first, second], axis=1)

    def with_another(self, rows: Rows) -> Rows:
        """Each of these rows with every change that goes beside it, each set once."""
        found = []
        for row in rows:
            beside = np.flatnonzero(self._apart[row].all(axis=0))
            found.append(np.hstack([np.broadcast_to(row, (len(beside), len(row))), beside[:, None]]))
        wide = np.sort(np.concatenate(found), axis=1) if found else np.empty((0, 1), np.intp)
        return np.unique(wide, axis=0)

    def order(self, found: Screened, objective: Objective) -> list[int]:
        """The rows, best first."""
        hours, parts, sizes = self._costs(found.rows, objective)
        first, second = (parts, hours) if objective.by_parts else (hours, parts)
        far = np.where(found.spoilt > 0, np.round(found.over, 2), 0.0)
        keys = (
            *found.rows.T[::-1],
            np.round(sizes, 6),
            found.watched,
            second,
            np.round(first, 6),
            far,
            found.spoilt,
            found.bad,
        )
        best: list[int] = np.lexsort(keys).tolist()
        return best

    def _costs(self, rows: Rows, objective: Objective) -> tuple[Array, Array, Array]:
        hours = np.array([*(hours_of(one.jobs, objective.hours) for one in self.changes), 0.0])
        parts = np.array([*(float(parts_in(one.jobs)) for one in self.changes), 0.0])
        sizes = np.array([*(one.size for one in self.changes), 0.0])
        return hours[rows].sum(axis=1), parts[rows].sum(axis=1), sizes[rows].sum(axis=1)

    def search(self, objectives: Sequence[Objective], wanted: Wanted, surer: float = -math.inf) -> Screened | None:
        """Singles and pairs; a third and a fourth only where fewer do not do, with an order over `surer`."""
        if self.now is None:
            return None
        found = [self.now, self.screened(self.alone())]
        last = self.screened(self.pairs())
        found.append(last)
        for _ in range(2, DEPTH):
            raise_if_cancelled(wanted)
            everything = joined(found)
            if ((everything.spoilt == 0) & (everything.order > surer)).any():
                return everything
            best = {row for one in objectives for row in self.order(last, one)[: WIDTH // 3]}
            best |= set(np.lexsort((np.round(last.over, 6), last.spoilt, last.bad))[:WIDTH].tolist())
            wide = self.with_another(last.rows[sorted(best)])
            if not len(wide):
                return everything
            last = self.screened(wide)
            found.append(last)
        return joined(found)

    def made(self, row: Sequence[int]) -> tuple[PlanChange, ...]:
        """The changes of a row."""
        return tuple(self.changes[number] for number in row if number != NONE)
