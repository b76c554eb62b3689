"""Builds the answer about a session from its run."""

import math
from collections.abc import Iterator, Sequence

import numpy as np

from plimbo.core.circuits.circuit_lap import LapZone
from plimbo.core.documents import AxleBrake, Car, Setup
from plimbo.core.friction.disc import disc_sizes
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.thermal.caliper_conductances import PISTON_LENGTH
from plimbo.core.thermal.corner import FLUID_DEPTH, PLATE
from plimbo.core.thermal.fluid import boiling_point
from plimbo.core.thermal.kernel import Trace
from plimbo.core.thermal.paths import CALIPER, FLUID
from plimbo.core.thermal.readings import Moment
from plimbo.core.thermal.session_answers import (
    AxleHeat,
    AxleSeries,
    CornerCrossSection,
    FastLap,
    FluidAnswer,
    PlacedTemperature,
    SessionHeat,
    SessionPhase,
    ZoneHeat,
)
from plimbo.core.thermal.session_plan import PARKED
from plimbo.core.thermal.session_readings import fast_phases, of_both_sides, phase_name, trace_of
from plimbo.core.thermal.session_run import Phase, SessionRun, run_behind_the_safety_car, run_session
from plimbo.core.verdicts.session_heat.judging import JudgedSession, first_corner
from plimbo.core.verdicts.session_heat.steps import session_working
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import Array, column

# Points of the series, apart from the edges of braking; laps behind the safety car; cool-down laps that are tried.
POINTS, SLOW_LAPS, COOL_DOWNS = 240, 3, 3
# Finer than 0.1 K is never shown.
DIGITS = 1


def session_heat(found: JudgedSession, car: Car, setup: Setup, *, with_working: bool) -> SessionHeat:
    """The whole answer about a session."""
    run, readings = found.run, found.readings
    at = _points(run)
    slow = first_corner(run_behind_the_safety_car(found.inputs, SLOW_LAPS))
    front, rear = (_axle(found, setup, axle, place, slow[place][0]) for place, axle in enumerate(AXLES))
    wets = [float(np.nanmax(trace_of(run.braked, axle).wet_face)) for axle in AXLES]
    hotter = trace_of(run.braked, AXLES[int(wets[1] > wets[0])])
    surface = np.maximum(*(of_both_sides(trace_of(run.braked, axle).disc_surface) for axle in AXLES))
    steps, headlines = session_working(found, setup) if with_working else ((), {})
    return SessionHeat(
        session=found.judged.session.name,
        front=front,
        rear=rear,
        fluid=_fluid(found),
        push=readings.push.value,
        push_place=readings.push.place,
        first_push=readings.first_push,
        leg_ends=readings.leg_ends,
        metres=readings.metres,
        brake_power=readings.brake_power,
        engine_power=car.power,
        front_share_least=_known(readings.front_share_least.value),
        front_share_most=_known(readings.front_share_most),
        grip_used=min(1.0, found.inputs.efficiency),
        driven=readings.driven,
        times_an_event=found.judged.session.times_an_event,
        lap_time=readings.lap_time,
        cool_down_needed=_cool_downs(found),
        ambient=found.inputs.ambient,
        times=_rounded(run.times[at], 2),
        front_series=_series(run, Axle.FRONT, at),
        rear_series=_series(run, Axle.REAR, at),
        front_section=_section(setup.front),
        rear_section=_section(setup.rear),
        parts=tuple(
            SessionPhase(
                kind=phase.kind,
                name=phase_name(phase),
                begin=float(run.times[phase.begin - 1]) if phase.begin else 0.0,
                end=float(run.times[phase.end - 1]),
            )
            for phase in run.phases
        ),
        corners=tuple(_corners(run, car)),
        strip=_strip(run),
        worst_fluid_time=float(run.times[int(hotter.wet_face.argmax())]),
        hottest_time=float(run.times[int(surface.argmax())]),
        steps=steps,
        headlines=headlines,
    )


