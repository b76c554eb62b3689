"""How far the pedal goes: the strokes that move the fluid of each circuit, the pedal travel that they cause, and the
tilt of the bar. The same code serves one setup, plain or with its working, and columns of many.
"""

from typing import NamedTuple

from plimbo.core.hydraulics import fluid_volumes
from plimbo.core.hydraulics.brake_system import BrakeCircuit, BrakeSystem
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.working.formula import formula
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Number, arc_tangent, choose, is_array

PARTS = ("dead", "gap", "calipers", "hoses", "fluid", "air")


@formula(
    "s", "Stroke of the cylinder", "length", "{volume} / {area} + {dead_stroke}", "Volume over area", valid="{area} > 0"
)
def stroke(volume: Number, area: Number, dead_stroke: Number) -> Number:
    """From rest, m; m³, m², m."""
    return volume / area + dead_stroke


@formula(
    "s_rod",
    "Travel of the push rod",
    "length",
    "{front} · {front_share} + {rear} · {rear_share}",
    "Lever: as the forces share",
)
def bar_travel(front: Number, front_share: Number, rear: Number, rear_share: Number) -> Number:
    """Of the bar's bearing, m: the two strokes weighted by the bar, so that no work is lost."""
    return front * front_share + rear * rear_share


@formula(
    "s_rod", "Travel of the push rod", "length", "{front} + {rear}", "Both pistons of a tandem cylinder on one rod"
)
def tandem_travel(front: Number, rear: Number) -> Number:
    """Of a tandem cylinder's rod, m: each circuit takes its own stroke."""
    return front + rear


@formula("s_pedal", "Pedal travel", "length", "{rod} · {ratio}", "Lever", valid="{ratio} ≥ 1")
def pedal_travel_of_rod(rod: Number, ratio: Number) -> Number:
    """At the foot pad, m."""
    return rod * ratio


@formula(
    "β",
    "Tilt of the bar",
    "angle",
    "arctan(({front} − {rear}) / {length})",
    "Both clevises move with their cylinders",
    valid="{length} > 0",
)
def bar_tilt(front: Number, rear: Number, length: Number) -> Number:
    """Rad, plus where the front clevis has gone further, m; square at rest."""
    return arc_tangent((front - rear) / length)


@formula(
    "c_pedal",
    "Stiffness of the pedal",
    "stiffness",
    "({push} − {light_push}) / ({travel} − {light_travel})",
    "From a touch to lock",
)
def pedal_stiffness(push: Number, light_push: Number, travel: Number, light_travel: Number) -> Number:
    """Newtons of foot for each metre of pedal, from light braking to lock; N and m."""
    return (push - light_push) / (travel - light_travel)


@formula(
    "p_line",
    "Line pressure of the rear",
    "pressure",
    "{front} · {rear_line} / {front_line}",
    "Both lines grow alike",
    valid="{front_line} > 0",
)
def rear_line(front: Number, rear_line: Number, front_line: Number) -> Number:
    """At the rear's cylinder, Pa, where the front's calipers have `front`, Pa."""
    return front * rear_line / front_line


@formula(
    "s_k",
    "Pedal travel after knock-back",
    "length",
    "{volume} / {area} · {share} · {ratio}",
    "Volume over area, at the pedal",
    valid="{area} > 0",
)
def knock_back_travel(volume: Number, area: Number, share: Number, ratio: Number) -> Number:
    """Extra travel of the next push, m; m³, m²."""
    return volume / area * share * ratio


class AxleStroke(NamedTuple):
    """One axle's circuit at one pressure: fluid, m³, for each of its parts, and the stroke of its cylinder, m."""

    dead: Number
    gap: Number
    calipers: Number
    hoses: Number
    fluid: Number
    air: Number
    volume: Number
    stroke: Number
    cylinder_area: Number


class PedalTravel(NamedTuple):
    """Both circuits; travel of the rod and the pedal, m; tilt of the bar, rad, 0 without one."""

    front: AxleStroke
    rear: AxleStroke
    rod: Number
    pedal: Number
    tilt: Number

    def axle(self, axle: Axle) -> AxleStroke:
        return self.front if axle is Axle.FRONT else self.rear


