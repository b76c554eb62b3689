"""Travel: stroke, floor, ratings and the tilt of the bar, at the hardest first lock over all states."""

from typing import Any, NamedTuple

import numpy as np

from plimbo.core.braking.circuit_failure import pedal_of_stroke
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup
from plimbo.core.friction.torque import pressure_for_force
from plimbo.core.hydraulics.brake_system import BrakeSystem
from plimbo.core.hydraulics.travel import axle_stroke, knock_back, pedal_travel_of_rod, rear_line, rod_of_strokes
from plimbo.core.hydraulics.valve import valve_output
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.phrases import Phrase, measure, phrase
from plimbo.core.verdicts.level import Finding, bad, good, watch
from plimbo.core.verdicts.matter import Fact, Judgement, Matter, Verdict, Wants, first_that_holds
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import Array, Number, is_array, side_by_side

OUT_OF_STROKE = bad("Out of stroke")
MEETS_THE_FLOOR = bad("Meets the floor")
OVER_RATING = bad("Past its rating")
BAR_TILTS_OVER = bad("Bar tilts over")
BAR_TILTS = watch("Bar tilts")
STROKE_SHORT = watch("Little stroke left")
LONG_PEDAL = watch("Long pedal")
FLOOR_ON_ONE_CIRCUIT = watch("Floor on one circuit")
TRAVEL_HOLDS = good("Travel holds")

_PADS_DUE = "At the hardest first lock, pads due and after knock-back, "
_REASONS = {
    OUT_OF_STROKE: _PADS_DUE + "the {axle} cylinder runs out of stroke: {over} too little.",
    MEETS_THE_FLOOR: _PADS_DUE + "the pedal goes {due}, its room is {room}.",
    OVER_RATING: "At the hardest first lock the {axle} circuit is pressed past what its maker allows.",
    BAR_TILTS_OVER: "At the hardest first lock the bar tilts {tilt}: it binds and no longer shares as it is set.",
    BAR_TILTS: "At the hardest first lock the bar tilts {tilt}; past 10 degrees it begins to bind.",
    STROKE_SHORT: _PADS_DUE + "the {axle} cylinder has {left} of its stroke left.",
    LONG_PEDAL: _PADS_DUE + "the pedal goes {due} of its room of {room}.",
    FLOOR_ON_ONE_CIRCUIT: "With one circuit lost the pedal meets the floor before the other makes {light}.",
    TRAVEL_HOLDS: _PADS_DUE + "the pedal goes {due} of {room}, the {axle} cylinder has {left} of its stroke left.",
}


