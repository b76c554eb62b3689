"""Many setups of a car at once, on arrays of shape (setup), or (axle, setup): the chain's formulas, for the search.

Numbers and units are those of the documents; pressures in Pa, forces in N.
"""

import math
from collections.abc import Sequence
from typing import Any, NamedTuple

import numpy as np

from plimbo.core import defaults
from plimbo.core.arrays import Array
from plimbo.core.brakes.chain import NO_BOOSTER, brake_of, cylinder_of, pad_friction
from plimbo.core.brakes.disc_heat import HeatSink, heat_sink
from plimbo.core.brakes.displacement import worn_out
from plimbo.core.brakes.path import ForcePath, PushLaw, force_path
from plimbo.core.documents import (
    AxleBrake,
    CaliperMounting,
    Car,
    MasterCylinder,
    PadMaterial,
    RadiusSchool,
    Retention,
    Setup,
    Split,
)
from plimbo.core.documents.hydraulics import HOSE_SWELLING
from plimbo.core.formulas import actuation, friction, travel
from plimbo.core.working import AXLES, PLAIN, Axle

FIXED, NO_RETENTION, TANDEM = CaliperMounting.FIXED, Retention.NONE, Split.TANDEM


class Circuits(NamedTuple):
    """The parts of both axles of every setup; shape (axle, setup)."""

    piston_area: Any
    caliper_efficiency: Any
    pad_friction: Any
    disc_diameter: Any
    inset: Any
    pad_height: Any
    pad_gap: Any
    compliance: Any
    swelling: Any
    hose: Any
    pipe: Any
    line_bore: Any
    fixed: Any
    worn: Any
    worn_due: Any
    run_out: Any
    knock_back_left: Any
    caliper_rating: Any
    bore: Any
    efficiency: Any
    stroke: Any
    dead_stroke: Any
    cylinder_rating: Any
    heat_into_disc: Any
    disc_mass: Any
    disc_specific_heat: Any
    disc_rise_limit: Any

    @property
    def sinks(self) -> HeatSink:
        """What each disc can take up."""
        return HeatSink(*self[-4:])

    def radius(self, school: RadiusSchool) -> Any:
        """Effective radius, m."""
        if school is RadiusSchool.HALF_PAD:
            return friction.radius_half_pad(self.disc_diameter, self.pad_height)
        outer = friction.band_outer_radius(self.disc_diameter, self.inset)
        law = (
            friction.radius_uniform_pressure
            if school is RadiusSchool.UNIFORM_PRESSURE
            else friction.radius_uniform_wear
        )
        return law(outer, friction.band_inner_radius(outer, self.pad_height))

    def content(self, worn: Any, cylinder_area: Any) -> Any:
        """Fluid under pressure, m³; `worn` of any shape that ends in (axle, setup)."""
        depth = defaults.PISTON_DEPTH.value
        behind: Any = np.where(
            self.fixed,
            travel.piston_content(self.piston_area, depth, worn),
            travel.sliding_content(self.piston_area, depth, worn),
        )
        lines = travel.line_content.function(self.line_bore, self.pipe, self.hose)
        return travel.content(lines, behind, cylinder_area, self.stroke)


def _brake_row(brake: AxleBrake, axle: Axle) -> tuple[float, ...]:
    caliper, lines, pad = brake.caliper, brake.lines, brake.pad
    return (
        friction.piston_area(*caliper.pistons),
        caliper.efficiency,
        pad_friction(pad, PLAIN, axle),
        brake.disc.outer_diameter,
        pad.inset,
        pad.height,
        caliper.pad_gap,
        caliper.compliance,
        HOSE_SWELLING[lines.hose],
        lines.hose_length,
        lines.pipe_length,
        lines.bore,
        caliper.mounting is FIXED,
        pad.worn,
        worn_out(brake),
        brake.disc.run_out,
        1.0 if caliper.retention is NO_RETENTION else defaults.KNOCK_BACK_HELD.value,
        caliper.rating or math.inf,
    )


def _cylinder_row(cylinder: MasterCylinder) -> tuple[float, ...]:
    return cylinder.bore, cylinder.efficiency, cylinder.stroke, cylinder.dead_stroke, cylinder.rating or math.inf


