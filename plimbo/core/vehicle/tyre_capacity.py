"""Tyre capacity in one state, or in many at once: loads at speed, grip, and the limit of both axles together."""

from collections.abc import Callable, Sequence
from typing import NamedTuple

import numpy as np

from plimbo.core.documents import Car, DrivenAxle, State, Surface, Tyre
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.vehicle import air, loads, tyres
from plimbo.core.vehicle.loading import LoadedCar, loaded_car
from plimbo.core.vehicle.tyre_limit import AxleCapacity, Limit, limit_of, load_spent
from plimbo.core.working.inputs import PLAIN, Inputs
from plimbo.core.working.numbers import Array, Number, is_array, spread

_ENGINE_PARTS = {DrivenAxle.FRONT: (1.0, 0.0), DrivenAxle.REAR: (0.0, 1.0), DrivenAxle.BOTH: (0.5, 0.5)}


# Gives the path of the field to lower, from the index of a state and of one of its speeds that is too high.
PathOf = Callable[[int, int], str]


class Condition(NamedTuple):
    """What differs between states: the loaded car, the air's density, kg/m³, the grip of the surface, and the speed,
    m/s.
    """

    car: LoadedCar
    density: Number
    front_track_grip: Number
    rear_track_grip: Number
    speed: Number


class TyreCapacity(NamedTuple):
    """What tyres and road allow in one state, or in many; forces in N."""

    car: LoadedCar
    speed: Number
    weight: Number
    density: Number
    drag: Number
    engine: Number
    transfer: Number
    front: AxleCapacity
    rear: AxleCapacity
    limit: Limit

    @property
    def proportional(self) -> bool:
        """Whether grip goes with load alone, so that the closed forms of the textbooks hold."""
        return bool(self.front.sensitivity == 0 and self.rear.sensitivity == 0 and self.engine == 0)

    def axle(self, axle: Axle) -> AxleCapacity:
        return self.front if axle is Axle.FRONT else self.rear

    @property
    def rear_load_spent(self) -> Number:
        """Rear axle load that engine braking there uses up, N."""
        return load_spent(self.rear)

    def spread(self, shape: tuple[int, ...]) -> "TyreCapacity":
        """The numbers that lock order needs, as arrays of one shape: the calculation is then several times faster."""
        limit = self.limit._replace(force=spread(self.limit.force, shape))
        front, rear = spread(self.front, shape), spread(self.rear, shape)
        return self._replace(front=front, rear=rear, limit=limit, transfer=spread(self.transfer, shape))

    def deceleration(self, brake_force: Number, axle: Axle | None = None) -> Number:
        """Deceleration, m/s², with this brake force; where an axle is named, at its locking."""
        if self.engine == 0 and not is_array(self.drag) and self.drag == 0:
            law = loads.deceleration if axle is None else loads.deceleration.at(axle)
            return law(brake_force, self.car.mass)
        in_all = loads.deceleration_in_all if axle is None else loads.deceleration_in_all.at(axle)
        return in_all(brake_force, self.engine, self.drag, self.car.mass)


def surface_grip(car: Car, track: Surface, inputs: Inputs) -> Number:
    """Share of the dry grip on a surface, with this car's tyres."""
    if track is Surface.DRY:
        return inputs.constant(1.0, "k_t", "Dry track", "share", "Tyre grip is given for a dry track")
    return inputs(car.track_grip, track.value)


def condition_of(car: Car, state: State, inputs: Inputs) -> Condition:
    """One state of a car.

    Raises `OutOfRange` where the car has no such load, or cannot stand in it.
    """
    density = air.air_of_the_day(car, inputs) if state.air_density is None else inputs(state, "air_density")
    track = surface_grip(car, state.track, inputs) if state.grip is None else inputs(state, "grip")
    front, rear = (_as_warm(state, track, axle, inputs) for axle in AXLES)
    return Condition(loaded_car(car, state.load, inputs), density, front, rear, inputs(state, "speed"))


def _as_warm(state: State, track: Number, axle: Axle, inputs: Inputs) -> Number:
    """Grip of the track with one axle's tyres as warm as they are in this state."""
    if state.tyre_grip(axle) is None:
        return track
    return tyres.warm_track_grip.at(axle)(track, inputs(state, f"{axle}_tyre_grip"))


def condition_rows(car: Car, states: Sequence[State]) -> list[Condition]:
    """Many states, one row each; a load that several states share is calculated once.

    Raises `OutOfRange` where the car has no such load, or cannot stand in it.
    """
    loads_of = {name: loaded_car(car, name, PLAIN) for name in {state.load: None for state in states}}
    today = air.air_of_the_day(car, PLAIN)
    rows = []
    for state in states:
        track = surface_grip(car, state.track, PLAIN) if state.grip is None else state.grip
        density = today if state.air_density is None else state.air_density
        front, rear = (_as_warm(state, track, axle, PLAIN) for axle in AXLES)
        rows.append(Condition(loads_of[state.load], density, front, rear, state.speed))
    return rows


