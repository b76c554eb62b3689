"""A setup as numbers, from the pedal to the pads: of one setup, plain or with their working, or columns of many.

A setup is one row. A number that is the same in every row stays a single number, so that columns cost no more than what
differs; columns have the shape (setup, 1, 1), to be set against states and speeds.
"""

import math
from typing import NamedTuple

from plimbo.core.documents import (
    AxleBrake,
    BalanceBar,
    Booster,
    Fluid,
    Lines,
    MasterCylinder,
    Pedal,
    ProportioningValve,
    RadiusMethod,
    Setup,
    ValveKind,
)
from plimbo.core.documents.hydraulics import HOSE_SOURCE, HOSE_SWELLING
from plimbo.core.friction.caliper import CaliperSizes, caliper_sizes
from plimbo.core.friction.disc import DiscSizes, disc_sizes
from plimbo.core.friction.pad import PadSizes, pad_sizes
from plimbo.core.hydraulics.actuation import bar_front_share, bar_rear_share, bore_area, pedal_ratio
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.fields import usual_range
from plimbo.core.working.inputs import Inputs, remembered
from plimbo.core.working.numbers import Number, is_array


class PedalSizes(NamedTuple):
    ratio: Number
    efficiency: Number
    room: Number


class BoosterSizes(NamedTuple):
    gain: Number
    run_out: Number

    @property
    def boosts(self) -> bool:
        return is_array(self.gain) or self.gain != 1


# Gain 1 up to a push beyond any foot.
NO_BOOSTER = BoosterSizes(1.0, 1e12)


class BarSizes(NamedTuple):
    """`front_share` and `rear_share` are the share of the push on each cylinder."""

    offset: Number
    length: Number
    tilt_stop: Number
    front_share: Number
    rear_share: Number


class ValveSizes(NamedTuple):
    knee: Number
    slope: Number

    @property
    def works(self) -> bool:
        """Whether the valve limits anything."""
        return is_array(self.slope) or self.slope != 1


class KneeRange(NamedTuple):
    """The lowest and the highest knee that a valve can be set to, Pa."""

    least: Number
    most: Number


# Slope 1 past a knee beyond any line pressure.
NO_VALVE = ValveSizes(1e12, 1.0)


class FluidSizes(NamedTuple):
    bulk_modulus: Number
    air: Number


class CylinderSizes(NamedTuple):
    """`rating` is infinite where it is not known."""

    bore: Number
    area: Number
    efficiency: Number
    stroke: Number
    dead_stroke: Number
    rating: Number


class LineSizes(NamedTuple):
    """`swelling` in m³ for each pascal and metre of hose."""

    swelling: Number
    hose_length: Number
    pipe_length: Number
    bore: Number


class BrakeCircuit(NamedTuple):
    """The parts at one axle; caliper, disc and pad are per wheel."""

    cylinder: CylinderSizes
    lines: LineSizes
    caliper: CaliperSizes
    disc: DiscSizes
    pad: PadSizes


class BrakeSystem(NamedTuple):
    """Both circuits and the parts upstream of them; without a `bar` both are fed by one tandem cylinder."""

    pedal: PedalSizes
    booster: BoosterSizes
    bar: BarSizes | None
    valve: ValveSizes
    fluid: FluidSizes
    front: BrakeCircuit
    rear: BrakeCircuit
    pad_tolerance: Number
    radius_method: RadiusMethod
    knees: KneeRange

    @property
    def tandem(self) -> bool:
        return self.bar is None

    def circuit(self, axle: Axle) -> BrakeCircuit:
        return self.front if axle is Axle.FRONT else self.rear


@remembered
def pedal_sizes(pedal: Pedal, inputs: Inputs) -> PedalSizes:
    """The ratio as typed, or from the two lengths where both were measured."""
    if pedal.measured:
        ratio = pedal_ratio(inputs(pedal, "pad_length"), inputs(pedal, "rod_length"))
    else:
        ratio = inputs(pedal, "ratio")
    return PedalSizes(ratio, inputs(pedal, "efficiency"), pedal.room)


@remembered
def booster_sizes(booster: Booster, inputs: Inputs) -> BoosterSizes:
    """Without a booster the push out equals the push in."""
    return BoosterSizes(inputs(booster, "gain"), inputs(booster, "run_out")) if booster.fitted else NO_BOOSTER


