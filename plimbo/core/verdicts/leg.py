"""Leg: the foot force at first lock against the driver's own limit, and against a push too light to feel."""

from typing import NamedTuple

import numpy as np

from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup
from plimbo.core.quantities import defaults
from plimbo.core.quantities.phrases import Phrase, measure, phrase
from plimbo.core.verdicts.level import Finding, bad, good, watch
from plimbo.core.verdicts.matter import NOTHING_WANTED, Fact, Judgement, Matter, Verdict, Wants, first_that_holds
from plimbo.core.working.numbers import Array, Number

TOO_HEAVY = bad("Too heavy")
HEAVY = watch("Heavy")
VERY_LIGHT = watch("Very light")
LEG_HOLDS = good("Leg holds")

_REASONS = {
    TOO_HEAVY: "needs {push}, the driver holds {limit}: the tyres are never used.",
    HEAVY: "needs {push}, close to the {limit} that the driver holds.",
    VERY_LIGHT: "locks at {push}: too light to feel for the limit.",
    LEG_HOLDS: "needs {push} at first lock, the driver holds {limit}.",
}


class LegNumbers(NamedTuple):
    """Push of the foot at first lock, N, where it is hardest and where it is lightest; states by their place."""

    hardest: Number
    hardest_push: Number
    lightest: Number
    lightest_push: Number


class Leg(Matter[LegNumbers]):
    key = "leg"
    title = "Leg"
    findings = (TOO_HEAVY, HEAVY, VERY_LIGHT, LEG_HOLDS)
    facts = (
        Fact(label="foot at first lock", headline="first_foot_force", dimension="force"),
        Fact(label="foot when the front locks", headline="front.lock_foot_force", dimension="force"),
        Fact(label="foot when the rear locks", headline="rear.lock_foot_force", dimension="force"),
        Fact(label="push on the bar, as chosen", headline="rod_force", dimension="force"),
    )

    def numbers(self, screening: Screening) -> LegNumbers:
        push, setups = screening.foot_force, np.arange(screening.count)
        hardest, lightest = push.argmax(axis=1), push.argmin(axis=1)
        return LegNumbers(hardest, push[setups, hardest], lightest, push[setups, lightest])

    def judge(self, numbers: LegNumbers, car: Car) -> Array:
        limit = car.driver.foot_force_limit
        return first_that_holds(
            (
                numbers.hardest_push > limit,
                numbers.hardest_push > defaults.EFFORT_RESERVE.value * limit,
                numbers.lightest_push < defaults.LIGHT_FOOT.value,
            )
        )

    def distance(self, numbers: LegNumbers, car: Car) -> Array:
        found: Array = np.abs(numbers.hardest_push - car.driver.foot_force)
        return found

    def wants(self, finding: Finding) -> Wants:
        if finding is LEG_HOLDS:
            return NOTHING_WANTED
        return Wants(force=frozenset({-1 if finding is VERY_LIGHT else 1}))

    def verdict(self, screening: Screening, _setup: Setup, judged: Judgement[LegNumbers]) -> Verdict:
        numbers, finding = judged.numbers(), judged.finding
        limit = screening.conditions.car.driver.foot_force_limit
        light = finding is VERY_LIGHT
        push = float(numbers.lightest_push if light else numbers.hardest_push)
        place: int = numbers.lightest if light else numbers.hardest
        state = screening.conditions.names[place]
        return Verdict(
            key=self.key,
            title=self.title,
            level=finding.level,
            word=finding.word,
            number=measure(push, "force"),
            margin=measure(push - defaults.LIGHT_FOOT.value if light else limit - push, "force"),
            margin_words="over the lightest push felt" if light else "left in the leg",
            state=state,
            reason=phrase(f"{state} {_REASONS[finding]}", push=(push, "force"), limit=(limit, "force")),
            facts=self.facts,
        )

    def effect(self, _before: LegNumbers, after: LegNumbers, push: float) -> Phrase:
        return phrase(
            "hardest push {hardest}, foot {push:+}", hardest=(after.hardest_push, "force"), push=(push, "force")
        )


LEG = Leg()
