"""A quasi-steady lap: at each point as fast as tyres, engine and the braking ahead allow.

One tyre law for the whole car, steered and driven tyres alike: cornering grip is not available for braking or
accelerating (friction circle). The square of the speed is integrated over a grid of a few metres with the midpoint
method, forward with the engine and backward with the brakes; the lower of the two is used.
"""

from collections.abc import Sequence
from typing import Any, NamedTuple

import numpy as np

from plimbo.core.vehicle.loads import GRAVITY
from plimbo.core.working.compiling import compiled
from plimbo.core.working.numbers import Array

GRID = 2.0
# No speed is lower than this, m²/s².
CRAWL, NO_LIMIT = 1.0, 1e9
# No car is faster than this, m²/s²: 200 m/s.
FASTEST = 4e4
# Braking below this share of the weight is done by the engine and the air, without the brakes.
TRAILING = 0.03


class LapCar(NamedTuple):
    """A car on a track: kg, W at the wheels, m² of drag and downforce, the tyres' friction there, kg/m³.

    `traction` is the share of the grip that can accelerate the car, `rotating` the mass added by rotating parts,
    `rolling` the resistance as a share of the weight, `engine_braking` in N; `braking` is the share of the grip that
    the brakes use as they are balanced.
    """

    mass: float
    power: float
    drag_area: float
    lift_area: float
    friction: float
    air_density: float = 1.1839
    traction: float = 0.6
    rotating: float = 0.03
    rolling: float = 0.015
    engine_braking: float = 0.0
    braking: float = 1.0

    def at_pace(self, pace: float) -> "LapCar":
        """The same car below its limit: grip and power are scaled with the square of the pace."""
        return self._replace(friction=self.friction * pace**2, power=self.power * pace**2)


class LapSection(NamedTuple):
    """A piece of track: its length and its radius, m; the radius is 0 on a straight."""

    length: float
    radius: float = 0.0


class Lap(NamedTuple):
    """A lap, cell by cell: length m, time s, mean speed m/s, mean force of the brakes N; speeds at the nodes, m/s."""

    lengths: Array
    times: Array
    speeds: Array
    brake_forces: Array
    at_nodes: Array

    @property
    def time(self) -> float:
        return float(self.times.sum())

    @property
    def brake_energy(self) -> float:
        """Work of the brakes of the whole car, J."""
        return float((self.brake_forces * self.lengths).sum())


@compiled
def _left(car: LapCar, square: float, bend: float) -> Any:
    """Grip left for braking or accelerating in a bend of this curvature, 1/m, and the total grip, N."""
    grip = car.friction * (car.mass * GRAVITY + 0.5 * car.air_density * car.lift_area * square)
    across = car.mass * square * bend
    return np.sqrt(max(0.0, grip * grip - across * across)), grip


@compiled
def _resists(car: LapCar, square: float) -> Any:
    """Drag and rolling resistance, N."""
    return 0.5 * car.air_density * car.drag_area * square + car.rolling * car.mass * GRAVITY


@compiled
def driven_to(car: LapCar) -> Any:
    """Square of the speed at which the power only just overcomes drag and rolling resistance, m²/s²."""
    low, high = CRAWL, FASTEST
    for _ in range(60):
        middle = 0.5 * (low + high)
        if car.power / np.sqrt(middle) > _resists(car, middle):
            low = middle
        else:
            high = middle
    return low


@compiled
def fastest(car: LapCar, bend: float) -> Any:
    """Square of the speed at which a bend, 1/m, uses all the grip left after overcoming drag."""
    if bend <= 0.0:
        return NO_LIMIT
    low, high = CRAWL, FASTEST
    for _ in range(60):
        middle = 0.5 * (low + high)
        left, _ = _left(car, middle, bend)
        if left > _resists(car, middle):
            low = middle
        else:
            high = middle
    return low if high < 0.99 * FASTEST else NO_LIMIT


@compiled
def _gains(car: LapCar, square: float, bend: float) -> Any:
    left, grip = _left(car, square, bend)
    push = min(car.power / np.sqrt(max(square, CRAWL)), left, car.traction * grip)
    return (push - _resists(car, square)) / (car.mass * (1 + car.rotating))


@compiled
def _loses(car: LapCar, square: float, bend: float) -> Any:
    left, _ = _left(car, square, bend)
    return (car.braking * left + _resists(car, square)) / (car.mass * (1 + car.rotating))


@compiled
def _marched(car: LapCar, lengths: Array, bends: Array, once: bool) -> Any:
    """Squares of the speed at the nodes, m²/s²."""
    cells = len(lengths)
    limits = np.empty(cells)
    # Where neither bend nor air sets a limit, the power does.
    most = driven_to(car)
    for at in range(cells):
        limits[at] = min(most, fastest(car, bends[at]))
    squares = np.empty(cells + 1)
    for at in range(cells + 1):
        before = limits[at - 1] if at > 0 else NO_LIMIT if once else limits[cells - 1]
        after = limits[at] if at < cells else NO_LIMIT if once else limits[0]
        squares[at] = min(before, after)
    if once:
        squares[0] = CRAWL
    # A flying lap begins at the speed at which it ends, so it is calculated twice.
    for _ in range(1 if once else 2):
        for at in range(cells):
            middle = squares[at] + _gains(car, squares[at], bends[at]) * lengths[at]
            reached = squares[at] + 2 * _gains(car, max(CRAWL, middle), bends[at]) * lengths[at]
            squares[at + 1] = max(CRAWL, min(squares[at + 1], reached))
        if not once:
            squares[0] = min(squares[0], squares[cells])
    for _ in range(1 if once else 2):
        for at in range(cells - 1, -1, -1):
            middle = squares[at + 1] + _loses(car, squares[at + 1], bends[at]) * lengths[at]
            allowed = squares[at + 1] + 2 * _loses(car, middle, bends[at]) * lengths[at]
            squares[at] = min(squares[at], allowed)
        if not once:
            squares[cells] = min(squares[cells], squares[0])
    return squares


def cell_counts(sections: Sequence[LapSection], grid: float = GRID) -> list[int]:
    """Number of cells of each section."""
    return [max(1, round(section.length / grid)) for section in sections]


def lap(car: LapCar, sections: Sequence[LapSection], *, once: bool = False, grid: float = GRID) -> Lap:
    """A flying lap, or `once` from a standing start to the end, as on a hill or a stage."""
    counts = cell_counts(sections, grid)
    lengths = np.repeat([one.length / count for one, count in zip(sections, counts, strict=True)], counts)
    bends = np.repeat([1 / one.radius if one.radius else 0.0 for one in sections], counts)
    marched: Any = _marched
    squares = marched(car, lengths, bends, once)
    at_nodes = np.sqrt(squares)
    return lap_of(car, lengths, at_nodes, 2 * lengths / (at_nodes[:-1] + at_nodes[1:]))


def lap_of(car: LapCar, lengths: Array, at_nodes: Array, times: Array) -> Lap:
    """Brake forces of a lap with these speeds, m/s, at the ends of cells with these lengths, m, and times, s."""
    squares = at_nodes**2
    middle = 0.5 * (squares[:-1] + squares[1:])
    slows = (squares[:-1] - squares[1:]) / (2 * lengths)
    resists = 0.5 * car.air_density * car.drag_area * middle + car.rolling * car.mass * GRAVITY
    brakes = car.mass * (1 + car.rotating) * slows - resists - car.engine_braking
    braking = np.where(brakes > TRAILING * car.mass * GRAVITY, brakes, 0.0)
    return Lap(lengths, times, lengths / times, braking, at_nodes)
