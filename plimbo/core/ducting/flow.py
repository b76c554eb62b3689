"""The air of a duct and of the vanes behind it, at several speeds at once.

The airstream and the rotating vanes each give a pressure head; the heads add, and together they drive the flow through
all losses. At the eye three flow paths meet: the duct, the vanes, and the gap that the seal leaves, where air leaves or
enters.
"""

from typing import NamedTuple

import numpy as np

from plimbo.core.documents import Aim
from plimbo.core.ducting import heads, losses
from plimbo.core.ducting.run import JETS, Piece, Run
from plimbo.core.working.numbers import Array, column, single

# Number of bisections: down to the precision of a float.
HALVINGS = 48


class Vanes(NamedTuple):
    """The disc's sizes for the airflow: radii of the ring, m, section of the passage, m², its flow coefficient, and the
    loaded radius of the tyre, m. A solid disc has no passage.
    """

    outer: float
    inner: float
    passage: float
    coefficient: float
    radius: float


class AirProperties(NamedTuple):
    """Density, kg/m³, and viscosity, Pa·s."""

    density: float
    viscosity: float


class Flows(NamedTuple):
    """At each speed, kg/s: through the duct of one wheel, the vanes, out of the gap at the eye (negative: in), to the
    caliper; Pa over the well: before the flange and in the eye; heads of the stream and of the vanes, Pa.
    """

    speeds: Array
    duct: Array
    vanes: Array
    leak: Array
    caliper: Array
    before_flange: Array
    eye: Array
    ram: Array
    pump: Array


def piece_loss(piece: Piece, flow: Array, air: AirProperties) -> Array:
    """Pressure loss, Pa, at the flow of one wheel, kg/s; its sign is that of the flow."""
    speed = column(losses.stream_speed.function(flow * piece.carries, air.density, piece.area))
    lost: Array = (
        np.sign(flow) * column(losses.stream_pressure.function(air.density, speed)) * coefficient(piece, speed, air)
    )
    return lost


def coefficient(piece: Piece, speed: Array, air: AirProperties) -> Array:
    """The loss coefficient of a piece at this speed in it, m/s."""
    if not piece.length:
        return np.full_like(speed, piece.constant)
    reynolds = np.maximum(1.0, air.density * np.abs(speed) * piece.bore / air.viscosity)
    friction = losses.hose_friction.function(reynolds, piece.roughness)
    return column(piece.constant + losses.hose_loss.function(friction, piece.length, 1.0))


def drawn_by_vanes(vanes: Vanes, air: AirProperties, speeds: Array) -> tuple[Array, Array]:
    """The head of the rotating vanes, Pa, and the flow that they draw without a duct, kg/s."""
    turning = heads.turning.function(speeds, vanes.radius)
    pump = column(heads.pump_head.function(air.density, turning, vanes.outer, vanes.inner))
    return pump, column(heads.passage_flow.function(vanes.passage, vanes.coefficient, air.density, pump))


def flows(run: Run, vanes: Vanes, air: AirProperties, speeds: Array) -> Flows:
    """The flows at these speeds, m/s."""
    pump, own = drawn_by_vanes(vanes, air, speeds)
    ram = column(heads.ram_head.function(heads.ram_pressure.function(air.density, speeds), run.pressure, run.well))
    if run.aim is not Aim.EYE or not vanes.passage:
        return _blown(run, own, pump, ram, air, speeds)
    gap = single(heads.gap_area.function(run.seal, heads.eye_area.function(vanes.inner)))

    def through(area: float, share: float, head: Array) -> Array:
        out: Array = np.sign(head) * heads.passage_flow.function(area, share, air.density, np.abs(head))
        return out

    def at(flow: Array) -> Flows:
        before = column(ram - sum(piece_loss(piece, flow, air) for piece in run.pieces))
        branch = _branch_flow(run, before, air)
        eye = before - piece_loss(run.flange, flow - branch, air)
        return Flows(
            speeds, flow, through(vanes.passage, vanes.coefficient, eye + pump),
            through(gap, heads.GAP_DISCHARGE, eye), branch, before, eye, ram, pump,
        )  # fmt: skip

    # More air through the duct leaves less pressure at the eye, so less flows on from there: there is exactly one
    # solution.
    most = _bound(run, air, ram, pump)
    low, high = -most, most
    for _ in range(HALVINGS):
        middle = 0.5 * (low + high)
        found = at(middle)
        over = middle - found.caliper > found.vanes + found.leak
        low, high = np.where(over, low, middle), np.where(over, middle, high)
    return at(0.5 * (low + high))


