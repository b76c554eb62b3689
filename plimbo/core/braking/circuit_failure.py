"""One circuit lost, or the booster: what still works at the push that road rules ask for, and how far the pedal
goes.
"""

import math
from enum import StrEnum
from functools import lru_cache
from typing import NamedTuple

from pydantic import Field

from plimbo.core.braking.chain import Chain, push_for_front
from plimbo.core.braking.lock_order import Lock, lock_alone
from plimbo.core.braking.needs import line_pressure_for
from plimbo.core.friction import torque
from plimbo.core.hydraulics import actuation
from plimbo.core.hydraulics.brake_system import NO_BOOSTER, BrakeSystem
from plimbo.core.hydraulics.travel import (
    axle_stroke,
    bar_shares,
    bar_travel,
    pedal_travel_of_rod,
    tandem_travel,
)
from plimbo.core.hydraulics.valve import valve_output
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import AXLES, Axle, other
from plimbo.core.quantities.results import Result, answer
from plimbo.core.vehicle.loads import NEWTON
from plimbo.core.vehicle.tyre_capacity import TyreCapacity
from plimbo.core.working.formula import formula
from plimbo.core.working.inputs import PLAIN, Inputs
from plimbo.core.working.numbers import Number, arc_tangent, maximum, minimum, tangent

# From memory of UN Regulation 13-H, Annex 3: mean deceleration at up to 500 N, service and secondary, m/s².
SERVICE, SECONDARY = 6.43, 2.44
# Past any pressure in a brake, Pa.
MOST_PRESSURE = 1e9


@formula(
    "s_stop", "Clevises apart at the bar's stop", "length", "{length} · tan({tilt_stop})", "Lever",
    valid="0 ≤ {tilt_stop} < 1.5",
)  # fmt: skip
def reach_of_stop(length: Number, tilt_stop: Number) -> Number:
    """How much further one clevis may be than the other, m; m, rad."""
    return length * tangent(tilt_stop)


@formula(
    "s_empty",
    "Stroke of the empty cylinder",
    "length",
    "min({stroke}, {good} + {reach})",
    "Bottom or stop, whichever is first",
)
def empty_stroke(stroke: Number, good: Number, reach: Number) -> Number:
    """Stroke of the empty cylinder until it reaches its bottom or the bar reaches its stop, m."""
    return minimum(stroke, good + reach)


@formula("F_left", "Brake force used", "force", "min({brake_force}, {lock_force})", "No more than the tyres hold")
def held_force(brake_force: Number, lock_force: Number) -> Number:
    """Brake force of the axle that still works, N."""
    return minimum(brake_force, lock_force)


@formula("a_left", "Deceleration with the failure", "deceleration", "{force} / {mass}", NEWTON, valid="{mass} > 0")
def deceleration_left(force: Number, mass: Number) -> Number:
    """From the brakes alone, without drag and engine, as road rules count it, m/s²; N, kg."""
    return force / mass


@formula(
    "F_good",
    "Push on the cylinder that works",
    "force",
    "max({share} · {push}, min({push}, {bottom_push}))",
    "Levers: all of it on the bar's stop, as the bar shares with the empty cylinder at its bottom",
    valid="0 ≤ {share} ≤ 1",
)
def push_on_good(push: Number, share: Number, bottom_push: Number) -> Number:
    """With the other circuit empty, N; `bottom_push` as of `push_at_bottom`."""
    return maximum(share * push, minimum(push, bottom_push))


class BarRest(StrEnum):
    """What holds the bar with one circuit empty: its stop, the bottom of the empty cylinder, or both."""

    STOP = "stop"
    BOTH = "both"
    BOTTOM = "bottom"


class OneCircuitPedal(NamedTuple):
    """The pedal with one circuit empty: stroke of the good cylinder, m, pedal travel, m, and tilt of the bar, rad, plus
    where the empty cylinder has gone further.
    """

    stroke: Number
    pedal: Number
    tilt: Number


class OneCircuit(NamedTuple):
    """One axle brakes alone at a push of the foot: pressure, Pa, brake force of the axle, N.

    `rest` is what holds the bar; none without one.
    """

    foot_force: Number
    pressure: Number
    brake_force: Number
    pedal: OneCircuitPedal
    rest: BarRest | None


