"""How far the pedal goes: the fluid that each axle's circuit takes, the strokes that give it, the tilt of the bar.

Volumes are for both wheels of an axle, at the pressure of its calipers. From memory of Limpert, Brake Design and
Safety, brake fluid volume analysis; the sizes of the losses are Plimbo's own defaults where nobody has measured.
"""

import math

from plimbo.core.working import formula

LIMPERT = "From memory of Limpert, Brake Design and Safety, fluid volume analysis"
ATMOSPHERE = 101_325.0


@formula("V_g", "Fluid to close the pad gap", "volume", "4 · {area} · {gap}", LIMPERT)
def gap_volume(area: float, gap: float) -> float:
    """Both calipers, m³. Fixed: both sides move by the gap. Sliding: one side moves by two. The same."""
    return 4 * area * gap


@formula("V_c", "Fluid for calipers and pads that give", "volume", "2 · {compliance} · {pressure}", LIMPERT)
def caliper_volume(compliance: float, pressure: float) -> float:
    """Both calipers, m³; `compliance` of one, m³/Pa."""
    return 2 * compliance * pressure


@formula("V_h", "Fluid for hoses that swell", "volume", "{swelling} · {length} · {pressure}", LIMPERT)
def hose_volume(swelling: float, length: float, pressure: float) -> float:
    """All hoses of the axle, m³; `swelling` in m³ for each pascal and metre."""
    return swelling * length * pressure


@formula("V_l", "Fluid in pipes and hoses", "volume", "π / 4 · {bore}² · ({pipe} + {hose})")
def line_content(bore: float, pipe: float, hose: float) -> float:
    """Of the axle, m³."""
    return math.pi / 4 * bore * bore * (pipe + hose)


@formula("V_p", "Fluid behind the pistons", "volume", "4 · {area} · ({depth} + {worn})", "Pistons follow the wear")
def piston_content(area: float, depth: float, worn: float) -> float:
    """Both fixed calipers, m³: pistons on both sides. As each pad wears, its pistons come out by as much."""
    return 4 * area * (depth + worn)


@formula("V_p", "Fluid behind the pistons", "volume", "2 · {area} · ({depth} + 2 · {worn})", "Pistons follow the wear")
def sliding_content(area: float, depth: float, worn: float) -> float:
    """Both sliding calipers, m³: pistons on one side, which follow the wear of both pads."""
    return 2 * area * (depth + 2 * worn)


@formula(
    "V_s", "Fluid under pressure", "volume", "{lines} + {pistons} + {cylinder_area} · {stroke} / 2", "Half the cylinder"
)
def content(lines: float, pistons: float, cylinder_area: float, stroke: float) -> float:
    """The axle's circuit, m³, with half of what its cylinder holds."""
    return lines + pistons + cylinder_area * stroke / 2


@formula(
    "V_f",
    "Fluid that compression takes",
    "volume",
    "{content} · {pressure} / {modulus}",
    "Definition of the bulk modulus",
)
def fluid_volume(content: float, pressure: float, modulus: float) -> float:
    """`V·p/K`, m³."""
    return content * pressure / modulus


@formula(
    "V_a",
    "Fluid that air takes",
    "volume",
    "{content} · {air} · {pressure} / ({pressure} + 101325)",
    "Boyle's law, slow, from one atmosphere",
)
def air_volume(content: float, air: float, pressure: float) -> float:
    """What a share of air gives way by, m³."""
    return content * air * pressure / (pressure + ATMOSPHERE)


@formula(
    "V_k", "Fluid that knock-back takes", "volume", "2 · {area} · {run_out}", "Pads pushed back once on each wheel"
)
def knock_back_volume(area: float, run_out: float) -> float:
    """Both calipers, m³: the disc pushes one side's pistons back by its run-out and tilt."""
    return 2 * area * run_out


@formula(
    "V_k",
    "Fluid that knock-back takes, held",
    "volume",
    "{free} · {left}",
    "Springs or residual pressure follow the pads",
)
def held_back(free: float, left: float) -> float:
    """What is left of knock-back, m³, where something keeps the pads near the disc."""
    return free * left


@formula("V", "Fluid moved", "volume", "{gap} + {calipers} + {hoses} + {fluid} + {air}", LIMPERT)
def moved_volume(gap: float, calipers: float, hoses: float, fluid: float, air: float) -> float:
    """All that the axle's cylinder has to give, m³."""
    return gap + calipers + hoses + fluid + air


@formula("s", "Stroke of the cylinder", "length", "{volume} / {area} + {dead_stroke}", "Volume over area")
def stroke(volume: float, area: float, dead_stroke: float) -> float:
    """From rest, m."""
    return volume / area + dead_stroke


@formula(
    "s_rod",
    "Travel of the push rod",
    "length",
    "{front} · {front_share} + {rear} · {rear_share}",
    "Lever: as the forces share",
)
def bar_travel(front: float, front_share: float, rear: float, rear_share: float) -> float:
    """Of the bar's bearing, m: the two strokes weighted by the bar, so that no work is lost."""
    return front * front_share + rear * rear_share


@formula(
    "s_rod", "Travel of the push rod", "length", "{front} + {rear}", "Both pistons of a tandem cylinder on one rod"
)
def tandem_travel(front: float, rear: float) -> float:
    """Of a tandem cylinder's rod, m: each circuit takes its own stroke."""
    return front + rear


@formula("s_pedal", "Pedal travel", "length", "{rod} · {ratio}", "Lever")
def pedal_travel(rod: float, ratio: float) -> float:
    """At the foot pad, m."""
    return rod * ratio


@formula(
    "β", "Tilt of the bar", "angle", "arctan(({front} − {rear}) / {length})", "Both clevises move with their cylinders"
)
def bar_tilt(front: float, rear: float, length: float) -> float:
    """Rad, plus where the front clevis has gone further; square at rest."""
    return math.atan((front - rear) / length)


@formula(
    "c_pedal",
    "Stiffness of the pedal",
    "stiffness",
    "({push} − {light_push}) / ({travel} − {light_travel})",
    "From a touch to lock",
)
def pedal_stiffness(push: float, light_push: float, travel: float, light_travel: float) -> float:
    """Newtons of foot for each metre of pedal, from light braking to lock."""
    return (push - light_push) / (travel - light_travel)


@formula(
    "p_line", "Line pressure of the rear", "pressure", "{front} · {rear_line} / {front_line}", "Both lines grow alike"
)
def rear_line(front: float, rear_line: float, front_line: float) -> float:
    """At the rear's cylinder, Pa, where the front's calipers have `front`."""
    return front * rear_line / front_line


@formula(
    "s_k",
    "Pedal travel after knock-back",
    "length",
    "{volume} / {area} · {share} · {ratio}",
    "Volume over area, at the pedal",
)
def knock_back_travel(volume: float, area: float, share: float, ratio: float) -> float:
    """What the next push has to go more, m."""
    return volume / area * share * ratio


@formula(
    "p_f",
    "Front pressure at this brake force",
    "pressure",
    "{pressure} · {force} / {at_force}",
    "Straight in the pressure",
)
def front_pressure(pressure: float, force: float, at_force: float) -> float:
    """At the front calipers, Pa."""
    return pressure * force / at_force
