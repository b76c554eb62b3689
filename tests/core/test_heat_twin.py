"""The kernel against a general solver of differential equations with the same power, restarted at the edges of
braking.
"""

import numpy as np
import pytest

from plimbo.core.thermal.corner import Corner
from plimbo.core.thermal.kernel import simulate
from plimbo.core.thermal.power_profile import PowerSegment, power_profile
from tests import heat_cars, slow_heat

# Power of a corner, W, and speeds, of a few laps of each; then parked.
LAPS = {
    "racer": (heat_cars.RACER, 105e3, (42.0, 30.0, 38.0)),
    "saloon": (heat_cars.SALOON, 300e3, (60.0, 40.0, 55.0)),
    "single-seater": (heat_cars.SINGLE_SEATER, 80e3, (45.0, 28.0, 40.0)),
}


@pytest.mark.parametrize("name", LAPS)
def test_no_cell_of_the_disc_is_off_by_more_than_a_kelvin(name: str) -> None:
    corner, power, speeds = LAPS[name]
    lap = [
        one
        for speed, share in zip(speeds, (1.0, 0.6, 0.8), strict=True)
        for one in (PowerSegment(1.6, share * power, speed * 0.75), PowerSegment(9.0, 0.0, speed))
    ]
    off = np.abs(difference(corner, [*lap * 6, PowerSegment(600.0, 0.0, 0.0)]))
    assert off[:, 6:18].max() < 1.0, "cells of the disc"
    assert off[:, 24:].max() < 1.0, "pistons, caliper, fluid, bell, hub"


def difference(corner: Corner, stretches: list[PowerSegment]) -> np.ndarray:
    run = power_profile(stretches)
    trace = simulate(corner, run.power, run.speed, run.steps)
    begins = [0, *(end + 1 for end in run.ends[:-1])]
    times = [np.cumsum(run.steps[begin : end + 1]) for begin, end in zip(begins, run.ends, strict=True)]
    return np.concatenate([trace.row, trace.slow], axis=1) - slow_heat.solved(corner, stretches, times)
