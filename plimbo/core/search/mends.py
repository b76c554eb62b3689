"""The single changes that mend a verdict, found by trying them all at once on columns."""

from collections.abc import Sequence
from functools import reduce
from operator import or_
from typing import Any, NamedTuple

import numpy as np

from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Setup
from plimbo.core.hydraulics.columns import goes_together, with_changes
from plimbo.core.search.neighbours import neighbours
from plimbo.core.shelf.changes import Change
from plimbo.core.shelf.joints import Joint
from plimbo.core.verdicts.level import Level
from plimbo.core.verdicts.matter import Judgement, Matter, Mend, Wants

SHOWN = 4
NOISE = 1e-9

Judged = dict[str, Judgement[Any]]


class Trials(NamedTuple):
    """Changes, tried: how each matter stands then, by its key, and the hardest push at first lock, N.

    `fits` says of each whether its part goes with its neighbours: a piston may go over its pad, for one.
    """

    changes: list[Change]
    fits: list[bool]
    judged: Judged
    hardest_push: list[float]


def judged(screening: Screening, matters: Sequence[Matter[Any]]) -> Judged:
    """How each matter stands, by its key."""
    return {matter.key: Judgement(matter, screening) for matter in matters}


def trials(
    screening: Screening, setup: Setup, around: Sequence[Joint], matters: Sequence[Matter[Any]], now: Judged
) -> Trials | None:
    """Every change worth trying that can be built, judged; none where there is none."""
    wanting = [matter for matter in matters if now[matter.key].finding.level is not Level.GOOD]
    wants = reduce(or_, (matter.wants(now[matter.key].finding) for matter in wanting), Wants())
    changes = list(neighbours(setup, screening.system, around, wants))
    for matter in matters:
        tried = [change.swap.patch for change in changes]
        changes += [change for change in matter.changes(screening, setup, wants) if change.swap.patch not in tried]
    if not changes:
        return None
    columns = with_changes(setup, screening.system, [change.swap.patch for change in changes])
    fits: list[bool] = np.broadcast_to(np.ravel(goes_together(columns)), len(changes)).tolist()
    if not any(fits):
        return None
    tried_on = Screening(screening.conditions, columns, len(changes))
    return Trials(changes, fits, judged(tried_on, matters), tried_on.hardest_push.tolist())


def mends(matter: Matter[Any], now: Judged, hardest_push: float, tried: Trials | None) -> tuple[Mend, ...]:
    """The changes that mend this matter most, best first, one for each joint; what they worsen comes with them."""
    if tried is None:
        return ()
    key = matter.key
    before, after = now[key], tried.judged[key]
    # Nearer by no more than the last digits is no nearer.
    standing = before.severities[0], before.distances[0] - NOISE * (1 + abs(before.distances[0]))
    was = before.numbers()
    others = [(judgement, now[other].severities[0]) for other, judgement in tried.judged.items() if other != key]
    ranked = []
    for number, (change, fits) in enumerate(zip(tried.changes, tried.fits, strict=True)):
        if not fits:
            continue
        reached = after.severities[number], after.distances[number]
        if reached >= standing or not matter.mends(before.finding, change):
            continue
        worsened = [other.findings[number].word for other, stood in others if other.severities[number] > stood]
        # Sizes first: the bar is for the fine adjustment, and a compound is chosen for its heat.
        fine = change.joint.endswith(("balance_bar", "pad"))
        ranked.append((reached[0], len(worsened), fine, reached[1], number, worsened))
    best: dict[str, Mend] = {}
    for *_, number, worsened in sorted(ranked):
        change = tried.changes[number]
        if change.joint in best:
            continue
        push = tried.hardest_push[number] - hardest_push
        best[change.joint] = Mend(
            joint=change.joint,
            title=change.title,
            dimension=change.dimension,
            before=change.before,
            swap=change.swap,
            word=after.findings[number].word,
            level=after.findings[number].level,
            effect=matter.effect(was, after.numbers(number), push),
            disturbs=tuple(worsened),
        )
        if len(best) == SHOWN:
            break
    return tuple(best.values())
