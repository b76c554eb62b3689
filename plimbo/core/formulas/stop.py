"""One stop: its length, its energy and how far it heats each disc."""

import math

import numpy as np

from plimbo.core.arrays import Array
from plimbo.core.working import formula

LIMPERT = "From memory of Limpert, Brake Design and Safety, single stop"


class Profile:
    """Deceleration and drag over the speeds of a stop, at the nodes of an integration rule: m/s², N; widths in m/s."""

    def __init__(self, speeds: Array, widths: Array, decelerations: Array, drag: Array) -> None:
        self.speeds, self.widths, self.decelerations, self.drag = speeds, widths, decelerations, drag

    def __format__(self, _how: str) -> str:
        return "a(v)"

    @property
    def time(self) -> float:
        """`∫ dv/a`, s."""
        return float(np.sum(self.widths / self.decelerations))

    def along(self, force: Array | float) -> float:
        """Work of a force over the way of the stop, `∫ F·v dv/a`, J; of 1 N: the way itself, m."""
        return float(np.sum(self.widths * self.speeds * force / self.decelerations))


def _distance(from_speed: float, to_speed: float, at_start: float, at_end: float, profile: Profile) -> float:
    """Way of a stop, m; `profile` runs between the two speeds, the decelerations at its ends are for the reader."""
    del from_speed, to_speed, at_start, at_end
    return profile.along(1.0)


_WAY = "∫ v dv / {profile} from {from_speed} down to {to_speed}; a is {at_start} at its start, {at_end} at its end"
_RULE = "Kinematics, integrated by Gauss and Legendre's rule"
stopping_distance = formula("d", "Stopping distance", "distance", _WAY, _RULE)(_distance)
shortest_distance = formula("d_ideal", "Stopping distance, ideal", "distance", _WAY, _RULE)(_distance)


@formula(
    "t",
    "Stopping time",
    "time",
    _WAY.replace("v dv", "dv"),
    _RULE,
)
def stopping_time(from_speed: float, to_speed: float, at_start: float, at_end: float, profile: Profile) -> float:
    """Time of the stop, s."""
    del from_speed, to_speed, at_start, at_end
    return profile.time


@formula(
    "W_D",
    "Work of drag over the shortest stop",
    "energy",
    "∫ ½ρ · CdA · v² ds over {distance}, {drag_area}",
    "Force along the way",
)
def drag_work(distance: float, drag_area: float, profile: Profile) -> float:
    """What the air takes of the stop's energy, J; the profile carries the drag."""
    del distance, drag_area
    return profile.along(profile.drag)


@formula("W_e", "Work of the engine over the shortest stop", "energy", "{engine} · {distance}", "Force along the way")
def engine_work(engine: float, distance: float) -> float:
    """What engine braking takes of the stop's energy, J."""
    return engine * distance


@formula(
    "F_leg",
    "Brake force at the driver's limit",
    "force",
    "{brake_force} · {foot_force_limit} / {foot_force}",
    "The chain is linear in the push",
)
def driver_limit(brake_force: float, foot_force_limit: float, foot_force: float) -> float:
    """What the driver's greatest push gives, N, from the brake force at the chosen push."""
    return brake_force * foot_force_limit / foot_force


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


@formula(
    "E",
    "Energy of the stop into the brakes",
    "energy",
    "(½ · {mass} · ({from_speed}² − {to_speed}²) · (1 + {rotating_share}) − {drag_work} − {engine_work})"
    " · (1 − {slip_share})",
    LIMPERT,
)
def stop_energy_in_air(
    mass: float,
    from_speed: float,
    to_speed: float,
    rotating_share: float,
    slip_share: float,
    drag_work: float,
    engine_work: float,
) -> float:
    """As `stop_energy`, less what drag and engine braking take over the shortest stop, J."""
    kinetic = 0.5 * mass * (from_speed**2 - to_speed**2) * (1 + rotating_share)
    return (kinetic - drag_work - engine_work) * (1 - slip_share)


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
