"""All verdicts in short: better-known verdicts replace the plain ones."""

from collections.abc import Iterable, Sequence

from pydantic import Field

from plimbo.core.braking.judged_states import names_judged
from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.assumptions import count_unconfirmed
from plimbo.core.quantities.phrases import Measure, Phrase
from plimbo.core.quantities.results import Result, answer
from plimbo.core.verdicts.level import SEVERITY, Level, Rank
from plimbo.core.verdicts.matter import Verdict
from plimbo.core.verdicts.session_heat.findings import HeatVerdict

HEAT = "heat"
_LEVELS = {Level.BAD: "wrong", Level.WATCH: "to be watched"}


class Mark(Result):
    """One matter in one word."""

    key: str
    title: str
    level: Level
    word: str
    rank: int
    past: float = answer("friction", "How far past comfortable: 1 at its limit")

    @property
    def gravity(self) -> tuple[int, int, float]:
        """The gravest is the largest."""
        return SEVERITY[self.level], -self.rank, self.past


class Marks(Result):
    """A setup's mark in every matter; `worst` is the gravest of all, and is named first.

    `unconfirmed` values were assumed by the kind of car or copied: a sound verdict holds only if they are right.
    """

    marks: tuple[Mark, ...]
    worst: Mark
    unconfirmed: int
    judged_in: tuple[str, ...] = Field(description="Names of the states that count, where these are not all.")


def heat_as_verdict(heat: HeatVerdict, sessions: Sequence[HeatVerdict] = ()) -> Verdict:
    """The verdict on the gravest of these sessions in the form of the other matters."""
    alone = heat.severity and len(sessions) > 1 and sum(one.severity >= heat.severity for one in sessions) == 1
    return Verdict(
        key=HEAT,
        title=f"Heat · {heat.session}",
        level=heat.level,
        word=heat.word,
        rank=heat.rank,
        past=heat.past,
        number=heat.number,
        margin=heat.margin,
        margin_words=heat.margin_words,
        state=None,
        condition=f"{_LEVELS[heat.level]} here only" if alone else "",
        rule=heat.rule,
        limits=(),
        reason=heat.text,
    )


def heat_not_worked_out(why: Phrase) -> Verdict:
    """Sessions that cannot be simulated must not give a green mark."""
    nothing = Measure(value=None, dimension="temperature")
    return Verdict(
        key=HEAT,
        title="Heat",
        level=Level.WATCH,
        word="Not worked out",
        rank=Rank.LOST_BRAKES,
        past=0.0,
        number=nothing,
        margin=nothing,
        margin_words="its sessions cannot be driven",
        state=None,
        rule=None,
        limits=(),
        reason=why,
    )


def counted(plain: Iterable[Verdict], better: Iterable[Verdict | None]) -> list[Verdict]:
    """The plain verdicts, with the better-known ones in their place."""
    known = {verdict.key: verdict for verdict in better if verdict is not None}
    return [known.get(verdict.key, verdict) for verdict in plain]


def overall(car: Car, setup: Setup, plain: Iterable[Verdict], doubted: Verdict, heat: Verdict | None) -> Marks:
    """Uses the lock order with its doubt and, if the car has sessions, the heat of the worst one."""
    marks = [
        Mark(
            key=verdict.key,
            title=verdict.title,
            level=verdict.level,
            word=verdict.word,
            rank=verdict.rank,
            past=verdict.past,
        )
        for verdict in counted(plain, (doubted, heat))
    ]
    return Marks(
        marks=tuple(marks),
        worst=max(marks, key=lambda one: one.gravity),
        unconfirmed=count_unconfirmed(car) + count_unconfirmed(setup),
        judged_in=names_judged(car, setup),
    )
