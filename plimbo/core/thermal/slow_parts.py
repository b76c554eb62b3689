"""Pistons, caliper, fluid, bell and hub: slow beside a step, so they follow what the row gave them over it."""

from typing import Any

from plimbo.core.thermal.cell_row import CellRow, middle
from plimbo.core.thermal.compiled_laws import FaceConditions, face_transfer, radiation_coefficient
from plimbo.core.thermal.corner import EAR, Corner
from plimbo.core.thermal.paths import BELL, BODY, CALIPER, FACES, FLUID, HUB, INBOARD_PISTON, OUTBOARD_PISTON, WHEEL
from plimbo.core.thermal.surfaces import Surfaces
from plimbo.core.working.compiling import inlined
from plimbo.core.working.numbers import Array

BELL_AREA, BELL_TO_HUB = 0.035, 12.0
HUB_CAPACITY, HUB_TO_AIR = 3200.0, 3.0
CALIPER_EMISSIVITY, CALIPER_TO_HUB = 0.24, 1.5
# Area of the caliper that receives the disc's radiation and hot air, m²; edge area of a plate, m².
SEEN, FANNED, PLATE_EDGE = 0.004, 0.012 * 0.25, 0.006


@inlined
def conductance_behind(corner: Corner, side: int) -> Any:
    """From a plate to its piston (0 where there is none) and to the caliper, W/K."""
    if side == 0:
        return corner.plate_to_piston, EAR
    return corner.plate_to_piston * (corner.sides - 1.0), corner.outboard_to_caliper


@inlined
def advance_slow_parts(
    corner: Corner,
    ends: Any,
    row: CellRow,
    faces: Surfaces,
    around: FaceConditions,
    slow: Array,
    into: Array,
    blown: float,
    paths: Array,
) -> Any:
    """Advances the slow parts with the heat that the cells gave them over the step; returns the heat that they gained,
    J.

    `into` is a buffer for the heat of each part, `blown` the heat transfer of the caliper, W/(m²·K).
    """
    well, caliper, fluid, size = around.well, slow[CALIPER], slow[FLUID], len(row.now)
    for at in range(len(into)):
        into[at] = 0.0
    for side in range(2):
        plate, piston = middle(row, 0 if side == 0 else size - 1), slow[side]
        pressed, leans = conductance_behind(corner, side)
        fitted = pressed / corner.plate_to_piston
        wetted = fitted * corner.piston_to_fluid * (piston - fluid)
        aside = fitted * corner.piston_to_caliper * (piston - caliper)
        into[side] = pressed * (plate - piston) - wetted - aside
        into[FLUID] += wetted
        edge = blown * PLATE_EDGE * (plate - well)
        # Part of the heat that the disc gave to the air reaches the caliper.
        disc, skin = row.now[ends[side][0]], faces.disc[side]
        met = radiation_coefficient(1.0, disc, caliper) * SEEN * (disc - caliper) + blown * FANNED * (skin - caliper)
        into[CALIPER] += aside + leans * (plate - caliper) + met / 2
        paths[FACES] -= around.step * met / 2
        paths[BODY] += around.step * edge
    over = corner.fluid_to_caliper * (fluid - caliper)
    radiated = radiation_coefficient(CALIPER_EMISSIVITY, caliper, well)
    out = (blown + radiated) * corner.caliper_area * (caliper - well)
    up, on = CALIPER_TO_HUB * (caliper - slow[HUB]), BELL_TO_HUB * (slow[BELL] - slow[HUB])
    first, last = ends[0][0], ends[1][0]
    over_bell = 0.0
    for at in range(first, last + 1):
        over_bell += middle(row, at) - slow[BELL]
    into[BELL] = over_bell * corner.ring_to_bell / (last + 1 - first)
    film = 0.5 * (slow[BELL] + well)
    bare = face_transfer(around.speed, corner.diameter, film, around.pressure, 1.0) * BELL_AREA * (slow[BELL] - well)
    away = HUB_TO_AIR * min(1.5, max(0.35, around.speed / 25)) * (slow[HUB] - around.ambient)
    into[CALIPER] += over - out - up
    into[FLUID] -= over
    into[BELL] -= on + bare
    into[HUB] = on + up - away
    paths[WHEEL] += around.step * (bare + away)
    paths[BODY] += around.step * out
    for piston in (INBOARD_PISTON, OUTBOARD_PISTON):
        slow[piston] += around.step * into[piston] / corner.piston_capacity
    slow[CALIPER] += around.step * into[CALIPER] / corner.caliper_capacity
    slow[FLUID] += around.step * into[FLUID] / corner.fluid_capacity
    slow[BELL] += around.step * into[BELL] / corner.bell_capacity
    slow[HUB] += around.step * into[HUB] / HUB_CAPACITY
    total = 0.0
    for at in range(len(into)):
        total += into[at]
    return around.step * total
