"""How the brake force of both axles grows with the push: straight up to the valve's knee, straight again past it.

Two shares of the front, and a shift that joins them. Without a valve both shares are one and the shift is nothing.
"""

from typing import NamedTuple

import numpy as np

from plimbo.core.friction import torque
from plimbo.core.quantities.axles import Axle
from plimbo.core.working.formula import DEFINITION, formula
from plimbo.core.working.numbers import Number, choose

BOTH_LINES = "Both lines grow with the push"
FRONT_LINE = "Front line has no valve"


@formula(
    "F_r0",
    "Rear brake force, were there no valve",
    "force",
    "{rear_force} · {before} / {behind}",
    torque.IN_PROPORTION,
    valid="{behind} > 0",
)
def unvalved_force(rear_force: Number, before: Number, behind: Number) -> Number:
    """Both rear wheels with the full line pressure, N; pressures before and behind the valve, Pa."""
    return rear_force * before / behind


@formula(
    "φ_0",
    "Front share below the valve's knee",
    "share",
    "{front} / ({front} + {unvalved})",
    DEFINITION,
    valid="{front} + {unvalved} > 0",
)
def share_below(front: Number, unvalved: Number) -> Number:
    """Front share of the brake force while the valve passes full pressure; forces in N."""
    return front / (front + unvalved)


@formula(
    "φ_1",
    "Front share of what comes past the knee",
    "share",
    "{front} / ({front} + {slope} · {unvalved})",
    BOTH_LINES,
    valid="{front} > 0, 0 ≤ {slope} ≤ 1",
)
def share_past(front: Number, unvalved: Number, slope: Number) -> Number:
    """Front share of each further newton; forces in N."""
    return front / (front + slope * unvalved)


@formula(
    "F_k",
    "Brake force at the valve's knee",
    "force",
    "({front} + {unvalved}) · {knee} / {before}",
    torque.IN_PROPORTION,
    valid="{before} > 0",
)
def knee_force(front: Number, unvalved: Number, knee: Number, before: Number) -> Number:
    """Whole car, N, from the forces at the line pressure `before` the valve, Pa."""
    return (front + unvalved) * knee / before


@formula("F_s", "Front force that the knee takes back", "force", "({below} − {past}) · {knee_force}", BOTH_LINES)
def knee_shift(below: Number, past: Number, knee_force: Number) -> Number:
    """Past the knee the front makes `past·F` plus this force, N. It is negative, and the rear makes up for it."""
    return (below - past) * knee_force


@formula("F_s", "Rear force from below the knee", "force", "−{shift}", DEFINITION)
def rear_shift(shift: Number) -> Number:
    """What the rear makes beyond its own share of each further newton, N."""
    return -shift


@formula("φ_r", "Rear share by brake force", "share", "1 − {front_share}", DEFINITION)
def rear_force_share(front_share: Number) -> Number:
    """The rear's share: what the front does not make."""
    return 1 - front_share


@formula("F", "Brake force, both wheels", "force", "{share} · {force}", DEFINITION)
def axle_part(share: Number, force: Number) -> Number:
    """One axle's share of the brake force, N."""
    return share * force


@formula("F", "Brake force at the front", "force", "{share} · {total} + {shift}", BOTH_LINES)
def front_past(share: Number, total: Number, shift: Number) -> Number:
    """Both front wheels, of the whole car's brake force past the knee, N."""
    return share * total + shift


@formula("F", "Brake force at the rear", "force", "{total} − {front}", DEFINITION)
def rear_rest(total: Number, front: Number) -> Number:
    """The rear's part, N."""
    return total - front


@formula("φ", "Front share at first lock", "share", "{front} / {total}", DEFINITION, valid="{total} > 0")
def share_at(front: Number, total: Number) -> Number:
    """Front share of this much brake force, N."""
    return front / total


@formula(
    "F_total",
    "Brake force of the whole car there",
    "force",
    "({front} − {shift}) / {share}",
    BOTH_LINES,
    valid="{share} > 0",
)
def total_for_front(front: Number, shift: Number, share: Number) -> Number:
    """Whole car, N, from what the front makes, N."""
    return (front - shift) / share


class ForcePath(NamedTuple):
    """Front share of the brake force below the knee, and of each newton past it; forces of the whole car, N.

    Below `knee` the front has `share·F`, past it `share_past·F + shift`. Without a valve (`bent` false) both are one.
    """

    share: Number
    knee: Number
    share_past: Number
    shift: Number
    bent: bool

    def rows(self, part: slice) -> "ForcePath":
        """Some rows of a path that has many draws."""

        def of(number: Number) -> Number:
            return number[part] if isinstance(number, np.ndarray) and number.size > 1 else number

        return self._replace(
            share=of(self.share), knee=of(self.knee), share_past=of(self.share_past), shift=of(self.shift)
        )

    def front(self, total: Number) -> Number:
        """Front's part of the whole car's brake force, N."""
        below = axle_part.at(Axle.FRONT)
        if not self.bent:
            return below(self.share, total)
        return choose(
            total <= self.knee,
            lambda: below(self.share, total),
            lambda: front_past(self.share_past, total, self.shift),
        )

    def total(self, front: Number) -> Number:
        """Brake force of the whole car, N, from what the front makes of it, N."""
        if not self.bent:
            return total_for_front(front, 0.0, self.share)
        return choose(
            front <= self.share * self.knee,
            lambda: total_for_front(front, 0.0, self.share),
            lambda: total_for_front(front, self.shift, self.share_past),
        )


def straight_path(share: Number, total: Number) -> ForcePath:
    """Without a valve."""
    return ForcePath(share, total, share, 0.0, bent=False)


def bent_path(front: Number, unvalved: Number, knee: Number, line: Number, slope: Number) -> ForcePath:
    """With a valve: what front and rear make at this line pressure, Pa, the rear without its valve, N."""
    below, past = share_below(front, unvalved), share_past(front, unvalved, slope)
    at_knee = knee_force(front, unvalved, knee, line)
    return ForcePath(below, at_knee, past, knee_shift(below, past, at_knee), bent=True)
