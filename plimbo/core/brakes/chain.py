"""Foot to road: what a setup makes of the driver's chosen push, independent of the state of the day."""

import math
from typing import NamedTuple

from plimbo.core.brakes.path import ForcePath, PushLaw, front_at
from plimbo.core.documents import AxleBrake, Car, MasterCylinder, Pad, Pedal, RadiusSchool, Setup
from plimbo.core.formulas import actuation, friction, loads, valve
from plimbo.core.formulas.friction import FrictionCurve
from plimbo.core.working import AXLES, Axle, Inputs

# A gain of 1 up to a push that no foot reaches.
NO_BOOSTER = 1.0, 1e12


class AxleChain(NamedTuple):
    """One axle at the driver's chosen push: force and pressure once, clamp per caliper, torque per wheel.

    `line_pressure` is the cylinder's; `pressure` the calipers', behind the valve where the rear has one.
    """

    cylinder_force: float
    cylinder_area: float
    line_pressure: float
    pressure: float
    piston_area: float
    clamp: float
    effective_radius: float
    pad_friction: float
    torque: float
    brake_force: float
    mechanical_index: float


class Chain(NamedTuple):
    """Both axles at the driver's chosen push, the three meanings of balance, and how all of it grows with the push."""

    foot_force: float
    ratio: float
    rod_force: float
    push: float
    front: AxleChain
    rear: AxleChain
    total_force: float
    force_share: float
    pressure_share: float
    index_share: float
    path: ForcePath
    law: PushLaw

    def axle(self, axle: Axle) -> AxleChain:
        return self.front if axle is Axle.FRONT else self.rear

    @property
    def straight(self) -> bool:
        """Whether brake force is in proportion to the foot's."""
        return not self.path.bent and bool(self.law.gain == 1)


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


def pad_friction(pad: Pad, take: Inputs, axle: Axle) -> float:
    """As typed, or off the pad's curve at the disc temperature looked at."""
    if not pad.friction_curve:
        return take(pad, "friction", axle)
    curve = FrictionCurve(tuple([(point.temperature, point.friction) for point in pad.friction_curve]))
    return friction.curve_friction.at(axle)(take(pad, "looked_at", axle), curve)


def pedal_ratio(pedal: Pedal, take: Inputs) -> float:
    """As typed, or from the two lengths where both were measured."""
    if pedal.measured:
        return actuation.pedal_ratio(take(pedal, "pad_length"), take(pedal, "rod_length"))
    return take(pedal, "ratio")


def cylinder_of(setup: Setup, axle: Axle) -> MasterCylinder:
    """The cylinder that feeds an axle."""
    if setup.tandem_fitted:
        return setup.tandem
    return setup.front.master_cylinder if axle is Axle.FRONT else setup.rear.master_cylinder


def brake_of(setup: Setup, axle: Axle) -> AxleBrake:
    return setup.front if axle is Axle.FRONT else setup.rear


def axle_chain(car: Car, setup: Setup, push: float, take: Inputs, axle: Axle) -> AxleChain:
    """One axle, from the push on the bar or the tandem cylinder to the road."""
    front = axle is Axle.FRONT
    brake, tyre = (setup.front, car.front_tyre) if front else (setup.rear, car.rear_tyre)
    if setup.tandem_fitted:
        cylinder, cylinder_force = setup.tandem, push
        area = actuation.bore_area(take(cylinder, "bore"))
        line = actuation.line_pressure(cylinder_force, take(cylinder, "efficiency"), area)
    else:
        cylinder = brake.master_cylinder
        share_of_bar = actuation.bar_front_share if front else actuation.bar_rear_share
        bar_share = share_of_bar.at(axle)(take(setup.balance_bar, "offset"), take(setup.balance_bar, "length"))
        cylinder_force = actuation.cylinder_force.at(axle)(push, bar_share)
        area = actuation.bore_area.at(axle)(take(cylinder, "bore", axle))
        line = actuation.line_pressure.at(axle)(cylinder_force, take(cylinder, "efficiency", axle), area)
    pressure = line
    if not front and setup.valve.fitted:
        pressure = valve.valve_output.at(axle)(line, *_knee_and_slope(setup, take))
    pistons = piston_area(brake, take, axle)
    clamp = friction.clamp.at(axle)(pressure, pistons)
    radius = effective_radius(brake, setup.radius_school, take, axle)
    mu = pad_friction(brake.pad, take, axle)
    torque = friction.wheel_torque.at(axle)(mu, clamp, radius, take(brake.caliper, "efficiency", axle))
    brake_force = friction.axle_brake_force.at(axle)(torque, take(tyre, "loaded_radius", axle))
    index = friction.mechanical_index.at(axle)(pistons, radius, mu)
    return AxleChain(cylinder_force, area, line, pressure, pistons, clamp, radius, mu, torque, brake_force, index)


def _knee_and_slope(setup: Setup, take: Inputs) -> tuple[float, float]:
    return take.number(setup.valve, "knee", setup.valve.true_knee), take(setup.valve, "slope")


