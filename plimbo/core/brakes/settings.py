"""What is turned, not bought: where the bar or the valve would have to stand for forces that are wanted."""

import math

from plimbo.core.brakes.chain import Chain, cylinder_of
from plimbo.core.documents import Setup, ValveKind
from plimbo.core.documents.actuation import MOST_KNEE
from plimbo.core.formulas import lost, valve
from plimbo.core.working import AXLES, Axle

# A knee is read off a gauge to half a bar.
KNEE_GRID = 5e4


def knee_wanted(setup: Setup, chain: Chain, limit: tuple[float, float]) -> float | None:
    """Knee of a valve with which the rear comes to its limit with the front, its pads biting more by the tolerance.

    `limit` are the brake forces there, N. None where the rear needs no valve, or where none would do.
    """
    front, rear = limit
    line = chain.rear.line_pressure * front / chain.front.brake_force
    wanted = rear / (1 + setup.pad_tolerance) * chain.rear.pressure / chain.rear.brake_force
    slope = setup.valve.slope
    if wanted >= line or slope >= 1:
        return None
    knee = (wanted - slope * line) / (1 - slope)
    return knee if knee > 0 else None


def knee_set(setup: Setup, wanted: float) -> float:
    """The knee, Pa, as it can be set: not over what is wanted, as far as there is a setting so low."""
    if setup.valve.kind is ValveKind.LEVER:
        low = [position for position in setup.valve.positions if position <= wanted]
        return low[-1] if low else setup.valve.positions[0]
    return max(KNEE_GRID, math.floor(min(wanted, MOST_KNEE) / KNEE_GRID) * KNEE_GRID)


def bar_offset(setup: Setup, chain: Chain, forces: tuple[float, float]) -> float:
    """Offset of the bar, m, with which front and rear make these brake forces, N, at one push."""
    pushes = []
    for axle, force in zip(AXLES, forces, strict=True):
        made = chain.axle(axle)
        line = lost.pressure_for_force.function(made.pressure, force, made.brake_force)
        if axle is Axle.REAR and setup.valve.fitted:
            knee, slope = setup.valve.true_knee, setup.valve.slope
            line = valve.valve_input.function(line, knee, slope) if slope > 0 else min(line, knee)
        efficiency = cylinder_of(setup, axle).efficiency
        pushes.append(lost.force_for_pressure.function(line, made.cylinder_area, efficiency))
    return (pushes[0] / (pushes[0] + pushes[1]) - 0.5) * setup.balance_bar.length
