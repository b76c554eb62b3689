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
from plimbo.core.shelf.changes import Change, Kind
from plimbo.core.verdicts.level import Finding, Level
from plimbo.core.working.numbers import Array, Condition, Number


class Fact(Result):
    """A number behind a verdict, by the place of its headline: its working opens from there."""

    label: str
    headline: str
    dimension: str


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
    condition: str = Field("", description="Of what the number and its margin are, where that is not the state alone.")
    rule: Phrase = Field(description="What is asked, and from where on it is to be watched or bad.")
    limits: tuple[str, ...] = Field(description="Paths of these limits in the car.")
    reason: Phrase
    facts: tuple[Fact, ...] = Field((), description="The numbers behind it, of the state that is looked at.")


class Strain(NamedTuple):
    """One respect in which a matter can be pressed: a number of every setup, the value up to which nobody need care,
    and the limit past which it is to be watched. The limit may lie above the comfortable value or below it.
    """

    name: str
    value: Number
    comfort: float
    limit: float

    @property
    def excess(self) -> Array:
        """How far past what is comfortable: 0 up to there, 1 at the limit, more past it."""
        past = (np.nan_to_num(self.value, posinf=FAR, neginf=-FAR) - self.comfort) / (self.limit - self.comfort)
        found: Array = np.clip(past, 0.0, FAR)
        return found


# As far past a limit as anything is told to be.
FAR = 1e3
# What a strain has to change by, for anybody to notice: a seventh of the way from comfortable to the limit.
NOTICED = 0.15

Numbers = TypeVar("Numbers", bound=NamedTuple)


class Judgement(Generic[Numbers]):
    """One matter of every setup that was screened: its numbers, how it stands, how far it is from what is wanted."""

    def __init__(self, matter: "Matter[Numbers]", screening: Screening) -> None:
        self._matter, self._car = matter, screening.conditions.car
        self._numbers = matter.numbers(screening)
        # Indices of the findings, the worst first.
        self.places = matter.judge(self._numbers, self._car)
        self.findings = [matter.findings[place] for place in self.places.tolist()]
        self.severities = [finding.severity for finding in self.findings]

    @cached_property
    def strains(self) -> tuple[Strain, ...]:
        """In what respects the setups are pressed."""
        return self._matter.strains(self._numbers, self._car)

    @cached_property
    def excesses(self) -> Array:
        """Of every strain of every setup, shape (strain, setup)."""
        return np.stack([strain.excess for strain in self.strains])

    @cached_property
    def distances(self) -> Array:
        """How far the worst strain of every setup is past what is comfortable."""
        found: Array = self.excesses.max(axis=0)
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
    # The worst first, in the order of the indices that `judge` gives.
    findings: ClassVar[tuple[Finding, ...]]
    facts: ClassVar[tuple[Fact, ...]]
    # Whether it can be seen to when graver matters have been mended.
    comes_after: ClassVar[bool] = False
    # Fields of the car's limits that it is held against.
    limits: ClassVar[tuple[str, ...]]
    # The kinds of change that mend it, in the order in which they would be tried.
    order: ClassVar[tuple[Kind, ...]]

    def concerns(self, _car: Car, _setup: Setup) -> bool:
        """Whether it is a matter of this car at all."""
        return True

    @abstractmethod
    def numbers(self, screening: Screening) -> Numbers:
        """Its numbers for every setup, arrays of shape (setup), or that ends in it."""

    @abstractmethod
    def judge(self, numbers: Numbers, car: Car) -> Array:
        """For every setup, the index of its finding."""

    @abstractmethod
    def strains(self, numbers: Numbers, car: Car) -> tuple[Strain, ...]:
        """In what respects it can be pressed, for every setup: always the same ones in the same order."""

    @abstractmethod
    def pressed_harder(self, strain: str, before: Numbers, after: Numbers) -> Phrase:
        """That a change presses the strain of this name harder, in words: what it comes to, and what it was."""

    def rank(self, change: Change) -> int | None:
        """How soon a good preparer would think of such a change for this matter; none where it is no mend of it."""
        return self.order.index(change.kind) if change.kind in self.order else None

    def comes_first(self, _change: Change, _then: Finding) -> bool:
        """Whether it is done before anything is bought, where this is found then."""
        return False

    def changes(self, _screening: Screening, _setup: Setup) -> Iterator[Change]:
        """Changes that this matter knows of, beside the sizes on the shelf."""
        return iter(())

    @abstractmethod
    def verdict(self, screening: Screening, setup: Setup, judged: Judgement[Numbers]) -> Verdict:
        """What is said of the one setup that was screened."""

    @abstractmethod
    def effect(self, finding: Finding, before: Numbers, after: Numbers, push: float) -> Phrase:
        """What a change does to it; `finding` is what was found before, `push` the difference of the hardest push of
        the foot, N.
        """

    def limit_paths(self) -> tuple[str, ...]:
        """Where its limits stand in the car."""
        return tuple(f"car.limits.{name}" for name in self.limits)


def first_that_holds(conditions: Sequence[Condition]) -> Array:
    """For every setup the place of the first condition that holds, or one past the last."""
    held = np.ones((len(conditions) + 1, *np.shape(conditions[0])), dtype=bool)
    for place, condition in enumerate(conditions):
        held[place] = condition
    found: Array = held.argmax(axis=0)
    return found
