"""The disc and its rubbing band."""

import math
from typing import Any

from pydantic import Field, ValidationInfo, field_validator

from plimbo.core.documents.materials import DiscMaterial
from plimbo.core.quantities import defaults
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import Document, counted, part_name, quantity


def has_hole(ring_height: Any, outer_diameter: Any) -> Any:
    """Whether a friction ring leaves the middle of the disc free; numbers in m, or arrays of them."""
    return ring_height < outer_diameter / 2


# Largest share of a ring that drillings may take.
DRILLED_MOST = 0.5


class VaneShape(Choice):
    """The shape of the vanes; curved ones draw more air and come as left and right."""

    STRAIGHT = "straight"
    CURVED = "curved"


class BellMounting(Choice):
    """How the ring is held: less iron across the joint conducts less heat."""

    ONE_PIECE = "one_piece", "one-piece"
    BOLTED = "bolted"
    FLOATING = "floating"


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
    least_thickness: float | None = quantity(
        "length",
        "Least thickness",
        "As it is stamped on the disc; left empty, what is usual for its material.",
        symbol="t_min",
        above=0.001,
        most=0.06,
        usual=(0.004, 0.038),
        default=None,
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
        "Share of the gap that the vanes fill; a vane thickness stands in its place.",
        symbol="f_v",
        least=0,
        most=1,
        usual=(0.1, 0.4),
        default=defaults.VANE_FILL,
    )
    vanes: int = counted(
        "Vanes", "How many, of a vented disc.", least=6, most=240, usual=(24, 72), default=defaults.VANES
    )
    vane_thickness: float | None = quantity(
        "length",
        "Vane thickness",
        "Of one vane, across the way of the air; left empty, what the vane fill makes of it.",
        symbol="t_v",
        least=0.001,
        most=0.03,
        usual=(0.003, 0.008),
        default=None,
    )
    vane_shape: VaneShape = Field(
        VaneShape.STRAIGHT, title="Vanes run", description="Curved vanes draw more air; they have a left and a right."
    )
    bell: BellMounting = Field(
        BellMounting.ONE_PIECE,
        title="Bell",
        description="A floating ring gives least heat to the hub, a one-piece disc most.",
    )
    holes: int = counted(
        "Holes", "Drilled through the ring, all of them; 0 for none.", most=400, usual=(0, 100), default=0
    )
    hole_diameter: float = quantity(
        "length",
        "Hole diameter",
        "Of the drilled holes.",
        symbol="d_h",
        least=0.001,
        most=0.02,
        usual=(0.004, 0.01),
        default=defaults.HOLE_DIAMETER,
    )
    slots: int = counted(
        "Slots",
        "On each face. They clean the pad; in the heat they are not counted.",
        most=60,
        usual=(0, 12),
        default=0,
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

    @field_validator("least_thickness")
    @classmethod
    def something_to_wear(cls, least_thickness: float | None, info: ValidationInfo) -> float | None:
        if least_thickness is not None and least_thickness >= info.data.get("thickness", 1):
            raise ValueError("The disc is as thin as it may get: fit a new one, or give less.")
        return least_thickness

    @field_validator("ring_height")
    @classmethod
    def ring_has_a_hole(cls, ring_height: float, info: ValidationInfo) -> float:
        if not has_hole(ring_height, info.data.get("outer_diameter", 1)):
            raise ValueError("The friction ring reaches the middle of the disc: lower the ring height.")
        return ring_height

    @field_validator("hole_diameter")
    @classmethod
    def ring_left(cls, hole_diameter: float, info: ValidationInfo) -> float:
        outer, height, holes = (info.data.get(name) for name in ("outer_diameter", "ring_height", "holes"))
        if not holes or outer is None or height is None:
            return hole_diameter
        if hole_diameter >= height:
            raise ValueError("The holes are wider than the friction ring is high: make them smaller.")
        if holes * hole_diameter**2 / 4 > DRILLED_MOST * (outer * height - height**2):
            raise ValueError("The holes take more than half of the friction ring: fewer of them, or smaller ones.")
        return hole_diameter

    @field_validator("vane_gap")
    @classmethod
    def cheeks_left(cls, vane_gap: float, info: ValidationInfo) -> float:
        if vane_gap >= info.data.get("thickness", 1):
            raise ValueError("The vane gap leaves no cheeks: make it smaller than the disc's thickness.")
        return vane_gap

    @field_validator("vane_thickness")
    @classmethod
    def air_between(cls, vane_thickness: float | None, info: ValidationInfo) -> float | None:
        outer, height = info.data.get("outer_diameter"), info.data.get("ring_height")
        if vane_thickness is not None and outer is not None and height is not None:
            round_the_eye = math.pi * (outer - 2 * height)
            if vane_thickness * info.data.get("vanes", 0) >= round_the_eye:
                raise ValueError("The vanes leave no room for air at the eye: fewer vanes, or thinner ones.")
        return vane_thickness
