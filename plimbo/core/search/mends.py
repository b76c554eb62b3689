"""The advice on a matter: single changes and pairs of changes, ranked as a good preparer would, each with its cost."""

import json
import math
from collections.abc import Iterator, Sequence
from typing import Any, NamedTuple

import numpy as np
from pydantic import Field

from plimbo.core.braking.likely_cars import drawn_states
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Setup
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.quantities.results import Result
from plimbo.core.search.ranking import HURT_ALIKE, Ranking, ranking
from plimbo.core.search.sizes import sizes_near
from plimbo.core.search.trials import NONE, Changes, Judged, JudgedRows, judged
from plimbo.core.stepping.changes import Change, Json
from plimbo.core.verdicts.level import SEVERITY, Finding, Level
from plimbo.core.verdicts.lock_order import LOCK_ORDER
from plimbo.core.verdicts.lock_order_words import IN_DOUBT
from plimbo.core.verdicts.matter import NOTICED, Judgement, Matter
from plimbo.core.working.inputs import PLAIN

SHOWN, PAIRS_SHOWN = 4, 2
# Draws of a change, and for how many changes of a matter they are made.
MEND_DRAWS, MOST_DRAWN, MOST_DRAWN_SURER = 4_000, 16, 60
SPLIT = "Pads split front from rear: the two ends warm up differently, and the balance moves with the heat."


class MendPart(Result):
    """One changed part; `before` and `after` are empty where it has no size."""

    joint: str
    title: str
    dimension: str
    before: tuple[float, ...]
    after: tuple[float, ...]


class Cost(Result):
    """What a change makes worse: the matter, its new word where its level falls, and the amount."""

    matter: str
    word: str | None
    text: Phrase


class Mend(Result):
    """One change, or two together, that mend a matter or bring it nearer to sound; their effect and their cost."""

    parts: tuple[MendPart, ...]
    patch: dict[str, Json] = Field(description="The values to put at the paths of the setup.")
    word: str = Field(description="The matter's verdict then.")
    level: Level
    effect: Phrase
    costs: tuple[Cost, ...] = Field((), description="What it makes worse.")


class Advice(Result):
    """The mends of one matter, best first."""

    key: str
    mends: tuple[Mend, ...]
    mended: bool = Field(description="Whether one of them makes the matter sound, also where the inputs are in doubt.")


class _Shown(NamedTuple):
    """A change to be shown; `group` orders changes that are in doubt behind those that are not."""

    mend: Mend
    in_doubt: bool
    finding_rank: int
    group: tuple[bool, bool, int, bool]


