"""The verdict on the heat of a session and the evidence for it.

The figures are not calibrated on the car: within their band of a limit the level is *to be watched*, never good.
"""

from typing import NamedTuple

from pydantic import Field

from plimbo.core.documents import AxleBrake, Car, Session, Setup
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.phrases import Measure, Phrase
from plimbo.core.quantities.results import Result, answer
from plimbo.core.thermal.fluid import FluidState
from plimbo.core.thermal.readings import Moment, SessionReadings
from plimbo.core.verdicts.level import SEVERITY, Level, Rank
from plimbo.core.verdicts.rule import Rule

# How far a figure may be off, K: from the turbulence factors, ±20 %, and the caliper's conductances.
DISC_BAND, FLUID_BAND = 35.0, 25.0


# How grave each finding is beside others of its level; what is worn through in the session is as grave as fluid.
RANKS = {
    "fluid_running": Rank.LOST_BRAKES,
    "fluid_parked": Rank.LOST_BRAKES,
    "balance": Rank.REAR_FIRST,
    "leg": Rank.EFFORT,
    "no_bite": Rank.EFFORT,
    "fade": Rank.FADE,
    "material": Rank.DISC,
    "too_hot": Rank.DISC,
    "seals": Rank.DISC,
    "crack": Rank.DISC,
    "cold": Rank.COLD,
    "first_corner": Rank.COLD,
    "wear": Rank.WEAR,
    "disc_wear": Rank.WEAR,
    "sides": Rank.WEAR,
    "not_named": Rank.WEAR,
}


class HeatFinding(Result):
    """One finding: a number at or near its limit."""

    key: str
    axle: Axle | None
    level: Level
    word: str
    number: Measure
    margin: Measure
    margin_words: str
    past: float = answer("friction", "How far past its limit, in widths of its band")
    text: Phrase

    @property
    def rank(self) -> Rank:
        """How grave it is beside others of its level."""
        worn_through = self.level is Level.BAD and self.key in ("wear", "disc_wear")
        return Rank.LOST_BRAKES if worn_through else RANKS[self.key]

    @property
    def gravity(self) -> tuple[int, int, float]:
        """The gravest is the largest."""
        return SEVERITY[self.level], -self.rank, self.past


class HeatVerdict(Result):
    """The verdict on the heat of a session: the worst of its findings, or that it holds."""

    session: str
    level: Level
    word: str
    rank: int = Field(description="How grave it is among those of its level: 1 is the gravest.")
    past: float = answer("friction", "How far past its limit, in widths of its band")
    number: Measure
    margin: Measure
    margin_words: str
    rule: Rule
    text: Phrase
    findings: tuple[HeatFinding, ...] = Field((), description="Gravest first.")

    @property
    def severity(self) -> int:
        return SEVERITY[self.level]

    @property
    def gravity(self) -> tuple[int, int, float]:
        """The gravest is the largest."""
        return SEVERITY[self.level], -self.rank, self.past


class HeatEvidence(NamedTuple):
    """The evidence for a verdict; `grid` is the first corner from the grid of each axle, K, with its friction as a
    share of the best in the pad's window. `share` is the front's share of the brake force used for the sizes,
    `ideal_share` the ideal one. `best_bite` is the friction of each axle's pads where its discs are hottest, as a share
    of the best.
    """

    car: Car
    setup: Setup
    session: Session
    readings: SessionReadings
    fluid: FluidState
    grid: tuple[tuple[Moment, float], tuple[Moment, float]]
    ideal_share: float
    share: float
    best_bite: tuple[float, float]

    def brake(self, axle: Axle) -> AxleBrake:
        return self.setup.brake(axle)

    def bite_at_its_hottest(self, axle: Axle) -> float:
        return self.best_bite[AXLES.index(axle)]

    def from_the_grid(self, axle: Axle) -> tuple[Moment, float]:
        return self.grid[AXLES.index(axle)]


def at_place(place: str) -> str:
    """In a sentence: "at" a corner, or "after" one."""
    return place if place.startswith("after ") else f"at {place}"
