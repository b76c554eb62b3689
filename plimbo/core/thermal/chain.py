"""Plate, pad, cheek, vanes, cheek, pad and plate as one chain of cells, and its implicit step."""

from typing import Any, NamedTuple

from plimbo.core.thermal.compiled_laws import conductivity_at, specific_heat_at
from plimbo.core.thermal.corner import Corner
from plimbo.core.working.compiling import compiled, inlined
from plimbo.core.working.numbers import Array

# Cells of a cheek and of a pad; these grow by so much from the rubbing face.
CHEEK_CELLS, PAD_CELLS, PAD_GROWTH = 6, 5, 1.9
# Between explicit and implicit: a half rings in thin cells, one lags.
THETA = 0.55


class Chain(NamedTuple):
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
def middle(chain: Chain, at: int) -> Any:
    """The temperature that counts over a step."""
    return THETA * chain.now[at] + (1 - THETA) * chain.before[at]


@compiled
def fix_pads(corner: Corner, widths: Array, chain: Chain) -> None:
    """Capacities and links of pads and plates, which do not change."""
    pads, size = len(widths), len(chain.now)
    across = corner.pad_conductivity * corner.pad_area
    for place in range(pads):
        for at in (pads - place, size - 1 - pads + place):
            chain.capacity[at] = corner.pad_capacity * widths[place]
        if place < pads - 1:
            between = across / (0.5 * (widths[place] + widths[place + 1]))
            chain.links[pads - place - 1] = chain.links[size - 1 - pads + place] = between
    for at in (0, size - 1):
        chain.capacity[at] = corner.plate_capacity
    chain.links[0] = chain.links[size - 2] = across / (0.5 * widths[pads - 1])


@inlined
def fix_disc(corner: Corner, first: int, last: int, cell: float, chain: Chain) -> None:
    """Capacities and links of the disc at its temperatures, across the vanes too."""
    inner = (first + last) // 2
    for at in range(first, last + 1):
        heat = specific_heat_at(corner.heat, corner.heat_slope, corner.heat_bend, corner.heat_held, chain.now[at])
        volume = corner.ring_area * cell
        if at in (inner, inner + 1):
            volume += corner.vane_mass_volume / 2
        chain.capacity[at] = corner.disc_density * heat * volume
        if at < last:
            between = 0.5 * (chain.now[at] + chain.now[at + 1])
            conducts = conductivity_at(corner.conductivity, corner.conductivity_slope, between)
            if at == inner and corner.gap > 0.0:
                chain.links[at] = conducts * corner.vane_section / (corner.gap + cell)
            else:
                chain.links[at] = conducts * corner.ring_area / cell


@inlined
def advance(chain: Chain, step: float) -> None:
    """One step of the chain: a tridiagonal system, by Thomas's algorithm."""
    last = len(chain.now) - 1
    often = 1.0 / step
    for at in range(last + 1):
        chain.before[at] = chain.now[at]
    # A chain ends on both sides: beyond its ends nothing is linked.
    left, before = 0.0, 0.0
    for at in range(last):
        ahead, here, after = chain.links[at], chain.before[at], chain.before[at + 1]
        inertia, out = chain.capacity[at] * often, left + ahead + chain.loss[at]
        chain.diagonal[at] = inertia + THETA * out
        chain.right[at] = (
            (inertia - (1 - THETA) * out) * here + chain.gain[at] + (1 - THETA) * (left * before + ahead * after)
        )
        left, before = ahead, here
    inertia, out = chain.capacity[last] * often, left + chain.loss[last]
    chain.diagonal[last] = inertia + THETA * out
    chain.right[last] = (
        (inertia - (1 - THETA) * out) * chain.before[last] + chain.gain[last] + (1 - THETA) * left * before
    )
    # One division a cell: they are what takes long here.
    turned = 1.0 / chain.diagonal[0]
    chain.diagonal[0] = turned
    for at in range(1, last + 1):
        across = THETA * chain.links[at - 1]
        factor = across * turned
        chain.right[at] += factor * chain.right[at - 1]
        turned = 1.0 / (chain.diagonal[at] - factor * across)
        chain.diagonal[at] = turned
    chain.now[last] = chain.right[last] * turned
    for at in range(last - 1, -1, -1):
        chain.now[at] = (chain.right[at] + THETA * chain.links[at] * chain.now[at + 1]) * chain.diagonal[at]
