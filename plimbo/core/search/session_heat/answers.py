"""The models of the answers about simulated changes, apart from the compiled code that fills them."""

from typing import Any

from pydantic import Field

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
