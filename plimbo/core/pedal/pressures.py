"""Line pressures over the foot force, with the pressures at which each axle would lock as the load moves forward."""

from collections.abc import Sequence

import numpy as np

from plimbo.core.brakes.chain import Chain
from plimbo.core.documents import Car, Setup
from plimbo.core.documents.fields import Result
from plimbo.core.road.sweep import Sweep

POINTS = 41


class PushCurve(Result):
    """One state: foot forces, N; pressures at the calipers, Pa, and those at which each axle locks."""

    foot_forces: tuple[float, ...]
    front: tuple[float, ...]
    rear: tuple[float, ...]
    rear_line: tuple[float, ...]
    front_locks_at: tuple[float, ...]
    rear_locks_at: tuple[float, ...]
    knee_foot_force: float | None
    run_out_foot_force: float | None


def push_curves(
    car: Car, setup: Setup, chain: Chain, at_speed: Sweep, lock_pushes: Sequence[Sequence[float]]
) -> list[PushCurve]:
    """Every state at its own speed; `lock_pushes` are the foot forces at which its axles lock, N, as far as they do."""
    law, path = chain.law, chain.path
    rear_ratio = chain.rear.line_pressure / chain.front.line_pressure
    knee_foot = None
    if path.bent:
        knee_foot = float(law.foot_at(path.share * path.knee))
    run_out = float(law.run_out / (law.ratio * law.efficiency)) if law.gain != 1 else None
    limit = car.driver.foot_force_limit
    curves = []
    for index, pushes in enumerate(lock_pushes):
        most = max([limit, *(1.1 * push for push in pushes if push < 2 * limit)])
        bends = [bend for bend in (knee_foot, run_out) if bend is not None and bend < most]
        foot = np.unique(np.concatenate([np.linspace(0.0, most, POINTS), bends]))
        at_front = law.front_at(foot)
        total = path.total(at_front)
        front = at_front * chain.front.pressure / chain.front.brake_force
        line = front * rear_ratio
        rear = line
        if setup.valve.fitted:
            rear = np.minimum(line, setup.valve.true_knee) + setup.valve.slope * np.maximum(
                0.0, line - setup.valve.true_knee
            )
        axles = at_speed.axles.of_state(index)
        spare = axles.capacity(total + at_speed.engine[index]) - axles.engine
        locks = [
            np.maximum(0.0, most_of[0, 0]) * made.pressure / made.brake_force
            for most_of, made in zip(spare, (chain.front, chain.rear), strict=True)
        ]
        curves.append(
            PushCurve(
                foot_forces=tuple(foot.tolist()),
                front=tuple(front.tolist()),
                rear=tuple(rear.tolist()),
                rear_line=tuple(line.tolist()),
                front_locks_at=tuple(locks[0].tolist()),
                rear_locks_at=tuple(locks[1].tolist()),
                knee_foot_force=knee_foot,
                run_out_foot_force=run_out,
            )
        )
    return curves
