"""From foot to road: what a setup makes of the driver's design effort. It does not depend on the state.

The same for one setup, plain or with its working, and for columns of many.
"""

import math
from typing import NamedTuple

from plimbo.core.braking.force_path import FRONT_LINE, ForcePath, bent_path, straight_path, unvalved_force
from plimbo.core.documents import Car
from plimbo.core.friction import torque
from plimbo.core.friction.caliper import clamp
from plimbo.core.friction.pad import effective_radius
from plimbo.core.hydraulics import actuation
from plimbo.core.hydraulics.brake_system import BrakeSystem
from plimbo.core.hydraulics.valve import valve_output
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.working.formula import formula
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Number, choose, is_finite


@formula(
    "F_foot,lock",
    "Foot force at lock",
    "force",
    "{foot_force} · {lock_force} / {brake_force}",
    "Straight chain",
    valid="{brake_force} > 0",
)
def foot_force_at_lock(foot_force: Number, lock_force: Number, brake_force: Number) -> Number:
    """Push, N, at which the whole car brakes with `lock_force`, N, from the brake force that another push makes, N."""
    return foot_force * lock_force / brake_force


@formula(
    "F_push", "Push on the cylinders", "force", "{push} · {front} / {front_at_push}", FRONT_LINE,
    valid="{front_at_push} > 0",
)  # fmt: skip
def push_for_front(push: Number, front: Number, front_at_push: Number) -> Number:
    """Push behind the booster, N, at which the front makes `front`, N, from what it makes at `push`, N."""
    return push * front / front_at_push


@formula("F_f", "Brake force at the front", "force", "{front_at_push} · {at} / {push}", FRONT_LINE, valid="{push} > 0")
def front_for_push(front_at_push: Number, at: Number, push: Number) -> Number:
    """What the front makes at the push `at`, N, from what it makes at `push`, N."""
    return front_at_push * at / push


class AxleChain(NamedTuple):
    """One axle at the driver's design effort: force and pressure once, clamp per caliper, torque per wheel.

    `line_pressure` is the cylinder's; `pressure` the calipers', behind the valve where the rear has one.
    """

    cylinder_force: Number
    cylinder_area: Number
    line_pressure: Number
    pressure: Number
    piston_area: Number
    clamp: Number
    effective_radius: Number
    pad_friction: Number
    torque: Number
    brake_force: Number
    mechanical_index: Number


class Chain(NamedTuple):
    """Both axles at the design effort, the three meanings of balance, and how the force grows with the push."""

    system: BrakeSystem
    foot_force: Number
    rod_force: Number
    push: Number
    front: AxleChain
    rear: AxleChain
    total_force: Number
    force_share: Number
    pressure_share: Number
    index_share: Number
    path: ForcePath

    def axle(self, axle: Axle) -> AxleChain:
        return self.front if axle is Axle.FRONT else self.rear

    @property
    def straight(self) -> bool:
        """Whether brake force is in proportion to the foot's."""
        return not self.path.bent and not self.system.booster.boosts

    def push_at(self, foot: Number) -> Number:
        """Push behind the booster at this foot force, N."""
        pedal, booster = self.system.pedal, self.system.booster
        rod = actuation.rod_force(foot, pedal.ratio, pedal.efficiency)
        return actuation.booster_output(rod, *booster) if booster.boosts else rod

    def foot_for_push(self, push: Number, axle: Axle | None = None) -> Number:
        """Foot force that gives this push behind the booster, N; of one axle's locking where an axle is named."""
        pedal, booster = self.system.pedal, self.system.booster
        rod = actuation.booster_input(push, *booster) if booster.boosts else push
        back = actuation.foot_for_rod if axle is None else actuation.foot_for_rod.at(axle)
        return back(rod, pedal.ratio, pedal.efficiency)

    def front_at(self, foot: Number) -> Number:
        """Brake force of the front at this foot force, N."""
        return front_for_push(self.front.brake_force, self.push_at(foot), self.push)

    def force_at(self, foot: Number) -> Number:
        """Brake force of the whole car at this foot force, N."""
        return self.path.total(self.front_at(foot))

    def foot_at(self, total: Number, axle: Axle | None = None) -> Number:
        """Foot force at which the whole car brakes with `total`, N; infinite for infinite."""
        if self.straight:
            at_lock = foot_force_at_lock if axle is None else foot_force_at_lock.at(axle)
            return at_lock(self.foot_force, total, self.total_force)

        def found() -> Number:
            push = push_for_front(self.push, self.path.front(total), self.front.brake_force)
            return self.foot_for_push(push, axle)

        return choose(is_finite(total), found, lambda: math.inf)


