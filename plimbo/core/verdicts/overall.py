"""All verdicts in short: better-known verdicts replace the plain ones."""

from collections.abc import Iterable

from pydantic import Field

from plimbo.core.braking.judged_states import names_judged
from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.assumptions import count_unconfirmed
from plimbo.core.quantities.phrases import Measure, Phrase
from plimbo.core.quantities.results import Result
from plimbo.core.verdicts.level import SEVERITY, Level
from plimbo.core.verdicts.matter import Verdict
from plimbo.core.verdicts.session_heat.findings import HeatVerdict

HEAT = "heat"


class Mark(Result):
    """One matter in one word."""

    key: str
    title: str
    level: Level
    word: str


class Marks(Result):
    """A setup's mark in every matter; `worst` is named first.

    `unconfirmed` values were assumed by the kind of car or copied: a sound verdict holds only if they are right.
    """

    marks: tuple[Mark, ...]
    worst: Mark
    unconfirmed: int
    judged_in: tuple[str, ...] = Field(description="Names of the states that count, where these are not all.")


def heat_as_verdict(heat: HeatVerdict) -> Verdict:
    """The verdict on the hottest session in the form of the other matters."""
    return Verdict(
        key=HEAT,
        title=f"Heat · {heat.session}",
        level=heat.level,
        word=heat.word,
        number=heat.number,
        margin=heat.margin,
        margin_words=heat.margin_words,
        state=None,
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
        number=nothing,
        margin=nothing,
        margin_words="its sessions cannot be driven",
        state=None,
        rule=Phrase(text=""),
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
        Mark(key=verdict.key, title=verdict.title, level=verdict.level, word=verdict.word)
        for verdict in counted(plain, (doubted, heat))
    ]
    return Marks(
        marks=tuple(marks),
        worst=max(marks, key=lambda one: SEVERITY[one.level]),
        unconfirmed=count_unconfirmed(car) + count_unconfirmed(setup),
        judged_in=names_judged(car, setup),
    )
