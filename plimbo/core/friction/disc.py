"""The disc: the mass of its ring, and how far heat raises its temperature."""

import math
from typing import NamedTuple

from plimbo.core.documents import Disc
from plimbo.core.documents.materials import DISC_PROPERTIES
from plimbo.core.friction.materials import LIMPERT, effusivity_of
from plimbo.core.quantities.axles import Axle
from plimbo.core.working.formula import formula
from plimbo.core.working.inputs import Inputs, remembered
from plimbo.core.working.numbers import Number


@formula(
    "m_d",
    "Mass of the friction ring",
    "mass",
    "π · ({diameter} · {height} − {height}²) · ({thickness} − {gap} · (1 − {fill})) · {density}",
    "Ring of two cheeks and vanes",
    valid="0 < {height} < {diameter} / 2, 0 ≤ {gap} < {thickness}, 0 ≤ {fill} ≤ 1",
)
def ring_mass(
    diameter: Number, height: Number, thickness: Number, gap: Number, fill: Number, density: Number
) -> Number:
    """Mass of the friction ring, kg, from its sizes, m, and density, kg/m³; bell and drillings left out."""
    return math.pi * (diameter * height - height * height) * (thickness - gap * (1 - fill)) * density


@formula(
    "γ",
    "Share of the heat that goes into the disc",
    "share",
    "{disc} / ({disc} + {pad})",
    LIMPERT,
    valid="{disc} > 0, {pad} > 0",
)
def disc_heat_share(disc: Number, pad: Number) -> Number:
    """From the effusivities of disc and pad, J/(m²·K·√s): `q_d/q_p = e_d/e_p`."""
    return disc / (disc + pad)


@formula("E_d", "Energy into one disc", "energy", "{energy} · {axle_share} / 2 · {disc_share}", LIMPERT)
def disc_energy(energy: Number, axle_share: Number, disc_share: Number) -> Number:
    """Energy into one of the axle's two discs, J."""
    return energy * axle_share / 2 * disc_share


@formula(
    "ΔT",
    "Disc heats by, in one stop",
    "temperature difference",
    "{energy} / ({mass} · {specific_heat})",
    LIMPERT,
    valid="{mass} > 0, {specific_heat} > 0",
)
def temperature_rise(energy: Number, mass: Number, specific_heat: Number) -> Number:
    """Mean rise of one disc when nothing cools it during the stop, K; J, kg, J/(kg·K)."""
    return energy / (mass * specific_heat)


class DiscSizes(NamedTuple):
    """One disc as numbers; `rise_limit` is how far one stop may heat its material, K."""

    outer_diameter: Number
    ring_height: Number
    ring_mass: Number
    run_out: Number
    specific_heat: Number
    effusivity: Number
    rise_limit: Number


@remembered
def disc_sizes(disc: Disc, inputs: Inputs, axle: Axle) -> DiscSizes:
    """The discs of one axle."""
    properties = DISC_PROPERTIES[disc.material]
    thermal = properties.thermal
    diameter, height = inputs(disc, "outer_diameter", axle), inputs(disc, "ring_height", axle)
    if disc.weighed_mass is not None:
        mass = inputs(disc, "weighed_mass", axle)
    else:
        mass = ring_mass.at(axle)(
            diameter,
            height,
            inputs(disc, "thickness", axle),
            inputs(disc, "vane_gap", axle),
            inputs(disc, "vane_fill", axle),
            inputs.constant(thermal.density, "ρ_disc", "Density, disc", "density", thermal.source),
        )
    heat = inputs.constant(thermal.specific_heat, "c_disc", "Specific heat, disc", "specific heat", thermal.source)
    return DiscSizes(
        outer_diameter=diameter,
        ring_height=height,
        ring_mass=mass,
        run_out=inputs(disc, "run_out", axle),
        specific_heat=heat,
        effusivity=effusivity_of(thermal, "disc", inputs, axle),
        rise_limit=properties.stop_rise_limit,
    )
