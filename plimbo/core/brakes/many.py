"""Many setups of a car at once, on arrays of shape (setups): the same formulas as the chain of one, for the search.

Numbers and units are those of the documents; pressures in Pa, forces in N.
"""

import math
from collections.abc import Sequence
from typing import Any, NamedTuple

import numpy as np

from plimbo.core import defaults
from plimbo.core.arrays import Array
from plimbo.core.brakes.chain import NO_BOOSTER, brake_of, cylinder_of, pad_friction
from plimbo.core.brakes.displacement import worn_out
from plimbo.core.brakes.path import ForcePath, PushLaw, force_path
from plimbo.core.documents import (
    AxleBrake,
    CaliperMounting,
    Car,
    MasterCylinder,
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
    """One axle of every setup, as its parts are."""

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
        """Fluid under pressure, m³."""
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


def _circuits(setups: Sequence[Setup], axle: Axle) -> Circuits:
    # Most neighbours share their parts with the setup itself: each part is read once.
    known: dict[int, tuple[float, ...]] = {}
    rows = []
    for setup in setups:
        brake, cylinder = brake_of(setup, axle), cylinder_of(setup, axle)
        of_brake = known.get(id(brake)) or known.setdefault(id(brake), _brake_row(brake, axle))
        of_cylinder = known.get(id(cylinder)) or known.setdefault(id(cylinder), _cylinder_row(cylinder))
        rows.append(of_brake + of_cylinder)
    return Circuits(*np.array(rows, dtype=float).T)


class Actuation(NamedTuple):
    """Levers, bars, boosters and valves of every setup."""

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
    """The chains of many setups; of one school of the effective radius, that of the first."""

    def __init__(self, car: Car, setups: Sequence[Setup]) -> None:
        self.actuation = acting = Actuation(*np.array([_actuation_row(setup) for setup in setups], dtype=float).T)
        self.front, self.rear = (_circuits(setups, axle) for axle in AXLES)
        school = setups[0].radius_school
        # At one newton behind the booster, and as if there were no valve: all of it is straight.
        self.cylinder_areas: tuple[Any, Any]
        areas, pressures, forces = [], [], []
        for ends, share, tyre in (
            (self.front, acting.front_share, car.front_tyre),
            (self.rear, acting.rear_share, car.rear_tyre),
        ):
            area: Any = actuation.bore_area(ends.bore)
            pressure = actuation.line_pressure(share, ends.efficiency, area)
            clamp = friction.clamp(pressure, ends.piston_area)
            torque = friction.wheel_torque(ends.pad_friction, clamp, ends.radius(school), ends.caliper_efficiency)
            areas.append(area)
            pressures.append(pressure)
            forces.append(friction.axle_brake_force(torque, tyre.loaded_radius))
        self.cylinder_areas = areas[0], areas[1]
        self.front_pressure, self.rear_pressure = pressures
        self.front_force, self.rear_force = forces

    @property
    def law(self) -> PushLaw:
        """Shape (setups, 1)."""
        acting = self.actuation
        levers = (acting.ratio, acting.efficiency, acting.gain, acting.run_out, self.front_force)
        return PushLaw(*(np.asarray(lever)[:, None] for lever in levers))

    def paths(self) -> ForcePath:
        """Shape (2 · setups, 1, 1): as they are, then with the rear pads biting more by the tolerance."""
        acting = self.actuation
        knee_push = acting.knee / self.rear_pressure
        front, knee, slope = (np.tile(part, 2) for part in (self.front_force, knee_push, acting.slope))
        rear = np.concatenate([self.rear_force, self.rear_force * (1 + acting.tolerance)])
        return force_path(*(part[:, None, None] for part in (front, rear, knee, slope)))

    def pressures(self, front_force: Any) -> tuple[Any, Any, Any]:
        """At the front calipers, the rear's cylinder and the rear calipers, where the front makes this force."""
        push = front_force / self.front_force
        line = push * self.rear_pressure
        return push * self.front_pressure, line, self.actuation.behind_valve(line)
