"""The braking zones in a speed trace.

The speed over time is cut into straight pieces, as many as its noise allows: the sum of the squares left over, in units
of the noise, plus a price for each piece is the least that there is (optimal partitioning; the price is that of the
Bayesian information criterion). So neither the noise of a logger nor its rate moves the zones.
"""

from itertools import pairwise
from typing import NamedTuple

import numpy as np
import numpy.typing as npt

from plimbo.core.circuits.trace_laps import SpeedTrace
from plimbo.core.documents import BrakingZone
from plimbo.core.working.numbers import Array

# A deceleration above this is braking, not drag with the throttle closed, m/s²; and the smallest loss of speed in a
# zone, m/s. Zones less than this apart, s, are joined.
SLOWS, TAKES_OFF, APART = 3.5, 2.5, 0.25
# The trace is averaged over steps of at least this, s; pieces are no longer than this many seconds and steps; and
# steps of a whole trace.
STEP, LONGEST, MOST_STEPS, MOST_CELLS = 0.02, 20.0, 600, 30_000
# No logger is better, m/s; a cut costs no more than with the second: of coarse rows the lap itself looks like noise.
LEAST_NOISE, MOST_NOISE = 0.02, 1.0
# Parameters of a piece: its height, its slope, and where it begins.
PARAMETERS = 3


class FoundZones(NamedTuple):
    """The zones in order, and the start of the first one, m; the noise of the speed, m/s; the rows a second.

    `good_to` is how far the energy of the braking may be off, as a share of it.
    """

    zones: tuple[BrakingZone, ...]
    begins: float
    noise: float
    rate: float
    good_to: float


class _Piece(NamedTuple):
    """A straight piece: its first and last step, s, its speed at the first, m/s, its slope, m/s², its steps."""

    begin: float
    end: float
    speed: float
    slope: float
    steps: int

    def at(self, time: float) -> float:
        return self.speed + self.slope * (time - self.begin)


class _Braking(NamedTuple):
    """From when to when, s, at which speeds, m/s, and over how many steps."""

    begin: float
    end: float
    from_speed: float
    to_speed: float
    steps: int


def find_zones(trace: SpeedTrace, *, once: bool = False) -> FoundZones:
    """The braking zones. Of a flying lap the first run begins after the last braking."""
    apart = max(1e-4, float(np.median(np.diff(trace.times))))
    step = max(STEP, apart, trace.seconds / MOST_CELLS)
    times, speeds = _averaged(trace, step)
    noise = _noise(speeds)
    runs = _brakings(_pieces(times, speeds, noise), step, noise)
    zones, length = [], trace.length
    at = [float(np.interp(edge, trace.times, trace.distances)) for run in runs for edge in (run.begin, run.end)]
    for place, run in enumerate(runs):
        begin, end = at[2 * place], at[2 * place + 1]
        before, way = runs[place - 1], begin - at[2 * place - 1]
        time = run.begin - before.end
        if place == 0:
            way, time = (begin, run.begin) if once else (way + length, time + trace.seconds)
        zones.append(
            BrakingZone(
                name=f"T{place + 1}",
                run=max(1.0, round(way, 1)),
                from_speed=round(run.from_speed, 2),
                to_speed=max(1.0, round(run.to_speed, 2)),
                distance=max(1.0, round(end - begin, 1)),
                run_time=max(0.1, round(time, 2)),
            )
        )
    # As it is in the rows: averaging took some of it away.
    in_rows = noise * max(1.0, step / apart) ** 0.5
    return FoundZones(tuple(zones), at[0] if at else 0.0, in_rows, 1 / apart, _good_to(runs, noise, step))


def _averaged(trace: SpeedTrace, step: float) -> tuple[Array, Array]:
    """Times and speeds at even steps, each the mean of its rows; between coarse rows, in a straight line."""
    count = max(2, round(trace.seconds / step) + 1)
    times = np.linspace(0.0, trace.seconds, count)
    which = np.clip(np.round(trace.times / trace.seconds * (count - 1)).astype(int), 0, count - 1)
    rows = np.bincount(which, minlength=count)
    if rows.max() <= 1:
        return times, np.interp(times, trace.times, trace.speeds)
    sums = np.bincount(which, weights=trace.speeds, minlength=count)
    clock = np.bincount(which, weights=trace.times, minlength=count)
    has = rows > 0
    return times, np.interp(times, clock[has] / rows[has], sums[has] / rows[has])


def _noise(speeds: Array) -> float:
    """By the third differences, whose spread is √20 times as great; corners of the trace are few, so the median is
    used.
    """
    differences = np.abs(np.diff(speeds, 3))
    found = 1.4826 * float(np.median(differences)) / 20**0.5 if len(differences) else 0.0
    return max(LEAST_NOISE, found)


