"""Which axle locks first as the brake force grows, and how much of the grip is used by then."""

from typing import Any, NamedTuple

from plimbo.core.braking.force_path import ForcePath, rear_force_share, rear_shift
from plimbo.core.quantities.axles import Axle
from plimbo.core.vehicle import loads, tyres
from plimbo.core.vehicle.tyre_capacity import TyreCapacity
from plimbo.core.vehicle.tyre_limit import LIMPERT, AxleCapacity
from plimbo.core.working.formula import DEFINITION, formula
from plimbo.core.working.numbers import Number, choose, quotient

# Two brake forces that differ by less than this share count as equal: rounding must not decide which axle locks first.
SAME = 1e-9


@formula(
    "F_lock,f",
    "Total brake force when the front locks",
    "force",
    "{grip} · {load} / ({force_share} − {grip} · {transfer})",
    LIMPERT,
    valid="{load} > 0, 0 ≤ {force_share} ≤ 1",
)
def front_lock_force(grip: Number, load: Number, force_share: Number, transfer: Number) -> Number:
    """Braking of the whole car at which the front tyres lock, N. Infinite where they never can: the rear is first.

    `load` of the axle at speed before any braking, N, `transfer` in N per N.
    """
    return quotient(grip * load, force_share - grip * transfer)


@formula(
    "F_lock,r",
    "Total brake force when the rear locks",
    "force",
    "{grip} · {load} / (1 − {force_share} + {grip} · {transfer})",
    LIMPERT,
    valid="{load} > 0, 0 ≤ {force_share} ≤ 1, {transfer} > 0",
)
def rear_lock_force(grip: Number, load: Number, force_share: Number, transfer: Number) -> Number:
    """Braking of the whole car at which the rear tyres lock, N; always finite, as the rear goes light.

    `load` of the axle at speed before any braking, N, `transfer` in N per N.
    """
    return grip * load / (1 - force_share + grip * transfer)


@formula("F_o", "Held beside the brakes' share", "force", "{shift} + {engine}", DEFINITION)
def held_beside_share(shift: Number, engine: Number) -> Number:
    """Engine braking at the axle and the shift of the valve, N: neither grows with the push."""
    return shift + engine


@formula(
    "η_b",
    "Braking efficiency",
    "share",
    "{first_lock_force} / {limit_force}",
    LIMPERT,
    valid="{limit_force} > 0",
)
def braking_efficiency(first_lock_force: Number, limit_force: Number) -> Number:
    """Braking of all tyres at first lock as a share of the most they could give, both N; 1 at the ideal share."""
    return first_lock_force / limit_force


class Lock(NamedTuple):
    """Brake force of the whole car at which each axle locks, N (infinite where it never does), and the rest.

    `rear_first` is a flag, or an array of them; a tie counts as the front's.
    """

    front_force: Number
    rear_force: Number
    rear_first: Any
    first_force: Number
    efficiency: Number

    def force(self, axle: Axle) -> Number:
        return self.front_force if axle is Axle.FRONT else self.rear_force


def lock_order(road: TyreCapacity, path: ForcePath) -> Lock:
    """Which axle locks first along this path: of one setup in one state, or of many in many."""
    at_front, at_rear = _lock_on(road, path, Axle.FRONT), _lock_on(road, path, Axle.REAR)
    rear_first = at_rear < at_front * (1 - SAME)
    first = choose(rear_first, lambda: at_rear, lambda: at_front)
    used = loads.tyre_force(first, road.engine) if road.engine else first
    return Lock(at_front, at_rear, rear_first, first, braking_efficiency(used, road.limit.force))


def lock_alone(road: TyreCapacity, axle: Axle) -> Number:
    """Brake force at which an axle locks that brakes alone, N."""
    own = road.axle(axle)
    return _lock_force(road, own, 1.0, own.engine, axle)


def _lock_on(road: TyreCapacity, path: ForcePath, axle: Axle) -> Number:
    """Brake force of the whole car at which this axle locks, N: below the valve's knee, or else past it."""
    own, front = road.axle(axle), axle is Axle.FRONT
    if road.proportional:
        textbook = front_lock_force if front else rear_lock_force
        found = textbook(own.grip, own.load, path.share, road.transfer)
    else:
        found = _lock_force(road, own, _part(path.share, axle), own.engine, axle)
    if not path.bent:
        return found

    def past_knee() -> Number:
        shift = path.shift if front else rear_shift(path.shift)
        held = held_beside_share.at(axle)(shift, own.engine)
        return _lock_force(road, own, _part(path.share_past, axle), held, axle)

    return choose(found <= path.knee, lambda: found, past_knee)


def _part(front_share: Number, axle: Axle) -> Number:
    return front_share if axle is Axle.FRONT else rear_force_share(front_share)


def _lock_force(road: TyreCapacity, own: AxleCapacity, share: Number, held: Number, axle: Axle) -> Number:
    """`held` is what brakes the axle beside its share: the engine, and what a valve leaves from below its knee."""
    if own.sensitivity == 0:
        with_engine = tyres.lock_force_with_engine.at(axle)
        return with_engine(own.grip, own.load, share, own.transfer, road.engine, held)
    if own.parabola is not None:
        return tyres.lock_root(own.parabola, share, road.engine, held)
    return tyres.lock_force.at(axle)(
        own.grip, own.load, share, own.transfer, own.sensitivity, own.reference_load, road.engine, held
    )
