"""The level of a matter: good, to be watched or bad, its word, and how grave it is beside others of its level."""

from enum import IntEnum
from typing import NamedTuple

from plimbo.core.quantities.choices import Choice


class Level(Choice):
    GOOD = "good"
    # Not judged: neither good nor bad.
    OPEN = "open"
    WATCH = "watch"
    BAD = "bad"


SEVERITY = {Level.GOOD: 0, Level.OPEN: 0, Level.WATCH: 1, Level.BAD: 2}


class Rank(IntEnum):
    """What is graver at the same level, the gravest first. Plimbo's own order.

    A sound car has nothing bad, and nothing to be watched down to `EFFORT`.
    """

    # Fluid boils; pads or discs are worn through in the session.
    LOST_BRAKES = 1
    REAR_FIRST = 2
    # Stroke, floor, ratings, one circuit lost.
    TRAVEL = 3
    # Effort of the leg, no bite, the band of a kept anti-lock system.
    EFFORT = 4
    FADE = 5
    # Discs, seals, cracks.
    DISC = 6
    COLD = 7
    # The bar off its centre, too much front.
    BALANCE = 8
    WEAR = 9


class Finding(NamedTuple):
    """The finding on a matter: its level and its word; a higher severity is worse, a lower rank graver."""

    level: Level
    word: str
    severity: int
    rank: Rank


def good(word: str, level: Level = Level.GOOD) -> Finding:
    """Nothing to be mended; `level` may also be that nothing was judged."""
    return Finding(level, word, SEVERITY[level], Rank.WEAR)


def watch(word: str, rank: Rank) -> Finding:
    return Finding(Level.WATCH, word, SEVERITY[Level.WATCH], rank)


def bad(word: str, rank: Rank) -> Finding:
    return Finding(Level.BAD, word, SEVERITY[Level.BAD], rank)
