"""Heat: one stop from top speed, nothing cooling: is there enough disc to soak it up?"""

from typing import NamedTuple

import numpy as np

from plimbo.core.braking.force_path import share_at
from plimbo.core.braking.screening import Screening
from plimbo.core.braking.stop_heat import heat_of_stop
from plimbo.core.documents import Car, Setup
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.phrases import Phrase, measure, phrase
from plimbo.core.verdicts.level import Finding, bad, good, watch
from plimbo.core.verdicts.matter import Fact, Judgement, Matter, Verdict, Wants, first_that_holds
from plimbo.core.working.numbers import Array, Number

DISC_TOO_LIGHT = bad("Disc too light")
DISC_NEAR_LIMIT = watch("Disc near its limit")
DISCS_SOAK_IT_UP = good("Discs soak it up")

_REASONS = {
    DISC_TOO_LIGHT: "past the {limit} that its material takes: fit a heavier one.",
    DISC_NEAR_LIMIT: "close to the {limit} that its material takes.",
    DISCS_SOAK_IT_UP: "its material takes {limit}.",
}


class HeatNumbers(NamedTuple):
    """How far the stop heats a disc of each axle and how far one stop may, K; the state by its place."""

    hottest: Number
    front_rise: Number
    front_limit: Number
    rear_rise: Number
    rear_limit: Number


class Heat(Matter[HeatNumbers]):
    key = "heat"
    title = "Heat, one stop"
    findings = (DISC_TOO_LIGHT, DISC_NEAR_LIMIT, DISCS_SOAK_IT_UP)
    facts = (
        Fact(label="front disc heats by", headline="front.disc.temperature_rise", dimension="temperature difference"),
        Fact(label="rear disc heats by", headline="rear.disc.temperature_rise", dimension="temperature difference"),
        Fact(label="into each front disc", headline="front.disc.energy", dimension="energy"),
        Fact(label="into each rear disc", headline="rear.disc.energy", dimension="energy"),
        Fact(label="front pad pressure, as chosen", headline="front.has.pad_pressure", dimension="pressure"),
        Fact(label="rear pad pressure, as chosen", headline="rear.has.pad_pressure", dimension="pressure"),
    )

    def numbers(self, screening: Screening) -> HeatNumbers:
        """In the state whose stop has most energy."""
        energies = screening.conditions.energies
        hottest = int(energies[:, 0].argmax())
        first = screening.lock.first_force[:, hottest, None]
        share = share_at(screening.front_at_lock[:, hottest, None, None], first)
        discs = heat_of_stop(screening.system, share, energies[hottest, 0])
        numbers = [screening.per_setup(number) for disc in discs for number in (disc.temperature_rise, disc.rise_limit)]
        return HeatNumbers(screening.per_setup(hottest), *numbers)

    def judge(self, numbers: HeatNumbers, car: Car) -> Array:
        used = self.distance(numbers, car)
        return first_that_holds((used > 1, used > defaults.STOP_RISE_RESERVE.value))

    def distance(self, numbers: HeatNumbers, _car: Car) -> Array:
        """What is used of the limit, at the end that comes nearer to it."""
        found: Array = np.maximum(numbers.front_rise / numbers.front_limit, numbers.rear_rise / numbers.rear_limit)
        return found

    def wants(self, finding: Finding) -> Wants:
        return Wants(anything=finding is not DISCS_SOAK_IT_UP)

    def verdict(self, screening: Screening, _setup: Setup, judged: Judgement[HeatNumbers]) -> Verdict:
        numbers, finding = judged.numbers(), judged.finding
        axle, rise, limit = Axle.FRONT, numbers.front_rise, numbers.front_limit
        if rise / limit < numbers.rear_rise / numbers.rear_limit:
            axle, rise, limit = Axle.REAR, numbers.rear_rise, numbers.rear_limit
        place: int = numbers.hottest
        return Verdict(
            key=self.key,
            title=self.title,
            level=finding.level,
            word=finding.word,
            number=measure(rise, "temperature difference"),
            margin=measure(limit - rise, "temperature difference"),
            margin_words="under the disc's limit",
            state=screening.conditions.names[place],
            reason=phrase(
                f"One stop from top speed heats each {axle} disc by {{rise}}; {_REASONS[finding]}"
                " One stop, no cooling.",
                rise=(rise, "temperature difference"),
                limit=(limit, "temperature difference"),
            ),
            facts=self.facts,
        )

    def effect(self, _before: HeatNumbers, after: HeatNumbers, push: float) -> Phrase:
        return phrase(
            "front {front}, rear {rear}, foot {push:+}",
            front=(after.front_rise, "temperature difference"),
            rear=(after.rear_rise, "temperature difference"),
            push=(push, "force"),
        )


HEAT = Heat()
