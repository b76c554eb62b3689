"""Lock order: the front must lock first in every state, with the bar near its middle and the grip used."""

import math
from collections.abc import Iterator
from typing import NamedTuple

import numpy as np

from plimbo.core.braking.balance_settings import bar_offset
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup
from plimbo.core.documents.actuation import share_of_half
from plimbo.core.quantities.phrases import Phrase, measure, phrase
from plimbo.core.stepping.changes import Change, ChangeKind
from plimbo.core.vehicle.loads import GRAVITY
from plimbo.core.verdicts.balance_changes import centrings, valve_changes
from plimbo.core.verdicts.level import Finding, Level, Rank, bad, good, watch
from plimbo.core.verdicts.matter import Criterion, Fact, Judgement, Matter, Verdict, first_that_holds
from plimbo.core.working.numbers import Array, Condition, Number, single

REAR_FIRST = bad("Rear locks first", Rank.REAR_FIRST)
LOCK_TOGETHER = watch("Both lock together", Rank.REAR_FIRST)
HARDLY_BRAKES = bad("Hardly brakes", Rank.EFFORT)
FRONT_FIRST_JUST = watch("Front first, just", Rank.REAR_FIRST)
SIZES_WRONG = watch("Sizes wrong, bar wound", Rank.BALANCE)
TOO_MUCH_FRONT = watch("Too much front", Rank.BALANCE)
GRIP_UNUSED = watch("Grip left unused", Rank.BALANCE)
IN_DOUBT = watch("Front first, in doubt", Rank.REAR_FIRST)
FRONT_FIRST = good("Front locks first")
# Comfortable margin between front and rear locking, as a share of the tyres' capacity.
SURELY_FIRST = 0.1
TOGETHER = 1e-9
# Nearer than this the model cannot tell which end locks first, m/s².
TOGETHER_WITHIN = 0.01 * GRAVITY
FEW_TURNS = 2


class LockOrderNumbers(NamedTuple):
    """States by their index: the state in which the rear comes nearest to locking first, or locks first by most, with
    its decelerations, m/s²; the first in which rear pads that bite more would lock first, or −1; the state that uses
    least grip; the first in which the rear wheels lift, or −1. `order` is the least by which the front locks sooner,
    see `Screening.order_margin`; `bar_share` the bearing off centre, share of the half bar, plus toward the front.

    `fixed_efficiency` is the least grip used in the states that bar or valve cannot be set for; `reset` the first that
    they must be set for, or −1.
    """

    worst: Number
    rear_first: Condition
    order: Number
    spare: Number
    front_lock: Number
    rear_lock: Number
    just: Number
    least_used: Number
    least_efficiency: Number
    fixed_efficiency: Number
    reset: Number
    best_efficiency: Number
    bar_share: Number
    lifts: Number


