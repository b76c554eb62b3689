"""How far the pedal goes: the fluid each circuit takes at a pressure, the strokes that give it, the tilt of the bar."""

from typing import NamedTuple

from plimbo.core import defaults
from plimbo.core.brakes.chain import Chain, brake_of, cylinder_of
from plimbo.core.documents import AxleBrake, CaliperMounting, Retention, Setup
from plimbo.core.documents.hydraulics import HOSE_SOURCE, HOSE_SWELLING
from plimbo.core.formulas import actuation, travel
from plimbo.core.working import AXLES, Axle, Inputs

PARTS = ("dead", "gap", "calipers", "hoses", "fluid", "air")


class AxleStroke(NamedTuple):
    """One axle's circuit at one pressure: fluid, m³, for each of its parts, and the stroke of its cylinder, m."""

    dead: float
    gap: float
    calipers: float
    hoses: float
    fluid: float
    air: float
    volume: float
    stroke: float
    cylinder_area: float


class PedalTravel(NamedTuple):
    """Both circuits; travel of the rod and the pedal, m; tilt of the bar, rad, 0 without one."""

    front: AxleStroke
    rear: AxleStroke
    rod: float
    pedal: float
    tilt: float

    def axle(self, axle: Axle) -> AxleStroke:
        return self.front if axle is Axle.FRONT else self.rear


def worn_out(brake: AxleBrake) -> float:
    """Wear of a pad when it is due, m."""
    return max(brake.pad.worn, brake.pad.thickness - defaults.LINING_LEAST.value)


def content(setup: Setup, chain: Chain, take: Inputs, axle: Axle, worn: float | None = None) -> float:
    """Fluid under pressure in an axle's circuit, m³; `worn` in place of what the pads have lost."""
    brake, made = brake_of(setup, axle), chain.axle(axle)
    lines = travel.line_content.at(axle)(
        take(brake.lines, "bore", axle), take(brake.lines, "pipe_length", axle), take(brake.lines, "hose_length", axle)
    )
    fixed = brake.caliper.mounting is CaliperMounting.FIXED
    behind = (travel.piston_content if fixed else travel.sliding_content).at(axle)(
        made.piston_area,
        take.constant(defaults.PISTON_DEPTH.value, "d_p", "Depth behind the pistons", "length", "Plimbo's own default"),
        take(brake.pad, "worn", axle) if worn is None else worn,
    )
    stroke = take(cylinder_of(setup, axle), "stroke", axle)
    return travel.content.at(axle)(lines, behind, made.cylinder_area, stroke)


def knock_back(setup: Setup, chain: Chain, take: Inputs, axle: Axle) -> float:
    """Fluid that the next push has to give after a corner, m³."""
    brake = brake_of(setup, axle)
    free = travel.knock_back_volume.at(axle)(chain.axle(axle).piston_area, take(brake.disc, "run_out", axle))
    if brake.caliper.retention is Retention.NONE:
        return free
    return travel.held_back.at(axle)(
        free, take.constant(defaults.KNOCK_BACK_HELD.value, "k_k", "Left of it", "share", "Plimbo's own default")
    )


def axle_stroke(
    setup: Setup, chain: Chain, pressure: float, take: Inputs, axle: Axle, *, worn: float | None = None
) -> AxleStroke:
    """One circuit at a pressure of its calipers, Pa."""
    brake, made = brake_of(setup, axle), chain.axle(axle)
    gap = travel.gap_volume.at(axle)(made.piston_area, take(brake.caliper, "pad_gap", axle))
    calipers = travel.caliper_volume.at(axle)(take(brake.caliper, "compliance", axle), pressure)
    kind = brake.lines.hose
    swelling = take.constant(
        HOSE_SWELLING[kind],
        "k_h",
        f"Swelling, {kind.value}, each metre",
        "swelling",
        HOSE_SOURCE,
    )
    hoses = travel.hose_volume.at(axle)(swelling, take(brake.lines, "hose_length", axle), pressure)
    held = content(setup, chain, take, axle, worn)
    fluid = travel.fluid_volume.at(axle)(held, pressure, take(setup.fluid, "bulk_modulus"))
    air = travel.air_volume.at(axle)(held, take(setup.fluid, "air"), pressure)
    volume = travel.moved_volume.at(axle)(gap, calipers, hoses, fluid, air)
    dead = take(cylinder_of(setup, axle), "dead_stroke", axle)
    stroke = travel.stroke.at(axle)(volume, made.cylinder_area, dead)
    return AxleStroke(dead * made.cylinder_area, gap, calipers, hoses, fluid, air, volume, stroke, made.cylinder_area)


def bar_shares(setup: Setup, take: Inputs) -> tuple[float, float]:
    """How the rod's travel is made of the two strokes: a tandem cylinder needs both, a bar weighs them."""
    if setup.tandem_fitted:
        return 1.0, 1.0
    bar = take(setup.balance_bar, "offset"), take(setup.balance_bar, "length")
    return actuation.bar_front_share.at(Axle.FRONT)(*bar), actuation.bar_rear_share.at(Axle.REAR)(*bar)


def joined(setup: Setup, chain: Chain, front: AxleStroke, rear: AxleStroke, take: Inputs) -> PedalTravel:
    """The pedal, from both strokes."""
    shares = bar_shares(setup, take)
    if setup.tandem_fitted:
        rod, tilt = travel.tandem_travel(front.stroke, rear.stroke), 0.0
    else:
        rod = travel.bar_travel(front.stroke, shares[0], rear.stroke, shares[1])
        tilt = travel.bar_tilt(front.stroke, rear.stroke, take(setup.balance_bar, "length"))
    return PedalTravel(front, rear, rod, travel.pedal_travel(rod, chain.ratio), tilt)


def pedal_travel(
    setup: Setup, chain: Chain, pressures: tuple[float, float], take: Inputs, *, worn: bool = False
) -> PedalTravel:
    """The pedal with these pressures at the front and the rear calipers, Pa; `worn`: with pads that are due."""
    front, rear = (
        axle_stroke(setup, chain, pressure, take, axle, worn=worn_out(brake_of(setup, axle)) if worn else None)
        for axle, pressure in zip(AXLES, pressures, strict=True)
    )
    return joined(setup, chain, front, rear, take)
