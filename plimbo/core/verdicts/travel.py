"""Travel: stroke, floor, ratings and the tilt of the bar, at the hardest first lock over all states."""

from collections.abc import Iterator
from typing import Any, NamedTuple

import numpy as np

from plimbo.core.braking.circuit_failure import pedal_of_stroke
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, HoseKind, Retention, Setup
from plimbo.core.friction.torque import pressure_for_force
from plimbo.core.hydraulics.brake_system import BrakeSystem
from plimbo.core.hydraulics.travel import axle_stroke, knock_back, pedal_travel_of_rod, rear_line, rod_of_strokes
from plimbo.core.hydraulics.valve import valve_output
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.phrases import Phrase, measure, phrase
from plimbo.core.shelf.changes import Change, Json, Kind, done, to_size
from plimbo.core.verdicts.level import Finding, bad, good, watch
from plimbo.core.verdicts.matter import Fact, Judgement, Matter, Strain, Verdict, first_that_holds
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import Array, Number, is_array, side_by_side

OUT_OF_STROKE = bad("Out of stroke")
MEETS_THE_FLOOR = bad("Meets the floor")
OVER_RATING = bad("Past its rating")
BAR_TILTS_OVER = bad("Bar tilts over")
BAR_TILTS = watch("Bar tilts")
STROKE_SHORT = watch("Little stroke left")
LONG_PEDAL = watch("Long pedal")
FLOOR_AT_FULL_PUSH = watch("Floor at a full push")
FLOOR_ON_ONE_CIRCUIT = watch("Floor on one circuit")
TRAVEL_HOLDS = good("Travel holds")

_PADS_DUE = "At the hardest first lock, pads due and after knock-back, "
_REASONS = {
    OUT_OF_STROKE: _PADS_DUE + "the {axle} cylinder runs out of stroke: {over} too little.",
    MEETS_THE_FLOOR: _PADS_DUE + "the pedal goes {due}, its room is {room}.",
    OVER_RATING: "At the driver's greatest push, {push}, the {part} has {pressure}; its maker allows {rating}.",
    BAR_TILTS_OVER: "At the hardest first lock the bar tilts {tilt}: it binds and no longer shares as it is set.",
    BAR_TILTS: "At the hardest first lock the bar tilts {tilt}; past {tilt_watched} it begins to bind.",
    STROKE_SHORT: _PADS_DUE + "the {axle} cylinder has {left} of its stroke left.",
    LONG_PEDAL: _PADS_DUE + "the pedal goes {due} of its room of {room}.",
    FLOOR_AT_FULL_PUSH: "At the driver's greatest push, {push}, pads due, the {end}.",
    FLOOR_ON_ONE_CIRCUIT: "With one circuit lost the pedal meets the floor before the other makes {light}.",
    TRAVEL_HOLDS: _PADS_DUE + "the pedal goes {due} of {room}, the {axle} cylinder has {left} of its stroke left.",
}
# Parts with a rating, in the order of their places.
RATED = ("front cylinder", "front caliper", "rear cylinder", "rear caliper")
# Shares of a limit below which nobody asks for better.
COMFORTABLE, TILT_COMFORTABLE, RATING_COMFORTABLE, FULL_COMFORTABLE = 0.8, 0.7, 0.85, 0.9
# A caliper that is a third stiffer, and the longest usual stroke, m.
STIFFER, LONG_STROKE = 0.7, 0.036


class TravelNumbers(NamedTuple):
    """Travel, m; `due` is with pads that are due and after knock-back; tilt of the bar, rad.

    `left` is what is then left of the stroke of the cylinder that is shorter of it (`front_shorter`), `left_part` its
    share. `covers` is whether each circuit alone still makes the pressure of light braking before the pedal meets the
    floor. At the driver's greatest push, N: `due_full` and `left_full` as `due` and the smallest share left; the part
    that comes nearest to its rating by its place in `RATED`, its pressure and its rating, Pa, infinite where no part
    has one, and the greatest pressure that nobody has a rating for.
    """

    pedal: Number
    due: Number
    room: Number
    tilt: Number
    left: Number
    left_part: Number
    front_shorter: Number
    covers: Number
    push: Number
    due_full: Number
    left_full: Number
    rated: Number
    pressure: Number
    rating: Number
    unrated: Number


