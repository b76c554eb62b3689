"""A speed trace of one lap, read from CSV, and the braking zones in it.

The heading names a column of speed and one of distance or time, with units if they are not metric: `distance [m]; speed
[km/h]`. Commas, semicolons or tabs separate the columns; a decimal comma is allowed unless commas separate the columns.
"""

import csv
import re
from collections.abc import Iterator, Sequence
from typing import NamedTuple

import numpy as np

from plimbo.core.documents import BrakingZone
from plimbo.core.working.numbers import Array

MOST_ROWS, LONGEST_ROW = 250_000, 10_000
# Bad rows that are listed; with more than this share of bad rows the file is no trace.
LISTED, MOST_BAD = 20, 0.05
# A deceleration above this is braking, not drag with the throttle closed, m/s²; and the smallest loss of speed in a
# zone, m/s. Zones less than this apart, s, are joined.
SLOWS, TAKES_OFF, APART = 3.5, 2.5, 0.25
# Speeds are smoothed over this time, s.
SMOOTHED = 0.12
_UNITS = {"m/s": 1.0, "km/h": 1 / 3.6, "kph": 1 / 3.6, "kmh": 1 / 3.6, "mph": 0.44704}
_LENGTHS = {"m": 1.0, "km": 1000.0, "ft": 0.3048}
_TIMES = {"s": 1.0, "ms": 1e-3, "min": 60.0}
_DISTANCE, _TIME, _SPEED = ("distance", "dist", "lapdist", "s"), ("time", "t", "laptime"), ("speed", "velocity", "v")


class RowFault(NamedTuple):
    """What is wrong with a row, by its number in the file, counted from 1."""

    row: int
    message: str


class SpeedTrace(NamedTuple):
    """A lap: distances m, times s and speeds m/s at its rows; the faults of the rows that are left out."""

    distances: Array
    times: Array
    speeds: Array
    faults: tuple[RowFault, ...]


class UnreadableTrace(ValueError):
    """Not a speed trace; the message says why, and the faults which rows are to blame."""

    def __init__(self, message: str, faults: Sequence[RowFault] = ()) -> None:
        super().__init__(message)
        self.faults = tuple(faults)


def read_trace(text: str, *, leave_out: bool = False) -> SpeedTrace:
    """The trace, checked completely before use; with `leave_out` bad rows are left out.

    Raises `UnreadableTrace`.
    """
    lines = text.lstrip("\ufeff").splitlines()
    heading = next((place for place, line in enumerate(lines) if line.strip()), None)
    if heading is None:
        raise UnreadableTrace("The file is empty.")
    long = next((place for place, line in enumerate(lines, start=1) if len(line) > LONGEST_ROW), None)
    if long is not None:
        raise UnreadableTrace(f"Row {long} has more than {LONGEST_ROW} characters: this is no speed trace.")
    delimiter = max(";\t,", key=lines[heading].count)
    along, speed, scales, by_time = _columns(next(csv.reader([lines[heading]], delimiter=delimiter)))
    if len(lines) - heading - 1 > MOST_ROWS:
        raise UnreadableTrace(f"More than {MOST_ROWS} rows: take one lap of it, or every second row.")
    rows, numbers, faults = list[tuple[float, float]](), list[int](), list[RowFault]()
    for number, line in enumerate(lines[heading + 1 :], start=heading + 2):
        # Row by row, so that a quote that is never closed spoils its own row only.
        row = next(csv.reader([line], delimiter=delimiter), [])
        if not any(cell.strip() for cell in row):
            continue
        try:
            rows.append((_number(row, along, delimiter) * scales[0], _number(row, speed, delimiter) * scales[1]))
            numbers.append(number)
        except ValueError as error:
            faults.append(RowFault(number, str(error)))
    faults += _out_of_order(rows, numbers, "time" if by_time else "distance")
    bad = {fault.row for fault in faults}
    faults.sort()
    kept = np.array([row for row, number in zip(rows, numbers, strict=True) if number not in bad]).reshape(-1, 2)
    _enough(kept, faults, leave_out=leave_out, count=len(rows))
    onward, speeds = kept[:, 0] - kept[0, 0], kept[:, 1]
    mean = 0.5 * (speeds[:-1] + speeds[1:])
    if by_time:
        way = np.concatenate([[0.0], np.cumsum(mean * np.diff(onward))])
        return SpeedTrace(way, onward, speeds, tuple(faults))
    took = np.concatenate([[0.0], np.cumsum(np.diff(onward) / np.maximum(mean, 0.3))])
    return SpeedTrace(onward, took, speeds, tuple(faults))


def _enough(kept: Array, faults: Sequence[RowFault], *, leave_out: bool, count: int) -> None:
    if faults and not leave_out:
        rows = f"{len(faults)} rows" if len(faults) > 1 else "One row"
        raise UnreadableTrace(f"{rows} cannot be read. Mend the file, or leave them out.", faults[:LISTED])
    if len(faults) > MOST_BAD * max(1, count):
        raise UnreadableTrace("Too many rows cannot be read: this is no speed trace.", faults[:LISTED])
    if len(kept) < 10:
        raise UnreadableTrace("Fewer than ten rows: too few for a lap.")
    if kept[:, 1].max() < 3.0:
        raise UnreadableTrace("The car never moves: is it the right column, in the right unit?")


