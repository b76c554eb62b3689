"""The network of a corner marched through a drive: compiled by Numba, from the very functions of the laws.

Plate, pad, cheek, vanes, cheek, pad and plate are one chain, solved implicitly; pistons, caliper, fluid, bell and hub
are slow, and follow explicitly. The rubbing surfaces of disc and pad have no mass: they are solved for at each step,
and leave a link between the first cell of the disc and that of the pad. Importing this module takes a moment, and the
first call compiles: only who simulates does.
"""

import math
from collections.abc import Callable
from typing import Any, NamedTuple

import numpy as np
from numba import njit
from numba.extending import overload, register_jitable

from plimbo.core.thermal import air, cooling, materials
from plimbo.core.thermal.corner import EAR, Corner
from plimbo.core.working import numbers
from plimbo.core.working.numbers import Array


def _stands_for(helper: Callable[..., Any], of_numbers: Callable[..., Any]) -> None:
    """In compiled code a helper of the formulas is what it is for single numbers."""
    overload(helper)(of_numbers)


_stands_for(numbers.maximum, lambda one, other: lambda one, other: max(one, other))  # noqa: ARG005, PLW0108
_stands_for(numbers.minimum, lambda one, other: lambda one, other: min(one, other))  # noqa: ARG005, PLW0108
_stands_for(numbers.square_root, lambda number: lambda number: math.sqrt(number))  # noqa: ARG005, PLW0108
_stands_for(numbers.exponential, lambda number: lambda number: math.exp(number))  # noqa: ARG005, PLW0108
_stands_for(numbers.logarithm, lambda number: lambda number: math.log(number))  # noqa: ARG005, PLW0108

density = register_jitable(air.air_density.function)
viscosity = register_jitable(air.air_viscosity.function)
conductivity_of_air = register_jitable(air.air_conductivity.function)
reynolds = register_jitable(cooling.reynolds.function)
rough_share = register_jitable(cooling.rough_share.function)
face_nusselt = register_jitable(cooling.face_nusselt.function)
face_coefficient = register_jitable(cooling.face_coefficient.function)
vane_nusselt = register_jitable(cooling.vane_nusselt.function)
vane_conductance = register_jitable(cooling.vane_conductance.function)
caliper_nusselt = register_jitable(cooling.caliper_nusselt.function)
radiation_coefficient = register_jitable(cooling.radiation_coefficient.function)
well_share = register_jitable(cooling.well_share.function)
conductivity_at = register_jitable(materials.conductivity_at.function)
specific_heat_at = register_jitable(materials.specific_heat_at.function)

# Kept on the disk once compiled; no number in it is infinite or none, so the compiler may reorder sums.
compiled = njit(cache=True, fastmath=True, error_model="numpy")

# Cells of a cheek and of a pad; these grow by so much from the rubbing face.
CHEEK_CELLS, PAD_CELLS, PAD_GROWTH = 6, 5, 1.9
# Between explicit and implicit: a half rings in thin cells, one lags.
THETA = 0.55
AT_REST = 0.5  # m/s
# Pad to disc, brake on and off, W/(m²·K).
PRESSED, APART = 1e5, 300.0
BELL_AREA, BELL_TO_HUB = 0.035, 12.0
HUB_CAPACITY, HUB_TO_AIR = 3200.0, 3.0
CALIPER_LENGTH, CALIPER_EMISSIVITY, CALIPER_TO_HUB = 0.1, 0.24, 1.5
# What of the disc's radiation and of its hot air the caliper meets, m²; the edge of a plate, m².
SEEN, FANNED, PLATE_EDGE = 0.004, 0.012 * 0.25, 0.006
NATURAL = cooling.NATURAL

# The slow ones, and where the heat has gone, by their place.
INBOARD_PISTON, OUTBOARD_PISTON, CALIPER, FLUID, BELL, HUB = range(6)
FACES, VANES, RADIATION, WHEEL, PLATES, BODY = range(6)
PATHS = "faces", "vanes", "radiation", "bell and hub", "pads into plates", "caliper"


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


class _Chain(NamedTuple):
    """Plate to plate, cell by cell: temperatures now and before, J/K, links to the next W/K, losses W/K and gains W."""

    now: Array
    before: Array
    capacity: Array
    links: Array
    loss: Array
    gain: Array
    lower: Array
    diagonal: Array
    upper: Array
    right: Array


