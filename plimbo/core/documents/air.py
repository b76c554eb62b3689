"""The air in which a car runs."""

from plimbo.core.quantities import defaults
from plimbo.core.quantities.fields import Document, quantity


class Air(Document):
    """The air of the day."""

    altitude: float = quantity(
        "distance",
        "Altitude",
        "Of the race circuit above the sea.",
        symbol="z",
        least=-500,
        most=6000,
        usual=(0, 2500),
        default=defaults.ALTITUDE,
    )
    temperature: float = quantity(
        "temperature",
        "Air temperature",
        "In the shade.",
        symbol="T",
        least=220,
        most=335,
        usual=(268, 315),
        default=defaults.AIR_TEMPERATURE,
    )
