"""How well the inputs are known."""

from plimbo.core.quantities import defaults
from plimbo.core.quantities.fields import Document, quantity


class Doubt(Document):
    """How well the inputs are known, plus or minus: every value between is taken as equally likely."""

    pad_friction: float = quantity(
        "share",
        "Pad μ, ±",
        "Each axle's on its own.",
        symbol="u_pad",
        least=0,
        most=0.8,
        usual=(0.02, 0.2),
        default=defaults.PAD_FRICTION_DOUBT,
    )
    tyre_friction: float = quantity(
        "grip",
        "Tyre grip, ±",
        "Both axles together, at their dry grip: the day and the set of tyres.",
        symbol="u_t",
        least=0,
        most=1,
        usual=(0.02, 0.2),
        default=defaults.TYRE_FRICTION_DOUBT,
    )
    tyre_difference: float = quantity(
        "grip",
        "Front against rear, ±",
        "How well the difference between front and rear grip is known, plus or minus.",
        symbol="u_Δ",
        least=0,
        most=1,
        usual=(0.01, 0.1),
        default=defaults.TYRE_DIFFERENCE_DOUBT,
    )
    cg_height: float = quantity(
        "length",
        "CG height, ±",
        "The weighing says how well it is known.",
        symbol="u_h",
        least=0,
        most=0.2,
        usual=(0.003, 0.03),
        default=defaults.CG_HEIGHT_DOUBT,
    )
