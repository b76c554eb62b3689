"""The laps in a logger's table: one, or several, split by their number or where distance or time begin again."""

from collections.abc import Sequence
from itertools import pairwise
from typing import NamedTuple

import numpy as np

from plimbo.core.circuits.trace_table import RowFault, TraceRow, UnreadableTrace, trace_rows
from plimbo.core.working.numbers import Array

# Bad rows that are listed; with more than this share of bad rows the file is no trace.
LISTED, MOST_BAD = 20, 0.05
# Rows of a lap at least. A lap begins again where distance or time falls under this share of what it had reached.
ROWS, AGAIN = 10, 0.2
# A lap of another length than the usual one by more than this is an out-lap, an in-lap or a cut one.
SAME_LENGTH = 0.03
MOST_LAPS = 200


class SpeedTrace(NamedTuple):
    """A lap: its number in the file; distances m, times s and speeds m/s at its rows, from its first."""

    number: int
    distances: Array
    times: Array
    speeds: Array

    @property
    def length(self) -> float:
        return float(self.distances[-1])

    @property
    def seconds(self) -> float:
        return float(self.times[-1])


class TraceFile(NamedTuple):
    """The laps of a file, and the faults of the rows that are left out."""

    laps: tuple[SpeedTrace, ...]
    faults: tuple[RowFault, ...]

    @property
    def whole(self) -> tuple[SpeedTrace, ...]:
        """Those of the usual length."""
        usual = float(np.median([lap.length for lap in self.laps]))
        return tuple(lap for lap in self.laps if abs(lap.length / usual - 1) <= SAME_LENGTH)

    @property
    def fastest(self) -> SpeedTrace:
        """Of the whole ones."""
        return min(self.whole or self.laps, key=lambda lap: lap.seconds)

    @property
    def mean(self) -> SpeedTrace:
        """The mean of the whole laps: at each place the speed that takes their mean time."""
        laps = self.whole or self.laps
        length = float(np.mean([lap.length for lap in laps]))
        count = max(len(lap.speeds) for lap in laps)
        shares = np.linspace(0.0, 1.0, count)
        slowness = np.mean([1 / np.maximum(_at_shares(lap, shares), 0.3) for lap in laps], axis=0)
        speeds = 1 / slowness
        way = length * shares
        times = np.concatenate([[0.0], np.cumsum(np.diff(way) * 0.5 * (slowness[:-1] + slowness[1:]))])
        return SpeedTrace(0, way, times, speeds)


def _at_shares(lap: SpeedTrace, shares: Array) -> Array:
    return np.interp(shares * lap.length, lap.distances, lap.speeds)


def read_laps(text: str, *, leave_out: bool = False) -> TraceFile:
    """The laps, checked completely before use; with `leave_out` bad rows are left out.

    Raises `UnreadableTrace`.
    """
    rows, faults = trace_rows(text)
    count = len(rows) + len(faults)
    groups = list[list[TraceRow]]()
    for group in _split(rows):
        kept, wrong = _in_order(group)
        groups.append(kept)
        faults += wrong
    faults.sort()
    if faults and not leave_out:
        what = f"{len(faults)} rows" if len(faults) > 1 else "One row"
        raise UnreadableTrace(f"{what} cannot be read. Correct the file, or leave them out.", faults[:LISTED])
    if len(faults) > MOST_BAD * max(1, count):
        raise UnreadableTrace("Too many rows cannot be read: this is no speed trace.", faults[:LISTED])
    long = [group for group in groups if len(group) >= ROWS]
    if not long:
        raise UnreadableTrace("Fewer than ten rows: too few for a lap.")
    if max(row.speed for group in long for row in group) < 3.0:
        raise UnreadableTrace("The car never moves: is it the right column, in the right unit?")
    if len(long) > MOST_LAPS:
        raise UnreadableTrace(f"More than {MOST_LAPS} laps: take some of them.")
    laps = [_trace(place, group) for place, group in enumerate(long, start=1)]
    moving = [lap for lap in laps if lap.length > 0 and lap.speeds.max() >= 3.0]
    return TraceFile(tuple(moving), tuple(faults))


def _along(row: TraceRow) -> float:
    return row.distance if row.distance is not None else row.time or 0.0


def _split(rows: Sequence[TraceRow]) -> list[list[TraceRow]]:
    groups, reached = list[list[TraceRow]](), -np.inf
    for row in rows:
        along = _along(row)
        other = bool(groups) and row.lap != "" and row.lap != groups[-1][-1].lap
        again = bool(groups) and len(groups[-1]) >= ROWS and along < AGAIN * reached
        if not groups or other or again:
            groups.append([])
            reached = -np.inf
        groups[-1].append(row)
        reached = max(reached, along)
    return groups


def _in_order(rows: Sequence[TraceRow]) -> tuple[list[TraceRow], list[RowFault]]:
    """The rows that go onward, and those that do not."""
    what = "time" if rows[0].distance is None else "distance"
    kept, faults, reached = list[TraceRow](), list[RowFault](), -np.inf
    for row in rows:
        if _along(row) <= reached:
            faults.append(RowFault(row.number, f"The {what} does not go onward here."))
            continue
        reached = _along(row)
        kept.append(row)
    return kept, faults


def _trace(number: int, rows: Sequence[TraceRow]) -> SpeedTrace:
    speeds = np.array([row.speed for row in rows])
    mean = 0.5 * (speeds[:-1] + speeds[1:])
    along = np.array([_along(row) for row in rows])
    onward = along - along[0]
    if rows[0].distance is None:
        return SpeedTrace(number, np.concatenate([[0.0], np.cumsum(mean * np.diff(onward))]), onward, speeds)
    clock = [row.time for row in rows if row.time is not None]
    if len(clock) == len(rows) and all(later > earlier for earlier, later in pairwise(clock)):
        return SpeedTrace(number, onward, np.array(clock) - clock[0], speeds)
    took = np.concatenate([[0.0], np.cumsum(np.diff(onward) / np.maximum(mean, 0.3))])
    return SpeedTrace(number, onward, took, speeds)


def thinned(trace: SpeedTrace, most: int) -> tuple[tuple[float, ...], tuple[float, ...]]:
    """Distances and speeds for drawing."""
    at = np.linspace(0.0, trace.length, min(most, len(trace.distances)))
    speeds = np.interp(at, trace.distances, trace.speeds)
    return tuple(np.round(at, 1).tolist()), tuple(np.round(np.maximum(speeds, 0.0), 2).tolist())
