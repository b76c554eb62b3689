"""A temperature of a disc that was measured after a session: by a probe in the pit, or by paint."""

from typing import Self

from pydantic import model_validator

from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import Document, quantity


class ReadingKind(Choice):
    """How it was measured."""

    PROBE = "probe", "probe in the pit"
    PAINT = "paint", "paint or strips"


class Face(Choice):
    """Where the probe was held."""

    BOTH = "both", "mean of both faces"
    INNER = "inner", "inner face"
    OUTER = "outer", "outer face"


class DiscReading(Document):
    """A probe's temperature with the time since the car stood, or the band that paint shows."""

    axle: Axle
    kind: ReadingKind = ReadingKind.PROBE
    face: Face = Face.BOTH
    temperature: float | None = quantity(
        "temperature",
        "Probe shows",
        "On the rubbing face of the disc.",
        symbol="T",
        least=250,
        most=1600,
        usual=(350, 950),
        default=None,
    )
    after: float = quantity(
        "time", "After the car stood", "Since the wheels stopped.", symbol="t", least=0, most=1800, usual=(10, 600),
        default=120.0,
    )  # fmt: skip
    error: float = quantity(
        "temperature difference",
        "Good to",
        "How far the probe may be off.",
        symbol="ΔT",
        least=1,
        most=100,
        usual=(5, 20),
        default=defaults.PROBE_ERROR,
    )
    at_least: float | None = quantity(
        "temperature", "Paint turned at", "The hottest paint that turned.", symbol="T_1", least=250, most=1600,
        usual=(450, 1100), default=None,
    )  # fmt: skip
    below: float | None = quantity(
        "temperature", "Paint held at", "The coldest paint that did not turn.", symbol="T_2", least=250, most=1600,
        usual=(450, 1100), default=None,
    )  # fmt: skip

    @model_validator(mode="after")
    def something_read(self) -> Self:
        if self.kind is ReadingKind.PROBE and self.temperature is None:
            raise ValueError("Give the temperature that the probe shows.")
        if self.kind is ReadingKind.PAINT:
            if self.at_least is None and self.below is None:
                raise ValueError("Give the paint that turned, or the one that held.")
            if self.at_least is not None and self.below is not None and self.below <= self.at_least:
                raise ValueError("The paint that held must be for more heat than the one that turned.")
        return self