def _circuits(setups: Sequence[Setup]) -> Circuits:
    # Most neighbours share their parts with the setup itself: each part is read once.
    known: dict[int, tuple[float, ...]] = {}
    sinks: dict[tuple[int, PadMaterial], HeatSink] = {}
    rows = []
    for axle in AXLES:
        for setup in setups:
            brake, cylinder = brake_of(setup, axle), cylinder_of(setup, axle)
            of_brake = known.get(id(brake)) or known.setdefault(id(brake), _brake_row(brake, axle))
            of_cylinder = known.get(id(cylinder)) or known.setdefault(id(cylinder), _cylinder_row(cylinder))
            of_disc = id(brake.disc), brake.pad.material
            if of_disc not in sinks:
                sinks[of_disc] = heat_sink(brake, PLAIN, axle)
            rows.append(of_brake + of_cylinder + sinks[of_disc])
    return Circuits(*np.array(rows, dtype=float).T.reshape(-1, len(AXLES), len(setups)))


class Actuation(NamedTuple):
    """Levers, bars, boosters and valves of every setup; shape (setup)."""

    ratio: Any
    efficiency: Any
    gain: Any
    run_out: Any
    tandem: Any
    front_share: Any
    rear_share: Any
    bar_length: Any
    stop_reach: Any
    knee: Any
    slope: Any
    room: Any
    tolerance: Any
    modulus: Any
    air: Any

    def behind_valve(self, line: Array) -> Any:
        """At the rear calipers, Pa."""
        knee = np.minimum(self.knee, line)
        return knee + self.slope * (line - knee)


def _actuation_row(setup: Setup) -> tuple[float, ...]:
    pedal, bar, fitted = setup.pedal, setup.balance_bar, setup.valve.fitted
    tandem = setup.split is TANDEM
    u = bar.offset / bar.length
    return (
        pedal.true_ratio,
        pedal.efficiency,
        *((setup.booster.gain, setup.booster.run_out) if setup.booster.fitted else NO_BOOSTER),
        tandem,
        *((1.0, 1.0) if tandem else (0.5 + u, 0.5 - u)),
        bar.length,
        bar.length * math.tan(bar.tilt_stop),
        setup.valve.true_knee if fitted else 1e12,
        setup.valve.slope if fitted else 1.0,
        pedal.room,
        setup.pad_tolerance,
        setup.fluid.bulk_modulus,
        setup.fluid.air,
    )


class Many:
    """The chains of many setups; of one school of the effective radius, that of the first.

    `shares` are of the push and `areas` of the cylinders, m²; `pressures` and `forces` stand at one newton behind the
    booster, as if there were no valve: all of it is straight. Shape (axle, setup).
    """

    def __init__(self, car: Car, setups: Sequence[Setup]) -> None:
        self.actuation = acting = Actuation(*np.array([_actuation_row(setup) for setup in setups], dtype=float).T)
        self.circuits = ends = _circuits(setups)
        self.shares = np.array((acting.front_share, acting.rear_share))
        self.areas: Any = actuation.bore_area(ends.bore)
        self.pressures: Any = actuation.line_pressure(self.shares, ends.efficiency, self.areas)  # type: ignore[arg-type]
        clamp = friction.clamp(self.pressures, ends.piston_area)
        radius = ends.radius(setups[0].radius_school)
        torque = friction.wheel_torque(ends.pad_friction, clamp, radius, ends.caliper_efficiency)
        tyres: Any = np.array(((car.front_tyre.loaded_radius,), (car.rear_tyre.loaded_radius,)))
        self.forces: Any = friction.axle_brake_force(torque, tyres)

    @property
    def law(self) -> PushLaw:
        """Shape (setup, 1)."""
        acting = self.actuation
        levers = (acting.ratio, acting.efficiency, acting.gain, acting.run_out, self.forces[0])
        return PushLaw(*(lever[:, None] for lever in levers))

    def paths(self) -> ForcePath:
        """Shape (2, setup): as they are, then with the rear pads biting more by the tolerance."""
        acting, (front, rear) = self.actuation, self.forces
        bitten = np.array((rear, rear * (1 + acting.tolerance)))
        return force_path(front, bitten, acting.knee / self.pressures[1], acting.slope)

    def pressed(self, front_force: Array) -> tuple[Array, Array]:
        """At the calipers, shape (axle, setup), and at the rear's cylinder, where the front makes this force."""
        lines = self.pressures * (front_force / self.forces[0])
        return np.array((lines[0], self.actuation.behind_valve(lines[1]))), lines[1]
