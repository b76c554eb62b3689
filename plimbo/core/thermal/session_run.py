"""A session of a car on a circuit, simulated lap by lap with the heat of both axles. The answers are read from it.

Importing this is slow, since it loads compiled code: only simulations import it.
"""

import math
from collections import Counter
from collections.abc import Sequence
from datetime import date
from functools import cache, lru_cache, partial
from typing import NamedTuple

import numpy as np

from plimbo.core.braking.chain import Chain
from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.screening import Screening
from plimbo.core.circuits.circuit_lap import CircuitLap, run_circuit
from plimbo.core.circuits.lap import LapCar
from plimbo.core.documents import Car, Circuit, LaidOutBy, Session, Setup, State, Surface
from plimbo.core.ducting.flow import AirProperties
from plimbo.core.ducting.sizes import check_ducts
from plimbo.core.friction.pad_classes import friction_over, window_of
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.quantities.axles import AXLES
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.thermal.both_axles import BothAxlesRun, PedalCurves, brake_both
from plimbo.core.thermal.corner import Corner
from plimbo.core.thermal.corners import air_around, corner_for
from plimbo.core.thermal.fluid import FluidState, fluid_state
from plimbo.core.thermal.power_profile import (
    PowerProfile,
    PowerSegment,
    joined,
    power_profile,
    profile_of_lap,
    samples_at_least,
)
from plimbo.core.thermal.session_plan import (
    OUT_PACE,
    PARKED,
    RESTS,
    SAFETY_CAR_PACE,
    SLOWING,
    Planned,
    coming_to_rest,
    session_plan,
    slowing_lap,
)
from plimbo.core.vehicle import air
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import Array, column, single

# Number of pushes at which the force is tabulated; temperatures at which friction is tabulated: from 250 K in steps of
# 10.
FEET, FIRST, APART, FRICTIONS = 41, 250.0, 10.0, 150
# Most samples of a session: with both axles a sample takes some 800 bytes. Two hundred laps of a minute need as many.
# A longer circuit is refused before its lap is calculated, m; laps of this length are not kept in the cache, m.
MOST_SAMPLES, MOST_LENGTH, CACHED_LENGTH = 150_000, 100e3, 20e3
# Rolling resistance, a share of the weight.
ROLLING = {Surface.GRAVEL: 0.05}
ROLLING_ON_TARMAC = 0.015


# The field that says how many laps of a kind there are.
LAPS_OF = {"out": "out_laps", "fast": "fast_laps", "cool-down": "cool_down_laps", "after": "laps_after"}


class Phase(NamedTuple):
    """A lap or a rest of the session: its kind, its number among phases of its kind, its samples, and its lap if it has
    one.

    `zones` are the first and last sample of each of the lap's braking zones.
    """

    kind: str
    number: int
    begin: int
    end: int
    lap: CircuitLap | None
    zones: tuple[tuple[int, int], ...]


class RunInputs(NamedTuple):
    """All inputs of a run that stay the same for one car, setup and session.

    `efficiency` is the share of the tyres' grip that the brakes use as they are balanced, `ideal_share` the front's
    share of the brake force past which the front locks first; `windows` are the pads' of each axle, K.
    """

    session: Session
    lap_car: LapCar
    pedal: PedalCurves
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
    """A simulated session: what was driven and the temperatures; `times` are those at the end of each sample, s."""

    inputs: RunInputs
    run: PowerProfile
    braked: BothAxlesRun
    times: Array
    phases: tuple[Phase, ...]


def run_inputs(car: Car, setup: Setup, session: Session, today: date) -> RunInputs:
    """Raises `OutOfRange` where a lap cannot be calculated, or where the session is too long to be simulated."""
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
    _refuse_too_long(session, lap_car)
    corners = _corners(car, setup, session, air_around(pressure, ambient))
    return RunInputs(
        session, lap_car, pedal_curves(car, setup, screening.chain), corners, fluid_state(setup.fluid, today),
        efficiency, float(column(road.limit.ideal_share)[0, 0]), ambient, pressure, car.slip_share, screening.chain,
        (window_of(setup.front.pad), window_of(setup.rear.pad)),
    )  # fmt: skip


def _corners(car: Car, setup: Setup, session: Session, day: AirProperties) -> tuple[Corner, Corner]:
    front, rear = (
        corner_for(setup, axle, tyre.loaded_radius, day, session.tape(axle))
        for axle, tyre in zip(AXLES, (car.front_tyre, car.rear_tyre), strict=True)
    )
    return front, rear


def pedal_curves(car: Car, setup: Setup, chain: Chain) -> PedalCurves:
    """Brake force over the push up to the limit of the leg, with booster and valve; and pad friction over
    temperature.
    """
    feet = np.linspace(0.0, car.driver.foot_force_limit, FEET)
    front, total = np.zeros(FEET), np.zeros(FEET)
    for place, foot in enumerate(feet[1:].tolist(), start=1):
        front[place] = chain.front_at(foot)
        total[place] = chain.force_at(foot)
    temperatures = FIRST + APART * np.arange(FRICTIONS)
    frictions = [friction_over(brake.pad, temperatures) for brake in (setup.front, setup.rear)]
    return PedalCurves(
        feet,
        front / float(chain.front.pad_friction),
        (total - front) / float(chain.rear.pad_friction),
        FIRST,
        APART,
        *frictions,
    )


def _length(circuit: Circuit) -> float:
    """Of a lap, m."""
    if circuit.laid_out_by is LaidOutBy.ZONES:
        return sum(zone.run + zone.distance for zone in circuit.zones)
    return sum(section.length for section in circuit.sections)


