"""The findings of the lock order, its numbers, and what is said of them."""

import math
from typing import NamedTuple

from plimbo.core.braking.balance_settings import bar_offset
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.vehicle.loads import GRAVITY
from plimbo.core.verdicts.balance_changes import centrings
from plimbo.core.verdicts.level import Finding, Rank, bad, good, watch
from plimbo.core.working.numbers import Condition, Number, single

REAR_FIRST = bad("Rear locks first", Rank.REAR_FIRST)
LOCK_TOGETHER = watch("Both lock together", Rank.REAR_FIRST)
HARDLY_BRAKES = bad("Hardly brakes", Rank.EFFORT)
FRONT_FIRST_JUST = watch("Front first, just", Rank.REAR_FIRST)
SIZES_WRONG = watch("Sizes wrong, bar wound", Rank.BALANCE)
TOO_MUCH_FRONT = watch("Too much front", Rank.BALANCE)
GRIP_UNUSED = watch("Too much front at times", Rank.BALANCE)
IN_DOUBT = watch("Front first, in doubt", Rank.REAR_FIRST)
FRONT_FIRST = good("Front locks first")
TOGETHER = 1e-9
# Nearer than this the model cannot tell which end locks first, m/s².
TOGETHER_WITHIN = 0.01 * GRAVITY


class LockOrderNumbers(NamedTuple):
    """States by their index: the state in which the rear comes nearest to locking first, or locks first by most, with
    its decelerations, m/s²; the first in which rear pads that bite more would lock first, or −1; the state that uses
    least grip; the first in which the rear wheels lift, or −1. `order` is the least by which the front locks sooner,
    see `Screening.order_margin`; `bar_share` the bearing off centre, share of the half bar, plus toward the front.

    `fixed_efficiency` is the least grip used in the states that bar or valve cannot be set for; `reset` the first that
    they must be set for, or −1.
    """

    worst: Number
    rear_first: Condition
    order: Number
    spare: Number
    front_lock: Number
    rear_lock: Number
    just: Number
    least_used: Number
    least_efficiency: Number
    fixed_efficiency: Number
    reset: Number
    best_efficiency: Number
    bar_share: Number
    lifts: Number


def reason_of(screening: Screening, setup: Setup, numbers: LockOrderNumbers, finding: Finding) -> Phrase:
    names, car = screening.conditions.names, screening.conditions.car

    def name_of(place: Number) -> str:
        return names[int(single(place))]

    lifts, carried = "", dict[str, tuple[float, str]]()
    if numbers.lifts >= 0:
        carried["carried"] = (screening.limits[int(single(numbers.lifts))][1], "force")
        lifts = (
            f" In “{name_of(numbers.lifts)}” the rear wheels lift before the front tyres reach their limit: more"
            " than {carried} at both rear wheels locks them, whatever the brakes."
        )
    if finding is SIZES_WRONG:
        return _bar_reason(car, setup, float(numbers.bar_share))
    if finding is REAR_FIRST:
        front_holds = (
            "the front would hold to {front}"
            if math.isfinite(numbers.front_lock)
            else "the front never does, so little does it make"
        )
        cold = ""
        if screening.conditions.states[int(single(numbers.worst))].rear_tyre_grip is not None:
            how = "set the valve lower" if setup.tandem_fitted else "turn the bar forward"
            cold = f" Its rear tyres are cold: {how} for these laps, and back as they come in: see the card."
            if setup.tandem_fitted and not setup.valve.fitted:
                cold = " Its rear tyres are cold, and no valve is fitted that could be set for these laps."
        return phrase(
            f"{name_of(numbers.worst)}: the rear locks at {{rear}}, {front_holds}. The car can spin.{cold}{lifts}",
            rear=(numbers.rear_lock, "deceleration"),
            front=(numbers.front_lock, "deceleration"),
            **carried,
        )
    if finding is LOCK_TOGETHER:
        return phrase(
            f"{name_of(numbers.worst)}: both ends lock within {{together}} of each other, too near to tell which is"
            f" first.{lifts}",
            together=(TOGETHER_WITHIN, "deceleration"),
            **carried,
        )
    if finding is FRONT_FIRST_JUST:
        together = abs(single(numbers.order)) < TOGETHER
        opening = "both ends lock together; " if together else ""
        return phrase(
            f"{name_of(numbers.just)}: {opening}if the rear pads bite {{tolerance}} more than the front's, the rear"
            f" locks first.{lifts}",
            tolerance=(setup.pad_tolerance, "share"),
            **carried,
        )
    used = (
        f" {name_of(numbers.least_used)} uses {{efficiency}} of the grip: {{lost}} longer than ideal"
        " from {top} to {end}."
    )
    openings = {
        HARDLY_BRAKES: "The fronts lock long before the rears do anything: even the best state uses {best} of the"
        " grip.",
        TOO_MUCH_FRONT: "The fronts do too much in every state.",
        GRIP_UNUSED: "Front first in every state.",
    }
    for_the_day, turned = _reset(screening, setup, numbers)
    return phrase(
        f"{openings.get(finding, 'Front first in every state.')}{used}{for_the_day}{lifts}",
        **carried,
        **turned,
        efficiency=(numbers.least_efficiency, "share"),
        best=(numbers.best_efficiency, "share"),
        lost=(screening.metres_lost[int(single(numbers.least_used))], "distance"),
        top=(car.top_speed, "speed"),
        end=(car.stop_to_speed, "speed"),
    )


