"""Heat: one stop from top speed without cooling: is the disc heavy enough in every state?"""

from collections.abc import Iterator
from typing import NamedTuple

import numpy as np

from plimbo.core.braking.force_path import share_at
from plimbo.core.braking.screening import Screening
from plimbo.core.braking.stop_heat import heat_of_stop
from plimbo.core.documents import Car, DiscMaterial, Setup
from plimbo.core.friction.disc_materials import DISC_CURVES
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.phrases import Phrase, measure, phrase
from plimbo.core.stepping.changes import Change, ChangeKind, Json, done, to_size
from plimbo.core.verdicts.level import Finding, Level, Rank, bad, good, watch
from plimbo.core.verdicts.matter import Criterion, Fact, Judgement, Matter, Verdict, first_that_holds
from plimbo.core.verdicts.rule import rule
from plimbo.core.working.numbers import Array, Number, single

DISC_TOO_LIGHT = bad("Disc too light", Rank.DISC)
DISC_NEAR_LIMIT = watch("Disc near its limit", Rank.DISC)
ONE_STOP_HOLDS = good("One stop holds", Level.OPEN)

_REASONS = {
    DISC_TOO_LIGHT: "past the {limit} that its material takes: fit a heavier one.",
    DISC_NEAR_LIMIT: "close to the {limit} that its material takes.",
    ONE_STOP_HOLDS: "its material takes {limit}.",
}
# Share of the watched limit below which no heavier disc is needed.
COMFORTABLE = 0.82
# Steps of thickness that are tried, and the thickest discs made, m.
THICKER, THICKEST = (0.002, 0.004, 0.006, 0.008), 0.036
MATERIALS = (DiscMaterial.GREY_IRON, DiscMaterial.CARBON_CERAMIC)


class HeatNumbers(NamedTuple):
    """Temperature rise of a disc of each axle in the stop, in the axle's own worst state, and its limit, K."""

    front_state: Number
    front_rise: Number
    front_limit: Number
    rear_state: Number
    rear_rise: Number
    rear_limit: Number

    @property
    def worst(self) -> "HeatAtAxle":
        """Of one setup, the axle nearer to its limit."""
        front = HeatAtAxle(Axle.FRONT, single(self.front_rise), single(self.front_limit), int(single(self.front_state)))
        rear = HeatAtAxle(Axle.REAR, single(self.rear_rise), single(self.rear_limit), int(single(self.rear_state)))
        return front if front.rise / front.limit >= rear.rise / rear.limit else rear