class _Surfaces(NamedTuple):
    """The rubbing surfaces, inboard and outboard: temperatures, K; to the air in all and by convection, W/K."""

    disc: Array
    pad: Array
    to_air: Array
    convected: Array


class _Around(NamedTuple):
    """What is round the corner in one sample: friction heat of a surface, W; m/s; Pa; K; length of the step, s."""

    friction: float
    speed: float
    pressure: float
    ambient: float
    well: float
    step: float


@compiled
def _middle(chain: _Chain, at: int) -> Any:
    """The temperature that counts over a step."""
    return THETA * chain.now[at] + (1 - THETA) * chain.before[at]


@compiled
def _face(speed: float, diameter: float, film: float, pressure: float, factor: float) -> Any:
    """Heat transfer of a face, W/(m²·K)."""
    if speed < AT_REST:
        return NATURAL
    stream = reynolds(density(pressure, film), speed, diameter, viscosity(film))
    nusselt = face_nusselt(stream, rough_share(stream))
    return face_coefficient(factor, nusselt, conductivity_of_air(film), diameter)


@compiled
def _vanes(corner: Corner, around: _Around, film: float, duct: float) -> Any:
    """What the air through the vanes takes, W/K; `duct` is what a duct adds to their own flow, kg/s."""
    if corner.gap == 0.0:
        return 0.0
    if around.speed < AT_REST:
        return cooling.VANES_AT_REST * corner.vane_surface
    own = density(around.pressure, around.ambient) * corner.vane_passage * corner.flow_at_speed * around.speed
    stream = (own + duct) * corner.vane_hydraulic_diameter / (corner.vane_passage * viscosity(film))
    nusselt = vane_nusselt(stream, corner.vane_hydraulic_diameter / corner.vane_length)
    coefficient = cooling.VANE_TURBULENCE * nusselt * conductivity_of_air(film) / corner.vane_hydraulic_diameter
    return vane_conductance(own + duct, coefficient, corner.vane_surface, cooling.VANES_RUNNING)


@compiled
def _caliper(around: _Around, caliper: float) -> Any:
    """Heat transfer of the caliper, W/(m²·K)."""
    if around.speed < AT_REST:
        return NATURAL
    film = 0.5 * (caliper + around.well)
    stream = reynolds(density(around.pressure, film), around.speed / 2, CALIPER_LENGTH, viscosity(film))
    return max(NATURAL, caliper_nusselt(stream) * conductivity_of_air(film) / CALIPER_LENGTH)


@compiled
def _behind(corner: Corner, side: int) -> Any:
    """From a plate to its piston, nothing where there is none, and to the caliper, W/K."""
    if side == 0:
        return corner.plate_to_piston, EAR
    return corner.plate_to_piston * (corner.sides - 1.0), corner.outboard_to_caliper


@compiled
def _fix_pads(corner: Corner, widths: Array, chain: _Chain) -> None:
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


@compiled
def _disc(corner: Corner, first: int, last: int, cell: float, chain: _Chain) -> None:
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


@compiled
def _halves(corner: Corner, cell: float, width: float, disc: float, friction: float) -> Any:
    """From the first cell's middle to the surface, disc and pad, and across between the surfaces, W/K."""
    conducts = conductivity_at(corner.conductivity, corner.conductivity_slope, disc)
    across = (PRESSED if friction > 0.0 else APART) * corner.pad_area
    pad_half = 2 * corner.pad_conductivity * corner.pad_area / width
    return 2 * conducts * corner.ring_area / cell, pad_half, across


