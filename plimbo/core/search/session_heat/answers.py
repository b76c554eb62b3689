"""The models of the answers about simulated changes, apart from the compiled code that fills them."""

from typing import Any

from pydantic import Field

from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.phrases import Phrase
from plimbo.core.quantities.results import Result, answer
from plimbo.core.verdicts.level import Level


class HeatMend(Result):
    """One change, simulated: what the session is then, and what it costs elsewhere."""

    title: str
    patch: dict[str, Any] = Field(description="Values at paths of `car` and `setup`.")
    level: Level
    word: str = Field(description="The session's verdict with this change.")
    mends: bool = Field(description="Whether what was worst is gone with it.")
    effect: Phrase
    cost: Phrase
    disturbs: tuple[str, ...] = Field((), description="What is worse then, in the verdict's words.")


class Sensitivity(Result):
    """One input moved, and what that does."""

    title: str
    front_peak: float = answer("temperature difference", "Peak of the front surface")
    rear_peak: float = answer("temperature difference", "Peak of the rear surface")
    fluid: float = answer("temperature difference", "Hottest fluid")
    stop_rise: float = answer("temperature difference", "Front ring heats by, in the hardest stop")
    crack: float = answer("friction", "Front crack ratio")


class FittedSession(Result):
    """A session before and after the factor is taken over; the peak is that of the axle's surface."""

    session: str
    level: Level
    word: str
    peak: float = answer("temperature", "Peak of the surface")
    level_then: Level
    word_then: str
    peak_then: float = answer("temperature", "Peak of the surface, corrected")


class CoolingFit(Result):
    """The cooling factor that a measured temperature gives, and what it changes."""

    axle: Axle
    session: str
    expected: float = answer("temperature", "By the model, as it is")
    now: float = answer("friction", "Cooling factor now")
    factor: float | None = answer("friction", "Cooling factor by the reading")
    low: float | None = answer("friction", "At least")
    high: float | None = answer("friction", "At most")
    level: Level
    word: str
    text: Phrase
    sessions: tuple[FittedSession, ...]
    patch: dict[str, Any] | None = Field(description="Values at paths of `setup`; none: nothing to take over.")
