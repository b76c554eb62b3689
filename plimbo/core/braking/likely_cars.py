"""Likely cars: many draws of the uncertain inputs, with a fixed seed so that setups can be compared."""

from collections.abc import Iterator
from functools import cache
from typing import NamedTuple

import numpy as np

from plimbo.core.braking.chain import foot_to_road, path_with
from plimbo.core.braking.conditions import Conditions
from plimbo.core.braking.force_path import ForcePath
from plimbo.core.braking.lock_order import lock_order
from plimbo.core.documents import Car
from plimbo.core.hydraulics.brake_system import BrakeSystem
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.cancellation import Wanted, always, raise_if_cancelled
from plimbo.core.vehicle import loads, tyres
from plimbo.core.vehicle.tyre_capacity import TyreCapacity, tyre_capacity
from plimbo.core.vehicle.tyre_limit import AxleCapacity
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import Array, Number, column

# Draws calculated together: their columns fit in the processor's cache.
STRETCH = 20_000
SEED = 20_260
DRAWS = 100_000
# Lower bounds of the draws: of a tyre's friction and of the height of the centre of gravity.
LEAST_FRICTION, LEAST_TRANSFER = 0.01, 1e-6


class UncertainInput(NamedTuple):
    """An uncertain input, the field of its doubt in the car, and the measurement that would reduce it."""

    title: str
    path: str
    measure_next: str


PADS = "Log line pressures and deceleration at two settings of the bar: together they tell what both pads bite."
INPUTS = (
    UncertainInput("Front pad μ", "doubt.pad_friction", PADS),
    UncertainInput("Rear pad μ", "doubt.pad_friction", PADS),
    UncertainInput("Tyre grip", "doubt.tyre_friction", "Log the best deceleration on the day's tyres and track."),
    UncertainInput(
        "Front against rear", "doubt.tyre_difference", "Turn the bar until both ends lock together, and note it."
    ),
    UncertainInput("CG height", "doubt.cg_height", "Weigh again, the rear raised higher."),
)


class DrawnState(NamedTuple):
    """One state over all draws: the margin by which the front locks sooner, see `_margins`, and the number of draws in
    which the rear locks first.
    """

    state: str
    margin: Array
    rear_first: int


@cache
def unit_draws(count: int) -> Array:
    """Shape (inputs, count), each uniform between −1 and 1; a smaller count gives the first draws of a larger one."""
    return np.random.default_rng(SEED).uniform(-1, 1, (count, len(INPUTS))).T.copy()


@cache
def centred_draws(count: int) -> tuple[Array, Array]:
    """The draws minus their mean, and the norm of each input's row, for a correlation."""
    unit = unit_draws(count)
    centred = unit - unit.mean(axis=1, keepdims=True)
    return centred, np.linalg.norm(centred, axis=1)


class DrawnInputs(NamedTuple):
    """The drawn inputs: factors on the tyres' friction, and the rise of the centre of gravity, m."""

    front_scale: Array
    rear_scale: Array
    raised: Array

    def rows(self, part: slice) -> "DrawnInputs":
        """Some of the draws."""
        return DrawnInputs(self.front_scale[part], self.rear_scale[part], self.raised[part])


def drawn_states(
    conditions: Conditions, system: BrakeSystem, draws: int = DRAWS, wanted: Wanted = always
) -> Iterator[DrawnState]:
    """Pads, tyres and height of the centre of gravity, each uniform within the doubt given in the car: every state.

    Raises `Cancelled` when the answer is no longer needed.
    """
    car, doubt = conditions.car, conditions.car.doubt
    pad_front, pad_rear, tyre, difference, height = unit_draws(draws)
    scales = []
    for end, sign in ((car.front_tyre, 0.5), (car.rear_tyre, -0.5)):
        friction = end.friction + doubt.tyre_friction * tyre + sign * doubt.tyre_difference * difference
        scales.append(np.maximum(LEAST_FRICTION, friction) / end.friction)
    drawn = DrawnInputs(scales[0], scales[1], doubt.cg_height * height)
    chain = foot_to_road(car, system, PLAIN)
    path = path_with(chain, 1 + doubt.pad_friction * pad_front, 1 + doubt.pad_friction * pad_rear)
    for name, row in zip(conditions.names, conditions.rows, strict=True):
        road = tyre_capacity(car, row, PLAIN, (name,), lambda *_: "car.states")
        yield DrawnState(name, *_margins(car, road, drawn, path, wanted))


def _margins(car: Car, road: TyreCapacity, drawn: DrawnInputs, path: ForcePath, wanted: Wanted) -> tuple[Array, int]:
    """The margin of each draw of one state, and the number of draws in which the rear locks first.

    The margin is the difference of the reciprocals: finite where the front never locks, and nearly linear in every
    input.
    """
    margin, rear_first = np.empty_like(drawn.raised), 0
    for start in range(0, margin.size, STRETCH):
        raise_if_cancelled(wanted)
        part = slice(start, start + STRETCH)
        lock = lock_order(_drawn(car, road, drawn.rows(part)), path.rows(part))
        margin[part] = 1 / np.maximum(lock.rear_force, 1.0) - 1 / np.maximum(lock.front_force, 1.0)
        rear_first += int(np.count_nonzero(lock.rear_first))
    return margin, rear_first


def _drawn(car: Car, road: TyreCapacity, drawn: DrawnInputs) -> TyreCapacity:
    """The tyre capacity of one state, one row for each draw."""
    transfer = np.maximum(LEAST_TRANSFER, loads.load_transfer(road.car.cg_height + drawn.raised, car.wheelbase))
    # With a higher centre of gravity, the drag acts less far above it.
    moved: Number = road.drag * drawn.raised / car.wheelbase if car.drag_height is not None else 0.0
    return road._replace(
        transfer=transfer,
        front=_drawn_axle(road, Axle.FRONT, drawn.front_scale, moved, transfer),
        rear=_drawn_axle(road, Axle.REAR, drawn.rear_scale, -moved, column(loads.rear_transfer(transfer))),
    )


def _drawn_axle(road: TyreCapacity, axle: Axle, scale: Array, moved: Number, transfer: Array) -> AxleCapacity:
    own = road.axle(axle)
    grip, load = own.grip * scale, own.load + moved
    parabola = None
    if own.sensitivity:
        parabola = tyres.parabola_of(grip, load, transfer, own.sensitivity, own.reference_load)
    return own._replace(grip=grip, load=load, transfer=transfer, parabola=parabola)
