"""The verdicts over all declared states: a word, a number with its margin, and the reason."""

import math
from collections.abc import Mapping

from pydantic import Field

from plimbo.core import defaults
from plimbo.core.brakes.joints import Swap
from plimbo.core.documents import Car, Setup
from plimbo.core.documents.fields import Result
from plimbo.core.judging import findings, judge
from plimbo.core.judging.anti_lock import Compared, anti_lock_finding, worst_row
from plimbo.core.judging.centring import bar_share, centrings
from plimbo.core.judging.findings import Level
from plimbo.core.judging.screening import Screen
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
    disturbs: tuple[str, ...] = Field((), description="What it makes worse, in the verdicts' words.")


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


def _bar_reason(setup: Setup) -> Phrase:
    """The bar is wound: which size it hides."""
    share, turns = bar_share(setup), setup.balance_bar.offset / setup.balance_bar.thread_pitch
    toward = "front" if share > 0 else "rear"
    opening = f"The bar stands {{turns}} toward the {toward}, {{share}} of its half: the sizes are wrong, not the bar."
    numbers = {"turns": (abs(turns), "turns"), "share": (abs(share), "share")}
    for one in centrings(setup)[:1]:
        numbers |= {"bore": (one.bore, "bore"), "back": (one.offset / setup.balance_bar.thread_pitch, "turns")}
        return phrase(
            f"{opening} A {{bore}} {one.axle} cylinder brings it to {{back:+}} with the same balance.", **numbers
        )
    return phrase(f"{opening} No cylinder on the shelf alone brings it back.", **numbers)


def _lock_order_reason(screened: Screen, setup: Setup, metres_lost: Mapping[str, float]) -> Phrase:
    worst = screened.worst
    if judge.lock_order_finding(screened) is findings.SIZES_WRONG:
        return _bar_reason(setup)
    if worst.rear_first:
        front_holds = "the front would hold to {front}" if math.isfinite(worst.front_lock) else "the front never can"
        return phrase(
            f"{worst.name}: the rear locks at {{rear}}, {front_holds}. The car can spin.",
            rear=(worst.rear_lock, "deceleration"),
            front=(worst.front_lock, "deceleration"),
        )
    finding = judge.lock_order_finding(screened)
    if finding is findings.FRONT_FIRST_JUST:
        return phrase(
            f"{screened.just}: if the rear pads bite {{tolerance}} more than the front's, the rear locks first.",
            tolerance=(setup.pad_tolerance, "share"),
        )
    least, lost = screened.least_used, metres_lost[screened.least_used.name]
    opening = "The fronts do too much" if finding is findings.TOO_MUCH_FRONT else "Front first"
    return phrase(
        f"{opening} in every state. {least.name} uses {{efficiency}} of the grip: {{lost}} longer than ideal.",
        efficiency=(least.efficiency, "share"),
        lost=(lost, "distance"),
    )


def lock_order_verdict(screened: Screen, setup: Setup, metres_lost: Mapping[str, float]) -> Verdict:
    """Which axle locks first; `metres_lost` of the hardest stop, one for each state."""
    finding, worst = judge.lock_order_finding(screened), screened.worst
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
    findings.TOO_HEAVY: "needs {push}, the driver holds {limit}: the tyres are never used.",
    findings.HEAVY: "needs {push}, close to the {limit} that the driver holds.",
    findings.VERY_LIGHT: "locks at {push}: too light to feel for the limit.",
    findings.LEG_HOLDS: "needs {push} at first lock, the driver holds {limit}.",
}


def leg_verdict(screened: Screen, car: Car) -> Verdict:
    """Foot force at first lock against the driver's own limit, and against a push too light to feel."""
    finding, limit = judge.leg_finding(screened, car), car.driver.foot_force_limit
    light = finding is findings.VERY_LIGHT
    row = screened.lightest if light else screened.hardest
    push, state = row.foot_force, row.name
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
    findings.DISC_TOO_LIGHT: "past the {limit} that its material takes: fit a heavier one.",
    findings.DISC_NEAR_LIMIT: "close to the {limit} that its material takes.",
    findings.DISCS_SOAK_IT_UP: "its material takes {limit}.",
}


