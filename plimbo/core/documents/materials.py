"""What discs and pads are made of."""

from plimbo.core.quantities.choices import Choice


class DiscMaterial(Choice):
    """What the discs are made of."""

    GREY_IRON = "grey_iron"
    STEEL = "steel"
    CARBON_CERAMIC = "carbon_ceramic", "carbon-ceramic"
    CARBON_CARBON = "carbon_carbon", "carbon-carbon"


class PadMaterial(Choice):
    """What the linings are made of."""

    RESIN_BONDED = "resin_bonded", "resin-bonded"
    SINTERED = "sintered", "sintered metal"
    CARBON = "carbon"
