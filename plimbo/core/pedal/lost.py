"""What is left at 500 N of foot when a circuit, or the booster, is lost; against what road rules ask."""

import math
from collections.abc import Iterator

from pydantic import Field

from plimbo.core import defaults
from plimbo.core.brakes.chain import Chain, cylinder_of
from plimbo.core.brakes.displacement import bar_shares
from plimbo.core.brakes.lost_circuit import LostCircuit, lost_circuit
from plimbo.core.brakes.needs import line_for
from plimbo.core.documents import Car, Setup
from plimbo.core.documents.fields import Result, answer
from plimbo.core.formulas import actuation, lost
from plimbo.core.road.demand import Demand, Lock, lock_alone
from plimbo.core.working import AXLES, Axle, Inputs

# From memory of UN Regulation 13-H, Annex 3: mean deceleration at up to 500 N, service and secondary.
SERVICE, SECONDARY = 6.43, 2.44


class Left(Result):
    """What one failure leaves: at the push that road rules ask, and up to lock. From the brakes alone."""

    key: str
    title: str
    foot_force: float = answer("force", "Foot force")
    deceleration: float = answer("deceleration", "Deceleration at that push")
    locks: bool = Field(description="Whether an axle locks before that push.")
    best: float | None = answer("deceleration", "The most that is left, at lock; none if it never locks")
    best_foot_force: float | None = answer("force", "Foot force there; none if no push brings it there")
    reference: float | None = answer("deceleration", "What road rules ask, for a road-registered car")
    travel: float | None = answer("length", "Pedal travel then")
    floor: bool | None = Field(description="Whether the pedal meets the floor first.")
    tilt: float | None = answer("angle", "Tilt of the bar")
    stops_first: bool | None = Field(description="Whether the bar meets its stops before the empty cylinder's bottom.")


def whats_left(
    car: Car, setup: Setup, chain: Chain, road: Demand, lock: Lock, take: Inputs, numbers: dict[str, float]
) -> tuple[Left, ...]:
    """Everything working, each circuit alone, and the booster lost where there is one."""
    registered = car.road_registered
    return (
        *_whole(chain, road, lock, registered),
        *(_alone(setup, chain, road, axle, registered, take, numbers) for axle in AXLES),
    )


def _whole(chain: Chain, road: Demand, lock: Lock, registered: bool) -> Iterator[Left]:
    push, mass = defaults.LOST_CIRCUIT_PUSH.value, float(road.car.mass)
    first = float(lock.first_force)
    laws = [("service", "All working", chain.law, SERVICE)]
    if chain.law.gain != 1:
        laws.append(("no boost", "Booster lost", chain.law._replace(gain=1.0), SECONDARY))
    for key, title, law, reference in laws:
        force = float(chain.path.total(law.front_at(push)))
        yield Left(
            key=key,
            title=title,
            foot_force=push,
            deceleration=min(force, first) / mass,
            locks=force >= first,
            best=first / mass,
            best_foot_force=float(law.foot_at(chain.path.front(first))),
            reference=reference if registered else None,
            travel=None,
            floor=None,
            tilt=None,
            stops_first=None,
        )


def _alone(
    setup: Setup, chain: Chain, road: Demand, axle: Axle, registered: bool, take: Inputs, numbers: dict[str, float]
) -> Left:
    told = lost_circuit(setup, chain, axle, take)
    most = lock_alone(road, axle)
    held = lost.held_force.at(axle)(told.brake_force, most)
    deceleration = lost.deceleration_left.at(axle)(held, road.car.mass)
    best = lost.deceleration_left.at(axle)(most, road.car.mass)
    foot = _foot_to_lock(setup, chain, told, most, axle, take)
    locks = bool(told.brake_force >= most)
    pressed = lost_circuit(setup, chain, axle, take, foot) if locks else told
    name = f"lost.{axle}"
    numbers |= {
        f"{name}.deceleration": deceleration,
        f"{name}.best": best,
        f"{name}.best_foot_force": foot,
        f"{name}.travel": pressed.travel,
    }
    return Left(
        key=str(axle),
        title=f"{axle.capitalize()} circuit alone",
        foot_force=told.push,
        deceleration=deceleration,
        locks=locks,
        best=best if math.isfinite(best) else None,
        best_foot_force=foot if math.isfinite(foot) else None,
        reference=SECONDARY if registered else None,
        travel=pressed.travel,
        floor=bool(pressed.travel > setup.pedal.room),
        tilt=None if setup.tandem_fitted else pressed.tilt,
        stops_first=None if setup.tandem_fitted else pressed.stops_first,
    )


def _foot_to_lock(setup: Setup, chain: Chain, told: LostCircuit, most: float, axle: Axle, take: Inputs) -> float:
    """Foot force at which what is left locks, N; infinite where it never does."""
    made, cylinder, law = chain.axle(axle), cylinder_of(setup, axle), chain.law
    pressure = lost.pressure_for_force.at(axle)(made.pressure, most, made.brake_force)
    line = line_for(setup, pressure, take, axle)
    push = lost.force_for_pressure.at(axle)(line, made.cylinder_area, take(cylinder, "efficiency", axle))
    if not setup.tandem_fitted and not told.stops_first:
        push = lost.push_of_bar.at(axle)(push, bar_shares(setup, take)[0 if axle is Axle.FRONT else 1])
    if law.gain != 1:
        push = actuation.booster_input(push, law.gain, law.run_out)  # type: ignore[arg-type]
    return actuation.foot_for_rod.at(axle)(push, law.ratio, law.efficiency)  # type: ignore[arg-type]
