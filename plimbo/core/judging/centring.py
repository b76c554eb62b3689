"""The cylinder that would bring a wound bar back to its middle, with the balance as it is."""

import math
from typing import NamedTuple

from plimbo.core import defaults
from plimbo.core.brakes.stock import BORES, SAME
from plimbo.core.documents import Setup
from plimbo.core.working import AXLES, Axle


class Centring(NamedTuple):
    """Another bore, m, and the bar offset, m, with which both lines keep their pressures' ratio."""

    axle: Axle
    bore: float
    offset: float


def bar_share(setup: Setup) -> float:
    """Bearing off the middle as a share of the half bar, plus toward the front; 0 without a bar."""
    return 0.0 if setup.tandem_fitted else setup.balance_bar.offset / (setup.balance_bar.length / 2)


def bar_wound(setup: Setup) -> bool:
    """Whether the bar is so far off its middle that it hides a wrong size."""
    return abs(bar_share(setup)) > defaults.BAR_SHARE_MOST.value


def centrings(setup: Setup) -> list[Centring]:
    """For each end the bore on the shelf that needs the bar least, best first; none that misses the band."""
    bar = setup.balance_bar
    u = bar.offset / bar.length
    fitted = {Axle.FRONT: setup.front.master_cylinder.bore, Axle.REAR: setup.rear.master_cylinder.bore}
    # Front over rear, of what the bar gives each square metre of cylinder: this the balance keeps.
    kept = (0.5 + u) / fitted[Axle.FRONT] ** 2 / ((0.5 - u) / fitted[Axle.REAR] ** 2)
    found = []
    for axle in AXLES:
        tried = []
        for bore in BORES:
            if math.isclose(bore, fitted[axle], abs_tol=SAME):
                continue
            front, rear = (bore, fitted[Axle.REAR]) if axle is Axle.FRONT else (fitted[Axle.FRONT], bore)
            share = kept * front**2 / (rear**2 + kept * front**2)
            tried.append(Centring(axle, bore, round((share - 0.5) * bar.length, 6)))
        found.append(min(tried, key=lambda one: abs(one.offset)))
    most = defaults.BAR_SHARE_MOST.value * bar.length / 2
    return sorted((one for one in found if abs(one.offset) <= most), key=lambda one: abs(one.offset))
