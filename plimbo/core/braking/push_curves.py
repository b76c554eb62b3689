"""Line pressures over the foot force, with the pressures at which each axle would lock as the load moves forward."""

from collections.abc import Sequence

import numpy as np

from plimbo.core.braking.chain import Chain
from plimbo.core.braking.lock_order import Lock
from plimbo.core.braking.pedal_at_push import rear_pressure
from plimbo.core.documents import Car
from plimbo.core.friction.torque import pressure_for_force
from plimbo.core.hydraulics.actuation import foot_for_rod
from plimbo.core.hydraulics.travel import rear_line
from plimbo.core.quantities.axles import AXLES
from plimbo.core.quantities.results import Result, answer
from plimbo.core.vehicle import loads
from plimbo.core.vehicle.tyre_capacity import TyreCapacity
from plimbo.core.working.numbers import Array, Number, column

POINTS = 41


class PushCurve(Result):
    """One state: pressures over the foot force, and those at which each axle locks."""

    foot_forces: tuple[float, ...] = answer("force", "Foot force")
    front: tuple[float, ...] = answer("pressure", "At the front calipers")
    rear: tuple[float, ...] = answer("pressure", "At the rear calipers")
    rear_line: tuple[float, ...] = answer("pressure", "At the rear's cylinder")
    front_locks_at: tuple[float, ...] = answer("pressure", "At which the front locks")
    rear_locks_at: tuple[float, ...] = answer("pressure", "At which the rear locks")
    knee_foot_force: float | None = answer("force", "Foot force at the valve's knee")
    run_out_foot_force: float | None = answer("force", "Foot force at which the booster runs out")


def push_curves(car: Car, chain: Chain, roads: Sequence[TyreCapacity], locks: Sequence[Lock]) -> tuple[PushCurve, ...]:
    """Every state at its own speed, up to past its locking as far as a foot can."""
    system, path = chain.system, chain.path
    knee_foot = chain.foot_at(path.knee) if path.bent else None
    run_out = None
    if system.booster.boosts:
        run_out = foot_for_rod(system.booster.run_out, system.pedal.ratio, system.pedal.efficiency)
    limit = car.driver.foot_force_limit
    curves = []
    for road, lock in zip(roads, locks, strict=True):
        pushes = [chain.foot_at(lock.force(axle)) for axle in AXLES]
        most = max([limit, *(1.1 * push for push in pushes if push < 2 * limit)])
        bends = [bend for bend in (knee_foot, run_out) if bend is not None and bend < most]
        foot = np.unique(np.concatenate([np.linspace(0.0, most, POINTS), bends]))
        at_front = chain.front_at(foot)
        front = pressure_for_force(chain.front.pressure, at_front, chain.front.brake_force)
        locks_at = _lock_pressures(chain, road, column(chain.path.total(at_front)))
        curves.append(
            PushCurve(
                foot_forces=tuple(foot.tolist()),
                front=tuple(column(front).tolist()),
                rear=tuple(column(rear_pressure(chain, front)).tolist()),
                rear_line=tuple(column(rear_line(front, chain.rear.line_pressure, chain.front.line_pressure)).tolist()),
                front_locks_at=tuple(locks_at[0].tolist()),
                rear_locks_at=tuple(locks_at[1].tolist()),
                knee_foot_force=knee_foot,
                run_out_foot_force=run_out,
            )
        )
    return tuple(curves)


def _lock_pressures(chain: Chain, road: TyreCapacity, total: Array) -> list[Array]:
    """Pressures at which each axle locks while the brakes of the whole car make `total`, N."""
    braking = (loads.front_load_braking, loads.rear_load_braking)
    all_tyres: Number = loads.tyre_force(total, road.engine)
    found = []
    for axle, law in zip(AXLES, braking, strict=True):
        own, made = road.axle(axle), chain.axle(axle)
        load = np.maximum(0.0, law(own.load, all_tyres, road.transfer))
        spare = np.maximum(0.0, own.capacity(load, axle) - own.engine)
        found.append(column(pressure_for_force(made.pressure, spare, made.brake_force)))
    return found
