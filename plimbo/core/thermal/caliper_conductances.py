"""The heat path from the pad's backing plate into the fluid: plate, pistons, fluid, caliper."""

from plimbo.core.working.formula import GEOMETRY, formula
from plimbo.core.working.numbers import Number

OWN = "Plimbo's own figures: contact 5 000 W/(m²·K), fluid film 0.08 mm, small cavity"
PISTON_LENGTH, SKIRT = 0.028, 0.010
# Plate to crown on 1.2 times the rim, with a plain and with an insulating shim, W/(m²·K); across the bowl, W/K.
PLAIN_SHIM, INSULATING_SHIM, RIM, BOWL = 5000.0, 2000.0, 1.2, 0.06
# From a wet face, and through the film round the skirt, W/(m²·K).
WET_FACE, FILM = 150.0, 0.15 / 0.08e-3


@formula("A_rim", "Rim of a piston", "area", "π · {wall} · ({diameter} − {wall})", GEOMETRY,
         valid="0 < {wall} < {diameter}")  # fmt: skip
def piston_rim(diameter: Number, wall: Number) -> Number:
    """Cross-section of the wall of a cup, m²; lengths in m."""
    return 3.141592653589793 * wall * (diameter - wall)


@formula("G", "Conductance of half a piston", "thermal conductance", "{conductivity} · {rim} / (0.028 / 2)", GEOMETRY,
         valid="{conductivity} > 0, {rim} > 0")  # fmt: skip
def half_piston(conductivity: Number, rim: Number) -> Number:
    """Along half the length of its wall, W/K; W/(m·K), m²."""
    return conductivity * rim / (PISTON_LENGTH / 2)


@formula("G", "Conductances in a row", "thermal conductance", "1 / (1 / {first} + 1 / {second})", "Resistances add up",
         valid="{first} > 0, {second} > 0")  # fmt: skip
def in_row(first: Number, second: Number) -> Number:
    """Two conductances in series, W/K."""
    return 1 / (1 / first + 1 / second)


@formula("A_wet", "Wet face of a piston", "area", "π / 4 · {diameter}² + π · {diameter} · 0.010 / 2", GEOMETRY,
         valid="{diameter} > 0")  # fmt: skip
def piston_wet_face(diameter: Number) -> Number:
    """Bore and half the skirt, m²; the diameter in m."""
    return 3.141592653589793 / 4 * diameter**2 + 3.141592653589793 * diameter * SKIRT / 2


@formula("A_skirt", "Skirt of a piston", "area", "π · {diameter} · 0.010", GEOMETRY, valid="{diameter} > 0")
def piston_skirt(diameter: Number) -> Number:
    """m²; the diameter in m."""
    return 3.141592653589793 * diameter * SKIRT