class Travel(Matter[TravelNumbers]):
    key = "travel"
    title = "Travel"
    findings = (
        OUT_OF_STROKE,
        MEETS_THE_FLOOR,
        OVER_RATING,
        BAR_TILTS_OVER,
        BAR_TILTS,
        STROKE_SHORT,
        LONG_PEDAL,
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
        Kind.BLEED,
        Kind.WEAR,
        Kind.SPRINGS,
        Kind.HOSES,
        Kind.STIFFNESS,
        Kind.STROKE,
        Kind.BORE,
        Kind.RATIO,
        Kind.PISTONS,
        Kind.DIAMETER,
        Kind.TURN,
        Kind.COMPOUND,
    )

    def numbers(self, screening: Screening) -> TravelNumbers:
        system, chain, each = screening.system, screening.chain, screening.per_setup
        front, _line, rear = _pressures(
            screening, pressure_for_force(chain.front.pressure, screening.hardest_front, chain.front.brake_force)
        )
        push = screening.greatest_push
        at_push = chain.push_at(push.item() if screening.count == 1 else push[:, None, None])
        full = _pressures(screening, chain.front.pressure * (at_push / chain.push))
        now, due, touched, pushed = zip(
            *(
                _strokes(system, pressure, most, axle)
                for axle, pressure, most in zip(AXLES, (front, rear), (full[0], full[2]), strict=True)
            ),
            strict=True,
        )
        circuits = system.front, system.rear
        left = [each(circuit.cylinder.stroke - stroke) for circuit, stroke in zip(circuits, due, strict=True)]
        lengths = [each(circuit.cylinder.stroke) for circuit in circuits]
        parts = [part / length for part, length in zip(left, lengths, strict=True)]
        left_full = [1 - each(stroke) / length for stroke, length in zip(pushed, lengths, strict=True)]
        front_shorter = parts[0] <= parts[1]
        alone = [each(pedal_of_stroke(system, stroke, axle).pedal) for axle, stroke in zip(AXLES, touched, strict=True)]
        rod, tilt = rod_of_strokes(system, *now)
        room, ratio = each(system.pedal.room), system.pedal.ratio
        pressures = np.stack([each(one) for one in (full[0], full[0], full[1], full[2])])
        ratings = np.stack([each(part.rating) for circuit in circuits for part in (circuit.cylinder, circuit.caliper)])
        rated, setups = (pressures / ratings).argmax(axis=0), np.arange(screening.count)
        return TravelNumbers(
            pedal=each(pedal_travel_of_rod(rod, ratio)),
            due=each(pedal_travel_of_rod(rod_of_strokes(system, *due)[0], ratio)),
            room=room,
            tilt=each(tilt),
            left=np.where(front_shorter, *left),
            left_part=np.minimum(*parts),
            front_shorter=front_shorter,
            covers=np.maximum(*alone) <= room,
            push=push,
            due_full=each(pedal_travel_of_rod(rod_of_strokes(system, *pushed)[0], ratio)),
            left_full=np.minimum(*left_full),
            rated=rated,
            pressure=pressures[rated, setups],
            rating=ratings[rated, setups],
            unrated=np.where(np.isinf(ratings), pressures, 0.0).max(axis=0),
        )

    def judge(self, numbers: TravelNumbers, car: Car) -> Array:
        tilt, limits = np.abs(numbers.tilt), car.limits
        return first_that_holds(
            (
                numbers.left < 0,
                numbers.due > numbers.room,
                numbers.pressure > numbers.rating,
                tilt >= limits.tilt_most,
                tilt >= limits.tilt_watched,
                numbers.left_part < limits.stroke_left,
                numbers.due > limits.room_used * numbers.room,
                (numbers.due_full > numbers.room) | (numbers.left_full < 0),
                ~numbers.covers,
            )
        )

    def strains(self, numbers: TravelNumbers, car: Car) -> tuple[Strain, ...]:
        limits = car.limits
        stroke_used, room = 1 - limits.stroke_left, limits.room_used
        return (
            Strain("pedal", numbers.due / numbers.room, COMFORTABLE * room, room),
            Strain("stroke", 1 - numbers.left_part, COMFORTABLE * stroke_used, stroke_used),
            Strain("tilt", np.abs(numbers.tilt), TILT_COMFORTABLE * limits.tilt_watched, limits.tilt_watched),
            Strain("rating", numbers.pressure / numbers.rating, RATING_COMFORTABLE, 1.0),
            Strain("full pedal", numbers.due_full / numbers.room, FULL_COMFORTABLE, 1.0),
            Strain("full stroke", 1 - numbers.left_full, FULL_COMFORTABLE, 1.0),
            Strain("one circuit", np.where(numbers.covers, 0.0, 1.1), 0.5, 1.0),
        )

    def told(self, strain: int, before: TravelNumbers, after: TravelNumbers) -> Phrase:
        words = (
            "pedal {now}, was {was}, pads due",
            "{now} of the stroke left, was {was}, pads due",
            "bar tilts {now}, was {was}",
            f"{RATED[int(after.rated)]} sees {{now}} at the greatest push, was {{was}}",
            "pedal {now} at the greatest push, was {was}, pads due",
            "{now} of the stroke left at the greatest push, was {was}",
            "with one circuit lost the pedal meets the floor",
        )[strain]
        if strain == 6:
            return phrase(words)
        name, dimension = (
            ("due", "length"),
            ("left", "length"),
            ("tilt", "angle"),
            ("pressure", "pressure"),
            ("due_full", "length"),
            ("left_full", "share"),
        )[strain]
        was, now = (
            abs(getattr(numbers, name)) if name == "tilt" else getattr(numbers, name) for numbers in (before, after)
        )
        return phrase(words, now=(now, dimension), was=(was, dimension))

    def comes_first(self, change: Change, _then: Finding) -> bool:
        """Air has no business in the fluid, whatever else is changed."""
        return change.kind is Kind.BLEED

    def changes(self, _screening: Screening, setup: Setup) -> Iterator[Change]:
        if setup.fluid.air > 0:
            yield Change(Kind.BLEED, "fluid", "Bleed the air out", "share", (), done({"fluid.air": 0.0}))
        for axle in AXLES:
            yield from _shorter(setup, axle)

    def verdict(self, screening: Screening, _setup: Setup, judged: Judgement[TravelNumbers]) -> Verdict:
        numbers, finding = judged.numbers(), judged.finding
        shorter = Axle.FRONT if numbers.front_shorter else Axle.REAR
        limits = screening.conditions.car.limits
        end = "pedal meets the floor" if numbers.due_full > numbers.room else f"{shorter} cylinder runs out of stroke"
        unchecked = ""
        if numbers.unrated > 0 and finding is not OVER_RATING:
            unchecked = (
                " Not checked: parts without a rating see up to {unrated} at the driver's greatest push, {push}."
            )
        return Verdict(
            key=self.key,
            title=self.title,
            level=finding.level,
            word=finding.word,
            number=measure(numbers.due, "length"),
            margin=measure(numbers.left, "length"),
            margin_words=f"stroke left, {shorter}",
            state=screening.conditions.names[int(screening.front_at_lock[0].argmax())],
            condition="pads due",
            rule=phrase(
                "At the hardest first lock, pads due and after knock-back, pedal and cylinders must not run out of way,"
                " and at the driver's greatest push, {push}, no part may see more than its rating. Watched: pedal over"
                " {used} of its room, under {kept} of a stroke left, bar tilted over {tilt_watched}, floor at the"
                " greatest push or with one circuit lost. Bad: out of way, past a rating, tilted over {tilt_most}.",
                push=(numbers.push, "force"),
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
                tilt=(abs(numbers.tilt), "angle"),
                tilt_watched=(limits.tilt_watched, "angle"),
                light=(defaults.LIGHT_BRAKING.value, "pressure"),
                push=(numbers.push, "force"),
                pressure=(numbers.pressure, "pressure"),
                rating=(numbers.rating, "pressure"),
                unrated=(numbers.unrated, "pressure"),
            ),
            facts=self.facts,
        )

    def effect(self, finding: Finding, before: TravelNumbers, after: TravelNumbers, push: float) -> Phrase:
        """Of what was found wanting."""
        if finding is OVER_RATING:
            return phrase(
                "{pressure} at the greatest push, foot {push:+}",
                pressure=(after.pressure, "pressure"),
                push=(push, "force"),
            )
        tilt = ", bar tilts {tilt}" if finding in (BAR_TILTS, BAR_TILTS_OVER) else ""
        return phrase(
            f"pedal {{travel:+}} with pads due, {{left}} of stroke left{tilt}, foot {{push:+}}",
            travel=(after.due - before.due, "length"),
            left=(after.left, "length"),
            tilt=(abs(after.tilt), "angle"),
            push=(push, "force"),
        )


