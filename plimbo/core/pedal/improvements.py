"""What each part's improvement is worth: tried one by one at the hardest first lock."""

from collections.abc import Iterator

from plimbo.core.brakes.chain import Chain, foot_at, foot_to_road
from plimbo.core.brakes.displacement import bar_shares, knock_back, pedal_travel
from plimbo.core.brakes.joints import Json, patched
from plimbo.core.brakes.stock import BORES, next_size
from plimbo.core.documents import AxleBrake, Car, HoseKind, Retention, Setup
from plimbo.core.documents.fields import Result, answer
from plimbo.core.pedal.travelled import rear_pressure
from plimbo.core.road.demand import Demand, lock_order
from plimbo.core.working import AXLES, PLAIN

STIFFER = 0.7


class Improvement(Result):
    """One change, what it takes off the pedal's travel at lock, after knock-back too, and what the foot pays."""

    title: str
    patch: dict[str, Json]
    travel: float = answer("length", "Pedal travel at lock")
    after_knock_back: float = answer("length", "Pedal travel after knock-back")
    foot_force: float = answer("force", "Foot force at lock")


def _tries(setup: Setup) -> Iterator[tuple[str, dict[str, Json]]]:
    if setup.fluid.air > 0:
        yield "Bleed the air out", {"fluid.air": 0.0}
    if setup.tandem_fitted and (bigger := next_size(setup.tandem.bore, BORES, True)):
        yield "Next bigger tandem cylinder", {"tandem.bore": bigger}
    for end, brake in (("front", setup.front), ("rear", setup.rear)):
        if not setup.tandem_fitted and (bigger := next_size(brake.master_cylinder.bore, BORES, True)):
            yield f"Next bigger cylinder, {end}", {f"{end}.master_cylinder.bore": bigger}
        yield from _axle_tries(end, brake)


def _axle_tries(end: str, brake: AxleBrake) -> Iterator[tuple[str, dict[str, Json]]]:
    if brake.lines.hose is not HoseKind.BRAIDED:
        yield f"Braided hoses, {end}", {f"{end}.lines.hose": HoseKind.BRAIDED.value}
    if stiffer := round(brake.caliper.compliance * STIFFER, 17):
        yield f"Calipers a third stiffer, {end}", {f"{end}.caliper.compliance": stiffer}
    if brake.caliper.retention is Retention.NONE:
        springs = Retention.ANTI_KNOCK_BACK.value
        yield f"Anti-knock-back springs, {end}", {f"{end}.caliper.retention": springs}
    if brake.pad.worn > 0:
        yield f"New pads, {end}", {f"{end}.pad.worn": 0.0}


def improvements(car: Car, setup: Setup, chain: Chain, road: Demand) -> tuple[Improvement, ...]:
    """Best first by what they take off the travel."""

    def measured(tried: Setup, made: Chain) -> tuple[float, float, float]:
        first = lock_order(road, made.path).first_force
        front = made.front.pressure * float(made.path.front(first)) / made.front.brake_force
        pedal = pedal_travel(tried, made, (front, rear_pressure(tried, made, front, PLAIN)), PLAIN)
        shares = bar_shares(tried, PLAIN)
        back = sum(
            knock_back(tried, made, PLAIN, axle) / made.axle(axle).cylinder_area * share
            for axle, share in zip(AXLES, shares, strict=True)
        )
        return pedal.pedal, back * made.ratio, foot_at(made, first)

    travel, back, foot = measured(setup, chain)
    found = []
    for title, patch in _tries(setup):
        tried = patched(setup, patch)
        new_travel, new_back, new_foot = measured(tried, foot_to_road(car, tried, PLAIN))
        found.append(
            Improvement(
                title=title,
                patch=patch,
                travel=new_travel - travel,
                after_knock_back=new_travel + new_back - travel - back,
                foot_force=new_foot - foot,
            )
        )
    return tuple(sorted(found, key=lambda one: one.after_knock_back))