def joined(
    setup: Setup, foot_force: float, lever: tuple[float, float], pushes: tuple[float, float], front: AxleChain,
    rear: AxleChain, take: Inputs,
) -> Chain:  # fmt: skip
    """Both axles and what they make together; `lever` is ratio and efficiency, `pushes` before and behind a booster."""
    total = friction.total_force(front.brake_force, rear.brake_force)
    share = friction.force_share(front.brake_force, total)
    path = _path(setup, front, rear, total, share, take)
    booster = (take(setup.booster, "gain"), take(setup.booster, "run_out")) if setup.booster.fitted else NO_BOOSTER
    return Chain(
        foot_force=foot_force,
        ratio=lever[0],
        rod_force=pushes[0],
        push=pushes[1],
        front=front,
        rear=rear,
        total_force=total,
        force_share=share,
        pressure_share=friction.pressure_share(front.pressure, rear.pressure),
        index_share=friction.index_share(front.mechanical_index, rear.mechanical_index),
        path=path,
        law=PushLaw(*lever, *booster, float(front.brake_force) / float(pushes[1])),
    )


def _path(setup: Setup, front: AxleChain, rear: AxleChain, total: float, share: float, take: Inputs) -> ForcePath:
    if not setup.valve.fitted or setup.valve.slope == 1:
        return ForcePath(share, total, share, 0.0, bent=False)
    knee, slope = _knee_and_slope(setup, take)
    unvalved = valve.unvalved_force(rear.brake_force, rear.line_pressure, rear.pressure)
    below = valve.share_below(front.brake_force, unvalved)
    past = valve.share_past(front.brake_force, unvalved, slope)
    at_knee = valve.knee_force(front.brake_force, unvalved, knee, rear.line_pressure)
    return ForcePath(below, at_knee, past, valve.knee_shift(below, past, at_knee), bent=True)


class Bend(NamedTuple):
    """What the rear's valve does to a chain: brake forces at its push, the rear without the valve, and the bend.

    `knee_part` is the part of that push at which the valve's knee is met.
    """

    front: float
    unvalved: float
    knee_part: float
    slope: float


def bend_of(setup: Setup, chain: Chain) -> Bend:
    """Slope 1 where there is no valve: then it does not matter where the knee is."""
    front, rear = float(chain.front.brake_force), float(chain.rear.brake_force)
    if not chain.path.bent:
        return Bend(front, rear, 1.0, 1.0)
    unvalved = rear * chain.rear.line_pressure / chain.rear.pressure
    return Bend(front, unvalved, setup.valve.true_knee / chain.rear.line_pressure, setup.valve.slope)


def foot_to_road(car: Car, setup: Setup, take: Inputs) -> Chain:
    """The chain at the driver's chosen push."""
    foot_force = take(car.driver, "foot_force")
    lever = pedal_ratio(setup.pedal, take), take(setup.pedal, "efficiency")
    rod = actuation.rod_force(foot_force, *lever)
    push = rod
    if setup.booster.fitted:
        push = actuation.booster_output(rod, take(setup.booster, "gain"), take(setup.booster, "run_out"))
    front, rear = (axle_chain(car, setup, push, take, axle) for axle in AXLES)
    return joined(setup, foot_force, lever, (rod, push), front, rear, take)


def with_axle_changed(chain: Chain, car: Car, setup: Setup, take: Inputs, axle: Axle) -> Chain:
    """The chain of a setup that differs from the chain's own at one axle only."""
    changed = axle_chain(car, setup, chain.push, take, axle)
    front, rear = (changed, chain.rear) if axle is Axle.FRONT else (chain.front, changed)
    lever = chain.ratio, chain.law.efficiency
    return joined(setup, chain.foot_force, lever, (chain.rod_force, chain.push), front, rear, take)  # type: ignore[arg-type]


def force_at(chain: Chain, foot: float) -> float:
    """Brake force of the whole car at this foot force, N, with its working."""
    law = chain.law
    push = rod = actuation.rod_force(foot, law.ratio, law.efficiency)  # type: ignore[arg-type]
    if law.gain != 1:
        push = actuation.booster_output(rod, law.gain, law.run_out)  # type: ignore[arg-type]
    return total_of(chain, valve.front_for_push(chain.front.brake_force, push, chain.push))


def total_of(chain: Chain, front: float) -> float:
    """Brake force of the whole car where the front makes this much, N, with its working."""
    path = chain.path
    if path.bent and front > path.share * path.knee:
        return valve.total_for_front(front, path.shift, path.share_past)  # type: ignore[arg-type]
    return valve.total_for_front(front, 0.0, path.share)  # type: ignore[arg-type]


def foot_at(chain: Chain, total: float, axle: Axle | None = None) -> float:
    """Foot force at which the whole car's brake force is `total`, N, with its working; infinite for infinite."""
    if chain.straight:
        at_lock = loads.foot_force_at_lock if axle is None else loads.foot_force_at_lock.at(axle)
        return at_lock(chain.foot_force, total, chain.total_force)
    if not math.isfinite(total):
        return math.inf
    front = front_at(chain.path, total)
    push = valve.push_for_front(chain.push, front, chain.front.brake_force)
    law = chain.law
    if law.gain != 1:
        push = actuation.booster_input(push, law.gain, law.run_out)  # type: ignore[arg-type]
    back = actuation.foot_for_rod if axle is None else actuation.foot_for_rod.at(axle)
    return back(push, law.ratio, law.efficiency)  # type: ignore[arg-type]
