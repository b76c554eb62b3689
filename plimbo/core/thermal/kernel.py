"""The network of a corner marched through a drive, compiled.

The first call of a machine compiles for some seconds, later ones read what is kept: only who simulates imports this.
"""

from typing import Any, NamedTuple

import numpy as np

from plimbo.core.ducting.flow import SPEEDS
from plimbo.core.thermal.cell_row import (
    CHEEK_CELLS,
    PAD_CELLS,
    PAD_GROWTH,
    CellRow,
    advance,
    fix_disc,
    fix_pads,
    middle,
)
from plimbo.core.thermal.compiled_laws import FaceConditions, caliper_transfer, jet_takes, vanes_take, well_share
from plimbo.core.thermal.corner import Corner
from plimbo.core.thermal.paths import BELL, CALIPER, FLUID, INBOARD_PISTON, OUTBOARD_PISTON, PATHS, PLATES, VANES
from plimbo.core.thermal.slow_parts import PLATE_EDGE, advance_slow_parts, conductance_behind
from plimbo.core.thermal.surfaces import Surfaces, solve_surfaces, update_surfaces
from plimbo.core.working.compiling import compiled, inlined
from plimbo.core.working.numbers import Array


class Trace(NamedTuple):
    """Temperatures after each sample, K, of shape (sample), or (sample, 2) where there are two sides, inboard first.

    `row` are all cells from the inboard plate through pad, cheek, cheek and pad to the outboard plate, `slow`
    pistons, caliper, fluid, bell and hub, (sample, 6); `wet_face` is the pistons' face in the fluid. `paths` is the
    heat that has left by then, J, (sample, 6), as `PATHS`; what goes from the pads into the plates stays inside.
    `stored` is what all parts hold more than at the start, J.
    """

    disc_surface: Array
    pad_surface: Array
    bulk: Array
    pad_mean: Array
    row: Array
    slow: Array
    wet_face: Array
    stored: Array
    paths: Array


class _Wheel(NamedTuple):
    """One corner on its way: first and last cell of the disc, of each side the rubbing cells of disc and pad, m."""

    first: int
    last: int
    ends: Any
    cell: float
    widths: Array
    row: CellRow
    faces: Surfaces
    slow: Array
    into: Array
    paths: Array


@compiled
def begin(corner: Corner, start: float, cheek_cells: int, pad_cells: int) -> Any:
    """A corner that is as warm as its surroundings, K."""
    size = 2 * (cheek_cells + pad_cells + 1)
    first, last = 1 + pad_cells, pad_cells + 2 * cheek_cells
    widths = np.empty(pad_cells)
    for place in range(pad_cells):
        widths[place] = PAD_GROWTH**place
    widths *= corner.pad_thickness / widths.sum()
    w = np.zeros((6, size))
    row = CellRow(np.full(size, start), np.full(size, start), w[0], w[1], w[2], w[3], w[4], w[5])
    faces = Surfaces(np.full(2, start), np.full(2, start), np.zeros(2), np.zeros(2), np.zeros(2), np.zeros((2, 3)))
    fix_pads(corner, widths, row)
    ends = ((first, first - 1), (last, last + 1))
    return _Wheel(
        first,
        last,
        ends,
        corner.cheek / cheek_cells,
        widths,
        row,
        faces,
        np.full(6, start),
        np.zeros(6),
        np.zeros(len(PATHS)),
    )


@inlined
def bulk_of(wheel: _Wheel) -> Any:
    """Mean temperature of the disc, K."""
    total = 0.0
    for at in range(wheel.first, wheel.last + 1):
        total += wheel.row.now[at]
    return total / (wheel.last + 1 - wheel.first)


