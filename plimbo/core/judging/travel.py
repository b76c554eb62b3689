"""What the verdict on travel needs of many setups at once, at the hardest first lock of each over all states.

The same formulas as in `brakes.displacement` and `brakes.lost_circuit`, on arrays of shape (setups).
"""

from typing import Any, NamedTuple

import numpy as np

from plimbo.core import defaults
from plimbo.core.arrays import Array
from plimbo.core.brakes.many import Circuits, Many
from plimbo.core.formulas import travel
from plimbo.core.working import Axle


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


class _StrokeLaw(NamedTuple):
    """Stroke of a cylinder, m: at rest against the disc, each pascal more, and what air adds in the end."""

    rest: Any
    each: Any
    air: Any

    def at(self, pressure: Any) -> Any:
        stroke = self.rest + self.each * pressure
        return stroke if self.air is None else stroke + self.air * pressure / (pressure + travel.ATMOSPHERE)


def _laws(many: Many, circuits: Circuits, area: Any) -> tuple[_StrokeLaw, _StrokeLaw]:
    """How the stroke grows with pressure: as it is, and with pads that are due after knock-back."""
    acting = many.actuation
    gives = travel.caliper_volume(circuits.compliance, 1.0) + travel.hose_volume(circuits.swelling, circuits.hose, 1.0)
    gap = travel.gap_volume(circuits.piston_area, circuits.pad_gap)
    free = travel.knock_back_volume(circuits.piston_area, circuits.run_out)
    back = travel.held_back(free, circuits.knock_back_left)
    airy = bool(acting.air.any())
    contents = circuits.content(circuits.worn, area), circuits.content(circuits.worn_due, area)
    now, due = (
        _StrokeLaw(
            travel.stroke(rest, area, circuits.dead_stroke),
            (gives + travel.fluid_volume(held, 1.0, acting.modulus)) / area,
            held * acting.air / area if airy else None,
        )
        for held, rest in zip(contents, (gap, gap + back), strict=True)
    )
    return now, due


def travels(many: Many, front_forces: Array) -> list[TravelScreen]:
    """The pedal of each setup where its front makes these brake forces, N."""
    front, rear, acting = many.front, many.rear, many.actuation
    at_front, line, at_rear = many.pressures(front_forces)
    shares, tandem = (acting.front_share, acting.rear_share), acting.tandem > 0
    ratio, room = acting.ratio, acting.room

    (front_law, front_due), (rear_law, rear_due) = (
        _laws(many, circuits, area) for circuits, area in zip((front, rear), many.cylinder_areas, strict=True)
    )
    now, due = (front_law.at(at_front), rear_law.at(at_rear)), (front_due.at(at_front), rear_due.at(at_rear))
    tilt = np.where(tandem, 0.0, np.arctan((now[0] - now[1]) / acting.bar_length))
    left = front.stroke - due[0], rear.stroke - due[1]
    parts = left[0] / front.stroke, left[1] / rear.stroke
    over_front = (at_front > front.caliper_rating) | (at_front > front.cylinder_rating)
    over_rear = (at_rear > rear.caliper_rating) | (line > rear.cylinder_rating)

    # One circuit lost: the bar goes to its stops, or the empty cylinder to its bottom, before the other bites.
    light = defaults.LIGHT_BRAKING.value
    bites = front_law.at(light), rear_law.at(light)
    longest = []
    for good, other, share, other_share in ((0, rear, *shares), (1, front, *shares[::-1])):
        empty = np.where(tandem, other.stroke, np.minimum(other.stroke, bites[good] + acting.stop_reach))
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
