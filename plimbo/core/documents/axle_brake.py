"""The parts at one axle, and whether they go together."""

from typing import Any

from pydantic import ValidationInfo, field_validator

from plimbo.core.documents.actuation import MasterCylinder
from plimbo.core.documents.caliper import Caliper
from plimbo.core.documents.cooling import Cooling
from plimbo.core.documents.disc import Disc
from plimbo.core.documents.hydraulics import Lines
from plimbo.core.documents.pad import Pad
from plimbo.core.quantities.fields import Document

# Tolerance for sizes written with one digit less, m.
_TOLERANCE = 1e-9


def under_pad(width: Any, pad_width: Any) -> Any:
    """Whether pistons of this total width go under a pad; numbers in m, or arrays of them."""
    return width <= pad_width + _TOLERANCE


def on_ring(inset: Any, pad_height: Any, ring_height: Any) -> Any:
    """Whether a pad stays on the friction ring; numbers in m, or arrays of them."""
    return inset + pad_height <= ring_height + _TOLERANCE


class AxleBrake(Document):
    """Everything fitted at one axle, from its cylinder to its pads; caliper, disc and pad are per wheel."""

    master_cylinder: MasterCylinder
    lines: Lines = Lines()
    caliper: Caliper
    disc: Disc
    pad: Pad
    cooling: Cooling = Cooling()

    @field_validator("pad")
    @classmethod
    def pad_under_pistons(cls, pad: Pad, info: ValidationInfo) -> Pad:
        caliper = info.data.get("caliper")
        if isinstance(caliper, Caliper):
            total = sum(caliper.pistons)
            if not under_pad(total, pad.length):
                raise ValueError(
                    f"The pistons side by side take {total * 1e3:.1f} mm, more than the {pad.length * 1e3:.1f} mm long"
                    " pad: fit a longer pad, or fewer or smaller pistons."
                )
        return pad

    @field_validator("pad")
    @classmethod
    def pad_on_ring(cls, pad: Pad, info: ValidationInfo) -> Pad:
        disc = info.data.get("disc")
        if isinstance(disc, Disc) and not on_ring(pad.inset, pad.height, disc.ring_height):
            raise ValueError(
                f"The pad reaches {1e3 * (pad.inset + pad.height):.1f} mm in from the disc's edge, past the"
                f" {disc.ring_height * 1e3:.1f} mm ring: fit a lower pad or a disc with a higher ring."
            )
        return pad
