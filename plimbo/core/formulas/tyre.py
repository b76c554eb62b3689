"""Tyres: grip that falls with load, and the loaded radius from the size on the sidewall. Forces and loads per axle.

With load sensitivity `s` the grip of one tyre is `μ(N) = μ_ref·(1 − s·(N − N_ref)/N_ref)`; an axle has two. Past the
load where such a tyre gives most, more load is held to give no more.
"""

import math

from plimbo.core.working import SOLVED, formula

LINEAR_LAW = (
    "Grip coefficient falls in a straight line with the tyre's load; from memory of Milliken & Milliken, Race Car"
    " Vehicle Dynamics"
)


@formula(
    "N_g",
    "Load that adds grip",
    "force",
    "min({load}, {reference_load} · (1 + {sensitivity}) / {sensitivity})",
    "Past the peak of the law more load is held to give no more grip",
)
def useful_load(load: float, sensitivity: float, reference_load: float) -> float:
    """Axle load, N, but no more than where the tyres give most; `sensitivity` above 0."""
    return min(load, reference_load * (1 + sensitivity) / sensitivity)


@formula(
    "G",
    "What the axle's tyres can give",
    "force",
    "{grip} · {load} · (1 + {sensitivity} − {sensitivity} · {load} / (2 · {reference_load}))",
    LINEAR_LAW,
)
def grip_force(grip: float, load: float, sensitivity: float, reference_load: float) -> float:
    """`μ(N)·N` of an axle of two tyres, N; `reference_load` is of one tyre, `load` no more than `useful_load`."""
    return grip * load * (1 + sensitivity - sensitivity * load / (2 * reference_load))


@formula(
    "F_lock",
    "Total brake force when the axle locks",
    "force",
    "({grip} · ({load} + {engine} · {transfer}) − {own_engine}) / ({share} − {grip} · {transfer})",
    "Axle at F = μ·N, engine braking counted",
)
def lock_force_with_engine(
    grip: float, load: float, share: float, transfer: float, engine: float, own_engine: float
) -> float:
    """Braking of the whole car, engine apart, at which this axle locks, N; infinite where it never does.

    `load` is the axle's load before any braking, `transfer` what it gains per newton of braking (minus at the rear),
    `share` its share of the brake force, `own_engine` the part of the engine's braking that acts on it.
    """
    spare = share - grip * transfer
    return (grip * (load + engine * transfer) - own_engine) / spare if spare > 0 else math.inf


@formula(
    "F_lock",
    "Total brake force when the axle locks",
    "force",
    SOLVED
    + "{share} · F + {own_engine} = {grip} · N · (1 + {sensitivity} − {sensitivity} · N / (2 · {reference_load})),"
    " N = {load} + ({engine} + F) · {transfer}",
    LINEAR_LAW,
)
def lock_force(
    grip: float,
    load: float,
    share: float,
    transfer: float,
    sensitivity: float,
    reference_load: float,
    engine: float,
    own_engine: float,
) -> float:
    """As `lock_force_with_engine` for a tyre with load sensitivity above 0: the root of a quadratic, or on its peak."""
    gain = grip * (1 + sensitivity)
    fall = grip * sensitivity / (2 * reference_load)
    peak = gain / (2 * fall)
    flat = (gain * peak / 2 + share * engine - own_engine) / share if share > 0 else math.inf
    if load + transfer * flat >= peak:
        return flat - engine
    # share·(T − engine) + own_engine = gain·N − fall·N², a quadratic in all the tyres' force T.
    spare = gain * load - fall * load * load + share * engine - own_engine
    slope = share - gain * transfer + 2 * fall * load * transfer
    bend = fall * transfer * transfer
    root = math.sqrt(slope * slope + 4 * bend * spare)
    if slope > 0:
        return 2 * spare / (slope + root) - engine
    return (root - slope) / (2 * bend) - engine


