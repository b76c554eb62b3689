"""Travel: stroke, floor, ratings and the tilt of the bar, at the hardest first lock over all states."""

from collections.abc import Iterator

import numpy as np

from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.phrases import Phrase, measure, phrase
from plimbo.core.stepping.changes import Change, ChangeKind
from plimbo.core.verdicts.level import Finding, Rank, bad, good, watch
from plimbo.core.verdicts.matter import Criterion, Fact, Judgement, Matter, Verdict, first_that_holds
from plimbo.core.verdicts.rule import rule
from plimbo.core.verdicts.travel_changes import travel_changes
from plimbo.core.verdicts.travel_numbers import RATED, TravelNumbers, travel_numbers
from plimbo.core.working.numbers import Array, single

OUT_OF_STROKE = bad("Out of stroke", Rank.TRAVEL)
MEETS_THE_FLOOR = bad("Meets the floor", Rank.TRAVEL)
OVER_RATING = bad("Past its rating", Rank.TRAVEL)
PRESSURE_TOO_HIGH = bad("Pressure too high", Rank.TRAVEL)
BAR_TILTS_OVER = bad("Bar tilts over", Rank.TRAVEL)
PRESSURE_UNRATED = watch("Pressure without a rating", Rank.TRAVEL)
BAR_TILTS = watch("Bar tilts", Rank.TRAVEL)
STROKE_SHORT = watch("Little stroke left", Rank.TRAVEL)
LONG_PEDAL = watch("Long pedal", Rank.TRAVEL)
FLOOR_AT_FULL_PUSH = watch("Floor at a full push", Rank.TRAVEL)
FLOOR_ON_ONE_CIRCUIT = watch("Floor with one circuit failed", Rank.TRAVEL)
TRAVEL_HOLDS = good("Travel holds")

_PADS_DUE = "At the hardest first lock, pads due and after knock-back, "
_REASONS = {
    OUT_OF_STROKE: _PADS_DUE + "the {axle} cylinder runs out of stroke: {over} too little.",
    MEETS_THE_FLOOR: _PADS_DUE + "the pedal goes {due}, its room is {room}.",
    OVER_RATING: "At the driver's greatest push, {push}, the {part} has {pressure}; its maker allows {rating}.",
    PRESSURE_TOO_HIGH: "At the driver's greatest push, {push}, parts without a rating see {unrated}; hardly any is made"
    " for more than {most}.",
    PRESSURE_UNRATED: "At the driver's greatest push, {push}, parts without a rating see {unrated}: past {asked} ask"
    " their makers, and type what they say.",
    BAR_TILTS_OVER: "At the hardest first lock the bar tilts {tilt}: it binds and no longer shares as it is set.",
    BAR_TILTS: "At the hardest first lock the bar tilts {tilt}; past {tilt_watched} it begins to bind.",
    STROKE_SHORT: _PADS_DUE + "the {axle} cylinder has {left} of its stroke left.",
    LONG_PEDAL: _PADS_DUE + "the pedal goes {due} of its room of {room}.",
    FLOOR_AT_FULL_PUSH: "At the driver's greatest push, {push}, pads due, the {end}.",
    FLOOR_ON_ONE_CIRCUIT: "With one circuit failed the pedal meets the floor before the other makes {light}.",
    TRAVEL_HOLDS: _PADS_DUE + "the pedal goes {due} of {room}, the {axle} cylinder has {left} of its stroke left.",
}
# Shares of a limit that are comfortable.
COMFORTABLE, TILT_COMFORTABLE, RATING_COMFORTABLE, FULL_COMFORTABLE = 0.8, 0.7, 0.85, 0.9
UNRATED_COMFORTABLE = 0.95


