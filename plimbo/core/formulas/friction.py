"""Line pressure to the road: caliper, pads, disc and tyre.

Clamp is per caliper, torque per wheel, brake force per axle (two wheels). The effective radii and pad pressures are
those of the annular-pad caliper in Shigley's Mechanical Engineering Design (from memory).
"""

import math
from functools import cache
from typing import TYPE_CHECKING

from plimbo.core.working import READ, formula

if TYPE_CHECKING:
    from scipy.interpolate import PchipInterpolator

SHIGLEY = "From memory of Shigley's Mechanical Engineering Design, caliper brakes"


@formula("A_p", "Piston area, one side", "area", "π / 4 · ({diameters:² + }²)", "Circles; only their area counts")
def piston_area(*diameters: float) -> float:
    """Area that clamps, m²: the pistons on one side of a fixed caliper, all pistons of a sliding one."""
    return math.pi / 4 * sum([diameter * diameter for diameter in diameters])


@formula("F_n", "Clamp, each caliper", "force", "{pressure} · {area}", "Pascal's law")
def clamp(pressure: float, area: float) -> float:
    """Force of one pad on the disc, N."""
    return pressure * area


@formula("r_o", "Outer radius of the pad's band", "length", "{disc_diameter} / 2 − {inset}")
def band_outer_radius(disc_diameter: float, inset: float) -> float:
    """Outer edge of the rubbing band, m."""
    return disc_diameter / 2 - inset


@formula("r_i", "Inner radius of the pad's band", "length", "{outer_radius} − {pad_height}")
def band_inner_radius(outer_radius: float, pad_height: float) -> float:
    """Inner edge of the rubbing band, m."""
    return outer_radius - pad_height


@formula("r_eff", "Effective radius", "length", "({outer} + {inner}) / 2", f"Uniform wear. {SHIGLEY}")
def radius_uniform_wear(outer: float, inner: float) -> float:
    """Mean of the rubbing band, m: pads that have bedded in."""
    return (outer + inner) / 2


@formula(
    "r_eff",
    "Effective radius",
    "length",
    "2 / 3 · ({outer}³ − {inner}³) / ({outer}² − {inner}²)",
    f"Uniform pressure. {SHIGLEY}",
)
def radius_uniform_pressure(outer: float, inner: float) -> float:
    """New pads pressed evenly, m."""
    return 2 / 3 * (outer**3 - inner**3) / (outer**2 - inner**2)


@formula("r_eff", "Effective radius", "length", "{disc_diameter} / 2 − {pad_height} / 2", "Common practice")
def radius_half_pad(disc_diameter: float, pad_height: float) -> float:
    """Disc radius less half the pad's height, m: by tape measure."""
    return disc_diameter / 2 - pad_height / 2


class FrictionCurve:
    """A pad's friction over the disc's temperature: monotone between its points, level beyond them."""

    def __init__(self, points: tuple[tuple[float, float], ...]) -> None:
        self.points = points

    def __format__(self, _how: str) -> str:
        return f"its curve of {len(self.points)} points"

    def at(self, temperature: float) -> float:
        """Friction at a temperature, K."""
        first, last = self.points[0][0], self.points[-1][0]
        return float(_through(self.points)(min(max(temperature, first), last)))


@cache
def _through(points: tuple[tuple[float, float], ...]) -> "PchipInterpolator":
    # Loaded where it is wanted: it takes a while, and few setups have a curve.
    from scipy.interpolate import PchipInterpolator  # noqa: PLC0415

    return PchipInterpolator(*zip(*points, strict=True))


@formula("μ_p", "Pad friction", "friction", READ + "{curve} at {temperature}", "Fritsch and Carlson's monotone cubic")
def curve_friction(temperature: float, curve: FrictionCurve) -> float:
    """What the maker's curve gives at this disc temperature, K."""
    return curve.at(temperature)


LETTERS = ((0.15, "C"), (0.25, "D"), (0.35, "E"), (0.45, "F"), (0.55, "G"))


def friction_letter(friction: float) -> str:
    """Letter of a friction coefficient, from memory of SAE J866."""
    return next((letter for most, letter in LETTERS if friction <= most), "H")


@formula("T", "Torque, each wheel", "torque", "2 · {friction} · {clamp} · {radius} · {efficiency}", SHIGLEY)
def wheel_torque(friction: float, clamp: float, radius: float, efficiency: float) -> float:
    """Two rubbing faces, N·m per wheel."""
    return 2 * friction * clamp * radius * efficiency


