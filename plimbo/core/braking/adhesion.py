"""Adhesion utilised over the braking rate, against the limits for road cars.

As the regulation asks: engine out of gear, still air, load moving as the car slows. Limits from memory of UN
Regulation 13-H, Annex 5: the front's curve above the rear's for 0.15 ≤ z ≤ 0.80, and z ≥ 0.1 + 0.7·(k − 0.2) for
0.2 ≤ k ≤ 0.8. A reference for road-registered cars, no rule for a race.
"""

import math
from typing import NamedTuple

import numpy as np

from plimbo.core.braking.force_path import ForcePath, axle_part, rear_force_share, rear_rest
from plimbo.core.documents import Car
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.quantities.results import Result, answer
from plimbo.core.vehicle import loads
from plimbo.core.vehicle.loading import LoadedCar
from plimbo.core.vehicle.loads import GRAVITY
from plimbo.core.working.formula import formula
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Array, Number, choose, column

REGULATION = "From memory of UN Regulation 13-H, Annex 5"
LEAST_RATE, MOST_RATE = 0.15, 0.80
LEAST_GRIP, MOST_GRIP = 0.2, 0.8
STEP = 0.005
# An axle that carries less than this carries nothing, N.
NOTHING = 1e-6


@formula("F", "Brake force at this braking rate", "force", "{weight} · {rate}", "z is the deceleration in parts of g")
def force_at_rate(weight: Number, rate: Number) -> Number:
    """`F = z·W`, N; rate in parts of g."""
    return weight * rate


@formula("f", "Adhesion utilised", "friction", "{brake_force} / {load}", REGULATION, valid="{load} > 0")
def adhesion_utilised(brake_force: Number, load: Number) -> Number:
    """Friction that an axle needs in order not to lock, from its brake force and its load, both N."""
    return brake_force / load


@formula("k_line", "Friction that the line allows", "friction", "0.2 + ({rate} − 0.1) / 0.7", REGULATION)
def line_at(rate: Number) -> Number:
    """Most friction that an axle may need at a braking rate in parts of g."""
    return LEAST_GRIP + (rate - 0.1) / 0.7


class AdhesionCurves(Result):
    """One load of the car: friction that each axle needs, over the braking rate, m/s²."""

    load: str
    rates: tuple[float, ...] = answer("deceleration", "Braking rates")
    front: tuple[float, ...] = answer("friction", "Adhesion utilised, front")
    rear: tuple[float | None, ...] = answer("friction", "Adhesion utilised, rear; none where it carries nothing")
    line_rates: tuple[float, ...] = answer("deceleration", "Ends of the line of the limits")
    line: tuple[float, ...] = answer("friction", "Friction that the line allows")
    meets_road_limits: bool
    rear_takes_over: float | None = answer("deceleration", "The rear needs more grip than the front from")
    rear_above_from: float | None = answer("deceleration", "It does within the range of the limits from")
    over_line_at: float | None = answer("deceleration", "A curve is furthest over the line at")
    words: Phrase
    top_rate: float = answer("deceleration", "Highest braking rate that the limits ask for")
    front_at_top: float = answer("friction", "Adhesion utilised there, front")
    rear_at_top: float | None = answer("friction", "Adhesion utilised there, rear; none where it carries nothing")


class _Curves(NamedTuple):
    rates: Array
    front: Array
    rear: Array


def utilised(car: Car, loaded: LoadedCar, path: ForcePath, rate: Number, inputs: Inputs) -> tuple[Number, Number]:
    """Friction needed at a braking rate in parts of g, front and rear; infinite where the rear carries nothing."""
    weight = loads.weight(loaded.mass)
    transfer = loads.load_transfer(loaded.cg_height, inputs(car, "wheelbase"))
    force = force_at_rate(weight, rate)
    standing = (
        loads.front_load_at_speed.at(Axle.FRONT)(weight, loaded.front_share, 0.0),
        loads.rear_load_at_speed.at(Axle.REAR)(weight, loaded.front_share, 0.0),
    )
    front_load = loads.front_load_braking.at(Axle.FRONT)(standing[0], force, transfer)
    rear_load = loads.rear_load_braking.at(Axle.REAR)(standing[1], force, transfer)
    at_front = path.front(force)
    rear_part = axle_part.at(Axle.REAR)
    at_rear = rear_rest(force, at_front) if path.bent else rear_part(rear_force_share(path.share), force)
    front = adhesion_utilised.at(Axle.FRONT)(at_front, front_load)
    rear = choose(rear_load > NOTHING, lambda: adhesion_utilised.at(Axle.REAR)(at_rear, rear_load), lambda: math.inf)
    return front, rear


