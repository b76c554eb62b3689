"""Plate, pad, cheek, vanes, cheek, pad and plate as one row of cells, and its implicit step."""

from typing import Any, NamedTuple

from plimbo.core.thermal.compiled_laws import conductivity_at, specific_heat_at
from plimbo.core.thermal.corner import Corner
from plimbo.core.working.compiling import compiled, inlined
from plimbo.core.working.numbers import Array

# Cells of a cheek and of a pad; these grow by so much from the rubbing face.
CHEEK_CELLS, PAD_CELLS, PAD_GROWTH = 6, 5, 1.9
# Weight between explicit (0) and implicit (1): 0.5 oscillates in thin cells, 1 lags.
THETA = 0.55


class CellRow(NamedTuple):
    """Plate to plate, cell by cell: temperatures now and before, J/K, links to the next W/K, losses W/K and gains W."""

    now: Array
    before: Array
    capacity: Array
    links: Array
    loss: Array
    gain: Array
    diagonal: Array
    right: Array


@inlined
def middle(row: CellRow, at: int) -> Any:
    """The mean temperature over a step."""
    return THETA * row.now[at] + (1 - THETA) * row.before[at]


@compiled
def fix_pads(corner: Corner, widths: Array, row: CellRow) -> None:
    """Heat capacities and links of pads and plates; these are constant."""
    pads, size = len(widths), len(row.now)
    across = corner.pad_conductivity * corner.pad_area
    for place in range(pads):
        for at in (pads - place, size - 1 - pads + place):
            row.capacity[at] = corner.pad_capacity * widths[place]
        if place < pads - 1:
            between = across / (0.5 * (widths[place] + widths[place + 1]))
            row.links[pads - place - 1] = row.links[size - 1 - pads + place] = between
    for at in (0, size - 1):
        row.capacity[at] = corner.plate_capacity
    row.links[0] = row.links[size - 2] = across / (0.5 * widths[pads - 1])


@inlined
def fix_disc(corner: Corner, first: int, last: int, cell: float, row: CellRow) -> None:
    """Capacities and links of the disc at its temperatures, across the vanes too."""
    inner = (first + last) // 2
    for at in range(first, last + 1):
        heat = specific_heat_at(corner.heat, corner.heat_slope, corner.heat_bend, corner.heat_held, row.now[at])
        volume = corner.ring_area * cell
        if at in (inner, inner + 1):
            volume += corner.vane_mass_volume / 2
        row.capacity[at] = corner.disc_density * heat * volume
        if at < last:
            between = 0.5 * (row.now[at] + row.now[at + 1])
            conducts = conductivity_at(corner.conductivity, corner.conductivity_slope, between)
            if at == inner and corner.gap > 0.0:
                row.links[at] = conducts * corner.vane_section / (corner.gap + cell)
            else:
                row.links[at] = conducts * corner.ring_area / cell


@inlined
def advance(row: CellRow, step: float) -> None:
    """One step of the row: a tridiagonal system, by Thomas's algorithm."""
    last = len(row.now) - 1
    often = 1.0 / step
    for at in range(last + 1):
        row.before[at] = row.now[at]
    # A row ends on both sides: beyond its ends nothing is linked.
    left, before = 0.0, 0.0
    for at in range(last):
        ahead, here, after = row.links[at], row.before[at], row.before[at + 1]
        inertia, out = row.capacity[at] * often, left + ahead + row.loss[at]
        row.diagonal[at] = inertia + THETA * out
        row.right[at] = (
            (inertia - (1 - THETA) * out) * here + row.gain[at] + (1 - THETA) * (left * before + ahead * after)
        )
        left, before = ahead, here
    inertia, out = row.capacity[last] * often, left + row.loss[last]
    row.diagonal[last] = inertia + THETA * out
    row.right[last] = (inertia - (1 - THETA) * out) * row.before[last] + row.gain[last] + (1 - THETA) * left * before
    # One division for each cell: divisions take most of the time here.
    turned = 1.0 / row.diagonal[0]
    row.diagonal[0] = turned
    for at in range(1, last + 1):
        across = THETA * row.links[at - 1]
        factor = across * turned
        row.right[at] += factor * row.right[at - 1]
        turned = 1.0 / (row.diagonal[at] - factor * across)
        row.diagonal[at] = turned
    row.now[last] = row.right[last] * turned
    for at in range(last - 1, -1, -1):
        row.now[at] = (row.right[at] + THETA * row.links[at] * row.now[at + 1]) * row.diagonal[at]
