"""What heat does to discs and pads: cracks and wear. The figures rank; they do not promise."""

from plimbo.core.thermal.materials import FREEZING
from plimbo.core.working.formula import formula
from plimbo.core.working.numbers import Number, maximum

TIMOSHENKO = "From memory of Timoshenko, Theory of Elasticity: a surface that may not stretch"
OWN = "Plimbo's own, in the order of published wear limits (from memory)"


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
    "V_p",
    "Pad worn off, one face",
    "volume",
    "{energy} · {wear} · (1 + (max(0, {surface} − {window_end}) / 100)²)",
    OWN,
    valid="{energy} ≥ 0, {wear} ≥ 0",
)
def pad_wear(energy: Number, wear: Number, surface: Number, window_end: Number) -> Number:
    """m³ for the energy of one face, J; `wear` in m³/J; temperatures in K. It grows fast above the window."""
    over = maximum(0.0, surface - window_end) / 100
    return energy * wear * (1 + over**2)


@formula(
    "V_d",
    "Disc worn off, one face",
    "volume",
    "{energy} · 80e-15 · (1 + (max(0, {surface} − 873.15) / 150)²)",
    OWN,
    valid="{energy} ≥ 0",
)
def disc_wear(energy: Number, surface: Number) -> Number:
    """m³ of iron for the energy of one face, J; the surface in K."""
    over = maximum(0.0, surface - (600 + FREEZING)) / 150
    return energy * 80e-15 * (1 + over**2)