@remembered
def bar_sizes(bar: BalanceBar, inputs: Inputs) -> BarSizes:
    offset, length = inputs(bar, "offset"), inputs(bar, "length")
    return BarSizes(
        offset=offset,
        length=length,
        tilt_stop=inputs(bar, "tilt_stop"),
        front_share=bar_front_share.at(Axle.FRONT)(offset, length),
        rear_share=bar_rear_share.at(Axle.REAR)(offset, length),
    )


@remembered
def valve_sizes(valve: ProportioningValve, inputs: Inputs) -> ValveSizes:
    """Without a valve the full pressure passes; a lever stands in one of its positions."""
    if not valve.fitted:
        return NO_VALVE
    return ValveSizes(inputs.number(valve, "knee", valve.true_knee), inputs(valve, "slope"))


def knees_of(valve: ProportioningValve) -> KneeRange:
    """Of a lever its positions, of a screw what is usual."""
    if valve.kind is ValveKind.LEVER:
        return KneeRange(valve.positions[0], valve.positions[-1])
    return KneeRange(*usual_range(ProportioningValve, "knee"))


@remembered
def fluid_sizes(fluid: Fluid, inputs: Inputs) -> FluidSizes:
    return FluidSizes(*(inputs(fluid, name) for name in FluidSizes._fields))


@remembered
def cylinder_sizes(cylinder: MasterCylinder, inputs: Inputs, axle: Axle | None) -> CylinderSizes:
    """One axle's cylinder, or the tandem cylinder of both."""
    bore = inputs(cylinder, "bore", axle)
    return CylinderSizes(
        bore=bore,
        area=bore_area(bore) if axle is None else bore_area.at(axle)(bore),
        efficiency=inputs(cylinder, "efficiency", axle),
        stroke=inputs(cylinder, "stroke", axle),
        dead_stroke=inputs(cylinder, "dead_stroke", axle),
        rating=math.inf if cylinder.rating is None else cylinder.rating,
    )


@remembered
def line_sizes(lines: Lines, inputs: Inputs, axle: Axle) -> LineSizes:
    """The lines of one axle."""
    swelling = inputs.constant(
        HOSE_SWELLING[lines.hose], "k_h", f"Swelling, {lines.hose.word}, each metre", "swelling", HOSE_SOURCE
    )
    return LineSizes(
        swelling, inputs(lines, "hose_length", axle), inputs(lines, "pipe_length", axle), inputs(lines, "bore", axle)
    )


def brake_circuit(brake: AxleBrake, cylinder: CylinderSizes, inputs: Inputs, axle: Axle) -> BrakeCircuit:
    """The parts at one axle, fed by this cylinder."""
    return BrakeCircuit(
        cylinder,
        line_sizes(brake.lines, inputs, axle),
        caliper_sizes(brake.caliper, inputs, axle),
        disc_sizes(brake.disc, inputs, axle),
        pad_sizes(brake.pad, inputs, axle),
    )


def brake_system(setup: Setup, inputs: Inputs) -> BrakeSystem:
    """One setup as numbers."""
    if setup.tandem_fitted:
        front_cylinder = rear_cylinder = cylinder_sizes(setup.tandem, inputs, None)
    else:
        front_cylinder = cylinder_sizes(setup.front.master_cylinder, inputs, Axle.FRONT)
        rear_cylinder = cylinder_sizes(setup.rear.master_cylinder, inputs, Axle.REAR)
    return BrakeSystem(
        pedal=pedal_sizes(setup.pedal, inputs),
        booster=booster_sizes(setup.booster, inputs),
        bar=None if setup.tandem_fitted else bar_sizes(setup.balance_bar, inputs),
        valve=valve_sizes(setup.valve, inputs),
        fluid=fluid_sizes(setup.fluid, inputs),
        front=brake_circuit(setup.front, front_cylinder, inputs, Axle.FRONT),
        rear=brake_circuit(setup.rear, rear_cylinder, inputs, Axle.REAR),
        pad_tolerance=setup.pad_tolerance,
        radius_method=setup.radius_method,
        knees=knees_of(setup.valve),
    )
