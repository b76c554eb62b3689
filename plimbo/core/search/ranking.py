"""Which of many tried changes a good preparer would try first for one matter, and which not at all."""

from collections.abc import Sequence
from typing import Any, NamedTuple

import numpy as np

from plimbo.core.search.trials import NONE, Judged, Trials
from plimbo.core.shelf.changes import Change, Kind
from plimbo.core.verdicts.level import SEVERITY, Level
from plimbo.core.verdicts.matter import NOTICED, Matter
from plimbo.core.working.numbers import Array

BAD = SEVERITY[Level.BAD]
# A level that another matter falls hurts by so much beside what it gets worse by; two changes that hurt, or help, by
# less than this apart are alike.
BORDER, HURT_ALIKE, DISTANCE_ALIKE = 0.5, 0.5, 0.25
# Nearer by less than this is no nearer, where nothing mends it.
FAR_ALIKE = 0.5
# A second part is work and money too.
SECOND_PART = 0.75
# What is bad already must not get worse by as much as from comfortable to the limit.
MUCH_WORSE = 1.0
PADS = "front.pad.friction", "rear.pad.friction"


class Ranking(NamedTuple):
    """How good each row is for one matter: arrays of shape (row), the less the better.

    `offered` is whether it is a mend at all: it helps by what is noticed, makes no other matter bad and no bad one much
    worse. `first` is what is done before anything is bought; `split` what leaves two compounds: that, and another
    material of the discs, comes `last`. `standing` counts the findings from the best one down, `bad_still`
    is whether that is a bad one, `hurt` how much worse everything gets that gets worse.
    """

    offered: Array
    first: Array
    split: Array
    last: Array
    standing: Array
    bad_still: Array
    hurt: Array
    parts: Array
    rank: Array
    distance: Array
    steps: Array

    def best_first(self) -> list[int]:
        """The rows that are offered, in the order in which a preparer would try them."""
        order: list[int] = [row for row in np.lexsort(self._keys()[::-1]).tolist() if self.offered[row]]
        return order

    def key(self, row: int) -> tuple[float, ...]:
        """What a row is ranked by, the least first."""
        return tuple(float(key[row]) for key in self._keys())

    def _keys(self) -> tuple[Array, ...]:
        return (
            np.logical_not(self.first),
            self.last,
            self.standing,
            # What leaves it bad should at least bring it near; then what hurts least.
            np.where(self.bad_still, np.rint(self.distance / FAR_ALIKE), 0.0),
            np.rint(self.hurt / HURT_ALIKE),
            self.parts,
            np.where(self.standing > 0, np.rint(self.distance / FAR_ALIKE), 0.0),
            self.rank,
            np.rint(self.distance / DISTANCE_ALIKE),
            self.steps,
            self.hurt,
        )

    def nearest(self) -> int:
        """The row that brings the matter nearest to sound, whatever else it does."""
        return int(np.lexsort((self.steps, self.hurt, np.round(self.distance, 6), self.standing, self.last))[0])

    def worth(self, row: int) -> tuple[float, ...]:
        """What a second part must better, to be worth its money."""
        return float(self.last[row]), float(self.standing[row]), float(np.rint(self.hurt[row] / HURT_ALIKE))


def ranking(
    matter: Matter[Any], matters: Sequence[Matter[Any]], now: Judged, tried: Trials, changes: Sequence[Change]
) -> Ranking:
    """Of these rows, for one matter; `now` is how all stand before."""
    own, before = tried.judged[matter.key], now[matter.key]
    hurt, bad = np.zeros(len(tried.rows)), np.zeros(len(tried.rows), bool)
    for other in matters:
        after, stood = tried.judged[other.key], now[other.key]
        worse = after.excesses - stood.excesses[:, :1]
        hurt += np.where(worse >= NOTICED, worse, 0.0).sum(axis=0)
        if other is not matter:
            severities = np.array(after.severities)
            fallen = severities - stood.severities[0]
            hurt += BORDER * np.maximum(fallen, 0)
            # A disc can be made heavier afterwards; a rear that locks first cannot wait.
            if before.severities[0] == BAD and other.comes_after:
                continue
            bad |= (severities == BAD) & (fallen > 0)
            if not other.comes_after:
                bad |= (severities == BAD) & (worse.max(axis=0) >= MUCH_WORSE)
    gained = (before.excesses[:, :1] - own.excesses).max(axis=0) >= NOTICED
    nearer = own.distances <= before.distances[0] - NOTICED
    standing, stood_at = own.places, before.places[0]
    useful = np.where(standing > stood_at, gained, (standing == stood_at) & nearer)
    ranks = [matter.rank(change) for change in changes] + [None]
    rank = np.array([len(matter.order) if one is None else one for one in ranks])
    is_mend = np.array([one is not None for one in ranks])
    another_material = np.array([change.kind is Kind.MATERIAL for change in changes] + [False])
    split = _split(tried, changes)
    steps = np.array([change.steps for change in changes] + [0])
    single = tried.rows[:, 1] == NONE
    hurt += np.where(single, 0.0, SECOND_PART)
    first = np.zeros(standing.shape, bool)
    for row in np.flatnonzero(single).tolist():
        first[row] = matter.comes_first(changes[tried.rows[row, 0]], own.findings[row])
    return Ranking(
        # One end's compound is for the last trimming, not to go with another part.
        offered=useful & ~bad & is_mend[tried.rows].any(axis=1) & (single | np.logical_not(split)),
        first=first,
        split=split,
        last=np.logical_or(split, another_material[tried.rows].any(axis=1)),
        standing=len(matter.findings) - 1 - standing,
        bad_still=np.array(own.severities) == BAD,
        hurt=hurt,
        parts=np.where(single, 1, 2),
        rank=np.where(
            single, rank[tried.rows[:, 0]], rank[tried.rows].max(axis=1, where=tried.rows != NONE, initial=0)
        ),
        distance=own.distances,
        steps=steps[tried.rows].sum(axis=1),
    )


def _split(tried: Trials, changes: Sequence[Change]) -> Array:
    """Whether a row changes a compound at one end only."""
    changed = [
        np.array([path in change.swap.patch and change.kind is Kind.COMPOUND for change in changes] + [False])
        for path in PADS
    ]
    front, rear = (at[tried.rows].any(axis=1) for at in changed)
    split: Array = front != rear
    return split