class TravelNumbers(NamedTuple):
    """Travel, m; `due` is with pads that are due and after knock-back; tilt of the bar, rad.

    `left` is what is then left of the stroke of the cylinder that is shorter of it (`front_shorter`), `left_part` its
    share. `covers` is whether each circuit alone still makes the pressure of light braking before the pedal meets the
    floor.
    """

    pedal: Number
    due: Number
    room: Number
    tilt: Number
    left: Number
    left_part: Number
    front_shorter: Number
    front_over_rating: Number
    rear_over_rating: Number
    covers: Number


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

    def numbers(self, screening: Screening) -> TravelNumbers:
        system, chain, each = screening.system, screening.chain, screening.per_setup
        front = pressure_for_force(chain.front.pressure, screening.hardest_front, chain.front.brake_force)
        line = rear_line(front, chain.rear.line_pressure, chain.front.line_pressure)
        rear = valve_output(line, *system.valve) if system.valve.works else line
        now, due, touched = zip(
            *(_strokes(system, pressure, axle) for axle, pressure in zip(AXLES, (front, rear), strict=True)),
            strict=True,
        )
        circuits = system.front, system.rear
        left = [each(circuit.cylinder.stroke - stroke) for circuit, stroke in zip(circuits, due, strict=True)]
        parts = [part / each(circuit.cylinder.stroke) for circuit, part in zip(circuits, left, strict=True)]
        front_shorter = parts[0] <= parts[1]
        over: list[Number] = [
            each(pressure > circuit.caliper.rating) | each(at_cylinder > circuit.cylinder.rating)
            for circuit, pressure, at_cylinder in zip(circuits, (front, rear), (front, line), strict=True)
        ]
        alone = [each(pedal_of_stroke(system, stroke, axle).pedal) for axle, stroke in zip(AXLES, touched, strict=True)]
        rod, tilt = rod_of_strokes(system, *now)
        room, ratio = each(system.pedal.room), system.pedal.ratio
        return TravelNumbers(
            pedal=each(pedal_travel_of_rod(rod, ratio)),
            due=each(pedal_travel_of_rod(rod_of_strokes(system, *due)[0], ratio)),
            room=room,
            tilt=each(tilt),
            left=np.where(front_shorter, *left),
            left_part=np.minimum(*parts),
            front_shorter=front_shorter,
            front_over_rating=over[0],
            rear_over_rating=over[1],
            covers=np.maximum(*alone) <= room,
        )

    def judge(self, numbers: TravelNumbers, _car: Car) -> Array:
        tilt = np.abs(numbers.tilt)
        return first_that_holds(
            (
                numbers.left < 0,
                numbers.due > numbers.room,
                numbers.front_over_rating | numbers.rear_over_rating,
                tilt >= defaults.TILT_MOST.value,
                tilt >= defaults.TILT_WATCH.value,
                numbers.left_part < defaults.STROKE_RESERVE.value,
                numbers.due > defaults.ROOM_RESERVE.value * numbers.room,
                ~numbers.covers,
            )
        )

    def distance(self, numbers: TravelNumbers, _car: Car) -> Array:
        over = numbers.front_over_rating | numbers.rear_over_rating
        tilt = np.abs(numbers.tilt) / defaults.TILT_MOST.value
        found: Array = np.maximum(np.maximum(numbers.due / numbers.room, 1 - numbers.left_part), np.maximum(tilt, over))
        return found

    def wants(self, finding: Finding) -> Wants:
        return Wants(anything=finding is not TRAVEL_HOLDS)

    def verdict(self, _screening: Screening, _setup: Setup, judged: Judgement[TravelNumbers]) -> Verdict:
        numbers, finding = judged.numbers(), judged.finding
        shorter = Axle.FRONT if numbers.front_shorter else Axle.REAR
        over_rating = Axle.FRONT if numbers.front_over_rating else Axle.REAR
        axle = over_rating if finding is OVER_RATING else shorter
        return Verdict(
            key=self.key,
            title=self.title,
            level=finding.level,
            word=finding.word,
            number=measure(numbers.pedal, "length"),
            margin=measure(numbers.left, "length"),
            margin_words=f"stroke left, {shorter}",
            state=None,
            reason=phrase(
                _REASONS[finding].replace("{axle}", str(axle)),
                due=(numbers.due, "length"),
                room=(numbers.room, "length"),
                left=(numbers.left, "length"),
                over=(-numbers.left, "length"),
                tilt=(abs(numbers.tilt), "angle"),
                light=(defaults.LIGHT_BRAKING.value, "pressure"),
            ),
            facts=self.facts,
        )

    def effect(self, before: TravelNumbers, after: TravelNumbers, push: float) -> Phrase:
        return phrase(
            "pedal {travel:+} at lock, {left} of stroke left, foot {push:+}",
            travel=(after.pedal - before.pedal, "length"),
            left=(after.left, "length"),
            push=(push, "force"),
        )


def _strokes(system: BrakeSystem, pressure: Number, axle: Axle) -> tuple[Number, Number, Number]:
    """Strokes of one cylinder, m: at this pressure of its calipers, Pa, as it is, then with pads that are due after
    knock-back; and at light braking.
    """
    circuit = system.circuit(axle)
    cases: Any = (
        (pressure, circuit.pad.worn),
        (pressure, circuit.pad.worn_out),
        (defaults.LIGHT_BRAKING.value, circuit.pad.worn),
    )
    if is_array(pressure):  # all three side by side, shape (3, setup, 1, 1)
        cases = (tuple(side_by_side(*column) for column in zip(*cases, strict=True)),)
    strokes = [axle_stroke(system, at, PLAIN, axle, worn).stroke for at, worn in cases]
    now, due, touched = strokes[0] if is_array(pressure) else strokes
    return now, due + knock_back(circuit, axle) / circuit.cylinder.area, touched


TRAVEL = Travel()
