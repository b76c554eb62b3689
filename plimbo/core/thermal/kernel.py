"""The network of a corner marched through a drive, compiled.

The first call of a machine compiles for some seconds, later ones read what is kept: only who simulates imports this.
"""

from typing import Any, NamedTuple

import numpy as np

from plimbo.core.thermal.chain import CHEEK_CELLS, PAD_CELLS, PAD_GROWTH, Chain, advance, fix_disc, fix_pads, middle
from plimbo.core.thermal.compiled_laws import Around, caliper_transfer, vanes_take, well_share
from plimbo.core.thermal.corner import Corner
from plimbo.core.thermal.paths import BELL, CALIPER, FLUID, INBOARD_PISTON, OUTBOARD_PISTON, PLATES, VANES
from plimbo.core.thermal.slow_parts import PLATE_EDGE, behind, follow
from plimbo.core.thermal.surfaces import Surfaces, rub, settle
from plimbo.core.working.compiling import compiled
from plimbo.core.working.numbers import Array


class Trace(NamedTuple):
    """Temperatures after each sample, K, of shape (sample), or (sample, 2) where there are two sides, inboard first.

    `chain` are all cells from the inboard plate through pad, cheek, cheek and pad to the outboard plate, `slow`
    pistons, caliper, fluid, bell and hub, (sample, 6); `wet_face` is the pistons' face in the fluid. `paths` is the
    heat that has left by then, J, (sample, 6), as `PATHS`; what goes from the pads into the plates stays inside.
    `stored` is what all parts hold more than at the start, J.
    """

    disc_surface: Array
    pad_surface: Array
    bulk: Array
    pad_mean: Array
    chain: Array
    slow: Array
    wet_face: Array
    stored: Array
    paths: Array


@compiled
def _step(
    corner: Corner, ends: Any, cell: float, width: float, chain: Chain, faces: Surfaces, around: Around, slow: Array,
    duct: float, paths: Array,
) -> Any:  # fmt: skip
    """One step of all; what all parts hold more by then, J."""
    first, last, size = ends[0][0], ends[1][0], len(chain.now)
    inner, well = (first + last) // 2, around.well
    chain.loss[:] = 0.0
    chain.gain[:] = 0.0
    fix_disc(corner, first, last, cell, chain)
    rub(corner, ends, cell, width, chain, faces, around)
    taken = np.zeros(2)
    for side in range(2):
        at = inner + side
        taken[side] = vanes_take(corner, around, 0.5 * (chain.now[at] + well), duct) / 2
        chain.loss[at] += taken[side]
        chain.gain[at] += taken[side] * well
    to_bell = corner.ring_to_bell / (last + 1 - first)
    for at in range(first, last + 1):
        chain.loss[at] += to_bell
        chain.gain[at] += to_bell * slow[BELL]
    blown = caliper_transfer(around, slow[CALIPER])
    for side in range(2):
        at = 0 if side == 0 else size - 1
        pressed, leans = behind(corner, side)
        chain.loss[at] += pressed + leans + blown * PLATE_EDGE
        chain.gain[at] += pressed * slow[side] + leans * slow[CALIPER] + blown * PLATE_EDGE * well
    advance(chain, around.step)
    more = follow(corner, ends, chain, faces, around, slow, blown, paths)
    settle(corner, ends, cell, width, chain, faces, around, paths)
    for side in range(2):
        paths[VANES] += around.step * taken[side] * (middle(chain, inner + side) - well)
        plate, pad = (0, 1) if side == 0 else (size - 1, size - 2)
        paths[PLATES] += around.step * chain.links[0] * (middle(chain, pad) - middle(chain, plate))
    for at in range(size):
        more += chain.capacity[at] * (chain.now[at] - chain.before[at])
    return more


@compiled
def _march(
    corner: Corner, power: Array, speed: Array, steps: Array, duct: Array, ambient: float, pressure: float,
    cheek_cells: int, pad_cells: int,
) -> Any:  # fmt: skip
    """The fields of a `Trace`."""
    start = ambient
    samples, size = len(power), 2 * (cheek_cells + pad_cells + 1)
    first, last = 1 + pad_cells, pad_cells + 2 * cheek_cells
    # Of each side the rubbing cells of disc and pad.
    ends = ((first, first - 1), (last, last + 1))
    cell, widths = corner.cheek / cheek_cells, np.empty(pad_cells)
    for place in range(pad_cells):
        widths[place] = PAD_GROWTH**place
    widths *= corner.pad_thickness / widths.sum()
    w = np.zeros((8, size))
    chain = Chain(np.full(size, start), np.full(size, start), w[0], w[1], w[2], w[3], w[4], w[5], w[6], w[7])
    faces = Surfaces(np.full(2, start), np.full(2, start), np.zeros(2), np.zeros(2))
    slow, paths, stored = np.full(6, start), np.zeros(6), 0.0
    fix_pads(corner, widths, chain)
    disc_surface, pad_surface, bulk = np.empty((samples, 2)), np.empty((samples, 2)), np.empty(samples)
    pad_mean, cells, slow_ones = np.zeros((samples, 2)), np.empty((samples, size)), np.empty((samples, 6))
    wet_face, held, gone = np.empty(samples), np.empty(samples), np.empty((samples, 6))
    for sample in range(samples):
        rise = chain.now[first : last + 1].mean() - ambient
        well = ambient + well_share(speed[sample]) * rise + corner.warmer
        around = Around(power[sample] / 4, speed[sample], pressure, ambient, well, steps[sample])
        stored += _step(corner, ends, cell, widths[0], chain, faces, around, slow, duct[sample], paths)
        disc_surface[sample], pad_surface[sample] = faces.disc, faces.pad
        bulk[sample] = chain.now[first : last + 1].mean()
        for place in range(pad_cells):
            share = widths[place] / corner.pad_thickness
            pad_mean[sample, 0] += share * chain.now[pad_cells - place]
            pad_mean[sample, 1] += share * chain.now[last + 1 + place]
        cells[sample] = chain.now
        pistons = slow[INBOARD_PISTON]
        if corner.sides > 1.0:
            pistons = 0.5 * (pistons + slow[OUTBOARD_PISTON])
        wet_face[sample] = slow[FLUID] + (pistons - slow[FLUID]) * corner.piston_to_fluid / corner.piston_wet
        slow_ones[sample], held[sample], gone[sample] = slow, stored, paths
    return disc_surface, pad_surface, bulk, pad_mean, cells, slow_ones, wet_face, held, gone


def simulate(
    corner: Corner,
    power: Array,
    speed: Array,
    steps: Array,
    *,
    duct: Array | None = None,
    ambient: float = 298.15,
    pressure: float = 101_325.0,
    cells: tuple[int, int] = (CHEEK_CELLS, PAD_CELLS),
) -> Trace:
    """The temperatures of a corner from ambient, K, through a drive, sample by sample.

    Each holds the mean power of the corner, W, the speed, m/s, its length, s, and what a duct adds to the vanes' flow,
    kg/s. Samples must not go across the beginning or end of braking: `drive.py` cuts them so.
    """
    added = np.zeros(len(power)) if duct is None else duct
    found: Any = _march
    return Trace(*found(corner, power, speed, steps, added, ambient, pressure, *cells))
