"""The limits between good, to be watched and bad; each car may have its own."""

from typing import Any

from pydantic import ValidationInfo, field_validator

from plimbo.core.quantities import defaults
from plimbo.core.quantities.defaults import Assumption
from plimbo.core.quantities.fields import Document, quantity


def _limit(
    dimension: str, title: str, default: Assumption, least: float, most: float, usual: tuple[float, float]
) -> Any:
    """A limit is a choice, not a guess about the car, so it is never listed under *Still to measure*."""
    return quantity(
        dimension,
        title,
        f"{default.reason} Plimbo's own unless you set it.",
        least=least,
        most=most,
        usual=usual,
        default=default.value,
    )


class Limits(Document):
    """The limits that the verdicts are held against."""

    grip_used: float = _limit("share", "Grip used, watched under", defaults.GRIP_USED, 0.3, 0.99, (0.7, 0.9))
    grip_at_best: float = _limit(
        "share", "Grip in the best state, watched under", defaults.BALANCE_WORTH, 0.3, 1, (0.85, 0.97)
    )
    brakes_at_all: float = _limit(
        "share", "Grip in the best state, bad under", defaults.BRAKES_AT_ALL, 0.05, 0.9, (0.4, 0.7)
    )
    draws_rear_first: float = _limit(
        "share", "Rear first in likely cars, watched over", defaults.DRAWS_REAR_FIRST, 0, 1, (0.05, 0.3)
    )
    bar_off_centre: float = _limit(
        "share", "Bar off centre, of the way to its end, watched over", defaults.BAR_SHARE_MOST, 0.02, 0.9, (0.15, 0.4)
    )
    leg_reserve: float = _limit(
        "share", "Of what the driver holds, watched over", defaults.EFFORT_RESERVE, 0.3, 1, (0.7, 1)
    )
    light_push: float = _limit("force", "Too light to feel under", defaults.LIGHT_FOOT, 0, 400, (50, 150))
    room_used: float = _limit(
        "share", "Pedal's way, of its room, watched over", defaults.ROOM_RESERVE, 0.2, 1, (0.6, 0.9)
    )
    stroke_left: float = _limit(
        "share", "Stroke left, of all, watched under", defaults.STROKE_RESERVE, 0, 0.8, (0.05, 0.3)
    )
    tilt_watched: float = _limit("angle", "Tilt of the bar, watched over", defaults.TILT_WATCH, 0.02, 0.5, (0.1, 0.2))
    tilt_most: float = _limit("angle", "Tilt of the bar, bad over", defaults.TILT_MOST, 0.02, 0.6, (0.15, 0.3))
    stop_heat: float = _limit(
        "share",
        "One stop's heat, of what the disc takes, watched over",
        defaults.STOP_RISE_RESERVE,
        0.3,
        1,
        (0.7, 0.95),
    )
    off_the_original: float = _limit(
        "share", "Off the original, watched over", defaults.ANTI_LOCK_PASS, 0.005, 0.5, (0.03, 0.08)
    )
    off_the_original_most: float = _limit(
        "share", "Off the original, bad over", defaults.ANTI_LOCK_WATCH, 0.01, 1, (0.06, 0.15)
    )

    @field_validator("brakes_at_all")
    @classmethod
    def bad_under_watched(cls, bad: float, info: ValidationInfo) -> float:
        return _in_order(bad <= info.data.get("grip_at_best", 1), bad)

    @field_validator("tilt_most")
    @classmethod
    def tilt_in_order(cls, most: float, info: ValidationInfo) -> float:
        return _in_order(most >= info.data.get("tilt_watched", 0), most)

    @field_validator("off_the_original_most")
    @classmethod
    def original_in_order(cls, most: float, info: ValidationInfo) -> float:
        return _in_order(most >= info.data.get("off_the_original", 0), most)


def _in_order(holds: bool, value: float) -> float:
    if not holds:
        raise ValueError("What is bad must lie past what is to be watched: move one of the two limits.")
    return value
