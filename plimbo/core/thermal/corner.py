"""One corner as a thermal network: disc, two pads with their plates, pistons, caliper, fluid, bell and hub.

All plain numbers, so that the compiled kernel can read them directly. Each cheek of the disc is cut into equal cells
through its thickness, each pad into cells that grow away from its rubbing face.
"""

import math
from typing import NamedTuple

from plimbo.core.documents import BellMounting
from plimbo.core.ducting.flow import NO_DUCT, CoolingAir
from plimbo.core.friction.disc import ring_area
from plimbo.core.friction.disc_materials import DiscMaterialCurve
from plimbo.core.thermal import caliper_conductances as ways
from plimbo.core.working.numbers import single

# Plate of steel: thickness, m; density kg/m³; specific heat J/(kg·K); what shims and ears add.
PLATE, STEEL_DENSITY, STEEL_HEAT, PLATE_EXTRA = 0.005, 7850.0, 475.0, 1.15
FLUID_DENSITY, FLUID_HEAT = 1040.0, 2300.0
# Fluid beside what stands behind the pistons, m³; its depth there with new pads, m.
FLUID_BESIDE, FLUID_DEPTH = 10e-6, 0.006
# An ear of a plate to the caliper, W/K.
EAR = 0.35
# Ring to bell, W/K, and what a bell holds, J/K, by how the ring is held.
BELLS = {
    BellMounting.FLOATING: (1.2, 550.0),
    BellMounting.BOLTED: (3.0, 550.0),
    BellMounting.ONE_PIECE: (5.0, 700.0),
}


class Ring(NamedTuple):
    """A disc's ring: radii, thickness and vane gap, m (0 for a solid one); vanes and their thickness, m.

    `vane_flow` is the flow coefficient of the passage, a share; `radius` of the tyre, m, tells how fast it turns.
    """

    outer_radius: float
    inner_radius: float
    thickness: float
    gap: float
    vanes: int
    vane_thickness: float
    vane_flow: float
    material: DiscMaterialCurve
    radius: float

    @property
    def passage(self) -> float:
        """Section between the vanes at the middle of the ring, m²; 0 of a solid disc."""
        return self.gap * (math.pi * (self.outer_radius + self.inner_radius) - self.vanes * self.vane_thickness)


class PadParts(NamedTuple):
    """A pad of the pair: area m², lining thickness m, W/(m·K), kg/m³, J/(kg·K)."""

    area: float
    thickness: float
    conductivity: float
    density: float
    heat: float


class CaliperParts(NamedTuple):
    """Pistons of one side and their wall, m, their conductivity, W/(m·K); of the body J/K and its surface, m².

    A `sliding` one has none outboard: there the plate rests on the caliper body. `piston_heat` is what a piston holds,
    J/(m³·K), `cap` what an insulating cap on it lets through, W/(m²·K), 0 without one.
    """

    pistons: tuple[float, ...]
    wall: float
    piston_conductivity: float
    body_capacity: float
    body_area: float
    sliding: bool = False
    piston_heat: float = STEEL_DENSITY * STEEL_HEAT
    cap: float = 0.0


class CornerSurroundings(NamedTuple):
    """The surroundings of a corner: shares of free air at the inboard and outboard face, and the rise of the air's
    temperature, K.

    `cooling` is a factor on the cooling, `air` the effect of a duct.
    """

    inboard_shield: float
    outboard_shield: float
    warmer: float
    cooling: float = 1.0
    air: CoolingAir = NO_DUCT


class Corner(NamedTuple):
    """All inputs of the kernel, SI: m, m², J/K, W/K, W/(m·K), kg/m³; temperatures elsewhere."""

    diameter: float
    ring_area: float
    face_area: float
    cheek: float
    vane_section: float
    vane_mass_volume: float
    vane_passage: float
    vane_hydraulic_diameter: float
    vane_length: float
    vane_surface: float
    gap: float
    flow_at_speed: float
    disc_density: float
    conductivity: float
    conductivity_slope: float
    heat: float
    heat_slope: float
    heat_bend: float
    heat_held: float
    emissivity: float
    pad_area: float
    pad_thickness: float
    pad_conductivity: float
    pad_capacity: float
    plate_capacity: float
    plate_to_piston: float
    piston_to_fluid: float
    piston_to_caliper: float
    piston_wet: float
    piston_capacity: float
    fluid_to_caliper: float
    fluid_capacity: float
    caliper_capacity: float
    caliper_area: float
    ring_to_bell: float
    bell_capacity: float
    inboard_shield: float
    outboard_shield: float
    warmer: float
    sides: float
    outboard_to_caliper: float
    cooling: float
    air: CoolingAir


