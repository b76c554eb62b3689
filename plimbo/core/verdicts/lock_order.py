"""Lock order: the front must lock first in every state, with the bar near its middle and the grip used."""

import math
from collections.abc import Iterator
from typing import NamedTuple

import numpy as np

from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup
from plimbo.core.quantities import defaults
from plimbo.core.quantities.phrases import Phrase, measure, phrase
from plimbo.core.shelf.changes import Change
from plimbo.core.verdicts.balance_changes import bar_changes, centrings, valve_changes
from plimbo.core.verdicts.level import Finding, bad, good, watch
from plimbo.core.verdicts.matter import Fact, Judgement, Matter, Verdict, Wants, first_that_holds
from plimbo.core.working.numbers import Array, Number

REAR_FIRST = bad("Rear locks first")
FRONT_FIRST_JUST = watch("Front first, just")
SIZES_WRONG = watch("Sizes wrong, bar wound")
TOO_MUCH_FRONT = watch("Too much front")
FRONT_FIRST = good("Front locks first")


class LockOrderNumbers(NamedTuple):
    """States by their place: the one in which the rear comes nearest to locking first or does by most, with its
    decelerations, m/s²; the first in which rear pads that bite more would lock first, or −1; the one that uses least of
    the grip. `bar_share` is the bearing off centre, share of the half bar, plus toward the front.
    """

    worst: Number
    spare: Number
    front_lock: Number
    rear_lock: Number
    just: Number
    least_used: Number
    least_efficiency: Number
    best_efficiency: Number
    bar_share: Number


