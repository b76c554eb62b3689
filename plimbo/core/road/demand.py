"""What the tyres allow in one state: loads, the limit of both axles together, and when each axle locks."""

from typing import NamedTuple

from plimbo.core.arrays import Arrays
from plimbo.core.brakes.path import ForcePath
from plimbo.core.documents import Car, DrivenAxle, State, Track, Tyre
from plimbo.core.errors import OutOfRange
from plimbo.core.formulas import air, loads, valve
from plimbo.core.formulas import tyre as tyres
from plimbo.core.road.loaded import LoadedCar, loaded_car
from plimbo.core.working import AXLES, Axle, Inputs

_ENGINE_PARTS = {DrivenAxle.FRONT: (1.0, 0.0), DrivenAxle.REAR: (0.0, 1.0), DrivenAxle.BOTH: (0.5, 0.5)}


class AxleRoad(NamedTuple):
    """One axle's side of the road, N per axle; `transfer` is what it gains per newton of braking, minus at the rear.

    `load` is what it carries at speed before any braking, `engine` the part of the engine's braking that acts on it.
    """

    downforce: float
    load: float
    grip: float
    sensitivity: float
    reference_load: float
    transfer: float
    engine: float

    def capacity(self, load: float, axle: Axle) -> float:
        """What the tyres give at this axle load, N."""
        if self.sensitivity == 0:
            return loads.axle_limit_force.at(axle)(self.grip, load)
        useful = tyres.useful_load.at(axle)(load, self.sensitivity, self.reference_load)
        return tyres.grip_force.at(axle)(self.grip, useful, self.sensitivity, self.reference_load)


class Limit(NamedTuple):
    """Both axles at their limit together, N.

    `force` is the most that all four tyres can give; engine braking is part of it. The rest is what it leaves to the
    brakes, as a whole and at each axle. Where the rear wheels lift first, all of it is at the front.
    """

    force: float
    brake_force: float
    front_load: float
    rear_load: float
    front_force: float
    rear_force: float
    ideal_share: float
    rear_lifts: bool


class Demand(NamedTuple):
    """The road's side of one state; forces in N."""

    car: LoadedCar
    weight: float
    density: float
    drag: float
    engine: float
    transfer: float
    front: AxleRoad
    rear: AxleRoad
    limit: Limit

    @property
    def proportional(self) -> bool:
        """Whether grip goes with load alone, so that the closed forms of the textbooks hold."""
        return self.front.sensitivity == 0 and self.rear.sensitivity == 0 and self.engine == 0

    def axle(self, axle: Axle) -> AxleRoad:
        return self.front if axle is Axle.FRONT else self.rear

    def deceleration(self, brake_force: float, axle: Axle | None = None) -> float:
        """With this much from the brakes, m/s²; of one axle's locking where an axle is named."""
        if self.engine == 0 and self.drag == 0:
            law = loads.deceleration if axle is None else loads.deceleration.at(axle)
            return law(brake_force, self.car.mass)
        in_all = loads.deceleration_in_all if axle is None else loads.deceleration_in_all.at(axle)
        return in_all(brake_force, self.engine, self.drag, self.car.mass)


def track_grip(car: Car, track: Track, take: Inputs) -> float:
    """What a track leaves of the dry grip, on this car's tyres."""
    if track is Track.DRY:
        return take.constant(1.0, "k_t", "Dry track", "share", "Tyre grip is given for a dry track")
    return take(car.track_grip, track.value)


def air_of_the_day(car: Car, take: Inputs) -> float:
    """Density at the altitude and temperature of the day, kg/m³."""
    return air.air_density(air.standard_pressure(take(car.air, "altitude")), take(car.air, "temperature"))