def _shorter(setup: Setup, axle: Axle) -> Iterator[Change]:
    """What shortens the travel of one circuit without touching the balance."""
    brake, end = setup.brake(axle), axle.capitalize()

    def one(kind: Kind, joint: str, title: str, patch: dict[str, Json]) -> Change:
        return Change(kind, f"{axle}.{joint}", title, "length", (), done(patch))

    if brake.pad.worn > 0:
        yield one(Kind.WEAR, "pad", f"New pads, {axle}", {f"{axle}.pad.worn": 0.0})
    if brake.caliper.retention is Retention.NONE:
        springs = {f"{axle}.caliper.retention": Retention.ANTI_KNOCK_BACK.value}
        yield one(Kind.SPRINGS, "caliper", f"Anti-knock-back springs, {axle}", dict(springs))
    if brake.lines.hose is not HoseKind.BRAIDED:
        yield one(Kind.HOSES, "lines", f"Braided hoses, {axle}", {f"{axle}.lines.hose": HoseKind.BRAIDED.value})
    if stiffer := round(brake.caliper.compliance * STIFFER, 17):
        stiff = {f"{axle}.caliper.compliance": stiffer}
        yield one(Kind.STIFFNESS, "caliper", f"Calipers a third stiffer, {axle}", dict(stiff))
    if not setup.tandem_fitted and brake.master_cylinder.stroke < LONG_STROKE:
        joint, now = f"{axle}.master_cylinder", brake.master_cylinder.stroke
        swap = to_size(LONG_STROKE, {f"{joint}.stroke": LONG_STROKE})
        yield Change(Kind.STROKE, joint, f"{end} cylinder, stroke", "length", (now,), swap)


