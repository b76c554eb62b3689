"""How brake force grows with the push: two straight pieces that meet at the valve's knee; a booster that runs out."""

from typing import NamedTuple

import numpy as np

from plimbo.core.arrays import Array, Arrays
from plimbo.core.formulas import loads, valve
from plimbo.core.working import Axle


class ForcePath(NamedTuple):
    """Front share of the brake force below the knee, and of each newton past it; forces of the whole car, N.

    Below `knee` the front has `share·F`, past it `share_past·F + shift`. Without a valve (`bent` false) both are one.
    Numbers, or arrays for many setups at once.
    """

    share: Arrays
    knee: Arrays
    share_past: Arrays
    shift: Arrays
    bent: bool

    def front(self, total: Arrays) -> Array:
        """Front's part of the whole car's brake force, N."""
        if not self.bent:
            return np.asarray(self.share * total)
        found: Array = np.where(total <= self.knee, self.share * total, self.share_past * total + self.shift)
        return found

    def total(self, front: Arrays) -> Array:
        """Brake force of the whole car, N, from what the front makes of it."""
        if not self.bent:
            return np.asarray(front / self.share)
        past = (front - self.shift) / self.share_past
        found: Array = np.where(front <= self.share * self.knee, front / self.share, past)
        return found


def force_path(front: Arrays, unvalved: Arrays, knee_part: Arrays, slope: Arrays) -> ForcePath:
    """From what front and rear make at some push, the rear without its valve, and the part of that push at the knee."""
    whole = front + unvalved
    share, past, knee = front / whole, front / (front + slope * unvalved), whole * knee_part
    return ForcePath(share, knee, past, (share - past) * knee, bool(np.any(np.asarray(slope) != 1)))


class PushLaw(NamedTuple):
    """From the foot to the push on the cylinders and back, N; numbers, or arrays for many setups at once.

    `front_per_push` is what the front makes of a newton behind the booster.
    """

    ratio: Arrays
    efficiency: Arrays
    gain: Arrays
    run_out: Arrays
    front_per_push: Arrays

    def front_at(self, foot: Arrays) -> Array:
        """Brake force of the front at this foot force, N."""
        rod = foot * self.ratio * self.efficiency
        found: Array = (self.gain * np.minimum(rod, self.run_out) + np.maximum(0.0, rod - self.run_out)) * (
            self.front_per_push
        )
        return found

    def foot_at(self, front: Arrays) -> Array:
        """Foot force at which the front makes this, N."""
        push = front / self.front_per_push
        most = self.gain * self.run_out
        rod = np.where(push <= most, push / self.gain, self.run_out + push - most)
        found: Array = rod / (self.ratio * self.efficiency)
        return found


def front_at(path: ForcePath, total: float) -> float:
    """Front's part of this much brake force, with its working."""
    if not path.bent or total <= path.knee:
        return loads.axle_part.at(Axle.FRONT)(path.share, total)  # type: ignore[arg-type]
    return valve.front_past(path.share_past, total, path.shift)  # type: ignore[arg-type]