def adhesion(
    car: Car,
    load: str,
    loaded: LoadedCar,
    path: ForcePath,
    highest: float,
    at_top: tuple[Number, Number],
    inputs: Inputs,
) -> AdhesionCurves:
    """One load, up to past the `highest` deceleration, m/s²; `at_top` is what is `utilised` at the highest rate that
    the limits ask for.
    """
    most = max(0.9, 1.1 * highest / GRAVITY)
    rates: Array = np.arange(1.0, round(most / STEP) + 1) * STEP
    curves = _Curves(rates, *map(column, utilised(car, loaded, path, rates, inputs)))
    over_front, over_line = _rear_over_front(curves), _over_line(curves)
    rear_above = _rear_over_front(curves, LEAST_RATE, MOST_RATE)
    line_rates = np.array([0.1, 0.1 + 0.7 * (MOST_GRIP - LEAST_GRIP)])
    return AdhesionCurves(
        load=load,
        rates=tuple((curves.rates * GRAVITY).tolist()),
        front=tuple(curves.front.tolist()),
        rear=tuple([needed if math.isfinite(needed) else None for needed in curves.rear.tolist()]),
        line_rates=tuple((line_rates * GRAVITY).tolist()),
        line=tuple(column(line_at(line_rates)).tolist()),
        meets_road_limits=rear_above is None and over_line is None,
        rear_takes_over=None if over_front is None else over_front * GRAVITY,
        rear_above_from=None if rear_above is None else rear_above * GRAVITY,
        over_line_at=None if over_line is None else over_line[0] * GRAVITY,
        words=_words(load, rear_above, over_line),
        top_rate=MOST_RATE * GRAVITY,
        front_at_top=at_top[0],
        rear_at_top=at_top[1] if math.isfinite(at_top[1]) else None,
    )


def _rear_over_front(curves: _Curves, least: float = 0.0, most: float = math.inf) -> float | None:
    """The lowest braking rate in the range at which the rear needs more friction than the front: a valve may end it."""
    held = (curves.rates >= least - 1e-9) & (curves.rates <= most + 1e-9)
    above = held & (curves.rear >= curves.front)
    if not np.any(above):
        return None
    index = int(np.argmax(above))
    if index == 0 or not held[index - 1] or math.isinf(curves.rear[index]):
        return max(least, float(curves.rates[index]) if index else 0.0)
    # Between two points of the curves: where the remaining margin reaches zero.
    before, after = (curves.front - curves.rear)[index - 1 : index + 1]
    return float(curves.rates[index - 1] + STEP * before / (before - after))


def _over_line(curves: _Curves) -> tuple[float, Axle, float] | None:
    """Where a curve is furthest over the line: rate, axle, and the friction that it needs there."""
    worst: tuple[float, float, Axle, float] | None = None
    for axle, needed in ((Axle.FRONT, curves.front), (Axle.REAR, curves.rear)):
        held = (needed >= LEAST_GRIP) & (needed <= MOST_GRIP)
        over = np.where(held, needed - line_at(curves.rates), -1.0)
        index = int(np.argmax(over))
        if over[index] > 1e-9 and (worst is None or over[index] > worst[0]):
            worst = (float(over[index]), float(curves.rates[index]), axle, float(needed[index]))
    return worst[1:] if worst else None


def _words(load: str, rear_above: float | None, over_line: tuple[float, Axle, float] | None) -> Phrase:
    if rear_above is not None:
        return phrase(
            f"{load}: outside the road-car limits. From {{rate}} the rear needs more grip than the front; on the road"
            " it must need less from {least} to {most}.",
            rate=(rear_above * GRAVITY, "deceleration"),
            least=(LEAST_RATE * GRAVITY, "deceleration"),
            most=(MOST_RATE * GRAVITY, "deceleration"),
        )
    if over_line is not None:
        rate, axle, needed = over_line
        return phrase(
            f"{load}: outside the road-car limits. At {{rate}} the {axle} axle needs {{needed}} of grip,"
            " the line allows {allowed}.",
            rate=(rate * GRAVITY, "deceleration"),
            needed=(needed, "friction"),
            allowed=(line_at(rate), "friction"),
        )
    return phrase(
        f"{load}: within the road-car limits. The front needs more grip than the rear from {{least}} to {{most}}, and"
        " both stay under the line.",
        least=(LEAST_RATE * GRAVITY, "deceleration"),
        most=(MOST_RATE * GRAVITY, "deceleration"),
    )
