"""One circuit lost: how far the bar goes before it carries, and what is left of the deceleration."""

import math

from plimbo.core.working import formula


@formula("s_stop", "Clevises apart at the bar's stop", "length", "{length} · tan({tilt_stop})", "Lever")
def reach_of_stop(length: float, tilt_stop: float) -> float:
    """How much further one clevis may be than the other, m."""
    return length * math.tan(tilt_stop)


@formula(
    "s_empty",
    "Stroke of the empty cylinder",
    "length",
    "min({stroke}, {good} + {reach})",
    "Bottom or stop, whichever is first",
)
def empty_stroke(stroke: float, good: float, reach: float) -> float:
    """Until it is at its bottom or the bar is at its stop, m."""
    return min(stroke, good + reach)


@formula("F_left", "Brake force used", "force", "min({brake_force}, {lock_force})", "No more than the tyres hold")
def held_force(brake_force: float, lock_force: float) -> float:
    """Of the axle that is left, N."""
    return min(brake_force, lock_force)


@formula("a_left", "Deceleration on one circuit", "deceleration", "{force} / {mass}", "From the brakes alone")
def deceleration_left(force: float, mass: float) -> float:
    """Without drag and engine, as road rules count it, m/s²."""
    return force / mass


@formula(
    "p", "Pressure for this brake force", "pressure", "{pressure} · {force} / {at_force}", "Straight in the pressure"
)
def pressure_for_force(pressure: float, force: float, at_force: float) -> float:
    """At the calipers, Pa, from the brake force at another pressure."""
    return pressure * force / at_force


@formula(
    "F_c", "Push on the cylinder for it", "force", "{pressure} · {area} / {efficiency}", "Pascal's law, turned round"
)
def force_for_pressure(pressure: float, area: float, efficiency: float) -> float:
    """N."""
    return pressure * area / efficiency


@formula("F_push", "Push on the bar for it", "force", "{cylinder} / {share}", "Lever")
def push_of_bar(cylinder: float, share: float) -> float:
    """N, the empty cylinder at its bottom."""
    return cylinder / share
