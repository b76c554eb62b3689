"""How a matter stands: good, to be watched or bad, and the word for it."""

from enum import StrEnum
from typing import NamedTuple


class Level(StrEnum):
    GOOD = "good"
    WATCH = "watch"
    BAD = "bad"


SEVERITY = {Level.GOOD: 0, Level.WATCH: 1, Level.BAD: 2}


class Finding(NamedTuple):
    """How a matter stands: its level and the word for it; the more severe, the worse."""

    level: Level
    word: str
    severity: int


def _finding(level: Level, word: str) -> Finding:
    return Finding(level, word, SEVERITY[level])


REAR_FIRST = _finding(Level.BAD, "Rear locks first")
FRONT_FIRST_JUST = _finding(Level.WATCH, "Front first, just")
TOO_MUCH_FRONT = _finding(Level.WATCH, "Too much front")
FRONT_FIRST = _finding(Level.GOOD, "Front locks first")
TOO_HEAVY = _finding(Level.BAD, "Too heavy")
HEAVY = _finding(Level.WATCH, "Heavy")
VERY_LIGHT = _finding(Level.WATCH, "Very light")
LEG_HOLDS = _finding(Level.GOOD, "Leg holds")
DISC_TOO_LIGHT = _finding(Level.BAD, "Disc too light")
DISC_NEAR_LIMIT = _finding(Level.WATCH, "Disc near its limit")
DISCS_SOAK_IT_UP = _finding(Level.GOOD, "Discs soak it up")
SIZES_WRONG = _finding(Level.WATCH, "Sizes wrong, bar wound")
OUT_OF_STROKE = _finding(Level.BAD, "Out of stroke")
MEETS_THE_FLOOR = _finding(Level.BAD, "Meets the floor")
OVER_RATING = _finding(Level.BAD, "Past its rating")
BAR_TILTS_OVER = _finding(Level.BAD, "Bar tilts over")
BAR_TILTS = _finding(Level.WATCH, "Bar tilts")
STROKE_SHORT = _finding(Level.WATCH, "Little stroke left")
LONG_PEDAL = _finding(Level.WATCH, "Long pedal")
FLOOR_ON_ONE_CIRCUIT = _finding(Level.WATCH, "Floor on one circuit")
TRAVEL_HOLDS = _finding(Level.GOOD, "Travel holds")
ANTI_LOCK_OFF = _finding(Level.BAD, "Off its tune")
ANTI_LOCK_NEAR = _finding(Level.WATCH, "Near its edge")
ANTI_LOCK_KEPT = _finding(Level.GOOD, "As tuned")
ANTI_LOCK_UNKNOWN = _finding(Level.WATCH, "Originals not known")
