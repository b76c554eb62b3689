"""Foot to line pressure: pedal, booster, balance bar, master cylinder; and the way back."""

import math

from plimbo.core.working.formula import formula
from plimbo.core.working.numbers import Number, maximum, minimum, quotient, square_root

LEVER = "Lever"
BOOSTER = "Straight characteristic with a run-out, as the trade draws it"
BAR = "Lever; the clevis nearer the bearing gets more"
CIRCLE = "Circle"

# Cylinders are made from 3/8 in to 1 3/8 in, m, and pedals up to 12 to one. Common practice.
LEAST_CYLINDER, MOST_CYLINDER = 0.0095, 0.035
LEAST_RATIO, MOST_RATIO = 1.0, 12.0


@formula(
    "R_p", "Pedal ratio, as measured", "ratio", "{pad_length} / {rod_length}", LEVER,
    valid="0 < {rod_length} ≤ {pad_length}",
)  # fmt: skip
def pedal_ratio(pad_length: Number, rod_length: Number) -> Number:
    """`R_p = l_p/l_r`, from pivot to foot pad and from pivot to push rod, both m."""
    return pad_length / rod_length


@formula(
    "F_rod", "Push of the pedal's rod", "force", "{foot_force} · {ratio} · {efficiency}", LEVER, valid="{ratio} ≥ 1"
)
def rod_force(foot_force: Number, ratio: Number, efficiency: Number) -> Number:
    """`F_rod = F_foot · R_p · η_p`, N."""
    return foot_force * ratio * efficiency


@formula(
    "F_foot,lock",
    "Foot force at lock",
    "force",
    "{rod} / ({ratio} · {efficiency})",
    LEVER,
    valid="{ratio} ≥ 1, {efficiency} > 0",
)
def foot_for_rod(rod: Number, ratio: Number, efficiency: Number) -> Number:
    """Push of the foot, N, that gives this push of the rod, N."""
    return rod / (ratio * efficiency)


@formula(
    "F_b",
    "Push behind the booster",
    "force",
    "{gain} · min({rod}, {run_out}) + max(0, {rod} − {run_out})",
    BOOSTER,
    valid="{gain} ≥ 1, {rod} ≥ 0",
)
def booster_output(rod: Number, gain: Number, run_out: Number) -> Number:
    """The push in, N, boosted up to the run-out, N; past it each further newton in gives one newton out."""
    return gain * minimum(rod, run_out) + maximum(0.0, rod - run_out)


@formula(
    "F_rod,lock",
    "Push of the pedal's rod at lock",
    "force",
    "min({push} / {gain}, {run_out}) + max(0, {push} − {gain} · {run_out})",
    BOOSTER,
    valid="{gain} ≥ 1, {push} ≥ 0",
)
def booster_input(push: Number, gain: Number, run_out: Number) -> Number:
    """The push in, N, that gives `push` out, N; infinite for infinite."""
    return minimum(push / gain, run_out) + maximum(0.0, push - gain * run_out)


@formula(
    "s_bar", "Share of the bar", "share", "½ + {offset} / {length}", BAR, valid="−{length} < 2 · {offset} < {length}"
)
def bar_front_share(offset: Number, length: Number) -> Number:
    """Front cylinder's share of the push; `offset` of the bearing from the middle, plus toward the front, both m."""
    return 0.5 + offset / length


@formula(
    "s_bar", "Share of the bar", "share", "½ − {offset} / {length}", BAR, valid="−{length} < 2 · {offset} < {length}"
)
def bar_rear_share(offset: Number, length: Number) -> Number:
    """Rear cylinder's share of the push; `offset` of the bearing from the middle, plus toward the front, both m."""
    return 0.5 - offset / length


@formula("F_c", "Push on the cylinder", "force", "{push} · {bar_share}", LEVER, valid="0 ≤ {bar_share} ≤ 1")
def cylinder_force(push: Number, bar_share: Number) -> Number:
    """Push on one master cylinder, N, of the push on the bar, N."""
    return push * bar_share


@formula("F_c,centred", "Push on the cylinder, bar centred", "force", "{push} / 2", LEVER)
def half_push(push: Number) -> Number:
    """Push on each cylinder with the bearing in the middle of the bar, N."""
    return push / 2


@formula("F_push", "Push on the bar for it", "force", "{cylinder} / {share}", LEVER, valid="0 < {share} ≤ 1")
def push_of_bar(cylinder: Number, share: Number) -> Number:
    """On the bar, N, that puts this much on one cylinder, N, by its share."""
    return cylinder / share


@formula(
    "R_p,need",
    "Pedal ratio needed",
    "ratio",
    "{ratio} · {foot_at_lock} / {foot_force}",
    LEVER,
    valid="{foot_force} > 0",
)
def ratio_for_push(ratio: Number, foot_at_lock: Number, foot_force: Number) -> Number:
    """Ratio at which first lock comes at the driver's design effort, both N."""
    return ratio * foot_at_lock / foot_force


@formula("A_c", "Cylinder area", "area", "π / 4 · {bore}²", CIRCLE, valid="{bore} > 0")
def bore_area(bore: Number) -> Number:
    """Area of a round bore, m², of a diameter in m."""
    return math.pi / 4 * bore * bore


@formula("d_c,need", "Bore needed", "bore", "√(4 · {area} / π)", CIRCLE, valid="{area} ≥ 0")
def bore_of_area(area: Number) -> Number:
    """Diameter of a circle, m, of this area, m²."""
    return square_root(4 * area / math.pi)


@formula("p", "Line pressure", "pressure", "{force} · {efficiency} / {area}", "Pascal's law", valid="{area} > 0")
def line_pressure(force: Number, efficiency: Number, area: Number) -> Number:
    """`p = F·η/A`, Pa; N, m²."""
    return force * efficiency / area


@formula(
    "F_c",
    "Push on the cylinder for it",
    "force",
    "{pressure} · {area} / {efficiency}",
    "Pascal's law, turned round",
    valid="{efficiency} > 0",
)
def force_for_pressure(pressure: Number, area: Number, efficiency: Number) -> Number:
    """Push on one master cylinder, N, that makes this line pressure, Pa, on its area, m²."""
    return pressure * area / efficiency


@formula(
    "A_c,need",
    "Cylinder area needed",
    "area",
    "{force} · {efficiency} / {pressure}",
    "Pascal's law, turned round",
)
def area_for_pressure(force: Number, efficiency: Number, pressure: Number) -> Number:
    """Cylinder area, m², that makes `pressure`, Pa, from `force`, N; infinite where no pressure is wanted."""
    return quotient(force * efficiency, pressure)
