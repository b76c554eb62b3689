"""The caliper, its pistons and its compliance."""

from typing import Annotated

from pydantic import Field

from plimbo.core.quantities import defaults
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import Document, part_name, quantity
from plimbo.core.quantities.metadata import number_metadata


class CaliperMounting(Choice):
    """Whether pistons stand on both sides or on one."""

    FIXED = "fixed"
    SLIDING = "sliding"


class Hand(Choice):
    """Whether the calipers of an axle are a pair."""

    PAIR = "pair", "a left and a right"
    ALIKE = "alike", "two alike"


class PistonMaterial(Choice):
    """The material of the pistons: the heat that they conduct goes into the fluid."""

    STEEL = "steel"
    STAINLESS = "stainless", "stainless steel"
    ALUMINIUM = "aluminium"
    TITANIUM = "titanium"
    PHENOLIC = "phenolic"


class BodyMaterial(Choice):
    """What a caliper's body is made of."""

    ALUMINIUM = "aluminium"
    IRON = "iron", "cast iron"


class Retention(Choice):
    """How the pads are held near the disc."""

    NONE = "none"
    ANTI_KNOCK_BACK = "anti_knock_back", "anti-knock-back springs"
    RESIDUAL = "residual", "residual-pressure valve"
    RETURN_LIMITING = "return_limiting", "return-limiting valve"


Diameter = Annotated[float, Field(ge=0.005, le=0.12, strict=True)]


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
        json_schema_extra=number_metadata("piston") | {"symbol": "d_", "usual": [0.025, 0.06]},
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
    hand: Hand = Field(
        Hand.PAIR,
        title="Calipers of this axle",
        description="Staggered pistons and bleed screws have a side: the small piston leads, the screws stand on top."
        " Two alike put one of them the wrong way round.",
    )
    compliance: float = quantity(
        "compliance",
        "Caliper and pads give",
        "Fluid that one caliper takes for each bar, pads pressed in: lower is stiffer.",
        symbol="k_c",
        least=0,
        most=5e-12,
        usual=(3e-14, 4e-13),
        default=defaults.CALIPER_COMPLIANCE,
    )
    pad_gap: float = quantity(
        "gap",
        "Pad gap",
        "Each pad from the disc at rest, with the seal's roll-back.",
        symbol="g",
        least=0,
        most=0.003,
        usual=(5e-5, 3e-4),
        default=defaults.PAD_GAP,
    )
    retention: Retention = Field(
        Retention.NONE,
        title="Pad retention",
        description="Anti-knock-back springs, a residual-pressure valve or a return-limiting valve keep the pads at the"
        " disc, and drag a little.",
    )
    piston_material: PistonMaterial = Field(
        PistonMaterial.STEEL,
        title="Pistons of",
        description="Aluminium leads most heat into the fluid, phenolic resin least.",
    )
    insulated: bool = Field(
        False,
        title="Insulated pistons",
        description="Caps or shims of ceramic or phenolic between the pad's plate and the pistons.",
    )
    body: BodyMaterial = Field(
        BodyMaterial.ALUMINIUM, title="Body of", description="An iron body holds more heat, and sheds less of it."
    )
    body_mass: float | None = quantity(
        "reading",
        "Body mass",
        "Of one caliper, without pads; left empty, what its pads suggest.",
        symbol="m_cal",
        least=0.2,
        most=15,
        usual=(1.2, 5),
        default=None,
    )
    seal_limit: float = quantity(
        "temperature",
        "Seals good to",
        "At the wet face of the pistons, by their maker: seals for high temperatures stand more.",
        symbol="T_s",
        least=350,
        most=650,
        usual=(450, 550),
        default=defaults.SEAL_LIMIT,
    )
    rating: float | None = quantity(
        "pressure",
        "Caliper rated to",
        "The maker's greatest pressure; left empty where you do not know it.",
        symbol="p_max",
        least=1e6,
        most=5e7,
        usual=(7e6, 2e7),
        default=None,
    )
