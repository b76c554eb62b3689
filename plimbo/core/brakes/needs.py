"""Road to foot: what each joint would have to do to put both axles at their limit at the driver's chosen push."""

from typing import NamedTuple

from plimbo.core.brakes.chain import AxleChain
from plimbo.core.documents import AxleBrake, Tyre
from plimbo.core.formulas import actuation, friction
from plimbo.core.working import Axle, Inputs


class AxleNeeds(NamedTuple):
    """Worked from the road back; bore with the bar where it is set, infinite where the axle carries nothing."""

    brake_force: float
    torque: float
    clamp: float
    pressure: float
    bore: float


def road_to_foot(
    brake: AxleBrake, tyre: Tyre, chain: AxleChain, limit_force: float, take: Inputs, axle: Axle
) -> AxleNeeds:
    """What one axle's joints need for `limit_force` at the road, N per axle."""
    torque = friction.torque_for_force.at(axle)(limit_force, take(tyre, "loaded_radius", axle))
    clamp = friction.clamp_for_torque.at(axle)(
        torque, take(brake.pad, "friction", axle), chain.effective_radius, take(brake.caliper, "efficiency", axle)
    )
    pressure = friction.pressure_for_clamp.at(axle)(clamp, chain.piston_area)
    area = actuation.area_for_pressure.at(axle)(
        chain.cylinder_force, take(brake.master_cylinder, "efficiency", axle), pressure
    )
    return AxleNeeds(limit_force, torque, clamp, pressure, actuation.bore_of_area.at(axle)(area))