def heat_verdict(screened: Screen) -> Verdict:
    """One stop from top speed, nothing cooling: is there enough disc to soak it up?"""
    finding, (axle, disc) = judge.heat_finding(screened), screened.hotter
    return Verdict(
        key="heat",
        title="Heat",
        level=finding.level,
        word=finding.word,
        number=measure(disc.rise, "temperature difference"),
        margin=measure(disc.limit - disc.rise, "temperature difference"),
        margin_words="under the disc's limit",
        state=screened.hottest,
        reason=phrase(
            f"One stop from top speed heats each {axle} disc by {{rise}}; {_HEAT_WORDS[finding]} One stop, no cooling.",
            rise=(disc.rise, "temperature difference"),
            limit=(disc.limit, "temperature difference"),
        ),
    )


_TRAVEL_WORDS = {
    findings.OUT_OF_STROKE: "the {axle} cylinder runs out of stroke: {over} too little.",
    findings.MEETS_THE_FLOOR: "the pedal goes {due}, its room is {room}.",
    findings.OVER_RATING: "the {axle} circuit is pressed past what its maker allows.",
    findings.BAR_TILTS_OVER: "the bar tilts {tilt}: it binds and no longer shares as it is set.",
    findings.BAR_TILTS: "the bar tilts {tilt}; past 10 degrees it begins to bind.",
    findings.STROKE_SHORT: "the {axle} cylinder has {left} of its stroke left.",
    findings.LONG_PEDAL: "the pedal goes {due} of its room of {room}.",
    findings.FLOOR_ON_ONE_CIRCUIT: "With one circuit lost the pedal meets the floor before the other makes {light}.",
    findings.TRAVEL_HOLDS: "the pedal goes {due} of {room}, the {axle} cylinder has {left} of its stroke left.",
}


def travel_verdict(screened: Screen) -> Verdict:
    """Stroke, floor, ratings and tilt at the hardest first lock, pads due and after knock-back."""
    finding, travel = judge.travel_finding(screened), screened.travel
    axle = travel.over_rating if finding is findings.OVER_RATING else travel.shortest
    opening = "At the hardest first lock, pads due and after knock-back, "
    if finding in (findings.BAR_TILTS, findings.BAR_TILTS_OVER, findings.OVER_RATING):
        opening = "At the hardest first lock "
    if finding is findings.FLOOR_ON_ONE_CIRCUIT:
        opening = ""
    return Verdict(
        key="travel",
        title="Travel",
        level=finding.level,
        word=finding.word,
        number=measure(travel.pedal, "length"),
        margin=measure(travel.left, "length"),
        margin_words=f"stroke left, {travel.shortest}",
        state=None,
        reason=phrase(
            (opening + _TRAVEL_WORDS[finding]).replace("{axle}", str(axle)),
            due=(travel.due, "length"),
            room=(travel.room, "length"),
            left=(travel.left, "length"),
            over=(-travel.left, "length"),
            tilt=(abs(travel.tilt), "angle"),
            light=(defaults.LIGHT_BRAKING.value, "pressure"),
        ),
    )


def anti_lock_verdict(rows: tuple[Compared, ...]) -> Verdict:
    """How far the brakes are from what the stock anti-lock system was tuned to."""
    finding, row = anti_lock_finding(rows), worst_row(rows)
    what = f"{row.axle} {row.title[0].lower()}{row.title[1:]}" if row.axle else row.title[0].lower() + row.title[1:]
    if finding is findings.ANTI_LOCK_UNKNOWN:
        reason = phrase("Enter the original pistons, discs and pads: until then nobody knows what the system expects.")
    else:
        reason = phrase(
            f"Furthest off: {what}, {{off:+}} of the original. Within {{pass_}} the system works as it was tuned; past"
            " {watch} its guesses no longer hold.",
            off=(row.off or 0.0, "share"),
            pass_=(defaults.ANTI_LOCK_PASS.value, "share"),
            watch=(defaults.ANTI_LOCK_WATCH.value, "share"),
        )
    most = defaults.ANTI_LOCK_PASS.value
    return Verdict(
        key="anti_lock",
        title="Anti-lock",
        level=finding.level,
        word=finding.word,
        number=measure(math.nan if row.off is None else row.off, "share"),
        margin=measure(math.nan if row.off is None else abs(most - abs(row.off)), "share"),
        margin_words="past the pass band by" if row.off is not None and abs(row.off) > most else "inside the band by",
        state=None,
        reason=reason,
    )