@formula(
    "F_max",
    "The most all four tyres can give",
    "force",
    SOLVED + "F = {front_grip} · N · (1 + {front_sensitivity} − {front_sensitivity} · N / (2 · {front_reference}))"
    " + {rear_grip} · M · (1 + {rear_sensitivity} − {rear_sensitivity} · M / (2 · {rear_reference})),"
    " N = {front_load} + F · {transfer}, M = {rear_load} − F · {transfer}",
    LINEAR_LAW,
)
def limit_force(
    front_grip: float,
    rear_grip: float,
    front_load: float,
    rear_load: float,
    transfer: float,
    front_sensitivity: float,
    front_reference: float,
    rear_sensitivity: float,
    rear_reference: float,
) -> float:
    """Both axles at their limit, engine braking included, N; by Newton's method from above.

    Valid while the rear wheels carry something. What is left over is convex in the force, so the steps come down to the
    root and never pass it.
    """
    force = rear_load / transfer
    for _ in range(60):
        front, front_slope = _capacity(front_grip, front_load + force * transfer, front_sensitivity, front_reference)
        rear, rear_slope = _capacity(rear_grip, rear_load - force * transfer, rear_sensitivity, rear_reference)
        step = (force - front - rear) / (1 - transfer * (front_slope - rear_slope))
        force -= step
        if abs(step) <= 1e-13 * force:
            break
    return force


def _capacity(grip: float, load: float, sensitivity: float, reference_load: float) -> tuple[float, float]:
    """Grip force at this load, and what more of it a newton more of load gives."""
    if sensitivity > 0:
        load = useful_load.function(load, sensitivity, reference_load)
    slope = grip * (1 + sensitivity - sensitivity * load / reference_load)
    return grip_force.function(grip, load, sensitivity, reference_load), slope


@formula(
    "N_e",
    "Load that engine braking uses up",
    "force",
    SOLVED + "{force} = {grip} · N · (1 + {sensitivity} − {sensitivity} · N / (2 · {reference_load}))",
    LINEAR_LAW,
)
def load_for_force(force: float, grip: float, sensitivity: float, reference_load: float) -> float:
    """Least axle load that gives this much grip, N."""
    gain = grip * (1 + sensitivity)
    root = gain * gain - 2 * grip * sensitivity / reference_load * force
    return 2 * force / (gain + math.sqrt(max(0.0, root)))


@formula(
    "R_0", "Free radius", "length", "{rim} / 2 + {width} · {aspect}", "Sidewall height is width times aspect ratio"
)
def free_radius(rim: float, width: float, aspect: float) -> float:
    """Radius before the car stands on it, m: rim diameter and width in m, aspect as a share."""
    return rim / 2 + width * aspect


@formula("R_0", "Free radius", "length", "{diameter} / 2", "Race sizes give the overall diameter")
def radius_of_diameter(diameter: float) -> float:
    """Radius before the car stands on it, m."""
    return diameter / 2


@formula("R", "Loaded radius", "length", "{free_radius} − {deflection}")
def loaded_radius(free_radius: float, deflection: float) -> float:
    """Hub centre to ground, m."""
    return free_radius - deflection


@formula("F_log", "Force of all tyres, as logged", "force", "{mass} · {deceleration} − {drag}", "Newton's second law")
def logged_tyre_force(mass: float, deceleration: float, drag: float) -> float:
    """What the tyres gave: the rest of the deceleration was drag's, N."""
    return mass * deceleration - drag


@formula(
    "λ",
    "Grip used against grip assumed",
    "ratio",
    "{force} / ({front_capacity} + {rear_capacity})",
    "Both axles near their limit; common practice",
)
def grip_scale(force: float, front_capacity: float, rear_capacity: float) -> float:
    """By how much the tyres' friction must be scaled so that the logged force is all that they can give."""
    return force / (front_capacity + rear_capacity)


@formula("μ_t", "Tyre grip from the log", "friction", "{scale} · {friction}", "Front against rear as they were given")
def scaled_friction(scale: float, friction: float) -> float:
    """Dry friction coefficient."""
    return scale * friction
