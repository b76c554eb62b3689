"""Properties of dry air over temperature, at film temperatures from −40 to 900 °C."""

from plimbo.core.working.formula import formula
from plimbo.core.working.numbers import Number, exponential, square_root

STANDARD_ATMOSPHERE = "From memory of the U.S. Standard Atmosphere 1976"
PRANDTL = 0.7
# J/(kg·K); it rises by 11 % up to 600 °C, which is left out.
HEAT_CAPACITY = 1007.0
_HOT_AND_COLD = "200 ≤ {temperature} ≤ 1300"


@formula(
    "μ_a",
    "Viscosity of air",
    "viscosity",
    "1.458e-6 · {temperature} · √({temperature}) / ({temperature} + 110.4)",
    f"Sutherland's law. {STANDARD_ATMOSPHERE}",
    valid=_HOT_AND_COLD,
)
def air_viscosity(temperature: Number) -> Number:
    """Pa·s at a temperature, K."""
    return 1.458e-6 * temperature * square_root(temperature) / (temperature + 110.4)


@formula(
    "k_a",
    "Conductivity of air",
    "conductivity",
    "2.64638e-3 · {temperature} · √({temperature}) / ({temperature} + 245.4 · exp(−27.6310211 / {temperature}))",
    STANDARD_ATMOSPHERE,
    valid=_HOT_AND_COLD,
)
def air_conductivity(temperature: Number) -> Number:
    """W/(m·K) at a temperature, K; the exponential is 10 to the power of −12/T."""
    rise = temperature * square_root(temperature)
    return 2.64638e-3 * rise / (temperature + 245.4 * exponential(-27.6310211 / temperature))
