"""Thermal properties of disc materials, and the thermal effusivity of discs and pads.

From memory of handbooks, ±10 % unless it says otherwise. One stop and a session use the same laws.
"""

from functools import cache
from typing import NamedTuple

from plimbo.core.documents.materials import DiscMaterial
from plimbo.core.quantities.axles import Axle
from plimbo.core.working.formula import formula
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Number, minimum, square_root

FREEZING = 273.15
HANDBOOKS = "From memory of handbooks (Incropera; castings handbooks), ±10 %"
LIMPERT = "From memory of Limpert, Brake Design and Safety, single stop"


class DiscMaterialCurve(NamedTuple):
    """Density kg/m³; conductivity W/(m·K) and specific heat J/(kg·K) as polynomials of the temperature in °C.

    Above `held`, °C, the specific heat stays. One stop begins at `stop_begins`, °C, and may heat the disc by
    `stop_rise_limit`, K: halfway between the two its properties are taken.
    """

    density: float
    conductivity: float
    conductivity_slope: float
    heat: float
    heat_slope: float
    heat_bend: float
    held: float
    emissivity: float
    stop_begins: float
    stop_rise_limit: float
    source: str

    @property
    def within_a_stop(self) -> float:
        """The temperature that represents a whole stop, K."""
        return FREEZING + self.stop_begins + self.stop_rise_limit / 2


# The temperatures at which a hard stop begins, and the limits of its rise, are Plimbo's own.
DISC_CURVES: dict[DiscMaterial, DiscMaterialCurve] = {
    DiscMaterial.GREY_IRON: DiscMaterialCurve(
        7200, 52, -0.020, 470, 0.30, 0.0, 730, 0.55, stop_begins=100, stop_rise_limit=230, source=HANDBOOKS
    ),
    DiscMaterial.STEEL: DiscMaterialCurve(
        7800, 27, -0.003, 460, 0.33, 0.0, 700, 0.55, stop_begins=100, stop_rise_limit=200,
        source=f"Martensitic stainless. {HANDBOOKS}",
    ),
    DiscMaterial.CARBON_CERAMIC: DiscMaterialCurve(
        2400, 34, -0.012, 800, 0.62, -2.2e-4, 1200, 0.80, stop_begins=200, stop_rise_limit=400,
        source="C/SiC, from memory, spread ±30 %",
    ),
    DiscMaterial.CARBON_CARBON: DiscMaterialCurve(
        1800, 26, -0.008, 720, 1.70, -6.8e-4, 1200, 0.88, stop_begins=300, stop_rise_limit=600,
        source="C/C through its thickness, from memory, conductivity ±40 %",
    ),
}  # fmt: skip


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


@formula(
    "e",
    "Effusivity",
    "effusivity",
    "√({conductivity} · {density} · {specific_heat})",
    LIMPERT,
    valid="{conductivity} > 0, {density} > 0, {specific_heat} > 0",
)
def effusivity(conductivity: Number, density: Number, specific_heat: Number) -> Number:
    """`√(kρc)`, J/(m²·K·√s); W/(m·K), kg/m³, J/(kg·K)."""
    return square_root(conductivity * density * specific_heat)


@cache
def stop_conductivity(material: DiscMaterial) -> float:
    """Of a disc in one stop, W/(m·K)."""
    of = DISC_CURVES[material]
    return float(conductivity_at(of.conductivity, of.conductivity_slope, of.within_a_stop))


@cache
def stop_specific_heat(material: DiscMaterial) -> float:
    """Of a disc in one stop, J/(kg·K)."""
    of = DISC_CURVES[material]
    return float(specific_heat_at(of.heat, of.heat_slope, of.heat_bend, of.held, of.within_a_stop))


def effusivity_of(
    conductivity: float, density: float, specific_heat: float, source: str, what: str, inputs: Inputs, axle: Axle
) -> Number:
    """Of a material, W/(m·K), kg/m³, J/(kg·K); `what` names the part that is made of it."""
    return effusivity.at(axle)(
        inputs.constant(conductivity, f"k_{what}", f"Conductivity, {what}", "conductivity", source),
        inputs.constant(density, f"ρ_{what}", f"Density, {what}", "density", source),
        inputs.constant(specific_heat, f"c_{what}", f"Specific heat, {what}", "specific heat", source),
    )