def demand(car: Car, state: State, take: Inputs, where: str = "state") -> Demand:
    """What the tyres allow in this state.

    Raises `OutOfRange` where lift takes an axle off the ground before the driver brakes, or where engine braking alone
    takes all of an axle's grip.
    """
    loaded = loaded_car(car, state.load, take)
    weight, wheelbase = loads.weight(loaded.mass), take(car, "wheelbase")
    density = air_of_the_day(car, take) if state.air_density is None else take(state, "air_density")
    speed = take(state, "speed")
    drag = air.drag(density, speed, take(car, "drag_area")) if car.drag_area else 0.0
    drag_moves_load = drag > 0 and car.drag_height is not None
    engine = take(car, "engine_braking") if car.engine_braking else 0.0
    transfer = loads.load_transfer(loaded.cg_height, wheelbase)
    track = track_grip(car, state.track, take) if state.grip is None else take(state, "grip")
    axles = []
    for axle, part in zip(AXLES, _ENGINE_PARTS[car.driven_axle], strict=True):
        front = axle is Axle.FRONT
        tyre = car.front_tyre if front else car.rear_tyre
        down = air.downforce.at(axle)(density, speed, take(car, "front_lift_area" if front else "rear_lift_area"))
        at_speed = loads.front_load_at_speed if front else loads.rear_load_at_speed
        load = at_speed.at(axle)(weight, loaded.front_share, down)
        if drag_moves_load:
            moved = air.drag_transfer(drag, take(car, "drag_height"), loaded.cg_height, wheelbase)
            in_drag = loads.front_load_in_drag if front else loads.rear_load_in_drag
            load = in_drag.at(axle)(load, moved)
        if load <= 0:
            raise OutOfRange(
                f"{where}.speed",
                f"At {{limit}} in “{state.name}” lift carries the whole {axle} axle:"
                " lower the speed, or give less lift.",
                (state.speed, "speed"),
            )
        axles.append(
            AxleRoad(
                downforce=down,
                load=load,
                grip=loads.grip.at(axle)(take(tyre, "friction", axle), track),
                sensitivity=take(tyre, "load_sensitivity", axle) if tyre.load_sensitivity else 0.0,
                reference_load=reference_load(car, tyre, axle, take),
                transfer=transfer if front else loads.rear_transfer(transfer),
                engine=loads.engine_at_axle.at(axle)(engine, part) if engine and part else 0.0,
            )
        )
    for axle, road in zip(AXLES, axles, strict=True):
        if road.engine and road.engine >= road.capacity(road.load + engine * road.transfer, axle):
            raise OutOfRange(
                "car.engine_braking",
                f"In “{state.name}” engine braking alone takes all the grip of the {axle} axle: lower it.",
            )
    limit = limit_of(axles[0], axles[1], transfer, engine)
    return Demand(loaded, weight, density, drag, engine, transfer, axles[0], axles[1], limit)


def reference_load(car: Car, tyre: Tyre, axle: Axle, take: Inputs) -> float:
    """Load on one tyre at which its grip is given, N: the car's as weighed where the tyre names none."""
    if tyre.reference_load is not None:
        return take(tyre, "reference_load", axle)
    weight, share = loads.weight(take(car, "mass")), take(car, "front_share")
    return loads.static_tyre_load.at(axle)(weight, share if axle is Axle.FRONT else loads.rear_weight_share(share))


def limit_of(front: AxleRoad, rear: AxleRoad, transfer: float, engine: float) -> Limit:
    """Both axles at their limit, or the front alone where the rear wheels have nothing left to give."""
    spent = tyres.load_for_force(rear.engine, rear.grip, rear.sensitivity, rear.reference_load) if rear.engine else 0.0
    most = (rear.load - spent) / transfer
    rear_lifts = front.capacity(front.load + most * front.transfer, Axle.FRONT) + rear.engine >= most
    if not rear_lifts:
        force = _limit_force(front, rear, transfer)
    elif rear.engine:
        force = loads.rear_spent_force(rear.load, spent, transfer)
    else:
        force = loads.rear_lift_force(rear.load, transfer)
    brakes = loads.without_engine(force, engine) if engine else force
    front_load = loads.front_load_braking.at(Axle.FRONT)(front.load, force, transfer)
    rear_load = loads.rear_load_braking.at(Axle.REAR)(rear.load, force, transfer)
    if rear_lifts:
        at_front = loads.share_of_limit.at(Axle.FRONT)(brakes, 1.0)
        at_rear = loads.share_of_limit.at(Axle.REAR)(brakes, 0.0)
        share = loads.lifted_share(brakes, brakes)
    else:
        at_front, at_rear = (
            loads.axle_need.at(axle)(road.capacity(load, axle), road.engine)
            if road.engine
            else road.capacity(load, axle)
            for axle, road, load in ((Axle.FRONT, front, front_load), (Axle.REAR, rear, rear_load))
        )
        plain = front.sensitivity == 0 and engine == 0
        share = loads.ideal_share(front.grip, front_load, force) if plain else loads.share_of_needs(at_front, brakes)
    return Limit(force, brakes, front_load, rear_load, at_front, at_rear, share, rear_lifts)


