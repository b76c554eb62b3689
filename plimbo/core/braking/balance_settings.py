"""Adjustments that need no new part: the bar or valve setting that gives the wanted forces."""

import math

import numpy as np

from plimbo.core.braking.chain import Chain
from plimbo.core.documents import Setup, ValveKind
from plimbo.core.documents.valve import MOST_KNEE
from plimbo.core.friction.torque import pressure_for_force
from plimbo.core.hydraulics.actuation import force_for_pressure
from plimbo.core.hydraulics.brake_system import BrakeSystem
from plimbo.core.hydraulics.valve import KNEE_GRID, valve_input
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.vehicle.tyre_limit import Limit
from plimbo.core.working.numbers import Holds, Number, column, minimum


def knee_wanted(setup: Setup, chain: Chain, limit: tuple[float, float]) -> float | None:
    """Knee of a valve with which the rear comes to its limit with the front, its pads biting more by the tolerance.

    `limit` are the brake forces there, N. None where the rear needs no valve, or where none would do.
    """
    front, rear = limit
    line = pressure_for_force(chain.rear.line_pressure, front, chain.front.brake_force)
    wanted = pressure_for_force(chain.rear.pressure, rear / (1 + setup.pad_tolerance), chain.rear.brake_force)
    slope = setup.valve.slope
    if wanted >= line or slope >= 1:
        return None
    knee = float((wanted - slope * line) / (1 - slope))
    return knee if knee > 0 else None


def knee_set(setup: Setup, wanted: float) -> float:
    """The knee, Pa, as it can be set: not over what is wanted, as far as there is a setting so low."""
    if setup.valve.kind is ValveKind.LEVER:
        low = [position for position in setup.valve.positions if position <= wanted]
        return low[-1] if low else setup.valve.positions[0]
    return max(KNEE_GRID, math.floor(min(wanted, MOST_KNEE) / KNEE_GRID) * KNEE_GRID)


def reached_by_setting(system: BrakeSystem, chain: Chain, limit: Limit, bar_share: float) -> Holds:
    """For every setup and state, whether its bar within `bar_share` of the half, or the knee of its valve, reaches the
    balance at which the front just locks first, its rear pads biting more by the tolerance; shape (setup, state, 1).
    """
    front, rear = column(limit.front_force), column(limit.rear_force) / (1 + system.pad_tolerance)
    line = pressure_for_force(chain.front.pressure, front, chain.front.brake_force)
    behind = pressure_for_force(chain.rear.pressure, rear, chain.rear.brake_force)
    knee, slope = system.valve
    if system.bar is None:
        before = line * (chain.rear.line_pressure / chain.front.line_pressure)
        with np.errstate(invalid="ignore", divide="ignore"):
            wanted = (behind - slope * before) / (1 - np.asarray(slope, float))
        reached: Holds = (behind < before) & (wanted >= system.knees.least) & (wanted <= system.knees.most)
        reached &= np.asarray(system.valve.works)
        return reached
    if system.valve.works:
        # A limiting valve lets no more than its knee through.
        limiting = np.asarray(slope) == 0
        behind = np.where(limiting, minimum(behind, knee), valve_input(behind, knee, np.where(limiting, 1.0, slope)))
    pushes = [
        force_for_pressure(pressure, cylinder.area, cylinder.efficiency)
        for pressure, cylinder in ((line, system.front.cylinder), (behind, system.rear.cylinder))
    ]
    share = pushes[0] / (pushes[0] + pushes[1]) - 0.5
    within: Holds = np.abs(2 * share) <= bar_share
    return within


def bar_offset(setup: Setup, chain: Chain, forces: tuple[Number, Number]) -> Number:
    """Offset of the bar, m, with which front and rear make these brake forces, N, at one push."""
    pushes = []
    for axle, force in zip(AXLES, forces, strict=True):
        made, cylinder = chain.axle(axle), chain.system.circuit(axle).cylinder
        line = pressure_for_force(made.pressure, force, made.brake_force)
        if axle is Axle.REAR and setup.valve.fitted:
            knee, slope = setup.valve.true_knee, setup.valve.slope
            line = valve_input(line, knee, slope) if slope > 0 else minimum(line, knee)
        pushes.append(force_for_pressure(line, cylinder.area, cylinder.efficiency))
    return (pushes[0] / (pushes[0] + pushes[1]) - 0.5) * setup.balance_bar.length
