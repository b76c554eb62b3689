"""One axle's tyres: grip over load, and size."""

from pydantic import Field

from plimbo.core.quantities import defaults
from plimbo.core.quantities.fields import Document, quantity


class Tyre(Document):
    """One axle's tyres."""

    friction: float = quantity(
        "grip",
        "Tyre grip",
        "Friction coefficient on a dry track: about the best deceleration you log, in g, for a car without downforce.",
        symbol="μ_t",
        least=0.02,
        most=3,
        usual=(0.6, 1.8),
        default=defaults.TYRE_FRICTION,
    )
    load_sensitivity: float = quantity(
        "share",
        "Load sensitivity",
        "How much grip coefficient goes when the load on the tyre doubles. 0 leaves it out.",
        symbol="s_N",
        least=0,
        most=0.5,
        usual=(0, 0.2),
        default=defaults.LOAD_SENSITIVITY,
    )
    reference_load: float | None = quantity(
        "force",
        "Load the grip is for",
        "Load on one tyre at which the grip holds. Left empty: what it carries as the car was weighed.",
        symbol="N_ref",
        least=50,
        most=20000,
        usual=(800, 6000),
        default=None,
    )
    loaded_radius: float = quantity(
        "length",
        "Loaded radius",
        "Hub centre to the ground, car on its wheels.",
        symbol="R",
        above=0.1,
        most=0.6,
        usual=(0.22, 0.36),
    )
    size: str = Field(
        "",
        title="Size",
        description="As it stands on the sidewall: 195/50 R15, or a race size such as 180/550 R13.",
        max_length=24,
    )
    deflection: float = quantity(
        "length",
        "Sinks by",
        "How much lower the hub stands with the car's weight on the tyre.",
        symbol="δ_t",
        least=0,
        most=0.08,
        usual=(0.005, 0.03),
        default=defaults.TYRE_DEFLECTION,
    )
