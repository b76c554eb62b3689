"""A circuit: corners and straights, or braking zones as they were typed or found in a speed trace."""

from itertools import pairwise
from typing import Annotated

from pydantic import Field, ValidationInfo, field_validator

from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import LINE, Document, quantity, words
from plimbo.core.quantities.metadata import number_metadata


class LaidOutBy(Choice):
    """How a circuit is described."""

    CORNERS = "corners", "corners and straights"
    ZONES = "zones", "braking zones"


class CircuitSection(Document):
    """A piece of road: a straight, or a corner of one radius."""

    name: str = Field("", title="Called", description="What the drivers call it.", max_length=24, pattern=LINE)
    length: float = quantity(
        "distance",
        "Length",
        "Along the driven line.",
        symbol="l",
        least=5,
        most=5000,
        usual=(20, 1200),
    )
    radius: float | None = quantity(
        "distance",
        "Radius",
        "Of the driven line; left empty on a straight.",
        symbol="r",
        least=4,
        most=2000,
        usual=(10, 300),
        default=None,
    )


class BrakingZone(Document):
    """The run to a corner, and the braking at its end."""

    name: str = Field("", title="Corner", description="What the drivers call it.", max_length=24, pattern=LINE)
    run: float = quantity(
        "distance",
        "Run before it",
        "From the end of the braking before to where the driver brakes.",
        symbol="l_run",
        least=1,
        most=10000,
        usual=(30, 1500),
    )
    from_speed: float = quantity(
        "speed", "Brakes from", "As the foot comes down.", symbol="v_1", above=2, most=120, usual=(15, 85)
    )
    to_speed: float = quantity(
        "speed", "down to", "As the foot comes up.", symbol="v_2", least=1, most=115, usual=(8, 60)
    )
    distance: float = quantity(
        "distance",
        "Braking distance",
        "From the one to the other.",
        symbol="l_b",
        least=1,
        most=1500,
        usual=(15, 200),
    )
    run_time: float | None = quantity(
        "time",
        "Time of the run",
        "Left empty, as if the speed changed evenly with the time.",
        symbol="t_run",
        least=0.1,
        most=600,
        usual=(2, 40),
        default=None,
    )

    @field_validator("to_speed")
    @classmethod
    def slows_down(cls, to_speed: float, info: ValidationInfo) -> float:
        if to_speed >= info.data.get("from_speed", 1000):
            raise ValueError("Braking must end slower than it begins: lower its end or raise its beginning.")
        return to_speed


Metres = Annotated[float, Field(ge=0, le=1e5, strict=True)]
Speed = Annotated[float, Field(ge=0, le=130, strict=True)]


class Circuit(Document):
    """A lap, or a run from start to end, such as a hill climb or a stage."""

    name: str = words("Race circuit", "What you call it.", most=40)
    one_way: bool = Field(
        False, title="Driven once", description="A hill or a stage: from a standing start to the end, no lap."
    )
    laid_out_by: LaidOutBy = Field(
        LaidOutBy.CORNERS,
        title="Given by",
        description="Corners and straights make a lap with this car's own power, grip and air. Braking zones are"
        " taken as they are, for whatever car.",
    )
    sections: tuple[CircuitSection, ...] = Field(
        (), title="Corners and straights", description="In the order in which they are driven.", max_length=80
    )
    zones: tuple[BrakingZone, ...] = Field(
        (), title="Braking zones", description="In the order in which they come.", max_length=60
    )
    trace_distance: tuple[Metres, ...] = Field(
        (),
        title="Distance of the trace",
        description="Of the speed trace in which the zones were found, thinned for drawing.",
        max_length=600,
        json_schema_extra=number_metadata("distance"),
    )
    trace_speed: tuple[Speed, ...] = Field(
        (),
        title="Speed of the trace",
        description="At those distances.",
        max_length=600,
        json_schema_extra=number_metadata("speed"),
    )

    trace_begins: float | None = quantity(
        "distance",
        "First zone begins",
        "Of the trace, where its first braking zone begins; what of the first run lies before the line was driven at"
        " the end of the lap.",
        symbol="s_1",
        least=0,
        most=1e5,
        usual=(0, 8000),
        default=None,
    )

    @field_validator("trace_distance")
    @classmethod
    def onward(cls, trace: tuple[float, ...]) -> tuple[float, ...]:
        if any(after < before for before, after in pairwise(trace)):
            raise ValueError("The trace's distance must not run backward.")
        return trace

    @field_validator("trace_speed")
    @classmethod
    def as_long(cls, trace: tuple[float, ...], info: ValidationInfo) -> tuple[float, ...]:
        if len(trace) != len(info.data.get("trace_distance", trace)):
            raise ValueError("The trace needs a speed for each distance.")
        return trace

    @field_validator("sections")
    @classmethod
    def has_sections(cls, sections: tuple[CircuitSection, ...], info: ValidationInfo) -> tuple[CircuitSection, ...]:
        if not sections and info.data.get("laid_out_by") is LaidOutBy.CORNERS:
            raise ValueError("Give at least one straight or corner.")
        return sections

    @field_validator("zones")
    @classmethod
    def has_zones(cls, zones: tuple[BrakingZone, ...], info: ValidationInfo) -> tuple[BrakingZone, ...]:
        if not zones and info.data.get("laid_out_by") is LaidOutBy.ZONES:
            raise ValueError("Give at least one braking zone.")
        return zones
