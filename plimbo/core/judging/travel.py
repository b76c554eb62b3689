"""What the verdict on travel needs of many setups at once, at the hardest first lock of each over all states.

The same formulas as in `brakes.displacement` and `brakes.lost_circuit`, on arrays of shape (setup) or (axle, setup).
"""

from typing import Any, NamedTuple

import numpy as np

from plimbo.core import defaults
from plimbo.core.arrays import Array
from plimbo.core.brakes.many import Many
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
    """Stroke of a cylinder, m: at rest against the disc, each pascal more, and what air adds in the end.

    Shape (2, axle, setup): as it is, then with pads that are due after knock-back.
    """

    rest: Any
    each: Any
    air: Any

    def at(self, pressure: Any) -> Any:
        stroke = self.rest + self.each * pressure
        return stroke if self.air is None else stroke + self.air * pressure / (pressure + travel.ATMOSPHERE)


def _law(many: Many) -> _StrokeLaw:
    acting, circuits, area = many.actuation, many.circuits, many.areas
    gives = travel.caliper_volume(circuits.compliance, 1.0) + travel.hose_volume(circuits.swelling, circuits.hose, 1.0)
    gap = travel.gap_volume(circuits.piston_area, circuits.pad_gap)
    free = travel.knock_back_volume(circuits.piston_area, circuits.run_out)
    rest: Any = np.array((gap, gap + travel.held_back(free, circuits.knock_back_left)))
    held = circuits.content(np.array((circuits.worn, circuits.worn_due)), area)
    return _StrokeLaw(
        travel.stroke(rest, area, circuits.dead_stroke),
        (gives + travel.fluid_volume(held, 1.0, acting.modulus)) / area,
        held * acting.air / area if acting.air.any() else None,
    )


def travels(many: Many, front_forces: Array) -> list[TravelScreen]:
    """The pedal of each setup where its front makes these brake forces, N."""
    circuits, acting, shares = many.circuits, many.actuation, many.shares
    pressed, rear_line = many.pressed(front_forces)
    law, tandem = _law(many), acting.tandem > 0

    strokes = law.at(pressed)
    pedals = acting.ratio * (strokes * shares).sum(axis=1)
    now, due = strokes
    tilt = np.where(tandem, 0.0, np.arctan((now[0] - now[1]) / acting.bar_length))
    left = circuits.stroke - due
    parts = left / circuits.stroke
    front_shortest = parts[0] <= parts[1]
    lines = np.array((pressed[0], rear_line))
    over = (pressed > circuits.caliper_rating) | (lines > circuits.cylinder_rating)

    # One circuit lost: the bar goes to its stops, or the empty cylinder to its bottom, before the other bites.
    bites, stroke = law.at(defaults.LIGHT_BRAKING.value)[0], circuits.stroke[::-1]
    empty = np.where(tandem, stroke, np.minimum(stroke, bites + acting.stop_reach))
    longest = acting.ratio * (bites * shares + empty * shares[::-1]).max(axis=0)

    columns = (
        *pedals,
        acting.room,
        tilt,
        np.where(front_shortest, *left),
        parts.min(axis=0),
        front_shortest,
        *over,
        longest <= acting.room,
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
            Axle.FRONT if shortest else Axle.REAR,
            Axle.FRONT if over_at_front else Axle.REAR if over_at_rear else None,
            covers,
        )
        for pedal, due_pedal, most, tilted, left_over, part, shortest, over_at_front, over_at_rear, covers in rows
    ]
