"""Foot to road: what a setup makes of the driver's chosen push, independent of the state of the day."""

from typing import NamedTuple

from plimbo.core.documents import AxleBrake, Car, RadiusSchool, Setup
from plimbo.core.formulas import actuation, friction
from plimbo.core.working import AXLES, Axle, Inputs


class AxleChain(NamedTuple):
    """One axle at the driver's chosen push: force and pressure once, clamp per caliper, torque per wheel."""

    cylinder_force: float
    cylinder_area: float
    pressure: float
    piston_area: float
    clamp: float
    effective_radius: float
    torque: float
    brake_force: float
    mechanical_index: float


class Chain(NamedTuple):
    """Both axles and the three meanings of balance."""

    foot_force: float
    rod_force: float
    front: AxleChain
    rear: AxleChain
    total_force: float
    force_share: float
    pressure_share: float
    index_share: float


def effective_radius(brake: AxleBrake, school: RadiusSchool, take: Inputs, axle: Axle) -> float:
    """Effective radius by the user's school, m."""
    diameter, height = take(brake.disc, "outer_diameter", axle), take(brake.pad, "height", axle)
    if school is RadiusSchool.HALF_PAD:
        return friction.radius_half_pad.at(axle)(diameter, height)
    outer = friction.band_outer_radius.at(axle)(diameter, take(brake.pad, "inset", axle))
    inner = friction.band_inner_radius.at(axle)(outer, height)
    if school is RadiusSchool.UNIFORM_PRESSURE:
        return friction.radius_uniform_pressure.at(axle)(outer, inner)
    return friction.radius_uniform_wear.at(axle)(outer, inner)


def piston_area(brake: AxleBrake, take: Inputs, axle: Axle) -> float:
    """Piston area that clamps, one side, m²."""
    pistons = brake.caliper.pistons
    return friction.piston_area.at(axle)(
        *(take.number(brake.caliper, "pistons", diameter, axle, nth) for nth, diameter in enumerate(pistons, 1))
    )


def axle_chain(car: Car, setup: Setup, rod_force: float, take: Inputs, axle: Axle) -> AxleChain:
    """One axle, from the push on the balance bar to the road."""
    front = axle is Axle.FRONT
    brake, tyre = (setup.front, car.front_tyre) if front else (setup.rear, car.rear_tyre)
    share_of_bar = actuation.bar_front_share if front else actuation.bar_rear_share
    bar_share = share_of_bar.at(axle)(take(setup.balance_bar, "offset"), take(setup.balance_bar, "length"))
    cylinder_force = actuation.cylinder_force.at(axle)(rod_force, bar_share)
    cylinder_area = actuation.bore_area.at(axle)(take(brake.master_cylinder, "bore", axle))
    pressure = actuation.line_pressure.at(axle)(
        cylinder_force, take(brake.master_cylinder, "efficiency", axle), cylinder_area
    )
    area = piston_area(brake, take, axle)
    clamp = friction.clamp.at(axle)(pressure, area)
    radius = effective_radius(brake, setup.radius_school, take, axle)
    pad_friction = take(brake.pad, "friction", axle)
    torque = friction.wheel_torque.at(axle)(pad_friction, clamp, radius, take(brake.caliper, "efficiency", axle))
    brake_force = friction.axle_brake_force.at(axle)(torque, take(tyre, "loaded_radius", axle))
    index = friction.mechanical_index.at(axle)(area, radius, pad_friction)
    return AxleChain(cylinder_force, cylinder_area, pressure, area, clamp, radius, torque, brake_force, index)


def joined(foot_force: float, rod_force: float, front: AxleChain, rear: AxleChain) -> Chain:
    """Both axles and the three meanings of balance."""
    total = friction.total_force(front.brake_force, rear.brake_force)
    return Chain(
        foot_force=foot_force,
        rod_force=rod_force,
        front=front,
        rear=rear,
        total_force=total,
        force_share=friction.force_share(front.brake_force, total),
        pressure_share=friction.pressure_share(front.pressure, rear.pressure),
        index_share=friction.index_share(front.mechanical_index, rear.mechanical_index),
    )


def foot_to_road(car: Car, setup: Setup, take: Inputs) -> Chain:
    """The chain at the driver's chosen push."""
    foot_force = take(car.driver, "foot_force")
    rod_force = actuation.rod_force(foot_force, take(setup.pedal, "ratio"), take(setup.pedal, "efficiency"))
    front, rear = (axle_chain(car, setup, rod_force, take, axle) for axle in AXLES)
    return joined(foot_force, rod_force, front, rear)


def with_axle_changed(chain: Chain, car: Car, setup: Setup, take: Inputs, axle: Axle) -> Chain:
    """The chain of a setup that differs from the chain's own at one axle only."""
    changed = axle_chain(car, setup, chain.rod_force, take, axle)
    front, rear = (changed, chain.rear) if axle is Axle.FRONT else (chain.front, changed)
    return joined(chain.foot_force, chain.rod_force, front, rear)
