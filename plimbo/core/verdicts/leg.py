"""Leg: the push of the leg at first lock against the driver's limit, and against a push too light to feel."""

from typing import NamedTuple

import numpy as np

from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup, Surface
from plimbo.core.quantities.phrases import Phrase, measure, phrase
from plimbo.core.stepping.changes import ChangeKind
from plimbo.core.verdicts.level import Finding, Rank, bad, good, watch
from plimbo.core.verdicts.matter import Criterion, Fact, InState, Judgement, Matter, Verdict, first_that_holds
from plimbo.core.verdicts.rule import rule
from plimbo.core.working.numbers import Array, Number, single

TOO_HEAVY = bad("Too heavy", Rank.EFFORT)
HEAVY = watch("Heavy", Rank.EFFORT)
VERY_LIGHT = watch("Very light", Rank.EFFORT)
LEG_HOLDS = good("Pedal effort OK")

_REASONS = {
    TOO_HEAVY: "needs {push}, the driver holds {limit}: the tyres are never used to the full.",
    HEAVY: "needs {push}, close to the {limit} that the driver holds.",
    VERY_LIGHT: "locks at {push}: too light to feel for the limit.",
    LEG_HOLDS: "needs {push} at first lock, the driver holds {limit}.",
}
# Comfortable: four fifths of the watched limit, or 1.5 times the lightest push that can be felt.
COMFORTABLE, EASILY_FELT = 0.8, 1.5
# On a surface that is not dry a lighter push is felt: 50 N where it is 80 N in the dry.
LOOSE = 5 / 8


class LegNumbers(NamedTuple):
    """Push of the leg at first lock, N, in its hardest and its lightest state; states by their index.

    `thrown` is the force that the leg's own mass adds in the hardest state, N; `felt` the lightest push that a foot
    feels in the state where the push comes nearest to it.
    """

    hardest: Number
    hardest_push: Number
    thrown: Number
    lightest: Number
    lightest_push: Number
    felt: Number


