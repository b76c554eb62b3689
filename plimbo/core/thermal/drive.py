"""A drive cut into steps for the kernel: never across a beginning or end of braking, fine after each, then longer."""

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

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
