"""Loads on the axles, what the tyres can give, and which axle locks first.

Forces and loads are per axle. The car brakes on the level: `transfer` is h/L, the load that moves forward for each
newton of braking at the tyres. All closed forms follow from moments about one tyre contact and
`F = μ·N` at the axle at its limit; from memory of Limpert, Brake Design and Safety, and Milliken & Milliken, Race Car
Vehicle Dynamics.
"""

import math

from plimbo.core.working import formula

MOMENTS = "Moments about the other axle's tyre contact"
LIMPERT = "From memory of Limpert, Brake Design and Safety, braking of the solo vehicle"
REGULATION = "From memory of UN Regulation 13-H, Annex 5"
GRAVITY = 9.80665


@formula("W", "Weight", "force", "{mass} · 9.80665", "Weight, with standard gravity")
def weight(mass: float) -> float:
    """`W = m·g`, N."""
    return mass * GRAVITY


@formula("N_0", "Load at speed, not braking", "force", "{weight} · {front_share} + {downforce}", MOMENTS)
def front_load_at_speed(weight: float, front_share: float, downforce: float) -> float:
    """`N_f = W·w_f + A_f`, N per axle."""
    return weight * front_share + downforce


@formula("N_0", "Load at speed, not braking", "force", "{weight} · (1 − {front_share}) + {downforce}", MOMENTS)
def rear_load_at_speed(weight: float, front_share: float, downforce: float) -> float:
    """`N_r = W·(1 − w_f) + A_r`, N per axle."""
    return weight * (1 - front_share) + downforce


@formula("N_0", "Load at speed, drag counted", "force", "{load} − {drag_transfer}", MOMENTS)
def front_load_in_drag(load: float, drag_transfer: float) -> float:
    """What is left of the front load where drag acts above the centre of gravity, N."""
    return load - drag_transfer


@formula("N_0", "Load at speed, drag counted", "force", "{load} + {drag_transfer}", MOMENTS)
def rear_load_in_drag(load: float, drag_transfer: float) -> float:
    """The rear load where drag acts above the centre of gravity, N."""
    return load + drag_transfer


@formula("F_all", "All braking at the tyres", "force", "{brake_force} + {engine}", "Brakes and engine")
def tyre_force(brake_force: float, engine: float) -> float:
    """Brakes and engine braking together, N."""
    return brake_force + engine


@formula("F_max", "The most the brakes can use", "force", "{limit} − {engine}", "The engine has its part already")
def without_engine(limit: float, engine: float) -> float:
    """What is left to the brakes, N."""
    return limit - engine


@formula("F_need", "Brake force needed, both wheels", "force", "{grip_force} − {own_engine}", "Axle at its limit")
def axle_need(grip_force: float, own_engine: float) -> float:
    """What the axle's tyres can give, less what the engine already takes of it, N."""
    return grip_force - own_engine


@formula("f", "Adhesion utilised", "friction", "{brake_force} / {load}", REGULATION)
def adhesion_utilised(brake_force: float, load: float) -> float:
    """Friction that an axle needs so as not to lock, from its brake force and its load."""
    return brake_force / load


@formula("N_ref", "Load on one tyre as weighed", "force", "{weight} · {share} / 2", "Two tyres share the axle's load")
def static_tyre_load(weight: float, share: float) -> float:
    """Load of one tyre of an axle on the scales, N."""
    return weight * share / 2


@formula("φ_r0", "Rear weight share", "share", "1 − {front_share}")
def rear_weight_share(front_share: float) -> float:
    """What the front leaves to the rear."""
    return 1 - front_share


@formula("F_e", "Engine braking at this axle", "force", "{engine} · {part}", "Driven wheels")
def engine_at_axle(engine: float, part: float) -> float:
    """Part of the engine's braking that acts on one axle, N."""
    return engine * part


@formula("k", "Load moved off the rear per newton of braking", "share", "−{transfer}", MOMENTS)
def rear_transfer(transfer: float) -> float:
    """The rear loses what the front gains."""
    return -transfer


@formula("φ_ideal", "Ideal share of the front", "share", "{front_force} / {brake_limit}", LIMPERT)
def share_of_needs(front_force: float, brake_limit: float) -> float:
    """Front share of the brake force that brings both axles to their limit together."""
    return front_force / brake_limit


@formula("k", "Load moved forward per newton of braking", "share", "{cg_height} / {wheelbase}", MOMENTS)
def load_transfer(cg_height: float, wheelbase: float) -> float:
    """`k = h/L`."""
    return cg_height / wheelbase


@formula("N", "Load, braking", "force", "{load} + {brake_force} · {transfer}", MOMENTS)
def front_load_braking(load: float, brake_force: float, transfer: float) -> float:
    """`N_f + F·h/L`, N per axle."""
    return load + brake_force * transfer


@formula("N", "Load, braking", "force", "{load} − {brake_force} · {transfer}", MOMENTS)
def rear_load_braking(load: float, brake_force: float, transfer: float) -> float:
    """`N_r − F·h/L`, N per axle."""
    return load - brake_force * transfer


@formula("μ", "Grip on this track", "friction", "{tyre_friction} · {track_grip}", "Track scales the tyre's dry grip")
def grip(tyre_friction: float, track_grip: float) -> float:
    """`μ = μ_ref · track`."""
    return tyre_friction * track_grip