class LockOrder(Matter[LockOrderNumbers]):
    key = "lock_order"
    title = "Lock order"
    # Rear first in any state is the one red verdict that no setting hides; a bar far off centre hides a wrong size.
    findings = (REAR_FIRST, FRONT_FIRST_JUST, SIZES_WRONG, TOO_MUCH_FRONT, FRONT_FIRST)
    facts = (
        Fact(label="first lock at", headline="first_deceleration", dimension="deceleration"),
        Fact(label="tyres allow", headline="limit_deceleration", dimension="deceleration"),
        Fact(label="share of the grip used", headline="efficiency", dimension="share"),
        Fact(label="front share, as chosen", headline="force_share", dimension="share"),
        Fact(label="front share at first lock", headline="first_share", dimension="share"),
        Fact(label="ideal share", headline="ideal_share", dimension="share"),
        Fact(label="hardest stop", headline="stop.distance", dimension="distance"),
        Fact(label="longer than ideal by", headline="stop.lost", dimension="distance"),
    )

    def numbers(self, screening: Screening) -> LockOrderNumbers:
        setups = np.arange(screening.count)
        spare, efficiency = screening.spare, screening.efficiency
        worst, least_used = spare.argmin(axis=1), efficiency.argmin(axis=1)
        weaker = screening.rear_first_if_pads_bite
        bar = screening.system.bar
        return LockOrderNumbers(
            worst=worst,
            spare=spare[setups, worst],
            front_lock=screening.front_lock[setups, worst],
            rear_lock=screening.rear_lock[setups, worst],
            just=np.where(weaker.any(axis=1), weaker.argmax(axis=1), -1),
            least_used=least_used,
            least_efficiency=efficiency[setups, least_used],
            best_efficiency=efficiency.max(axis=1),
            bar_share=screening.per_setup(0.0 if bar is None else bar.offset / (bar.length / 2)),
        )

    def judge(self, numbers: LockOrderNumbers, _car: Car) -> Array:
        return first_that_holds(
            (
                numbers.rear_lock < numbers.front_lock,
                numbers.just >= 0,
                np.abs(numbers.bar_share) > defaults.BAR_SHARE_MOST.value,
                numbers.best_efficiency < defaults.BALANCE_WORTH.value,
            )
        )

    def distance(self, numbers: LockOrderNumbers, _car: Car) -> Array:
        """Once the front is first everywhere, the least loss is best; until then, the most gain in order."""
        off = np.abs(numbers.bar_share)
        wound = np.where(off > defaults.BAR_SHARE_MOST.value, off, 0.0)
        found: Array = wound + np.where(numbers.spare >= 0, 1 - numbers.best_efficiency, 1 - numbers.spare)
        return found

    def wants(self, finding: Finding) -> Wants:
        more_front = finding in (REAR_FIRST, FRONT_FIRST_JUST)
        share = {1} if more_front else {-1} if finding is TOO_MUCH_FRONT else {2}
        return Wants(share=frozenset(share))

    def mends(self, finding: Finding, change: Change) -> bool:
        """Where the bar hides a wrong size, turning it back alone is no mend."""
        return finding is not SIZES_WRONG or change.joint != "balance_bar"

    def changes(self, screening: Screening, setup: Setup, wants: Wants) -> Iterator[Change]:
        if wants.anything or wants.share:
            yield from valve_changes(screening, setup)
            if not setup.tandem_fitted:
                yield from bar_changes(screening, setup)

    def verdict(self, screening: Screening, setup: Setup, judged: Judgement[LockOrderNumbers]) -> Verdict:
        numbers, finding = judged.numbers(), judged.finding
        worst: int = numbers.worst
        return Verdict(
            key=self.key,
            title=self.title,
            level=finding.level,
            word=finding.word,
            number=measure(min(numbers.front_lock, numbers.rear_lock), "deceleration"),
            margin=measure(numbers.spare, "deceleration"),
            margin_words="rear after front by",
            margin_signed=True,
            state=screening.conditions.names[worst],
            reason=self._reason(screening, setup, numbers, finding),
            facts=self.facts,
        )

    def _reason(self, screening: Screening, setup: Setup, numbers: LockOrderNumbers, finding: Finding) -> Phrase:
        names = screening.conditions.names
        if finding is SIZES_WRONG:
            return _bar_reason(setup, float(numbers.bar_share))
        if finding is REAR_FIRST:
            front_holds = (
                "the front would hold to {front}" if math.isfinite(numbers.front_lock) else "the front never can"
            )
            return phrase(
                f"{names[numbers.worst]}: the rear locks at {{rear}}, {front_holds}. The car can spin.",
                rear=(numbers.rear_lock, "deceleration"),
                front=(numbers.front_lock, "deceleration"),
            )
        if finding is FRONT_FIRST_JUST:
            return phrase(
                f"{names[numbers.just]}: if the rear pads bite {{tolerance}} more than the front's, the rear locks"
                " first.",
                tolerance=(setup.pad_tolerance, "share"),
            )
        opening = "The fronts do too much" if finding is TOO_MUCH_FRONT else "Front first"
        return phrase(
            f"{opening} in every state. {names[numbers.least_used]} uses {{efficiency}} of the grip: {{lost}} longer"
            " than ideal.",
            efficiency=(numbers.least_efficiency, "share"),
            lost=(screening.metres_lost[numbers.least_used], "distance"),
        )

    def effect(self, before: LockOrderNumbers, after: LockOrderNumbers, push: float) -> Phrase:
        order = "rear" if after.rear_lock < after.front_lock else "front"
        bar = ", bar at {bar:+} of its half" if after.bar_share != before.bar_share else ""
        used = "" if before.rear_lock < before.front_lock else ", grip used {used} at least"
        return phrase(
            f"{order} first by {{spare}} at worst{used}, foot {{push:+}}{bar}",
            spare=(abs(after.spare), "deceleration"),
            push=(push, "force"),
            bar=(after.bar_share, "share"),
            used=(after.least_efficiency, "share"),
        )


def _bar_reason(setup: Setup, share: float) -> Phrase:
    """The bar is wound: which size it hides."""
    pitch = setup.balance_bar.thread_pitch
    toward = "front" if share > 0 else "rear"
    opening = f"The bar stands {{turns}} toward the {toward}, {{share}} of its half: the sizes are wrong, not the bar."
    values = {"turns": (abs(setup.balance_bar.offset / pitch), "turns"), "share": (abs(share), "share")}
    for one in centrings(setup)[:1]:
        values |= {"bore": (one.bore, "bore"), "back": (one.offset / pitch, "turns")}
        return phrase(
            f"{opening} A {{bore}} {one.axle} cylinder brings it to {{back:+}} with the same balance.", **values
        )
    return phrase(f"{opening} No cylinder on the shelf alone brings it back.", **values)


LOCK_ORDER = LockOrder()
