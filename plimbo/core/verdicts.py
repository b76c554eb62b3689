"""The verdicts over all declared states: a word, a number with its margin, and the reason."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

from pydantic import Field

from plimbo.core import defaults
from plimbo.core.chain import Chain, foot_to_road
from plimbo.core.demand import Demand, lock_order
from plimbo.core.documents import Car, Setup, State
from plimbo.core.documents.fields import Result
from plimbo.core.single_stop import DiscStop, heat_of_stop
from plimbo.core.stock import Swap
from plimbo.core.working import Axle, Inputs


class Level(StrEnum):
    GOOD = "good"
    WATCH = "watch"
    BAD = "bad"


SEVERITY = {Level.GOOD: 0, Level.WATCH: 1, Level.BAD: 2}


class Measure(Result):
    """A number in SI with its dimension; no value where there is none to give."""

    value: float | None
    dimension: str


class Phrase(Result):
    """A sentence with its numbers kept apart, so that each reader sees them in their own units."""

    text: str = Field(description="`{name}` stands where the number of that name goes.")
    values: dict[str, Measure] = {}


def phrase(text: str, **values: tuple[float, str]) -> Phrase:
    """A sentence with numbers, each given as value and dimension."""
    return Phrase(text=text, values={name: measure(*pair) for name, pair in values.items()})


def measure(value: float, dimension: str) -> Measure:
    """A number with its dimension; none where it is not finite."""
    return Measure(value=float(value) if math.isfinite(value) else None, dimension=dimension)


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


@dataclass(frozen=True, slots=True)
class StateScreen:
    """What the verdicts need of one state: decelerations m/s², foot force N."""

    name: str
    front_lock: float
    rear_lock: float
    efficiency: float
    foot_force: float
    rear_first_in_tolerance: bool

    @property
    def rear_first(self) -> bool:
        return self.rear_lock < self.front_lock

    @property
    def spare(self) -> float:
        """How much later the rear would lock than the front, m/s²; minus infinity where the front never locks."""
        return self.rear_lock - self.front_lock

    @property
    def first_lock(self) -> float:
        return min(self.front_lock, self.rear_lock)


@dataclass(frozen=True, slots=True)
class Screen:
    """What the verdicts need of a setup, over all states."""

    states: tuple[StateScreen, ...]
    front_disc: DiscStop
    rear_disc: DiscStop
    chain: Chain


_plain = Inputs(with_working=False)


def screen(car: Car, setup: Setup, states: Sequence[State], roads: Sequence[Demand]) -> Screen:
    """A setup's few decisive numbers; fast, for the verdicts and for trying many sizes."""
    chain = foot_to_road(car, setup, _plain)
    front, rear = heat_of_stop(car, setup, chain, _plain)
    weaker_front = chain.front.brake_force / (
        chain.front.brake_force + chain.rear.brake_force * (1 + setup.pad_tolerance)
    )
    rows = []
    for state, road in zip(states, roads, strict=True):
        lock = lock_order(road, chain.force_share)
        rows.append(
            StateScreen(
                name=state.name,
                front_lock=lock.front_force / car.mass,
                rear_lock=lock.rear_force / car.mass,
                efficiency=lock.efficiency,
                foot_force=car.driver.foot_force * lock.first_force / chain.total_force,
                rear_first_in_tolerance=lock_order(road, weaker_front).first is Axle.REAR,
            )
        )
    return Screen(tuple(rows), front, rear, chain)