def _pressures(screening: Screening, front: Number) -> tuple[Number, Number, Number]:
    """Pressure of both lines, Pa, and behind the valve, from the front's."""
    system, chain = screening.system, screening.chain
    line = rear_line(front, chain.rear.line_pressure, chain.front.line_pressure)
    return front, line, valve_output(line, *system.valve) if system.valve.works else line


def _strokes(system: BrakeSystem, pressure: Number, most: Number, axle: Axle) -> tuple[Number, Number, Number, Number]:
    """Strokes of one cylinder, m: at this pressure of its calipers, Pa, as it is, then with pads that are due after
    knock-back; at light braking; and at the most pressure, pads due.
    """
    circuit = system.circuit(axle)
    cases: Any = (
        (pressure, circuit.pad.worn),
        (pressure, circuit.pad.worn_out),
        (defaults.LIGHT_BRAKING.value, circuit.pad.worn),
        (most, circuit.pad.worn_out),
    )
    many = is_array(pressure) or is_array(most)
    if many:  # all side by side, shape (4, setup, 1, 1)
        cases = (tuple(side_by_side(*column) for column in zip(*cases, strict=True)),)
    strokes = [axle_stroke(system, at, PLAIN, axle, worn).stroke for at, worn in cases]
    now, due, touched, pushed = strokes[0] if many else strokes
    back = knock_back(circuit, axle) / circuit.cylinder.area
    return now, due + back, touched, pushed


TRAVEL = Travel()
