"""Loads on the axles, standing, at speed and under braking.

Forces and loads are per axle. The car brakes on the level: `transfer` is h/L, the load that moves forward for each
newton of braking at the tyres. From memory of Limpert, Brake Design and Safety, and Milliken & Milliken, Race Car
Vehicle Dynamics.
"""

from plimbo.core.working.formula import DEFINITION, formula
from plimbo.core.working.numbers import Number

GRAVITY = 9.80665
MOMENTS = "Moments about the other axle's tyre contact"
NEWTON = "Newton's second law"


@formula("W", "Weight", "force", "{mass} · 9.80665", "Weight, with standard gravity", valid="{mass} > 0")
def weight(mass: Number) -> Number:
    """`W = m·g`, N, of a mass in kg."""
    return mass * GRAVITY


@formula("φ_r0", "Rear weight share", "share", "1 − {front_share}", DEFINITION)
def rear_weight_share(front_share: Number) -> Number:
    """The rear's share: what the front does not make."""
    return 1 - front_share


@formula(
    "N_ref",
    "Load on one tyre as weighed",
    "force",
    "{weight} · {share} / 2",
    "Two tyres share the axle's load",
    valid="0 ≤ {share} ≤ 1",
)
def static_tyre_load(weight: Number, share: Number) -> Number:
    """Load of one tyre of an axle on the scales, N, from the car's weight, N."""
    return weight * share / 2


@formula(
    "N_0",
    "Load at speed, not braking",
    "force",
    "{weight} · {front_share} + {downforce}",
    MOMENTS,
    valid="0 ≤ {front_share} ≤ 1",
)
def front_load_at_speed(weight: Number, front_share: Number, downforce: Number) -> Number:
    """`N_f = W·w_f + A_f`, N per axle."""
    return weight * front_share + downforce


@formula(
    "N_0",
    "Load at speed, not braking",
    "force",
    "{weight} · (1 − {front_share}) + {downforce}",
    MOMENTS,
    valid="0 ≤ {front_share} ≤ 1",
)
def rear_load_at_speed(weight: Number, front_share: Number, downforce: Number) -> Number:
    """`N_r = W·(1 − w_f) + A_r`, N per axle."""
    return weight * (1 - front_share) + downforce


@formula("N_0", "Load at speed, drag counted", "force", "{load} − {drag_transfer}", MOMENTS)
def front_load_in_drag(load: Number, drag_transfer: Number) -> Number:
    """Front load where drag acts above the centre of gravity, N per axle."""
    return load - drag_transfer


@formula("N_0", "Load at speed, drag counted", "force", "{load} + {drag_transfer}", MOMENTS)
def rear_load_in_drag(load: Number, drag_transfer: Number) -> Number:
    """The rear load where drag acts above the centre of gravity, N per axle."""
    return load + drag_transfer


@formula(
    "k",
    "Load moved forward per newton of braking",
    "share",
    "{cg_height} / {wheelbase}",
    MOMENTS,
    valid="{cg_height} > 0, {wheelbase} > 0",
)
def load_transfer(cg_height: Number, wheelbase: Number) -> Number:
    """`k = h/L`, N per N, both in m."""
    return cg_height / wheelbase


@formula("k", "Load moved off the rear per newton of braking", "share", "−{transfer}", MOMENTS)
def rear_transfer(transfer: Number) -> Number:
    """The rear loses what the front gains, N per N."""
    return -transfer


@formula("N", "Load, braking", "force", "{load} + {brake_force} · {transfer}", MOMENTS)
def front_load_braking(load: Number, brake_force: Number, transfer: Number) -> Number:
    """`N_f + F·h/L`, N per axle, under a braking of all tyres of N."""
    return load + brake_force * transfer


@formula("N", "Load, braking", "force", "{load} − {brake_force} · {transfer}", MOMENTS)
def rear_load_braking(load: Number, brake_force: Number, transfer: Number) -> Number:
    """`N_r − F·h/L`, N per axle, under a braking of all tyres of N; below 0 the rear wheels have left the road."""
    return load - brake_force * transfer


@formula("F_e", "Engine braking at this axle", "force", "{engine} · {part}", "Driven wheels", valid="0 ≤ {part} ≤ 1")
def engine_at_axle(engine: Number, part: Number) -> Number:
    """Part of the engine's braking that acts on one axle, N."""
    return engine * part


@formula("F_all", "All braking at the tyres", "force", "{brake_force} + {engine}", "Brakes and engine")
def tyre_force(brake_force: Number, engine: Number) -> Number:
    """Brakes and engine braking together, N."""
    return brake_force + engine


@formula("F_max", "The most the brakes can use", "force", "{limit} − {engine}", "The engine has its part already")
def without_engine(limit: Number, engine: Number) -> Number:
    """The part left for the brakes, N."""
    return limit - engine


@formula("a", "Deceleration", "deceleration", "{brake_force} / {mass}", NEWTON, valid="{mass} > 0")
def deceleration(brake_force: Number, mass: Number) -> Number:
    """`a = F/m`, m/s²; N, kg."""
    return brake_force / mass


@formula(
    "a", "Deceleration", "deceleration", "({brake_force} + {engine} + {drag}) / {mass}", NEWTON, valid="{mass} > 0"
)
def deceleration_in_all(brake_force: Number, engine: Number, drag: Number, mass: Number) -> Number:
    """Brakes, engine braking and drag together, m/s²; N, N, N, kg."""
    return (brake_force + engine + drag) / mass
