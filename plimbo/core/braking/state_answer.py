"""The answer for one state: its shape, and how its numbers come together with their working.

Numbers are SI, per wheel, caliper or axle as each title says.
"""

from collections.abc import Mapping, Sequence
from functools import lru_cache
from typing import Any

import numpy as np
from pydantic import Field

from plimbo.core.braking.chain import Chain
from plimbo.core.braking.force_balance import ForceBalance
from plimbo.core.braking.force_path import rear_rest, share_at
from plimbo.core.braking.leg import leg_effort
from plimbo.core.braking.lock_order import Lock
from plimbo.core.braking.needs import road_to_foot
from plimbo.core.braking.stop_heat import heat_of_stop
from plimbo.core.documents import Car, Setup, State
from plimbo.core.friction.pad import angle_of_pad, pad_pressure
from plimbo.core.friction.torque import pressure_for_force
from plimbo.core.hydraulics.actuation import (
    LEAST_CYLINDER,
    LEAST_RATIO,
    MOST_CYLINDER,
    MOST_RATIO,
    ratio_for_push,
)
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.results import Result, answer
from plimbo.core.vehicle import loads
from plimbo.core.vehicle.tyre_capacity import TyreCapacity
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Number, maximum, minimum
from plimbo.core.working.steps import Step

Numbers = dict[str, Number]
# No real number of an answer is this large: anything beyond is infinite or not a number.
LARGE = 1e300
# Balance numbers that are the same in every state.
SHARES = ("pressure_share", "force_share", "index_share")


class Has(Result):
    """What the fitted parts make at the driver's design effort."""

    cylinder_force: float = answer("force", "Push on the cylinder")
    line_pressure: float = answer("pressure", "Line pressure at the cylinder")
    pressure: float = answer("pressure", "Line pressure at the calipers")
    piston_area: float = answer("area", "Piston area, one side")
    clamp: float = answer("force", "Clamp, each caliper")
    effective_radius: float = answer("length", "Effective radius")
    torque: float = answer("torque", "Torque, each wheel")
    brake_force: float = answer("force", "Brake force, both wheels")
    pad_pressure: float = answer("pressure", "Pad pressure")
    pad_angle: float = answer("angle", "Angle the pad spans")


class Needs(Result):
    """What would bring both axles to their limit at the driver's design effort."""

    bore: float | None = answer(
        "bore", "Bore needed, bar as set; none where the axle has nothing to do or no such cylinder is made"
    )
    centred_bore: float | None = answer("bore", "Bore needed, bar centred")
    pressure: float = answer("pressure", "Line pressure needed at the calipers")
    line_pressure: float | None = answer("pressure", "Line pressure needed at the cylinder; none past a limiting valve")
    clamp: float = answer("force", "Clamp needed, each caliper")
    torque: float = answer("torque", "Torque needed, each wheel")
    brake_force: float = answer("force", "Brake force needed, both wheels")


class AtFirstLock(Result):
    """One axle at the moment the first axle locks."""

    pressure: float = answer("pressure", "Line pressure at first lock")
    brake_force: float = answer("force", "Brake force at first lock, both wheels")
    load: float = answer("force", "Axle load at first lock")
    grip_used: float = answer("share", "Share of the axle's grip used at first lock")


class DiscAnswer(Result):
    """One disc in the hardest stop, nothing cooling it."""

    energy: float = answer("energy", "Energy into one disc")
    ring_mass: float = answer("mass", "Mass of the friction ring")
    temperature_rise: float = answer("temperature difference", "Disc heats by, in one stop")
    rise_limit: float = answer("temperature difference", "What the material takes in one stop")


class AxleAnswer(Result):
    """One axle in one state."""

    downforce: float = answer("force", "Downforce, both wheels")
    standing_load: float = answer("force", "Axle load on the scales")
    load: float = answer("force", "Axle load at speed, not braking")
    limit_load: float = answer("force", "Axle load with both axles at their limit")
    grip: float = answer("friction", "Grip on this track")
    has: Has
    needs: Needs
    held_force: float = answer("force", "Brake force at the design effort, as far as the tyres hold it at their limit")
    lock_deceleration: float | None = answer("deceleration", "Deceleration at which it locks; none if it never does")
    lock_foot_force: float | None = answer("force", "Foot force at which it locks; none if it never does")
    at_first_lock: AtFirstLock
    disc: DiscAnswer


