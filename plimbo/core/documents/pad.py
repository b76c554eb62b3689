"""The pad: its face, its lining, its friction over temperature."""

from itertools import pairwise

from pydantic import Field, ValidationInfo, field_validator

from plimbo.core.documents.materials import PadMaterial
from plimbo.core.quantities import defaults
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import Document, part_name, quantity


class Compound(Choice):
    """The use that the pads are made for."""

    UNKNOWN = "unknown", "not known"
    ROAD = "road"
    FAST_ROAD = "fast_road"
    SPRINT = "sprint"
    ENDURANCE = "endurance"


class FrictionLetter(Choice):
    """Friction letters on a pad's edge: the first is cold, the second hot friction; this is the hot one."""

    NONE = "none", "not read"
    C = "C"
    D = "D"
    E = "E"
    F = "F"
    G = "G"
    H = "H"


class FrictionPoint(Document):
    """One point of a pad's friction curve."""

    temperature: float = quantity(
        "temperature",
        "Disc temperature",
        "Of the disc's rubbing face.",
        symbol="T",
        least=220,
        most=1500,
        usual=(273, 1150),
    )
    friction: float = quantity(
        "friction", "Friction there", "From the maker's curve.", symbol="μ", least=0.02, most=1.2, usual=(0.2, 0.65)
    )


class Pad(Document):
    """A brake pad and where it runs on the disc."""

    name: str = part_name("Pad")
    friction: float = quantity(
        "friction",
        "Pad friction",
        "Friction coefficient between pad and disc, warm. A curve by points stands in its place.",
        symbol="μ_p",
        least=0.02,
        most=1.2,
        usual=(0.25, 0.65),
        default=defaults.PAD_FRICTION,
    )
    height: float = quantity(
        "length",
        "Pad height",
        "Radial height of the rubbing face.",
        symbol="h_p",
        above=0.005,
        most=0.12,
        usual=(0.03, 0.06),
    )
    length: float = quantity(
        "length",
        "Pad length",
        "Along the disc, at mid height.",
        symbol="l_p",
        above=0.01,
        most=0.4,
        usual=(0.05, 0.16),
    )
    inset: float = quantity(
        "length",
        "Pad inset",
        "How far the pad's outer edge sits inside the disc's edge.",
        symbol="i_p",
        least=-0.002,
        most=0.05,
        usual=(-0.0005, 0.0005),
        default=defaults.PAD_INSET,
    )
    thickness: float = quantity(
        "length",
        "Lining, new",
        "Thickness of the friction material without its plate.",
        symbol="t_p",
        least=0.001,
        most=0.05,
        usual=(0.008, 0.02),
        default=defaults.LINING,
    )
    worn: float = quantity(
        "length",
        "Worn off",
        "Lining that is gone from each pad.",
        symbol="w_p",
        least=0,
        most=0.05,
        usual=(0, 0.009),
        default=0.0,
    )
    retired_at: float = quantity(
        "length",
        "Retired at",
        "Lining that is left when you change the pads.",
        symbol="t_r",
        least=0.0005,
        most=0.02,
        usual=(0.002, 0.006),
        default=defaults.LINING_LEAST,
    )
    disc_factor: float = quantity(
        "friction",
        "Eats discs, times",
        "How many times as fast as usual it wears the disc: hard race pads up to twice.",
        symbol="f_d",
        least=0.2,
        most=5,
        usual=(0.7, 2),
        default=1.0,
    )
    face_area: float | None = quantity(
        "area",
        "Face area of a pad",
        "As the maker gives it; left empty it is height times length.",
        symbol="A_pad",
        least=1e-4,
        most=0.05,
        usual=(0.002, 0.012),
        default=None,
    )
    conductivity: float | None = quantity(
        "conductivity",
        "Conductivity of the lining",
        "Left empty, what its class has. A lining that conducts well heats the fluid.",
        symbol="k_p",
        least=0.1,
        most=80,
        usual=(0.5, 20),
        default=None,
    )
    window_low: float | None = quantity(
        "temperature",
        "Bites from",
        "Disc temperature below which it does not bite, by its sheet; left empty, its class.",
        symbol="T_lo",
        least=220,
        most=1200,
        usual=(273, 650),
        default=None,
    )
    window_high: float | None = quantity(
        "temperature",
        "Fades from",
        "Disc temperature above which it fades, by its sheet; left empty, its class.",
        symbol="T_hi",
        least=300,
        most=1600,
        usual=(500, 1100),
        default=None,
    )
    wear_rate: float | None = quantity(
        "wear",
        "Wear in its window",
        "Lining worn off for the work done; left empty, its class.",
        symbol="w_s",
        least=1e-15,
        most=1e-11,
        usual=(4e-14, 3e-13),
        default=None,
    )
    compound: Compound = Field(Compound.UNKNOWN, title="Compound class", description="What the maker sells it for.")
    letter: FrictionLetter = Field(
        FrictionLetter.NONE,
        title="Friction letter",
        description="The second of the two on the pad's edge: C up to 0.15, D 0.25, E 0.35, F 0.45, G 0.55, H above.",
    )
    friction_curve: tuple[FrictionPoint, ...] = Field(
        (),
        title="Friction over temperature",
        description="Points of the maker's curve, from cold to hot; at least two.",
        max_length=12,
        # Where a new curve begins and ends, until the maker's points are typed: 100 and 600 °C.
        json_schema_extra={"new": [{"temperature": 373.15}, {"temperature": 873.15}]},
    )
    looked_at: float = quantity(
        "temperature",
        "Disc temperature looked at",
        "Where the friction curve is read for the sizes.",
        symbol="T_d",
        least=220,
        most=1500,
        usual=(373, 900),
        default=defaults.DISC_TEMPERATURE,
    )
    material: PadMaterial = Field(
        PadMaterial.RESIN_BONDED, title="Pad material", description="Decides how much heat goes into the pad."
    )

    @field_validator("window_high")
    @classmethod
    def window_is_open(cls, window_high: float | None, info: ValidationInfo) -> float | None:
        low = info.data.get("window_low")
        if window_high is not None and low is not None and window_high <= low:
            raise ValueError("It must fade hotter than it begins to bite.")
        return window_high

    @field_validator("worn")
    @classmethod
    def lining_left(cls, worn: float, info: ValidationInfo) -> float:
        if worn >= info.data.get("thickness", 1):
            raise ValueError("Nothing is left of the lining: fit new pads, or give less wear.")
        return worn

    @field_validator("friction_curve")
    @classmethod
    def cold_to_hot(cls, curve: tuple[FrictionPoint, ...]) -> tuple[FrictionPoint, ...]:
        if len(curve) == 1:
            raise ValueError("One point is no curve: give a second, or take it out.")
        if any(after.temperature <= before.temperature for before, after in pairwise(curve)):
            raise ValueError("Give the points from cold to hot, each hotter than the one before.")
        return curve
