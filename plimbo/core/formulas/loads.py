"""Loads on the axles, what the tyres can give, and which axle locks first.

Forces and loads are per axle. The car brakes on the level, without drag or engine braking: `transfer` is h/L, the load
that moves forward for each newton of braking. All closed forms follow from moments about one tyre contact and
`F = μ·N` at the axle at its limit; from memory of Limpert, Brake Design and Safety, and Milliken & Milliken, Race Car
Vehicle Dynamics.
"""

import math

from plimbo.core.working import formula

MOMENTS = "Moments about the other axle's tyre contact"
LIMPERT = "From memory of Limpert, Brake Design and Safety, braking of the solo vehicle"
GRAVITY = 9.80665


@formula("W", "Weight", "force", "{mass} · 9.80665", "Weight, with standard gravity")
def weight(mass: float) -> float:
    """`W = m·g`, N."""
    return mass * GRAVITY


@formula("A", "Downforce", "force", "½ · {air_density} · {speed}² · {lift_area}", "Dynamic pressure times ClA")
def downforce(air_density: float, speed: float, lift_area: float) -> float:
    """`A = ½ρv²·ClA`, N, plus downward."""
    return 0.5 * air_density * speed * speed * lift_area


@formula("N_0", "Load at speed, not braking", "force", "{weight} · {front_share} + {downforce}", MOMENTS)
def front_load_at_speed(weight: float, front_share: float, downforce: float) -> float:
    """`N_f = W·w_f + A_f`, N per axle."""
    return weight * front_share + downforce


@formula("N_0", "Load at speed, not braking", "force", "{weight} · (1 − {front_share}) + {downforce}", MOMENTS)
def rear_load_at_speed(weight: float, front_share: float, downforce: float) -> float:
    """`N_r = W·(1 − w_f) + A_r`, N per axle."""
    return weight * (1 - front_share) + downforce


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
