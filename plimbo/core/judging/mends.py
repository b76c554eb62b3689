"""The one-size changes that mend a verdict, found by trying every neighbour on the shelf."""

from collections.abc import Sequence
from typing import NamedTuple

from pydantic import ValidationError

from plimbo.core.brakes.chain import foot_to_road, with_axle_changed
from plimbo.core.brakes.stock import Joint, Swap, patched
from plimbo.core.documents import Car, Setup
from plimbo.core.judging.screening import (
    SEVERITY,
    Conditions,
    Finding,
    Screen,
    heat_finding,
    leg_finding,
    lock_order_finding,
    screen,
)
from plimbo.core.judging.verdicts import Mend, Verdict
from plimbo.core.phrases import Phrase, phrase
from plimbo.core.working import PLAIN

# Pads and the bar are not sizes: friction is a choice of compound, the bar is for the fine adjustment.
SIZED = ("pedal", "master_cylinder", "caliper", "disc")
SHOWN = 3


class Trial(NamedTuple):
    """A neighbouring size, tried."""

    joint: Joint
    swap: Swap
    screened: Screen
    findings: dict[str, Finding]


def findings(screened: Screen, car: Car) -> dict[str, Finding]:
    """How each matter stands."""
    return {
        "lock_order": lock_order_finding(screened),
        "leg": leg_finding(screened, car),
        "heat": heat_finding(screened),
    }


def trials(conditions: Conditions, setup: Setup, now: Screen, around: Sequence[Joint]) -> list[Trial]:
    """Every neighbouring size that can be built, with its findings."""
    car, found, built = conditions.car, [], []
    for joint in around:
        if joint.key.rsplit(".", 1)[-1] not in SIZED:
            continue
        for swap in (joint.smaller, joint.bigger):
            if swap is None:
                continue
            try:
                changed = patched(setup, swap.patch)
            except ValidationError:
                continue  # the part does not go with its neighbours, a piston over its pad for one
            if joint.axle is None:
                chain = foot_to_road(car, changed, PLAIN)
            else:
                chain = with_axle_changed(now.chain, car, changed, PLAIN, joint.axle)
            found.append((joint, swap))
            built.append((changed, chain))
    if not built:
        return []
    return [
        Trial(joint, swap, screened, findings(screened, car))
        for (joint, swap), screened in zip(found, screen(conditions, built), strict=True)
    ]


def _want(key: str, screened: Screen, car: Car) -> float:
    """How far the setup is from what this verdict wants; less is better."""
    if key == "lock_order":
        spare = screened.worst.spare
        # Once the front is first everywhere, the least loss is best; until then, the most gain in order.
        return 1 - max(row.efficiency for row in screened.states) if spare >= 0 else 1 - spare
    if key == "leg":
        return abs(screened.hardest_push - car.driver.foot_force)
    return screened.hotter[1].share_of_limit


def _effect(key: str, before: Screen, after: Screen) -> Phrase:
    push = after.hardest_push - before.hardest_push
    if key == "lock_order":
        order = "rear" if after.worst.rear_first else "front"
        return phrase(
            f"{order} first by {{spare}} at worst, foot {{push:+}}",
            spare=(abs(after.worst.spare), "deceleration"),
            push=(push, "force"),
        )
    if key == "leg":
        return phrase(
            "hardest push {hardest}, foot {push:+}", hardest=(after.hardest_push, "force"), push=(push, "force")
        )
    front, rear = after.front_disc.temperature_rise, after.rear_disc.temperature_rise
    return phrase(
        "front {front}, rear {rear}, foot {push:+}",
        front=(front, "temperature difference"),
        rear=(rear, "temperature difference"),
        push=(push, "force"),
    )


def mends(verdict: Verdict, now: Screen, tried: list[Trial], car: Car) -> tuple[Mend, ...]:
    """The changes that mend this verdict most, best first; a change that worsens another verdict comes after."""
    key, before = verdict.key, findings(now, car)

    def worsened(trial: Trial) -> int:
        return sum(
            max(0, SEVERITY[after.level] - SEVERITY[before[other].level])
            for other, after in trial.findings.items()
            if other != key
        )

    def rank(trial: Trial) -> tuple[int, int, float]:
        return SEVERITY[trial.findings[key].level], worsened(trial), _want(key, trial.screened, car)

    standing = (SEVERITY[verdict.level], _want(key, now, car))
    ranked = sorted(((rank(trial), trial) for trial in tried), key=lambda pair: pair[0])
    better = [trial for (level, _, want), trial in ranked if (level, want) < standing]
    return tuple(
        Mend(
            joint=trial.joint.key,
            title=trial.joint.title,
            dimension=trial.joint.dimension,
            before=trial.joint.sizes,
            swap=trial.swap,
            word=trial.findings[key].word,
            level=trial.findings[key].level,
            effect=_effect(key, now, trial.screened),
        )
        for trial in better[:SHOWN]
    )
