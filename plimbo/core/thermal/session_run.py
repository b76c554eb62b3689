"""A session of a car on a circuit, driven lap by lap with the heat of both axles: what answers are read off.

Importing this takes a moment, as it is compiled code: only who simulates does.
"""

from collections.abc import Sequence
from datetime import date
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from plimbo.core.braking.chain import Chain
from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Circuit, LaidOutBy, Session, Setup, State, Track
from plimbo.core.ducting.flow import Air
from plimbo.core.ducting.sizes import check_ducts
from plimbo.core.friction.pad_classes import friction_over, window_of
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.quantities.axles import AXLES
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.thermal.both_axles import Braked, Pedal, brake_both
from plimbo.core.thermal.corner import Corner
from plimbo.core.thermal.corners import air_around, corner_for
from plimbo.core.thermal.drive import Drive, Stretch, drive, in_a_row, samples_of
from plimbo.core.thermal.fluid import FluidState, fluid_state
from plimbo.core.track.circuit_lap import DrivenLap, driven
from plimbo.core.track.lap import LapCar
from plimbo.core.vehicle import air
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import Array, column, single

OUT_PACE, COOL_PACE, SAFETY_CAR_PACE = 0.85, 0.70, 0.55
# Pushes of the foot at which its force is known, and temperatures at which friction is, from 250 K in steps of 10.
FEET, FIRST, APART, FRICTIONS = 41, 250.0, 10.0, 150
# Rolling resistance, a share of the weight.
ROLLING = {Track.GRAVEL: 0.05}
ROLLING_ON_TARMAC = 0.015


class Part(NamedTuple):
    """A lap or a rest of the session: what it is, the how manieth of its kind, its samples; its lap where it has one.

    `zones` are the first and last sample of each of the lap's braking zones.
    """

    kind: str
    number: int
    begin: int
    end: int
    lap: DrivenLap | None
    zones: tuple[tuple[int, int], ...]


class Stage(NamedTuple):
    """All that a run needs and that does not change from one to the next of the same car, setup and session.

    `efficiency` is the share of the tyres' grip that the brakes use as they are balanced, `ideal_share` the front's
    share of the brake force past which the front locks first; `windows` are the pads' of each axle, K.
    """

    session: Session
    lap_car: LapCar
    pedal: Pedal
    corners: tuple[Corner, Corner]
    fluid: FluidState
    efficiency: float
    ideal_share: float
    ambient: float
    pressure: float
    slip: float
    chain: Chain
    windows: tuple[tuple[float, float], tuple[float, float]]


class SessionRun(NamedTuple):
    """What was driven, and how hot it got; `times` are those after each sample, s."""

    stage: Stage
    run: Drive
    braked: Braked
    times: Array
    parts: tuple[Part, ...]


def stage_for(car: Car, setup: Setup, session: Session, today: date) -> Stage:
    """Raises `OutOfRange` where a lap cannot be worked out."""
    check_ducts(car, setup)
    if session.circuit.laid_out_by is LaidOutBy.CORNERS and car.power is None:
        raise OutOfRange(
            "car.power",
            "A lap of corners and straights needs the power at the wheels: give it, or type the braking zones.",
        )
    day = session.air(car.air)
    ambient = day.temperature
    pressure = float(air.standard_pressure(day.altitude))
    density = float(air.air_density(pressure, ambient))
    speed = 0.7 * car.top_speed
    state = State(name=session.name[:24], load=session.load, track=session.track, speed=speed, air_density=density)
    conditions = conditions_for(car, [state])
    screening = Screening(conditions, brake_system(setup, PLAIN))
    road = conditions.at_speed
    carried = float((column(road.front.load) + column(road.rear.load))[0, 0])
    friction = (float(column(road.limit.brake_force)[0, 0]) + single(road.engine)) / carried
    efficiency = float(screening.efficiency[0, 0])
    lap_car = LapCar(
        mass=float(column(road.car.mass)[0, 0]),
        power=car.power or 0.0,
        drag_area=car.drag_area,
        lift_area=car.front_lift_area + car.rear_lift_area,
        friction=friction,
        air_density=density,
        traction=car.traction_share,
        rotating=car.rotating_share,
        rolling=ROLLING.get(session.track, ROLLING_ON_TARMAC),
        engine_braking=car.engine_braking,
        braking=min(1.0, max(0.05, efficiency)),
    )
    corners = _corners(car, setup, session, air_around(pressure, ambient))
    return Stage(
        session, lap_car, pedal_of(car, setup, screening.chain), corners, fluid_state(setup.fluid, today),
        efficiency, float(column(road.limit.ideal_share)[0, 0]), ambient, pressure, car.slip_share, screening.chain,
        (window_of(setup.front.pad), window_of(setup.rear.pad)),
    )  # fmt: skip