@formula("F", "Brake force, both wheels", "force", "2 · {torque} / {loaded_radius}", "Lever at the wheel")
def axle_brake_force(torque: float, loaded_radius: float) -> float:
    """At the road, N per axle, as long as the tyre holds."""
    return 2 * torque / loaded_radius


@formula(
    "F",
    "Brake force at this pressure",
    "force",
    "{brake_force} · {pressure} / {at_pressure}",
    "Straight in the pressure",
)
def force_at_pressure(brake_force: float, pressure: float, at_pressure: float) -> float:
    """Of an axle, N, from what it makes at another pressure of its calipers."""
    return brake_force * pressure / at_pressure


@formula("F_total", "Brake force, whole car", "force", "{front} + {rear}")
def total_force(front: float, rear: float) -> float:
    """Both axles, N."""
    return front + rear


@formula("φ", "Front share by brake force", "share", "{front} / {total}", "At the tyres: what the car feels")
def force_share(front: float, total: float) -> float:
    """Front share of the brake force."""
    return front / total


@formula(
    "φ_p", "Front share by line pressure", "share", "{front} / ({front} + {rear})", "What two pressure gauges show"
)
def pressure_share(front: float, rear: float) -> float:
    """Front share of the two line pressures."""
    return front / (front + rear)


@formula("M", "Mechanical index", "volume", "{area} · {radius} · {friction}", "Common practice among part swappers")
def mechanical_index(area: float, radius: float, friction: float) -> float:
    """Piston area × effective radius × pad friction, m³."""
    return area * radius * friction


@formula(
    "φ_m", "Front share by mechanical index", "share", "{front} / ({front} + {rear})", "Parts alone, without cylinders"
)
def index_share(front: float, rear: float) -> float:
    """Front share of the mechanical index."""
    return front / (front + rear)


@formula("T_need", "Torque needed, each wheel", "torque", "{brake_force} · {loaded_radius} / 2", "Lever at the wheel")
def torque_for_force(brake_force: float, loaded_radius: float) -> float:
    """Torque per wheel that makes this brake force at the axle, N·m."""
    return brake_force * loaded_radius / 2


@formula(
    "F_n,need",
    "Clamp needed, each caliper",
    "force",
    "{torque} / (2 · {friction} · {radius} · {efficiency})",
    f"Turned round. {SHIGLEY}",
)
def clamp_for_torque(torque: float, friction: float, radius: float, efficiency: float) -> float:
    """Clamp that makes this torque, N."""
    return torque / (2 * friction * radius * efficiency)


@formula("p_need", "Line pressure needed", "pressure", "{clamp} / {area}", "Pascal's law, turned round")
def pressure_for_clamp(clamp: float, area: float) -> float:
    """Line pressure that makes this clamp, Pa."""
    return clamp / area


@formula("θ_p", "Angle the pad spans", "angle", "2 · {length} / ({outer} + {inner})", "Arc at mid height")
def pad_angle(length: float, outer: float, inner: float) -> float:
    """Angle of the pad about the disc's axis, rad."""
    return 2 * length / (outer + inner)


@formula("θ_p", "Angle the pad spans", "angle", "2 · {area} / {height} / ({outer} + {inner})", "From its face area")
def pad_angle_of_area(area: float, height: float, outer: float, inner: float) -> float:
    """Angle of a pad of this face area and height about the disc's axis, rad."""
    return 2 * area / height / (outer + inner)


@formula(
    "p_pad",
    "Pad pressure at its inner edge",
    "pressure",
    "{clamp} / ({angle} · {inner} · ({outer} − {inner}))",
    f"Uniform wear. {SHIGLEY}",
)
def pad_pressure_uniform_wear(clamp: float, angle: float, outer: float, inner: float) -> float:
    """Greatest pressure of an annular pad under uniform wear, Pa; `angle` in rad."""
    return clamp / (angle * inner * (outer - inner))


@formula(
    "p_pad",
    "Pad pressure",
    "pressure",
    "2 · {clamp} / ({angle} · ({outer}² − {inner}²))",
    f"Uniform pressure. {SHIGLEY}",
)
def pad_pressure_uniform(clamp: float, angle: float, outer: float, inner: float) -> float:
    """Pressure of an annular pad pressed evenly, Pa; `angle` in rad."""
    return 2 * clamp / (angle * (outer**2 - inner**2))
