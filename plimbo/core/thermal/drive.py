"""A drive cut into steps for the kernel: never across a beginning or end of braking, fine after each, then longer."""

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from plimbo.core.track.lap import Lap
from plimbo.core.working.numbers import Array


class Stretch(NamedTuple):
    """So long, s, at one mean power of a corner, W, and one speed, m/s."""

    seconds: float
    power: float
    speed: float


class Drive(NamedTuple):
    """Samples for the kernel, and of each stretch the place of its last one."""

    power: Array
    speed: Array
    steps: Array
    ends: tuple[int, ...]


class _Pace(NamedTuple):
    """The first step of a stretch, how the steps grow, and the longest, s."""

    first: float
    growth: float
    longest: float


BRAKING, FREE, PARKED = _Pace(0.02, 1.3, 0.05), _Pace(0.02, 1.3, 0.25), _Pace(0.25, 1.25, 4.0)


def drive(stretches: Sequence[Stretch], finer: float = 1.0) -> Drive:
    """The samples of these stretches; all steps are shorter by `finer`."""
    power, speed, steps, ends = [], [], [], []
    for seconds, watts, metres in stretches:
        pace = BRAKING if watts > 0 else FREE if metres > 0 else PARKED
        left, step = seconds, pace.first / finer
        while left > 1e-9:
            taken = min(step, pace.longest / finer, left)
            power.append(watts)
            speed.append(metres)
            steps.append(taken)
            left -= taken
            step *= pace.growth
        ends.append(len(steps) - 1)
    return Drive(np.array(power), np.array(speed), np.array(steps), tuple(ends))


# Lost as slip between tyre and road, a share of the brakes' work: it never reaches a disc.
SLIP = 0.06


def laps_driven(laps: Sequence[Lap], share: float, parked: float = 0.0) -> Drive:
    """The drive of one corner over these laps, then parked, s; `share` is its axle's of the brake force.

    Steps hold the mean power and speed over them, so that no energy is lost between the lap's grid and theirs.
    """
    one = [
        (lap.times, lap.brake_forces * lap.speeds * (share / 2 * (1 - SLIP)), lap.lengths, lap.brake_forces > 0)
        for lap in laps
    ]
    times, powers, lengths, braking = (np.concatenate(column) for column in zip(*one, strict=True))
    edges = np.flatnonzero(np.diff(braking.astype(int))) + 1
    power, speed, steps, ends = [], [], [], []
    for begin, end in zip([0, *edges], [*edges, len(times)], strict=True):
        clock = np.concatenate([[0.0], np.cumsum(times[begin:end])])
        cuts = _cuts(float(clock[-1]), BRAKING if braking[begin] else FREE)
        took = np.diff(cuts)
        work = np.interp(cuts, clock, np.concatenate([[0.0], np.cumsum((powers * times)[begin:end])]))
        way = np.interp(cuts, clock, np.concatenate([[0.0], np.cumsum(lengths[begin:end])]))
        power += [np.diff(work) / took]
        speed += [np.diff(way) / took]
        steps += [took]
        ends.append(sum(len(part) for part in steps) - 1)
    if parked:
        rest = drive([Stretch(parked, 0.0, 0.0)])
        power, speed, steps = [*power, rest.power], [*speed, rest.speed], [*steps, rest.steps]
        ends.append(sum(len(part) for part in steps) - 1)
    return Drive(np.concatenate(power), np.concatenate(speed), np.concatenate(steps), tuple(ends))


def _cuts(seconds: float, pace: _Pace) -> Array:
    """Where the steps of a stretch begin and end, s."""
    cuts, step = [0.0], pace.first
    while cuts[-1] + min(step, pace.longest) < seconds - 1e-9:
        cuts.append(cuts[-1] + min(step, pace.longest))
        step *= pace.growth
    return np.array([*cuts, seconds])
