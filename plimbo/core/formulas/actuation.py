"""Foot to line pressure: pedal, balance bar, master cylinder."""

import math

from plimbo.core.working import formula

LEVER = "Lever"


@formula("F_rod", "Push on the balance bar", "force", "{foot_force} · {ratio} · {efficiency}", LEVER)
def rod_force(foot_force: float, ratio: float, efficiency: float) -> float:
    """`F_rod = F_foot · R_p · η_p`, N."""
    return foot_force * ratio * efficiency


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
