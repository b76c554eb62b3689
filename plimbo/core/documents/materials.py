"""What discs and pads are made of: heat conduction, density and heat capacity, near their working temperature."""

from enum import StrEnum
from typing import NamedTuple


class DiscMaterial(StrEnum):
    """What the discs are made of."""

    GREY_IRON = "grey iron"
    STEEL = "steel"
    CARBON_CERAMIC = "carbon-ceramic"
    CARBON_CARBON = "carbon-carbon"


class PadMaterial(StrEnum):
    """What the linings are made of."""

    RESIN_BONDED = "resin-bonded"
    SINTERED = "sintered metal"
    CARBON = "carbon"


class ThermalProperties(NamedTuple):
    """Conductivity W/(m·K), density kg/m³, specific heat J/(kg·K), and where they come from."""

    conductivity: float
    density: float
    specific_heat: float
    source: str


class DiscProperties(NamedTuple):
    """A disc's thermal properties and how far one stop may heat it, K."""

    thermal: ThermalProperties
    stop_rise_limit: float


IRON = ThermalProperties(48.0, 7200.0, 500.0, "grey iron, from memory of common handbook values")
STEEL = ThermalProperties(45.0, 7800.0, 520.0, "carbon steel, from memory of common handbook values")
CARBON_CERAMIC = ThermalProperties(40.0, 2400.0, 1000.0, "C/SiC, Plimbo's own round figures")
CARBON_CARBON = ThermalProperties(60.0, 1800.0, 1400.0, "C/C at about 600 °C, Plimbo's own round figures")

DISC_PROPERTIES: dict[DiscMaterial, DiscProperties] = {
    DiscMaterial.GREY_IRON: DiscProperties(IRON, 230.0),
    DiscMaterial.STEEL: DiscProperties(STEEL, 200.0),
    DiscMaterial.CARBON_CERAMIC: DiscProperties(CARBON_CERAMIC, 400.0),
    DiscMaterial.CARBON_CARBON: DiscProperties(CARBON_CARBON, 600.0),
}

PAD_PROPERTIES: dict[PadMaterial, ThermalProperties] = {
    PadMaterial.RESIN_BONDED: ThermalProperties(
        1.212, 2595.0, 1465.0, "from memory of Limpert, Brake Design and Safety, typical pad"
    ),
    PadMaterial.SINTERED: ThermalProperties(20.0, 5500.0, 500.0, "sintered metal, Plimbo's own round figures"),
    PadMaterial.CARBON: CARBON_CARBON,
}
