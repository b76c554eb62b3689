"""One question, one call: everything the Chain shows about a setup of a car."""

import math
from collections.abc import Sequence

from plimbo.core.answers import (
    Assessment,
    AtFirstLock,
    AxleAnswer,
    DiscAnswer,
    Has,
    Needs,
    StateAnswer,
    StopAnswer,
)
from plimbo.core.chain import AxleChain, Chain, foot_to_road
from plimbo.core.demand import Demand, Lock, demand, lock_order
from plimbo.core.documents import AxleBrake, Car, RadiusSchool, Setup, State
from plimbo.core.documents.fields import Document, assumption_of
from plimbo.core.force_balance import deceleration_lines, force_balance
from plimbo.core.formulas import friction, loads
from plimbo.core.mends import mends, trials
from plimbo.core.needs import AxleNeeds, road_to_foot
from plimbo.core.screening import PLAIN, Level, screen
from plimbo.core.single_stop import DiscStop, StopLength, heat_of_stop, length_of_stop
from plimbo.core.stock import Joint, joints
from plimbo.core.verdicts import Verdict, heat_verdict, leg_verdict, lock_order_verdict
from plimbo.core.working import Axle, Inputs, working


def assess(car: Car, setup: Setup, states: Sequence[State] | None = None, *, with_working: bool = True) -> Assessment:
    """Judge a setup of a car over the states (the car's own where none are given).

    Raises `OutOfRange` where the inputs together are outside the model.
    """
    states = car.states if states is None else states
    take = Inputs(with_working)
    chain = foot_to_road(car, setup, take)
    discs = heat_of_stop(car, setup, chain, take)
    roads = [demand(car, state, PLAIN, f"car.states.{index}") for index, state in enumerate(states)]
    answers = tuple(_state_answer(car, setup, state, index, chain, discs, take) for index, state in enumerate(states))
    bar, around = setup.balance_bar, joints(setup)
    return Assessment(
        foot_force=chain.foot_force,
        rod_force=chain.rod_force,
        weight=loads.weight(car.mass),
        bar_share=bar.offset / (bar.length / 2),
        bar_turns=bar.offset / bar.thread_pitch,
        states=answers,
        verdicts=_verdicts(car, setup, around, states, roads, answers),
        joints=around,
        deceleration_lines=deceleration_lines(car.mass, max(float(answer.limit_deceleration) for answer in answers)),
        assumptions=(*_assumed(car, "car"), *_assumed(setup, "setup")),
    )


def _verdicts(
    car: Car,
    setup: Setup,
    around: Sequence[Joint],
    states: Sequence[State],
    roads: Sequence[Demand],
    answers: Sequence[StateAnswer],
) -> tuple[Verdict, ...]:
    screened = screen(car, setup, foot_to_road(car, setup, PLAIN), states, roads)
    found = (
        lock_order_verdict(screened, setup, [answer.stop.lost for answer in answers]),
        leg_verdict(screened, car),
        heat_verdict(screened),
    )
    if all(verdict.level is Level.GOOD for verdict in found):
        return found
    tried = trials(car, setup, screened, around, states, roads)
    return tuple(
        verdict
        if verdict.level is Level.GOOD
        else verdict.model_copy(update={"mends": mends(verdict, screened, tried, car)})
        for verdict in found
    )


def _state_answer(
    car: Car, setup: Setup, state: State, index: int, chain: Chain, discs: tuple[DiscStop, DiscStop], take: Inputs
) -> StateAnswer:
    where = f"car.states.{index}"
    road = demand(car, state, take, where)
    lock = lock_order(road, chain.force_share)
    fast, slow = (
        demand(car, state.model_copy(update={"speed": speed}), take, where)
        for speed in (car.top_speed, car.stop_to_speed)
    )
    stop = length_of_stop(car, chain, fast, slow, take)
    push = loads.foot_force_at_lock(chain.foot_force, lock.first_force, chain.total_force)
    numbers: dict[str, float] = {
        "pressure_share": chain.pressure_share,
        "force_share": chain.force_share,
        "index_share": chain.index_share,
        "ideal_share": road.ideal_share,
        "first_deceleration": loads.deceleration(lock.first_force, take(car, "mass")),
        "first_foot_force": push,
        "limit_deceleration": loads.deceleration(road.limit_force, take(car, "mass")),
        "efficiency": lock.efficiency,
        "stop.distance": stop.distance,
        "stop.ideal": stop.ideal,
        "stop.lost": stop.lost,
        "rod_force": chain.rod_force,
    }
    front, rear = (
        _axle_answer(car, setup, chain, road, lock, disc, take, axle, numbers)
        for axle, disc in zip(Axle, discs, strict=True)
    )
    steps, headlines = working(numbers)
    return StateAnswer(
        state=state,
        front=front,
        rear=rear,
        pressure_share=chain.pressure_share,
        force_share=chain.force_share,
        index_share=chain.index_share,
        ideal_share=road.ideal_share,
        first=lock.first,
        first_deceleration=numbers["first_deceleration"],
        first_foot_force=push,
        limit_deceleration=numbers["limit_deceleration"],
        rear_lifts=road.rear_lifts,
        efficiency=lock.efficiency,
        stop=_stop_answer(stop),
        force_balance=force_balance(road, lock, chain.force_share),
        steps=steps,
        headlines=headlines,
    )


