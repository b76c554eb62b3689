"""The advice on a matter: single changes and pairs of changes, ranked as a good preparer would, each with its cost."""

import math
from collections.abc import Iterator, Sequence
from typing import Any

import numpy as np
from pydantic import Field

from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Setup
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.quantities.results import Result
from plimbo.core.search.ranking import Ranking, ranking
from plimbo.core.search.sizes import sizes_near
from plimbo.core.search.trials import NONE, Changes, Judged, JudgedRows, judged
from plimbo.core.stepping.changes import Change, Json
from plimbo.core.verdicts.level import SEVERITY, Level
from plimbo.core.verdicts.matter import NOTICED, Judgement, Matter

SHOWN, PAIRS_SHOWN = 4, 2
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
    mended: bool = Field(description="Whether one of them makes the matter sound.")
    nearest: Mend | None = Field(
        description="Where none does: what comes nearest, though its costs may stand in the way."
    )


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
        self._screening, self._matters = screening, matters
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
        shown = self._best(matter, found)
        mended = any(not SEVERITY[mend.level] for mend in shown)
        nearest = None
        if found and not mended:
            rows = [(one, trials, one.nearest()) for one, trials in zip(found, self._trials, strict=True)]
            _, trials, row = min(rows, key=lambda at: (at[0].finding_rank[at[2]], at[0].distance[at[2]]))
            nearest = self._mend(matter, trials, row)
        return Advice(key=matter.key, mends=tuple(shown), mended=mended, nearest=nearest)

    def _best(self, matter: Matter[Any], found: Sequence[Ranking]) -> list[Mend]:
        """Best first, one for each joint or pair of joints."""
        offered = [
            (one, trials, row) for one, trials in zip(found, self._trials, strict=True) for row in one.best_first()
        ]
        offered.sort(key=lambda at: at[0].key(at[2]))
        alone = min((found[0].worth(row) for row in found[0].best_first()), default=(math.inf,)) if found else ()
        shown: list[Mend] = []
        seen: set[tuple[str, ...]] = set()
        pairs = 0
        for one, trials, row in offered:
            numbers = [number for number in trials.rows[row].tolist() if number != NONE]
            joints = tuple(sorted(self.changes[number].title for number in numbers))
            if joints in seen:
                continue
            if len(numbers) > 1:
                # A pair must achieve what no single change does.
                if pairs == PAIRS_SHOWN or one.worth(row) >= alone:
                    continue
                pairs += 1
            seen.add(joints)
            shown.append(self._mend(matter, trials, row))
            if len(shown) == SHOWN:
                break
        return shown

    def _mend(self, matter: Matter[Any], trials: JudgedRows, row: int) -> Mend:
        changes = [self.changes[number] for number in trials.rows[row].tolist() if number != NONE]
        before, after = self._now[matter.key], trials.judged[matter.key]
        push = float(trials.hardest_push[row] - self._screening.hardest_push[0])
        finding = after.findings[row]
        costs = [cost for other in self._matters for cost in self._costs(other, trials.judged[other.key], row)]
        if self._ranking(matter, trials).split[row]:
            costs.append(Cost(matter="lock_order", word=None, text=phrase(SPLIT)))
        return Mend(
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
            patch={path: value for change in changes for path, value in change.swap.patch.items()},
            word=finding.word,
            level=finding.level,
            effect=matter.effect(before.finding, before.numbers(), after.numbers(row), push),
            costs=tuple(costs),
        )

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
