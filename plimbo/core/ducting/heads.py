"""What drives the air and where it leaves: the airstream, the rotating disc, the gap at the eye."""

import math

from plimbo.core.working.formula import GEOMETRY, formula
from plimbo.core.working.numbers import Number

# Flow coefficient of a gap.
GAP_DISCHARGE = 0.6
# Share of the ring's inner radius that hub and bell leave free for the air.
EYE_HUB = 0.7


@formula("q", "Pressure of the stream", "air pressure", "0.5 · {density} · {speed} · {speed}", "Bernoulli")
def ram_pressure(density: Number, speed: Number) -> Number:
    """Pa; kg/m³, the car's speed in m/s."""
    return 0.5 * density * speed * speed


@formula("ΔP_ram", "Head of the opening", "air pressure", "{pressure} · ({opening} − {well})", "By definition of C_p")
def ram_head(pressure: Number, opening: Number, well: Number) -> Number:
    """Pa; the dynamic pressure, Pa, and its shares at the opening and in the wheel well."""
    return pressure * (opening - well)


@formula("ω", "Disc turns at", "friction", "{speed} / {radius}", "Rolling, in rad/s", valid="{radius} > 0")
def turning(speed: Number, radius: Number) -> Number:
    """rad/s; m/s, the tyre's loaded radius, m."""
    return speed / radius


@formula(
    "ΔP_pump",
    "Head of the turning vanes",
    "air pressure",
    "0.5 · {density} · {turning} · {turning} · ({outer} · {outer} − {inner} · {inner})",
    "Air that turns with the vanes (Euler)",
)
def pump_head(density: Number, turning: Number, outer: Number, inner: Number) -> Number:
    """Pa; kg/m³, rad/s, the ring's radii, m."""
    return 0.5 * density * turning * turning * (outer * outer - inner * inner)


@formula("A_eye", "Eye of the disc", "area", "3.14159265358979 · {inner} · {inner} · (1 − 0.7 · 0.7)", GEOMETRY,
         valid="{inner} > 0")  # fmt: skip
def eye_area(inner: Number) -> Number:
    """m²; the ring's inner radius, m. Hub and bell fill the rest."""
    return math.pi * inner * inner * (1 - EYE_HUB * EYE_HUB)


@formula("A_gap", "Gap left at the eye", "area", "(1 − {seal}) · {eye}", GEOMETRY, valid="0 ≤ {seal} ≤ 1")
def gap_area(seal: Number, eye: Number) -> Number:
    """m²; how much is sealed, a share, and the eye, m²."""
    return (1 - seal) * eye


@formula(
    "ṁ_v",
    "Air through the vanes",
    "air flow",
    "{area} · {coefficient} · √(2 · {density} · {head})",
    "Bernoulli, with a flow coefficient of the passage",
    valid="{head} ≥ 0",
)
def passage_flow(area: Number, coefficient: Number, density: Number, head: Number) -> Number:
    """kg/s; m², a share, kg/m³, Pa: of the vanes, of the gap at the eye, of an end that is open."""
    return area * coefficient * (2 * density * head) ** 0.5


@formula("D_duct", "Drag of the duct", "drag", "{flow} · {speed}", "Momentum of the air that is taken in")
def intake_drag(flow: Number, speed: Number) -> Number:
    """N; kg/s, m/s."""
    return flow * speed


@formula(
    "Δv",
    "Top speed lost",
    "small speed",
    "{speed} · {drag} / (3 · {whole})",
    "At the same power: it goes with the cube of the speed",
    valid="{whole} > 0",
)
def speed_lost(speed: Number, drag: Number, whole: Number) -> Number:
    """m/s; the car's top speed, m/s, the drag added to that of the whole car there, N."""
    return speed * drag / (3 * whole)
