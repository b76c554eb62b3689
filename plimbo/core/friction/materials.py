"""How readily the faces of disc and pad take up heat."""

from functools import cache

from plimbo.core.documents.materials import ThermalProperties
from plimbo.core.quantities.axles import Axle
from plimbo.core.working.formula import formula
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Number, square_root

LIMPERT = "From memory of Limpert, Brake Design and Safety, single stop"


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
def _plain(of: ThermalProperties) -> float:
    found: float = effusivity(of.conductivity, of.density, of.specific_heat)
    return found


def effusivity_of(of: ThermalProperties, what: str, inputs: Inputs, axle: Axle) -> Number:
    """Of a material; `what` names the part that is made of it."""
    if not inputs.with_working:
        return _plain(of)
    return effusivity.at(axle)(
        inputs.constant(of.conductivity, f"k_{what}", f"Conductivity, {what}", "conductivity", of.source),
        inputs.constant(of.density, f"ρ_{what}", f"Density, {what}", "density", of.source),
        inputs.constant(of.specific_heat, f"c_{what}", f"Specific heat, {what}", "specific heat", of.source),
    )
