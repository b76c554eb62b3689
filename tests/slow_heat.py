"""The corner's heat calculated again: as fluxes from part to part, given to a general solver of differential equations.

Nothing of the kernel's links, steps or elimination is in it; the laws of air and materials, and the constants, are.
"""

import math
from typing import Any

import numpy as np
from numba import njit
from scipy.integrate import solve_ivp

from plimbo.core.thermal import cell_row, slow_parts, surfaces
from plimbo.core.thermal.compiled_laws import (
    caliper_nusselt,
    conductivity_at,
    conductivity_of_air,
    density,
    face_coefficient,
    face_nusselt,
    radiation_coefficient,
    reynolds,
    rough_share,
    specific_heat_at,
    vane_conductance,
    vane_nusselt,
    viscosity,
    well_share,
)
from plimbo.core.thermal.corner import Corner
from plimbo.core.thermal.power_profile import PowerSegment

CHEEK, PAD, SLOW = 6, 5, 24
PRESSURE, AMBIENT = 101_325.0, 298.15
GROWTH, PRESSED, APART = cell_row.PAD_GROWTH, surfaces.PRESSED, surfaces.APART
EDGE, SEEN, FANNED = slow_parts.PLATE_EDGE, slow_parts.SEEN, slow_parts.FANNED


@njit
def face(speed: float, size: float, film: float, factor: float) -> float:
    if speed < 0.5:
        return 7.0
    stream = reynolds(density(PRESSURE, film), speed, size, viscosity(film))
    return face_coefficient(factor, face_nusselt(stream, rough_share(stream)), conductivity_of_air(film), size)