@compiled
def _rub(
    corner: Corner, ends: Any, cell: float, width: float, chain: _Chain, faces: _Surfaces, around: _Around
) -> None:
    """The rubbing surfaces, solved for, leave a link of disc and pad, losses to the air, and the friction's heat."""
    well, friction = around.well, around.friction
    for side in range(2):
        at, beside = ends[side]
        shield = corner.inboard_shield if side == 0 else corner.outboard_shield
        film, factor = 0.5 * (chain.now[at] + well), cooling.FACE_TURBULENCE * shield
        faces.convected[side] = _face(around.speed, corner.diameter, film, around.pressure, factor) * corner.face_area
        radiated = radiation_coefficient(corner.emissivity, faces.disc[side], well) * corner.face_area
        faces.to_air[side] = faces.convected[side] + radiated
        disc_half, pad_half, across = _halves(corner, cell, width, chain.now[at], friction)
        shared = across / (pad_half + across)
        whole = disc_half + faces.to_air[side] + shared * pad_half
        given = faces.to_air[side] * well + friction * (1 + shared)
        chain.links[min(at, beside)] = disc_half * shared * pad_half / whole
        chain.loss[at] += disc_half * faces.to_air[side] / whole
        chain.gain[at] += disc_half * given / whole
        chain.loss[beside] += pad_half * shared * faces.to_air[side] / whole
        chain.gain[beside] += pad_half * (friction / (pad_half + across) + shared * given / whole)


@compiled
def _settle(
    corner: Corner, ends: Any, cell: float, width: float, chain: _Chain, faces: _Surfaces, around: _Around, paths: Array
) -> None:
    """The surfaces after the step, and what they gave to the air over it."""
    for side in range(2):
        at, beside = ends[side]
        disc_half, pad_half, across = _halves(corner, cell, width, chain.before[at], around.friction)
        shared = across / (pad_half + across)
        whole = disc_half + faces.to_air[side] + shared * pad_half
        given = faces.to_air[side] * around.well + around.friction * (1 + shared)
        between = (disc_half * _middle(chain, at) + shared * pad_half * _middle(chain, beside) + given) / whole
        paths[FACES] += around.step * faces.convected[side] * (between - around.well)
        paths[RADIATION] += around.step * (faces.to_air[side] - faces.convected[side]) * (between - around.well)
        faces.disc[side] = (disc_half * chain.now[at] + shared * pad_half * chain.now[beside] + given) / whole
        into_pad = pad_half * chain.now[beside] + around.friction + across * faces.disc[side]
        faces.pad[side] = into_pad / (pad_half + across)


@compiled
def _advance(chain: _Chain, step: float) -> None:
    """One step of the chain: a tridiagonal system, by Thomas's algorithm."""
    last = len(chain.now) - 1
    chain.before[:] = chain.now
    for at in range(last + 1):
        left = chain.links[at - 1] if at > 0 else 0.0
        ahead = chain.links[at] if at < last else 0.0
        inertia, out = chain.capacity[at] / step, left + ahead + chain.loss[at]
        chain.lower[at], chain.upper[at] = -THETA * left, -THETA * ahead
        chain.diagonal[at] = inertia + THETA * out
        chain.right[at] = (inertia - (1 - THETA) * out) * chain.before[at] + chain.gain[at]
        if at > 0:
            chain.right[at] += (1 - THETA) * left * chain.before[at - 1]
        if at < last:
            chain.right[at] += (1 - THETA) * ahead * chain.before[at + 1]
    for at in range(1, last + 1):
        factor = chain.lower[at] / chain.diagonal[at - 1]
        chain.diagonal[at] -= factor * chain.upper[at - 1]
        chain.right[at] -= factor * chain.right[at - 1]
    chain.now[last] = chain.right[last] / chain.diagonal[last]
    for at in range(last - 1, -1, -1):
        chain.now[at] = (chain.right[at] - chain.upper[at] * chain.now[at + 1]) / chain.diagonal[at]


