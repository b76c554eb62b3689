"""The level of a matter: good, to be watched or bad, and its word."""

from typing import NamedTuple

from plimbo.core.quantities.choices import Choice


class Level(Choice):
    GOOD = "good"
    WATCH = "watch"
    BAD = "bad"


SEVERITY = {Level.GOOD: 0, Level.WATCH: 1, Level.BAD: 2}


class Finding(NamedTuple):
    """The finding on a matter: its level and its word; a higher severity is worse."""

    level: Level
    word: str
    severity: int


def good(word: str) -> Finding:
    return Finding(Level.GOOD, word, SEVERITY[Level.GOOD])


def watch(word: str) -> Finding:
    return Finding(Level.WATCH, word, SEVERITY[Level.WATCH])


def bad(word: str) -> Finding:
    return Finding(Level.BAD, word, SEVERITY[Level.BAD])