def _corners(car: Car, setup: Setup, session: Session, day: Air) -> tuple[Corner, Corner]:
    front, rear = (
        corner_for(setup, axle, tyre.loaded_radius, day, session.tape(axle))
        for axle, tyre in zip(AXLES, (car.front_tyre, car.rear_tyre), strict=True)
    )
    return front, rear


def pedal_of(car: Car, setup: Setup, chain: Chain) -> Pedal:
    """What the foot makes as far as the leg goes, booster and valve in it; the friction of the pads over heat."""
    feet = np.linspace(0.0, car.driver.foot_force_limit, FEET)
    front, total = np.zeros(FEET), np.zeros(FEET)
    for place, foot in enumerate(feet[1:].tolist(), start=1):
        front[place] = chain.front_at(foot)
        total[place] = chain.force_at(foot)
    temperatures = FIRST + APART * np.arange(FRICTIONS)
    frictions = [friction_over(brake.pad, temperatures) for brake in (setup.front, setup.rear)]
    return Pedal(
        feet,
        front / float(chain.front.pad_friction),
        (total - front) / float(chain.rear.pad_friction),
        FIRST,
        APART,
        *frictions,
    )


@lru_cache(maxsize=256)
def _lap(circuit: Circuit, car: LapCar, pace: float) -> tuple[DrivenLap, Drive, tuple[tuple[int, int], ...]]:
    """A lap, its samples, and those of each braking zone."""
    made = driven(circuit, car, pace)
    run = samples_of(made.lap)
    way = np.cumsum(run.speed * run.steps)
    edges = [
        (int(np.searchsorted(way, one.begin + 0.02)), int(np.searchsorted(way, one.end - 0.02))) for one in made.zones
    ]
    return made, run, tuple((begin, min(end, len(way) - 1)) for begin, end in edges)


class _Planned(NamedTuple):
    kind: str
    pace: float = 0.0
    seconds: float = 0.0


def _plan(session: Session) -> list[_Planned]:
    """Laps and rests of a session, in their order."""
    fast, rest = _Planned("fast", session.pace), _Planned("parked", seconds=session.parked)
    if session.circuit.one_way:
        return [one for _ in range(session.fast_laps) for one in (fast, rest)]
    return [
        *[_Planned("out", OUT_PACE * session.pace)] * session.out_laps,
        *[fast] * session.fast_laps,
        *[_Planned("cool-down", COOL_PACE * session.pace)] * session.cool_down_laps,
        rest,
        *[_Planned("after", session.pace)] * session.laps_after,
    ]


def run_session(stage: Stage) -> SessionRun:
    """The whole session, from cold."""
    return _run(stage, _plan(stage.session))


def run_to_the_grid(stage: Stage, wait: float) -> SessionRun:
    """The way to the grid, a wait there, s, and on to the first corner."""
    pace = stage.session.pace
    before = [] if stage.session.circuit.one_way else [_Planned("out", OUT_PACE * pace)]
    return _run(stage, [*before, _Planned("parked", seconds=wait), _Planned("fast", pace)], to_first_corner=True)


def run_behind_the_safety_car(stage: Stage, laps: int) -> SessionRun:
    """A few fast laps, some behind the safety car, and on to the first corner after them."""
    pace = stage.session.pace
    slow = _Planned("cool-down", min(pace, SAFETY_CAR_PACE))
    out, fast = _Planned("out", OUT_PACE * pace), _Planned("fast", pace)
    return _run(stage, [out, fast, fast, fast, *[slow] * laps, fast], to_first_corner=True)


def _run(stage: Stage, plan: Sequence[_Planned], *, to_first_corner: bool = False) -> SessionRun:
    """The plan as it is; with `to_first_corner` its last lap ends where it first brakes."""
    session = stage.session
    drives, parts, begin, counts = list[Drive](), list[Part](), 0, dict[str, int]()
    for kind, pace, seconds in plan:
        if kind == "parked" and not seconds:
            continue
        made: DrivenLap | None = None
        zones: tuple[tuple[int, int], ...] = ()
        if kind == "parked":
            run = drive([Stretch(seconds, 0.0, 0.0)])
        else:
            made, run, zones = _lap(session.circuit, stage.lap_car, round(pace, 6))
        counts[kind] = counts.get(kind, 0) + 1
        moved = tuple((begin + first, begin + last) for first, last in zones)
        parts.append(Part(kind, counts[kind], begin, begin + len(run.steps), made, moved))
        drives.append(run)
        begin += len(run.steps)
    whole = in_a_row(drives)
    if to_first_corner and parts[-1].zones:
        ends = parts[-1].zones[0][0] + 1
        whole = Drive(whole.power[:ends], whole.speed[:ends], whole.steps[:ends], whole.ends)
    braked = brake_both(
        *stage.corners, stage.pedal, whole,
        slip=stage.slip, air=1 - session.traffic, ambient=stage.ambient, pressure=stage.pressure,
    )  # fmt: skip
    return SessionRun(stage, whole, braked, np.cumsum(whole.steps), tuple(parts))