class LockOrder(Matter[LockOrderNumbers]):
    key = "lock_order"
    title = "Lock order"
    # Rear first in any state is the one red verdict that no setting hides; a bar far off centre hides a wrong size.
    findings = (
        REAR_FIRST,
        HARDLY_BRAKES,
        LOCK_TOGETHER,
        FRONT_FIRST_JUST,
        SIZES_WRONG,
        TOO_MUCH_FRONT,
        GRIP_UNUSED,
        FRONT_FIRST,
    )
    facts = (
        Fact(label="first lock at", headline="first_deceleration", dimension="deceleration"),
        Fact(label="tyres allow", headline="limit_deceleration", dimension="deceleration"),
        Fact(label="share of the grip used", headline="efficiency", dimension="share"),
        Fact(label="front share, as chosen", headline="force_share", dimension="share"),
        Fact(label="front share at first lock", headline="first_share", dimension="share"),
        Fact(label="ideal share", headline="ideal_share", dimension="share"),
        Fact(label="hardest stop, from top speed", headline="stop.distance", dimension="distance"),
        Fact(label="that stop longer than ideal by", headline="stop.lost", dimension="distance"),
    )

    def numbers(self, screening: Screening) -> LockOrderNumbers:
        setups = np.arange(screening.count)
        spare, efficiency = screening.spare, screening.efficiency
        worst, least_used = spare.argmin(axis=1), efficiency.argmin(axis=1)
        weaker = np.logical_or(screening.rear_first_if_pads_bite, screening.locks_together)
        lifts = np.asarray(screening.conditions.at_speed.limit.rear_lifts)[:, 0]
        bar, limits = screening.system.bar, screening.conditions.car.limits
        reached = screening.reached_by_setting
        reset = reached & (efficiency < limits.grip_used)
        return LockOrderNumbers(
            worst=worst,
            rear_first=np.asarray(screening.rear_first.any(axis=1)),
            order=screening.order_margin.min(axis=1),
            spare=spare[setups, worst],
            front_lock=screening.front_lock[setups, worst],
            rear_lock=screening.rear_lock[setups, worst],
            just=np.where(weaker.any(axis=1), weaker.argmax(axis=1), -1),
            least_used=least_used,
            least_efficiency=efficiency[setups, least_used],
            fixed_efficiency=np.where(reached, 1.0, efficiency).min(axis=1),
            reset=np.where(reset.any(axis=1), reset.argmax(axis=1), -1),
            best_efficiency=efficiency.max(axis=1),
            bar_share=screening.per_setup(0.0 if bar is None else share_of_half(bar.offset, bar.length)),
            lifts=np.full(screening.count, lifts.argmax() if lifts.any() else -1),
        )

    limits = ("grip_used", "grip_at_best", "brakes_at_all", "draws_rear_first", "bar_off_centre")
    order = (
        ChangeKind.TURN,
        ChangeKind.BORE,
        ChangeKind.KNEE,
        ChangeKind.PISTONS,
        ChangeKind.DIAMETER,
        ChangeKind.COMPOUND,
    )

    def judge(self, numbers: LockOrderNumbers, car: Car) -> Array:
        limits = car.limits
        return first_that_holds(
            (
                np.logical_and(numbers.rear_first, numbers.spare < -TOGETHER_WITHIN),
                numbers.best_efficiency < limits.brakes_at_all,
                np.abs(numbers.spare) <= TOGETHER_WITHIN,
                numbers.just >= 0,
                np.abs(numbers.bar_share) > limits.bar_off_centre,
                numbers.best_efficiency < limits.grip_at_best,
                numbers.fixed_efficiency < limits.grip_used,
            )
        )

    def criteria(self, numbers: LockOrderNumbers, car: Car) -> tuple[Criterion, ...]:
        limits = car.limits
        return (
            Criterion("order", numbers.order, SURELY_FIRST, 0.0),
            Criterion("least grip", numbers.fixed_efficiency, _between(limits.grip_used), limits.grip_used),
            Criterion("best grip", numbers.best_efficiency, _between(limits.grip_at_best), limits.grip_at_best),
            Criterion("bar", np.abs(numbers.bar_share), limits.bar_off_centre / 4, limits.bar_off_centre),
        )

    def worsening(self, criterion: str, before: LockOrderNumbers, after: LockOrderNumbers) -> Phrase:
        if criterion == "order":
            return _order_words(before, after)
        words, name = {
            "least grip": ("uses {now} of the grip in its worst state, was {was}", "least_efficiency"),
            "best grip": ("uses {now} of the grip in its best state, was {was}", "best_efficiency"),
            "bar": ("bar {now:+} of its half off the middle, was {was:+}", "bar_share"),
        }[criterion]
        return phrase(words, now=(getattr(after, name), "share"), was=(getattr(before, name), "share"))

    def comes_first(self, change: Change, then: Finding) -> bool:
        """One or two turns of the bar cost nothing and are undone as fast."""
        return change.kind is ChangeKind.TURN and change.steps <= FEW_TURNS and then in (GRIP_UNUSED, FRONT_FIRST)

    def changes(self, screening: Screening, setup: Setup) -> Iterator[Change]:
        yield from valve_changes(screening, setup)

    def verdict(self, screening: Screening, setup: Setup, judged: Judgement[LockOrderNumbers]) -> Verdict:
        numbers, finding = judged.numbers(), judged.finding
        worst = int(single(numbers.worst))
        limits = screening.conditions.car.limits
        return Verdict(
            key=self.key,
            title=self.title,
            level=finding.level,
            word=finding.word,
            rank=finding.rank,
            past=judged.past,
            number=measure(min(numbers.front_lock, numbers.rear_lock), "deceleration"),
            margin=measure(numbers.spare, "deceleration"),
            margin_words="rear after front by",
            margin_signed=True,
            state=screening.conditions.names[worst],
            rule=phrase(
                "The front must lock first in every state, with the bar as it stands, also where the rear pads bite"
                " {bite} more. Watched: both within {together}, under {used} of the grip in a state that bar or valve"
                " cannot be set for, or {best} in the best, rear first in more than {draws} of the tries, bar past"
                " {bar} of its half. Bad: rear first in any state, or under {all} of the grip in the best.",
                together=(TOGETHER_WITHIN, "deceleration"),
                bite=(setup.pad_tolerance, "share"),
                used=(limits.grip_used, "share"),
                best=(limits.grip_at_best, "share"),
                draws=(limits.draws_rear_first, "share"),
                bar=(limits.bar_off_centre, "share"),
                all=(limits.brakes_at_all, "share"),
            ),
            limits=self.limit_paths(),
            reason=self._reason(screening, setup, numbers, finding),
            facts=self.facts,
        )

    def _reason(self, screening: Screening, setup: Setup, numbers: LockOrderNumbers, finding: Finding) -> Phrase:
        names, car = screening.conditions.names, screening.conditions.car

        def name_of(place: Number) -> str:
            return names[int(single(place))]

        lifts, carried = "", dict[str, tuple[float, str]]()
        if numbers.lifts >= 0:
            carried["carried"] = (screening.limits[int(single(numbers.lifts))][1], "force")
            lifts = (
                f" In “{name_of(numbers.lifts)}” the rear wheels lift before the front tyres reach their limit: more"
                " than {carried} at both rear wheels locks them, whatever the brakes."
            )
        if finding is SIZES_WRONG:
            return _bar_reason(car, setup, float(numbers.bar_share))
        if finding is REAR_FIRST:
            front_holds = (
                "the front would hold to {front}"
                if math.isfinite(numbers.front_lock)
                else "the front never does, so little does it make"
            )
            cold = ""
            if screening.conditions.states[int(single(numbers.worst))].rear_tyre_grip is not None:
                how = "set the valve lower" if setup.tandem_fitted else "turn the bar forward"
                cold = f" Its rear tyres are cold: {how} for these laps, and back as they come in: see the card."
                if setup.tandem_fitted and not setup.valve.fitted:
                    cold = " Its rear tyres are cold, and no valve is fitted that could be set for these laps."
            return phrase(
                f"{name_of(numbers.worst)}: the rear locks at {{rear}}, {front_holds}. The car can spin.{cold}{lifts}",
                rear=(numbers.rear_lock, "deceleration"),
                front=(numbers.front_lock, "deceleration"),
                **carried,
            )
        if finding is LOCK_TOGETHER:
            return phrase(
                f"{name_of(numbers.worst)}: both ends lock within {{together}} of each other, too near to tell which is"
                f" first.{lifts}",
                together=(TOGETHER_WITHIN, "deceleration"),
                **carried,
            )
        if finding is FRONT_FIRST_JUST:
            together = abs(single(numbers.order)) < TOGETHER
            opening = "both ends lock together; " if together else ""
            return phrase(
                f"{name_of(numbers.just)}: {opening}if the rear pads bite {{tolerance}} more than the front's, the rear"
                f" locks first.{lifts}",
                tolerance=(setup.pad_tolerance, "share"),
                **carried,
            )
        used = (
            f" {name_of(numbers.least_used)} uses {{efficiency}} of the grip: {{lost}} longer than ideal"
            " from {top} to {end}."
        )
        openings = {
            HARDLY_BRAKES: "The fronts lock long before the rears do anything: even the best state uses {best} of the"
            " grip.",
            TOO_MUCH_FRONT: "The fronts do too much in every state.",
            GRIP_UNUSED: "Front first in every state.",
        }
        for_the_day, turned = _reset(screening, setup, numbers)
        return phrase(
            f"{openings.get(finding, 'Front first in every state.')}{used}{for_the_day}{lifts}",
            **carried,
            **turned,
            efficiency=(numbers.least_efficiency, "share"),
            best=(numbers.best_efficiency, "share"),
            lost=(screening.metres_lost[int(single(numbers.least_used))], "distance"),
            top=(car.top_speed, "speed"),
            end=(car.stop_to_speed, "speed"),
        )

    def effect(self, _finding: Finding, before: LockOrderNumbers, after: LockOrderNumbers, push: float) -> Phrase:
        if after.rear_first and not math.isfinite(after.spare):
            return phrase(
                "rear first still, at {rear}, foot {push:+}",
                rear=(after.rear_lock, "deceleration"),
                push=(push, "force"),
            )
        order = "rear" if after.rear_first else "front"
        used = "" if before.rear_first else ", grip used {used} at least"
        return phrase(
            f"{order} first by {{spare}} at worst{used}, foot {{push:+}}",
            spare=(abs(single(after.spare)), "deceleration"),
            push=(push, "force"),
            used=(after.least_efficiency, "share"),
        )


