"""The numbers that travel is judged by: pedal, strokes, tilt, pressures, at the hardest first lock and the greatest
push.
"""

from typing import Any, NamedTuple

import numpy as np

from plimbo.core.braking.circuit_failure import pedal_of_stroke
from plimbo.core.braking.screening import Screening
from plimbo.core.friction.torque import pressure_for_force
from plimbo.core.hydraulics.brake_system import BrakeSystem
from plimbo.core.hydraulics.travel import axle_stroke, knock_back, pedal_travel_of_rod, rear_line, rod_of_strokes
from plimbo.core.hydraulics.valve import valve_output
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import Condition, Number, column, is_array, side_by_side

# Parts with a rating, in the order of their places.
RATED = ("front cylinder", "front caliper", "rear cylinder", "rear caliper")


class TravelNumbers(NamedTuple):
    """Travel, m; `due` is with pads that are due and after knock-back; tilt of the bar, rad.

    `left` is the stroke then left in the cylinder with less left (`front_shorter`), `left_part` its share. `covers` is
    whether each circuit alone still makes the pressure of light braking before the pedal meets the floor. At the
    driver's greatest push, N: `due_full` and `left_full` as `due` and the smallest share left; the part that comes
    nearest to its rating by its place in `RATED`, its pressure and its rating, Pa, infinite where no part has one, and
    the highest pressure at a part without a rating.
    """

    pedal: Number
    due: Number
    room: Number
    tilt: Number
    left: Number
    left_part: Number
    front_shorter: Condition
    covers: Condition
    push: Number
    due_full: Number
    left_full: Number
    rated: Number
    pressure: Number
    rating: Number
    unrated: Number


def travel_numbers(screening: Screening) -> TravelNumbers:
    """Of every setup screened, at its own hardest first lock."""
    system, chain, each = screening.system, screening.chain, screening.per_setup
    front, _line, rear = _pressures(
        screening, pressure_for_force(chain.front.pressure, screening.hardest_front, chain.front.brake_force)
    )
    push = screening.greatest_push
    at_push = chain.push_at(push.item() if screening.count == 1 else push[:, None, None])
    full = _pressures(screening, chain.front.pressure * (at_push / chain.push))
    now, due, touched, pushed = zip(
        *(
            _strokes(system, pressure, most, axle)
            for axle, pressure, most in zip(AXLES, (front, rear), (full[0], full[2]), strict=True)
        ),
        strict=True,
    )
    circuits = system.front, system.rear
    left = [each(circuit.cylinder.stroke - stroke) for circuit, stroke in zip(circuits, due, strict=True)]
    lengths = [each(circuit.cylinder.stroke) for circuit in circuits]
    parts = [part / length for part, length in zip(left, lengths, strict=True)]
    left_full = [1 - each(stroke) / length for stroke, length in zip(pushed, lengths, strict=True)]
    front_shorter = parts[0] <= parts[1]
    alone = [each(pedal_of_stroke(system, stroke, axle).pedal) for axle, stroke in zip(AXLES, touched, strict=True)]
    rod, tilt = rod_of_strokes(system, *now)
    room, ratio = each(system.pedal.room), system.pedal.ratio
    pressures = np.stack([each(one) for one in (full[0], full[0], full[1], full[2])])
    ratings = np.stack([each(part.rating) for circuit in circuits for part in (circuit.cylinder, circuit.caliper)])
    rated, setups = (pressures / ratings).argmax(axis=0), np.arange(screening.count)
    return TravelNumbers(
        pedal=each(pedal_travel_of_rod(rod, ratio)),
        due=each(pedal_travel_of_rod(rod_of_strokes(system, *due)[0], ratio)),
        room=room,
        tilt=each(tilt),
        left=np.where(front_shorter, *left),
        left_part=np.minimum(parts[0], parts[1]),
        front_shorter=front_shorter,
        covers=np.maximum(alone[0], alone[1]) <= room,
        push=push,
        due_full=each(pedal_travel_of_rod(rod_of_strokes(system, *pushed)[0], ratio)),
        left_full=np.minimum(left_full[0], left_full[1]),
        rated=rated,
        pressure=pressures[rated, setups],
        rating=ratings[rated, setups],
        unrated=np.where(np.isinf(ratings), pressures, 0.0).max(axis=0),
    )


def _pressures(screening: Screening, front: Number) -> tuple[Number, Number, Number]:
    """Pressure of both lines, Pa, and behind the valve, from the front's."""
    system, chain = screening.system, screening.chain
    line = rear_line(front, chain.rear.line_pressure, chain.front.line_pressure)
    return front, line, valve_output(line, *system.valve) if system.valve.works else line


def _strokes(system: BrakeSystem, pressure: Number, most: Number, axle: Axle) -> tuple[Number, Number, Number, Number]:
    """Strokes of one cylinder, m: at this pressure of its calipers, Pa, as it is, then with pads that are due after
    knock-back; at light braking; and at the most pressure, pads due.
    """
    circuit = system.circuit(axle)
    cases: Any = (
        (pressure, circuit.pad.worn),
        (pressure, circuit.pad.worn_out),
        (defaults.LIGHT_BRAKING.value, circuit.pad.worn),
        (most, circuit.pad.worn_out),
    )
    if is_array(pressure) or is_array(most):  # all side by side, shape (4, setup, 1, 1)
        cases = (tuple(side_by_side(*column) for column in zip(*cases, strict=True)),)
        ((pressures, worn),) = cases
        strokes = list(column(axle_stroke(system, pressures, PLAIN, axle, worn).stroke))
    else:
        strokes = [axle_stroke(system, at, PLAIN, axle, worn).stroke for at, worn in cases]
    now, due, touched, pushed = strokes
    back = knock_back(circuit, axle) / circuit.cylinder.area
    return now, due + back, touched, pushed