@formula(
    "F_lock,f",
    "Total brake force when the front locks",
    "force",
    "{grip} · {load} / ({force_share} − {grip} · {transfer})",
    LIMPERT,
)
def front_lock_force(grip: float, load: float, force_share: float, transfer: float) -> float:
    """Braking of the whole car at which the front tyres lock, N. Infinite where they never can: the rear is first."""
    spare = force_share - grip * transfer
    return grip * load / spare if spare > 0 else math.inf


@formula(
    "F_lock,r",
    "Total brake force when the rear locks",
    "force",
    "{grip} · {load} / (1 − {force_share} + {grip} · {transfer})",
    LIMPERT,
)
def rear_lock_force(grip: float, load: float, force_share: float, transfer: float) -> float:
    """Braking of the whole car at which the rear tyres lock, N; always finite, as the rear goes light."""
    return grip * load / (1 - force_share + grip * transfer)


@formula(
    "F_max",
    "The most the tyres can give",
    "force",
    "({front_grip} · {front_load} + {rear_grip} · {rear_load}) / (1 − ({front_grip} − {rear_grip}) · {transfer})",
    "Both axles at F = μ·N together",
)
def tyre_limit_force(
    front_grip: float, rear_grip: float, front_load: float, rear_load: float, transfer: float
) -> float:
    """Braking with both axles at their limit, N; valid while the rear wheels stay on the ground (`rear_lift_force`)."""
    return (front_grip * front_load + rear_grip * rear_load) / (1 - (front_grip - rear_grip) * transfer)


@formula("F_max", "Braking that lifts the rear wheels", "force", "{rear_load} / {transfer}", MOMENTS)
def rear_lift_force(rear_load: float, transfer: float) -> float:
    """Braking at which the rear axle carries nothing, N: the limit of a tall, short car on grippy tyres."""
    return rear_load / transfer


@formula("F_max", "Braking that leaves the rear nothing", "force", "({rear_load} − {spent_load}) / {transfer}", MOMENTS)
def rear_spent_force(rear_load: float, spent_load: float, transfer: float) -> float:
    """Braking at which the rear carries no more than the `spent_load` that engine braking uses up, N."""
    return (rear_load - spent_load) / transfer


@formula("φ_r", "Rear share by brake force", "share", "1 − {front_share}")
def rear_force_share(front_share: float) -> float:
    """What the front leaves to the rear."""
    return 1 - front_share


@formula("φ_ideal", "Ideal share of the front", "share", "{grip} · {front_load_braking} / {limit_force}", LIMPERT)
def ideal_share(grip: float, front_load_braking: float, limit_force: float) -> float:
    """Front share of brake force that brings both axles to their limit together."""
    return grip * front_load_braking / limit_force


@formula("φ_ideal", "Ideal share of the front, rear wheels light", "share", "{braking} / {limit}", "All at the front")
def lifted_share(braking: float, limit: float) -> float:
    """Ideal share where the rear wheels lift before the front tyres reach their limit: all of it at the front."""
    return braking / limit


@formula("a", "Deceleration", "deceleration", "{brake_force} / {mass}", "Newton's second law")
def deceleration(brake_force: float, mass: float) -> float:
    """`a = F/m`, m/s²."""
    return brake_force / mass


@formula("a", "Deceleration", "deceleration", "({brake_force} + {engine} + {drag}) / {mass}", "Newton's second law")
def deceleration_in_all(brake_force: float, engine: float, drag: float, mass: float) -> float:
    """Brakes, engine braking and drag together, m/s²."""
    return (brake_force + engine + drag) / mass


@formula("η_b", "Braking efficiency", "share", "{first_lock_force} / {limit_force}", LIMPERT)
def braking_efficiency(first_lock_force: float, limit_force: float) -> float:
    """Brake force at first lock as a share of the most the tyres could give; 1 at the ideal share."""
    return first_lock_force / limit_force


@formula("F_foot,lock", "Foot force at lock", "force", "{foot_force} · {lock_force} / {brake_force}", "Linear chain")
def foot_force_at_lock(foot_force: float, lock_force: float, brake_force: float) -> float:
    """Push that locks the axle, N, from the brake force that the chosen push makes."""
    return foot_force * lock_force / brake_force


@formula("F_need", "Brake force needed, both wheels", "force", "{grip} · {load_braking}", "Axle at its limit")
def axle_limit_force(grip: float, load_braking: float) -> float:
    """`μ·N`, N per axle."""
    return grip * load_braking


@formula("F_need", "Brake force needed, rear wheels light", "force", "{limit_force} · {share}", "All at the front")
def share_of_limit(limit_force: float, share: float) -> float:
    """What one axle has to give where the rear wheels lift before the front tyres reach their limit."""
    return limit_force * share


@formula("F", "Brake force at this braking rate", "force", "{weight} · {rate}", "z is the deceleration in parts of g")
def force_at_rate(weight: float, rate: float) -> float:
    """`F = z·W`, N."""
    return weight * rate


@formula("F", "Brake force, both wheels", "force", "{share} · {force}")
def axle_part(share: float, force: float) -> float:
    """One axle's share of the brake force, N."""
    return share * force