class StopAnswer(Result):
    """A stop on this state's track, at first lock or at the driver's limit; ideal: both axles at their limit."""

    distance: float = answer("distance", "Stopping distance")
    ideal: float = answer("distance", "Stopping distance, ideal")
    lost: float = answer("distance", "Distance lost against the ideal")
    time: float = answer("time", "Stopping time")
    ideal_time: float = answer("time", "Stopping time, ideal")


class LoadedAnswer(Result):
    """The car in this state's load."""

    mass: float = answer("mass", "Mass")
    front_share: float = answer("share", "Front weight share")
    cg_height: float = answer("length", "Height of the centre of gravity")


class AirAnswer(Result):
    """The air in this state, at its speed."""

    density: float = answer("density", "Air density")
    drag: float = answer("force", "Drag")
    drag_height: float = answer("length", "Drag acts at height")


class StateAnswer(Result):
    """Everything about one state."""

    state: State
    car: LoadedAnswer
    air: AirAnswer
    engine: float = answer("force", "Engine braking")
    front: AxleAnswer
    rear: AxleAnswer
    pressure_share: float = answer("share", "Front share by line pressure")
    force_share: float = answer("share", "Front share by brake force")
    index_share: float = answer("share", "Front share by mechanical index")
    first_share: float = answer("share", "Front share by brake force, at first lock")
    ideal_share: float = answer("share", "Ideal share of the front")
    first: Axle = Field(title="Locks first")
    first_deceleration: float = answer("deceleration", "Deceleration at first lock")
    first_foot_force: float = answer("force", "Foot force at first lock")
    leg_effort: float = answer("force", "What the leg itself holds at first lock")
    limit_deceleration: float = answer("deceleration", "The most the tyres can give")
    needed_ratio: float | None = answer(
        "ratio", "Pedal ratio at which first lock comes at the design effort; none where no pedal has it"
    )
    rear_lifts: bool = Field(title="Rear wheels lift before the front tyres reach their limit")
    efficiency: float = answer("share", "Braking efficiency")
    stop: StopAnswer
    brake_energy: float = answer("energy", "Energy of the hardest stop into the brakes")
    force_balance: ForceBalance
    steps: tuple[Step, ...] = Field((), description="The working, where asked for; each step after those it uses.")
    headlines: dict[str, int] = Field({}, description="Where each headline number stands in the steps.")


def chain_numbers(setup: Setup, chain: Chain, inputs: Inputs) -> Numbers:
    """What the setup makes in any state, each number by its path in the answer."""
    numbers: Numbers = {name: getattr(chain, name) for name in (*SHARES, "rod_force", "push")}
    for axle in AXLES:
        made = chain.axle(axle)
        brake = setup.front if axle is Axle.FRONT else setup.rear
        numbers |= {f"{axle}.has.{name}": value for name, value in made._asdict().items()}
        numbers[f"{axle}.has.pad_pressure"] = pad_pressure(
            brake.pad, brake.disc, made.clamp, setup.radius_method, inputs, axle
        )
        numbers[f"{axle}.has.pad_angle"] = angle_of_pad(brake.pad, brake.disc, inputs, axle)
    return numbers


def state_numbers(
    car: Car, chain: Chain, road: TyreCapacity, lock: Lock, stop: Mapping[str, Number], energy: Number, inputs: Inputs
) -> Numbers:
    """One state's numbers, plain or with their working, or those of many states at once; each by its path in the
    answer. `stop` and `energy`, J, are of the hardest stop.
    """
    path = chain.path
    first = lock.first_force
    at_front = path.front(first)
    first_share = share_at(at_front, first) if path.bent else chain.force_share
    push = chain.foot_at(first)
    discs = heat_of_stop(chain.system, first_share, energy)
    numbers: Numbers = {f"stop.{name}": value for name, value in stop.items()}
    numbers |= {f"car.{name}": value for name, value in road.car._asdict().items()}
    numbers |= {
        "air.density": road.density,
        "air.drag": road.drag,
        "air.drag_height": road.car.cg_height if car.drag_height is None else inputs(car, "drag_height"),
        "engine": road.engine,
        "first_share": first_share,
        "ideal_share": road.limit.ideal_share,
        "first_deceleration": road.deceleration(first),
        "first_foot_force": push,
        "leg_effort": leg_effort(push, inputs(car.driver, "leg_mass"), road.deceleration(first)),
        "limit_deceleration": road.deceleration(road.limit.brake_force),
        "needed_ratio": ratio_for_push(chain.system.pedal.ratio, push, chain.foot_force),
        "efficiency": lock.efficiency,
        "brake_energy": energy,
    }
    all_tyres = loads.tyre_force(first, road.engine) if road.engine else first
    for axle, force, disc in zip(AXLES, (at_front, rear_rest(first, at_front)), discs, strict=True):
        numbers |= {
            f"{axle}.{name}": value
            for name, value in _axle_numbers(car, chain, road, lock, force, all_tyres, inputs, axle).items()
        }
        numbers |= {f"{axle}.disc.{name}": value for name, value in disc._asdict().items()}
        numbers[f"{axle}.disc.ring_mass"] = chain.system.circuit(axle).disc.ring_mass
    return numbers