@compiled
def _follow(
    corner: Corner, ends: Any, chain: _Chain, faces: _Surfaces, around: _Around, slow: Array, blown: float, paths: Array
) -> Any:
    """The slow parts with what the chain gave them over the step; what they hold more by then, J.

    `blown` is the heat transfer of the caliper, W/(m²·K).
    """
    well, caliper, fluid, size = around.well, slow[CALIPER], slow[FLUID], len(chain.now)
    into = np.zeros(6)
    for side in range(2):
        plate, piston = _middle(chain, 0 if side == 0 else size - 1), slow[side]
        pressed, leans = _behind(corner, side)
        fitted = pressed / corner.plate_to_piston
        wetted = fitted * corner.piston_to_fluid * (piston - fluid)
        aside = fitted * corner.piston_to_caliper * (piston - caliper)
        into[side] = pressed * (plate - piston) - wetted - aside
        into[FLUID] += wetted
        edge = blown * PLATE_EDGE * (plate - well)
        # Part of what the disc has given to the air already comes to the caliper.
        disc, skin = chain.now[ends[side][0]], faces.disc[side]
        met = radiation_coefficient(1.0, disc, caliper) * SEEN * (disc - caliper) + blown * FANNED * (skin - caliper)
        into[CALIPER] += aside + leans * (plate - caliper) + met / 2
        paths[FACES] -= around.step * met / 2
        paths[BODY] += around.step * edge
    over = corner.fluid_to_caliper * (fluid - caliper)
    radiated = radiation_coefficient(CALIPER_EMISSIVITY, caliper, well)
    out = (blown + radiated) * corner.caliper_area * (caliper - well)
    up, on = CALIPER_TO_HUB * (caliper - slow[HUB]), BELL_TO_HUB * (slow[BELL] - slow[HUB])
    first, last = ends[0][0], ends[1][0]
    for at in range(first, last + 1):
        into[BELL] += corner.ring_to_bell / (last + 1 - first) * (_middle(chain, at) - slow[BELL])
    film = 0.5 * (slow[BELL] + well)
    bare = _face(around.speed, corner.diameter, film, around.pressure, 1.0) * BELL_AREA * (slow[BELL] - well)
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
    return around.step * into.sum()


@compiled
def _step(
    corner: Corner, ends: Any, cell: float, width: float, chain: _Chain, faces: _Surfaces, around: _Around, slow: Array,
    duct: float, paths: Array,
) -> Any:  # fmt: skip
    """One step of all; what all parts hold more by then, J."""
    first, last, size = ends[0][0], ends[1][0], len(chain.now)
    inner, well = (first + last) // 2, around.well
    chain.loss[:] = 0.0
    chain.gain[:] = 0.0
    _disc(corner, first, last, cell, chain)
    _rub(corner, ends, cell, width, chain, faces, around)
    taken = np.zeros(2)
    for side in range(2):
        at = inner + side
        taken[side] = _vanes(corner, around, 0.5 * (chain.now[at] + well), duct) / 2
        chain.loss[at] += taken[side]
        chain.gain[at] += taken[side] * well
    to_bell = corner.ring_to_bell / (last + 1 - first)
    for at in range(first, last + 1):
        chain.loss[at] += to_bell
        chain.gain[at] += to_bell * slow[BELL]
    blown = _caliper(around, slow[CALIPER])
    for side in range(2):
        at = 0 if side == 0 else size - 1
        pressed, leans = _behind(corner, side)
        chain.loss[at] += pressed + leans + blown * PLATE_EDGE
        chain.gain[at] += pressed * slow[side] + leans * slow[CALIPER] + blown * PLATE_EDGE * well
    _advance(chain, around.step)
    more = _follow(corner, ends, chain, faces, around, slow, blown, paths)
    _settle(corner, ends, cell, width, chain, faces, around, paths)
    for side in range(2):
        paths[VANES] += around.step * taken[side] * (_middle(chain, inner + side) - well)
        plate, pad = (0, 1) if side == 0 else (size - 1, size - 2)
        paths[PLATES] += around.step * chain.links[0] * (_middle(chain, pad) - _middle(chain, plate))
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
    chain = _Chain(np.full(size, start), np.full(size, start), w[0], w[1], w[2], w[3], w[4], w[5], w[6], w[7])
    faces = _Surfaces(np.full(2, start), np.full(2, start), np.zeros(2), np.zeros(2))
    slow, paths, stored = np.full(6, start), np.zeros(6), 0.0
    _fix_pads(corner, widths, chain)
    disc_surface, pad_surface, bulk = np.empty((samples, 2)), np.empty((samples, 2)), np.empty(samples)
    pad_mean, cells, slow_ones = np.zeros((samples, 2)), np.empty((samples, size)), np.empty((samples, 6))
    wet_face, held, gone = np.empty(samples), np.empty(samples), np.empty((samples, 6))
    for sample in range(samples):
        rise = chain.now[first : last + 1].mean() - ambient
        well = ambient + well_share(speed[sample]) * rise + corner.warmer
        around = _Around(power[sample] / 4, speed[sample], pressure, ambient, well, steps[sample])
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