class Travel(Matter[TravelNumbers]):
    key = "travel"
    title = "Travel"
    findings = (
        OUT_OF_STROKE,
        MEETS_THE_FLOOR,
        OVER_RATING,
        PRESSURE_TOO_HIGH,
        BAR_TILTS_OVER,
        BAR_TILTS,
        STROKE_SHORT,
        LONG_PEDAL,
        PRESSURE_UNRATED,
        FLOOR_AT_FULL_PUSH,
        FLOOR_ON_ONE_CIRCUIT,
        TRAVEL_HOLDS,
    )
    facts = (
        Fact(label="pedal at first lock", headline="hydraulics/lock.pedal", dimension="length"),
        Fact(label="pedal at light braking", headline="hydraulics/light.pedal", dimension="length"),
        Fact(label="with pads that are due", headline="hydraulics/lock.worn", dimension="length"),
        Fact(label="front stroke used", headline="hydraulics/lock.front.stroke", dimension="length"),
        Fact(label="rear stroke used", headline="hydraulics/lock.rear.stroke", dimension="length"),
        Fact(label="tilt of the bar", headline="hydraulics/lock.tilt", dimension="angle"),
        Fact(label="stiffness", headline="hydraulics/stiffness", dimension="stiffness"),
    )

    limits = ("room_used", "stroke_left", "tilt_watched", "tilt_most")
    order = (
        ChangeKind.BLEED,
        ChangeKind.WEAR,
        ChangeKind.SPRINGS,
        ChangeKind.HOSES,
        ChangeKind.STROKE,
        ChangeKind.BORE,
        ChangeKind.RATIO,
        ChangeKind.PISTONS,
        ChangeKind.DIAMETER,
        ChangeKind.TURN,
        ChangeKind.COMPOUND,
    )

    def numbers(self, screening: Screening) -> TravelNumbers:
        return travel_numbers(screening)

    def judge(self, numbers: TravelNumbers, car: Car) -> Array:
        tilt, limits = np.abs(numbers.tilt), car.limits
        return first_that_holds(
            (
                numbers.left < 0,
                numbers.due > numbers.room,
                numbers.pressure > numbers.rating,
                numbers.unrated > defaults.UNRATED_MOST.value,
                tilt >= limits.tilt_most,
                tilt >= limits.tilt_watched,
                numbers.left_part < limits.stroke_left,
                numbers.due > limits.room_used * numbers.room,
                numbers.unrated > defaults.UNRATED_WATCHED.value,
                (numbers.due_full > numbers.room) | (numbers.left_full < 0),
                np.logical_not(numbers.covers),
            )
        )

    def criteria(self, numbers: TravelNumbers, car: Car) -> tuple[Criterion, ...]:
        limits = car.limits
        stroke_used, room, watched = 1 - limits.stroke_left, limits.room_used, defaults.UNRATED_WATCHED.value
        return (
            Criterion("pedal", numbers.due / numbers.room, COMFORTABLE * room, room),
            Criterion("stroke", 1 - numbers.left_part, COMFORTABLE * stroke_used, stroke_used),
            Criterion("tilt", np.abs(numbers.tilt), TILT_COMFORTABLE * limits.tilt_watched, limits.tilt_watched),
            Criterion("rating", numbers.pressure / numbers.rating, RATING_COMFORTABLE, 1.0),
            Criterion("unrated", numbers.unrated, UNRATED_COMFORTABLE * watched, watched),
            Criterion("full pedal", numbers.due_full / numbers.room, FULL_COMFORTABLE, 1.0),
            Criterion("full stroke", 1 - numbers.left_full, FULL_COMFORTABLE, 1.0),
            Criterion("one circuit", np.where(numbers.covers, 0.0, 1.1), 0.5, 1.0),
        )

    def worsening(self, criterion: str, before: TravelNumbers, after: TravelNumbers) -> Phrase:
        if criterion == "one circuit":
            return phrase("with one circuit failed the pedal meets the floor")
        if criterion == "tilt":
            now, was = abs(single(after.tilt)), abs(single(before.tilt))
            return phrase("bar tilts {now}, was {was}", now=(now, "angle"), was=(was, "angle"))
        words, name, dimension = {
            "pedal": ("pedal {now}, was {was}, pads due", "due", "length"),
            "stroke": ("{now} of the stroke left, was {was}, pads due", "left", "length"),
            "rating": (
                f"{RATED[int(after.rated)]} sees {{now}} at the greatest push, was {{was}}",
                "pressure",
                "pressure",
            ),
            "unrated": ("parts without a rating see {now} at the greatest push, was {was}", "unrated", "pressure"),
            "full pedal": ("pedal {now} at the greatest push, was {was}, pads due", "due_full", "length"),
            "full stroke": ("{now} of the stroke left at the greatest push, was {was}", "left_full", "share"),
        }[criterion]
        return phrase(words, now=(getattr(after, name), dimension), was=(getattr(before, name), dimension))

    def comes_first(self, change: Change, _then: Finding) -> bool:
        """Air must be bled first, whatever else is changed."""
        return change.kind is ChangeKind.BLEED

    def changes(self, _screening: Screening, setup: Setup) -> Iterator[Change]:
        return travel_changes(setup)

    def verdict(self, screening: Screening, _setup: Setup, judged: Judgement[TravelNumbers]) -> Verdict:
        numbers, finding = judged.numbers(), judged.finding
        shorter = Axle.FRONT if numbers.front_shorter else Axle.REAR
        limits = screening.conditions.car.limits
        end = "pedal meets the floor" if numbers.due_full > numbers.room else f"{shorter} cylinder runs out of stroke"
        unchecked = ""
        if numbers.unrated > 0 and finding not in (OVER_RATING, PRESSURE_TOO_HIGH, PRESSURE_UNRATED):
            unchecked = (
                " Not checked: parts without a rating see up to {unrated} at the driver's greatest push, {push}."
            )
        return Verdict(
            key=self.key,
            title=self.title,
            level=finding.level,
            word=finding.word,
            rank=finding.rank,
            past=judged.past,
            number=measure(numbers.due, "length"),
            margin=measure(numbers.left, "length"),
            margin_words=f"stroke left, {shorter}",
            state=screening.conditions.names[int(screening.front_at_lock[0].argmax())],
            condition="pads due",
            rule=rule(
                "At the hardest lock, pads due, after knock-back: pedal and cylinders keep some way. At {push}, the"
                " driver's most, no part over its rating, or {most} where it has none.",
                "Pedal over {used} of its room. Under {kept} of a stroke left. Bar tilted over {tilt_watched}. Over"
                " {asked} at a part without a rating. On the floor at {push}, or with one circuit failed.",
                "Out of way. Over a rating. Bar tilted over {tilt_most}.",
                push=(numbers.push, "force"),
                most=(defaults.UNRATED_MOST.value, "pressure"),
                asked=(defaults.UNRATED_WATCHED.value, "pressure"),
                used=(limits.room_used, "share"),
                kept=(limits.stroke_left, "share"),
                tilt_watched=(limits.tilt_watched, "angle"),
                tilt_most=(limits.tilt_most, "angle"),
            ),
            limits=("setup.pedal.room", *self.limit_paths()),
            reason=phrase(
                _REASONS[finding]
                .replace("{axle}", str(shorter))
                .replace("{part}", RATED[int(numbers.rated)])
                .replace("{end}", end)
                + unchecked,
                due=(numbers.due, "length"),
                room=(numbers.room, "length"),
                left=(numbers.left, "length"),
                over=(-numbers.left, "length"),
                tilt=(abs(single(numbers.tilt)), "angle"),
                tilt_watched=(limits.tilt_watched, "angle"),
                light=(defaults.LIGHT_BRAKING.value, "pressure"),
                push=(numbers.push, "force"),
                pressure=(numbers.pressure, "pressure"),
                rating=(numbers.rating, "pressure"),
                unrated=(numbers.unrated, "pressure"),
                most=(defaults.UNRATED_MOST.value, "pressure"),
                asked=(defaults.UNRATED_WATCHED.value, "pressure"),
            ),
            facts=self.facts,
        )

    def effect(self, finding: Finding, before: TravelNumbers, after: TravelNumbers, push: float) -> Phrase:
        """For the number that was judged."""
        if finding is OVER_RATING:
            return phrase(
                "{pressure} at the greatest push, foot {push:+}",
                pressure=(after.pressure, "pressure"),
                push=(push, "force"),
            )
        if finding in (PRESSURE_TOO_HIGH, PRESSURE_UNRATED):
            return phrase(
                "parts without a rating see {unrated} at the greatest push, foot {push:+}",
                unrated=(after.unrated, "pressure"),
                push=(push, "force"),
            )
        tilt = ", bar tilts {tilt}" if finding in (BAR_TILTS, BAR_TILTS_OVER) else ""
        return phrase(
            f"pedal {{travel:+}} with pads due, {{left}} of stroke left{tilt}, foot {{push:+}}",
            travel=(after.due - before.due, "length"),
            left=(after.left, "length"),
            tilt=(abs(single(after.tilt)), "angle"),
            push=(push, "force"),
        )


TRAVEL = Travel()
