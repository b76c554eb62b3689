"""From road to foot: what each joint would have to do to bring both axles to their limit at the driver's chosen
push.
"""

import math
from typing import NamedTuple

from plimbo.core.braking.chain import Chain
from plimbo.core.documents import Tyre
from plimbo.core.friction import torque
from plimbo.core.friction.caliper import pressure_for_clamp
from plimbo.core.hydraulics import actuation
from plimbo.core.hydraulics.brake_system import BrakeSystem
from plimbo.core.hydraulics.valve import valve_input
from plimbo.core.quantities.axles import Axle
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Number, choose


class AxleNeeds(NamedTuple):
    """Calculated from the road back. A bore is infinite where the axle carries no load, 0 where no bore is small
    enough.

    `pressure` at the calipers, `line_pressure` before the rear's valve; `bore` with the bar where it is set,
    `centred_bore` with it in its middle, of a tandem cylinder the same.
    """

    brake_force: Number
    torque: Number
    clamp: Number
    pressure: Number
    line_pressure: Number
    bore: Number
    centred_bore: Number


def line_pressure_for(system: BrakeSystem, pressure: Number, inputs: Inputs, axle: Axle) -> Number:
    """Line pressure at the cylinder, Pa, for this one at the calipers; infinite past the knee of a limiting valve."""
    knee, slope = system.valve
    if axle is Axle.FRONT or not system.valve.works:
        return pressure
    if slope > 0:
        return valve_input.at(axle)(pressure, knee, slope)
    why = "Past its knee a limiting valve lets no more through"
    none = inputs.constant(math.inf, "p_need", "Line pressure needed before the valve", "pressure", why)
    return choose(pressure <= knee, lambda: pressure, lambda: none)


def road_to_foot(chain: Chain, tyre: Tyre, limit_force: Number, inputs: Inputs, axle: Axle) -> AxleNeeds:
    """What one axle's joints need for `limit_force` at the road, N per axle."""
    system, made = chain.system, chain.axle(axle)
    circuit = system.circuit(axle)
    wheel = torque.torque_for_force.at(axle)(limit_force, inputs(tyre, "loaded_radius", axle))
    clamp = torque.clamp_for_torque.at(axle)(
        wheel, made.pad_friction, made.effective_radius, circuit.caliper.efficiency
    )
    pressure = pressure_for_clamp.at(axle)(clamp, made.piston_area)
    line = line_pressure_for(system, pressure, inputs, axle)
    efficiency = circuit.cylinder.efficiency
    bore = actuation.bore_of_area.at(axle)(actuation.area_for_pressure.at(axle)(made.cylinder_force, efficiency, line))
    if system.bar is None or system.bar.offset == 0:
        centred = bore
    else:
        half = actuation.half_push.at(axle)(chain.push)
        centred = actuation.bore_of_area.at(axle)(actuation.area_for_pressure.at(axle)(half, efficiency, line))
    return AxleNeeds(limit_force, wheel, clamp, pressure, line, bore, centred)
