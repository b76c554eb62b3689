"""What the tyres allow in one state: loads, the limit of both axles together, and when each axle locks."""

from typing import NamedTuple

from plimbo.core.documents import Car, State
from plimbo.core.errors import OutOfRange
from plimbo.core.formulas import loads
from plimbo.core.working import Axle, Inputs


class Demand(NamedTuple):
    """The road's side of one state; forces in N per axle unless they say otherwise."""

    weight: float
    front_grip: float
    rear_grip: float
    front_load: float
    rear_load: float
    transfer: float
    limit_force: float
    front_limit_load: float
    rear_limit_load: float
    front_limit_force: float
    rear_limit_force: float
    ideal_share: float
    rear_lifts: bool


def demand(car: Car, state: State, take: Inputs, where: str = "state") -> Demand:
    """What the tyres allow in this state.

    Raises `OutOfRange` where lift takes an axle off the ground before the driver brakes.
    """
    weight = loads.weight(take(car, "mass"))
    front_share = take(car, "front_share")
    density, speed = take(state, "air_density"), take(state, "speed")
    front_down = loads.downforce.at(Axle.FRONT)(density, speed, take(car, "front_lift_area"))
    rear_down = loads.downforce.at(Axle.REAR)(density, speed, take(car, "rear_lift_area"))
    front_load = loads.front_load_at_speed.at(Axle.FRONT)(weight, front_share, front_down)
    rear_load = loads.rear_load_at_speed.at(Axle.REAR)(weight, front_share, rear_down)
    for axle, load in ((Axle.FRONT, front_load), (Axle.REAR, rear_load)):
        if load <= 0:
            raise OutOfRange(
                f"{where}.speed",
                f"At {state.speed:.0f} m/s in “{state.name}” lift carries the whole {axle} axle:"
                " lower the speed, or give less lift.",
            )
    transfer = loads.load_transfer(take(car, "cg_height"), take(car, "wheelbase"))
    track = take(state, "grip")
    front_grip = loads.grip.at(Axle.FRONT)(take(car.front_tyre, "friction", Axle.FRONT), track)
    rear_grip = loads.grip.at(Axle.REAR)(take(car.rear_tyre, "friction", Axle.REAR), track)
    rear_lifts = front_grip * (front_load + rear_load) >= rear_load / transfer
    if rear_lifts:
        limit = loads.rear_lift_force(rear_load, transfer)
    else:
        limit = loads.tyre_limit_force(front_grip, rear_grip, front_load, rear_load, transfer)
    front_limit_load = loads.front_load_braking.at(Axle.FRONT)(front_load, limit, transfer)
    rear_limit_load = loads.rear_load_braking.at(Axle.REAR)(rear_load, limit, transfer)
    if rear_lifts:
        share = loads.lifted_share(limit, limit)
        front_limit = loads.share_of_limit.at(Axle.FRONT)(limit, 1.0)
        rear_limit = loads.share_of_limit.at(Axle.REAR)(limit, 0.0)
    else:
        share = loads.ideal_share(front_grip, front_limit_load, limit)
        front_limit = loads.axle_limit_force.at(Axle.FRONT)(front_grip, front_limit_load)
        rear_limit = loads.axle_limit_force.at(Axle.REAR)(rear_grip, rear_limit_load)
    return Demand(
        weight=weight,
        front_grip=front_grip,
        rear_grip=rear_grip,
        front_load=front_load,
        rear_load=rear_load,
        transfer=transfer,
        limit_force=limit,
        front_limit_load=front_limit_load,
        rear_limit_load=rear_limit_load,
        front_limit_force=front_limit,
        rear_limit_force=rear_limit,
        ideal_share=share,
        rear_lifts=rear_lifts,
    )


class Lock(NamedTuple):
    """Whole-car brake force at which each axle locks, N (infinite where the front never does), and what follows."""

    front_force: float
    rear_force: float
    first: Axle
    first_force: float
    efficiency: float

    def force(self, axle: Axle) -> float:
        return self.front_force if axle is Axle.FRONT else self.rear_force


def lock_order(road: Demand, force_share: float) -> Lock:
    """Which axle locks first with this front share of brake force."""
    front = loads.front_lock_force(road.front_grip, road.front_load, force_share, road.transfer)
    rear = loads.rear_lock_force(road.rear_grip, road.rear_load, force_share, road.transfer)
    first = Axle.REAR if rear < front else Axle.FRONT
    first_force = rear if first is Axle.REAR else front
    return Lock(front, rear, first, first_force, loads.braking_efficiency(first_force, road.limit_force))