def corner_of(
    ring: Ring,
    pad: PadParts,
    caliper: CaliperParts,
    held_by: BellMounting,
    place: CornerSurroundings,
    worn: float = 0.0,
) -> Corner:
    """The network of one corner; `worn` is what is gone from each pad, m: as much more fluid stands behind it."""
    outer, inner = ring.outer_radius, ring.inner_radius
    length, cheek = outer - inner, (ring.thickness - ring.gap) / 2
    area = single(ring_area.function(2 * outer, length))
    width = math.pi * (outer + inner) / ring.vanes - ring.vane_thickness if ring.vanes else 0.0
    section = ring.vanes * ring.vane_thickness * length
    rims = [single(ways.piston_rim(size, caliper.wall)) for size in caliper.pistons]
    walls = [single(ways.half_piston(caliper.piston_conductivity, rim)) for rim in rims]
    contacts = [ways.PLAIN_SHIM * ways.RIM * rim for rim in rims]
    if caliper.cap:
        contacts = [
            single(ways.in_row(contact, caliper.cap * ways.RIM * rim))
            for contact, rim in zip(contacts, rims, strict=True)
        ]
    wet = ways.WET_FACE * sum(single(ways.piston_wet_face(size)) for size in caliper.pistons)
    skirts = sum(single(ways.piston_skirt(size)) for size in caliper.pistons)
    bores = sum(math.pi / 4 * size**2 for size in caliper.pistons)
    piston_volume = sum(
        rim * ways.PISTON_LENGTH + math.pi / 4 * size**2 * caliper.wall
        for rim, size in zip(rims, caliper.pistons, strict=True)
    )
    sides = 1.0 if caliper.sliding else 2.0
    fluid_volume = FLUID_BESIDE + sides * bores * (FLUID_DEPTH + worn)
    ring_to_bell, bell_capacity = BELLS[held_by]
    material = ring.material
    return Corner(
        diameter=2 * outer,
        ring_area=area,
        face_area=area + 2 * math.pi * outer * cheek - pad.area,
        cheek=cheek,
        vane_section=section,
        vane_mass_volume=section * ring.gap,
        vane_passage=ring.passage,
        vane_hydraulic_diameter=2 * ring.gap * width / (ring.gap + width) if ring.gap else 0.0,
        vane_length=length,
        vane_surface=2 * (area + ring.vanes * ring.gap * length - section) if ring.gap else 0.0,
        gap=ring.gap,
        flow_at_speed=ring.vane_flow * math.sqrt(outer**2 - inner**2) / ring.radius,
        disc_density=material.density,
        conductivity=material.conductivity,
        conductivity_slope=material.conductivity_slope,
        heat=material.heat,
        heat_slope=material.heat_slope,
        heat_bend=material.heat_bend,
        heat_held=material.held,
        emissivity=material.emissivity,
        pad_area=pad.area,
        pad_thickness=pad.thickness,
        pad_conductivity=pad.conductivity,
        pad_capacity=pad.density * pad.heat * pad.area,
        plate_capacity=pad.area * PLATE * STEEL_DENSITY * STEEL_HEAT * PLATE_EXTRA,
        plate_to_piston=sum(single(ways.in_row(*pair)) for pair in zip(contacts, walls, strict=True)) + ways.BOWL,
        piston_to_fluid=single(ways.in_row(wet, sum(walls))),
        piston_to_caliper=single(ways.in_row(ways.FILM * skirts, sum(walls))),
        piston_wet=wet,
        piston_capacity=piston_volume * caliper.piston_heat,
        fluid_to_caliper=sides * ways.WET_FACE * (bores + skirts),
        fluid_capacity=fluid_volume * FLUID_DENSITY * FLUID_HEAT,
        caliper_capacity=caliper.body_capacity,
        caliper_area=caliper.body_area,
        ring_to_bell=ring_to_bell,
        bell_capacity=bell_capacity,
        inboard_shield=place.inboard_shield,
        outboard_shield=place.outboard_shield,
        warmer=place.warmer,
        sides=sides,
        outboard_to_caliper=EAR * (3 if caliper.sliding else 1),
        cooling=place.cooling,
        air=place.air,
    )
