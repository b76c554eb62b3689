"""Everything about one state, put together with the working of its headline numbers."""

import math
from typing import NamedTuple

from plimbo.core.answers import (
    AirAnswer,
    AtFirstLock,
    AxleAnswer,
    DiscAnswer,
    Has,
    LoadedAnswer,
    Needs,
    StateAnswer,
    StopAnswer,
)
from plimbo.core.brakes.chain import AxleChain, Chain, foot_at
from plimbo.core.brakes.disc_heat import DiscStop, HeatSink, heat_of_stop, heat_sink
from plimbo.core.brakes.needs import AxleNeeds, road_to_foot
from plimbo.core.brakes.path import front_at
from plimbo.core.documents import AxleBrake, Car, RadiusSchool, Setup, State
from plimbo.core.formulas import actuation, friction, loads, valve
from plimbo.core.road.demand import Demand, Lock
from plimbo.core.road.force_balance import ForceBalance
from plimbo.core.road.stops import Stops, WorkedStop, energy_of_stop, worked_stop
from plimbo.core.working import AXLES, Axle, Inputs, working

# What of an axle's chain is shown as made: the rest of it only stands in the working.
_HAS = tuple(name for name in Has.model_fields if name != "pad_pressure")


class ChainAnswer(NamedTuple):
    """What the setup makes, whatever the state: both axles, and the headline numbers where the working is wanted."""

    chain: Chain
    sinks: tuple[HeatSink, HeatSink]
    has: dict[Axle, Has]
    numbers: dict[str, float]


def chain_answer(setup: Setup, chain: Chain, take: Inputs) -> ChainAnswer:
    """The part of the answer that is the same in every state."""
    names = ("pressure_share", "force_share", "index_share", "rod_force", "push") if take.with_working else ()
    numbers: dict[str, float] = {name: getattr(chain, name) for name in names}
    has = {}
    for axle in AXLES:
        brake, made = (setup.front, chain.front) if axle is Axle.FRONT else (setup.rear, chain.rear)
        pad_pressure = _pad_pressure(brake, made, setup.radius_school, take, axle)
        has[axle] = Has(pad_pressure=pad_pressure, **{name: getattr(made, name) for name in _HAS})
        if take.with_working:
            numbers |= {f"{axle}.has.{name}": value for name, value in made._asdict().items()}
            numbers[f"{axle}.has.pad_pressure"] = pad_pressure
    sinks = heat_sink(setup.front, take, Axle.FRONT), heat_sink(setup.rear, take, Axle.REAR)
    return ChainAnswer(chain, sinks, has, numbers)


def state_answer(
    car: Car,
    setup: Setup,
    state: State,
    index: int,
    made: ChainAnswer,
    road: Demand,
    lock: Lock,
    stops: Stops,
    picture: ForceBalance,
    take: Inputs,
) -> StateAnswer:
    """The answer for one state; `made`, `road` and `lock` carry their working where it is wanted."""
    chain, length = made.chain, stops.lengths[index]
    at_front = front_at(chain.path, lock.first_force)
    share = valve.share_at(at_front, lock.first_force) if chain.path.bent else chain.force_share
    forces = float(at_front), float(lock.first_force) - float(at_front)
    if take.with_working:
        speeds = take(car, "top_speed"), take(car, "stop_to_speed")
        profiles = stops.profile(index, stops.made), stops.profile(index, stops.best)
        worked = worked_stop(car, state, chain, *profiles, *speeds, take)
    else:
        worked = WorkedStop(length.distance, length.ideal, length.lost, length.time, length.ideal_drag_work)
    energy = energy_of_stop(car, road, worked.ideal, worked.drag_work, take)
    discs = heat_of_stop(*made.sinks, share, energy)
    push = foot_at(chain, lock.first_force)
    first, limit = road.deceleration(lock.first_force), road.deceleration(road.limit.brake_force)
    needed_ratio = actuation.ratio_for_push(chain.ratio, push, chain.foot_force)
    numbers: dict[str, float] = {}
    if take.with_working:
        numbers = made.numbers | {
            "first_share": share,
            "ideal_share": road.limit.ideal_share,
            "needed_ratio": needed_ratio,
            "first_deceleration": first,
            "first_foot_force": push,
            "limit_deceleration": limit,
            "efficiency": lock.efficiency,
            "stop.distance": worked.distance,
            "stop.ideal": worked.ideal,
            "stop.lost": worked.lost,
            "stop.time": worked.time,
            "brake_energy": energy,
            "car.mass": road.car.mass,
            "car.front_share": road.car.front_share,
            "car.cg_height": road.car.cg_height,
            "air.density": road.density,
            "air.drag": road.drag,
        }
    front, rear = (
        _axle_answer(car, setup, made, road, lock, first_force, disc, take, axle, numbers)
        for axle, first_force, disc in zip(AXLES, forces, discs, strict=True)
    )
    steps, headlines = working(numbers)
    return StateAnswer(
        state=state,
        car=LoadedAnswer(mass=road.car.mass, front_share=road.car.front_share, cg_height=road.car.cg_height),
        air=AirAnswer(density=road.density, drag=road.drag),
        engine=road.engine,
        front=front,
        rear=rear,
        pressure_share=chain.pressure_share,
        force_share=chain.force_share,
        index_share=chain.index_share,
        first_share=share,
        ideal_share=road.limit.ideal_share,
        needed_ratio=needed_ratio,
        first=lock.first,
        first_deceleration=first,
        first_foot_force=push,
        limit_deceleration=limit,
        rear_lifts=road.limit.rear_lifts,
        efficiency=lock.efficiency,
        stop=StopAnswer(
            distance=worked.distance,
            ideal=worked.ideal,
            lost=worked.lost,
            time=worked.time,
            ideal_time=length.ideal_time,
        ),
        brake_energy=energy,
        force_balance=picture,
        steps=steps,
        headlines=headlines,
    )


