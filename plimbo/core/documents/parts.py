"""The parts between the foot and the disc, as a preparer buys and measures them."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field, ValidationInfo, field_validator

from plimbo.core import defaults
from plimbo.core.documents.fields import Document, part_name, quantity
from plimbo.core.documents.materials import DiscMaterial, PadMaterial


class Pedal(Document):
    """The pedal, unassisted."""

    ratio: float = quantity(
        "ratio",
        "Pedal ratio",
        "Pivot to the middle of the foot pad, divided by pivot to the balance bar.",
        symbol="R_p",
        above=1,
        most=12,
        usual=(4, 7),
    )
    efficiency: float = quantity(
        "share",
        "Pedal efficiency",
        "Share of the foot's work that reaches the balance bar.",
        symbol="η_p",
        least=0.05,
        most=1,
        usual=(0.85, 1),
        default=defaults.PEDAL_EFFICIENCY,
    )


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

    @field_validator("offset")
    @classmethod
    def bearing_between_clevises(cls, offset: float, info: ValidationInfo) -> float:
        if abs(offset) >= info.data.get("length", 1) / 2:
            raise ValueError("The bearing stands outside the clevises: bring the offset under half the bar's length.")
        return offset


class MasterCylinder(Document):
    """A single-circuit master cylinder."""

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


class CaliperMounting(StrEnum):
    FIXED = "fixed"
    SLIDING = "sliding"


Diameter = Annotated[float, Field(ge=0.005, le=0.12)]


class Caliper(Document):
    """A caliper and its pistons. Only their area counts for force, never their number."""

    name: str = part_name("Caliper")
    mounting: CaliperMounting = Field(
        CaliperMounting.FIXED,
        title="Caliper kind",
        description="Fixed: pistons on both sides of the disc. Sliding: all pistons on one side.",
    )
    pistons: tuple[Diameter, ...] = Field(
        title="Pistons, one side",
        description="Diameters on one side of the disc, leading edge first. A fixed caliper has them twice.",
        min_length=1,
        max_length=8,
        json_schema_extra={"dimension": "piston", "symbol": "d_", "usual": [0.025, 0.06]},
    )
    efficiency: float = quantity(
        "share",
        "Caliper efficiency",
        "Share of the hydraulic push that clamps the pads.",
        symbol="η_c",
        least=0.05,
        most=1,
        usual=(0.9, 1),
        default=defaults.CALIPER_EFFICIENCY,
    )


class Disc(Document):
    """A brake disc; `ring` is the part that the pads rub and that soaks up the heat."""

    name: str = part_name("Disc")
    outer_diameter: float = quantity(
        "length",
        "Disc diameter",
        "Across the outside of the disc.",
        symbol="D",
        above=0.1,
        most=0.5,
        usual=(0.2, 0.42),
    )
    thickness: float = quantity(
        "length",
        "Disc thickness",
        "Over both rubbing faces, new.",
        symbol="t",
        above=0.002,
        most=0.06,
        usual=(0.005, 0.04),
    )
    ring_height: float = quantity(
        "length",
        "Ring height",
        "From the inner to the outer edge of the friction ring, along the radius.",
        symbol="b",
        above=0.01,
        most=0.15,
        usual=(0.035, 0.075),
    )
    vane_gap: float = quantity(
        "length",
        "Vane gap",
        "Air gap between the two cheeks; 0 for a solid disc.",
        symbol="s_v",
        least=0,
        most=0.04,
        usual=(0, 0.02),
        default=0.0,
    )
    vane_fill: float = quantity(
        "share",
        "Vane fill",
        "Share of the gap that the vanes fill.",
        symbol="f_v",
        least=0,
        most=1,
        usual=(0.1, 0.4),
        default=defaults.VANE_FILL,
    )
    material: DiscMaterial = Field(
        DiscMaterial.GREY_IRON, title="Disc material", description="What the friction ring is made of."
    )
    weighed_mass: float | None = quantity(
        "mass",
        "Ring mass, weighed",
        "Mass of the friction ring if you have weighed it (without bell). Left empty it is worked out from the sizes.",
        symbol="m_d",
        least=0.05,
        most=40,
        usual=(1, 14),
        default=None,
    )

    @field_validator("ring_height")
    @classmethod
    def ring_has_a_hole(cls, ring_height: float, info: ValidationInfo) -> float:
        if ring_height >= info.data.get("outer_diameter", 1) / 2:
            raise ValueError("The friction ring reaches the middle of the disc: lower the ring height.")
        return ring_height

    @field_validator("vane_gap")
    @classmethod
    def cheeks_left(cls, vane_gap: float, info: ValidationInfo) -> float:
        if vane_gap >= info.data.get("thickness", 1):
            raise ValueError("The vane gap leaves no cheeks: make it smaller than the disc's thickness.")
        return vane_gap


class Pad(Document):
    """A brake pad and where it runs on the disc."""

    name: str = part_name("Pad")
    friction: float = quantity(
        "friction",
        "Pad friction",
        "Friction coefficient between pad and disc, warm.",
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
    material: PadMaterial = Field(
        PadMaterial.RESIN_BONDED, title="Pad material", description="Decides how much heat goes into the pad."
    )


class AxleBrake(Document):
    """Everything fitted at one axle, from its cylinder to its pads; caliper, disc and pad are per wheel."""

    master_cylinder: MasterCylinder
    caliper: Caliper
    disc: Disc
    pad: Pad

    @field_validator("pad")
    @classmethod
    def pad_under_pistons(cls, pad: Pad, info: ValidationInfo) -> Pad:
        caliper = info.data.get("caliper")
        if isinstance(caliper, Caliper):
            widest, total = max(caliper.pistons), sum(caliper.pistons)
            if widest > pad.height + 1e-9:
                raise ValueError(
                    f"The {widest * 1e3:.1f} mm piston is bigger than the {pad.height * 1e3:.1f} mm high pad:"
                    " fit a higher pad or smaller pistons."
                )
            if total > pad.length + 1e-9:
                raise ValueError(
                    f"The pistons side by side take {total * 1e3:.1f} mm, more than the {pad.length * 1e3:.1f} mm long"
                    " pad: fit a longer pad, or fewer or smaller pistons."
                )
        return pad

    @field_validator("pad")
    @classmethod
    def pad_on_ring(cls, pad: Pad, info: ValidationInfo) -> Pad:
        disc = info.data.get("disc")
        if isinstance(disc, Disc) and pad.inset + pad.height > disc.ring_height + 1e-9:
            raise ValueError(
                f"The pad reaches {1e3 * (pad.inset + pad.height):.1f} mm in from the disc's edge, past the"
                f" {disc.ring_height * 1e3:.1f} mm ring: fit a lower pad or a disc with a higher ring."
            )
        return pad
