"""Heat: one stop from top speed, nothing cooling: is there enough disc for it, in every state?"""

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
ONE_STOP_HOLDS = good("One stop holds")

_REASONS = {
    DISC_TOO_LIGHT: "past the {limit} that its material takes: fit a heavier one.",
    DISC_NEAR_LIMIT: "close to the {limit} that its material takes.",
    ONE_STOP_HOLDS: "its material takes {limit}.",
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
    findings = (DISC_TOO_LIGHT, DISC_NEAR_LIMIT, ONE_STOP_HOLDS)
    facts = (
        Fact(label="front disc heats by", headline="front.disc.temperature_rise", dimension="temperature difference"),
        Fact(label="rear disc heats by", headline="rear.disc.temperature_rise", dimension="temperature difference"),
        Fact(label="into each front disc", headline="front.disc.energy", dimension="energy"),
        Fact(label="into each rear disc", headline="rear.disc.energy", dimension="energy"),
        Fact(label="front pad pressure, as chosen", headline="front.has.pad_pressure", dimension="pressure"),
        Fact(label="rear pad pressure, as chosen", headline="rear.has.pad_pressure", dimension="pressure"),
    )

    def numbers(self, screening: Screening) -> HeatNumbers:
        """In the state that comes nearest to a disc's limit: with a valve that need not be the one of most energy."""
        share = share_at(screening.front_at_lock[:, :, None], screening.lock.first_force)
        front, rear = heat_of_stop(screening.system, share, screening.conditions.energies)
        rises = [np.broadcast_to(one.temperature_rise, share.shape)[..., 0] for one in (front, rear)]
        limits = [screening.per_setup(one.rise_limit) for one in (front, rear)]
        used = np.maximum(*(rise / limit[:, None] for rise, limit in zip(rises, limits, strict=True)))
        hottest, setups = used.argmax(axis=1), np.arange(screening.count)
        return HeatNumbers(hottest, rises[0][setups, hottest], limits[0], rises[1][setups, hottest], limits[1])

    def judge(self, numbers: HeatNumbers, car: Car) -> Array:
        used = self.distance(numbers, car)
        return first_that_holds((used > 1, used > defaults.STOP_RISE_RESERVE.value))

    def distance(self, numbers: HeatNumbers, _car: Car) -> Array:
        """What is used of the limit, at the end that comes nearer to it."""
        found: Array = np.maximum(numbers.front_rise / numbers.front_limit, numbers.rear_rise / numbers.rear_limit)
        return found

    def wants(self, finding: Finding) -> Wants:
        return Wants(anything=finding is not ONE_STOP_HOLDS)

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
            number_signed=True,
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
            "one stop: front {front:+}, rear {rear:+}, foot {push:+}",
            front=(after.front_rise, "temperature difference"),
            rear=(after.rear_rise, "temperature difference"),
            push=(push, "force"),
        )


HEAT = Heat()
