"""What cools the brakes of an axle: the wheel round them, and the air that is led to them."""

from enum import StrEnum

from pydantic import Field

from plimbo.core.quantities import defaults
from plimbo.core.quantities.fields import Document, quantity


class Shielding(StrEnum):
    """What stands between a disc and the air."""

    OPEN_WHEEL = "open wheel"
    IN_A_WHEEL = "in a wheel arch"
    DUST_SHIELD = "dust shield kept"


class Cooling(Document):
    """The air at one axle's discs."""

    shielding: Shielding = Field(
        Shielding.IN_A_WHEEL,
        title="Disc stands",
        description="An open wheel lets most air at the disc's faces, a dust shield least.",
    )
    duct_air: float = quantity(
        "air flow",
        "Duct air at 40 m/s",
        "What a duct brings into the eye of one disc at 40 m/s (144 km/h), beyond what the vanes draw by themselves;"
        " 0 without one.",
        symbol="ṁ_40",
        least=0,
        most=0.5,
        usual=(0, 0.06),
        default=0.0,
    )
    warmer_by: float = quantity(
        "temperature difference",
        "Air arrives warmer by",
        "Behind a radiator or an engine the air is warmer than the day; 0 for a front axle in clean air.",
        symbol="ΔT_air",
        least=0,
        most=60,
        usual=(0, 20),
        default=0.0,
    )
    factor: float = quantity(
        "friction",
        "Cooling factor",
        "Multiplies what the air takes off this axle's discs. 1 until a log of this car says otherwise.",
        symbol="f_cool",
        least=0.3,
        most=3,
        usual=(0.7, 1.4),
        default=defaults.COOLING_FACTOR,
    )
