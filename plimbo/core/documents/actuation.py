"""From the foot to the lines: pedal, booster, balance bar or tandem cylinder."""

from typing import Any

from pydantic import Field, ValidationInfo, field_validator

from plimbo.core.quantities import defaults
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import Document, part_name, quantity


class PedalMounting(Choice):
    """Where the pedal's pivot is."""

    HUNG = "hung"
    FLOOR = "floor", "floor-mounted"


class Pedal(Document):
    """The pedal. Its ratio is typed, or comes from two measured lengths."""

    ratio: float = quantity(
        "ratio",
        "Pedal ratio",
        "Pivot to the middle of the foot pad, divided by pivot to the push rod. Two measured lengths go before it.",
        symbol="R_p",
        above=1,
        most=12,
        usual=(4, 7),
    )
    pad_length: float | None = quantity(
        "length",
        "Pivot to foot pad",
        "Measured in a straight line from the pivot to the middle of the foot pad.",
        symbol="l_p",
        above=0.05,
        most=0.6,
        usual=(0.18, 0.36),
        default=None,
    )
    rod_length: float | None = quantity(
        "length",
        "Pivot to push rod",
        "Measured in a straight line from the pivot to the pin of the push rod or the bar.",
        symbol="l_r",
        above=0.01,
        most=0.3,
        usual=(0.035, 0.08),
        default=None,
    )
    mounting: PedalMounting = Field(
        PedalMounting.FLOOR,
        title="Pedal top- or floor-mounted",
        description="Hung: pivot on top. Floor-mounted: pivot below.",
    )
    efficiency: float = quantity(
        "share",
        "Pedal efficiency",
        "Share of the foot's work that reaches the push rod.",
        symbol="η_p",
        least=0.05,
        most=1,
        usual=(0.85, 1),
        default=defaults.PEDAL_EFFICIENCY,
    )
    room: float = quantity(
        "length",
        "Pedal travel to the floor",
        "How far the foot pad can go before it meets the floor or its stop.",
        symbol="s_room",
        least=0.02,
        most=0.4,
        usual=(0.08, 0.18),
        default=defaults.PEDAL_ROOM,
    )

    @field_validator("rod_length")
    @classmethod
    def lever_works(cls, rod_length: float | None, info: ValidationInfo) -> float | None:
        pad_length = info.data.get("pad_length")
        if rod_length is not None and pad_length is not None and not 1 < pad_length / rod_length <= 12:
            raise ValueError("Foot pad over push rod must be a ratio over 1 and up to 12: measure both lengths again.")
        return rod_length

    @property
    def measured(self) -> bool:
        """Whether the ratio comes from lengths."""
        return self.pad_length is not None and self.rod_length is not None

    @property
    def true_ratio(self) -> float:
        """The ratio in use."""
        if self.pad_length is not None and self.rod_length is not None:
            return self.pad_length / self.rod_length
        return self.ratio


class Booster(Document):
    """A vacuum booster between pedal and tandem cylinder, as stock cars have."""

    fitted: bool = Field(False, title="Booster fitted", description="Only before a tandem cylinder.")
    gain: float = quantity(
        "ratio",
        "Booster gain",
        "Push out divided by push in, while it still boosts.",
        symbol="G_b",
        least=1,
        most=12,
        usual=(2, 6),
        default=defaults.BOOSTER_GAIN,
    )
    run_out: float = quantity(
        "force",
        "Booster runs out at",
        "Push on its rod at which all help is used up: from there on a newton more gives a newton more.",
        symbol="F_ro",
        above=0,
        most=20000,
        usual=(400, 2500),
        default=defaults.BOOSTER_RUN_OUT,
    )


class Split(Choice):
    """How the push is shared between the two circuits."""

    BAR = "bar", "balance bar"
    TANDEM = "tandem", "tandem cylinder"


def share_of_half(offset: Any, length: Any) -> Any:
    """The offset of a bar's bearing as a share of half its length; numbers in m, or arrays of them."""
    return offset / (length / 2)


# Least distance of the bearing from the clevis, m.
CLEVIS_CLEARANCE = 1e-4


