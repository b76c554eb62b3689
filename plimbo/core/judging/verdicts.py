"""The verdicts over all declared states: a word, a number with its margin, and the reason."""

import math
from collections.abc import Sequence

from pydantic import Field

from plimbo.core import defaults
from plimbo.core.brakes.stock import Swap
from plimbo.core.documents import Car, Setup
from plimbo.core.documents.fields import Result
from plimbo.core.judging import screening
from plimbo.core.judging.screening import Level, Screen
from plimbo.core.phrases import Measure, Phrase, measure, phrase


class Mend(Result):
    """A change of one size that mends a verdict, and what it does."""

    joint: str
    title: str
    dimension: str
    before: tuple[float, ...]
    swap: Swap
    word: str = Field(description="The verdict with this change.")
    level: Level
    effect: Phrase


class Verdict(Result):
    """What is said of one matter over all declared states."""

    key: str
    title: str
    level: Level
    word: str
    number: Measure
    margin: Measure
    margin_words: str
    state: str | None = Field(description="The state that decides.")
    reason: Phrase
    mends: tuple[Mend, ...] = ()


def _lock_order_reason(screened: Screen, setup: Setup, metres_lost: Sequence[float]) -> Phrase:
    worst = screened.worst
    if worst.rear_first:
        front_holds = "the front would hold to {front}" if math.isfinite(worst.front_lock) else "the front never can"
        return phrase(
            f"{worst.name}: the rear locks at {{rear}}, {front_holds}. The car can spin.",
            rear=(worst.rear_lock, "deceleration"),
            front=(worst.front_lock, "deceleration"),
        )
    finding = screening.lock_order_finding(screened)
    if finding is screening.FRONT_FIRST_JUST:
        name = next(row.name for row in screened.states if row.rear_first_in_tolerance)
        return phrase(
            f"{name}: with the rear pads biting {{tolerance}} more than the front's, the rear would lock first.",
            tolerance=(setup.pad_tolerance, "share"),
        )
    least, lost = min(zip(screened.states, metres_lost, strict=True), key=lambda pair: pair[0].efficiency)
    opening = "The fronts do too much" if finding is screening.TOO_MUCH_FRONT else "Front first"
    return phrase(
        f"{opening} in every state. {least.name} uses {{efficiency}} of the grip: {{lost}} longer than ideal.",
        efficiency=(least.efficiency, "share"),
        lost=(lost, "distance"),
    )


def lock_order_verdict(screened: Screen, setup: Setup, metres_lost: Sequence[float]) -> Verdict:
    """Which axle locks first; `metres_lost` of the hardest stop, one for each state."""
    finding, worst = screening.lock_order_finding(screened), screened.worst
    return Verdict(
        key="lock_order",
        title="Lock order",
        level=finding.level,
        word=finding.word,
        number=measure(worst.first_lock, "deceleration"),
        margin=measure(worst.spare, "deceleration"),
        margin_words="rear after front by",
        state=worst.name,
        reason=_lock_order_reason(screened, setup, metres_lost),
    )


_LEG_WORDS = {
    screening.TOO_HEAVY: "needs {push}, the driver holds {limit}: the tyres are never used.",
    screening.HEAVY: "needs {push}, close to the {limit} that the driver holds.",
    screening.VERY_LIGHT: "locks at {push}: too light to feel for the limit.",
    screening.LEG_HOLDS: "needs {push} at first lock, the driver holds {limit}.",
}


def leg_verdict(screened: Screen, car: Car) -> Verdict:
    """Foot force at first lock against the driver's own limit, and against a push too light to feel."""
    finding, limit = screening.leg_finding(screened, car), car.driver.foot_force_limit
    light = finding is screening.VERY_LIGHT
    push = screened.lightest_push if light else screened.hardest_push
    state = next(row.name for row in screened.states if row.foot_force == push)
    return Verdict(
        key="leg",
        title="Leg",
        level=finding.level,
        word=finding.word,
        number=measure(push, "force"),
        margin=measure(push - defaults.LIGHT_FOOT.value if light else limit - push, "force"),
        margin_words="over the lightest push felt" if light else "left in the leg",
        state=state,
        reason=phrase(f"{state} {_LEG_WORDS[finding]}", push=(push, "force"), limit=(limit, "force")),
    )


_HEAT_WORDS = {
    screening.DISC_TOO_LIGHT: "past the {limit} that its material takes: fit a heavier one.",
    screening.DISC_NEAR_LIMIT: "close to the {limit} that its material takes.",
    screening.DISCS_SOAK_IT_UP: "its material takes {limit}.",
}


def heat_verdict(screened: Screen) -> Verdict:
    """One stop from top speed, nothing cooling: is there enough disc to soak it up?"""
    finding, (axle, disc) = screening.heat_finding(screened), screened.hotter
    return Verdict(
        key="heat",
        title="Heat",
        level=finding.level,
        word=finding.word,
        number=measure(disc.temperature_rise, "temperature difference"),
        margin=measure(disc.rise_limit - disc.temperature_rise, "temperature difference"),
        margin_words="under the disc's limit",
        state=screened.hottest if len(screened.states) > 1 else None,
        reason=phrase(
            f"One stop from top speed heats each {axle} disc by {{rise}}; {_HEAT_WORDS[finding]} One stop, no cooling.",
            rise=(disc.temperature_rise, "temperature difference"),
            limit=(disc.rise_limit, "temperature difference"),
        ),
    )
