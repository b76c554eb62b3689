"""The single changes that mend a verdict, found by trying them."""

from collections.abc import Mapping, Sequence
from typing import NamedTuple

from pydantic import ValidationError

from plimbo.core import defaults
from plimbo.core.brakes.chain import Chain
from plimbo.core.brakes.joints import Joint, neighbour
from plimbo.core.documents import Car, Setup
from plimbo.core.judging.anti_lock import Compared, Known, anti_lock_finding, compared, worst_row
from plimbo.core.judging.candidates import Candidate, Wanted, candidates
from plimbo.core.judging.findings import (
    FRONT_FIRST_JUST,
    HEAVY,
    REAR_FIRST,
    SIZES_WRONG,
    TOO_HEAVY,
    TOO_MUCH_FRONT,
    VERY_LIGHT,
    Finding,
    Level,
)
from plimbo.core.judging.judge import heat_finding, leg_finding, lock_order_finding, travel_finding
from plimbo.core.judging.screening import Conditions, Screen, screen
from plimbo.core.judging.verdicts import Mend, Verdict
from plimbo.core.phrases import Phrase, phrase

SHOWN = 4


class Judged(NamedTuple):
    """A setup as it was screened, how each matter stands on it, and what its anti-lock system knows of it."""

    screened: Screen
    findings: dict[str, Finding]
    anti_lock: tuple[Compared, ...]


class Trial(NamedTuple):
    """A change, tried."""

    candidate: Candidate
    judged: Judged


def judged(screened: Screen, car: Car, rows: tuple[Compared, ...]) -> Judged:
    """How each matter stands."""
    found = {
        "lock_order": lock_order_finding(screened),
        "leg": leg_finding(screened, car),
        "travel": travel_finding(screened),
        "heat": heat_finding(screened),
    }
    if rows:
        found["anti_lock"] = anti_lock_finding(rows)
    return Judged(screened, found, rows)


def trials(conditions: Conditions, setup: Setup, chain: Chain, around: Sequence[Joint], now: Judged) -> list[Trial]:
    """Every change worth trying that can be built, judged."""
    car = conditions.car
    found, built = [], []
    for candidate in candidates(car, setup, chain, around, conditions.limits, _what_is_wanted(now.findings)):
        try:
            built.append(neighbour(setup, candidate.swap.patch))
        except ValidationError:
            continue  # the part does not go with its neighbours, a piston over its pad for one
        found.append(candidate)
    if not built:
        return []
    known: Known = {}
    return [
        Trial(candidate, judged(screened, car, compared(car, changed, known)))
        for candidate, changed, screened in zip(found, built, screen(conditions, built), strict=True)
    ]


_SHARES = {REAR_FIRST: {1}, FRONT_FIRST_JUST: {1}, TOO_MUCH_FRONT: {-1}}
_FORCES = {TOO_HEAVY: {1}, HEAVY: {1}, VERY_LIGHT: {-1}}


def _what_is_wanted(found: Mapping[str, Finding]) -> Wanted:
    """From how the matters stand, which way the changes would have to go."""
    bad = [(key, finding) for key, finding in found.items() if finding.level is not Level.GOOD]
    return Wanted(
        share=frozenset().union(*(_SHARES.get(finding, {2}) for key, finding in bad if key == "lock_order")),
        force=frozenset().union(*(_FORCES.get(finding, set()) for key, finding in bad if key == "leg")),
        anything=any(key in ("travel", "heat") for key, _ in bad),
        originals=any(key == "anti_lock" for key, _ in bad),
    )