def _limit_force(front: AxleRoad, rear: AxleRoad, transfer: float) -> float:
    if front.sensitivity == 0 and rear.sensitivity == 0:
        return loads.tyre_limit_force(front.grip, rear.grip, front.load, rear.load, transfer)
    return tyres.limit_force(
        front.grip,
        rear.grip,
        front.load,
        rear.load,
        transfer,
        front.sensitivity,
        front.reference_load,
        rear.sensitivity,
        rear.reference_load,
    )


class Lock(NamedTuple):
    """Brake force of the whole car at which each axle locks, N (infinite where the front never does), and the rest."""

    front_force: float
    rear_force: float
    first: Axle
    first_force: float
    efficiency: float

    def force(self, axle: Axle) -> float:
        return self.front_force if axle is Axle.FRONT else self.rear_force


def lock_order(road: Demand, path: ForcePath) -> Lock:
    """Which axle locks first as the brake force grows along this path."""
    at_front, at_rear = (_lock_on(road, path, axle) for axle in AXLES)
    first = Axle.REAR if at_rear < at_front else Axle.FRONT
    first_force = at_rear if first is Axle.REAR else at_front
    used = loads.tyre_force(first_force, road.engine) if road.engine else first_force
    return Lock(at_front, at_rear, first, first_force, loads.braking_efficiency(used, road.limit.force))


def lock_alone(road: Demand, axle: Axle) -> float:
    """Brake force at which an axle locks that brakes alone, N."""
    of = road.axle(axle)
    return _lock_force(road, of, 1.0, of.engine, axle)


def _lock_on(road: Demand, path: ForcePath, axle: Axle) -> float:
    """Brake force of the whole car at which this axle locks, N: below the valve's knee, or else past it."""
    of, front = road.axle(axle), axle is Axle.FRONT
    if road.proportional:
        textbook = loads.front_lock_force if front else loads.rear_lock_force
        found = textbook(of.grip, of.load, path.share, road.transfer)  # type: ignore[arg-type]
    else:
        found = _lock_force(road, of, _part(path.share, axle), of.engine, axle)
    if not path.bent or found <= path.knee:
        return found
    shift: float = path.shift if front else valve.rear_shift(path.shift)  # type: ignore[assignment, arg-type]
    held = valve.with_shift.at(axle)(shift, of.engine)
    return _lock_force(road, of, _part(path.share_past, axle), held, axle)


def _part(share: Arrays, axle: Axle) -> float:
    return share if axle is Axle.FRONT else loads.rear_force_share(share)  # type: ignore[return-value, arg-type]


def _lock_force(road: Demand, of: AxleRoad, share: float, held: float, axle: Axle) -> float:
    """`held` is what brakes the axle beside its share: the engine, and what a valve leaves from below its knee."""
    if of.sensitivity == 0:
        with_engine = tyres.lock_force_with_engine.at(axle)
        return with_engine(of.grip, of.load, share, of.transfer, road.engine, held)
    return tyres.lock_force.at(axle)(
        of.grip, of.load, share, of.transfer, of.sensitivity, of.reference_load, road.engine, held
    )
