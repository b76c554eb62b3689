"""The rubbing surfaces of disc and pad: they have no mass, so they are solved for at each step.

What remains is a link between the first cell of the disc and the first cell of the pad, losses to the air, and the heat
of friction.
"""

from typing import Any, NamedTuple

from plimbo.core.thermal.cell_row import CellRow, middle
from plimbo.core.thermal.compiled_laws import FaceConditions, conductivity_at, faces_transfer, radiation_coefficient
from plimbo.core.thermal.corner import Corner
from plimbo.core.thermal.paths import FACES, RADIATION
from plimbo.core.working.compiling import inlined
from plimbo.core.working.numbers import Array

# Pad to disc, brake on and off, W/(m²·K).
PRESSED, APART = 1e5, 300.0


class Surfaces(NamedTuple):
    """The rubbing surfaces, inboard and outboard: temperatures, K; conductance to the air of the wheel well, total and
    by convection, and to the cold air of a hose that blows at them, W/K.

    `halves` are, of each side, the conductances of half a cell of disc and pad, and across between them, W/K.
    """

    disc: Array
    pad: Array
    to_air: Array
    convected: Array
    jet: Array
    halves: Array


@inlined
def _halves(corner: Corner, cell: float, width: float, disc: float, friction: float) -> Any:
    """From the first cell's middle to the surface, disc and pad, and across between the surfaces, W/K."""
    conducts = conductivity_at(corner.conductivity, corner.conductivity_slope, disc)
    across = (PRESSED if friction > 0.0 else APART) * corner.pad_area
    pad_half = 2 * corner.pad_conductivity * corner.pad_area / width
    return 2 * conducts * corner.ring_area / cell, pad_half, across


@inlined
def solve_surfaces(
    corner: Corner, ends: Any, cell: float, width: float, row: CellRow, faces: Surfaces, around: FaceConditions
) -> None:
    """Eliminates the rubbing surfaces: gives the link of disc and pad, the losses to the air, and the heat of
    friction.
    """
    well, friction = around.well, around.friction
    between = 0.5 * (row.now[ends[0][0]] + row.now[ends[1][0]])
    blown = faces_transfer(corner, around, 0.5 * (between + well))
    for side in range(2):
        at, beside = ends[side]
        faces.convected[side] = blown[side] * corner.face_area
        radiated = radiation_coefficient(corner.emissivity, faces.disc[side], well) * corner.face_area
        faces.to_air[side] = faces.convected[side] + radiated
        disc_half, pad_half, across = _halves(corner, cell, width, row.now[at], friction)
        faces.halves[side, 0], faces.halves[side, 1], faces.halves[side, 2] = disc_half, pad_half, across
        shared = across / (pad_half + across)
        to_air = faces.to_air[side] + faces.jet[side]
        whole = disc_half + to_air + shared * pad_half
        given = faces.to_air[side] * well + faces.jet[side] * around.ambient + friction * (1 + shared)
        row.links[min(at, beside)] = disc_half * shared * pad_half / whole
        row.loss[at] += disc_half * to_air / whole
        row.gain[at] += disc_half * given / whole
        row.loss[beside] += pad_half * shared * to_air / whole
        row.gain[beside] += pad_half * (friction / (pad_half + across) + shared * given / whole)


@inlined
def update_surfaces(ends: Any, row: CellRow, faces: Surfaces, around: FaceConditions, paths: Array) -> None:
    """Surface temperatures after the step, and the heat that the surfaces gave to the air over it."""
    for side in range(2):
        at, beside = ends[side]
        disc_half, pad_half, across = faces.halves[side, 0], faces.halves[side, 1], faces.halves[side, 2]
        shared = across / (pad_half + across)
        whole = disc_half + faces.to_air[side] + faces.jet[side] + shared * pad_half
        given = faces.to_air[side] * around.well + faces.jet[side] * around.ambient + around.friction * (1 + shared)
        between = (disc_half * middle(row, at) + shared * pad_half * middle(row, beside) + given) / whole
        paths[FACES] += around.step * faces.convected[side] * (between - around.well)
        paths[FACES] += around.step * faces.jet[side] * (between - around.ambient)
        paths[RADIATION] += around.step * (faces.to_air[side] - faces.convected[side]) * (between - around.well)
        faces.disc[side] = (disc_half * row.now[at] + shared * pad_half * row.now[beside] + given) / whole
        into_pad = pad_half * row.now[beside] + around.friction + across * faces.disc[side]
        faces.pad[side] = into_pad / (pad_half + across)
