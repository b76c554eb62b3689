"""What the verdict on travel needs of many setups at once, at the hardest first lock of each over all states.

The same formulas as in `brakes.displacement` and `brakes.lost_circuit`, on arrays of shape (setups).
"""

import math
from collections.abc import Sequence
from typing import Any, NamedTuple

import numpy as np

from plimbo.core import defaults
from plimbo.core.arrays import Array
from plimbo.core.brakes.chain import Chain, brake_of, cylinder_of
from plimbo.core.brakes.displacement import worn_out
from plimbo.core.brakes.path import PushLaw
from plimbo.core.documents import CaliperMounting, Retention, Setup
from plimbo.core.documents.hydraulics import HOSE_SWELLING
from plimbo.core.formulas import travel
from plimbo.core.working import AXLES, Axle

FIXED, NO_RETENTION = CaliperMounting.FIXED, Retention.NONE


class TravelScreen(NamedTuple):
    """Travel, m; `due` is with pads that are due and after knock-back; tilt of the bar, rad.

    `left` is what is then left of the stroke of the cylinder that is shortest of it, `left_part` its share.
    `over_rating` names the axle where something is pressed past its rating. `covers` is whether each circuit alone
    still makes the pressure of light braking before the pedal meets the floor.
    """

    pedal: float
    due: float
    room: float
    tilt: float
    left: float
    left_part: float
    shortest: Axle
    over_rating: Axle | None
    covers: bool


class _Circuit(NamedTuple):
    """One axle of every setup; numbers as in the documents, held as arrays."""

    piston_area: Any
    pad_gap: Any
    compliance: Any
    swelling: Any
    hose: Any
    pipe: Any
    bore: Any
    fixed: Any
    worn: Any
    worn_due: Any
    run_out: Any
    left: Any
    caliper_rating: Any
    cylinder_area: Any
    stroke: Any
    dead_stroke: Any
    efficiency: Any
    cylinder_rating: Any
    modulus: Any
    air: Any

    def content(self, worn: Any) -> Any:
        """Fluid under pressure, m³."""
        depth = defaults.PISTON_DEPTH.value
        behind: Any = np.where(
            self.fixed,
            travel.piston_content(self.piston_area, depth, worn),
            travel.sliding_content(self.piston_area, depth, worn),
        )
        lines = travel.line_content.function(self.bore, self.pipe, self.hose)
        return travel.content(lines, behind, self.cylinder_area, self.stroke)

    def laws(self) -> "tuple[_StrokeLaw, _StrokeLaw]":
        """How the stroke grows with pressure: as it is, and with pads that are due after knock-back."""
        gives = travel.caliper_volume(self.compliance, 1.0) + travel.hose_volume(self.swelling, self.hose, 1.0)
        gap = travel.gap_volume(self.piston_area, self.pad_gap)
        back = travel.held_back(travel.knock_back_volume(self.piston_area, self.run_out), self.left)
        airy = bool(self.air.any())
        now, due = (
            _StrokeLaw(
                travel.stroke(rest, self.cylinder_area, self.dead_stroke),
                (gives + travel.fluid_volume(held, 1.0, self.modulus)) / self.cylinder_area,
                held * self.air / self.cylinder_area if airy else None,
            )
            for held, rest in ((self.content(self.worn), gap), (self.content(self.worn_due), gap + back))
        )
        return now, due


class _StrokeLaw(NamedTuple):
    """Stroke of a cylinder, m: at rest against the disc, each pascal more, and what air adds in the end."""

    rest: Any
    each: Any
    air: Any

    def at(self, pressure: Any) -> Any:
        stroke = self.rest + self.each * pressure
        return stroke if self.air is None else stroke + self.air * pressure / (pressure + travel.ATMOSPHERE)


def _circuit(tried: Sequence[tuple[Setup, Chain]], axle: Axle) -> _Circuit:
    rows = []
    for setup, chain in tried:
        brake, cylinder, made = brake_of(setup, axle), cylinder_of(setup, axle), chain.axle(axle)
        caliper, lines = brake.caliper, brake.lines
        rows.append(
            (
                made.piston_area,
                caliper.pad_gap,
                caliper.compliance,
                HOSE_SWELLING[lines.hose],
                lines.hose_length,
                lines.pipe_length,
                lines.bore,
                caliper.mounting is FIXED,
                brake.pad.worn,
                worn_out(brake),
                brake.disc.run_out,
                1.0 if caliper.retention is NO_RETENTION else defaults.KNOCK_BACK_HELD.value,
                caliper.rating or math.inf,
                made.cylinder_area,
                cylinder.stroke,
                cylinder.dead_stroke,
                cylinder.efficiency,
                cylinder.rating or math.inf,
                setup.fluid.bulk_modulus,
                setup.fluid.air,
            )
        )
    return _Circuit(*np.array(rows, dtype=float).T)


