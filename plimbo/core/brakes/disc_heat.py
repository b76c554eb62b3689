"""The heat of one stop: what goes into each disc, and how far it may be heated."""

from functools import cache
from typing import NamedTuple

from plimbo.core.documents import AxleBrake
from plimbo.core.documents.materials import (
    DISC_PROPERTIES,
    PAD_PROPERTIES,
    DiscMaterial,
    PadMaterial,
    ThermalProperties,
)
from plimbo.core.formulas import loads, stop
from plimbo.core.working import PLAIN, Axle, Inputs


class DiscStop(NamedTuple):
    """One disc of an axle in the hardest stop: J, kg, K, and how far one stop may heat it, K."""

    energy: float
    ring_mass: float
    temperature_rise: float
    rise_limit: float

    @property
    def share_of_limit(self) -> float:
        return self.temperature_rise / self.rise_limit


def _effusivity(of: ThermalProperties, what: str, take: Inputs, axle: Axle) -> float:
    return stop.effusivity.at(axle)(
        take.constant(of.conductivity, f"k_{what}", f"Conductivity, {what}", "conductivity", of.source),
        take.constant(of.density, f"ρ_{what}", f"Density, {what}", "density", of.source),
        take.constant(of.specific_heat, f"c_{what}", f"Specific heat, {what}", "specific heat", of.source),
    )


def _disc_share(disc: DiscMaterial, pad: PadMaterial, take: Inputs, axle: Axle) -> float:
    """Share of the heat that goes into the disc."""
    return stop.disc_heat_share.at(axle)(
        _effusivity(DISC_PROPERTIES[disc].thermal, "disc", take, axle),
        _effusivity(PAD_PROPERTIES[pad], "pad", take, axle),
    )


@cache
def _plain_disc_share(disc: DiscMaterial, pad: PadMaterial) -> float:
    return _disc_share(disc, pad, PLAIN, Axle.FRONT)


class HeatSink(NamedTuple):
    """One disc of an axle: its part of the brake's heat, mass, kg, specific heat, J/(kg·K), limit in one stop, K."""

    into_disc: float
    mass: float
    specific_heat: float
    rise_limit: float


def heat_sink(brake: AxleBrake, take: Inputs, axle: Axle) -> HeatSink:
    """What a disc can take up, whatever the stop."""
    properties = DISC_PROPERTIES[brake.disc.material]
    thermal = properties.thermal
    materials = brake.disc.material, brake.pad.material
    into_disc = _disc_share(*materials, take, axle) if take.with_working else _plain_disc_share(*materials)
    if brake.disc.weighed_mass is not None:
        mass = take(brake.disc, "weighed_mass", axle)
    else:
        mass = stop.ring_mass.at(axle)(
            take(brake.disc, "outer_diameter", axle),
            take(brake.disc, "ring_height", axle),
            take(brake.disc, "thickness", axle),
            take(brake.disc, "vane_gap", axle),
            take(brake.disc, "vane_fill", axle),
            take.constant(thermal.density, "ρ_disc", "Density, disc", "density", thermal.source),
        )
    heat = take.constant(thermal.specific_heat, "c_disc", "Specific heat, disc", "specific heat", thermal.source)
    return HeatSink(into_disc, mass, heat, properties.stop_rise_limit)


def _heated(sink: HeatSink, energy: float, axle_share: float, axle: Axle) -> DiscStop:
    disc_energy = stop.disc_energy.at(axle)(energy, axle_share, sink.into_disc)
    rise = stop.temperature_rise.at(axle)(disc_energy, sink.mass, sink.specific_heat)
    return DiscStop(disc_energy, sink.mass, rise, sink.rise_limit)


def heat_of_stop(front: HeatSink, rear: HeatSink, front_share: float, energy: float) -> tuple[DiscStop, DiscStop]:
    """Front and rear disc in one stop that puts this energy into the brakes, nothing cooling them.

    `front_share` is the front's share of the brake force in that stop.
    """
    return (
        _heated(front, energy, front_share, Axle.FRONT),
        _heated(rear, energy, loads.rear_force_share(front_share), Axle.REAR),
    )
