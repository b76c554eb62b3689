"""The one-size changes that mend a verdict, found by trying every neighbour on the shelf."""

from collections.abc import Sequence
from dataclasses import dataclass

from pydantic import ValidationError

from plimbo.core.demand import Demand
from plimbo.core.documents import Car, Setup, State
from plimbo.core.stock import Joint, Swap, joints, patched
from plimbo.core.verdicts import (
    SEVERITY,
    Mend,
    Phrase,
    Screen,
    Verdict,
    heat_verdict,
    leg_verdict,
    lock_order_verdict,
    phrase,
    screen,
)

# Pads and the bar are not sizes: friction is a choice of compound, the bar is for the fine adjustment.
SIZED = ("pedal", "master_cylinder", "caliper", "disc")
SHOWN = 3


@dataclass(frozen=True, slots=True)
class Trial:
    """A neighbouring size, tried."""

    joint: Joint
    swap: Swap
    screened: Screen
    verdicts: dict[str, Verdict]


def _verdicts(screened: Screen, car: Car, setup: Setup) -> dict[str, Verdict]:
    nothing_lost = [0.0] * len(screened.states)
    found = (lock_order_verdict(screened, setup, nothing_lost), leg_verdict(screened, car), heat_verdict(screened))
    return {verdict.key: verdict for verdict in found}


def trials(car: Car, setup: Setup, states: Sequence[State], roads: Sequence[Demand]) -> list[Trial]:
    """Every neighbouring size that can be built, with its verdicts."""
    found = []
    for joint in joints(setup):
        if joint.key.rsplit(".", 1)[-1] not in SIZED:
            continue
        for swap in (joint.smaller, joint.bigger):
            if swap is None:
                continue
            try:
                changed = patched(setup, swap.patch)
            except ValidationError:
                continue  # the part does not go with its neighbours, a piston over its pad for one
            screened = screen(car, changed, states, roads)
            found.append(Trial(joint, swap, screened, _verdicts(screened, car, changed)))
    return found


def _want(key: str, screened: Screen, car: Car) -> float:
    """How far the setup is from what this verdict wants; less is better."""
    if key == "lock_order":
        spare = min(row.spare for row in screened.states)
        # Once the front is first everywhere, the least loss is best; until then, the most gain in order.
        return 1 - max(row.efficiency for row in screened.states) if spare >= 0 else 1 - spare
    if key == "leg":
        return abs(max(row.foot_force for row in screened.states) - car.driver.foot_force)
    return max(disc.temperature_rise / disc.rise_limit for disc in (screened.front_disc, screened.rear_disc))


def _effect(key: str, before: Screen, after: Screen) -> Phrase:
    push = max(row.foot_force for row in after.states) - max(row.foot_force for row in before.states)
    if key == "lock_order":
        worst = min(after.states, key=lambda row: row.spare)
        order = "rear" if worst.rear_first else "front"
        spare = abs(worst.spare)
        return phrase(
            f"{order} first by {{spare}} at worst, foot {{push:+}}", spare=(spare, "deceleration"), push=(push, "force")
        )
    if key == "leg":
        hardest = max(row.foot_force for row in after.states)
        return phrase("hardest push {hardest}, foot {push:+}", hardest=(hardest, "force"), push=(push, "force"))
    front, rear = after.front_disc.temperature_rise, after.rear_disc.temperature_rise
    return phrase(
        "front {front}, rear {rear}, foot {push:+}",
        front=(front, "temperature difference"),
        rear=(rear, "temperature difference"),
        push=(push, "force"),
    )


def mends(verdict: Verdict, now: Screen, before: dict[str, Verdict], tried: list[Trial], car: Car) -> tuple[Mend, ...]:
    """The changes that mend this verdict most, best first; a change that worsens another verdict comes after."""

    def others(trial: Trial) -> int:
        return sum(
            max(0, SEVERITY[after.level] - SEVERITY[before[key].level])
            for key, after in trial.verdicts.items()
            if key != verdict.key
        )

    def rank(trial: Trial) -> tuple[int, int, float]:
        return (
            SEVERITY[trial.verdicts[verdict.key].level],
            others(trial),
            _want(verdict.key, trial.screened, car),
        )

    standing = (SEVERITY[verdict.level], _want(verdict.key, now, car))
    better = [trial for trial in tried if (rank(trial)[0], rank(trial)[2]) < standing and rank(trial)[0] <= standing[0]]
    return tuple(
        Mend(
            joint=trial.joint.key,
            title=trial.joint.title,
            dimension=trial.joint.dimension,
            before=trial.joint.sizes,
            swap=trial.swap,
            word=trial.verdicts[verdict.key].word,
            level=trial.verdicts[verdict.key].level,
            effect=_effect(verdict.key, now, trial.screened),
        )
        for trial in sorted(better, key=rank)[:SHOWN]
    )