def _pieces(times: Array, speeds: Array, noise: float) -> list[_Piece]:
    count, step = len(times), float(times[1] - times[0])
    most = max(8, min(MOST_STEPS, round(LONGEST / step)))
    price = PARAMETERS * np.log(count) * min(MOST_NOISE, noise) ** 2
    # Sums up to each step, of v, t·v and v²; t in steps, which keeps the numbers small.
    clock = np.arange(count, dtype=float)
    level = speeds - speeds.mean()
    sums = np.array([np.concatenate([[0.0], np.cumsum(part)]) for part in (level, clock * level, level**2)])
    best, came_from = np.zeros(count + 1), np.zeros(count + 1, dtype=int)
    for end in range(1, count + 1):
        begins = np.arange(max(0, end - most), end)
        left = _left_over(sums, begins, end)
        total = best[begins] + left + price
        at = int(total.argmin())
        best[end], came_from[end] = total[at], begins[at]
    cuts, at = [count], count
    while at > 0:
        at = int(came_from[at])
        cuts.append(at)
    cuts.reverse()
    found = []
    for begin, end in pairwise(cuts):
        slope = float(np.polyfit(times[begin:end], speeds[begin:end], 1)[0]) if end - begin > 1 else 0.0
        middle = 0.5 * (times[begin] + times[end - 1])
        height = float(speeds[begin:end].mean()) - slope * float(middle - times[begin])
        found.append(_Piece(float(times[begin]), float(times[end - 1]), height, slope, end - begin))
    return found


def _left_over(sums: Array, begins: npt.NDArray[np.int_], end: int) -> Array:
    """Sum of squares that a straight line leaves from each begin to the end, without it."""
    count = (end - begins).astype(float)
    total, with_time, squares = (row[end] - row[begins] for row in sums)
    middle = 0.5 * (begins + end - 1)
    spread = count * (count**2 - 1) / 12
    across = with_time - middle * total
    with np.errstate(divide="ignore", invalid="ignore"):
        by_slope = np.where(spread > 0, across**2 / spread, 0.0)
    left: Array = np.maximum(squares - total**2 / count - by_slope, 0.0)
    return left


def _brakings(pieces: list[_Piece], step: float, noise: float) -> list[_Braking]:
    """The pieces that slow down enough, joined where they follow each other, with their edges where the lines meet."""
    found = list[_Braking]()
    for place, piece in enumerate(pieces):
        if piece.slope > -SLOWS or piece.steps < 2:
            continue
        begin, first = _meeting(pieces[place - 1] if place else None, piece, step, noise, starts=True)
        end, last = _meeting(piece, pieces[place + 1] if place + 1 < len(pieces) else None, step, noise, starts=False)
        if found and begin - found[-1].end < APART:
            found[-1] = found[-1]._replace(end=end, to_speed=last, steps=found[-1].steps + piece.steps)
        else:
            found.append(_Braking(begin, end, first, last, piece.steps))
    # Each against its own mean deceleration: what was joined may have eased in between.
    return [
        one
        for one in found
        if one.from_speed - one.to_speed >= max(TAKES_OFF, 0.9 * SLOWS * (one.end - one.begin)) and one.to_speed >= 0
    ]


def _meeting(
    before: _Piece | None, after: _Piece | None, step: float, noise: float, *, starts: bool
) -> tuple[float, float]:
    """Where two lines meet, s and m/s, if that is near their ends; else in the middle, on the line that brakes."""
    braking = after if starts else before
    assert braking is not None
    if before is None or after is None:
        edge = braking.begin if starts else braking.end
        return edge, braking.at(edge)
    middle = 0.5 * (before.end + after.begin)
    apart = before.slope - after.slope
    if abs(apart) > 1e-6:
        meets = before.begin + (after.at(before.begin) - before.speed) / apart
        # Noise moves the cut, where the lines part slowly by more.
        if abs(meets - middle) <= 1.5 * step + 4 * noise / abs(apart):
            return meets, before.at(meets)
    return middle, braking.at(middle)


def _good_to(runs: list[_Braking], noise: float, step: float) -> float:
    """Of the energy: an edge is as good as its line, twice its spread; between coarse rows half a step is unknown."""
    energy = sum(0.5 * (run.from_speed**2 - run.to_speed**2) for run in runs)
    off = 0.0
    for run in runs:
        slope = (run.from_speed - run.to_speed) / max(step, run.end - run.begin)
        of_line = 4 * noise / max(1, run.steps) ** 0.5
        of_rows = 0.5 * slope * step if run.steps < 5 else 0.0
        off += (run.from_speed**2 + run.to_speed**2) * (of_line**2 + of_rows**2)
    return off**0.5 / energy if energy > 0 else 0.0
