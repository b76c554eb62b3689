"""What discs and pads are made of, over temperature. From memory of handbooks, ±10 % unless it says otherwise."""

from typing import NamedTuple

from plimbo.core.documents.materials import DiscMaterial
from plimbo.core.working.formula import formula
from plimbo.core.working.numbers import Number, minimum

FREEZING = 273.15
HANDBOOKS = "From memory of handbooks (Incropera; castings handbooks), ±10 %"


class DiscMaterialCurve(NamedTuple):
    """Density kg/m³; conductivity W/(m·K) and specific heat J/(kg·K) as polynomials of the temperature in °C.

    Above `held`, °C, the specific heat stays.
    """

    density: float
    conductivity: float
    conductivity_slope: float
    heat: float
    heat_slope: float
    heat_bend: float
    held: float
    emissivity: float
    source: str


DISC_CURVES: dict[DiscMaterial, DiscMaterialCurve] = {
    DiscMaterial.GREY_IRON: DiscMaterialCurve(7150, 52, -0.020, 470, 0.30, 0.0, 730, 0.55, HANDBOOKS),
    DiscMaterial.STEEL: DiscMaterialCurve(
        7750, 27, -0.003, 460, 0.33, 0.0, 700, 0.55, f"Martensitic stainless. {HANDBOOKS}"
    ),
    DiscMaterial.CARBON_CERAMIC: DiscMaterialCurve(
        2350, 34, -0.012, 800, 0.62, -2.2e-4, 1200, 0.80, "C/SiC, from memory, spread ±30 %"
    ),
    DiscMaterial.CARBON_CARBON: DiscMaterialCurve(
        1780, 26, -0.008, 720, 1.70, -6.8e-4, 1200, 0.88, "C/C through its thickness, from memory, conductivity ±40 %"
    ),
}


@formula(
    "k",
    "Conductivity at temperature",
    "conductivity",
    "{at_freezing} + {slope} · ({temperature} − 273.15)",
    HANDBOOKS,
    valid="{temperature} > 0",
)
def conductivity_at(at_freezing: Number, slope: Number, temperature: Number) -> Number:
    """W/(m·K) at a temperature, K; `slope` in W/(m·K²)."""
    return at_freezing + slope * (temperature - FREEZING)


@formula(
    "c",
    "Specific heat at temperature",
    "specific heat",
    "{at_freezing} + {slope} · min({temperature} − 273.15, {held})"
    " + {bend} · min({temperature} − 273.15, {held}) · min({temperature} − 273.15, {held})",
    HANDBOOKS,
    valid="{temperature} > 0",
)
def specific_heat_at(at_freezing: Number, slope: Number, bend: Number, held: Number, temperature: Number) -> Number:
    """J/(kg·K) at a temperature, K; `held` in °C."""
    celsius = minimum(temperature - FREEZING, held)
    return at_freezing + slope * celsius + bend * celsius * celsius