class HeatAtAxle(NamedTuple):
    """Rise and limit, K, in the state with this index."""

    axle: Axle
    rise: float
    limit: float
    state: int


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

    comes_after = True
    limits = ("stop_heat",)
    order = (ChangeKind.THICKNESS, ChangeKind.DIAMETER, ChangeKind.MATERIAL)

    def numbers(self, screening: Screening) -> HeatNumbers:
        """Each axle in its worst state: with a valve, or wings, these may be two."""
        share = share_at(screening.front_at_lock[:, :, None], screening.lock.first_force)
        found: list[Array] = []
        for one in heat_of_stop(screening.system, share, screening.conditions.energies):
            rises = np.broadcast_to(one.temperature_rise, np.shape(share))[..., 0]
            found += [rises.argmax(axis=1), rises.max(axis=1), screening.per_setup(one.rise_limit)]
        return HeatNumbers(*found)

    def judge(self, numbers: HeatNumbers, car: Car) -> Array:
        """By the share of the limit that is used, at the axle nearer to its limit."""
        used = np.maximum(numbers.front_rise / numbers.front_limit, numbers.rear_rise / numbers.rear_limit)
        return first_that_holds((used > 1, used > car.limits.stop_heat))

    def criteria(self, numbers: HeatNumbers, car: Car) -> tuple[Criterion, ...]:
        limit = car.limits.stop_heat
        return (
            Criterion("front", numbers.front_rise / numbers.front_limit, COMFORTABLE * limit, limit),
            Criterion("rear", numbers.rear_rise / numbers.rear_limit, COMFORTABLE * limit, limit),
        )

    def worsening(self, criterion: str, before: HeatNumbers, after: HeatNumbers) -> Phrase:
        axle, was, now, limit = (
            (Axle.FRONT, before.front_rise, after.front_rise, after.front_limit)
            if criterion == "front"
            else (Axle.REAR, before.rear_rise, after.rear_rise, after.rear_limit)
        )
        return phrase(
            f"{axle} discs {{now}} hotter in a stop, {{limit}} allowed (was {{was}})",
            now=(now, "temperature difference"),
            limit=(limit, "temperature difference"),
            was=(was, "temperature difference"),
        )

    def changes(self, _screening: Screening, setup: Setup) -> Iterator[Change]:
        for axle in AXLES:
            yield from _heavier(setup, axle)

    def verdict(self, screening: Screening, _setup: Setup, judged: Judgement[HeatNumbers]) -> Verdict:
        numbers, finding = judged.numbers(), judged.finding
        axle, rise, limit, place = numbers.worst
        car = screening.conditions.car
        return Verdict(
            key=self.key,
            title=self.title,
            level=finding.level,
            word=finding.word,
            rank=finding.rank,
            past=judged.past,
            number=measure(rise, "temperature difference"),
            number_signed=True,
            margin=measure(limit - rise, "temperature difference"),
            margin_words="under the disc's limit",
            state=screening.conditions.names[place],
            rule=rule(
                "One stop from {top} to {end}, nothing cooling: no disc over what its material takes.",
                "Over {part} of that.",
                "Past it. Repeated stops are judged by the sessions.",
                top=(car.top_speed, "speed"),
                end=(car.stop_to_speed, "speed"),
                part=(car.limits.stop_heat, "share"),
            ),
            limits=self.limit_paths(),
            reason=phrase(
                f"One stop from top speed heats each {axle} disc by {{rise}}; {_REASONS[finding]}"
                " One stop, no cooling: no laps driven.",
                rise=(rise, "temperature difference"),
                limit=(limit, "temperature difference"),
            ),
            facts=self.facts,
        )

    def effect(self, _finding: Finding, _before: HeatNumbers, after: HeatNumbers, _push: float) -> Phrase:
        return phrase(
            "front discs {front} hotter in a stop, {front_limit} allowed; rear {rear}, {rear_limit} allowed",
            front=(after.front_rise, "temperature difference"),
            front_limit=(after.front_limit, "temperature difference"),
            rear=(after.rear_rise, "temperature difference"),
            rear_limit=(after.rear_limit, "temperature difference"),
        )


def _heavier(setup: Setup, axle: Axle) -> Iterator[Change]:
    """Thicker discs with the same vanes, and materials that stand more heat."""
    disc, joint = setup.brake(axle).disc, f"{axle}.disc"
    for step, more in enumerate(THICKER, 1):
        thickness = round(disc.thickness + more, 6)
        if thickness > THICKEST:
            continue
        patch: dict[str, Json] = {f"{joint}.thickness": thickness}
        if disc.weighed_mass is not None:
            grown = (thickness - disc.vane_gap) / (disc.thickness - disc.vane_gap)
            patch[f"{joint}.weighed_mass"] = round(disc.weighed_mass * grown, 3)
        title = f"Thicker {axle} disc, if the caliper takes it"
        yield Change(ChangeKind.THICKNESS, joint, title, "length", (disc.thickness,), to_size(thickness, patch), step)
    takes = DISC_CURVES[disc.material].stop_rise_limit
    for material in MATERIALS:
        if DISC_CURVES[material].stop_rise_limit > takes:
            patch = {f"{joint}.material": material.value, f"{joint}.weighed_mass": None}
            title = (
                f"{axle.capitalize()} discs of {material.word} for {disc.material.word}, with pads that go with them"
            )
            yield Change(ChangeKind.MATERIAL, joint, title, "length", (), done(patch))


HEAT = Heat()
