"""The driver's leg: the push that it must make, and how much braking it can hold."""

from plimbo.core.braking.chain import Chain
from plimbo.core.documents import Car
from plimbo.core.vehicle.loads import NEWTON
from plimbo.core.vehicle.tyre_capacity import TyreCapacity
from plimbo.core.working.formula import formula
from plimbo.core.working.numbers import Number, minimum

# The push depends on the deceleration that it causes; each iteration removes most of the remaining error.
TURNS = 40


@formula("F_leg", "What the leg itself holds", "force", "{foot_force} − {leg_mass} · {deceleration}", NEWTON)
def leg_effort(foot_force: Number, leg_mass: Number, deceleration: Number) -> Number:
    """Push of the foot, N, less the force, N, that the leg's own mass, kg, adds under a deceleration, m/s²."""
    return foot_force - leg_mass * deceleration


@formula("F_foot,held", "Push that can be held", "force", "{limit} + {leg_mass} · {deceleration}", NEWTON)
def push_held(limit: Number, leg_mass: Number, deceleration: Number) -> Number:
    """What the leg holds itself, N, and what its own mass, kg, adds to it at a deceleration, m/s²: N at the pedal."""
    return limit + leg_mass * deceleration


def force_held(chain: Chain, car: Car, road: TyreCapacity, first_force: Number) -> Number:
    """Brake force of the whole car that the leg can hold, as far as first lock, N."""
    limit, mass = car.driver.foot_force_limit, car.driver.leg_mass
    held = minimum(first_force, chain.force_at(limit))
    for _ in range(TURNS if mass else 0):
        held = minimum(first_force, chain.force_at(push_held(limit, mass, road.deceleration(held))))
    return held


def greatest_push(car: Car, most_deceleration: Number) -> Number:
    """The greatest push that the pedal ever sees, N, where the car brakes at `most_deceleration`, m/s²."""
    return push_held(car.driver.foot_force_limit, car.driver.leg_mass, most_deceleration)
