"""Cooling: from the rubbing faces, through the vanes, from the caliper; and radiation.

The published laws are for undisturbed flow. The air in a wheel is turbulent: two turbulence factors were chosen once,
from a set of cars whose temperatures are common knowledge, and are the same for every car.
"""

from plimbo.core.thermal.air import PRANDTL
from plimbo.core.working.formula import formula
from plimbo.core.working.numbers import Number, exponential, logarithm, maximum, minimum

LIMPERT = "From memory of Limpert, Brake Design and Safety, disc brake cooling"
OWN = "Plimbo's own"
STEFAN_BOLTZMANN = 5.670374419e-8
FACE_TURBULENCE = 1.8
VANE_TURBULENCE = 2.4
# At rest, or nearly, W/(m²·K): natural convection of a hot face.
NATURAL = 7.0
# Of the whole surface of the vanes, running and at rest, W/(m²·K).
VANES_RUNNING, VANES_AT_REST = 2.5, 5.0
# The two laws of the face differ by a quarter where they meet, so they are blended between these Reynolds numbers.
SMOOTH, ROUGH = 1.8e5, 3.2e5


@formula("Re", "Reynolds number", "ratio", "{density} · {speed} · {length} / {viscosity}", "By definition",
         valid="{viscosity} > 0")  # fmt: skip
def reynolds(density: Number, speed: Number, length: Number, viscosity: Number) -> Number:
    """Of a stream past a length; kg/m³, m/s, m, Pa·s."""
    return density * speed * length / viscosity


@formula(
    "w",
    "Share of the rough law",
    "share",
    "min(1, max(0, (ln({reynolds}) − ln(1.8e5)) / (ln(3.2e5) − ln(1.8e5))))",
    f"{LIMPERT}; the way from one to the other is {OWN}",
    valid="{reynolds} > 0",
)
def rough_share(reynolds: Number) -> Number:
    """Share of the turbulent law in the blend, by the face's Reynolds number."""
    way = (logarithm(reynolds) - logarithm(SMOOTH)) / (logarithm(ROUGH) - logarithm(SMOOTH))
    return minimum(1.0, maximum(0.0, way))


@formula(
    "Nu_f",
    "Nusselt number of the faces",
    "ratio",
    "(1 − {rough}) · 0.70 · {reynolds}^0.55 + {rough} · 0.04 · {reynolds}^0.8",
    LIMPERT,
    valid="{reynolds} > 0, 0 ≤ {rough} ≤ 1",
)
def face_nusselt(reynolds: Number, rough: Number) -> Number:
    """Of a disc's face, a ratio; on the disc's diameter and the road speed."""
    return (1 - rough) * 0.70 * reynolds**0.55 + rough * 0.04 * reynolds**0.8


@formula(
    "h_f",
    "Heat transfer of the faces",
    "heat transfer",
    "max(7.0, {factor} · {nusselt} · {conductivity} / {diameter})",
    f"By definition of Nu; the least is {OWN}",
    valid="{diameter} > 0",
)
def face_coefficient(factor: Number, nusselt: Number, conductivity: Number, diameter: Number) -> Number:
    """W/(m²·K); `factor` is turbulence times shielding, W/(m·K), m."""
    return maximum(NATURAL, factor * nusselt * conductivity / diameter)


@formula(
    "Nu_v",
    "Nusselt number of the vanes",
    "ratio",
    "max(1.86 · ({reynolds} · 0.7 · {ratio})^(1/3), 0.023 · (1 + {ratio}^0.67) · {reynolds}^0.8 · 0.7^0.33)",
    f"{LIMPERT}, after Incropera, short pipes",
    valid="{reynolds} ≥ 0, {ratio} ≥ 0",
)
def vane_nusselt(reynolds: Number, ratio: Number) -> Number:
    """Of the passages between the vanes, a ratio; `ratio` is their hydraulic diameter over their length."""
    laminar = 1.86 * (reynolds * PRANDTL * ratio) ** (1 / 3)
    turbulent = 0.023 * (1 + ratio**0.67) * reynolds**0.8 * PRANDTL**0.33
    return maximum(laminar, turbulent)


@formula(
    "S",
    "What the vanes' air takes, each kelvin",
    "thermal conductance",
    "max({least} · {surface}, {flow} · 1007.0 · (1 − exp(−{coefficient} · {surface} / ({flow} · 1007.0))))",
    "Heat exchanger of one warm wall, Incropera (from memory)",
    valid="{flow} > 0, {surface} > 0",
)
def vane_conductance(flow: Number, coefficient: Number, surface: Number, least: Number) -> Number:
    """W/K from wall to inlet; flow in kg/s, coefficient in W/(m²·K), the wetted surface in m²."""
    carried = flow * 1007.0
    return maximum(least * surface, carried * (1 - exponential(-coefficient * surface / carried)))


@formula(
    "Nu_c",
    "Nusselt number of the caliper",
    "ratio",
    "0.25 · {reynolds}^0.6",
    f"A blunt body, from memory of Hilpert; the figure is {OWN}",
    valid="{reynolds} ≥ 0",
)
def caliper_nusselt(reynolds: Number) -> Number:
    """Of a caliper, a ratio; on 0.1 m and half the road speed."""
    return 0.25 * reynolds**0.6


@formula(
    "h_r",
    "Heat transfer by radiation",
    "heat transfer",
    "{emissivity} · 5.670374419e-8 · ({hot}² + {cold}²) · ({hot} + {cold})",
    "Law of Stefan and Boltzmann, a small body in large surroundings",
    valid="0 ≤ {emissivity} ≤ 1, {hot} > 0, {cold} > 0",
)
def radiation_coefficient(emissivity: Number, hot: Number, cold: Number) -> Number:
    """W/(m²·K) between two temperatures, K."""
    return emissivity * STEFAN_BOLTZMANN * (hot * hot + cold * cold) * (hot + cold)


@formula(
    "w_air",
    "Share of the disc's heat in the well's air",
    "share",
    "0.02 + 0.07 · exp(−{speed} / 3)",
    OWN,
    valid="{speed} ≥ 0",
)
def well_share(speed: Number) -> Number:
    """Temperature rise of the air in the wheel well as a share of the disc's rise over ambient, by the speed, m/s."""
    return 0.02 + 0.07 * exponential(-speed / 3)
