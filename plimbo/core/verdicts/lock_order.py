"""Lock order: the front must lock first in every state, with the bar near its middle and the grip used."""

import math
from collections.abc import Iterator

import numpy as np

from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup
from plimbo.core.documents.actuation import share_of_half
from plimbo.core.quantities.phrases import Phrase, measure, phrase
from plimbo.core.stepping.changes import Change, ChangeKind
from plimbo.core.verdicts.balance_changes import valve_changes
from plimbo.core.verdicts.level import Finding, Level
from plimbo.core.verdicts.lock_order_words import (
    FRONT_FIRST,
    FRONT_FIRST_JUST,
    GRIP_UNUSED,
    HARDLY_BRAKES,
    IN_DOUBT,
    LOCK_TOGETHER,
    REAR_FIRST,
    SIZES_WRONG,
    TOGETHER_WITHIN,
    TOO_MUCH_FRONT,
    LockOrderNumbers,
    order_words,
    reason_of,
)
from plimbo.core.verdicts.matter import Criterion, Fact, InState, Judgement, Matter, Verdict, first_that_holds
from plimbo.core.verdicts.rule import rule
from plimbo.core.working.numbers import Array, single

# Comfortable margin between front and rear locking, as a share of the tyres' capacity.
SURELY_FIRST = 0.1
FEW_TURNS = 2


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
            return order_words(before, after)
        words, name = {
            "least grip": ("uses {now} of the grip in its worst state, was {was}", "least_efficiency"),
            "best grip": ("uses {now} of the grip in its best state, was {was}", "best_efficiency"),
            "bar": ("bar {now:+} of the way to its end, was {was:+}", "bar_share"),
        }[criterion]
        return phrase(words, now=(getattr(after, name), "share"), was=(getattr(before, name), "share"))

    def comes_first(self, change: Change, then: Finding) -> bool:
        """One or two turns of the bar cost nothing and are undone as fast."""
        return change.kind is ChangeKind.TURN and change.steps <= FEW_TURNS and then in (GRIP_UNUSED, FRONT_FIRST)

    def changes(self, screening: Screening, setup: Setup) -> Iterator[Change]:
        yield from valve_changes(screening, setup)

    def verdict(self, screening: Screening, setup: Setup, judged: Judgement[LockOrderNumbers]) -> Verdict:
        numbers, finding = judged.numbers(), judged.finding
        in_states = tuple(_in_states(screening))
        worst = in_states[int(single(numbers.worst))]
        limits = screening.conditions.car.limits
        return Verdict(
            key=self.key,
            title=self.title,
            level=finding.level,
            word=finding.word,
            rank=finding.rank,
            past=judged.past,
            number=worst.number,
            margin=worst.margin,
            margin_words=worst.margin_words,
            state=worst.state,
            in_states=in_states,
            rule=rule(
                "The front locks first in every state, bar as it stands, also where the rear pads bite {bite} more.",
                "Both within {together}. Under {used} of the grip where no setting helps, {best} in the best state."
                " Rear first in over {draws} likely cars. Bar over {bar} of the way to its end.",
                "Rear first in any state. Under {all} of the grip in the best one.",
                together=(TOGETHER_WITHIN, "deceleration"),
                bite=(setup.pad_tolerance, "share"),
                used=(limits.grip_used, "share"),
                best=(limits.grip_at_best, "share"),
                draws=(limits.draws_rear_first, "chance"),
                bar=(limits.bar_off_centre, "share"),
                all=(limits.brakes_at_all, "share"),
            ),
            limits=self.limit_paths(),
            reason=reason_of(screening, setup, numbers, finding),
            facts=self.facts,
        )

    def effect(self, _finding: Finding, before: LockOrderNumbers, after: LockOrderNumbers, push: float) -> Phrase:
        if after.rear_first and not math.isfinite(after.spare):
            return phrase(
                "the front never locks, the rears at {rear}, foot {push:+}",
                rear=(after.rear_lock, "deceleration"),
                push=(push, "force"),
            )
        order = "rears lock {spare} too early" if after.rear_first else "front first by {spare}"
        used = "" if before.rear_first else ", grip used {used} at least"
        return phrase(
            f"{order}{used}, foot {{push:+}}",
            spare=(abs(single(after.spare)), "deceleration"),
            push=(push, "force"),
            used=(after.least_efficiency, "share"),
        )


def with_doubt(verdict: Verdict, chance: float, state: str, measure_next: str, car: Car) -> Verdict:
    """The same verdict; a good one becomes *to be watched* if the rear locks first in too many draws of the uncertain
    inputs.

    `chance` is the share of draws, in the state of that name, and `measure_next` the measurement that would reduce the
    doubt.
    """
    if verdict.level is not Level.GOOD or chance <= car.limits.draws_rear_first:
        return verdict
    reason = phrase(
        f"{state}: with what is not known exactly, the rear locks first in {{chance}} likely cars. {measure_next}",
        chance=(chance, "chance"),
    )
    return verdict.model_copy(update={"level": IN_DOUBT.level, "word": IN_DOUBT.word, "state": state, "reason": reason})


def _in_states(screening: Screening) -> Iterator[InState]:
    """When the first axle locks in each state, and by how much the front is sooner."""
    for place, state in enumerate(screening.conditions.names):
        spare = float(screening.spare[0, place])
        first = min(screening.front_lock[0, place], screening.rear_lock[0, place])
        yield InState(
            state=state,
            number=measure(first, "deceleration"),
            margin=measure(abs(spare), "deceleration"),
            margin_words="rears lock too early by" if spare < 0 else "front locks sooner by",
        )


def _between(limit: float) -> float:
    """Half-way between a limit on the used grip and all of it: comfortable."""
    return (limit + 1) / 2


LOCK_ORDER = LockOrder()