def _reset(screening: Screening, setup: Setup, numbers: LockOrderNumbers) -> tuple[str, dict[str, tuple[float, str]]]:
    """How bar or valve is set for a state that would leave grip unused, in words with their numbers."""
    place = int(single(numbers.reset))
    if place < 0:
        return "", {}
    state = screening.conditions.names[place]
    if setup.tandem_fitted:
        return f" For “{state}” set the valve higher, see the card.", {}
    front, rear = screening.limits[place]
    bar = setup.balance_bar
    wanted = single(bar_offset(setup, screening.chain, (front, rear / (1 + setup.pad_tolerance))))
    turns = bar.turns(wanted - bar.offset)
    way = "front" if turns > 0 else "rear"
    return f" For “{state}” turn the bar {{reset}} to the {way}, see the card.", {"reset": (abs(turns), "turns")}


def order_words(before: LockOrderNumbers, after: LockOrderNumbers) -> Phrase:
    """Which end locks first and by how much, now and before."""

    def words(numbers: LockOrderNumbers, name: str) -> str:
        if not numbers.rear_first:
            return f"front first by {{{name}}}"
        if math.isfinite(numbers.spare):
            return f"rears lock {{{name}}} too early"
        return f"the front never locks, the rears at {{{name}}}"

    def value(numbers: LockOrderNumbers) -> float:
        spare = single(numbers.spare)
        return abs(spare) if math.isfinite(spare) else single(numbers.rear_lock)

    return phrase(
        f"{words(after, 'now')} (was: {words(before, 'was')})",
        now=(value(after), "deceleration"),
        was=(value(before), "deceleration"),
    )


def _bar_reason(car: Car, setup: Setup, share: float) -> Phrase:
    """The bar is wound: the size that it hides."""
    bar = setup.balance_bar
    toward = "front" if share > 0 else "rear"
    opening = (
        f"The bar stands {{turns}} toward the {toward}, {{share}} of the way to its end: the sizes are wrong, not the"
        " bar."
    )
    values = {"turns": (abs(bar.turns(bar.offset)), "turns"), "share": (abs(share), "share")}
    for one in centrings(car, setup)[:1]:
        values |= {"bore": (one.bore, "bore"), "back": (abs(bar.turns(one.offset)), "turns")}
        side = "front" if one.offset > 0 else "rear"
        return phrase(
            f"{opening} With a {{bore}} {one.axle} cylinder it stands {{back}} toward the {side}, at the same balance.",
            **values,
        )
    return phrase(f"{opening} No cylinder on the shelf alone brings it back.", **values)
