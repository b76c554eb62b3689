"""The disc: the mass of its ring, and how far heat raises its temperature."""

import math
from typing import NamedTuple

from plimbo.core.documents import BellMounting, Disc
from plimbo.core.friction.disc_materials import (
    DISC_CURVES,
    LIMPERT,
    effusivity_of,
    stop_conductivity,
    stop_specific_heat,
)
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import Axle
from plimbo.core.working.formula import GEOMETRY, formula
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
    "f_v",
    "Vane fill",
    "share",
    "{vanes} · {thickness} / (π · ({diameter} − {height}))",
    GEOMETRY,
    valid="{vanes} > 0, {thickness} > 0, 0 < {height} < {diameter} / 2",
)
def vane_fill(vanes: Number, thickness: Number, diameter: Number, height: Number) -> Number:
    """Share of the gap that vanes of this thickness fill at the ring's middle; sizes in m."""
    return vanes * thickness / (math.pi * (diameter - height))


@formula(
    "m_d",
    "Mass of the drilled ring",
    "mass",
    "{mass} · (1 − {holes} · {hole}² / (4 · ({diameter} · {height} − {height}²)))",
    GEOMETRY,
    valid="{holes} ≥ 0, 0 < {height} < {diameter} / 2",
)
def drilled_mass(mass: Number, holes: Number, hole: Number, diameter: Number, height: Number) -> Number:
    """Mass of a ring with this many holes right through it, kg; sizes in m."""
    return mass * (1 - holes * hole**2 / (4 * (diameter * height - height**2)))


@formula(
    "γ",
    "Share of the heat that goes into the disc",
    "share",
    "{disc} · {ring} / ({disc} · {ring} + {pad} · {face})",
    f"{LIMPERT}; weighted by area, as a pad covers only part of the ring: Plimbo's own",
    valid="{disc} > 0, {pad} > 0, {ring} > 0, {face} > 0",
)
def disc_heat_share(disc: Number, pad: Number, ring: Number, face: Number) -> Number:
    """From the effusivities, J/(m²·K·√s), of a ring and a pad with these areas, m²: `q_d/q_p = e_d·A_d/(e_p·A_p)`."""
    return disc * ring / (disc * ring + pad * face)


@formula("A_ring", "Face of the friction ring", "area", "π · ({diameter} · {height} − {height}²)", GEOMETRY,
         valid="0 < {height} < {diameter} / 2")  # fmt: skip
def ring_area(diameter: Number, height: Number) -> Number:
    """One side of the ring, m²; sizes in m."""
    return math.pi * (diameter * height - height * height)


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
    """One disc as numbers; `rise_limit` is how far one stop may heat its material, K;
    `knock_back_taken` the part of its run-out that moves the pads, 1 unless it floats.
    """

    outer_diameter: Number
    ring_height: Number
    ring_mass: Number
    run_out: Number
    specific_heat: Number
    effusivity: Number
    rise_limit: Number
    knock_back_taken: Number


@remembered
def disc_sizes(disc: Disc, inputs: Inputs, axle: Axle) -> DiscSizes:
    """The discs of one axle."""
    of = DISC_CURVES[disc.material]
    conducts, specific_heat = stop_conductivity(disc.material), stop_specific_heat(disc.material)
    diameter, height = inputs(disc, "outer_diameter", axle), inputs(disc, "ring_height", axle)
    if disc.weighed_mass is not None:
        mass = inputs(disc, "weighed_mass", axle)
    else:
        mass = ring_mass.at(axle)(
            diameter,
            height,
            inputs(disc, "thickness", axle),
            inputs(disc, "vane_gap", axle),
            _fill(disc, diameter, height, inputs, axle),
            inputs.constant(of.density, "ρ_disc", "Density, disc", "density", of.source),
        )
        if disc.holes:
            sizes = inputs(disc, "holes", axle), inputs(disc, "hole_diameter", axle), diameter, height
            mass = drilled_mass.at(axle)(mass, *sizes)
    heat = inputs.constant(specific_heat, "c_disc", "Specific heat, disc", "specific heat", of.source)
    floats = inputs.constant(
        defaults.KNOCK_BACK_FLOATING.value, "k_b", "Knock-back of a floating ring", "share", "Plimbo's own default"
    )
    return DiscSizes(
        outer_diameter=diameter,
        ring_height=height,
        ring_mass=mass,
        run_out=inputs(disc, "run_out", axle),
        specific_heat=heat,
        effusivity=effusivity_of(conducts, of.density, specific_heat, of.source, "disc", inputs, axle),
        rise_limit=of.stop_rise_limit,
        knock_back_taken=1.0 if disc.bell != BellMounting.FLOATING else floats,
    )


def _fill(disc: Disc, diameter: Number, height: Number, inputs: Inputs, axle: Axle) -> Number:
    """Share of the gap that the vanes fill: as given, or from their number and thickness."""
    if disc.vane_thickness is None:
        return inputs(disc, "vane_fill", axle)
    sizes = inputs(disc, "vanes", axle), inputs(disc, "vane_thickness", axle)
    return vane_fill.at(axle)(*sizes, diameter, height)
