"""Foot to line pressure: pedal, booster, balance bar, master cylinder; and the way back."""

import math

from plimbo.core.working import formula

LEVER = "Lever"


@formula("R_p", "Pedal ratio, as measured", "ratio", "{pad_length} / {rod_length}", LEVER)
def pedal_ratio(pad_length: float, rod_length: float) -> float:
    """`R_p = l_p/l_r`, from pivot to foot pad and from pivot to push rod."""
    return pad_length / rod_length


@formula("F_rod", "Push of the pedal's rod", "force", "{foot_force} · {ratio} · {efficiency}", LEVER)
def rod_force(foot_force: float, ratio: float, efficiency: float) -> float:
    """`F_rod = F_foot · R_p · η_p`, N."""
    return foot_force * ratio * efficiency


BOOSTER = "Straight characteristic with a run-out, as the trade draws it"


@formula(
    "F_b", "Push behind the booster", "force", "{gain} · min({rod}, {run_out}) + max(0, {rod} − {run_out})", BOOSTER
)
def booster_output(rod: float, gain: float, run_out: float) -> float:
    """The push in, boosted up to the run-out; past it a newton more gives a newton more."""
    return gain * min(rod, run_out) + max(0.0, rod - run_out)


@formula(
    "F_rod,lock",
    "Push of the pedal's rod at lock",
    "force",
    "min({push} / {gain}, {run_out}) + max(0, {push} − {gain} · {run_out})",
    BOOSTER,
)
def booster_input(push: float, gain: float, run_out: float) -> float:
    """The push in that gives `push` out; infinite for infinite."""
    return push / gain if push <= gain * run_out else run_out + push - gain * run_out


@formula("F_foot,lock", "Foot force at lock", "force", "{rod} / ({ratio} · {efficiency})", LEVER)
def foot_for_rod(rod: float, ratio: float, efficiency: float) -> float:
    """Push of the foot that gives this push of the rod, N."""
    return rod / (ratio * efficiency)


@formula(
    "s_bar", "Share of the bar", "share", "½ + {offset} / {length}", "Lever; the clevis nearer the bearing gets more"
)
def bar_front_share(offset: float, length: float) -> float:
    """Front cylinder's share of the push; `offset` from the middle, plus toward the front, under half `length`."""
    return 0.5 + offset / length


@formula(
    "s_bar", "Share of the bar", "share", "½ − {offset} / {length}", "Lever; the clevis nearer the bearing gets more"
)
def bar_rear_share(offset: float, length: float) -> float:
    """Rear cylinder's share of the push."""
    return 0.5 - offset / length


@formula("F_c", "Push on the cylinder", "force", "{rod_force} · {bar_share}", LEVER)
def cylinder_force(rod_force: float, bar_share: float) -> float:
    """Push on one master cylinder, N."""
    return rod_force * bar_share


@formula("F_c,centred", "Push on the cylinder, bar centred", "force", "{push} / 2", LEVER)
def half_push(push: float) -> float:
    """What each cylinder gets with the bearing in the middle of the bar, N."""
    return push / 2


@formula("R_p,need", "Pedal ratio needed", "ratio", "{ratio} · {foot_at_lock} / {foot_force}", LEVER)
def ratio_for_push(ratio: float, foot_at_lock: float, foot_force: float) -> float:
    """Ratio at which first lock comes at the driver's chosen push."""
    return ratio * foot_at_lock / foot_force


@formula("A_c", "Cylinder area", "area", "π / 4 · {bore}²", "Circle")
def bore_area(bore: float) -> float:
    """Area of a round bore, m²."""
    return math.pi / 4 * bore * bore


@formula("p", "Line pressure", "pressure", "{force} · {efficiency} / {area}", "Pascal's law")
def line_pressure(force: float, efficiency: float, area: float) -> float:
    """`p = F·η/A`, Pa."""
    return force * efficiency / area


@formula(
    "A_c,need", "Cylinder area needed", "area", "{force} · {efficiency} / {pressure}", "Pascal's law, turned round"
)
def area_for_pressure(force: float, efficiency: float, pressure: float) -> float:
    """Cylinder area that makes `pressure` from `force`, m²; infinite where no pressure is wanted."""
    return force * efficiency / pressure if pressure > 0 else math.inf


@formula("d_c,need", "Bore needed", "bore", "√(4 · {area} / π)", "Circle")
def bore_of_area(area: float) -> float:
    """Diameter of a circle of this area, m."""
    return math.sqrt(4 * area / math.pi)
