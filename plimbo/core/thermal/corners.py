"""The corners of a car as it is set up: what the documents say, as the network of heat wants it."""

import math
from functools import lru_cache

from plimbo.core.documents import BodyMaterial, Caliper, Disc, PistonMaterial, Setup, Shielding, VaneShape
from plimbo.core.documents.caliper import CaliperMounting
from plimbo.core.ducting.flow import NO_DUCT, AirProperties, CoolingAir, Vanes, cooling_air
from plimbo.core.ducting.run import Run, run_of
from plimbo.core.friction.disc import disc_sizes, vane_fill
from plimbo.core.friction.disc_materials import DISC_CURVES
from plimbo.core.friction.pad import face_area
from plimbo.core.friction.pad_classes import pad_class
from plimbo.core.quantities.axles import Axle
from plimbo.core.thermal.air import air_viscosity
from plimbo.core.thermal.corner import CaliperParts, Corner, CornerSurroundings, PadParts, Ring, corner_of
from plimbo.core.vehicle.air import air_density
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import single

# What of the air reaches the inboard and the outboard face. Plimbo's own figures.
SHIELDS = {
    Shielding.OPEN_WHEEL: (1.0, 1.0),
    Shielding.IN_A_WHEEL: (0.8, 0.6),
    Shielding.TRIMMED: (0.6, 0.6),
    Shielding.DUST_SHIELD: (0.4, 0.6),
    Shielding.COVERED: (0.05, 0.6),
}
# Flow coefficient of the passage between the vanes. Plimbo's own figures.
VANE_FLOW = {VaneShape.STRAIGHT: 0.40, VaneShape.CURVED: 0.45}
# Wall m, conductivity W/(m·K), what it holds J/(m³·K). From memory of handbooks, ±10 %; the walls are our own.
PISTONS = {
    PistonMaterial.STEEL: (0.003, 45.0, 7850.0 * 475),
    PistonMaterial.STAINLESS: (0.003, 17.0, 7900.0 * 500),
    PistonMaterial.ALUMINIUM: (0.0045, 150.0, 2700.0 * 900),
    PistonMaterial.TITANIUM: (0.003, 7.5, 4430.0 * 560),
    PistonMaterial.PHENOLIC: (0.008, 0.6, 1800.0 * 1200),
}
# A cap of 3 mm that conducts 2 W/(m·K), W/(m²·K).
CAP = 2.0 / 0.003
# Density kg/m³ and specific heat J/(kg·K) of a caliper's body.
BODIES = {BodyMaterial.ALUMINIUM: (2700.0, 900.0), BodyMaterial.IRON: (7200.0, 480.0)}
# If not weighed: kg of an aluminium body for each m² of a pad; and the factor for an iron one.
BODY_FOR_PAD, IRON_BODY = 400.0, 2.1
# The surface of a body grows as its volume to the two thirds; this is what common calipers have.
BODY_SURFACE = 9.2


def body_mass(caliper: Caliper, area: float) -> float:
    """Mass of a caliper's body, kg; `area` is that of a pad, m²."""
    if caliper.body_mass is not None:
        return caliper.body_mass
    return BODY_FOR_PAD * area * (IRON_BODY if caliper.body is BodyMaterial.IRON else 1.0)


def vanes_for(setup: Setup, axle: Axle, tyre_radius: float) -> Vanes:
    """The disc of this axle as its air meets it; the tyre's loaded radius, m, tells how fast it turns."""
    ring = _ring(setup.brake(axle).disc, axle, tyre_radius)
    return Vanes(ring.outer_radius, ring.inner_radius, ring.passage, ring.vane_flow, tyre_radius)


def air_around(pressure: float, temperature: float) -> AirProperties:
    """Of a day, Pa and K."""
    return AirProperties(single(air_density(pressure, temperature)), single(air_viscosity(temperature)))


@lru_cache(maxsize=512)
def _ducted(run: Run, vanes: Vanes, air: AirProperties) -> CoolingAir:
    return cooling_air(run, vanes, air)


def corner_for(setup: Setup, axle: Axle, tyre_radius: float, air: AirProperties, tape: float = 0.0) -> Corner:
    """The network of one corner of this axle on a day, its duct taped by a share; tyre radius loaded, m."""
    brake = setup.brake(axle)
    disc, pad, caliper, cooling = brake.disc, brake.pad, brake.caliper, brake.cooling
    kind, area = pad_class(pad), face_area(pad)
    wall, conducts, holds = PISTONS[caliper.piston_material]
    density, heat = BODIES[caliper.body]
    mass = body_mass(caliper, area)
    inboard, outboard = SHIELDS[cooling.shielding]
    fitted = cooling.duct.fitted
    duct_air = _ducted(run_of(cooling, tape), vanes_for(setup, axle, tyre_radius), air) if fitted else NO_DUCT
    corner = corner_of(
        _ring(disc, axle, tyre_radius),
        PadParts(area, pad.thickness - pad.worn, kind.conductivity, kind.density, kind.heat),
        CaliperParts(
            # A bore with a wall as thick as its radius is a plug.
            caliper.pistons,
            min(wall, 0.45 * min(caliper.pistons)),
            conducts,
            mass * heat,
            BODY_SURFACE * (mass / density) ** (2 / 3),
            caliper.mounting is CaliperMounting.SLIDING,
            holds,
            CAP if caliper.insulated else 0.0,
        ),
        disc.bell,
        CornerSurroundings(inboard, outboard, cooling.warmer_by, cooling.factor, duct_air),
        pad.worn,
    )
    # Holes, and what the scales say: the ring is as heavy as everywhere else in the setup.
    drawn = corner.disc_density * (2 * corner.cheek * corner.ring_area + corner.vane_mass_volume)
    weighs = float(disc_sizes(disc, PLAIN, axle).ring_mass)
    return corner._replace(disc_density=corner.disc_density * weighs / drawn)


def _ring(disc: Disc, axle: Axle, tyre_radius: float) -> Ring:
    outer, inner = disc.outer_diameter / 2, disc.outer_diameter / 2 - disc.ring_height
    vented = disc.vane_gap > 0
    thickness = 0.0
    if vented:
        filled = disc.vane_fill
        if disc.vane_thickness is not None:
            filled = float(vane_fill.at(axle)(disc.vanes, disc.vane_thickness, disc.outer_diameter, disc.ring_height))
        # Something is left for the air, and for the heat to go across.
        thickness = min(0.9, max(0.02, filled)) * math.pi * (outer + inner) / disc.vanes
    return Ring(
        outer, inner, disc.thickness, disc.vane_gap, disc.vanes if vented else 0, thickness,
        VANE_FLOW[disc.vane_shape], DISC_CURVES[disc.material], tyre_radius,
    )  # fmt: skip
