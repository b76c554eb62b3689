"""How sure the lock order is: many draws of what is not known exactly, with a fixed seed so that setups compare."""

from collections.abc import Sequence
from functools import cache
from typing import NamedTuple

import numpy as np

from plimbo.core.arrays import TOWARDS, Array
from plimbo.core.brakes.chain import bend_of, foot_to_road
from plimbo.core.brakes.path import force_path
from plimbo.core.documents import Car, Setup, State
from plimbo.core.documents.fields import Result, answer
from plimbo.core.road.laws import TyreLaw
from plimbo.core.road.roads import roads_of
from plimbo.core.road.sweep import Axles, lock_forces
from plimbo.core.working import PLAIN

SEED = 20_260
DRAWS = 100_000


class UncertainInput(NamedTuple):
    """Something that is not known exactly, where its doubt stands in the car, and what would make it surer."""

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
    """What one uncertain input adds to the doubt about the lock order."""

    title: str
    path: str
    measure_next: str
    share: float = answer("share", "Share of the doubt")


class StateChance(Result):
    """One state: in how many of the draws the rear locks first, and which inputs decide it, largest first."""

    state: str
    rear_first: float = answer("share", "Draws in which the rear locks first")
    inputs: tuple[InputShare, ...]


class Uncertainty(Result):
    """The lock order over all draws, state by state."""

    draws: int
    states: tuple[StateChance, ...]
    worst: StateChance


@cache
def _draws(count: int) -> Array:
    """Shape (inputs, count), each evenly between −1 and 1; a smaller count gives the beginning of a larger one."""
    return np.random.default_rng(SEED).uniform(-1, 1, (count, len(INPUTS))).T.copy()


def how_sure(car: Car, setup: Setup, states: Sequence[State] | None = None, draws: int = DRAWS) -> Uncertainty:
    """Draw pads, tyres and height of the centre of gravity, each evenly within what the car says of its doubt.

    Over the states (the car's own where none are given). Raises `OutOfRange` where the inputs together are outside the
    model.
    """
    states = car.states if states is None else states
    chain = foot_to_road(car, setup, PLAIN)
    unit = _draws(draws)
    pad_front, pad_rear, tyre, difference, height = unit[:, :, None, None]
    doubt = car.doubt
    bend = bend_of(setup, chain)
    path = force_path(
        bend.front * (1 + doubt.pad_friction * pad_front),
        bend.unvalved * (1 + doubt.pad_friction * pad_rear),
        bend.knee_part,
        bend.slope,
    )
    friction = np.array([car.front_tyre.friction, car.rear_tyre.friction])[:, None, None, None]
    drawn = friction + doubt.tyre_friction * tyre + TOWARDS * doubt.tyre_difference / 2 * difference
    tyres = np.maximum(0.01, drawn) / friction
    raised = doubt.cg_height * height
    doubts = np.array([getattr(doubt, of.path.removeprefix("doubt.")) for of in INPUTS])
    centred = unit - unit.mean(axis=1, keepdims=True)
    lengths = np.sqrt(np.sum(centred * centred, axis=1))
    chances = []
    for state, road in zip(states, roads_of(car, states).demands, strict=True):
        transfer = np.maximum(1e-6, (road.car.cg_height + raised) / car.wheelbase)
        moved = road.drag * raised / car.wheelbase if car.drag_height is not None else 0.0
        grip, sensitivity, reference, load, engine = (
            np.array([getattr(axle, name) for axle in (road.front, road.rear)])[:, None, None, None]
            for name in ("grip", "sensitivity", "reference_load", "load", "engine")
        )
        # The draws stand where the setups would.
        law = TyreLaw(grip * tyres, sensitivity, reference)
        axles = Axles(law, load + TOWARDS * moved, TOWARDS * transfer, engine)
        at_front, at_rear = (force.ravel() for force in lock_forces(axles, path, road.engine))
        # The difference of the reciprocals: finite where the front never locks, and nearly straight in every input.
        margin = 1 / np.maximum(at_rear, 1.0) - 1 / np.maximum(at_front, 1.0)
        off = margin - margin.mean()
        spread = np.sqrt(np.sum(off * off)) * lengths
        with np.errstate(invalid="ignore", divide="ignore"):
            correlation = np.where((doubts > 0) & (spread > 0), centred @ off / spread, 0.0)
        inputs = [
            InputShare(title=of.title, path=of.path, measure_next=of.measure_next, share=part)
            for of, part in zip(INPUTS, (correlation * correlation).tolist(), strict=True)
        ]
        inputs.sort(key=lambda one: -one.share)
        chance = float(np.count_nonzero(margin > 0)) / draws
        chances.append(StateChance(state=state.name, rear_first=chance, inputs=tuple(inputs)))
    return Uncertainty(draws=draws, states=tuple(chances), worst=max(chances, key=lambda one: one.rear_first))