def _rounded(values: Array, digits: int = DIGITS) -> tuple[float, ...]:
    return tuple(np.round(values, digits).tolist())


def _known(value: float) -> float | None:
    return value if math.isfinite(value) else None


def _placed(moment: Moment) -> PlacedTemperature:
    return PlacedTemperature(value=_known(moment.value), place=moment.place)


def _axle(found: JudgedSession, setup: Setup, axle: Axle, place: int, slow: Moment) -> AxleHeat:
    own = found.readings.axle(axle)
    values = {name: _placed(value) if isinstance(value, Moment) else value for name, value in own._asdict().items()}
    grid, bite = found.judged.grid[place]
    brake = setup.brake(axle)
    low, high = own.window
    return AxleHeat.model_validate(
        values
        | {
            "low": low,
            "high": high,
            "from_grid": _placed(grid),
            "grid_bite": bite,
            "after_safety_car": _placed(slow),
            "stop_rise": own.stop_rise.value,
            "stop_place": own.stop_rise.place,
            "crack": own.crack.value,
            "crack_place": own.crack.place,
            "pad_worn_inboard": own.pad_worn_sides[0],
            "pad_worn_outboard": own.pad_worn_sides[1],
            "pad_sets": _known(own.pad_sets),
            "disc_sets": _known(own.disc_sets),
            "ring_mass": float(disc_sizes(brake.disc, PLAIN, axle).ring_mass),
        }
    )


def _fluid(found: JudgedSession) -> FluidAnswer:
    own = found.inputs.fluid
    water = np.linspace(0.0, 0.06, 25)
    return FluidAnswer(
        dry=own.dry,
        wet=own.wet,
        water=own.water,
        boils=own.boils,
        known_by=own.known_by,
        curve_water=_rounded(water, 4),
        curve_boils=_rounded(column(boiling_point.function(own.dry, own.wet, water))),
    )