def foot_to_road(car: Car, system: BrakeSystem, inputs: Inputs) -> Chain:
    """The chain at the driver's design effort."""
    foot_force = inputs(car.driver, "foot_force")
    rod = actuation.rod_force(foot_force, system.pedal.ratio, system.pedal.efficiency)
    push = actuation.booster_output(rod, *system.booster) if system.booster.boosts else rod
    front, rear = (axle_chain(car, system, push, inputs, axle) for axle in AXLES)
    total = torque.total_force(front.brake_force, rear.brake_force)
    share = torque.force_share(front.brake_force, total)
    return Chain(
        system=system,
        foot_force=foot_force,
        rod_force=rod,
        push=push,
        front=front,
        rear=rear,
        total_force=total,
        force_share=share,
        pressure_share=torque.pressure_share(front.pressure, rear.pressure),
        index_share=torque.index_share(front.mechanical_index, rear.mechanical_index),
        path=_path(system, front, rear, total, share),
    )


def axle_chain(car: Car, system: BrakeSystem, push: Number, inputs: Inputs, axle: Axle) -> AxleChain:
    """One axle, from the push on the bar or the tandem cylinder to the road."""
    front = axle is Axle.FRONT
    cylinder, _, caliper, disc, pad = system.circuit(axle)
    tyre = car.tyre(axle)
    if system.bar is None:
        cylinder_force = push
        line = actuation.line_pressure(push, cylinder.efficiency, cylinder.area)
    else:
        bar_share = system.bar.front_share if front else system.bar.rear_share
        cylinder_force = actuation.cylinder_force.at(axle)(push, bar_share)
        line = actuation.line_pressure.at(axle)(cylinder_force, cylinder.efficiency, cylinder.area)
    pressure = line
    if not front and system.valve.works:
        pressure = valve_output.at(axle)(line, *system.valve)
    clamped = clamp.at(axle)(pressure, caliper.piston_area)
    radius = effective_radius(disc.outer_diameter, pad.inset, pad.height, system.radius_method, axle)
    wheel = torque.wheel_torque.at(axle)(pad.friction, clamped, radius, caliper.efficiency)
    return AxleChain(
        cylinder_force=cylinder_force,
        cylinder_area=cylinder.area,
        line_pressure=line,
        pressure=pressure,
        piston_area=caliper.piston_area,
        clamp=clamped,
        effective_radius=radius,
        pad_friction=pad.friction,
        torque=wheel,
        brake_force=torque.axle_brake_force.at(axle)(wheel, inputs(tyre, "loaded_radius", axle)),
        mechanical_index=torque.mechanical_index.at(axle)(caliper.piston_area, radius, pad.friction),
    )


def _path(system: BrakeSystem, front: AxleChain, rear: AxleChain, total: Number, share: Number) -> ForcePath:
    if not system.valve.works:
        return straight_path(share, total)
    unvalved = unvalved_force(rear.brake_force, rear.line_pressure, rear.pressure)
    return bent_path(front.brake_force, unvalved, system.valve.knee, rear.line_pressure, system.valve.slope)


def path_with(chain: Chain, front: Number, rear: Number) -> ForcePath:
    """The path if the pads of each axle bit `front` and `rear` times as hard."""
    at_front = chain.front.brake_force * front
    if not chain.path.bent:
        at_rear = chain.rear.brake_force * rear
        total = torque.total_force(at_front, at_rear)
        return straight_path(torque.force_share(at_front, total), total)
    unvalved = unvalved_force(chain.rear.brake_force, chain.rear.line_pressure, chain.rear.pressure) * rear
    valve = chain.system.valve
    return bent_path(at_front, unvalved, valve.knee, chain.rear.line_pressure, valve.slope)