def _columns(heading: Sequence[str]) -> tuple[int, int, tuple[float, float], bool]:
    """Places of distance or time and of speed, their factors to m or s and m/s, and whether it is time."""
    found: dict[str, tuple[int, str]] = {}
    for place, cell in enumerate(heading):
        match = re.match(r"\s*([^\[(]*?)\s*(?:[\[(]\s*([^\])]*?)\s*[\])])?\s*$", cell)
        name, unit = (match[1].lower(), (match[2] or "").lower()) if match else (cell.lower(), "")
        for kind, names in (("distance", _DISTANCE), ("time", _TIME), ("speed", _SPEED)):
            if name.replace(" ", "") in names:
                found.setdefault(kind, (place, unit))
    if "speed" not in found or not ({"distance", "time"} & set(found)):
        raise UnreadableTrace(
            "The first row must name the columns: distance or time, and speed, such as “distance [m], speed [km/h]”."
        )
    by_time = "distance" not in found
    along = found["time" if by_time else "distance"]
    return (
        along[0],
        found["speed"][0],
        (
            _factor(along[1], _TIMES if by_time else _LENGTHS, "s" if by_time else "m"),
            _factor(found["speed"][1], _UNITS, "km/h"),
        ),
        by_time,
    )


def _factor(unit: str, known: dict[str, float], usual: str) -> float:
    if unit and unit not in known:
        raise UnreadableTrace(f"“{unit}” is not a unit that is known here: use {', '.join(known)}.")
    return known[unit or usual]


def _number(row: Sequence[str], place: int, delimiter: str) -> float:
    if place >= len(row):
        raise ValueError("It has too few columns.")
    cell = row[place].strip().replace("\u202f", "").replace(" ", "").replace("−", "-")
    try:
        value = float(cell.replace(",", ".") if delimiter != "," else cell)
    except ValueError:
        raise ValueError(f"“{cell[:20]}” is no number." if cell else "A number is missing.") from None
    if not np.isfinite(value) or abs(value) > 1e7:
        raise ValueError(f"“{cell[:20]}” cannot be.")
    return value


def _out_of_order(rows: Sequence[tuple[float, float]], numbers: Sequence[int], what: str) -> Iterator[RowFault]:
    reached = -np.inf
    for (along, speed), number in zip(rows, numbers, strict=True):
        if along <= reached:
            yield RowFault(number, f"The {what} does not go onward here.")
            continue
        if not -0.5 <= speed <= 130:
            yield RowFault(number, "The speed cannot be.")
            continue
        reached = along


def braking_zones(trace: SpeedTrace, *, once: bool = False) -> tuple[tuple[BrakingZone, ...], float]:
    """The braking zones in order, and the start of the first one, m.

    Of a flying lap the first run begins after the last braking.
    """
    speeds = _smooth(trace)
    took = np.diff(trace.times)
    slows = -np.diff(speeds) / np.maximum(took, 1e-6) > SLOWS
    edges = np.flatnonzero(np.diff(np.concatenate([[False], slows, [False]]).astype(int)))
    runs = list[list[int]]()
    for begin, end in zip(edges[::2].tolist(), edges[1::2].tolist(), strict=True):
        if runs and trace.times[begin] - trace.times[runs[-1][1]] < APART:
            runs[-1][1] = end
        else:
            runs.append([begin, end])
    runs = [[begin, end] for begin, end in runs if speeds[begin] - speeds[end] >= TAKES_OFF]
    zones, length, lap = [], float(trace.distances[-1]), float(trace.times[-1])
    for place, (begin, end) in enumerate(runs):
        before = runs[place - 1][1]
        way, time = trace.distances[begin] - trace.distances[before], trace.times[begin] - trace.times[before]
        if place == 0:
            way, time = (trace.distances[begin], trace.times[begin]) if once else (way + length, time + lap)
        zones.append(
            BrakingZone(
                name=f"T{place + 1}",
                run=max(1.0, round(float(way), 1)),
                from_speed=round(float(speeds[begin]), 2),
                to_speed=max(1.0, round(float(speeds[end]), 2)),
                distance=max(1.0, round(float(trace.distances[end] - trace.distances[begin]), 1)),
                run_time=max(0.1, round(float(time), 2)),
            )
        )
    return tuple(zones), float(trace.distances[runs[0][0]]) if runs else 0.0


def _smooth(trace: SpeedTrace) -> Array:
    """Smoothed speeds, if there are enough rows."""
    from scipy.signal import savgol_filter  # noqa: PLC0415 - it takes a while to load

    window = int(SMOOTHED / max(1e-4, float(np.median(np.diff(trace.times))))) | 1
    if window < 5 or window >= len(trace.speeds):
        return trace.speeds
    found: Array = savgol_filter(trace.speeds, window, 2)
    return found


def thinned(trace: SpeedTrace, most: int) -> tuple[tuple[float, ...], tuple[float, ...]]:
    """Distances and speeds for drawing."""
    at = np.linspace(0.0, float(trace.distances[-1]), min(most, len(trace.distances)))
    speeds = np.interp(at, trace.distances, trace.speeds)
    return tuple(np.round(at, 1).tolist()), tuple(np.round(np.maximum(speeds, 0.0), 2).tolist())
