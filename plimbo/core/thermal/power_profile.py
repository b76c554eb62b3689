"""A power profile cut into steps for the kernel. No step crosses the start or end of braking; steps are short after
each, then longer.
"""

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from plimbo.core.circuits.lap import Lap
from plimbo.core.working.numbers import Array


class PowerSegment(NamedTuple):
    """A time, s, at one mean power of a corner, W, and one speed, m/s."""

    seconds: float
    power: float
    speed: float


class PowerProfile(NamedTuple):
    """Samples for the kernel, and the index of the last sample of each segment."""

    power: Array
    speed: Array
    steps: Array
    ends: tuple[int, ...]


class _Pace(NamedTuple):
    """The first step of a segment, the growth of the steps, and the longest, s."""

    first: float
    growth: float
    longest: float


BRAKING, FREE, PARKED = _Pace(0.02, 1.3, 0.05), _Pace(0.02, 1.3, 0.25), _Pace(0.25, 1.25, 4.0)


def power_profile(segments: Sequence[PowerSegment], finer: float = 1.0) -> PowerProfile:
    """The samples of these segments; all steps are shorter by the factor `finer`."""
    power, speed, steps, ends = [], [], [], []
    for seconds, watts, metres in segments:
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
    return PowerProfile(np.array(power), np.array(speed), np.array(steps), tuple(ends))


def samples_at_least(lap: Lap) -> float:
    """Number of samples of a lap, counted with the longest steps."""
    braking = lap.brake_forces > 0
    return float(lap.times[braking].sum() / BRAKING.longest + lap.times[~braking].sum() / FREE.longest)


def profile_of_lap(lap: Lap) -> PowerProfile:
    """A lap as samples; their power is that of all brakes at the road, W.

    Steps hold the mean power and speed over them, so that no energy is lost between the lap's grid and theirs.
    """
    powers, braking = lap.brake_forces * lap.speeds, lap.brake_forces > 0
    edges = np.flatnonzero(np.diff(braking.astype(int))) + 1
    power, speed, steps, ends = [], [], [], []
    for begin, end in zip([0, *edges], [*edges, len(braking)], strict=True):
        times = lap.times[begin:end]
        clock = np.concatenate([[0.0], np.cumsum(times)])
        cuts = _cuts(float(clock[-1]), BRAKING if braking[begin] else FREE)
        took = np.diff(cuts)
        work = np.interp(cuts, clock, np.concatenate([[0.0], np.cumsum(powers[begin:end] * times)]))
        way = np.interp(cuts, clock, np.concatenate([[0.0], np.cumsum(lap.lengths[begin:end])]))
        power.append(np.diff(work) / took)
        speed.append(np.diff(way) / took)
        steps.append(took)
        ends.append(sum(len(part) for part in steps) - 1)
    return PowerProfile(np.concatenate(power), np.concatenate(speed), np.concatenate(steps), tuple(ends))


def joined(profiles: Sequence[PowerProfile]) -> PowerProfile:
    """One profile after the other."""
    power, speed, steps = (np.concatenate(column) for column in zip(*(one[:3] for one in profiles), strict=True))
    ends, begin = list[int](), 0
    for one in profiles:
        ends += [begin + end for end in one.ends]
        begin += len(one.steps)
    return PowerProfile(power, speed, steps, tuple(ends))


def _cuts(seconds: float, pace: _Pace) -> Array:
    """Times at which the steps of a segment begin and end, s."""
    cuts, step = [0.0], pace.first
    while cuts[-1] + min(step, pace.longest) < seconds - 1e-9:
        cuts.append(cuts[-1] + min(step, pace.longest))
        step *= pace.growth
    return np.array([*cuts, seconds])
