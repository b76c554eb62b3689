"""One circuit lost: what the other still makes, and how far the pedal goes first."""

import math
from typing import NamedTuple

from plimbo.core import defaults
from plimbo.core.brakes.chain import Chain, cylinder_of
from plimbo.core.brakes.displacement import axle_stroke, bar_shares
from plimbo.core.documents import Setup
from plimbo.core.formulas import actuation, friction, lost, travel, valve
from plimbo.core.working import Axle, Inputs


class LostCircuit(NamedTuple):
    """One axle brakes alone at a push of the foot: pressure, Pa, brake force of the axle, N, pedal travel, m.

    `stops_first` says whether the bar meets its stops before the empty cylinder is at its bottom; `tilt` is the bar's
    then, rad.
    """

    push: float
    pressure: float
    brake_force: float
    travel: float
    tilt: float
    stops_first: bool


def lost_circuit(setup: Setup, chain: Chain, left: Axle, take: Inputs, foot: float | None = None) -> LostCircuit:
    """The axle that is `left` brakes alone; `foot` is the push, N, by default the one at which road rules ask.

    A bar tilts freely until it meets its stops or the empty cylinder is at its bottom: on its stops all of the push
    goes to the good cylinder, with the empty one at its bottom the bar shares as it is set. An empty circuit of a
    tandem cylinder takes all its stroke.
    """
    reference = defaults.LOST_CIRCUIT_PUSH
    foot = (
        take.constant(reference.value, "F_foot", "Push that road rules ask", "force", reference.reason)
        if (foot is None)
        else foot
    )
    made, gone = chain.axle(left), Axle.REAR if left is Axle.FRONT else Axle.FRONT
    law = chain.law
    push = rod = actuation.rod_force(foot, law.ratio, law.efficiency)  # type: ignore[arg-type]
    if law.gain != 1:
        push = actuation.booster_output(rod, law.gain, law.run_out)  # type: ignore[arg-type]
    empty = take(cylinder_of(setup, gone), "stroke", gone)
    if setup.tandem_fitted:
        pressure = _pressure(setup, chain, push, left, take)
        stroke = axle_stroke(setup, chain, pressure, take, left).stroke
        rod_travel, tilt, stops_first = travel.tandem_travel(stroke, empty), 0.0, False
    else:
        shared = actuation.cylinder_force.at(left)(push, bar_shares(setup, take)[0 if left is Axle.FRONT else 1])
        pressure = _pressure(setup, chain, shared, left, take)
        stroke = axle_stroke(setup, chain, pressure, take, left).stroke
        bar = setup.balance_bar
        reach = lost.reach_of_stop(take(bar, "length"), take(bar, "tilt_stop"))
        stops_first = bool(empty - stroke > reach)
        if stops_first:
            pressure = _pressure(setup, chain, push, left, take)
            stroke = axle_stroke(setup, chain, pressure, take, left).stroke
        other = lost.empty_stroke.at(gone)(empty, stroke, reach)
        strokes = (stroke, other) if left is Axle.FRONT else (other, stroke)
        shares = bar_shares(setup, take)
        rod_travel = travel.bar_travel(strokes[0], shares[0], strokes[1], shares[1])
        tilt = math.atan((float(other) - float(stroke)) / bar.length)
    force = friction.force_at_pressure.at(left)(made.brake_force, pressure, made.pressure)
    return LostCircuit(foot, pressure, force, travel.pedal_travel(rod_travel, chain.ratio), tilt, stops_first)


def _pressure(setup: Setup, chain: Chain, push: float, axle: Axle, take: Inputs) -> float:
    """At the calipers, Pa, with this push on their cylinder."""
    cylinder = cylinder_of(setup, axle)
    line = actuation.line_pressure.at(axle)(push, take(cylinder, "efficiency", axle), chain.axle(axle).cylinder_area)
    if axle is Axle.FRONT or not setup.valve.fitted:
        return line
    knee, slope = take.number(setup.valve, "knee", setup.valve.true_knee), take(setup.valve, "slope")
    return valve.valve_output.at(axle)(line, knee, slope)
