"""A setup: every size between foot and disc, with the parts themselves inside, so an old file means the same later."""

from enum import StrEnum

from pydantic import Field

from plimbo.core import defaults
from plimbo.core.documents.fields import Document, quantity, words
from plimbo.core.documents.parts import AxleBrake, BalanceBar, Pedal


class RadiusSchool(StrEnum):
    """How the effective radius is reckoned."""

    UNIFORM_WEAR = "uniform wear"
    UNIFORM_PRESSURE = "uniform pressure"
    HALF_PAD = "disc less half pad"


class Setup(Document):
    """One brake setup of a car."""

    name: str = words("Setup", "What you call it.")
    pedal: Pedal
    balance_bar: BalanceBar
    front: AxleBrake
    rear: AxleBrake
    radius_school: RadiusSchool = Field(
        RadiusSchool.UNIFORM_WEAR,
        title="Effective radius by",
        description="Uniform wear: middle of the pad's band, as bedded pads run. Uniform pressure: new pads."
        " Disc less half pad: what a tape measure gives.",
    )
    pad_tolerance: float = quantity(
        "share",
        "Tolerance on pad friction",
        "How far one end's pads may bite off their sheet, against the other end's.",
        symbol="δ_μ",
        least=0,
        most=0.5,
        usual=(0, 0.15),
        default=defaults.PAD_TOLERANCE,
    )