def _axle_answer(
    car: Car,
    setup: Setup,
    chain: Chain,
    road: Demand,
    lock: Lock,
    disc: DiscStop,
    take: Inputs,
    axle: Axle,
    numbers: dict[str, float],
) -> AxleAnswer:
    """One axle; adds its headline numbers to `numbers`."""
    front = axle is Axle.FRONT
    brake, made = (setup.front, chain.front) if front else (setup.rear, chain.rear)
    tyre = car.front_tyre if front else car.rear_tyre
    load = road.front_load if front else road.rear_load
    grip = road.front_grip if front else road.rear_grip
    standing = car.front_share if front else 1 - car.front_share
    needs = road_to_foot(brake, tyre, made, road.front_limit_force if front else road.rear_limit_force, take, axle)
    lock_force = lock.force(axle)
    locks = math.isfinite(lock_force)
    push = loads.foot_force_at_lock.at(axle)(chain.foot_force, lock_force, chain.total_force)
    deceleration = loads.deceleration.at(axle)(lock_force, take(car, "mass"))
    pad_pressure = _pad_pressure(brake, made, setup.radius_school, take, axle)
    part = lock.first_force / chain.total_force
    braking = loads.front_load_braking if front else loads.rear_load_braking
    first_load = braking.at(axle)(load, lock.first_force, road.transfer)
    numbers |= {f"{axle}.has.{name}": value for name, value in made._asdict().items()}
    numbers |= {f"{axle}.needs.{name}": value for name, value in needs._asdict().items()}
    numbers |= {
        f"{axle}.has.pad_pressure": pad_pressure,
        f"{axle}.load": load,
        f"{axle}.limit_load": road.front_limit_load if front else road.rear_limit_load,
        f"{axle}.lock_deceleration": deceleration,
        f"{axle}.lock_foot_force": push,
        f"{axle}.at_first_lock.load": first_load,
        f"{axle}.disc.temperature_rise": disc.temperature_rise,
        f"{axle}.disc.energy": disc.energy,
    }
    return AxleAnswer(
        standing_load=loads.weight(car.mass) * standing,
        load=load,
        limit_load=numbers[f"{axle}.limit_load"],
        grip=grip,
        has=Has(
            cylinder_force=made.cylinder_force,
            pressure=made.pressure,
            piston_area=made.piston_area,
            clamp=made.clamp,
            effective_radius=made.effective_radius,
            torque=made.torque,
            brake_force=made.brake_force,
            pad_pressure=pad_pressure,
        ),
        needs=_needs_answer(needs),
        lock_deceleration=deceleration if locks else None,
        lock_foot_force=push if locks else None,
        at_first_lock=AtFirstLock(
            pressure=made.pressure * part,
            brake_force=made.brake_force * part,
            load=first_load,
            grip_used=made.brake_force * part / (grip * first_load),
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
    angle = friction.pad_angle.at(axle)(take(brake.pad, "length", axle), outer, inner)
    pressed_evenly = school is RadiusSchool.UNIFORM_PRESSURE
    law = friction.pad_pressure_uniform if pressed_evenly else friction.pad_pressure_uniform_wear
    return law.at(axle)(made.clamp, angle, outer, inner)


def _needs_answer(needs: AxleNeeds) -> Needs:
    return Needs(
        bore=needs.bore if math.isfinite(needs.bore) else None,
        pressure=needs.pressure,
        clamp=needs.clamp,
        torque=needs.torque,
        brake_force=needs.brake_force,
    )


def _stop_answer(stop: StopLength) -> StopAnswer:
    return StopAnswer(distance=stop.distance, ideal=stop.ideal, lost=stop.lost)


def _assumed(document: Document, path: str) -> list[str]:
    """Paths of the assumed values in a document and the documents inside it."""
    found = []
    for name in type(document).model_fields:
        value = getattr(document, name)
        if isinstance(value, Document):
            found += _assumed(value, f"{path}.{name}")
        elif isinstance(value, tuple) and value and isinstance(value[0], Document):
            for index, item in enumerate(value):
                found += _assumed(item, f"{path}.{name}.{index}")
        elif assumption_of(document, name):
            found.append(f"{path}.{name}")
    return found
