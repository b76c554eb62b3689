"""A car's lap of a circuit, which is given by corners and straights or by its braking zones."""

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from plimbo.core.circuits.lap import CRAWL, Lap, LapCar, LapSection, cell_counts, lap, lap_of
from plimbo.core.documents import BrakingZone, Circuit, LaidOutBy
from plimbo.core.working.numbers import Array

# Slowing by less than this before a corner is only lifting the throttle, not a braking zone, m/s.
NAMED_FROM = 2.0
# Cells of typed zones, m.
CELL = 4.0


class LapZone(NamedTuple):
    """A braking zone of a lap: its corner, where it begins and ends, m, and at which speeds, m/s; its cells."""

    name: str
    begin: float
    end: float
    from_speed: float
    to_speed: float
    cells: tuple[int, int]


class CircuitLap(NamedTuple):
    """A lap with its braking zones; `bends` is the curvature of each cell, 1/m, 0 where none is known."""

    lap: Lap
    zones: tuple[LapZone, ...]
    bends: Array


def run_circuit(circuit: Circuit, car: LapCar, pace: float = 1.0) -> CircuitLap:
    """One lap, or one run, at this share of the pace."""
    if circuit.laid_out_by is LaidOutBy.ZONES:
        made = _zoned(circuit.zones, car, pace, once=circuit.one_way)
        return CircuitLap(made, _zones(made, [zone.name for zone in circuit.zones]), np.zeros(len(made.lengths)))
    pieces = [LapSection(one.length, one.radius or 0.0) for one in circuit.sections]
    made = lap(car.at_pace(pace), pieces, once=circuit.one_way)
    of_cell = np.repeat(np.arange(len(pieces)), cell_counts(pieces))
    bends = np.array([1 / piece.radius if piece.radius else 0.0 for piece in pieces])[of_cell]
    return CircuitLap(made, _named(circuit, made, of_cell.tolist()), bends)


def corner_names(circuit: Circuit) -> list[str]:
    """What each section is called: its name, or the number of its corner; a straight without a name has none."""
    names, corner = [], 0
    for one in circuit.sections:
        corner += one.radius is not None
        names.append(one.name or (f"T{corner}" if one.radius is not None else ""))
    return names


def _named(circuit: Circuit, made: Lap, of_cell: Sequence[int]) -> tuple[LapZone, ...]:
    names, count = corner_names(circuit), len(circuit.sections)
    found = []
    for begin, end in _runs(made):
        at = min(end, len(of_cell) - 1)
        section = of_cell[at]
        # The car brakes for the next corner, or for the corner that it is in.
        for onward in range(count):
            ahead = (section + onward) % count
            if circuit.sections[ahead].radius is not None:
                section = ahead
                break
        found.append((begin, end, names[section]))
    return _lap_zones(made, found)


def _zones(made: Lap, names: Sequence[str]) -> tuple[LapZone, ...]:
    runs = _runs(made)
    return _lap_zones(made, [(*run, names[place] or f"T{place + 1}") for place, run in enumerate(runs)])


def _runs(made: Lap) -> list[tuple[int, int]]:
    """First cell of each braking zone and the cell after its last."""
    edges = np.flatnonzero(np.diff(np.concatenate([[False], made.brake_forces > 0, [False]]).astype(int)))
    return [(int(begin), int(end)) for begin, end in zip(edges[::2], edges[1::2], strict=True)]


def _lap_zones(made: Lap, found: Sequence[tuple[int, int, str]]) -> tuple[LapZone, ...]:
    way = np.concatenate([[0.0], np.cumsum(made.lengths)])
    zones = []
    for begin, end, name in found:
        speeds = float(made.at_nodes[begin]), float(made.at_nodes[end])
        if speeds[0] - speeds[1] >= NAMED_FROM:
            zones.append(LapZone(name, float(way[begin]), float(way[end]), *speeds, (begin, end)))
    return tuple(zones)


def _zoned(zones: Sequence[BrakingZone], car: LapCar, pace: float, *, once: bool) -> Lap:
    """A lap of typed zones: between them the speed changes evenly with the time, or as the time of the run says."""
    lengths, at_nodes, times = list[float](), list[float](), list[float]()
    speed = np.sqrt(CRAWL) if once else zones[-1].to_speed
    at_nodes.append(speed * pace)
    for zone in zones:
        for way, end, seconds in ((zone.run, zone.from_speed, zone.run_time), (zone.distance, zone.to_speed, None)):
            count = max(2, round(way / CELL))
            squares = np.linspace(speed**2, end**2, count + 1)
            nodes = np.sqrt(squares)
            took = 2 * (way / count) / (nodes[:-1] + nodes[1:])
            if seconds is not None:
                took *= seconds / took.sum()
            lengths += [way / count] * count
            at_nodes += (nodes[1:] * pace).tolist()
            times += (took / pace).tolist()
            speed = end
    return lap_of(car, np.array(lengths), np.array(at_nodes), np.array(times))
