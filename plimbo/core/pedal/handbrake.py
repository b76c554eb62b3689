"""The hydraulic handbrake: what the hand makes at the rear, and whether its cylinder has the stroke for it."""

from collections.abc import Sequence

from plimbo.core.brakes.chain import Chain
from plimbo.core.brakes.displacement import axle_stroke
from plimbo.core.documents import Setup
from plimbo.core.documents.fields import Result, answer
from plimbo.core.formulas import actuation
from plimbo.core.road.demand import Demand, lock_alone
from plimbo.core.working import PLAIN, Axle


class HandbrakeState(Result):
    """One state: the pull that locks the rear wheels."""

    state: str
    pull_to_lock: float = answer("force", "Pull that locks the rear")
    locks: bool


class HandbrakeAnswer(Result):
    """At the pull given."""

    pressure: float = answer("pressure", "Rear pressure by hand")
    brake_force: float = answer("force", "Rear brake force by hand, both wheels")
    stroke: float = answer("length", "Stroke of the handbrake's cylinder")
    left: float = answer("length", "Stroke left")
    states: tuple[HandbrakeState, ...]


def handbrake(setup: Setup, chain: Chain, roads: Sequence[Demand], names: Sequence[str]) -> HandbrakeAnswer | None:
    """None where there is no hydraulic handbrake."""
    lever = setup.handbrake
    if not lever.fitted:
        return None
    area = actuation.bore_area.function(lever.bore)
    pressure = lever.hand_force * lever.ratio / area
    force = chain.rear.brake_force * pressure / chain.rear.pressure
    stroke = axle_stroke(setup, chain, pressure, PLAIN, Axle.REAR).volume / area
    states = []
    for road, name in zip(roads, names, strict=True):
        most = lock_alone(road, Axle.REAR)
        states.append(HandbrakeState(state=name, pull_to_lock=lever.hand_force * most / force, locks=force >= most))
    return HandbrakeAnswer(
        pressure=pressure, brake_force=force, stroke=stroke, left=lever.stroke - stroke, states=tuple(states)
    )