def _reset(screening: Screening, setup: Setup, numbers: LockOrderNumbers) -> tuple[str, dict[str, tuple[float, str]]]:
    """How bar or valve is set for a state that would leave grip unused, in words with their numbers."""
    place = int(single(numbers.reset))
    if place < 0:
        return "", {}
    state = screening.conditions.names[place]
    if setup.tandem_fitted:
        return f" For “{state}” set the valve higher, see the card.", {}
    front, rear = screening.limits[place]
    bar = setup.balance_bar
    wanted = single(bar_offset(setup, screening.chain, (front, rear / (1 + setup.pad_tolerance))))
    turns = bar.turns(wanted - bar.offset)
    way = "front" if turns > 0 else "rear"
    return f" For “{state}” turn the bar {{reset}} to the {way}, see the card.", {"reset": (abs(turns), "turns")}


def with_doubt(verdict: Verdict, chance: float, state: str, measure_next: str, car: Car) -> Verdict:
    """The same verdict; a good one becomes *to be watched* if the rear locks first in too many draws of the uncertain
    inputs.

    `chance` is the share of draws, in the state of that name, and `measure_next` the measurement that would reduce the
    doubt.
    """
    if verdict.level is not Level.GOOD or chance <= car.limits.draws_rear_first:
        return verdict
    reason = phrase(
        f"{state}: within what is not known exactly, the rear locks first in {{chance}} of the tries. {measure_next}",
        chance=(chance, "share"),
    )
    return verdict.model_copy(update={"level": IN_DOUBT.level, "word": IN_DOUBT.word, "state": state, "reason": reason})


