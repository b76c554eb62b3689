"""Adhesion utilised over the braking rate, against the limits for road cars.

As the regulation asks: engine out of gear, still air, load moving as the car slows. Limits from memory of UN
Regulation 13-H, Annex 5: the front's curve above the rear's for 0.15 ≤ z ≤ 0.80, and z ≥ 0.1 + 0.7·(k − 0.2) for
0.2 ≤ k ≤ 0.8. A reference for road-registered cars, no rule for a race.
"""

import math
from typing import NamedTuple

import numpy as np

from plimbo.core.arrays import Array
from plimbo.core.brakes.chain import Chain
from plimbo.core.brakes.path import ForcePath, front_at
from plimbo.core.documents import Car
from plimbo.core.documents.fields import Result, answer
from plimbo.core.formulas import loads, valve
from plimbo.core.formulas.loads import GRAVITY
from plimbo.core.phrases import Phrase, phrase
from plimbo.core.road.loaded import LoadedCar, loaded_car
from plimbo.core.working import PLAIN, Axle, Inputs

LEAST_RATE, MOST_RATE = 0.15, 0.80
LEAST_GRIP, MOST_GRIP = 0.2, 0.8
STEP = 0.005


class Utilisation(Result):
    """One load of the car: friction that each axle needs, over the braking rate, m/s²."""

    load: str
    rates: tuple[float, ...]
    front: tuple[float, ...]
    rear: tuple[float | None, ...]
    line_rates: tuple[float, ...]
    line: tuple[float, ...]
    meets_road_limits: bool
    rear_takes_over: float | None = answer("deceleration", "The rear needs more grip than the front from")
    rear_above_from: float | None = answer("deceleration", "It does within the range of the limits from")
    over_line_at: float | None = answer("deceleration", "A curve is furthest over the line at")
    words: Phrase
    rate_looked: float = answer("deceleration", "Braking rate looked at")
    front_looked: float = answer("friction", "Adhesion utilised there, front")
    rear_looked: float | None = answer("friction", "Adhesion utilised there, rear")


class _Curves(NamedTuple):
    rates: Array
    front: Array
    rear: Array


def line_at(rate: Array) -> Array:
    """Most friction that the line allows an axle to need at a braking rate: `k = 0.2 + (z − 0.1)/0.7`."""
    found: Array = LEAST_GRIP + (rate - 0.1) / 0.7
    return found


def utilisation(car: Car, load: str, chain: Chain, highest: float, looked: tuple[float, float | None]) -> Utilisation:
    """One load, up to past the `highest` deceleration, m/s²; `looked` is what `utilised_at` says of the rate shown."""
    curves = _curves(car, loaded_car(car, load, PLAIN), chain.path, highest / GRAVITY)
    over_front, over_line = _rear_over_front(curves), _over_line(curves)
    rear_above = _rear_over_front(curves, LEAST_RATE, MOST_RATE)
    line_rates = np.array([0.1, 0.1 + 0.7 * (MOST_GRIP - LEAST_GRIP)])
    return Utilisation(
        load=load,
        rates=tuple((curves.rates * GRAVITY).tolist()),
        front=tuple(curves.front.tolist()),
        rear=tuple([None if rate < 0 else rate for rate in curves.rear.tolist()]),
        line_rates=tuple((line_rates * GRAVITY).tolist()),
        line=tuple(line_at(line_rates).tolist()),
        meets_road_limits=rear_above is None and over_line is None,
        rear_takes_over=None if over_front is None else over_front * GRAVITY,
        rear_above_from=None if rear_above is None else rear_above * GRAVITY,
        over_line_at=None if over_line is None else over_line[0] * GRAVITY,
        words=_words(load, rear_above, over_line),
        rate_looked=MOST_RATE * GRAVITY,
        front_looked=looked[0],
        rear_looked=looked[1],
    )


def _curves(car: Car, loaded: LoadedCar, path: ForcePath, highest: float) -> _Curves:
    """Negative at the rear once its wheels carry nothing."""
    most = max(0.9, 1.1 * highest)
    rates: Array = np.arange(1.0, round(most / STEP) + 1) * STEP
    moved = rates * loaded.cg_height / car.wheelbase
    weight = loaded.mass * GRAVITY
    at_front = path.front(rates * weight) / weight
    front = at_front / (loaded.front_share + moved)
    carried = 1 - loaded.front_share - moved
    rear = np.where(carried > 1e-9, (rates - at_front) / np.maximum(carried, 1e-9), -1.0)
    return _Curves(rates, front, rear)


def _rear_over_front(curves: _Curves, least: float = 0.0, most: float = math.inf) -> float | None:
    """Least braking rate in the range at which the rear needs more friction than the front: a valve may end it."""
    held = (curves.rates >= least - 1e-9) & (curves.rates <= most + 1e-9)
    above = held & ((curves.rear >= curves.front) | (curves.rear < 0))
    if not np.any(above):
        return None
    index = int(np.argmax(above))
    if index == 0 or not held[index - 1] or curves.rear[index] < 0:
        return max(least, float(curves.rates[index]) if index else 0.0)
    # Between two points of the curves: where what is left runs out.
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
            allowed=(float(line_at(np.array(rate))), "friction"),
        )
    return phrase(
        f"{load}: within the road-car limits. The front needs more grip than the rear from {{least}} to {{most}}, and"
        " both stay under the line.",
        least=(LEAST_RATE * GRAVITY, "deceleration"),
        most=(MOST_RATE * GRAVITY, "deceleration"),
    )


def utilised_at(car: Car, load: str, chain: Chain, rate: float, take: Inputs) -> tuple[float, float | None]:
    """Friction needed at one braking rate, front and rear; none at the rear where its wheels carry nothing."""
    loaded = loaded_car(car, load, take)
    weight = loads.weight(loaded.mass)
    transfer = loads.load_transfer(loaded.cg_height, take(car, "wheelbase"))
    force = loads.force_at_rate(weight, rate)
    front = loads.front_load_braking.at(Axle.FRONT)(
        loads.front_load_at_speed.at(Axle.FRONT)(weight, loaded.front_share, 0.0), force, transfer
    )
    rear = loads.rear_load_braking.at(Axle.REAR)(
        loads.rear_load_at_speed.at(Axle.REAR)(weight, loaded.front_share, 0.0), force, transfer
    )
    at_front = front_at(chain.path, force)
    if chain.path.bent:
        at_rear = valve.rear_rest(force, at_front)
    else:
        at_rear = loads.axle_part.at(Axle.REAR)(loads.rear_force_share(chain.force_share), force)
    return (
        loads.adhesion_utilised.at(Axle.FRONT)(at_front, front),
        loads.adhesion_utilised.at(Axle.REAR)(at_rear, rear) if rear > 0 else None,
    )