def _refuse_too_long(session: Session, car: LapCar) -> None:
    """Before anything is simulated: a session of a few kilobytes could ask for all of the machine's memory."""
    if _length(session.circuit) > MOST_LENGTH:
        raise OutOfRange(
            "session.circuit",
            "The race circuit is too long to be simulated: at most {limit} a lap.",
            (MOST_LENGTH, "distance"),
        )
    samples, laps = dict[str, int](), dict[str, int]()
    for phase, count in Counter(session_plan(session)).items():
        # After each run of a hill or a stage the car stands: that is part of the run here.
        kind = "fast" if session.circuit.one_way else phase.kind
        samples[kind] = samples.get(kind, 0) + count * len(_profile(session.circuit, car, phase).steps)
        laps[kind] = max(laps.get(kind, 0), count)
    over = sum(samples.values()) - MOST_SAMPLES
    if over <= 0:
        return
    kind = max((one for one in samples if one in LAPS_OF), key=samples.__getitem__)
    possible = laps[kind] - math.ceil(over * laps[kind] / samples[kind])
    if possible < (kind == "fast"):
        raise OutOfRange("session.circuit", "The laps are too long for one session: shorten the race circuit.")
    field = LAPS_OF[kind]
    what = "runs" if session.circuit.one_way else field.replace("out_laps", "out-laps").replace("_", " ")
    raise OutOfRange(f"session.{field}", f"Too many {what} to be simulated in one session: at most {possible}.")


def _profile(circuit: Circuit, car: LapCar, phase: Planned) -> PowerProfile:
    """Of one lap or one rest."""
    if phase.kind in RESTS:
        return power_profile([PowerSegment(phase.seconds, 0.0, 0.0)])
    made, run, _ = _lap(circuit, car, round(phase.pace, 6))
    return profile_of_lap(slowing_lap(car, float(made.lap.at_nodes[-1]))) if phase.kind == SLOWING else run


def _lap(circuit: Circuit, car: LapCar, pace: float) -> tuple[CircuitLap, PowerProfile, tuple[tuple[int, int], ...]]:
    """A lap, its samples, and the samples of each braking zone; laps of usual length are cached.

    Raises `OutOfRange` where a single lap is too long to be simulated.
    """
    return (_cached_lap if _length(circuit) <= CACHED_LENGTH else _new_lap)(circuit, car, pace)


def _new_lap(
    circuit: Circuit, car: LapCar, pace: float
) -> tuple[CircuitLap, PowerProfile, tuple[tuple[int, int], ...]]:
    made = run_circuit(circuit, car, pace)
    if samples_at_least(made.lap) > MOST_SAMPLES:
        raise OutOfRange(
            "session.circuit",
            "A single lap is too long to be simulated: make the race circuit shorter, or the session faster.",
        )
    run = profile_of_lap(made.lap)
    way = np.cumsum(run.speed * run.steps)
    edges = [
        (int(np.searchsorted(way, one.begin + 0.02)), int(np.searchsorted(way, one.end - 0.02))) for one in made.zones
    ]
    return made, run, tuple((begin, min(end, len(way) - 1)) for begin, end in edges)


_cached_lap = lru_cache(maxsize=256)(_new_lap)


def run_session(inputs: RunInputs) -> SessionRun:
    """The whole session, starting cold."""
    return _run(inputs, session_plan(inputs.session))


def run_to_the_grid(inputs: RunInputs, wait: float) -> SessionRun:
    """The way to the grid, a wait there, s, and on to the first corner."""
    pace = inputs.session.pace
    before = [] if inputs.session.circuit.one_way else [Planned("out", OUT_PACE * pace)]
    plan = coming_to_rest([*before, Planned(PARKED, seconds=wait), Planned("fast", pace)])
    return _run(inputs, plan, to_first_corner=True)


def run_behind_the_safety_car(inputs: RunInputs, laps: int) -> SessionRun:
    """A few fast laps, some behind the safety car, and on to the first corner after them."""
    pace = inputs.session.pace
    slow = Planned("cool-down", min(pace, SAFETY_CAR_PACE))
    out, fast = Planned("out", OUT_PACE * pace), Planned("fast", pace)
    return _run(inputs, [out, fast, fast, fast, *[slow] * laps, fast], to_first_corner=True)


def _run(inputs: RunInputs, plan: Sequence[Planned], *, to_first_corner: bool = False) -> SessionRun:
    """Runs the plan; with `to_first_corner` its last lap ends at its first braking."""
    session = inputs.session
    profiles, parts, begin, counts = list[PowerProfile](), list[Phase](), 0, dict[str, int]()
    lap = cache(partial(_lap, session.circuit, inputs.lap_car))
    between = cache(partial(_profile, session.circuit, inputs.lap_car))
    for planned in plan:
        kind = planned.kind
        made: CircuitLap | None = None
        zones: tuple[tuple[int, int], ...] = ()
        if kind in RESTS or kind == SLOWING:
            run = between(planned)
        else:
            made, run, zones = lap(round(planned.pace, 6))
        counts[kind] = counts.get(kind, 0) + 1
        moved = tuple((begin + first, begin + last) for first, last in zones)
        parts.append(Phase(kind, counts[kind], begin, begin + len(run.steps), made, moved))
        profiles.append(run)
        begin += len(run.steps)
    whole = joined(profiles)
    if to_first_corner and parts[-1].zones:
        ends = parts[-1].zones[0][0] + 1
        whole = PowerProfile(whole.power[:ends], whole.speed[:ends], whole.steps[:ends], whole.ends)
    braked = brake_both(
        *inputs.corners, inputs.pedal, whole,
        slip=inputs.slip, air=1 - session.traffic, ambient=inputs.ambient, pressure=inputs.pressure,
    )  # fmt: skip
    return SessionRun(inputs, whole, braked, np.cumsum(whole.steps), tuple(parts))