class CircuitFailure(Result):
    """What one failure leaves: at the push that road rules ask, and up to lock. From the brakes alone."""

    title: str
    foot_force: float = answer("force", "Foot force")
    deceleration: float = answer("deceleration", "Deceleration at that push")
    locks: bool = Field(description="Whether an axle locks before that push.")
    best: float | None = answer("deceleration", "The most that is left, at lock; none if it never locks")
    best_foot_force: float | None = answer("force", "Foot force there; none if no push brings it there")
    reference: float | None = answer("deceleration", "What road rules ask, for a road-registered car")
    meets_reference: bool | None = Field(description="Whether it does what road rules ask; none where they do not.")
    travel: float | None = answer("length", "Pedal travel then")
    floor: bool | None = Field(description="Whether the pedal meets the floor first.")
    tilt: float | None = answer("angle", "Tilt of the bar")
    rest: BarRest | None = Field(description="What holds the bar; none without one.")


def pedal_on_one_circuit(system: BrakeSystem, pressure: Number, axle: Axle, inputs: Inputs) -> OneCircuitPedal:
    """The axle that is left has this pressure at its calipers, Pa.

    A bar tilts freely until it meets its stops or the empty cylinder is at its bottom; an empty circuit of a tandem
    cylinder takes all its stroke.
    """
    return pedal_of_stroke(system, axle_stroke(system, pressure, inputs, axle).stroke, axle)


def pedal_of_stroke(system: BrakeSystem, stroke: Number, axle: Axle) -> OneCircuitPedal:
    """As `pedal_on_one_circuit`, from the stroke of the axle that is left, m."""
    gone = other(axle)
    empty = system.circuit(gone).cylinder.stroke
    bar = system.bar
    if bar is None:
        rod: Number = tandem_travel(stroke, empty)
        tilt: Number = 0.0
    else:
        gone_by = empty_stroke.at(gone)(empty, stroke, reach_of_stop(bar.length, bar.tilt_stop))
        front, rear = (stroke, gone_by) if axle is Axle.FRONT else (gone_by, stroke)
        shares = bar_shares(system)
        rod = bar_travel(front, shares[0], rear, shares[1])
        tilt = arc_tangent((gone_by - stroke) / bar.length)
    return OneCircuitPedal(stroke, pedal_travel_of_rod(rod, system.pedal.ratio), tilt)


@lru_cache(maxsize=64)
def push_at_bottom(system: BrakeSystem, axle: Axle) -> float:
    """The push on the bar, N, from which on the empty cylinder is at its bottom while `axle` brakes alone.

    Up to it the bar stands on its stop, so all of the push goes to the good cylinder, whose stroke plus the bar's reach
    is that of the empty one. Infinite where no pressure moves so much fluid.
    """
    from scipy.optimize import brentq  # noqa: PLC0415 - it takes a while to load

    assert system.bar is not None
    cylinder = system.circuit(axle).cylinder
    reach = reach_of_stop(system.bar.length, system.bar.tilt_stop)
    room = float(system.circuit(other(axle)).cylinder.stroke - reach)

    def past(pressure: float) -> float:
        return float(axle_stroke(system, pressure, PLAIN, axle).stroke) - room

    if past(0.0) >= 0:
        return 0.0
    if past(MOST_PRESSURE) < 0:
        return math.inf
    line = line_pressure_for(system, brentq(past, 0.0, MOST_PRESSURE), PLAIN, axle)
    return float(actuation.force_for_pressure(line, cylinder.area, cylinder.efficiency))


def one_circuit(chain: Chain, axle: Axle, inputs: Inputs, foot_force: Number | None = None) -> OneCircuit:
    """The axle that is left brakes alone, by default at the push at which road rules ask, N.

    First the bar stands on its stop and all of the push goes to the good cylinder. From some push on the empty cylinder
    is at its bottom: it takes what comes on top, until the bar shares as it is set. So pressure never falls with more
    push.
    """
    if foot_force is None:
        asked = defaults.LOST_CIRCUIT_PUSH
        foot_force = inputs.constant(asked.value, "F_foot", "Push that road rules ask", "force", asked.reason)
    system, made = chain.system, chain.axle(axle)
    push = chain.push_at(foot_force)
    rest = None
    if system.bar is not None:
        bottom, share = push_at_bottom(system, axle), _share(system, axle)
        rest = BarRest.STOP if push <= bottom else BarRest.BOTTOM if share * push >= bottom else BarRest.BOTH
        if bottom < math.inf:
            why = "Found by trial: there the good stroke and the bar's reach make the empty cylinder's stroke"
            least = inputs.constant(bottom, "F_b", "Push that brings the empty cylinder to its bottom", "force", why)
            push = push_on_good.at(axle)(push, share, least)
    pressure = _pressure(system, push, axle)
    force = torque.force_at_pressure.at(axle)(made.brake_force, pressure, made.pressure)
    return OneCircuit(foot_force, pressure, force, pedal_on_one_circuit(system, pressure, axle, inputs), rest)


