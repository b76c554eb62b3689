"""How sure is the lock order? Many draws of the uncertain inputs, with a fixed seed so that setups can be compared."""

from collections.abc import Sequence
from functools import cache
from typing import NamedTuple

import numpy as np
from pydantic import Field

from plimbo.core.braking.chain import foot_to_road, path_with
from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.force_path import ForcePath
from plimbo.core.braking.judged_states import judged_states
from plimbo.core.braking.lock_order import lock_order
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup, State
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.cancellation import Wanted, always, raise_if_cancelled
from plimbo.core.quantities.results import Result, answer
from plimbo.core.vehicle import loads, tyres
from plimbo.core.vehicle.tyre_capacity import TyreCapacity, tyre_capacity
from plimbo.core.vehicle.tyre_limit import AxleCapacity
from plimbo.core.verdicts.lock_order import LOCK_ORDER, with_doubt
from plimbo.core.verdicts.matter import Judgement, Verdict
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


class InputShare(Result):
    """The share of one uncertain input in the doubt about the lock order."""

    title: str
    path: str
    measure_next: str
    share: float = answer("share", "Share of the doubt")


class StateChance(Result):
    """One state: the share of draws in which the rear locks first, and the inputs that decide it, largest first."""

    state: str
    rear_first: float = answer("share", "Draws in which the rear locks first")
    inputs: tuple[InputShare, ...]


class Uncertainty(Result):
    """The lock order over all draws, state by state."""

    verdict: Verdict = Field(description="On the lock order, with the doubt counted.")
    in_doubt: bool = Field(description="Whether it would be sound, were it not for the doubt.")
    draws: int
    states: tuple[StateChance, ...]
    worst: StateChance


@cache
def _draws(count: int) -> Array:
    """Shape (inputs, count), each uniform between −1 and 1; a smaller count gives the first draws of a larger one."""
    return np.random.default_rng(SEED).uniform(-1, 1, (count, len(INPUTS))).T.copy()


@cache
def _centred(count: int) -> tuple[Array, Array]:
    """The draws minus their mean, and the norm of each input's row, for a correlation."""
    unit = _draws(count)
    centred = unit - unit.mean(axis=1, keepdims=True)
    return centred, np.linalg.norm(centred, axis=1)


class _DrawnInputs(NamedTuple):
    """The drawn inputs: factors on the tyres' friction, and the rise of the centre of gravity, m."""

    front_scale: Array
    rear_scale: Array
    raised: Array

    def rows(self, part: slice) -> "_DrawnInputs":
        """Some of the draws."""
        return _DrawnInputs(self.front_scale[part], self.rear_scale[part], self.raised[part])


def estimate_uncertainty(
    car: Car,
    setup: Setup,
    states: Sequence[State] | State | None = None,
    draws: int = DRAWS,
    *,
    wanted: Wanted = always,
) -> Uncertainty:
    """Draw pads, tyres and height of the centre of gravity, each uniform within the doubt given in the car.

    Over these states (the car's own where none are given). Raises `OutOfRange` where the inputs together are outside
    the model, `Cancelled` when the answer is no longer needed.
    """
    unit = _draws(draws)
    pad_front, pad_rear, tyre, difference, height = unit
    doubt = car.doubt
    doubts = np.array([getattr(doubt, one.path.removeprefix("doubt.")) for one in INPUTS])
    centred, lengths = _centred(draws)
    scales = []
    for end, sign in ((car.front_tyre, 0.5), (car.rear_tyre, -0.5)):
        friction = end.friction + doubt.tyre_friction * tyre + sign * doubt.tyre_difference * difference
        scales.append(np.maximum(LEAST_FRICTION, friction) / end.friction)
    drawn = _DrawnInputs(scales[0], scales[1], doubt.cg_height * height)
    chances = []
    conditions = conditions_for(car, judged_states(car, setup, states))
    chain = foot_to_road(car, brake_system(setup, PLAIN), PLAIN)
    path = path_with(chain, 1 + doubt.pad_friction * pad_front, 1 + doubt.pad_friction * pad_rear)
    for name, row in zip(conditions.names, conditions.rows, strict=True):
        road = tyre_capacity(car, row, PLAIN, (name,), lambda *_: "car.states")
        margin, rear_first = _margins(car, road, drawn, path, wanted)
        off = margin - margin.mean()
        spread = np.linalg.norm(off) * lengths
        with np.errstate(invalid="ignore", divide="ignore"):
            correlation = np.where((doubts > 0) & (spread > 0), centred @ off / spread, 0.0)
        inputs = [
            InputShare(title=one.title, path=one.path, measure_next=one.measure_next, share=part)
            for one, part in zip(INPUTS, (correlation * correlation).tolist(), strict=True)
        ]
        inputs.sort(key=lambda one: -one.share)
        chance = float(rear_first) / draws
        chances.append(StateChance(state=name, rear_first=chance, inputs=tuple(inputs)))
    worst = max(chances, key=lambda one: one.rear_first)
    screening = Screening(conditions, chain.system)
    plain = LOCK_ORDER.verdict(screening, setup, Judgement(LOCK_ORDER, screening))
    doubted = with_doubt(plain, worst.rear_first, worst.state, worst.inputs[0].measure_next, car)
    return Uncertainty(verdict=doubted, in_doubt=doubted is not plain, draws=draws, states=tuple(chances), worst=worst)


def _margins(car: Car, road: TyreCapacity, drawn: _DrawnInputs, path: ForcePath, wanted: Wanted) -> tuple[Array, int]:
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


def _drawn(car: Car, road: TyreCapacity, drawn: _DrawnInputs) -> TyreCapacity:
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