@inlined
def advance_wheel(
    corner: Corner,
    wheel: _Wheel,
    power: float,
    speed: float,
    step: float,
    ambient: float,
    pressure: float,
    duct_air: Any,
) -> Any:
    """One step with this friction power of the corner, W; what all parts hold more by then, J."""
    first, last, row, faces, slow, paths = (
        wheel.first, wheel.last, wheel.row, wheel.faces, wheel.slow, wheel.paths,
    )  # fmt: skip
    size, inner = len(row.now), (first + last) // 2
    well = ambient + well_share(speed) * (bulk_of(wheel) - ambient) + corner.warmer
    around = FaceConditions(power / 4, speed, pressure, ambient, well, step, duct_air[0], duct_air[1], duct_air[2])
    for at in range(size):
        row.loss[at] = row.gain[at] = 0.0
    fix_disc(corner, first, last, wheel.cell, row)
    film = 0.25 * (row.now[inner] + row.now[inner + 1]) + 0.5 * well
    faces.jet[0] = jet_takes(corner, around, film)
    solve_surfaces(corner, wheel.ends, wheel.cell, wheel.widths[0], row, faces, around)
    taken = vanes_take(corner, around, film, around.gain) / 2
    inlet = well + around.cold * (ambient - well)
    for at in (inner, inner + 1):
        row.loss[at] += taken
        row.gain[at] += taken * inlet
    to_bell = corner.ring_to_bell / (last + 1 - first)
    for at in range(first, last + 1):
        row.loss[at] += to_bell
        row.gain[at] += to_bell * slow[BELL]
    blown = caliper_transfer(around, slow[CALIPER], corner.air.blown)
    for side in range(2):
        at = 0 if side == 0 else size - 1
        pressed, leans = conductance_behind(corner, side)
        row.loss[at] += pressed + leans + blown * PLATE_EDGE
        row.gain[at] += pressed * slow[side] + leans * slow[CALIPER] + blown * PLATE_EDGE * well
    advance(row, step)
    more = advance_slow_parts(corner, wheel.ends, row, faces, around, slow, wheel.into, blown, paths)
    update_surfaces(wheel.ends, row, faces, around, paths)
    for side in range(2):
        paths[VANES] += step * taken * (middle(row, inner + side) - inlet)
        plate, pad = (0, 1) if side == 0 else (size - 1, size - 2)
        paths[PLATES] += step * row.links[0] * (middle(row, pad) - middle(row, plate))
    for at in range(size):
        more += row.capacity[at] * (row.now[at] - row.before[at])
    return more


@compiled
def new_trace(samples: int, size: int) -> Any:
    """The fields of a `Trace`, to be filled in."""
    return Trace(
        np.empty((samples, 2)), np.empty((samples, 2)), np.empty(samples), np.empty((samples, 2)),
        np.empty((samples, size)), np.empty((samples, 6)), np.empty(samples), np.empty(samples),
        np.empty((samples, len(PATHS))),
    )  # fmt: skip


@inlined
def record_sample(corner: Corner, wheel: _Wheel, trace: Trace, sample: int, stored: float) -> None:
    """How the corner stands, into the trace."""
    row, faces, slow, widths = wheel.row, wheel.faces, wheel.slow, wheel.widths
    # Number by number: the compiler makes little of whole rows.
    for side in range(2):
        trace.disc_surface[sample, side], trace.pad_surface[sample, side] = faces.disc[side], faces.pad[side]
        mean = 0.0
        for place in range(len(widths)):
            at = len(widths) - place if side == 0 else wheel.last + 1 + place
            mean += widths[place] * row.now[at]
        trace.pad_mean[sample, side] = mean / corner.pad_thickness
    for at in range(len(row.now)):
        trace.row[sample, at] = row.now[at]
    for at in range(len(slow)):
        trace.slow[sample, at] = slow[at]
    for at in range(len(PATHS)):
        trace.paths[sample, at] = wheel.paths[at]
    trace.bulk[sample], trace.stored[sample] = bulk_of(wheel), stored
    pistons = slow[INBOARD_PISTON]
    if corner.sides > 1.0:
        pistons = 0.5 * (pistons + slow[OUTBOARD_PISTON])
    wet = corner.piston_to_fluid / corner.piston_wet
    trace.wet_face[sample] = slow[FLUID] + (pistons - slow[FLUID]) * wet


@compiled
def _march(
    corner: Corner, power: Array, speed: Array, steps: Array, duct_air: Array, ambient: float, pressure: float,
    cheek_cells: int, pad_cells: int,
) -> Any:  # fmt: skip
    wheel = begin(corner, ambient, cheek_cells, pad_cells)
    trace, stored = new_trace(len(power), len(wheel.row.now)), 0.0
    for sample in range(len(power)):
        stored += advance_wheel(
            corner, wheel, power[sample], speed[sample], steps[sample], ambient, pressure,
            (duct_air[sample, 0], duct_air[sample, 1], duct_air[sample, 2]),
        )  # fmt: skip
        record_sample(corner, wheel, trace, sample, stored)
    return trace


def air_over(corner: Corner, speed: Array) -> Array:
    """The duct's air of a corner at each of these speeds, (sample, 3): see `CoolingAir`."""
    tables = corner.air.gains, corner.air.shares, corner.air.eye_gains
    return np.column_stack([np.interp(speed, SPEEDS, table) for table in tables])


def simulate(
    corner: Corner,
    power: Array,
    speed: Array,
    steps: Array,
    *,
    ambient: float = 298.15,
    pressure: float = 101_325.0,
    cells: tuple[int, int] = (CHEEK_CELLS, PAD_CELLS),
) -> Trace:
    """The temperatures of a corner from ambient, K, through a drive, sample by sample.

    Each holds the mean power of the corner, W, the speed, m/s, and its length, s. Samples must not go across the
    beginning or end of braking: `drive.py` cuts them so.
    """
    march: Any = _march
    found: Trace = march(corner, power, speed, steps, air_over(corner, speed), ambient, pressure, *cells)
    return found
