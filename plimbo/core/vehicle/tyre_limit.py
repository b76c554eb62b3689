"""Both axles at their limit together: the largest force of the tyres, and the ideal front share."""

from typing import NamedTuple

from plimbo.core.quantities.axles import Axle
from plimbo.core.vehicle import loads, tyres
from plimbo.core.working.formula import formula
from plimbo.core.working.numbers import Condition, Number, choose

LIMPERT = "From memory of Limpert, Brake Design and Safety, braking of the solo vehicle"
AT_THE_FRONT = "All of it at the front"


@formula(
    "F_max",
    "The most the tyres can give",
    "force",
    "({front_grip} · {front_load} + {rear_grip} · {rear_load}) / (1 − ({front_grip} − {rear_grip}) · {transfer})",
    "Both axles at F = μ·N together",
    valid="({front_grip} − {rear_grip}) · {transfer} < 1",
)
def tyre_limit_force(
    front_grip: Number, rear_grip: Number, front_load: Number, rear_load: Number, transfer: Number
) -> Number:
    """Braking with both axles at their limit, N; holds while the rear wheels stay on the ground (`rear_lift_force`)."""
    return (front_grip * front_load + rear_grip * rear_load) / (1 - (front_grip - rear_grip) * transfer)


@formula(
    "F_max", "Braking that lifts the rear wheels", "force", "{rear_load} / {transfer}", loads.MOMENTS,
    valid="{transfer} > 0",
)  # fmt: skip
def rear_lift_force(rear_load: Number, transfer: Number) -> Number:
    """Braking at which the rear axle carries nothing, N: the limit of a tall, short car on grippy tyres."""
    return rear_load / transfer


@formula(
    "F_max",
    "Braking that leaves the rear nothing",
    "force",
    "({rear_load} − {spent_load}) / {transfer}",
    loads.MOMENTS,
    valid="{transfer} > 0",
)
def rear_spent_force(rear_load: Number, spent_load: Number, transfer: Number) -> Number:
    """Braking at which the rear carries no more than the `spent_load`, N, that engine braking uses up, N."""
    return (rear_load - spent_load) / transfer


@formula("F_need", "Brake force needed, both wheels", "force", "{grip_force} − {own_engine}", tyres.AT_ITS_LIMIT)
def axle_need(grip_force: Number, own_engine: Number) -> Number:
    """Capacity of the axle's tyres, less the part that the engine already uses, N."""
    return grip_force - own_engine


@formula("F_need", "Brake force needed, rear wheels light", "force", "{limit_force} · {share}", AT_THE_FRONT)
def share_of_limit(limit_force: Number, share: Number) -> Number:
    """Force that one axle must make, N, where the rear wheels lift before the front tyres reach their limit."""
    return limit_force * share


@formula(
    "φ_ideal",
    "Ideal share of the front",
    "share",
    "{grip} · {front_load_braking} / {limit_force}",
    LIMPERT,
    valid="{limit_force} > 0",
)
def ideal_share(grip: Number, front_load_braking: Number, limit_force: Number) -> Number:
    """Front share of brake force that brings both axles to their limit together."""
    return grip * front_load_braking / limit_force


@formula(
    "φ_ideal",
    "Ideal share of the front",
    "share",
    "{front_force} / {brake_limit}",
    LIMPERT,
    valid="{brake_limit} > 0",
)
def share_of_needs(front_force: Number, brake_limit: Number) -> Number:
    """As `ideal_share`, from the forces that the front brakes and the brakes of both axles must make, N."""
    return front_force / brake_limit


@formula(
    "φ_ideal", "Ideal share of the front, rear wheels light", "share", "{braking} / {limit}", AT_THE_FRONT,
    valid="{limit} > 0",
)  # fmt: skip
def lifted_share(braking: Number, limit: Number) -> Number:
    """Ideal share where the rear wheels lift before the front tyres reach their limit: all of it at the front."""
    return braking / limit


class AxleCapacity(NamedTuple):
    """What tyres and road allow at one axle, N per axle; `transfer` is the load that it gains per newton of braking,
    negative at the rear.

    `load` is its load at speed before any braking, `engine` the part of the engine's braking that acts on it.
    `parabola` is the same as a single law, for tyres with load sensitivity, when no working is needed.
    """

    downforce: Number
    load: Number
    grip: Number
    sensitivity: Number
    reference_load: Number
    transfer: Number
    engine: Number
    parabola: tyres.Parabola | None

    def capacity(self, load: Number, axle: Axle) -> Number:
        """Tyre capacity at this axle load, N."""
        if self.sensitivity == 0:
            return tyres.straight_grip_force.at(axle)(self.grip, load)
        useful = tyres.useful_load.at(axle)(load, self.sensitivity, self.reference_load)
        return tyres.grip_force.at(axle)(self.grip, useful, self.sensitivity, self.reference_load)

    def need(self, load: Number, axle: Axle) -> Number:
        """Brake force that brings it to its limit at this axle load, N."""
        most = self.capacity(load, axle)
        return axle_need.at(axle)(most, self.engine) if self.engine else most


class Limit(NamedTuple):
    """Both axles at their limit together, N.

    `force` is the most that all four tyres can give; engine braking is part of it. The rest is left for the brakes, in
    total and at each axle. Where the rear wheels lift first, all of it is at the front.
    """

    force: Number
    brake_force: Number
    front_load: Number
    rear_load: Number
    front_force: Number
    rear_force: Number
    ideal_share: Number
    rear_lifts: Condition


def load_spent(own: AxleCapacity) -> Number:
    """Axle load that engine braking there uses up, N."""
    return tyres.load_for_force(own.engine, own.grip, own.sensitivity, own.reference_load) if own.engine else 0.0


def limit_of(front: AxleCapacity, rear: AxleCapacity, transfer: Number, engine: Number) -> Limit:
    """Both axles at their limit, or the front alone where the rear tyres have no grip left."""
    spent = load_spent(rear)
    most = (rear.load - spent) / transfer
    rear_lifts = front.capacity(front.load + most * front.transfer, Axle.FRONT) + rear.engine >= most
    force = choose(
        rear_lifts,
        lambda: rear_spent_force(rear.load, spent, transfer) if rear.engine else rear_lift_force(rear.load, transfer),
        lambda: _limit_force(front, rear, transfer),
    )
    brakes = loads.without_engine(force, engine) if engine else force
    front_load = loads.front_load_braking.at(Axle.FRONT)(front.load, force, transfer)
    rear_load = loads.rear_load_braking.at(Axle.REAR)(rear.load, force, transfer)
    at_front = choose(
        rear_lifts,
        lambda: share_of_limit.at(Axle.FRONT)(brakes, 1.0),
        lambda: front.need(front_load, Axle.FRONT),
    )
    at_rear = choose(
        rear_lifts, lambda: share_of_limit.at(Axle.REAR)(brakes, 0.0), lambda: rear.need(rear_load, Axle.REAR)
    )
    plain = front.sensitivity == 0 and engine == 0
    share = choose(
        rear_lifts,
        lambda: lifted_share(brakes, brakes),
        lambda: ideal_share(front.grip, front_load, force) if plain else share_of_needs(at_front, brakes),
    )
    return Limit(force, brakes, front_load, rear_load, at_front, at_rear, share, rear_lifts)


def _limit_force(front: AxleCapacity, rear: AxleCapacity, transfer: Number) -> Number:
    if front.sensitivity == 0 and rear.sensitivity == 0:
        return tyre_limit_force(front.grip, rear.grip, front.load, rear.load, transfer)
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
