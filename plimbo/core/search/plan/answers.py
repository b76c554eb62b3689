"""The models of the answer: the plans, their steps, and how everything stands after each."""

from typing import Any

from pydantic import Field

from plimbo.core.quantities.phrases import Measure, Phrase
from plimbo.core.quantities.results import Result, answer
from plimbo.core.search.mends import MendPart
from plimbo.core.search.plan.work import Work
from plimbo.core.verdicts.level import Level


class PlanCell(Result):
    """How one thing stands: the gravest that is found there."""

    key: str
    title: str
    level: Level
    word: str
    session: str = Field(description="The session that decides; empty where none does.")
    number: Measure
    margin: Measure
    margin_words: str


class PlanStep(Result):
    """One thing to do at the bench, and how everything stands after it."""

    parts: tuple[MendPart, ...]
    works: tuple[Work, ...]
    time: float = answer("running time", "Work")
    patch: dict[str, Any] = Field(description="Values at paths of `car` and `setup`.")
    mends: bool = Field(description="Whether it corrects what is wrong in itself, whatever the verdicts.")
    buys: Phrase
    costs: tuple[Phrase, ...]
    note: str = Field(description="What only a person can check.")
    stands: tuple[PlanCell, ...]
    severest: Level = Field(description="The worst level after it.")


class StaysAmber(Result):
    """What a plan leaves to be watched."""

    title: str
    word: str
    session: str
    reason: Phrase


class HoursOfWork(Result):
    """Hours of one kind of work at one axle."""

    work: Work
    title: str
    time: float = answer("running time", "Work")


class Plan(Result):
    """Steps from the car as it is, in the order in which one would fit them."""

    aim: str = Field(description="What was kept small: `work` or `parts`.")
    title: str
    sound: bool = Field(description="Nothing bad then, and nothing grave to be watched.")
    time: float = answer("running time", "Work in all")
    parts: int = Field(description="Parts in all: one kind at one axle counts as one.")
    likely: float = answer("share", "Likely cars whose rear locks first then")
    steps: tuple[PlanStep, ...]
    stays: tuple[StaysAmber, ...]
    patch: dict[str, Any] = Field(description="All its values together.")


class PlanAnswer(Result):
    """How the car stands, the plans, and what stands in the way where none makes it sound."""

    word: str = Field(description="In a line: how many steps to a sound car.")
    sound: bool = Field(description="Whether the car is sound as it is.")
    stands: tuple[PlanCell, ...]
    plans: tuple[Plan, ...]
    way: Phrase | None = Field(description="Where nothing makes it sound: what stands in the way.")
    opens: tuple[Phrase, ...] = Field(description="The one limit, part or use that would open it.")
    tried: int = Field(description="Combinations of changes that were tried.")
    simulated: int = Field(description="Of these, with every session simulated.")
    draws: int = Field(description="Likely cars on which the plans are confirmed.")
    hours: tuple[HoursOfWork, ...] = Field(description="Of each kind of work, as the plans count them.")
