"""One stop: its length, its energy and how far it heats each disc."""

import math
from itertools import pairwise

from plimbo.core.working import formula

LIMPERT = "From memory of Limpert, Brake Design and Safety, single stop"


@formula(
    "d", "Stopping distance", "distance", "½ · ∫ d(v²) / a, with a the least of the limits at each v", "Kinematics"
)
def stopping_distance(from_speed: float, to_speed: float, *limits: float) -> float:
    """Distance of a stop, m, at the least of several decelerations, each linear in the square of the speed.

    `limits` come in pairs, flattened: the deceleration at `from_speed` and at `to_speed`, m/s². Downforce makes it grow
    as `a = a₀ + b·v²`; between two crossings one limit rules and `d = ∫ v dv/a = ln(a₁/a₂)/(2b)` exactly.
    """
    low, high = to_speed * to_speed, from_speed * from_speed
    lines = []
    for at_high, at_low in zip(limits[::2], limits[1::2], strict=True):
        growth = (at_high - at_low) / (high - low)
        lines.append((at_low - growth * low, growth))
    cuts = {low, high}
    for index, (a, b) in enumerate(lines):
        for other_a, other_b in lines[index + 1 :]:
            if b != other_b:
                crossing = (other_a - a) / (b - other_b)
                if low < crossing < high:
                    cuts.add(crossing)
    squares = sorted(cuts)
    distance = 0.0
    for start, end in pairwise(squares):
        middle = (start + end) / 2
        a, b = min(lines, key=lambda line: line[0] + line[1] * middle)
        at_middle = a + b * middle
        # Nearly constant deceleration: the logarithm loses its digits, the mean does not.
        if abs(b * (end - start)) < 1e-6 * at_middle:
            distance += (end - start) / (2 * at_middle)
        else:
            distance += math.log((a + b * end) / (a + b * start)) / (2 * b)
    return distance


@formula(
    "a_max",
    "Deceleration at the driver's limit",
    "deceleration",
    "{brake_force} · {foot_force_limit} / {foot_force} / {mass}",
    "The chain is linear in the push",
)
def driver_limit(brake_force: float, foot_force_limit: float, foot_force: float, mass: float) -> float:
    """What the driver's greatest push gives, m/s², from the brake force at the chosen push."""
    return brake_force * foot_force_limit / foot_force / mass


@formula("Δd", "Distance lost against the ideal", "distance", "{distance} − {ideal}")
def distance_lost(distance: float, ideal: float) -> float:
    """Metres that the stop takes longer than both axles at their limit would."""
    return distance - ideal


@formula(
    "E",
    "Energy of the stop into the brakes",
    "energy",
    "½ · {mass} · ({from_speed}² − {to_speed}²) · (1 + {rotating_share}) · (1 − {slip_share})",
    LIMPERT,
)
def stop_energy(mass: float, from_speed: float, to_speed: float, rotating_share: float, slip_share: float) -> float:
    """Kinetic energy given up, with turning parts, less what slips away in the tyres, J."""
    return 0.5 * mass * (from_speed**2 - to_speed**2) * (1 + rotating_share) * (1 - slip_share)


@formula("φ_r", "Rear share by brake force", "share", "1 − {front_share}")
def rear_share(front_share: float) -> float:
    """What the front leaves to the rear."""
    return 1 - front_share


@formula("E_d", "Energy into one disc", "energy", "{energy} · {axle_share} / 2 · {disc_share}", LIMPERT)
def disc_energy(energy: float, axle_share: float, disc_share: float) -> float:
    """Energy into one of the axle's two discs, J."""
    return energy * axle_share / 2 * disc_share


@formula("e", "Effusivity", "effusivity", "√({conductivity} · {density} · {specific_heat})", LIMPERT)
def effusivity(conductivity: float, density: float, specific_heat: float) -> float:
    """`√(kρc)`, J/(m²·K·√s): how readily a face takes up heat."""
    return math.sqrt(conductivity * density * specific_heat)


@formula("γ", "Share of the heat that goes into the disc", "share", "{disc} / ({disc} + {pad})", LIMPERT)
def disc_heat_share(disc: float, pad: float) -> float:
    """From the effusivities of disc and pad: `q_d/q_p = e_d/e_p`."""
    return disc / (disc + pad)


@formula(
    "m_d",
    "Mass of the friction ring",
    "mass",
    "π · ({diameter} · {height} − {height}²) · ({thickness} − {gap} · (1 − {fill})) · {density}",
    "Ring of two cheeks and vanes",
)
def ring_mass(diameter: float, height: float, thickness: float, gap: float, fill: float, density: float) -> float:
    """Mass of the friction ring from its sizes, kg; bell and drillings left out."""
    return math.pi * (diameter * height - height * height) * (thickness - gap * (1 - fill)) * density


@formula("ΔT", "Disc heats by, in one stop", "temperature difference", "{energy} / ({mass} · {specific_heat})", LIMPERT)
def temperature_rise(energy: float, mass: float, specific_heat: float) -> float:
    """Mean rise of one disc when nothing cools it during the stop, K."""
    return energy / (mass * specific_heat)
