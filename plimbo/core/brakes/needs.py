"""Road to foot: what each joint would have to do to put both axles at their limit at the driver's chosen push."""

import math
from typing import NamedTuple

from plimbo.core.brakes.chain import Chain, brake_of, cylinder_of
from plimbo.core.documents import Setup, Tyre
from plimbo.core.formulas import actuation, friction, valve
from plimbo.core.working import Axle, Inputs


class AxleNeeds(NamedTuple):
    """Worked from the road back; bores infinite where the axle carries nothing.

    `pressure` at the calipers, `line_pressure` before the rear's valve; `bore` with the bar where it is set,
    `centred_bore` with it in its middle, of a tandem cylinder the same.
    """

    brake_force: float
    torque: float
    clamp: float
    pressure: float
    line_pressure: float
    bore: float
    centred_bore: float


def line_for(setup: Setup, pressure: float, take: Inputs, axle: Axle) -> float:
    """Line pressure at the cylinder, Pa, for this one at the calipers; infinite past the knee of a limiting valve."""
    if axle is Axle.FRONT or not setup.valve.fitted:
        return pressure
    if setup.valve.slope > 0:
        knee, slope = take.number(setup.valve, "knee", setup.valve.true_knee), take(setup.valve, "slope")
        return valve.valve_input.at(axle)(pressure, knee, slope)
    if pressure <= setup.valve.true_knee:
        return pressure
    why = "Past its knee a limiting valve lets no more through"
    return take.constant(math.inf, "p_need", "Line pressure needed before the valve", "pressure", why)


def road_to_foot(setup: Setup, tyre: Tyre, made: Chain, limit_force: float, take: Inputs, axle: Axle) -> AxleNeeds:
    """What one axle's joints need for `limit_force` at the road, N per axle."""
    brake, chain = brake_of(setup, axle), made.axle(axle)
    torque = friction.torque_for_force.at(axle)(limit_force, take(tyre, "loaded_radius", axle))
    clamp = friction.clamp_for_torque.at(axle)(
        torque, chain.pad_friction, chain.effective_radius, take(brake.caliper, "efficiency", axle)
    )
    pressure = friction.pressure_for_clamp.at(axle)(clamp, chain.piston_area)
    line = line_for(setup, pressure, take, axle)
    cylinder = cylinder_of(setup, axle)
    efficiency = take(cylinder, "efficiency") if setup.tandem_fitted else take(cylinder, "efficiency", axle)
    area = actuation.area_for_pressure.at(axle)(chain.cylinder_force, efficiency, line)
    bore = actuation.bore_of_area.at(axle)(area)
    if setup.tandem_fitted or setup.balance_bar.offset == 0:
        centred = bore
    else:
        half = actuation.half_push.at(axle)(made.push)
        centred = actuation.bore_of_area.at(axle)(actuation.area_for_pressure.at(axle)(half, efficiency, line))
    return AxleNeeds(limit_force, torque, clamp, pressure, line, bore, centred)
