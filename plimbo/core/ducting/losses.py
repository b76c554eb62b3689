"""The pressure loss of each piece of a duct: loss coefficients, each on the dynamic pressure in that piece."""

import math

from plimbo.core.working.formula import GEOMETRY, formula
from plimbo.core.working.numbers import Number, logarithm, minimum, sine, square_root

RENNELS = "Rennels and Hudson, Pipe Flow (from memory, checked against an open library)"
CRANE = "Crane, Flow of Fluids, TP 410 (from memory, checked against an open library)"
OWN = "Plimbo's own"
# Darcy's friction factor in a bend, whose wall is taken as that of a smooth pipe.
BEND_FRICTION = 0.02


@formula("V", "Speed in the piece", "stream speed", "{flow} / ({density} · {area})", "Continuity",
         valid="{density} > 0, {area} > 0")  # fmt: skip
def stream_speed(flow: Number, density: Number, area: Number) -> Number:
    """m/s; the flow in it, kg/s, kg/m³, m²."""
    return flow / (density * area)


@formula("q_V", "Pressure of the stream itself", "air pressure", "0.5 · {density} · {speed} · {speed}", "Bernoulli")
def stream_pressure(density: Number, speed: Number) -> Number:
    """Pa; kg/m³, m/s."""
    return 0.5 * density * speed * speed


@formula("ΔP", "Loss of the piece", "air pressure", "{coefficient} · {pressure}", "By definition of the coefficient")
def pressure_loss(coefficient: Number, pressure: Number) -> Number:
    """Pa; of a loss coefficient and the dynamic pressure, Pa."""
    return coefficient * pressure


@formula(
    "f",
    "Friction of the hose",
    "friction",
    "1 / (−0.781738 · ln(({roughness} / 3.7)^1.11 + 6.9 / {reynolds}))^2",
    "Haaland, Darcy's friction factor",
    valid="{reynolds} > 0, {roughness} ≥ 0",
)
def hose_friction(reynolds: Number, roughness: Number) -> Number:
    """A ratio; by Reynolds number and roughness over bore. 1.8 of a decimal logarithm is 0.781738 of a natural one."""
    inverse = -0.781738 * logarithm((roughness / 3.7) ** 1.11 + 6.9 / reynolds)
    return 1 / (inverse * inverse)


@formula("K_h", "Loss coefficient of a hose", "friction", "{friction} · {length} / {bore}", "Darcy and Weisbach",
         valid="{bore} > 0")  # fmt: skip
def hose_loss(friction: Number, length: Number, bore: Number) -> Number:
    """A ratio; m, m."""
    return friction * length / bore


@formula(
    "K_b",
    "Loss coefficient of a bend",
    "friction",
    "0.02 · {angle} · {turn} + 0.148 · sin({angle} / 2) + 0.132 · (√(sin({angle} / 2)) + sin({angle} / 2))"
    " / {turn}^(4 · {angle} / 3.14159265358979)",
    f"{RENNELS}; with a smooth wall's friction of 0.02",
    valid="0 < {angle} ≤ 3.15, {turn} ≥ 0.5",
)
def bend_loss(angle: Number, turn: Number) -> Number:
    """A ratio; rad, radius of its middle over its bore."""
    half = sine(angle / 2)
    kink = (square_root(half) + half) / turn ** (4 * angle / math.pi)
    return BEND_FRICTION * angle * turn + (0.10 + 2.4 * BEND_FRICTION) * half + 6.6 * BEND_FRICTION * kink


@formula("β", "Bore over bore", "ratio", "{smaller} / {bigger}", GEOMETRY, valid="{bigger} > 0")
def bore_ratio(smaller: Number, bigger: Number) -> Number:
    """A ratio; m, m."""
    return smaller / bigger


@formula(
    "K_r",
    "Loss coefficient of a reducer, going narrower",
    "friction",
    "min(0.5 · √({slope}), 0.8 · {slope}) · (1 − {ratio} · {ratio})",
    CRANE,
    valid="0 ≤ {slope} ≤ 1, 0 < {ratio} ≤ 1",
)
def contraction_loss(slope: Number, ratio: Number) -> Number:
    """A ratio, on the narrower bore; the sine of half its angle, narrower over wider bore."""
    # One law up to a half angle of 22.5 degrees, the other beyond: each where it is the smaller.
    return minimum(0.5 * square_root(slope), 0.8 * slope) * (1 - ratio * ratio)


@formula(
    "K_d",
    "Loss coefficient of a reducer, going wider",
    "friction",
    "min(1, 2.6 · {slope}) · (1 − {ratio} · {ratio})^2",
    CRANE,
    valid="0 ≤ {slope} ≤ 1, 0 < {ratio} ≤ 1",
)
def expansion_loss(slope: Number, ratio: Number) -> Number:
    """A ratio, on the narrower bore; the sine of half its angle, narrower over wider bore."""
    return minimum(1.0, 2.6 * slope) * (1 - ratio * ratio) ** 2


@formula(
    "K_t",
    "Loss coefficient of tape or screen",
    "friction",
    "(1 / ((0.62 + 0.38 · {open} · {open} · {open}) · {open}) − 1)^2 / ({ratio} · {ratio})",
    "Weisbach, contraction at a sharp edge (from memory)",
    valid="0 < {open} ≤ 1, {ratio} > 0",
)
def covered_loss(open: Number, ratio: Number) -> Number:
    """A ratio, on the hose; the share that is open, and the opening's area over that of the hoses."""
    narrows = (0.62 + 0.38 * open * open * open) * open
    return (1 / narrows - 1) ** 2 / (ratio * ratio)


@formula(
    "K_n",
    "Loss coefficient of an opening narrower than the hose",
    "friction",
    "(1 / min(1, {ratio}) − 1)^2",
    "Borda and Carnot",
    valid="{ratio} > 0",
)
def narrow_opening_loss(ratio: Number) -> Number:
    """A ratio, on the hose; the opening's area over that of the hoses."""
    return (1 / minimum(1.0, ratio) - 1) ** 2


@formula("K_m", "Loss coefficient of the opening", "friction", "{mouth} + {narrow} + {covered}", "Losses in a row")
def opening_loss(mouth: Number, narrow: Number, covered: Number) -> Number:
    """A ratio, on the hose: of its mouth, of its size, of tape and screen."""
    return mouth + narrow + covered
