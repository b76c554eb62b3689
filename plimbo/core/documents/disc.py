"""The disc and its rubbing band."""

from typing import Any

from pydantic import Field, ValidationInfo, field_validator

from plimbo.core.documents.materials import DiscMaterial
from plimbo.core.quantities import defaults
from plimbo.core.quantities.fields import Document, part_name, quantity


def has_hole(ring_height: Any, outer_diameter: Any) -> Any:
    """Whether a friction ring leaves the middle of the disc free; numbers in m, or arrays of them."""
    return ring_height < outer_diameter / 2


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
    run_out: float = quantity(
        "gap",
        "Run-out and tilt",
        "How far disc and hub push a pad back in a hard corner. A dial gauge at the disc's edge tells.",
        symbol="δ",
        least=0,
        most=0.003,
        usual=(2e-5, 3e-4),
        default=defaults.RUN_OUT,
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
        if not has_hole(ring_height, info.data.get("outer_diameter", 1)):
            raise ValueError("The friction ring reaches the middle of the disc: lower the ring height.")
        return ring_height

    @field_validator("vane_gap")
    @classmethod
    def cheeks_left(cls, vane_gap: float, info: ValidationInfo) -> float:
        if vane_gap >= info.data.get("thickness", 1):
            raise ValueError("The vane gap leaves no cheeks: make it smaller than the disc's thickness.")
        return vane_gap
