"""A matter: something that is judged over all declared states. Each stands in a file of its own, see `registry.py`."""

from abc import ABC, abstractmethod
from collections.abc import Iterator, Sequence
from functools import cached_property
from typing import Any, ClassVar, Generic, NamedTuple, TypeVar

import numpy as np
from pydantic import Field

from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.phrases import Measure, Phrase
from plimbo.core.quantities.results import Result
from plimbo.core.shelf.changes import Change, Swap
from plimbo.core.verdicts.level import Finding, Level
from plimbo.core.working.numbers import Array, Number


class Fact(Result):
    """A number behind a verdict, by the place of its headline: its working opens from there."""

    label: str
    headline: str
    dimension: str


class Mend(Result):
    """A change of one size that mends a verdict, and what it does."""

    joint: str
    title: str
    dimension: str
    before: tuple[float, ...]
    swap: Swap
    word: str = Field(description="The verdict with this change.")
    level: Level
    effect: Phrase
    disturbs: tuple[str, ...] = Field((), description="What it makes worse, in the verdicts' words.")


class Verdict(Result):
    """What is said of one matter over all declared states."""

    key: str
    title: str
    level: Level
    word: str
    number: Measure
    margin: Measure
    margin_words: str
    number_signed: bool = Field(False, description="Whether the number is told with its sign.")
    margin_signed: bool = Field(False, description="Whether the margin is told with its sign.")
    state: str | None = Field(description="The state that decides.")
    reason: Phrase
    facts: tuple[Fact, ...] = Field((), description="The numbers behind it, of the state that is looked at.")
    mends: tuple[Mend, ...] = ()


class Wants(NamedTuple):
    """Which way a change would have to go to mend a finding: more (1) or less (−1) of the front's share of the brake
    force, and of the brake force; whether any change is worth trying; whether the original parts are.
    """

    share: frozenset[int] = frozenset()
    force: frozenset[int] = frozenset()
    anything: bool = False
    originals: bool = False

    def __or__(self, other: "Wants") -> "Wants":
        return Wants(
            self.share | other.share,
            self.force | other.force,
            self.anything or other.anything,
            self.originals or other.originals,
        )


NOTHING_WANTED = Wants()

Numbers = TypeVar("Numbers", bound=NamedTuple)


class Judgement(Generic[Numbers]):
    """One matter of every setup that was screened: its numbers, how it stands, how far it is from what is wanted."""

    def __init__(self, matter: "Matter[Numbers]", screening: Screening) -> None:
        self._matter, self._car = matter, screening.conditions.car
        self._numbers = matter.numbers(screening)
        places = matter.judge(self._numbers, self._car).tolist()
        self.findings = [matter.findings[place] for place in places]
        self.severities = [finding.severity for finding in self.findings]

    @cached_property
    def distances(self) -> list[float]:
        """Of every setup; less is better."""
        found: list[float] = self._matter.distance(self._numbers, self._car).tolist()
        return found

    @cached_property
    def _rows(self) -> list[tuple[Any, ...]]:
        return list(zip(*(column.T.tolist() for column in self._numbers), strict=True))

    def numbers(self, setup: int = 0) -> Numbers:
        """Of one setup, as single numbers."""
        kind: Any = type(self._numbers)
        found: Numbers = kind(*self._rows[setup])
        return found

    @property
    def finding(self) -> Finding:
        """Of the first setup."""
        found: Finding = self.findings[0]
        return found


class Matter(ABC, Generic[Numbers]):
    """What a matter has to know of itself. `numbers` and `judge` work on columns, one row a setup."""

    key: ClassVar[str]
    title: ClassVar[str]
    # By severity or not, in the order of the indices that `judge` gives.
    findings: ClassVar[tuple[Finding, ...]]
    facts: ClassVar[tuple[Fact, ...]]

    def concerns(self, _car: Car) -> bool:
        """Whether it is a matter of this car at all."""
        return True

    @abstractmethod
    def numbers(self, screening: Screening) -> Numbers:
        """Its numbers for every setup, arrays of shape (setup), or that ends in it."""

    @abstractmethod
    def judge(self, numbers: Numbers, car: Car) -> Array:
        """For every setup, the index of its finding."""

    @abstractmethod
    def distance(self, numbers: Numbers, car: Car) -> Array:
        """For every setup, how far it is from what is wanted; less is better."""

    @abstractmethod
    def wants(self, finding: Finding) -> Wants:
        """What would mend a finding that is not good."""

    def mends(self, _finding: Finding, _change: Change) -> bool:
        """Whether a change is a mend of the finding at all, and not just better numbers."""
        return True

    def changes(self, _screening: Screening, _setup: Setup, _wants: Wants) -> Iterator[Change]:
        """Changes that this matter knows of, beside the neighbours on the shelf."""
        return iter(())

    @abstractmethod
    def verdict(self, screening: Screening, setup: Setup, judged: Judgement[Numbers]) -> Verdict:
        """What is said of the one setup that was screened."""

    @abstractmethod
    def effect(self, before: Numbers, after: Numbers, push: float) -> Phrase:
        """What a change does to it; `push` is the difference of the hardest push of the foot, N."""


def first_that_holds(conditions: Sequence[Number]) -> Array:
    """For every setup the place of the first condition that holds, or one past the last."""
    held = np.ones((len(conditions) + 1, *conditions[0].shape), dtype=bool)
    for place, condition in enumerate(conditions):
        held[place] = condition
    found: Array = held.argmax(axis=0)
    return found