def _between(limit: float) -> float:
    """Half-way between a limit on the used grip and all of it: comfortable."""
    return (limit + 1) / 2


def _order_words(before: LockOrderNumbers, after: LockOrderNumbers) -> Phrase:
    """Which end locks first and by how much, now and before."""

    def words(numbers: LockOrderNumbers, name: str) -> str:
        if not numbers.rear_first:
            return f"front first by {{{name}}}"
        return f"rear first by {{{name}}}" if math.isfinite(numbers.spare) else f"rear first at {{{name}}}"

    def value(numbers: LockOrderNumbers) -> float:
        spare = single(numbers.spare)
        return abs(spare) if math.isfinite(spare) else single(numbers.rear_lock)

    return phrase(
        f"{words(after, 'now')} at worst, was {words(before, 'was')}",
        now=(value(after), "deceleration"),
        was=(value(before), "deceleration"),
    )


def _bar_reason(car: Car, setup: Setup, share: float) -> Phrase:
    """The bar is wound: the size that it hides."""
    bar = setup.balance_bar
    toward = "front" if share > 0 else "rear"
    opening = f"The bar stands {{turns}} toward the {toward}, {{share}} of its half: the sizes are wrong, not the bar."
    values = {"turns": (abs(bar.turns(bar.offset)), "turns"), "share": (abs(share), "share")}
    for one in centrings(car, setup)[:1]:
        values |= {"bore": (one.bore, "bore"), "back": (bar.turns(one.offset), "turns")}
        return phrase(
            f"{opening} A {{bore}} {one.axle} cylinder brings it to {{back:+}} with the same balance.", **values
        )
    return phrase(f"{opening} No cylinder on the shelf alone brings it back.", **values)


LOCK_ORDER = LockOrder()
