"""How a matter stands: good, to be watched or bad, and the word for it."""

from enum import StrEnum
from typing import NamedTuple


class Level(StrEnum):
    GOOD = "good"
    WATCH = "watch"
    BAD = "bad"


SEVERITY = {Level.GOOD: 0, Level.WATCH: 1, Level.BAD: 2}


class Finding(NamedTuple):
    """How a matter stands: its level and the word for it."""

    level: Level
    word: str


REAR_FIRST = Finding(Level.BAD, "Rear locks first")
FRONT_FIRST_JUST = Finding(Level.WATCH, "Front first, just")
TOO_MUCH_FRONT = Finding(Level.WATCH, "Too much front")
FRONT_FIRST = Finding(Level.GOOD, "Front locks first")
TOO_HEAVY = Finding(Level.BAD, "Too heavy")
HEAVY = Finding(Level.WATCH, "Heavy")
VERY_LIGHT = Finding(Level.WATCH, "Very light")
LEG_HOLDS = Finding(Level.GOOD, "Leg holds")
DISC_TOO_LIGHT = Finding(Level.BAD, "Disc too light")
DISC_NEAR_LIMIT = Finding(Level.WATCH, "Disc near its limit")
DISCS_SOAK_IT_UP = Finding(Level.GOOD, "Discs soak it up")
SIZES_WRONG = Finding(Level.WATCH, "Sizes wrong, bar wound")
OUT_OF_STROKE = Finding(Level.BAD, "Out of stroke")
MEETS_THE_FLOOR = Finding(Level.BAD, "Meets the floor")
OVER_RATING = Finding(Level.BAD, "Past its rating")
BAR_TILTS_OVER = Finding(Level.BAD, "Bar tilts over")
BAR_TILTS = Finding(Level.WATCH, "Bar tilts")
STROKE_SHORT = Finding(Level.WATCH, "Little stroke left")
LONG_PEDAL = Finding(Level.WATCH, "Long pedal")
FLOOR_ON_ONE_CIRCUIT = Finding(Level.WATCH, "Floor on one circuit")
TRAVEL_HOLDS = Finding(Level.GOOD, "Travel holds")
ANTI_LOCK_OFF = Finding(Level.BAD, "Off its tune")
ANTI_LOCK_NEAR = Finding(Level.WATCH, "Near its edge")
ANTI_LOCK_KEPT = Finding(Level.GOOD, "As tuned")
ANTI_LOCK_UNKNOWN = Finding(Level.WATCH, "Originals not known")
