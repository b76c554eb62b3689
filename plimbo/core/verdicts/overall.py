"""All verdicts at a glance: those that are known better stand in the place of the plain ones."""

from collections.abc import Iterable

from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.assumptions import count_unconfirmed
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


def overall(
    car: Car, setup: Setup, plain: Iterable[Verdict], doubted: Verdict, heat: HeatVerdict | None, *, driven: bool
) -> Marks:
    """The lock order with its doubt, the heat of the worst session where the car has any.

    `driven` is false where it has sessions that cannot be driven: no reason for a green mark.
    """
    marks = []
    for verdict in plain:
        told = doubted if verdict.key == doubted.key else verdict
        mark = Mark(key=told.key, title=told.title, level=told.level, word=told.word)
        if verdict.key == HEAT and not driven:
            mark = Mark(key=HEAT, title=verdict.title, level=Level.WATCH, word="Not worked out")
        elif verdict.key == HEAT and heat is not None:
            mark = Mark(key=HEAT, title=f"Heat, {heat.session}", level=heat.level, word=heat.word)
        marks.append(mark)
    return Marks(
        marks=tuple(marks),
        worst=max(marks, key=lambda one: SEVERITY[one.level]),
        unconfirmed=count_unconfirmed(car) + count_unconfirmed(setup),
    )