def _want(key: str, of: Judged, car: Car) -> float:
    """How far the setup is from what this verdict wants; less is better."""
    screened = of.screened
    if key == "lock_order":
        spare = screened.worst.spare
        # Once the front is first everywhere, the least loss is best; until then, the most gain in order.
        off = abs(screened.bar_share) if abs(screened.bar_share) > defaults.BAR_SHARE_MOST.value else 0.0
        return off + (1 - screened.best_efficiency if spare >= 0 else 1 - spare)
    if key == "leg":
        return abs(screened.hardest_push - car.driver.foot_force)
    if key == "travel":
        travel = screened.travel
        tilt = abs(travel.tilt) / defaults.TILT_MOST.value
        return max(travel.due / travel.room, 1 - travel.left_part, tilt, float(travel.over_rating is not None))
    if key == "anti_lock":
        return sum([abs(row.off or 0.0) for row in of.anti_lock])
    return screened.hotter[1].share_of_limit


def _effect(key: str, before: Screen, of: Judged) -> Phrase:
    after = of.screened
    push = after.hardest_push - before.hardest_push
    if key == "lock_order":
        order = "rear" if after.worst.rear_first else "front"
        bar = ", bar at {bar:+} of its half" if after.bar_share != before.bar_share else ""
        used = "" if before.worst.rear_first else ", grip used {used} at least"
        return phrase(
            f"{order} first by {{spare}} at worst{used}, foot {{push:+}}{bar}",
            spare=(abs(after.worst.spare), "deceleration"),
            push=(push, "force"),
            bar=(after.bar_share, "share"),
            used=(after.least_used.efficiency, "share"),
        )
    if key == "leg":
        return phrase(
            "hardest push {hardest}, foot {push:+}", hardest=(after.hardest_push, "force"), push=(push, "force")
        )
    if key == "travel":
        return phrase(
            "pedal {travel:+} at lock, {left} of stroke left, foot {push:+}",
            travel=(after.travel.pedal - before.travel.pedal, "length"),
            left=(after.travel.left, "length"),
            push=(push, "force"),
        )
    if key == "anti_lock":
        row = worst_row(of.anti_lock)
        where = f"{row.axle} {row.title[0].lower()}{row.title[1:]}" if row.axle else row.title.lower()
        return phrase(
            f"furthest off then: {where}, {{off:+}}, foot {{push:+}}",
            off=(row.off or 0.0, "share"),
            push=(push, "force"),
        )
    front, rear = after.front_disc.rise, after.rear_disc.rise
    return phrase(
        "front {front}, rear {rear}, foot {push:+}",
        front=(front, "temperature difference"),
        rear=(rear, "temperature difference"),
        push=(push, "force"),
    )


def mends(verdict: Verdict, now: Judged, tried: Sequence[Trial], car: Car) -> tuple[Mend, ...]:
    """The changes that mend this verdict most, best first, one for each joint; what they worsen comes with them."""
    key, before = verdict.key, now.findings
    # Where the bar hides a wrong size, turning it back alone is no mend.
    sizes_only = key == "lock_order" and before[key] is SIZES_WRONG
    standing = before[key].severity, _want(key, now, car)
    ranked = []
    for number, trial in enumerate(tried):
        found, joint = trial.judged.findings, trial.candidate.joint
        reached = found[key].severity, _want(key, trial.judged, car)
        if reached >= standing or (sizes_only and joint == "balance_bar"):
            continue
        worsened = [
            after.word for other, after in found.items() if other != key and after.severity > before[other].severity
        ]
        # Sizes first: the bar is for the fine adjustment, and a compound is chosen for its heat.
        fine = joint.endswith(("balance_bar", "pad"))
        ranked.append((reached[0], len(worsened), fine, reached[1], number, worsened))
    best: dict[str, Mend] = {}
    for *_, number, worsened in sorted(ranked):
        candidate, after = tried[number]
        if candidate.joint in best:
            continue
        best[candidate.joint] = Mend(
            joint=candidate.joint,
            title=candidate.title,
            dimension=candidate.dimension,
            before=candidate.before,
            swap=candidate.swap,
            word=after.findings[key].word,
            level=after.findings[key].level,
            effect=_effect(key, now.screened, after),
            disturbs=tuple(worsened),
        )
        if len(best) == SHOWN:
            break
    return tuple(best.values())
