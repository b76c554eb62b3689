"""The models of the answers about ducts, apart from the compiled code that fills them."""

from typing import Any

from pydantic import Field

from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.phrases import Phrase
from plimbo.core.quantities.results import Result, answer
from plimbo.core.verdicts.level import Level


class Holds(Choice):
    """The result of a session with a duct: inside the limit by more than the model's error, by less, past the limit, or
    too cold.
    """

    YES = "yes", "holds"
    NEAR = "near", "within the band"
    HOT = "hot", "too hot"
    COLD = "cold", "too cold"

    @property
    def level(self) -> Level:
        """Its level: a duct that is too cold is mended by tape."""
        return {Holds.YES: Level.GOOD, Holds.HOT: Level.BAD}.get(self, Level.WATCH)


class DuctStatus(Result):
    """The result of a session, or the worst of several."""

    level: Level
    word: str


def duct_status(holds: Holds) -> DuctStatus:
    return DuctStatus(level=holds.level, word=holds.word)


class DuctLeft(Result):
    """What does not hold with a duct: a finding of a session, or a matter of the sizes."""

    session: str = Field(description="Empty for a matter of the sizes.")
    level: Level
    word: str


class DuctSession(Result):
    """One session with a duct."""

    session: str
    peak: float = answer("temperature", "Peak of the surface")
    low: float = answer("temperature", "Lowest of the surface, settled")
    fluid: float = answer("temperature difference", "Fluid at the pistons under its boiling point, running")
    holds: Holds
    word: str
    pads_last: float | None = answer("running time", "A set of pads lasts, driven like this")
    discs_last: float | None = answer("running time", "A set of discs lasts, driven like this")


class DuctRow(Result):
    """One duct: all sessions with it."""

    key: str = Field(description="`none`, `1x63`, `2x51`, `scoop`: hoses and bore in mm.")
    title: str
    label: str = Field(description="Short, for the axis of a chart.")
    bore: float | None = answer("hose", "Bore")
    hoses: int
    fitted: bool = Field(description="Whether it is what is on the car.")
    sessions: tuple[DuctSession, ...]
    holds: Holds = Field(description="The worst of them.")
    by_heat: DuctStatus = Field(description="By heat alone: what is too cold is mended by tape.")
    hottest: float = answer("temperature", "Hottest peak of all sessions")
    coldest: float = answer("temperature", "Lowest of all sessions that get warm")
    pads_last: float | None = answer("running time", "A set of pads lasts in the hardest session")
    discs_last: float | None = answer("running time", "A set of discs lasts in the hardest session")
    flow: float | None = answer("air flow", "Air through the vanes at 40 m/s")
    drag: float | None = answer("drag", "Drag of both openings at top speed")
    slower: float | None = answer("small speed", "Top speed lost")
    trouble: str = Field(description="What it costs to fit.")
    patch: dict[str, Any] = Field(description="Values at paths of `car` and `setup`.")


class Taped(Result):
    """A session with a share of the opening taped."""

    share: float = answer("share", "Taped")
    peak: float = answer("temperature", "Peak of the surface")
    low: float = answer("temperature", "Lowest of the surface, settled")
    holds: Holds
    standing: DuctStatus
    worse_than_none: bool = Field(description="Hotter than without any duct.")


class TapeRow(Result):
    """A session with its tapes; `advised` is the index of the advised tape."""

    session: str
    ambient: float = answer("temperature", "Air temperature")
    tapes: tuple[Taped, ...]
    advised: int
    now: float = answer("share", "Taped now")
    words: Phrase
    patch: dict[str, Any]


class DuctSizing(Result):
    """The smallest duct of an axle that holds in all sessions, and what should be tried before it."""

    axle: Axle
    low: float = answer("temperature", "Pad bites from")
    high: float = answer("temperature", "Pad fades from")
    band: float = answer("temperature difference", "Figures are good to about")
    rows: tuple[DuctRow, ...] = Field(description="From none to the biggest, then other ways.")
    answer: int | None = Field(description="The row that is fitted, if it is up to this answer; none where none holds.")
    word: str
    sentences: tuple[Phrase, ...]
    first: dict[str, Any] | None = Field(description="What to change before any duct, at paths of `car` and `setup`.")
    first_title: str
    everything: DuctStatus = Field(description="How all matters and sessions stand with what is advised.")
    left: tuple[DuctLeft, ...] = Field(description="What does not hold then, gravest first.")
    tape: tuple[TapeRow, ...] = Field(description="With the answer's duct.")


class Worth(Result):
    """One piece changed: its effect on the current session."""

    title: str
    patch: dict[str, Any]
    flow: float | None = answer("air flow", "More air through the vanes at 40 m/s")
    peak: float = answer("temperature difference", "Peak of the surface")
    low: float = answer("temperature difference", "Lowest of the surface")
    drag: float | None = answer("drag", "More drag at top speed, both wheels")
    cost: str


class DuctWorth(Result):
    """The effect of each piece of a duct, the largest first, and the tape for each circuit."""

    axle: Axle
    session: str
    peak: float = answer("temperature", "Peak of the surface")
    low: float = answer("temperature", "Pad bites from")
    high: float = answer("temperature", "Pad fades from")
    worths: tuple[Worth, ...]
    tape: tuple[TapeRow, ...]