@njit
def flow(_time: float, state: Any, corner: Corner, power: float, speed: float) -> Any:
    """How fast each temperature changes, K/s: 24 cells from plate to plate, two pistons, caliper, fluid, bell, hub."""
    change = np.zeros(30)  # W first, K/s at the end
    capacity = np.empty(30)
    cell = corner.cheek / CHEEK
    widths = np.array([GROWTH**n for n in range(PAD)])
    widths *= corner.pad_thickness / widths.sum()
    bulk = state[6:18].mean()
    well = AMBIENT + well_share(speed) * (bulk - AMBIENT) + corner.warmer
    caliper, fluid, bell, hub = state[26], state[27], state[28], state[29]
    blown = 7.0
    if speed >= 0.5:
        film = 0.5 * (caliper + well)
        stream = reynolds(density(PRESSURE, film), speed / 2, 0.1, viscosity(film))
        blown = max(7.0, caliper_nusselt(stream) * conductivity_of_air(film) / 0.1)
    for side in range(2):
        # Places from the plate to the middle of the disc, on this side.
        plate = 0 if side == 0 else 23
        pads = np.arange(1, 6) if side == 0 else np.arange(22, 17, -1)
        discs = np.arange(6, 12) if side == 0 else np.arange(17, 11, -1)
        capacity[plate] = corner.plate_capacity
        across = corner.pad_conductivity * corner.pad_area
        order = widths[::-1]
        for place in range(PAD):
            at = pads[place]
            capacity[at] = corner.pad_capacity * order[place]
            if place < PAD - 1:
                moved = across / (0.5 * (order[place] + order[place + 1])) * (state[at] - state[pads[place + 1]])
                change[at] -= moved
                change[pads[place + 1]] += moved
        moved = across / (0.5 * order[0]) * (state[pads[0]] - state[plate])
        change[pads[0]] -= moved
        change[plate] += moved
        for place in range(CHEEK):
            at = discs[place]
            heat = specific_heat_at(corner.heat, corner.heat_slope, corner.heat_bend, corner.heat_held, state[at])
            volume = corner.ring_area * cell + (corner.vane_mass_volume / 2 if place == CHEEK - 1 else 0.0)
            capacity[at] = corner.disc_density * heat * volume
            if place < CHEEK - 1:
                nearer = discs[place + 1]
                middle = 0.5 * (state[at] + state[nearer])
                conducts = conductivity_at(corner.conductivity, corner.conductivity_slope, middle)
                moved = conducts * corner.ring_area / cell * (state[at] - state[nearer])
                change[at] -= moved
                change[nearer] += moved
            to_bell = corner.ring_to_bell / 12 * (state[at] - bell)
            change[at] -= to_bell
            change[28] += to_bell
        # The two rubbing surfaces, found by trial as radiation bends their balance.
        disc, pad = state[discs[0]], state[pads[4]]
        conducts = conductivity_at(corner.conductivity, corner.conductivity_slope, disc)
        disc_half, pad_half = 2 * conducts * corner.ring_area / cell, 2 * across / order[4]
        bridge = (PRESSED if power > 0 else APART) * corner.pad_area
        shield = corner.inboard_shield if side == 0 else corner.outboard_shield
        wind = face(speed, corner.diameter, 0.25 * (state[6] + state[17]) + 0.5 * well, 1.8 * shield)
        skin = disc
        lining = pad
        for _ in range(12):
            air = (wind + radiation_coefficient(corner.emissivity, skin, well)) * corner.face_area
            top = (
                disc_half * disc + air * well + power / 4 + bridge * (pad_half * pad + power / 4) / (pad_half + bridge)
            )
            skin = top / (disc_half + air + bridge - bridge * bridge / (pad_half + bridge))
            lining = (pad_half * pad + power / 4 + bridge * skin) / (pad_half + bridge)
        change[discs[0]] += disc_half * (skin - disc)
        change[pads[4]] += pad_half * (lining - pad)
        # Vanes, from the innermost cell of this side.
        inner = state[discs[CHEEK - 1]]
        if corner.gap > 0:
            if speed < 0.5:
                taken = 5.0 * corner.vane_surface
            else:
                film = 0.25 * (state[11] + state[12]) + 0.5 * well
                own = density(PRESSURE, AMBIENT) * corner.vane_passage * corner.flow_at_speed * speed
                wide = corner.vane_hydraulic_diameter
                nusselt = vane_nusselt(own * wide / (corner.vane_passage * viscosity(film)), wide / corner.vane_length)
                coefficient = 2.4 * nusselt * conductivity_of_air(film) / wide
                taken = vane_conductance(own, coefficient, corner.vane_surface, 2.5)
            change[discs[CHEEK - 1]] -= taken / 2 * (inner - well)
        # The plate's neighbours.
        piston = state[24 + side]
        there = 1.0 if side == 0 or corner.sides == 2.0 else 0.0
        into = there * corner.plate_to_piston * (state[plate] - piston)
        ear = (0.35 if side == 0 else corner.outboard_to_caliper) * (state[plate] - caliper)
        change[plate] -= into + ear + blown * EDGE * (state[plate] - well)
        wetted = there * corner.piston_to_fluid * (piston - fluid)
        aside = there * corner.piston_to_caliper * (piston - caliper)
        change[24 + side] += into - wetted - aside
        met = radiation_coefficient(1.0, disc, caliper) * SEEN * (disc - caliper) + blown * FANNED * (skin - caliper)
        change[26] += ear + aside + met / 2
        change[27] += wetted
    middle = 0.5 * (state[11] + state[12])
    conducts = conductivity_at(corner.conductivity, corner.conductivity_slope, middle)
    if corner.gap > 0:
        moved = conducts * corner.vane_section / (corner.gap + cell) * (state[11] - state[12])
    else:
        moved = conducts * corner.ring_area / cell * (state[11] - state[12])
    change[11] -= moved
    change[12] += moved
    over, up, on = corner.fluid_to_caliper * (fluid - caliper), 1.5 * (caliper - hub), 12.0 * (bell - hub)
    radiated = radiation_coefficient(0.24, caliper, well)
    change[26] += over - up - (blown + radiated) * corner.caliper_area * (caliper - well)
    change[27] -= over
    change[28] -= on + face(speed, corner.diameter, 0.5 * (bell + well), 1.0) * 0.035 * (bell - well)
    change[29] = on + up - 3.0 * min(1.5, max(0.35, speed / 25)) * (hub - AMBIENT)
    capacity[24] = capacity[25] = corner.piston_capacity
    capacity[26], capacity[27] = corner.caliper_capacity, corner.fluid_capacity
    capacity[28], capacity[29] = corner.bell_capacity, 3200.0
    return change / capacity


def solved(corner: Corner, stretches: list[PowerSegment], times: list[Any]) -> np.ndarray:
    """The 30 temperatures, K, at these times within each segment, s; restarted at each, since its power is constant."""
    state, found = np.full(30, AMBIENT), []
    for stretch, at in zip(stretches, times, strict=True):
        answer = solve_ivp(
            flow, (0.0, stretch.seconds), state, "LSODA", t_eval=np.minimum(at, stretch.seconds), rtol=1e-7, atol=1e-6,
            args=(corner, stretch.power, stretch.speed), max_step=math.inf,
        )  # fmt: skip
        assert answer.success, answer.message
        found.append(answer.y.T)
        state = answer.y[:, -1]
    return np.concatenate(found)
