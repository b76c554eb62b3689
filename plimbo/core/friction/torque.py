"""From clamp to the road and back: torque of a wheel, brake force of an axle, and the shares of the front.

Clamp is per caliper, torque per wheel, brake force per axle (two wheels).
"""

from plimbo.core.friction.pad import SHIGLEY
from plimbo.core.working.formula import DEFINITION, formula
from plimbo.core.working.numbers import Number

AT_THE_WHEEL = "Lever at the wheel"
IN_PROPORTION = "In proportion to the pressure"


@formula(
    "T",
    "Torque, each wheel",
    "torque",
    "2 · {friction} · {clamp} · {radius} · {efficiency}",
    SHIGLEY,
    valid="{friction} ≥ 0, 0 < {efficiency} ≤ 1",
)
def wheel_torque(friction: Number, clamp: Number, radius: Number, efficiency: Number) -> Number:
    """Two rubbing faces, N·m per wheel; clamp in N, radius in m."""
    return 2 * friction * clamp * radius * efficiency


@formula(
    "F",
    "Brake force, both wheels",
    "force",
    "2 · {torque} / {loaded_radius}",
    AT_THE_WHEEL,
    valid="{loaded_radius} > 0",
)
def axle_brake_force(torque: Number, loaded_radius: Number) -> Number:
    """At the road, N per axle, as long as the tyre holds; N·m per wheel, m."""
    return 2 * torque / loaded_radius


@formula("T_need", "Torque needed, each wheel", "torque", "{brake_force} · {loaded_radius} / 2", AT_THE_WHEEL)
def torque_for_force(brake_force: Number, loaded_radius: Number) -> Number:
    """Torque per wheel, N·m, that makes this brake force at the axle, N; radius in m."""
    return brake_force * loaded_radius / 2


@formula(
    "F_n,need",
    "Clamp needed, each caliper",
    "force",
    "{torque} / (2 · {friction} · {radius} · {efficiency})",
    f"Turned round. {SHIGLEY}",
    valid="{friction} > 0, {radius} > 0, {efficiency} > 0",
)
def clamp_for_torque(torque: Number, friction: Number, radius: Number, efficiency: Number) -> Number:
    """Clamp, N, that makes this torque of a wheel, N·m; radius in m."""
    return torque / (2 * friction * radius * efficiency)


@formula(
    "F",
    "Brake force at this pressure",
    "force",
    "{brake_force} · {pressure} / {at_pressure}",
    IN_PROPORTION,
    valid="{at_pressure} > 0",
)
def force_at_pressure(brake_force: Number, pressure: Number, at_pressure: Number) -> Number:
    """Of an axle, N, from what it makes at another pressure of its calipers, both Pa."""
    return brake_force * pressure / at_pressure


@formula(
    "p",
    "Pressure for this brake force",
    "pressure",
    "{pressure} · {force} / {at_force}",
    IN_PROPORTION,
    valid="{at_force} > 0",
)
def pressure_for_force(pressure: Number, force: Number, at_force: Number) -> Number:
    """At the calipers, Pa, from the brake force, N, at another pressure."""
    return pressure * force / at_force


@formula("F_total", "Brake force, whole car", "force", "{front} + {rear}", DEFINITION)
def total_force(front: Number, rear: Number) -> Number:
    """Both axles, N."""
    return front + rear


@formula(
    "φ", "Front share by brake force", "share", "{front} / {total}", "At the tyres: what the car feels",
    valid="{total} > 0",
)  # fmt: skip
def force_share(front: Number, total: Number) -> Number:
    """Front share of the brake force, of forces in N."""
    return front / total


@formula(
    "φ_p",
    "Front share by line pressure",
    "share",
    "{front} / ({front} + {rear})",
    "What two pressure gauges show",
    valid="{front} + {rear} > 0",
)
def pressure_share(front: Number, rear: Number) -> Number:
    """Front share of the two line pressures, Pa."""
    return front / (front + rear)


@formula("M", "Mechanical index", "volume", "{area} · {radius} · {friction}", "Common practice among part swappers")
def mechanical_index(area: Number, radius: Number, friction: Number) -> Number:
    """Piston area, m², × effective radius, m, × pad friction: m³."""
    return area * radius * friction


@formula(
    "φ_m",
    "Front share by mechanical index",
    "share",
    "{front} / ({front} + {rear})",
    "Parts alone, without cylinders",
    valid="{front} + {rear} > 0",
)
def index_share(front: Number, rear: Number) -> Number:
    """Front share of the mechanical index, of indices in m³."""
    return front / (front + rear)