def lock_order_verdict(screened: Screen, setup: Setup, metres_lost: Sequence[float]) -> Verdict:
    """Rear first in any state is the one red verdict that no setting hides."""
    worst = min(screened.states, key=lambda row: row.spare)
    least, lost = min(zip(screened.states, metres_lost, strict=True), key=lambda pair: pair[0].efficiency)
    values = {"rear": (worst.rear_lock, "deceleration"), "front": (worst.front_lock, "deceleration")}
    if worst.rear_first:
        level, word = Level.BAD, "Rear locks first"
        if math.isfinite(worst.front_lock):
            text = f"{worst.name}: the rear locks at {{rear}}, the front would hold to {{front}}. The car can spin."
        else:
            text = f"{worst.name}: the rear locks at {{rear}} and the front never can. The car can spin."
        reason = phrase(text, **values)
    elif any(row.rear_first_in_tolerance for row in screened.states):
        level, word = Level.WATCH, "Front first, just"
        name = next(row.name for row in screened.states if row.rear_first_in_tolerance)
        reason = phrase(
            f"{name}: with the rear pads biting {{tolerance}} more than the front's, the rear would lock first.",
            tolerance=(setup.pad_tolerance, "share"),
        )
    elif max(row.efficiency for row in screened.states) < defaults.BALANCE_WORTH.value:
        level, word = Level.WATCH, "Too much front"
        reason = phrase(
            f"The fronts do too much in every state: {least.name} uses {{efficiency}} of the grip, {{lost}} longer.",
            efficiency=(least.efficiency, "share"),
            lost=(lost, "distance"),
        )
    else:
        level, word = Level.GOOD, "Front locks first"
        reason = phrase(
            f"Front first in every state. {least.name} uses {{efficiency}} of the grip: {{lost}} longer than ideal.",
            efficiency=(least.efficiency, "share"),
            lost=(lost, "distance"),
        )
    return Verdict(
        key="lock_order",
        title="Lock order",
        level=level,
        word=word,
        number=measure(worst.first_lock, "deceleration"),
        margin=measure(worst.spare, "deceleration"),
        margin_words="rear after front by",
        state=worst.name,
        reason=reason,
    )


def leg_verdict(screened: Screen, car: Car) -> Verdict:
    """Foot force at first lock against the driver's own limit, and against a push too light to feel."""
    limit = car.driver.foot_force_limit
    hardest = max(screened.states, key=lambda row: row.foot_force)
    lightest = min(screened.states, key=lambda row: row.foot_force)
    push, margin, decides = hardest.foot_force, limit - hardest.foot_force, hardest
    margin_words = "driver's limit less this"
    if push > limit:
        level, word, text = Level.BAD, "Too heavy", "needs {push}, the driver holds {limit}: the tyres are never used."
    elif push > defaults.EFFORT_RESERVE.value * limit:
        level, word, text = Level.WATCH, "Heavy", "needs {push}, close to the {limit} that the driver holds."
    elif lightest.foot_force < defaults.LIGHT_FOOT.value:
        level, word, text = Level.WATCH, "Very light", "locks at {push}: too light to feel for the limit."
        push, decides = lightest.foot_force, lightest
        margin, margin_words = push - defaults.LIGHT_FOOT.value, "over the lightest push felt"
    else:
        level, word, text = Level.GOOD, "Leg holds", "needs {push} at first lock, the driver holds {limit}."
    return Verdict(
        key="leg",
        title="Leg",
        level=level,
        word=word,
        number=measure(push, "force"),
        margin=measure(margin, "force"),
        margin_words=margin_words,
        state=decides.name,
        reason=phrase(f"{decides.name} {text}", push=(push, "force"), limit=(limit, "force")),
    )


def heat_verdict(screened: Screen) -> Verdict:
    """One stop from top speed, nothing cooling: is there enough disc to soak it up?"""
    axle, disc = max(
        ((Axle.FRONT, screened.front_disc), (Axle.REAR, screened.rear_disc)),
        key=lambda pair: pair[1].temperature_rise / pair[1].rise_limit,
    )
    used = disc.temperature_rise / disc.rise_limit
    if used > 1:
        level, word, text = Level.BAD, "Disc too light", "past the {limit} that its material takes: fit a heavier one."
    elif used > defaults.STOP_RISE_RESERVE.value:
        level, word, text = Level.WATCH, "Disc near its limit", "close to the {limit} that its material takes."
    else:
        level, word, text = Level.GOOD, "Discs soak it up", "its material takes {limit}."
    return Verdict(
        key="heat",
        title="Heat",
        level=level,
        word=word,
        number=measure(disc.temperature_rise, "temperature difference"),
        margin=measure(disc.rise_limit - disc.temperature_rise, "temperature difference"),
        margin_words="under the disc's limit by",
        state=None,
        reason=phrase(
            f"One stop from top speed heats each {axle} disc by {{rise}}; {text} One stop only, no cooling.",
            rise=(disc.temperature_rise, "temperature difference"),
            limit=(disc.rise_limit, "temperature difference"),
        ),
    )
