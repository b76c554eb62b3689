"""A matter: something that is judged over all declared states. Each matter has its own file, see `registry.py`."""

from abc import ABC, abstractmethod
from collections.abc import Iterator, Sequence
from functools import cached_property
from typing import Any, ClassVar, Generic, NamedTuple, TypeVar

import numpy as np
from pydantic import Field

from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.phrases import Measure, Phrase
from plimbo.core.quantities.results import Result, answer
from plimbo.core.stepping.changes import Change, ChangeKind
from plimbo.core.verdicts.level import Finding, Level
from plimbo.core.verdicts.rule import Rule
from plimbo.core.working.numbers import Array, Condition, Number


class Fact(Result):
    """A number that supports a verdict, by the path of its headline, which opens its working."""

    label: str
    headline: str
    dimension: str


class InState(Result):
    """The number of a verdict in one state."""

    state: str
    number: Measure
    margin: Measure
    margin_words: str


class Verdict(Result):
    """The verdict on one matter over all declared states."""

    key: str
    title: str
    level: Level
    word: str
    rank: int = Field(description="How grave it is among those of its level: 1 is the gravest.")
    past: float = answer("friction", "How far past comfortable: 1 at its limit")
    number: Measure
    margin: Measure
    margin_words: str
    number_signed: bool = Field(False, description="Whether the number is told with its sign.")
    margin_signed: bool = Field(False, description="Whether the margin is told with its sign.")
    state: str | None = Field(description="The state that decides.")
    in_states: tuple[InState, ...] = Field((), description="The number in each state, where it depends on the state.")
    condition: str = Field("", description="Of what the number and its margin are, where that is not the state alone.")
    rule: Rule | None = Field(description="None where nothing could be judged.")
    limits: tuple[str, ...] = Field(description="Paths of these limits in the car.")
    reason: Phrase
    facts: tuple[Fact, ...] = Field((), description="The numbers behind it, of the state that is looked at.")


class Criterion(NamedTuple):
    """One criterion of a matter: a number for every setup, the comfortable value, and the limit past which it is to be
    watched. The limit may lie above or below the comfortable value.
    """

    name: str
    value: Number
    comfort: float
    limit: float

    @property
    def excess(self) -> Array:
        """How far past the comfortable value: 0 up to it, 1 at the limit, more beyond."""
        past = (np.nan_to_num(self.value, posinf=FAR, neginf=-FAR) - self.comfort) / (self.limit - self.comfort)
        found: Array = np.clip(past, 0.0, FAR)
        return found


# Largest excess that is used.
FAR = 1e3
# Smallest noticeable change of a criterion: a seventh of the way from comfortable to the limit.
NOTICED = 0.15

Numbers = TypeVar("Numbers", bound=NamedTuple)


class Judgement(Generic[Numbers]):
    """One matter for every screened setup: its numbers, its finding, and its distance from comfortable."""

    def __init__(self, matter: "Matter[Numbers]", screening: Screening) -> None:
        self._matter, self._car = matter, screening.conditions.car
        self._numbers = matter.numbers(screening)
        # Indices of the findings, the worst first.
        self.places = matter.judge(self._numbers, self._car)

    @cached_property
    def findings(self) -> list[Finding]:
        return [self._matter.findings[place] for place in self.places.tolist()]

    @cached_property
    def severities(self) -> list[int]:
        return [finding.severity for finding in self.findings]

    @property
    def columns(self) -> Numbers:
        """Its numbers for every setup, as they come."""
        return self._numbers

    @cached_property
    def criteria(self) -> tuple[Criterion, ...]:
        """The criteria of the setups."""
        return self._matter.criteria(self._numbers, self._car)

    @cached_property
    def excesses(self) -> Array:
        """The excess of every criterion of every setup, shape (criterion, setup)."""
        return np.stack([criterion.excess for criterion in self.criteria])

    @cached_property
    def distances(self) -> Array:
        """The largest excess of every setup."""
        found: Array = self.excesses.max(axis=0)
        return found

    @property
    def past(self) -> float:
        """The largest excess of the first setup."""
        return float(self.distances[0])

    @cached_property
    def _rows(self) -> list[tuple[Any, ...]]:
        return list(zip(*(column.T.tolist() for column in self._numbers), strict=True))

    def numbers(self, setup: int = 0) -> Numbers:
        """The numbers of one setup, as single numbers."""
        kind: Any = type(self._numbers)
        found: Numbers = kind(*self._rows[setup])
        return found

    @property
    def finding(self) -> Finding:
        """The finding of the first setup."""
        found: Finding = self.findings[0]
        return found


class Matter(ABC, Generic[Numbers]):
    """Interface of a matter. `numbers` and `judge` work on columns, one row for each setup."""

    key: ClassVar[str]
    title: ClassVar[str]
    # The worst first, in the order of the indices that `judge` gives.
    findings: ClassVar[tuple[Finding, ...]]
    facts: ClassVar[tuple[Fact, ...]]
    # Whether it can wait until graver matters are mended.
    comes_after: ClassVar[bool] = False
    # Fields of the car's limits that it uses.
    limits: ClassVar[tuple[str, ...]]
    # The kinds of change that mend it, in the order of trying.
    order: ClassVar[tuple[ChangeKind, ...]]

    def concerns(self, _car: Car, _setup: Setup) -> bool:
        """Whether it concerns this car."""
        return True

    @abstractmethod
    def numbers(self, screening: Screening) -> Numbers:
        """Its numbers for every setup, arrays of shape (setup), or that ends in it."""

    @abstractmethod
    def judge(self, numbers: Numbers, car: Car) -> Array:
        """For every setup, the index of its finding."""

    @abstractmethod
    def criteria(self, numbers: Numbers, car: Car) -> tuple[Criterion, ...]:
        """Its criteria for every setup: always the same ones in the same order."""

    @abstractmethod
    def worsening(self, criterion: str, before: Numbers, after: Numbers) -> Phrase:
        """Says that a change makes the criterion of this name worse: its new value and its old one."""

    def judgement(self, screening: Screening) -> "Judgement[Numbers]":
        """How every screened setup stands in it."""
        return Judgement(self, screening)

    def rank(self, change: Change) -> int | None:
        """How early a good preparer would try such a change for this matter; none if it does not mend it."""
        return self.order.index(change.kind) if change.kind in self.order else None

    def comes_first(self, _change: Change, _then: Finding) -> bool:
        """Whether it is done before anything is bought, given the finding after it."""
        return False

    def changes(self, _screening: Screening, _setup: Setup) -> Iterator[Change]:
        """Changes that this matter adds to the stock sizes."""
        return iter(())

    @abstractmethod
    def verdict(self, screening: Screening, setup: Setup, judged: Judgement[Numbers]) -> Verdict:
        """The verdict on the one screened setup."""

    @abstractmethod
    def effect(self, finding: Finding, before: Numbers, after: Numbers, push: float) -> Phrase:
        """The effect of a change on it; `finding` is the finding before, `push` the change of the hardest push of the
        foot, N.
        """

    def limit_paths(self) -> tuple[str, ...]:
        """Paths of its limits in the car."""
        return tuple(f"car.limits.{name}" for name in self.limits)


def first_that_holds(conditions: Sequence[Condition]) -> Array:
    """For every setup the index of the first condition that holds, or one past the last."""
    held = np.ones((len(conditions) + 1, *np.shape(conditions[0])), dtype=bool)
    for place, condition in enumerate(conditions):
        held[place] = condition
    found: Array = held.argmax(axis=0)
    return found