def _share(system: BrakeSystem, axle: Axle) -> Number:
    return bar_shares(system)[0 if axle is Axle.FRONT else 1]


def _pressure(system: BrakeSystem, push: Number, axle: Axle) -> Number:
    """At the calipers, Pa, with this push on their cylinder, N."""
    cylinder = system.circuit(axle).cylinder
    line = actuation.line_pressure.at(axle)(push, cylinder.efficiency, cylinder.area)
    if axle is Axle.FRONT or not system.valve.works:
        return line
    return valve_output.at(axle)(line, *system.valve)


def failures(
    chain: Chain, road: TyreCapacity, lock: Lock, inputs: Inputs, *, registered: bool
) -> tuple[dict[str, CircuitFailure], dict[str, Number]]:
    """By name: everything working, the booster lost where there is one, each circuit alone; and the headline numbers.

    `registered`: whether the rules for road cars are held against it.
    """
    found = {"service": _together(chain, road, lock, "All working", SERVICE if registered else None)}
    if chain.system.booster.boosts:
        unboosted = chain._replace(system=chain.system._replace(booster=NO_BOOSTER))
        found["unboosted"] = _together(unboosted, road, lock, "Booster lost", SECONDARY if registered else None)
    numbers: dict[str, Number] = {}
    for axle in AXLES:
        found[str(axle)], own = _alone(chain, road, axle, inputs, SECONDARY if registered else None)
        numbers |= {f"{axle}.{name}": number for name, number in own.items()}
    return found, numbers


def _together(chain: Chain, road: TyreCapacity, lock: Lock, title: str, reference: float | None) -> CircuitFailure:
    """Both circuits working."""
    foot_force, first, mass = defaults.LOST_CIRCUIT_PUSH.value, lock.first_force, road.car.mass
    force = chain.force_at(foot_force)
    deceleration = float(deceleration_left(held_force(force, first), mass))
    push = push_for_front(chain.push, chain.path.front(first), chain.front.brake_force)
    return CircuitFailure(
        title=title,
        foot_force=foot_force,
        deceleration=deceleration,
        locks=bool(force >= first),
        best=deceleration_left(first, mass),
        best_foot_force=chain.foot_for_push(push),
        reference=reference,
        meets_reference=None if reference is None else deceleration >= reference,
        travel=None,
        floor=None,
        tilt=None,
        rest=None,
    )


def _alone(
    chain: Chain, road: TyreCapacity, axle: Axle, inputs: Inputs, reference: float | None
) -> tuple[CircuitFailure, dict[str, Number]]:
    asked = one_circuit(chain, axle, inputs)
    most = lock_alone(road, axle)
    deceleration = deceleration_left.at(axle)(held_force.at(axle)(asked.brake_force, most), road.car.mass)
    best = deceleration_left.at(axle)(most, road.car.mass)
    foot = _foot_to_lock(chain, most, axle, inputs)
    locks = bool(asked.brake_force >= most)
    pressed = one_circuit(chain, axle, inputs, foot) if locks else asked
    pedal = pressed.pedal
    bar = chain.system.bar
    failure = CircuitFailure(
        title=f"{axle.capitalize()} circuit alone",
        foot_force=asked.foot_force,
        deceleration=deceleration,
        locks=locks,
        best=best if math.isfinite(best) else None,
        best_foot_force=foot if math.isfinite(foot) else None,
        reference=reference,
        meets_reference=None if reference is None else bool(deceleration >= reference),
        travel=pedal.pedal,
        floor=bool(pedal.pedal > chain.system.pedal.room),
        tilt=None if bar is None else pedal.tilt,
        rest=pressed.rest,
    )
    return failure, {"deceleration": deceleration, "best": best, "best_foot_force": foot, "travel": pedal.pedal}


def _foot_to_lock(chain: Chain, most: Number, axle: Axle, inputs: Inputs) -> Number:
    """Foot force at which the axle that still works locks, N; infinite if it never does."""
    made, cylinder = chain.axle(axle), chain.system.circuit(axle).cylinder
    pressure = torque.pressure_for_force.at(axle)(made.pressure, most, made.brake_force)
    line = line_pressure_for(chain.system, pressure, inputs, axle)
    push = actuation.force_for_pressure.at(axle)(line, cylinder.area, cylinder.efficiency)
    if chain.system.bar is not None and push > push_at_bottom(chain.system, axle):
        push = actuation.push_of_bar.at(axle)(push, _share(chain.system, axle))
    return chain.foot_for_push(push, axle)
