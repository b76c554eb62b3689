"""Between cylinder and caliper: hoses, pipes, and the fluid itself."""

from datetime import date

from pydantic import Field, ValidationInfo, field_validator

from plimbo.core.quantities import defaults
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import Document, quantity


class HoseKind(Choice):
    """What the flexible hoses are made of."""

    RUBBER = "rubber"
    LOW_EXPANSION = "low_expansion", "low-expansion rubber"
    BRAIDED = "braided", "braided PTFE"


# m³/(Pa·m). Rubber hoses by the most that FMVSS 106 lets a 1/8 in hose swell at 1000 psi (0.66 and 0.33 cm³ a foot,
# from memory), new ones being about a quarter under it; braided ones are Plimbo's own round figure.
HOSE_SOURCE = "Under the most that FMVSS 106 allows, from memory; braided: Plimbo's own"
HOSE_SWELLING: dict[HoseKind, float] = {
    HoseKind.RUBBER: 24e-14,
    HoseKind.LOW_EXPANSION: 12e-14,
    HoseKind.BRAIDED: 4e-14,
}


class Lines(Document):
    """The lines of one axle."""

    hose: HoseKind = Field(HoseKind.BRAIDED, title="Hoses", description="Rubber swells most, braided least.")
    hose_length: float = quantity(
        "length",
        "Hose length, axle",
        "All flexible hoses of this axle together.",
        symbol="l_h",
        least=0,
        most=10,
        usual=(0.5, 2.5),
        default=defaults.HOSE_LENGTH,
    )
    pipe_length: float = quantity(
        "distance",
        "Pipe length, axle",
        "All rigid pipe from the cylinder to this axle's hoses.",
        symbol="l_t",
        least=0,
        most=20,
        usual=(0.5, 6),
        default=defaults.PIPE_LENGTH,
    )
    bore: float = quantity(
        "gap",
        "Line bore",
        "Inside diameter of pipes and hoses.",
        symbol="d_l",
        least=0.001,
        most=0.01,
        usual=(0.0025, 0.0045),
        default=defaults.LINE_BORE,
    )


class FluidKind(Choice):
    """The class on the bottle."""

    DOT_3 = "dot_3", "DOT 3"
    DOT_4 = "dot_4", "DOT 4"
    DOT_5_1 = "dot_5_1", "DOT 5.1"
    RACE = "race", "race fluid"


class Fluid(Document):
    """The brake fluid as it stands in the lines."""

    bulk_modulus: float = quantity(
        "modulus",
        "Bulk modulus of the fluid",
        "How stiff the fluid is; it falls as it gets hot.",
        symbol="K",
        least=2e8,
        most=4e9,
        usual=(1.2e9, 2.1e9),
        default=defaults.BULK_MODULUS,
    )
    air: float = quantity(
        "share",
        "Air in the fluid",
        "Share of the volume, at rest: 0 where it is bled well, 1 % is a spongy pedal.",
        symbol="ε_air",
        least=0,
        most=0.2,
        usual=(0, 0.01),
        default=defaults.AIR_SHARE,
    )
    kind: FluidKind = Field(
        FluidKind.DOT_4, title="Fluid", description="The least boiling points of its class count, or the bottle's own."
    )
    dry_point: float | None = quantity(
        "temperature",
        "Boils fresh at",
        "Dry boiling point on the bottle; left empty, the least of its class.",
        symbol="T_dry",
        least=400,
        most=650,
        usual=(478, 610),
        default=None,
    )
    wet_point: float | None = quantity(
        "temperature",
        "Boils wet at",
        "Wet boiling point on the bottle, at 3.7 % water; left empty, the least of its class.",
        symbol="T_wet",
        least=380,
        most=600,
        usual=(410, 490),
        default=None,
    )
    water: float | None = quantity(
        "share",
        "Water in it",
        "By a tester, of the fluid at the caliper; left empty, by its age.",
        symbol="w",
        least=0,
        most=0.1,
        usual=(0, 0.04),
        default=None,
    )
    filled: date | None = Field(
        None, title="Filled on", description="Year, month and day, 2026-03-28: about 1.5 % of water a year from then."
    )
    opened: date | None = Field(
        None, title="Bottle opened on", description="An opened bottle draws water too: it counts from then."
    )

    @field_validator("wet_point")
    @classmethod
    def boils_wet_below_dry(cls, wet_point: float | None, info: ValidationInfo) -> float | None:
        dry = info.data.get("dry_point")
        if wet_point is not None and dry is not None and wet_point > dry:
            raise ValueError("With water in it the fluid boils earlier: the wet point must be below the dry one.")
        return wet_point