class MendSearch:
    """All changes worth trying on one setup, with the result of every matter."""

    def __init__(
        self,
        screening: Screening,
        setup: Setup,
        matters: Sequence[Matter[Any]],
        surer: Sequence[Matter[Any]] = (),
        changes: Sequence[Change] | None = None,
    ) -> None:
        """`surer` are matters to improve although they are sound; `changes` are those to try, by default all that are
        worth trying.
        """
        self._screening, self._setup, self._matters = screening, setup, matters
        self._chances: dict[str, float] = {}
        self._now: Judged = judged(screening, matters)
        self.wanting = [matter for matter in matters if matter in surer or self._now[matter.key].finding.severity]
        self.changes = worth_trying(screening, setup, self.wanting) if changes is None else list(changes)
        self._trials: list[JudgedRows] = []
        if not self.changes or not self.wanting:
            return
        columns = Changes(setup, screening.system, self.changes)
        alone = np.stack([np.arange(len(self.changes)), np.full(len(self.changes), NONE)], axis=1)
        self._trials.append(columns.tried(screening, alone, matters))
        if not all(self._mended_alone(matter) for matter in self.wanting):
            self._trials.append(columns.tried(screening, columns.pairs(), matters))

    @property
    def tried(self) -> int:
        """How many changes and pairs of them were tried."""
        return sum(len(trials.rows) for trials in self._trials)

    def _ranking(self, matter: Matter[Any], trials: JudgedRows) -> Ranking:
        return ranking(matter, self._matters, self._now, trials, self.changes)

    def _mended_alone(self, matter: Matter[Any]) -> bool:
        """Whether a single change makes it sound without any cost."""
        found = self._ranking(matter, self._trials[0])
        return any(found.worth(row) == (0, 0, 0) for row in found.best_first()[:1])

    def advice(self, matter: Matter[Any]) -> Advice:
        """What mends one matter that is not sound."""
        found = [self._ranking(matter, trials) for trials in self._trials]
        stands = self._now[LOCK_ORDER.key].finding
        doubted = matter is LOCK_ORDER and self._in_doubt({}, stands)
        shown = self._surer(found) if doubted else self._best(matter, found)
        mended = any(not SEVERITY[mend.level] for mend in shown)
        return Advice(key=matter.key, mends=tuple(shown), mended=mended)

    def _best(self, matter: Matter[Any], found: Sequence[Ranking]) -> list[Mend]:
        """Best first, one for each joint or pair of joints; what leaves the lock order in doubt comes last."""
        offered = [
            (one, trials, row) for one, trials in zip(found, self._trials, strict=True) for row in one.best_first()
        ]
        offered.sort(key=lambda at: at[0].key(at[2]))
        alone = min((found[0].worth(row) for row in found[0].best_first()), default=(math.inf,)) if found else ()
        shown: dict[tuple[str, ...], _Shown] = {}
        drawn = pairs = sure = 0
        for one, trials, row in offered:
            numbers = [number for number in trials.rows[row].tolist() if number != NONE]
            joints = tuple(sorted(self.changes[number].title for number in numbers))
            known = shown.get(joints)
            # Of the same part only a size that takes the doubt away is better; a pair must achieve what no single
            # change does.
            if (known and not (known.in_doubt and one.finding_rank[row] == known.finding_rank)) or (
                len(numbers) > 1 and not known and (pairs == PAIRS_SHOWN or one.worth(row) >= alone)
            ):
                continue
            mend, in_doubt = self._mend(matter, trials, row)
            drawn += 1
            if not known or not in_doubt:
                group = bool(not one.first[row]), bool(one.last[row]), max(SEVERITY[mend.level], in_doubt), in_doubt
                shown[joints] = _Shown(mend, in_doubt, int(one.finding_rank[row]), group)
                pairs += len(numbers) > 1 and not known
                sure += not in_doubt
            if sure == SHOWN or drawn == MOST_DRAWN:
                break
        return [found.mend for found in sorted(shown.values(), key=lambda found: found.group)][:SHOWN]

    def _surer(self, found: Sequence[Ranking]) -> list[Mend]:
        """What takes the doubt away from a sound lock order, the least work first; two parts where one does not."""
        shown: dict[str, Mend] = {}
        before = float(self._now[LOCK_ORDER.key].columns.order[0])
        for one, trials in zip(found, self._trials, strict=True):
            after = trials.judged[LOCK_ORDER.key]
            surer = one.allowed & (np.array(after.severities) == 0) & (np.asarray(after.columns.order) > before)
            order = np.lexsort((one.steps, np.rint(one.hurt / HURT_ALIKE), one.rank, one.last))
            for row in order[surer[order]][:MOST_DRAWN_SURER].tolist():
                mend, in_doubt = self._mend(LOCK_ORDER, trials, row)
                if not in_doubt:
                    shown.setdefault(" ".join(part.title for part in mend.parts), mend)
                if len(shown) == SHOWN:
                    break
            if shown:
                break
        return list(shown.values())

    def _chance(self, patch: dict[str, Json]) -> float:
        """The share of likely cars whose rear locks first with a change, in the worst state."""
        key = json.dumps(patch, sort_keys=True)
        if key not in self._chances:
            system = brake_system(self._setup.patched(patch), PLAIN)
            drawn = drawn_states(self._screening.conditions, system, MEND_DRAWS)
            self._chances[key] = max(one.rear_first for one in drawn) / MEND_DRAWS
        return self._chances[key]

    def _in_doubt(self, patch: dict[str, Json], order: Finding) -> bool:
        return (
            order.level is Level.GOOD and self._chance(patch) > self._screening.conditions.car.limits.draws_rear_first
        )

    def _mend(self, matter: Matter[Any], trials: JudgedRows, row: int) -> tuple[Mend, bool]:
        """The change in words, and whether it leaves a lock order in doubt that was sure, or the one that it mends."""
        changes = [self.changes[number] for number in trials.rows[row].tolist() if number != NONE]
        before, after = self._now[matter.key], trials.judged[matter.key]
        push = float(trials.hardest_push[row] - self._screening.hardest_push[0])
        finding = after.findings[row]
        costs = [cost for other in self._matters for cost in self._costs(other, trials.judged[other.key], row)]
        if self._ranking(matter, trials).split[row]:
            costs.append(Cost(matter="lock_order", word=None, text=phrase(SPLIT)))
        patch = {path: value for change in changes for path, value in change.swap.patch.items()}
        order = trials.judged[LOCK_ORDER.key].findings[row]
        in_doubt = self._in_doubt(patch, order)
        stood = self._now[LOCK_ORDER.key].finding
        if in_doubt and matter is LOCK_ORDER:
            finding = IN_DOUBT
        elif in_doubt and (stood.level is not Level.GOOD or self._in_doubt({}, stood)):
            in_doubt = False
        elif in_doubt:
            chance = phrase("the rear locks first in {chance} likely cars", chance=(self._chance(patch), "chance"))
            costs.append(Cost(matter=LOCK_ORDER.key, word=IN_DOUBT.word, text=chance))
        mend = Mend(
            parts=tuple(
                MendPart(
                    joint=change.joint,
                    title=change.title,
                    dimension=change.dimension,
                    before=change.before,
                    after=change.swap.sizes,
                )
                for change in changes
            ),
            patch=patch,
            word=finding.word,
            level=finding.level,
            effect=matter.effect(before.finding, before.numbers(), after.numbers(row), push),
            # What turns to be watched stands before what only moves.
            costs=tuple(sorted(costs, key=lambda cost: cost.word is None)),
        )
        return mend, in_doubt

    def _costs(self, matter: Matter[Any], after: Judgement[Any], row: int) -> Iterator[Cost]:
        """What gets worse in one matter, noticeably or by a level."""
        before = self._now[matter.key]
        worse = after.excesses[:, row] - before.excesses[:, 0]
        falls = after.severities[row] > before.severities[0]
        word = after.findings[row].word if falls else None
        noticed = [criterion for criterion, by in enumerate(worse.tolist()) if by >= NOTICED]
        if falls and not noticed:
            noticed = [int(worse.argmax())]
        for criterion in noticed:
            text = matter.worsening(before.criteria[criterion].name, before.numbers(), after.numbers(row))
            yield Cost(matter=matter.key, word=word, text=text)
            word = None


def worth_trying(screening: Screening, setup: Setup, wanting: Sequence[Matter[Any]]) -> list[Change]:
    """Sizes near the fitted ones, and the changes from matters that are not sound; each once."""
    if not wanting:
        return []
    changes = list(sizes_near(screening.conditions.car, setup, screening.system))
    for matter in wanting:
        tried = [change.swap.patch for change in changes]
        changes += [change for change in matter.changes(screening, setup) if change.swap.patch not in tried]
    return changes
