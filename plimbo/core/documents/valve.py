"""The rear's proportioning valve."""

from typing import Annotated

from pydantic import Field, field_validator

from plimbo.core.quantities import defaults
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import Document, quantity
from plimbo.core.quantities.metadata import number_metadata

# No valve has its knee over 200 bar.
MOST_KNEE = 2e7


class ValveKind(Choice):
    """How the knee of the rear valve is set."""

    NONE = "none"
    SCREW = "screw"
    LEVER = "lever"


class ProportioningValve(Document):
    """A proportioning valve in the rear line: equal up to its knee, then the slope. Adjusting it moves the knee."""

    kind: ValveKind = Field(
        ValveKind.NONE, title="Rear valve", description="Screw: the knee moves finely. Lever: it has set positions."
    )
    knee: float = quantity(
        "pressure",
        "Valve knee",
        "Line pressure from which the rear gets less than the front.",
        symbol="p_k",
        above=0,
        most=MOST_KNEE,
        usual=(1e6, 7e6),
        default=defaults.VALVE_KNEE,
    )
    slope: float = quantity(
        "share",
        "Valve slope",
        "What a bar more in gives out past the knee; 0 for a limiting valve. Read it off two gauges.",
        symbol="s_v",
        least=0,
        most=1,
        usual=(0.25, 0.6),
        default=defaults.VALVE_SLOPE,
    )
    positions: tuple[Annotated[float, Field(gt=0, le=MOST_KNEE, strict=True)], ...] = Field(
        tuple(round(bar * 1e5) for bar in (12.0, 18.0, 26.0, 36.0, 48.0, 62.0)),
        title="Lever positions",
        description="The knee in each position of the lever, from the lowest; six are usual.",
        min_length=1,
        max_length=10,
        json_schema_extra=number_metadata("pressure") | {"symbol": "p_", "usual": [1e6, 7e6]},
    )

    @field_validator("positions")
    @classmethod
    def rising(cls, positions: tuple[float, ...]) -> tuple[float, ...]:
        if any(after <= before for before, after in zip((0.0, *positions), positions, strict=False)):
            raise ValueError("Give the positions from the lowest knee to the highest, each over zero.")
        return positions

    @property
    def fitted(self) -> bool:
        return self.kind is not ValveKind.NONE

    @property
    def true_knee(self) -> float:
        """The actual knee: a lever stands in the position nearest to the typed one."""
        if self.kind is ValveKind.LEVER:
            return min(self.positions, key=lambda position: abs(position - self.knee))
        return self.knee
