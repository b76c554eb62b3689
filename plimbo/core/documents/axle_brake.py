"""What is fitted at one axle, and whether its parts go together."""

from pydantic import ValidationInfo, field_validator

from plimbo.core.documents.actuation import MasterCylinder
from plimbo.core.documents.caliper import Caliper
from plimbo.core.documents.disc import Disc
from plimbo.core.documents.fields import Document
from plimbo.core.documents.hydraulics import Lines
from plimbo.core.documents.pad import Pad


class AxleBrake(Document):
    """Everything fitted at one axle, from its cylinder to its pads; caliper, disc and pad are per wheel."""

    master_cylinder: MasterCylinder
    lines: Lines = Lines()
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
