"""The handbrake, where the rules or the road ask for one."""

from pydantic import Field

from plimbo.core.quantities import defaults
from plimbo.core.quantities.fields import Document, quantity


class Handbrake(Document):
    """A hydraulic handbrake: a cylinder of its own in the rear circuit."""

    fitted: bool = Field(
        False, title="Hydraulic handbrake", description="A lever with its own cylinder in the rear line."
    )
    bore: float = quantity(
        "bore",
        "Handbrake bore",
        "Diameter of the handbrake's cylinder.",
        symbol="d_hb",
        least=0.004,
        most=0.06,
        usual=(0.0158, 0.0222),
        default=0.01905,
    )
    ratio: float = quantity(
        "ratio",
        "Handbrake lever ratio",
        "Pivot to the hand, divided by pivot to the cylinder's rod.",
        symbol="R_hb",
        above=1,
        most=20,
        usual=(5, 10),
        default=7.0,
    )
    stroke: float = quantity(
        "length",
        "Handbrake stroke",
        "Of the handbrake's cylinder, from rest to the bottom.",
        symbol="s_hb",
        least=0.003,
        most=0.08,
        usual=(0.015, 0.035),
        default=defaults.CYLINDER_STROKE,
    )
    hand_force: float = quantity(
        "force",
        "Pull of the hand",
        "What the driver pulls at the end of the lever.",
        symbol="F_hand",
        least=5,
        most=1000,
        usual=(100, 350),
        default=defaults.HAND_FORCE,
    )
