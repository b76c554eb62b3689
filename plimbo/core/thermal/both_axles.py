"""Front and rear corner stepped together: the driver's push follows the friction at each moment, up to the limit of the
leg.

Compiled, see `kernel.py`.
"""

from typing import Any, NamedTuple

import numpy as np

from plimbo.core.thermal.cell_row import CHEEK_CELLS, PAD_CELLS
from plimbo.core.thermal.corner import Corner
from plimbo.core.thermal.kernel import Trace, advance_wheel, air_over, begin, new_trace, record_sample
from plimbo.core.thermal.power_profile import PowerProfile
from plimbo.core.working.compiling import compiled, inlined
from plimbo.core.working.numbers import Array


class PedalCurves(NamedTuple):
    """Brake force over the push: for pushes from 0 to the limit of the leg, N, the brake force of each axle, N, at a
    friction of one; and the friction of its pads over the disc's surface temperature, starting at `first`, K.
    """

    feet: Array
    front: Array
    rear: Array
    first: float
    apart: float
    front_friction: Array
    rear_friction: Array


class BothAxlesRun(NamedTuple):
    """Both axles through a profile. For each sample: the push of the foot, N, the friction of each axle's pads, the
    brake force of each, N, and the braking work that the leg has not done yet, J.
    """

    front: Trace
    rear: Trace
    foot: Array
    frictions: Array
    forces: Array
    owed: Array


@inlined
def _friction(pedal: PedalCurves, values: Array, temperature: float) -> Any:
    place = (temperature - pedal.first) / pedal.apart
    at = max(0, min(len(values) - 2, int(place)))
    part = max(0.0, min(1.0, place - at))
    return values[at] * (1.0 - part) + values[at + 1] * part


@inlined
def _foot_for(pedal: PedalCurves, force: float, front: float, rear: float) -> Any:
    """The push that makes this force at both axles with their frictions, up to the limit of the leg."""
    low, high = 0, len(pedal.feet) - 1
    if pedal.front[high] * front + pedal.rear[high] * rear <= force:
        return float(high)
    while high - low > 1:
        middle = (low + high) // 2
        if pedal.front[middle] * front + pedal.rear[middle] * rear <= force:
            low = middle
        else:
            high = middle
    less = pedal.front[low] * front + pedal.rear[low] * rear
    more = pedal.front[high] * front + pedal.rear[high] * rear
    return low + (force - less) / (more - less)


@inlined
def _between(values: Array, place: float) -> Any:
    at = min(len(values) - 2, int(place))
    return values[at] + (values[at + 1] - values[at]) * (place - at)


@compiled
def _step_through(
    front: Corner, rear: Corner, pedal: PedalCurves, power: Array, speed: Array, steps: Array, slip: float, air: float,
    ambient: float, pressure: float, led_front: Array, led_rear: Array, braked: BothAxlesRun,
) -> None:  # fmt: skip
    ahead = begin(front, ambient, CHEEK_CELLS, PAD_CELLS)
    behind = begin(rear, ambient, CHEEK_CELLS, PAD_CELLS)
    held_front, held_rear, owed = 0.0, 0.0, 0.0
    for sample in range(len(power)):
        moves, step = speed[sample], steps[sample]
        of_front = _friction(pedal, pedal.front_friction, 0.5 * (ahead.faces.disc[0] + ahead.faces.disc[1]))
        of_rear = _friction(pedal, pedal.rear_friction, 0.5 * (behind.faces.disc[0] + behind.faces.disc[1]))
        at_front, at_rear, foot = 0.0, 0.0, 0.0
        if moves > 0.0 and (power[sample] > 0.0 or owed > 0.0):
            wanted = power[sample] / moves + owed / (moves * step)
            place = _foot_for(pedal, wanted, of_front, of_rear)
            foot = _between(pedal.feet, place)
            at_front, at_rear = _between(pedal.front, place) * of_front, _between(pedal.rear, place) * of_rear
            owed = max(0.0, (wanted - at_front - at_rear) * moves * step)
            # A remainder from rounding is no longer braking.
            if owed < 1.0:
                owed = 0.0
        lost = moves * (1.0 - slip) / 2
        blown = moves * air
        held_front += advance_wheel(
            front, ahead, at_front * lost, blown, step, ambient, pressure,
            (led_front[sample, 0], led_front[sample, 1], led_front[sample, 2]),
        )  # fmt: skip
        held_rear += advance_wheel(
            rear, behind, at_rear * lost, blown, step, ambient, pressure,
            (led_rear[sample, 0], led_rear[sample, 1], led_rear[sample, 2]),
        )  # fmt: skip
        record_sample(front, ahead, braked.front, sample, held_front)
        record_sample(rear, behind, braked.rear, sample, held_rear)
        braked.foot[sample], braked.owed[sample] = foot, owed
        braked.frictions[sample, 0], braked.frictions[sample, 1] = of_front, of_rear
        braked.forces[sample, 0], braked.forces[sample, 1] = at_front, at_rear


def brake_both(
    front: Corner,
    rear: Corner,
    pedal: PedalCurves,
    run: PowerProfile,
    *,
    slip: float,
    air: float,
    ambient: float,
    pressure: float,
) -> BothAxlesRun:
    """Both axles, from ambient temperature, K, through a profile whose power is that of all brakes at the road, W.

    `slip` is the share lost in the tyres, `air` the share of the airstream that reaches the car. Where the leg is at
    its limit, the rest of the braking work is done later.
    """
    samples, size = len(run.steps), 2 * (CHEEK_CELLS + PAD_CELLS + 1)
    make: Any = new_trace
    braked = BothAxlesRun(
        make(samples, size), make(samples, size), np.empty(samples), np.empty((samples, 2)), np.empty((samples, 2)),
        np.empty(samples),
    )  # fmt: skip
    march: Any = _step_through
    duct_air = [air_over(corner, run.speed * air) for corner in (front, rear)]
    march(front, rear, pedal, run.power, run.speed, run.steps, slip, air, ambient, pressure, *duct_air, braked)
    return braked
