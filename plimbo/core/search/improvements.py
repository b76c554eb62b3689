"""The effect of improving each part: tried one by one at the hardest first lock."""

from collections.abc import Iterator

from plimbo.core.braking.chain import Chain, foot_to_road
from plimbo.core.braking.lock_order import lock_order
from plimbo.core.braking.pedal_at_push import knock_back_at_pedal, travel_at
from plimbo.core.documents import Car, Setup
from plimbo.core.friction.torque import pressure_for_force
from plimbo.core.hydraulics.columns import with_changes
from plimbo.core.quantities.axles import AXLES
from plimbo.core.quantities.results import Result, answer
from plimbo.core.stepping.changes import ChangeKind, Json
from plimbo.core.stepping.stock import BORES, next_size
from plimbo.core.vehicle.tyre_capacity import TyreCapacity
from plimbo.core.verdicts.travel_changes import travel_changes
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import single


class Improvement(Result):
    """One change, the travel that it saves at lock and after knock-back, and the extra push of the foot."""

    title: str
    patch: dict[str, Json]
    travel: float = answer("length", "Pedal travel at lock")
    after_knock_back: float = answer("length", "Pedal travel after knock-back")
    foot_force: float = answer("force", "Foot force at lock")


def _worth_trying(setup: Setup) -> Iterator[tuple[str, dict[str, Json]]]:
    """A longer stroke does not change the travel."""
    yield from ((one.title, one.swap.patch) for one in travel_changes(setup) if one.kind is not ChangeKind.STROKE)
    if setup.tandem_fitted and (bigger := next_size(setup.tandem.bore, BORES, True)):
        yield "Next bigger tandem cylinder", {"tandem.bore": bigger}
    for axle in AXLES:
        bore = setup.brake(axle).master_cylinder.bore
        if not setup.tandem_fitted and (bigger := next_size(bore, BORES, True)):
            yield f"Next bigger cylinder, {axle}", {f"{axle}.master_cylinder.bore": bigger}


def _pedal(chain: Chain, road: TyreCapacity) -> tuple[float, float, float]:
    """Travel at first lock, the same after knock-back, both m, and the foot force, N."""
    first = lock_order(road, chain.path).first_force
    front = pressure_for_force(chain.front.pressure, chain.path.front(first), chain.front.brake_force)
    pedal = travel_at(chain, front, PLAIN).pedal
    back = sum(knock_back_at_pedal(chain, axle) for axle in AXLES)
    return single(pedal), single(pedal + back), single(chain.foot_at(first))


def improvements(car: Car, setup: Setup, chain: Chain, road: TyreCapacity) -> tuple[Improvement, ...]:
    """In the order of the travel that they save."""
    before = _pedal(chain, road)
    found = []
    for title, patch in _worth_trying(setup):
        after = _pedal(foot_to_road(car, with_changes(setup, chain.system, [patch]), PLAIN), road)
        travel, after_knock_back, foot_force = (now - was for now, was in zip(after, before, strict=True))
        found.append(
            Improvement(
                title=title, patch=patch, travel=travel, after_knock_back=after_knock_back, foot_force=foot_force
            )
        )
    # Equal savings stay in the order of the parts; rounding does not decide.
    return tuple(sorted(found, key=lambda one: round(one.after_knock_back, 9)))
