"""What heat does to discs and pads: cracks, wear, and the ends of metals. The figures rank; they do not promise."""

from typing import NamedTuple

from plimbo.core.documents.materials import DiscMaterial
from plimbo.core.friction.disc_materials import FREEZING
from plimbo.core.working.formula import formula
from plimbo.core.working.numbers import Number, maximum, minimum

TIMOSHENKO = "From memory of Timoshenko, Theory of Elasticity: a surface that may not stretch"
FITTED = (
    "Plimbo's own, fitted to common practice: a light racer without ducts wears two sets of pads in 20 to 24 hours, a"
    " heavy saloon at 800 to 1000 °C two sets in 4 hours"
)
OWN = "Plimbo's own, in the order of published wear limits (from memory)"


class Strength(NamedTuple):
    """Young's modulus Pa, expansion 1/K, Poisson's ratio, and the strength that the stress is held against, Pa."""

    modulus: float
    expansion: float
    poisson: float
    strength: float


# From memory of handbooks; cold strength, so that the ratio ranks discs and promises nothing.
STRENGTHS = {
    DiscMaterial.GREY_IRON: Strength(105e9, 12e-6, 0.26, 220e6),
    DiscMaterial.STEEL: Strength(205e9, 11.5e-6, 0.29, 400e6),
    DiscMaterial.CARBON_CERAMIC: Strength(30e9, 2.0e-6, 0.15, 60e6),
    DiscMaterial.CARBON_CARBON: Strength(25e9, 1.5e-6, 0.15, 60e6),
}


class DiscWear(NamedTuple):
    """Wear rate, m³/J; the surface temperature from which it grows, K, and the step of the growth, K; what may go from
    each face where no least thickness is stamped, m.
    """

    rate: float
    grows_from: float
    step: float
    usual_limit: float


# Iron within published wear limits (from memory); the other materials are Plimbo's own, carbon-carbon so that it lasts
# three or four races of 800 to 1000 km (common practice).
DISC_WEAR = {
    DiscMaterial.GREY_IRON: DiscWear(80e-15, 600 + FREEZING, 150.0, 0.0006),
    DiscMaterial.STEEL: DiscWear(60e-15, 600 + FREEZING, 150.0, 0.0006),
    DiscMaterial.CARBON_CERAMIC: DiscWear(10e-15, 900 + FREEZING, 150.0, 0.0004),
    DiscMaterial.CARBON_CARBON: DiscWear(55e-15, 650 + FREEZING, 150.0, 0.002),
}


class MetalEnds(NamedTuple):
    """Bulk and surface temperature from which a metal softens, warps and scales, and the surface where it fails, K."""

    bulk: float
    surface: float
    fails: float


# From memory of foundry practice.
METAL_ENDS = {
    material: MetalEnds(750 + FREEZING, 850 + FREEZING, 950 + FREEZING)
    for material in (DiscMaterial.GREY_IRON, DiscMaterial.STEEL)
}
# At the edge of a hole in a surface that is pressed alike all round the stress is twice as high (Kirsch, from memory of
# Timoshenko).
AT_A_HOLE = 2.0


def hole_factor(holes: int) -> float:
    """What holes multiply the stress with."""
    return AT_A_HOLE if holes else 1.0


@formula(
    "R_crack",
    "Crack ratio",
    "ratio",
    "{modulus} · {expansion} · {difference} / ((1 − {poisson}) · {strength})",
    TIMOSHENKO,
    valid="{modulus} > 0, {expansion} > 0, {strength} > 0, 0 ≤ {poisson} < 1",
)
def crack_ratio(modulus: Number, expansion: Number, difference: Number, poisson: Number, strength: Number) -> Number:
    """Stress of a surface that is hotter than the bulk by a difference, K, over the strength; Pa, 1/K, a share, Pa.

    Under a half none; up to 1 hair cracks over a season; above, cracks within an event.
    """
    return modulus * expansion * difference / ((1 - poisson) * strength)


@formula(
    "e_p",
    "Energy on each face of pad",
    "energy per area",
    "{energy} / (2 · {area})",
    "By definition",
    valid="{area} > 0",
)
def energy_per_area(energy: Number, area: Number) -> Number:
    """J/m² of each of a disc's two pads; the energy of the whole corner in J, the face of a pad in m²."""
    return energy / (2 * area)


@formula(
    "V_p",
    "Pad worn off, one face",
    "volume",
    "{energy} · {wear} · (1 + min(((max(0, {surface} − {window_end}) / 100)²)²,"
    " 8 + max(0, {surface} − {window_end}) / 25))",
    FITTED,
    valid="{energy} ≥ 0, {wear} ≥ 0",
)
def pad_wear(energy: Number, wear: Number, surface: Number, window_end: Number) -> Number:
    """m³ for the energy of one face, J; `wear` in m³/J; temperatures in K.

    It grows with the fourth power above the window, from 200 K above it in a straight line.
    """
    over = maximum(0.0, surface - window_end) / 100
    squared = over * over
    return energy * wear * (1 + minimum(squared * squared, 8 + 4 * over))


@formula(
    "V_d",
    "Disc worn off, one face",
    "volume",
    "{energy} · {wear} · {factor} · (1 + (max(0, {surface} − {grows_from}) / {step})²)",
    OWN,
    valid="{energy} ≥ 0, {wear} ≥ 0, {factor} > 0, {step} > 0",
)
def disc_wear(
    energy: Number, wear: Number, factor: Number, surface: Number, grows_from: Number, step: Number
) -> Number:
    """m³ for the energy of one face, J; `wear` in m³/J, multiplied by the pad's disc factor; temperatures in K."""
    over = maximum(0.0, surface - grows_from) / step
    return energy * wear * factor * (1 + over * over)