def _axle_numbers(
    car: Car, chain: Chain, road: TyreCapacity, lock: Lock, force: Number, all_tyres: Number, inputs: Inputs, axle: Axle
) -> Numbers:
    """One axle, which brakes with `force`, N, at first lock, while all tyres brake with `all_tyres`, N."""
    front, made, own = axle is Axle.FRONT, chain.axle(axle), road.axle(axle)
    limit = road.limit
    limit_force, limit_load = (limit.front_force, limit.front_load) if front else (limit.rear_force, limit.rear_load)
    standing = (loads.front_load_at_speed if front else loads.rear_load_at_speed).at(axle)
    braking = (loads.front_load_braking if front else loads.rear_load_braking).at(axle)
    first_load = braking(own.load, all_tyres, road.transfer)
    needs = road_to_foot(chain, car.tyre(axle), limit_force, inputs, axle)
    return {
        "downforce": own.downforce,
        "standing_load": standing(road.weight, road.car.front_share, 0.0),
        "load": own.load,
        "limit_load": limit_load,
        "grip": own.grip,
        "held_force": minimum(made.brake_force, maximum(0.0, limit_force)),
        **{f"needs.{name}": value for name, value in needs._asdict().items()},
        "lock_deceleration": road.deceleration(lock.force(axle), axle),
        "lock_foot_force": chain.foot_at(lock.force(axle), axle),
        "at_first_lock.pressure": pressure_for_force.at(axle)(made.pressure, force, made.brake_force),
        "at_first_lock.brake_force": force,
        "at_first_lock.load": first_load,
        "at_first_lock.grip_used": (force + own.engine) / own.capacity(first_load, axle),
    }


def rows_of(numbers: Numbers, count: int) -> list[tuple[float | None, ...]]:
    """The numbers of many states, one row of single numbers for each; none where a number is not finite."""
    columns = [
        number.ravel().tolist() if isinstance(number, np.ndarray) else [number] * count for number in numbers.values()
    ]
    return [
        tuple([number if -LARGE < number < LARGE else None for number in row]) for row in zip(*columns, strict=True)
    ]


def state_answer(
    state: State, keys: tuple[str, ...], numbers: Sequence[float | None], has: Mapping[Axle, Has], **others: Any
) -> StateAnswer:
    """One state's answer from its numbers, each at the place that its key names; `others` are what is no number."""
    placed = _placed(_tree(keys), numbers)
    for axle in AXLES:
        placed[axle]["has"] = has[axle]
        needs = placed[axle]["needs"]
        for name in ("bore", "centred_bore"):
            needs[name] = _within(needs[name], LEAST_CYLINDER, MOST_CYLINDER)
    placed["needed_ratio"] = _within(placed["needed_ratio"], LEAST_RATIO, MOST_RATIO)
    return StateAnswer.model_validate(placed | {"state": state} | others)


def _within(number: float | None, least: float, most: float) -> float | None:
    """The size, if it is manufactured; otherwise none."""
    return number if number is not None and least <= number <= most else None


Tree = dict[str, "int | Tree"]


@lru_cache(maxsize=16)
def _tree(keys: tuple[str, ...]) -> Tree:
    """The keys as branches, each number's index at its leaf."""
    tree: Tree = {}
    for index, key in enumerate(keys):
        *parents, last = key.split(".")
        place: Any = tree
        for name in parents:
            place = place.setdefault(name, {})
        place[last] = index
    return tree


def _placed(tree: Tree, numbers: Sequence[float | None]) -> dict[str, Any]:
    return {name: numbers[place] if isinstance(place, int) else _placed(place, numbers) for name, place in tree.items()}