class Leg(Matter[LegNumbers]):
    key = "leg"
    title = "Leg"
    findings = (TOO_HEAVY, HEAVY, VERY_LIGHT, LEG_HOLDS)
    facts = (
        Fact(label="foot at first lock", headline="first_foot_force", dimension="force"),
        Fact(label="of it the leg itself", headline="leg_effort", dimension="force"),
        Fact(label="foot when the front locks", headline="front.lock_foot_force", dimension="force"),
        Fact(label="foot when the rear locks", headline="rear.lock_foot_force", dimension="force"),
        Fact(label="push on the bar, as chosen", headline="rod_force", dimension="force"),
    )
    limits = ("leg_reserve", "light_push")
    order = (
        ChangeKind.RATIO,
        ChangeKind.BORE,
        ChangeKind.GAIN,
        ChangeKind.PISTONS,
        ChangeKind.DIAMETER,
        ChangeKind.COMPOUND,
    )

    def numbers(self, screening: Screening) -> LegNumbers:
        push, setups = screening.leg_effort, np.arange(screening.count)
        light = screening.conditions.car.limits.light_push
        felt = np.array(
            [light if state.track is Surface.DRY else LOOSE * light for state in screening.conditions.states]
        )
        hardest, lightest = push.argmax(axis=1), (push - felt).argmin(axis=1)
        hardest_push = push[setups, hardest]
        thrown = screening.foot_force[setups, hardest] - hardest_push
        return LegNumbers(hardest, hardest_push, thrown, lightest, push[setups, lightest], felt[lightest])

    def judge(self, numbers: LegNumbers, car: Car) -> Array:
        limit = car.driver.foot_force_limit
        return first_that_holds(
            (
                numbers.hardest_push > limit,
                numbers.hardest_push > car.limits.leg_reserve * limit,
                numbers.lightest_push < numbers.felt,
            )
        )

    def criteria(self, numbers: LegNumbers, car: Car) -> tuple[Criterion, ...]:
        heavy = car.limits.leg_reserve * car.driver.foot_force_limit
        return (
            Criterion("hardest", numbers.hardest_push, COMFORTABLE * heavy, heavy),
            Criterion("lightest", numbers.lightest_push / np.maximum(numbers.felt, 1e-9), EASILY_FELT, 1.0),
        )

    def worsening(self, criterion: str, before: LegNumbers, after: LegNumbers) -> Phrase:
        if criterion == "hardest":
            words, was, now = "hardest push {now}, was {was}", before.hardest_push, after.hardest_push
        else:
            words, was, now = "lightest push {now}, was {was}", before.lightest_push, after.lightest_push
        return phrase(words, now=(now, "force"), was=(was, "force"))

    def verdict(self, screening: Screening, _setup: Setup, judged: Judgement[LegNumbers]) -> Verdict:
        numbers, finding = judged.numbers(), judged.finding
        car = screening.conditions.car
        limit = car.driver.foot_force_limit
        light = finding is VERY_LIGHT
        push = float(numbers.lightest_push if light else numbers.hardest_push)
        place = int(single(numbers.lightest if light else numbers.hardest))
        state = screening.conditions.names[place]
        thrown = " The leg's own mass, thrown forward, adds {thrown} at the pedal." if car.driver.leg_mass else ""
        later, rest = _all_four(screening)
        return Verdict(
            key=self.key,
            title=self.title,
            level=finding.level,
            word=finding.word,
            rank=finding.rank,
            past=judged.past,
            number=measure(push, "force"),
            margin=measure(push - numbers.felt if light else limit - push, "force"),
            margin_words="over the lightest push felt" if light else "effort in reserve",
            state=state,
            in_states=tuple(
                InState(
                    state=name,
                    number=measure(effort, "force"),
                    margin=measure(limit - effort, "force"),
                    margin_words="effort in reserve",
                )
                for name, effort in zip(screening.conditions.names, screening.leg_effort[0], strict=True)
            ),
            condition="the leg itself" if car.driver.leg_mass else "",
            rule=rule(
                "What the driver holds, {limit}, reaches first lock in every state.",
                "Over {reserve} of it. Lock under {light}, under {loose} on damp, wet or loose.",
                "Over what the driver holds.",
                limit=(limit, "force"),
                reserve=(car.limits.leg_reserve, "share"),
                light=(car.limits.light_push, "force"),
                loose=(LOOSE * car.limits.light_push, "force"),
            ),
            limits=("car.driver.foot_force_limit", "car.driver.leg_mass", *self.limit_paths()),
            reason=phrase(
                f"{state} {_REASONS[finding]}{thrown}{later}",
                push=(push, "force"),
                limit=(limit, "force"),
                thrown=(numbers.thrown, "force"),
                **rest,
            ),
            facts=self.facts,
        )

    def effect(self, finding: Finding, before: LegNumbers, after: LegNumbers, _push: float) -> Phrase:
        """For the state that was judged."""
        if finding is VERY_LIGHT:
            words, was, now = "lightest push", before.lightest_push, after.lightest_push
        else:
            words, was, now = "hardest push", before.hardest_push, after.hardest_push
        return phrase(f"{words} {{now}}, {{off:+}}", now=(now, "force"), off=(now - was, "force"))


def _all_four(screening: Screening) -> tuple[str, dict[str, tuple[float, str]]]:
    """Whether the driver can lock all four wheels, in words, where that is not so."""
    car, lock = screening.conditions.car, screening.lock
    last = np.broadcast_to(np.maximum(lock.front_force, lock.rear_force), (1, len(screening.conditions.names), 1))
    push = np.broadcast_to(screening.chain.foot_at(last), last.shape)[0, :, 0]
    # The leg's own mass helps as much as at first lock, at least.
    held = car.driver.foot_force_limit + screening.foot_force[0] - screening.leg_effort[0]
    over = push - held
    place = int(over.argmax())
    if not over[place] > 0:
        return "", {}
    rear_first = bool(screening.rear_first[0, place])
    state, end = screening.conditions.names[place], "fronts" if rear_first else "rears"
    if not np.isfinite(push[place]):
        return f" In “{state}” the {end} never lock, however hard the push.", {}
    return f" To lock the {end} too, “{state}” asks {{all_four}} at the pedal.", {
        "all_four": (float(push[place]), "force")
    }


LEG = Leg()