def travels(tried: Sequence[tuple[Setup, Chain]], law: PushLaw, front_forces: Array) -> list[TravelScreen]:
    """The pedal of each setup where its front makes these brake forces, N; `law` has the shape (setups, 1)."""
    front, rear = (_circuit(tried, axle) for axle in AXLES)
    at = _Pressures(tried)
    at_front, line, at_rear = at.where_front_makes(front_forces)
    shares = at.shares
    tandem, length, reach, room = at.tandem, at.bar_length, at.reach, at.room
    ratio = np.asarray(law.ratio)[:, 0]

    (front_law, front_due), (rear_law, rear_due) = front.laws(), rear.laws()
    now, due = (front_law.at(at_front), rear_law.at(at_rear)), (front_due.at(at_front), rear_due.at(at_rear))
    tilt = np.where(tandem, 0.0, np.arctan((now[0] - now[1]) / length))
    left = front.stroke - due[0], rear.stroke - due[1]
    parts = left[0] / front.stroke, left[1] / rear.stroke
    over_front = (at_front > front.caliper_rating) | (at_front > front.cylinder_rating)
    over_rear = (at_rear > rear.caliper_rating) | (line > rear.cylinder_rating)

    # One circuit lost: the bar goes to its stops, or the empty cylinder to its bottom, before the other bites.
    light = defaults.LIGHT_BRAKING.value
    bites = front_law.at(light), rear_law.at(light)
    longest = []
    for good, other, share, other_share in ((0, rear, *shares), (1, front, *shares[::-1])):
        empty = np.where(tandem, other.stroke, np.minimum(other.stroke, bites[good] + reach))
        longest.append(ratio * (bites[good] * share + empty * other_share))

    columns = (
        ratio * (now[0] * shares[0] + now[1] * shares[1]),
        ratio * (due[0] * shares[0] + due[1] * shares[1]),
        room,
        tilt,
        np.where(parts[0] <= parts[1], *left),
        np.minimum(*parts),
        parts[0] <= parts[1],
        over_front,
        over_rear,
        np.maximum(*longest) <= room,
    )
    rows: Any = zip(*(column.tolist() for column in columns), strict=True)
    return [
        TravelScreen(
            pedal,
            due_pedal,
            most,
            tilted,
            left_over,
            part,
            Axle.FRONT if front_shortest else Axle.REAR,
            Axle.FRONT if over_at_front else Axle.REAR if over_at_rear else None,
            covers,
        )
        for pedal, due_pedal, most, tilted, left_over, part, front_shortest, over_at_front, over_at_rear, covers in rows
    ]


class _Pressures:
    """Levers and valves of every setup."""

    def __init__(self, tried: Sequence[tuple[Setup, Chain]]) -> None:
        rows = np.array(
            [
                (
                    chain.front.pressure / chain.front.brake_force,
                    chain.rear.line_pressure / chain.front.line_pressure,
                    setup.valve.true_knee if setup.valve.fitted else math.inf,
                    setup.valve.slope,
                    setup.tandem_fitted,
                    0.5 + setup.balance_bar.offset / setup.balance_bar.length,
                    setup.balance_bar.length,
                    setup.balance_bar.length * math.tan(setup.balance_bar.tilt_stop),
                    setup.pedal.room,
                )
                for setup, chain in tried
            ],
            dtype=float,
        ).T
        self.front_per_force, self.rear_per_front, self.knee, self.slope = rows[:4]
        self.tandem = rows[4] > 0
        bar = rows[5]
        self.shares = np.where(self.tandem, 1.0, bar), np.where(self.tandem, 1.0, 1 - bar)
        self.bar_length, self.reach, self.room = rows[6:]

    def behind_valve(self, line: Array) -> Array:
        """At the rear calipers, Pa."""
        knee = np.minimum(self.knee, line)
        found: Array = knee + self.slope * (line - knee)
        return found

    def where_front_makes(self, force: Array) -> tuple[Array, Array, Array]:
        """At the front calipers, the rear's cylinder and the rear calipers, Pa."""
        front = force * self.front_per_force
        line = front * self.rear_per_front
        return front, line, self.behind_valve(line)