def _axle_answer(
    car: Car,
    setup: Setup,
    answered: ChainAnswer,
    road: Demand,
    lock: Lock,
    first_force: float,
    disc: DiscStop,
    take: Inputs,
    axle: Axle,
    numbers: dict[str, float],
) -> AxleAnswer:
    """One axle, which brakes with `first_force`, N, at first lock.

    Adds its headline numbers to `numbers` where the working is wanted.
    """
    front, chain = axle is Axle.FRONT, answered.chain
    made = chain.axle(axle)
    tyre, own = (car.front_tyre, road.front) if front else (car.rear_tyre, road.rear)
    limit_force, limit_load = (
        (road.limit.front_force, road.limit.front_load) if front else (road.limit.rear_force, road.limit.rear_load)
    )
    standing = (loads.front_load_at_speed if front else loads.rear_load_at_speed).at(axle)(
        road.weight, road.car.front_share, 0.0
    )
    needs = road_to_foot(setup, tyre, chain, limit_force, take, axle)
    lock_force = lock.force(axle)
    locks = math.isfinite(lock_force)
    push = foot_at(chain, lock_force, axle)
    deceleration = road.deceleration(lock_force, axle)
    part = first_force / float(made.brake_force)
    braking = loads.front_load_braking if front else loads.rear_load_braking
    all_tyres = loads.tyre_force(lock.first_force, road.engine) if road.engine else lock.first_force
    first_load = braking.at(axle)(own.load, all_tyres, road.transfer)
    if take.with_working:
        numbers |= {f"{axle}.needs.{name}": value for name, value in needs._asdict().items()}
        numbers |= {
            f"{axle}.downforce": own.downforce,
            f"{axle}.standing_load": standing,
            f"{axle}.load": own.load,
            f"{axle}.limit_load": limit_load,
            f"{axle}.lock_deceleration": deceleration,
            f"{axle}.lock_foot_force": push,
            f"{axle}.at_first_lock.load": first_load,
            f"{axle}.disc.temperature_rise": disc.temperature_rise,
            f"{axle}.disc.energy": disc.energy,
        }
    return AxleAnswer(
        downforce=own.downforce,
        standing_load=standing,
        load=own.load,
        limit_load=limit_load,
        grip=own.grip,
        has=answered.has[axle],
        needs=_needs_answer(needs),
        lock_deceleration=deceleration if locks else None,
        lock_foot_force=push if locks else None,
        at_first_lock=AtFirstLock(
            pressure=made.pressure * part,
            brake_force=first_force,
            load=first_load,
            grip_used=(first_force + own.engine) / own.capacity(first_load, axle),
        ),
        disc=DiscAnswer(
            energy=disc.energy,
            ring_mass=disc.ring_mass,
            temperature_rise=disc.temperature_rise,
            rise_limit=disc.rise_limit,
        ),
    )


def _pad_pressure(brake: AxleBrake, made: AxleChain, school: RadiusSchool, take: Inputs, axle: Axle) -> float:
    outer = friction.band_outer_radius.at(axle)(
        take(brake.disc, "outer_diameter", axle), take(brake.pad, "inset", axle)
    )
    inner = friction.band_inner_radius.at(axle)(outer, take(brake.pad, "height", axle))
    if brake.pad.face_area is None:
        angle = friction.pad_angle.at(axle)(take(brake.pad, "length", axle), outer, inner)
    else:
        sizes = take(brake.pad, "face_area", axle), take(brake.pad, "height", axle)
        angle = friction.pad_angle_of_area.at(axle)(*sizes, outer, inner)
    pressed_evenly = school is RadiusSchool.UNIFORM_PRESSURE
    law = friction.pad_pressure_uniform if pressed_evenly else friction.pad_pressure_uniform_wear
    return law.at(axle)(made.clamp, angle, outer, inner)


def _bore(bore: float) -> float | None:
    """Infinite where the axle has nothing to do, 0 where nothing would do."""
    return bore if bore > 0 and math.isfinite(bore) else None


def _needs_answer(needs: AxleNeeds) -> Needs:
    return Needs(
        bore=_bore(needs.bore),
        centred_bore=_bore(needs.centred_bore),
        pressure=needs.pressure,
        line_pressure=needs.line_pressure if math.isfinite(needs.line_pressure) else None,
        clamp=needs.clamp,
        torque=needs.torque,
        brake_force=needs.brake_force,
    )
