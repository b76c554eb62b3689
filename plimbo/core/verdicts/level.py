"""How a matter stands: good, to be watched or bad, and the word for it."""

from typing import NamedTuple

from plimbo.core.quantities.choices import Choice


class Level(Choice):
    GOOD = "good"
    WATCH = "watch"
    BAD = "bad"


SEVERITY = {Level.GOOD: 0, Level.WATCH: 1, Level.BAD: 2}


class Finding(NamedTuple):
    """How a matter stands: its level and the word for it; the more severe, the worse."""

    level: Level
    word: str
    severity: int


def good(word: str) -> Finding:
    return Finding(Level.GOOD, word, SEVERITY[Level.GOOD])


def watch(word: str) -> Finding:
    return Finding(Level.WATCH, word, SEVERITY[Level.WATCH])


def bad(word: str) -> Finding:
    return Finding(Level.BAD, word, SEVERITY[Level.BAD])