def _points(run: SessionRun) -> Array:
    """The samples of the series: evenly over time, with the edges of braking and of every phase."""
    evenly = np.searchsorted(run.times, np.linspace(0.0, float(run.times[-1]), POINTS))
    edges = [edge for phase in run.phases for zone in phase.zones for edge in (max(0, zone[0] - 1), zone[1])]
    # Past a few hundred corners the edges alone would fill the screen.
    edges = edges[:: 1 + len(edges) // 800]
    parts = [phase.end - 1 for phase in run.phases]
    return np.unique(np.minimum(np.concatenate([[0], evenly, edges, parts]).astype(int), len(run.times) - 1))


def _series(run: SessionRun, axle: Axle, at: Array) -> AxleSeries:
    trace: Trace = trace_of(run.braked, axle)
    size = trace.row.shape[1]
    inner = size // 2

    def sides(values: Array) -> tuple[tuple[float, ...], ...]:
        return _rounded(values[:, 0]), _rounded(values[:, 1])

    return AxleSeries(
        surface=_rounded(of_both_sides(trace.disc_surface[at])),
        bulk=_rounded(trace.bulk[at]),
        faces=sides(trace.disc_surface[at]),
        cores=sides(trace.row[at][:, [inner - 1, inner]]),
        pad_faces=sides(trace.pad_surface[at]),
        pads=sides(trace.pad_mean[at]),
        # As far below the mean as the face is above it: the temperature across the lining is nearly linear.
        pad_backs=sides(2 * trace.pad_mean[at] - trace.pad_surface[at]),
        plates=sides(trace.row[at][:, [0, size - 1]]),
        pistons=sides(trace.slow[at][:, :2]),
        caliper=_rounded(trace.slow[at, CALIPER]),
        fluid=_rounded(trace.slow[at, FLUID]),
        wet=_rounded(trace.wet_face[at]),
        friction=_rounded(run.braked.frictions[at, AXLES.index(axle)], 3),
    )


def _section(brake: AxleBrake) -> CornerCrossSection:
    return CornerCrossSection(
        gap=brake.disc.vane_gap,
        cheek=(brake.disc.thickness - brake.disc.vane_gap) / 2,
        lining=brake.pad.thickness - brake.pad.worn,
        plate=PLATE,
        piston=PISTON_LENGTH,
        fluid=FLUID_DEPTH,
        ring_height=brake.disc.ring_height,
        pad_height=brake.pad.height,
        bore=max(brake.caliper.pistons),
    )


def _corners(run: SessionRun, car: Car) -> Iterator[ZoneHeat]:
    zones = [
        (place, *zone)
        for place, phase in enumerate(run.phases)
        for zone in zip(_zones(phase), phase.zones, strict=True)
    ]
    if not zones:
        return
    edges = np.array([(begin, end + 1) for *_, (begin, end) in zones]).ravel()

    def over_zones(reduce: np.ufunc, values: Array) -> list[float]:
        # The reduction also gives values between two zones; those are left out.
        found: list[float] = reduce.reduceat(np.append(values, 0.0), edges)[::2].tolist()
        return found

    work = run.run.speed * run.run.steps * (1 - car.slip_share) / 2
    energies = [over_zones(np.add, run.braked.forces[:, place] * work) for place in range(2)]
    surfaces = [of_both_sides(trace_of(run.braked, axle).disc_surface) for axle in AXLES]
    peaks, feet = [over_zones(np.maximum, surface) for surface in surfaces], over_zones(np.maximum, run.braked.foot)
    for number, (place, zone, (begin, _)) in enumerate(zones):
        before = max(0, begin - 1)
        yield ZoneHeat(
            lap=phase_name(run.phases[place]),
            part=place,
            name=zone.name,
            time=float(run.times[before]),
            from_speed=zone.from_speed,
            to_speed=zone.to_speed,
            foot=feet[number],
            front_energy=energies[0][number],
            rear_energy=energies[1][number],
            front_in=float(surfaces[0][before]),
            front_out=peaks[0][number],
            rear_in=float(surfaces[1][before]),
            rear_out=peaks[1][number],
        )


def _zones(phase: Phase) -> Sequence[LapZone]:
    return phase.lap.zones if phase.lap else ()


def _strip(run: SessionRun) -> FastLap:
    phase = fast_phases(run)[0]
    assert phase.lap is not None
    lap, bends = phase.lap.lap, phase.lap.bends
    thin = max(1, len(lap.lengths) // 400)
    way = np.concatenate([[0.0], np.cumsum(lap.lengths)])
    return FastLap(
        distances=_rounded(way[::thin]),
        speeds=_rounded(lap.at_nodes[::thin], 2),
        radii=tuple(round(1 / bend, 1) if bend else None for bend in np.append(bends, 0.0)[::thin].tolist()),
        zone_begins=tuple(round(zone.begin, 1) for zone in phase.lap.zones),
        zone_ends=tuple(round(zone.end, 1) for zone in phase.lap.zones),
        names=tuple(zone.name for zone in phase.lap.zones),
        lap_time=lap.time,
    )


def _cool_downs(found: JudgedSession) -> int | None:
    """The cool-down laps after which nothing boils when parked: those of the session, or the smallest number that is
    enough.
    """
    session, boils = found.judged.session, found.inputs.fluid.boils

    def quiet(run: SessionRun) -> bool:
        rests = [slice(phase.begin, phase.end) for phase in run.phases if phase.kind == PARKED]
        return all(float(trace_of(run.braked, axle).wet_face[rest].max()) < boils for axle in AXLES for rest in rests)

    if quiet(found.run):
        return session.cool_down_laps
    if session.circuit.one_way:
        return None
    for laps in range(session.cool_down_laps + 1, session.cool_down_laps + 1 + COOL_DOWNS):
        longer = session.model_copy(update={"cool_down_laps": laps})
        if quiet(run_session(found.inputs._replace(session=longer))):
            return laps
    return None