def content(circuit: BrakeCircuit, worn: Number, inputs: Inputs, axle: Axle) -> Number:
    """Fluid under pressure in an axle's circuit, m³, with pads worn by so much, m."""
    lines = fluid_volumes.line_content.at(axle)(
        circuit.lines.bore, circuit.lines.pipe_length, circuit.lines.hose_length
    )
    depth = inputs.constant(
        defaults.PISTON_DEPTH.value, "d_p", "Depth behind the pistons", "length", "Plimbo's own default"
    )
    area = circuit.caliper.piston_area
    behind = choose(
        circuit.caliper.fixed,
        lambda: fluid_volumes.piston_content.at(axle)(area, depth, worn),
        lambda: fluid_volumes.sliding_content.at(axle)(area, depth, worn),
    )
    return fluid_volumes.content.at(axle)(lines, behind, circuit.cylinder.area, circuit.cylinder.stroke)


def knock_back(circuit: BrakeCircuit, axle: Axle) -> Number:
    """Extra fluid that the next push must move after a corner, m³."""
    free = fluid_volumes.knock_back_volume.at(axle)(circuit.caliper.piston_area, circuit.disc.run_out)
    caliper = circuit.caliper
    for share in (circuit.disc.knock_back_taken, caliper.knock_back_taken, caliper.knock_back_left):
        if is_array(share) or share != 1:
            free = fluid_volumes.held_back.at(axle)(free, share)
    return free


def axle_stroke(
    system: BrakeSystem, pressure: Number, inputs: Inputs, axle: Axle, worn: Number | None = None
) -> AxleStroke:
    """One circuit at a pressure of its calipers, Pa, with pads as worn as they are, or by so much, m."""
    circuit = system.circuit(axle)
    if worn is None:
        worn = circuit.pad.worn
    gap = fluid_volumes.gap_volume.at(axle)(circuit.caliper.piston_area, circuit.caliper.pad_gap)
    calipers = fluid_volumes.caliper_volume.at(axle)(circuit.caliper.compliance, pressure)
    hoses = fluid_volumes.hose_volume.at(axle)(circuit.lines.swelling, circuit.lines.hose_length, pressure)
    held = content(circuit, worn, inputs, axle)
    fluid = fluid_volumes.fluid_volume.at(axle)(held, pressure, system.fluid.bulk_modulus)
    air = fluid_volumes.air_volume.at(axle)(held, system.fluid.air, pressure)
    volume = fluid_volumes.moved_volume.at(axle)(gap, calipers, hoses, fluid, air)
    area, dead = circuit.cylinder.area, circuit.cylinder.dead_stroke
    return AxleStroke(dead * area, gap, calipers, hoses, fluid, air, volume, stroke.at(axle)(volume, area, dead), area)


def bar_shares(system: BrakeSystem) -> tuple[Number, Number]:
    """How the rod's travel follows from the two strokes: a tandem cylinder adds them, a bar weights them."""
    return (1.0, 1.0) if system.bar is None else (system.bar.front_share, system.bar.rear_share)


def rod_of_strokes(system: BrakeSystem, front: Number, rear: Number) -> tuple[Number, Number]:
    """Travel of the rod, m, and tilt of the bar, rad, from both strokes, m."""
    if system.bar is None:
        return tandem_travel(front, rear), 0.0
    shares = bar_shares(system)
    return bar_travel(front, shares[0], rear, shares[1]), bar_tilt(front, rear, system.bar.length)


def pedal_travel(
    system: BrakeSystem, pressures: tuple[Number, Number], inputs: Inputs, *, worn_out: bool = False
) -> PedalTravel:
    """The pedal with these pressures at the front and the rear calipers, Pa; `worn_out`: with pads that are due."""
    front, rear = (
        axle_stroke(system, pressure, inputs, axle, system.circuit(axle).pad.worn_out if worn_out else None)
        for axle, pressure in zip(AXLES, pressures, strict=True)
    )
    rod, tilt = rod_of_strokes(system, front.stroke, rear.stroke)
    return PedalTravel(front, rear, rod, pedal_travel_of_rod(rod, system.pedal.ratio), tilt)
