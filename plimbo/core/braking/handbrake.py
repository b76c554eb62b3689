"""The hydraulic handbrake: the rear brake force of a pull, and whether its cylinder has enough stroke."""

from collections.abc import Sequence

from plimbo.core.braking.chain import Chain
from plimbo.core.braking.lock_order import lock_alone
from plimbo.core.documents import Handbrake
from plimbo.core.friction.torque import force_at_pressure
from plimbo.core.hydraulics.actuation import bore_area
from plimbo.core.hydraulics.travel import axle_stroke
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.results import Result, answer
from plimbo.core.vehicle.tyre_capacity import TyreCapacity
from plimbo.core.working.inputs import PLAIN


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


def handbrake(
    lever: Handbrake, chain: Chain, roads: Sequence[TyreCapacity], names: Sequence[str]
) -> HandbrakeAnswer | None:
    """None where there is no hydraulic handbrake."""
    if not lever.fitted:
        return None
    area = bore_area(lever.bore)
    pressure = lever.hand_force * lever.ratio / area
    force = force_at_pressure(chain.rear.brake_force, pressure, chain.rear.pressure)
    stroke = axle_stroke(chain.system, pressure, PLAIN, Axle.REAR).volume / area
    states = []
    for road, name in zip(roads, names, strict=True):
        most = lock_alone(road, Axle.REAR)
        states.append(HandbrakeState(state=name, pull_to_lock=lever.hand_force * most / force, locks=force >= most))
    return HandbrakeAnswer(
        pressure=pressure, brake_force=force, stroke=stroke, left=lever.stroke - stroke, states=tuple(states)
    )
