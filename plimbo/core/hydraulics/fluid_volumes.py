"""The fluid that an axle's circuit takes: volumes for both wheels, at the pressure of its calipers.

From memory of Limpert, Brake Design and Safety, brake fluid volume analysis; the sizes of the losses are Plimbo's own
defaults where they are not measured.
"""

import math

from plimbo.core.working.formula import GEOMETRY, formula
from plimbo.core.working.numbers import Number

LIMPERT = "From memory of Limpert, Brake Design and Safety, fluid volume analysis"
ATMOSPHERE = 101_325.0


@formula("V_g", "Fluid to close the pad gap", "volume", "4 · {area} · {gap}", LIMPERT)
def gap_volume(area: Number, gap: Number) -> Number:
    """Both calipers, m³, of m² and m. Fixed: both sides move by the gap. Sliding: one side moves by two. The same."""
    return 4 * area * gap


@formula("V_c", "Fluid for calipers and pads that give", "volume", "2 · {compliance} · {pressure}", LIMPERT)
def caliper_volume(compliance: Number, pressure: Number) -> Number:
    """Both calipers, m³; `compliance` of one, m³/Pa; Pa."""
    return 2 * compliance * pressure


@formula("V_h", "Fluid for hoses that swell", "volume", "{swelling} · {length} · {pressure}", LIMPERT)
def hose_volume(swelling: Number, length: Number, pressure: Number) -> Number:
    """All hoses of the axle, m³; `swelling` in m³ for each pascal and metre, length in m, Pa."""
    return swelling * length * pressure


@formula("V_l", "Fluid in pipes and hoses", "volume", "π / 4 · {bore}² · ({pipe} + {hose})", GEOMETRY)
def line_content(bore: Number, pipe: Number, hose: Number) -> Number:
    """Of the axle, m³, of lengths in m."""
    return math.pi / 4 * bore * bore * (pipe + hose)


@formula("V_p", "Fluid behind the pistons", "volume", "4 · {area} · ({depth} + {worn})", "Pistons follow the wear")
def piston_content(area: Number, depth: Number, worn: Number) -> Number:
    """Both fixed calipers, m³, of m² and m: pistons on both sides come out as far as each pad wears."""
    return 4 * area * (depth + worn)


@formula("V_p", "Fluid behind the pistons", "volume", "2 · {area} · ({depth} + 2 · {worn})", "Pistons follow the wear")
def sliding_content(area: Number, depth: Number, worn: Number) -> Number:
    """Both sliding calipers, m³, of m² and m: pistons on one side, which follow the wear of both pads."""
    return 2 * area * (depth + 2 * worn)


@formula(
    "V_s", "Fluid under pressure", "volume", "{lines} + {pistons} + {cylinder_area} · {stroke} / 2", "Half the cylinder"
)
def content(lines: Number, pistons: Number, cylinder_area: Number, stroke: Number) -> Number:
    """The axle's circuit, m³, with half of what its cylinder holds; m³, m³, m², m."""
    return lines + pistons + cylinder_area * stroke / 2


@formula(
    "V_f",
    "Fluid that compression takes",
    "volume",
    "{content} · {pressure} / {modulus}",
    "Definition of the bulk modulus",
    valid="{pressure} ≥ 0, {modulus} > 0",
)
def fluid_volume(content: Number, pressure: Number, modulus: Number) -> Number:
    """`V·p/K`, m³; m³, Pa, Pa."""
    return content * pressure / modulus


@formula(
    "V_a",
    "Fluid that air takes",
    "volume",
    "{content} · {air} · {pressure} / ({pressure} + 101325)",
    "Boyle's law, slow, from one atmosphere",
    valid="{pressure} ≥ 0, 0 ≤ {air} ≤ 1",
)
def air_volume(content: Number, air: Number, pressure: Number) -> Number:
    """Volume by which a share of air is compressed, m³; m³, share, Pa over the atmosphere."""
    return content * air * pressure / (pressure + ATMOSPHERE)


@formula(
    "V_k", "Fluid that knock-back takes", "volume", "2 · {area} · {run_out}", "Pads pushed back once on each wheel"
)
def knock_back_volume(area: Number, run_out: Number) -> Number:
    """Both calipers, m³, of m² and m: the disc pushes one side's pistons back by its run-out and tilt."""
    return 2 * area * run_out


@formula(
    "V_k",
    "Fluid that knock-back takes, held",
    "volume",
    "{free} · {left}",
    "A floating ring, a sliding caliper, springs or a valve leave less of it",
)
def held_back(free: Number, left: Number) -> Number:
    """The remaining knock-back, m³, where something moves with the disc, or holds the pads near it."""
    return free * left


@formula("V", "Fluid moved", "volume", "{gap} + {calipers} + {hoses} + {fluid} + {air}", LIMPERT)
def moved_volume(gap: Number, calipers: Number, hoses: Number, fluid: Number, air: Number) -> Number:
    """Total volume that the axle's cylinder must move, m³."""
    return gap + calipers + hoses + fluid + air