class BalanceBar(Document):
    """The bar that shares the pedal's force between two cylinders."""

    length: float = quantity(
        "length",
        "Bar length",
        "Between the centres of the two clevises.",
        symbol="L_b",
        above=0.01,
        most=0.2,
        usual=(0.05, 0.08),
    )
    offset: float = quantity(
        "length",
        "Bar offset",
        "Bearing from the middle of the bar, plus toward the front clevis. The nearer clevis gets more.",
        symbol="x",
        above=-0.1,
        below=0.1,
        usual=(-0.008, 0.008),
        default=0.0,
    )
    thread_pitch: float = quantity(
        "length",
        "Adjuster thread pitch",
        "How far the bearing moves in one turn of the adjuster.",
        symbol="P",
        least=1e-4,
        most=0.005,
        usual=(1e-3, 1.6e-3),
        default=defaults.BAR_THREAD_PITCH,
    )
    tilt_stop: float = quantity(
        "angle",
        "Bar meets its stops at",
        "Angle from square at which the bar touches its housing.",
        symbol="β_stop",
        least=0.05,
        most=0.8,
        usual=(0.2, 0.5),
        default=defaults.BAR_TILT_STOP,
    )

    @property
    def reach(self) -> float:
        """Largest distance of the bearing from the middle of the bar, m."""
        return self.length / 2 - CLEVIS_CLEARANCE

    def turns(self, offset: Any) -> Any:
        """An offset, m, in turns of the adjuster; a number or an array."""
        return offset / self.thread_pitch

    def offset_at(self, turns: Any) -> Any:
        """The offset, m, at this number of turns off the middle; a number or an array."""
        return turns * self.thread_pitch

    def share_of_half(self, offset: Any) -> Any:
        """An offset, m, as a share of half the bar; a number or an array."""
        return share_of_half(offset, self.length)

    @field_validator("offset")
    @classmethod
    def bearing_between_clevises(cls, offset: float, info: ValidationInfo) -> float:
        if abs(offset) >= info.data.get("length", 1) / 2:
            raise ValueError("The bearing stands outside the clevises: bring the offset under half the bar's length.")
        return offset


class MasterCylinder(Document):
    """A master cylinder; of a tandem one the strokes are those of each circuit."""

    name: str = part_name("Cylinder")
    bore: float = quantity(
        "bore",
        "Cylinder bore",
        "Diameter of the bore. A smaller bore gives more pressure and a longer stroke.",
        symbol="d_c",
        least=0.004,
        most=0.06,
        usual=(0.0158, 0.0286),
    )
    efficiency: float = quantity(
        "share",
        "Cylinder efficiency",
        "Share of the push that becomes pressure.",
        symbol="η_mc",
        least=0.05,
        most=1,
        usual=(0.9, 1),
        default=defaults.CYLINDER_EFFICIENCY,
    )
    stroke: float = quantity(
        "length",
        "Cylinder stroke",
        "From rest to the bottom; of a tandem cylinder, that of each circuit.",
        symbol="s_c",
        least=0.003,
        most=0.08,
        usual=(0.015, 0.04),
        default=defaults.CYLINDER_STROKE,
    )
    dead_stroke: float = quantity(
        "gap",
        "Dead stroke",
        "From rest until the seal has passed the port, with the free play of the rod.",
        symbol="s_0",
        least=0,
        most=0.01,
        usual=(0.0005, 0.003),
        default=defaults.DEAD_STROKE,
    )
    rating: float | None = quantity(
        "pressure",
        "Cylinder rated to",
        "The maker's greatest pressure; left empty where you do not know it.",
        symbol="p_max",
        least=1e6,
        most=5e7,
        usual=(6e6, 2e7),
        default=None,
    )

    @field_validator("dead_stroke")
    @classmethod
    def stroke_left(cls, dead_stroke: float, info: ValidationInfo) -> float:
        if dead_stroke >= info.data.get("stroke", 1):
            raise ValueError("The dead stroke takes all of the cylinder's stroke: make it shorter.")
        return dead_stroke
