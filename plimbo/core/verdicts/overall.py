"""All verdicts at a glance: those that are known better stand in the place of the plain ones."""

from collections.abc import Iterable

from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.assumptions import count_unconfirmed
from plimbo.core.quantities.phrases import Measure, Phrase
from plimbo.core.quantities.results import Result
from plimbo.core.verdicts.level import SEVERITY, Level
from plimbo.core.verdicts.matter import Verdict
from plimbo.core.verdicts.session_heat.shapes import HeatVerdict

HEAT = "heat"


class Mark(Result):
    """How one matter stands, in a word."""

    key: str
    title: str
    level: Level
    word: str


class Marks(Result):
    """How a setup stands in every matter; `worst` is the one that speaks first.

    `unconfirmed` values were assumed by the kind of car or copied: what is sound with them is sound if they are right.
    """

    marks: tuple[Mark, ...]
    worst: Mark
    unconfirmed: int


def heat_as_verdict(heat: HeatVerdict) -> Verdict:
    """What is said of the hottest session, as the other matters are told."""
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
    """Sessions that cannot be driven are no reason for a green mark."""
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
    """The plain verdicts, each that is known better in its place."""
    known = {verdict.key: verdict for verdict in better if verdict is not None}
    return [known.get(verdict.key, verdict) for verdict in plain]


def overall(car: Car, setup: Setup, plain: Iterable[Verdict], doubted: Verdict, heat: Verdict | None) -> Marks:
    """The lock order with its doubt, the heat of the worst session where the car has any."""
    marks = [
        Mark(key=verdict.key, title=verdict.title, level=verdict.level, word=verdict.word)
        for verdict in counted(plain, (doubted, heat))
    ]
    return Marks(
        marks=tuple(marks),
        worst=max(marks, key=lambda one: SEVERITY[one.level]),
        unconfirmed=count_unconfirmed(car) + count_unconfirmed(setup),
    )