def conditions_of(conditions: Sequence[Condition], speeds: Array) -> Condition:
    """Many states at once, at these speeds, m/s: shape (state, speed)."""
    rows = np.array([(*one.car, one.density, one.front_track_grip, one.rear_track_grip) for one in conditions])
    columns = np.empty((rows.shape[1], *speeds.shape))
    columns[:] = rows.T[:, :, None]
    mass, front_share, cg_height, density, front_grip, rear_grip = columns
    return Condition(LoadedCar(mass, front_share, cg_height), density, front_grip, rear_grip, speeds)


def tyre_capacity(
    car: Car, condition: Condition, inputs: Inputs, names: Sequence[str], path_of: PathOf
) -> TyreCapacity:
    """Tyre capacity in one state, or in all states of these names.

    Raises `OutOfRange` where lift takes an axle off the ground before the driver brakes, or where engine braking alone
    lifts an axle or takes all of its grip.
    """
    loaded, density, _, _, speed = condition
    weight, wheelbase = loads.weight(loaded.mass), inputs(car, "wheelbase")
    drag = air.drag(density, speed, inputs(car, "drag_area")) if car.drag_area else 0.0
    engine = inputs(car, "engine_braking") if car.engine_braking else 0.0
    transfer = loads.load_transfer(loaded.cg_height, wheelbase)
    moved = None
    if car.drag_area and car.drag_height is not None and (is_array(drag) or drag > 0):
        moved = air.drag_transfer(drag, inputs(car, "drag_height"), loaded.cg_height, wheelbase)
    axles = []
    for axle, part in zip(AXLES, _ENGINE_PARTS[car.driven_axle], strict=True):
        front = axle is Axle.FRONT
        tyre = car.tyre(axle)
        down = air.downforce.at(axle)(density, speed, inputs(car, "front_lift_area" if front else "rear_lift_area"))
        at_speed = loads.front_load_at_speed if front else loads.rear_load_at_speed
        load = at_speed.at(axle)(weight, loaded.front_share, down)
        if moved is not None:
            in_drag = loads.front_load_in_drag if front else loads.rear_load_in_drag
            load = in_drag.at(axle)(load, moved)
        _refuse_lift(load, speed, axle, names, path_of)
        track = condition.front_track_grip if front else condition.rear_track_grip
        grip = tyres.grip.at(axle)(inputs(tyre, "friction", axle), track)
        sensitivity = inputs(tyre, "load_sensitivity", axle) if tyre.load_sensitivity else 0.0
        at_load = reference_load(car, tyre, axle, inputs)
        gains = transfer if front else loads.rear_transfer(transfer)
        law = None
        if tyre.load_sensitivity and not inputs.with_working:
            law = tyres.parabola_of(grip, load, gains, sensitivity, at_load)
        own_engine = loads.engine_at_axle.at(axle)(engine, part) if engine and part else 0.0
        axles.append(AxleCapacity(down, load, grip, sensitivity, at_load, gains, own_engine, law))
        _refuse_spent(axles[-1], engine, speed, axle, names)
    limit = limit_of(axles[0], axles[1], transfer, engine)
    return TyreCapacity(loaded, speed, weight, density, drag, engine, transfer, axles[0], axles[1], limit)


def _refuse_lift(load: Number, speed: Number, axle: Axle, names: Sequence[str], path_of: PathOf) -> None:
    loads_at, speeds = np.atleast_2d(load, speed)
    if loads_at.min() > 0:
        return
    state, at = np.argwhere(loads_at <= 0)[0]
    too_fast = float(np.broadcast_to(speeds, loads_at.shape)[state, at])
    raise OutOfRange(
        path_of(int(state), int(at)),
        f"At {{limit}} in “{names[state]}” lift carries the whole {axle} axle: lower the speed, or give less lift.",
        (too_fast, "speed"),
    )


def _refuse_spent(own: AxleCapacity, engine: Number, speed: Number, axle: Axle, names: Sequence[str]) -> None:
    """If engine braking alone lifts an axle or takes all of its grip, there is no answer."""
    if not engine:
        return
    left, speeds = np.atleast_2d(own.load + engine * own.transfer, speed)
    for wrong, what in (
        (left <= 0, "lifts"),
        (np.broadcast_to(own.engine, left.shape) >= own.capacity(left, axle), "takes all the grip of"),
    ):
        if wrong.any() and (what == "lifts" or own.engine):
            state, at = np.argwhere(wrong)[0]
            raise OutOfRange(
                "car.engine_braking",
                f"At {{limit}} in “{names[state]}” engine braking alone {what} the {axle} axle: lower it.",
                (float(np.broadcast_to(speeds, left.shape)[state, at]), "speed"),
            )


def reference_load(car: Car, tyre: Tyre, axle: Axle, inputs: Inputs) -> Number:
    """Load on one tyre at which its grip is given, N: the car's as weighed where the tyre names none."""
    if tyre.reference_load is not None:
        return inputs(tyre, "reference_load", axle)
    weight, share = loads.weight(inputs(car, "mass")), inputs(car, "front_share")
    return loads.static_tyre_load.at(axle)(weight, share if axle is Axle.FRONT else loads.rear_weight_share(share))