def _bound(run: Run, air: AirProperties, ram: Array, pump: Array) -> Array:
    """An upper bound of the flow, kg/s: from those losses alone that do not depend on the flow, such as the
    opening's.
    """
    resists = sum(piece.constant * (piece.carries / piece.area) ** 2 for piece in run.pieces)
    most: Array = np.sqrt(2 * air.density * (np.abs(ram) + pump + 1e-9) / resists)
    return most


def _branch_flow(run: Run, head: Array, air: AirProperties) -> Array:
    """Flow to the caliper under this pressure, kg/s."""
    if run.caliper is None:
        return np.zeros_like(head)
    # Its friction hardly changes with the flow, so that of a rough hose is used.
    friction = losses.hose_friction.function(2e4, run.caliper.roughness)
    resists = run.caliper.constant + friction * run.caliper.length
    out: Array = np.sign(head) * run.caliper.area * np.sqrt(2 * air.density * np.abs(head) / resists)
    return out


def _blown(run: Run, own: Array, pump: Array, ram: Array, air: AirProperties, speeds: Array) -> Flows:
    """A hose with an open end: the vanes draw their own air from the wheel well."""
    ends = (*run.pieces, run.flange)
    low, high = np.zeros_like(speeds), _bound(run, air, ram, pump)
    for _ in range(HALVINGS):
        middle = 0.5 * (low + high)
        over = sum(piece_loss(piece, middle, air) for piece in ends) > ram
        low, high = np.where(over, low, middle), np.where(over, middle, high)
    flow = 0.5 * (low + high)
    before = ram - sum(piece_loss(piece, flow, air) for piece in run.pieces)
    nothing = np.zeros_like(speeds)
    return Flows(
        speeds, flow + _branch_flow(run, before, air), own, nothing, _branch_flow(run, before, air), before, nothing,
        ram, pump,
    )  # fmt: skip


class CoolingAir(NamedTuple):
    """Inputs of a corner's network, each at its `SPEEDS`: the vanes' flow over the flow that they draw alone, the share
    of it at outside temperature, and the flow of the same hose at the eye over the flow that the vanes draw alone.

    `jet` is the share of the latter that remains where the hose blows at a face; `blown` the ratio of the air speed at
    the caliper to the car's speed. For a solid disc `solid_jet` is the cooling of a face by a jet, W/K for each m/s.
    """

    gains: tuple[float, ...]
    shares: tuple[float, ...]
    eye_gains: tuple[float, ...]
    jet: float
    blown: float
    solid_jet: float


# Between them the flows are proportional to the speed within 1 %.
SPEEDS = (10.0, 20.0, 30.0, 40.0, 50.0, 60.0, 70.0, 80.0)
NO_DUCT = CoolingAir((1.0,) * len(SPEEDS), (0.0,) * len(SPEEDS), (1.0,) * len(SPEEDS), 0.0, 1.0, 0.0)
# Share of the heat that a jet's air could carry which it takes from a face, as for a vented disc of usual size at its
# eye; and share of the jet's speed at a caliper. Plimbo's own figures.
SOLID_TAKES, CALIPER_MET = 0.02, 0.5


def cooling_air(run: Run, vanes: Vanes, air: AirProperties) -> CoolingAir:
    """The effect of a duct on the air of a corner."""
    speeds = np.array(SPEEDS)
    found = flows(run, vanes, air, speeds)
    jet, blown = JETS[run.aim], 1.0
    if run.caliper is not None:
        met = CALIPER_MET * np.mean(np.maximum(0.0, found.caliper) / (air.density * run.caliper.area * speeds))
        blown = float(np.hypot(1.0, 2 * met))
    if not vanes.passage:
        face = JETS[Aim.FACE] if run.aim is Aim.EYE else jet
        taken = float(np.mean((found.duct - found.caliper) / speeds)) * 1007.0 * SOLID_TAKES * face / JETS[Aim.FACE]
        return NO_DUCT._replace(blown=blown, solid_jet=taken)
    _, own = drawn_by_vanes(vanes, air, speeds)
    if run.aim is Aim.EYE:
        to_vanes = np.clip((found.duct - found.caliper) / np.maximum(1e-12, found.vanes), 0.0, 1.0)
        return CoolingAir(_as_floats(found.vanes / own), _as_floats(to_vanes), NO_DUCT.eye_gains, 0.0, blown, 0.0)
    fed = flows(run._replace(aim=Aim.EYE), vanes, air, speeds)
    return NO_DUCT._replace(eye_gains=_as_floats(fed.vanes / own), jet=jet, blown=blown)


def _as_floats(values: Array) -> tuple[float, ...]:
    return tuple(max(0.0, value) for value in values.tolist())
