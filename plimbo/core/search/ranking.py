"""The order in which a good preparer would try changes for one matter, and those not to try at all."""

from collections.abc import Sequence
from typing import Any, NamedTuple

import numpy as np

from plimbo.core.search.trials import NONE, Judged, JudgedRows
from plimbo.core.stepping.changes import Change, ChangeKind
from plimbo.core.verdicts.level import SEVERITY, Level
from plimbo.core.verdicts.matter import NOTICED, Matter
from plimbo.core.working.numbers import Array

BAD = SEVERITY[Level.BAD]
# Penalty when another matter falls one level, added to its worsening; two changes whose penalty or help differs by less
# than this are equal.
BORDER, HURT_ALIKE, DISTANCE_ALIKE = 0.5, 0.5, 0.25
# Smallest approach that counts, where nothing mends the matter.
FAR_ALIKE = 0.5
# A second part costs work and money too.
SECOND_PART = 0.75
# A matter that is already bad must not get worse by as much as the distance from comfortable to the limit.
MUCH_WORSE = 1.0
# A change must take away this share of what is missing.
LEAST_SHARE = 0.1


class Ranking(NamedTuple):
    """The rank of each row for one matter: arrays of shape (row), smaller is better.

    `offered` says whether it is a mend: it takes away a tenth of what is missing or more, makes no other matter bad and
    no bad one much worse; `allowed` is the same without the help.
    `first` is done before anything is bought; `split` leaves two compounds: that, and another disc material, come
    `last`. `finding_rank` is the index of the finding from the best one down, `bad_still` whether that is a bad one,
    `hurt` the sum of what gets worse.
    """

    offered: Array
    allowed: Array
    first: Array
    split: Array
    last: Array
    finding_rank: Array
    bad_still: Array
    hurt: Array
    parts: Array
    rank: Array
    distance: Array
    steps: Array

    def best_first(self) -> list[int]:
        """The rows that are offered, in the order of trying."""
        order: list[int] = [row for row in np.lexsort(self._keys()[::-1]).tolist() if self.offered[row]]
        return order

    def key(self, row: int) -> tuple[float, ...]:
        """The sort key of a row, smallest first."""
        return tuple(float(key[row]) for key in self._keys())

    def _keys(self) -> tuple[Array, ...]:
        return (
            np.logical_not(self.first),
            self.last,
            self.finding_rank,
            # If the matter stays bad, the nearest to sound comes first, then the least harm.
            np.where(self.bad_still, np.rint(self.distance / FAR_ALIKE), 0.0),
            np.rint(self.hurt / HURT_ALIKE),
            self.parts,
            np.where(self.finding_rank > 0, np.rint(self.distance / FAR_ALIKE), 0.0),
            self.rank,
            np.rint(self.distance / DISTANCE_ALIKE),
            self.steps,
            self.hurt,
        )

    def worth(self, row: int) -> tuple[float, ...]:
        """What a second part must improve, to be worth its cost."""
        return float(self.last[row]), float(self.finding_rank[row]), float(np.rint(self.hurt[row] / HURT_ALIKE))


def ranking(
    matter: Matter[Any], matters: Sequence[Matter[Any]], now: Judged, tried: JudgedRows, changes: Sequence[Change]
) -> Ranking:
    """Ranks these rows for one matter; `now` is the result of all matters before."""
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
            bad |= (severities == BAD) & (fallen > 0)
            if not other.comes_after:
                bad |= (severities == BAD) & (worse.max(axis=0) >= MUCH_WORSE)
    missing = before.excesses[:, :1]
    gained = (missing - own.excesses >= np.maximum(NOTICED, LEAST_SHARE * missing)).any(axis=0)
    nearer = own.distances <= before.distances[0] - max(NOTICED, LEAST_SHARE * float(before.distances[0]))
    finding_rank, stood_at = own.places, before.places[0]
    useful = np.where(finding_rank > stood_at, gained, (finding_rank == stood_at) & nearer)
    ranks = [matter.rank(change) for change in changes] + [None]
    rank = np.array([len(matter.order) if one is None else one for one in ranks])
    is_mend = np.array([one is not None for one in ranks])
    another_material = np.array([change.kind is ChangeKind.MATERIAL for change in changes] + [False])
    split = tried.split
    steps = np.array([change.steps for change in changes] + [0])
    single = tried.rows[:, 1] == NONE
    hurt += np.where(single, 0.0, SECOND_PART)
    first = np.zeros(finding_rank.shape, bool)
    for row in np.flatnonzero(single).tolist():
        first[row] = matter.comes_first(changes[tried.rows[row, 0]], own.findings[row])
    # A compound at one axle is for the last trim, not to combine with another part.
    allowed = ~bad & is_mend[tried.rows].any(axis=1) & (single | np.logical_not(split))
    return Ranking(
        offered=useful & allowed,
        allowed=allowed,
        first=first,
        split=split,
        last=np.logical_or(split, another_material[tried.rows].any(axis=1)),
        finding_rank=len(matter.findings) - 1 - finding_rank,
        bad_still=np.array(own.severities) == BAD,
        hurt=hurt,
        parts=np.where(single, 1, 2),
        rank=np.where(
            single, rank[tried.rows[:, 0]], rank[tried.rows].max(axis=1, where=tried.rows != NONE, initial=0)
        ),
        distance=own.distances,
        steps=steps[tried.rows].sum(axis=1),
    )
