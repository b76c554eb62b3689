"""Reads off a run what the session did to the brakes."""

import math
from typing import NamedTuple

import numpy as np
import numpy.typing as npt

from plimbo.core.documents import Car, Setup, Surface
from plimbo.core.friction.pad_classes import PadClass, pad_class
from plimbo.core.quantities.axles import Axle
from plimbo.core.thermal.both_axles import BothAxlesRun
from plimbo.core.thermal.cell_row import CHEEK_CELLS, PAD_CELLS
from plimbo.core.thermal.damage import DISC_WEAR, STRENGTHS, crack_ratio, disc_wear, hole_factor, pad_wear
from plimbo.core.thermal.kernel import Trace
from plimbo.core.thermal.paths import FLUID, PATHS
from plimbo.core.thermal.readings import AxleReadings, Moment, SessionReadings
from plimbo.core.thermal.session_plan import RACE_STOP, RESTS, SLOWING
from plimbo.core.thermal.session_run import Phase, SessionRun
from plimbo.core.working.numbers import Array

Flags = npt.NDArray[np.bool_]

# Of the hardest braking, from which the balance counts.
HARD = 0.3
# Gravel's dust wears pads and discs so many times as fast. Plimbo's own figure.
DUST = 4.0


def fast_phases(run: SessionRun) -> list[Phase]:
    return [phase for phase in run.phases if phase.kind == "fast"]


def place_in(phase: Phase, sample: int) -> str:
    """Which corner of which lap a sample is at."""
    lap = phase_name(phase)
    if phase.lap is None or not phase.zones:
        return lap
    for place, (_, end) in enumerate(phase.zones):
        if sample <= end:
            return f"{phase.lap.zones[place].name}, {lap}"
    return f"after {phase.lap.zones[-1].name}, {lap}"


def phase_name(phase: Phase) -> str:
    """What a lap or a rest is called."""
    if phase.kind == "fast":
        return f"lap {phase.number}"
    names = {
        "out": "out-lap",
        "cool-down": "cool-down lap",
        "after": "lap after the stop",
        SLOWING: "slowing down",
    }
    name = names.get(phase.kind, phase.kind)
    return f"{name} {phase.number}" if phase.kind == "after" else name


def session_readings(run: SessionRun, car: Car, setup: Setup) -> SessionReadings:
    """Both axles of a session that was run."""
    front, rear = (_axle(run, car, setup, axle) for axle in (Axle.FRONT, Axle.REAR))
    fast, braked, speed = fast_phases(run), run.braked, run.run.speed
    inside = _inside(fast, len(speed))
    foot = np.where(inside, braked.foot, 0.0)
    hardest = int(foot.argmax())
    first = fast[0]
    forces = braked.forces[:, 0] + braked.forces[:, 1]
    hard = np.flatnonzero(inside & (forces > HARD * forces.max()))
    shares = braked.forces[hard, 0] / forces[hard]
    least = int(hard[shares.argmin()]) if len(hard) else 0
    ends, metres = _leg(run, fast)
    return SessionReadings(
        front,
        rear,
        Moment(float(foot[hardest]), place_in(_phase_at(run, hardest), hardest)),
        float(braked.foot[first.begin : first.end].max()),
        ends,
        metres,
        float((forces * speed).max()),
        Moment(float(shares.min()), place_in(_phase_at(run, least), least)) if len(hard) else Moment(math.nan, ""),
        float(shares.max()) if len(hard) else math.nan,
        float(run.run.steps[fast[-1].begin : fast[-1].end].sum()),
        float(run.run.steps[speed > 0].sum()),
    )


def _leg(run: SessionRun, fast: list[Phase]) -> tuple[str, float]:
    """Where the leg first ends, and by how many metres the worst stop is then longer."""
    first, worst = "", 0.0
    owed, way = run.braked.owed, run.run.speed * run.run.steps
    for phase in fast:
        for place, (begin, end) in enumerate(phase.zones):
            onward = phase.zones[place + 1][0] if place + 1 < len(phase.zones) else phase.end
            late = owed[begin:onward] > 0
            beyond = float(way[end + 1 : onward][owed[end + 1 : onward] > 0].sum())
            # Less than a metre is no fade.
            if late.any() and beyond > 1.0:
                first = first or place_in(phase, begin)
                worst = max(worst, beyond)
    return first, worst


def _inside(parts: list[Phase], count: int) -> Flags:
    inside = np.zeros(count, dtype=bool)
    for phase in parts:
        inside[phase.begin : phase.end] = True
    return inside


def _phase_at(run: SessionRun, sample: int) -> Phase:
    return next(phase for phase in run.phases if phase.begin <= sample < phase.end)


def _peak(run: SessionRun, values: Array, inside: Flags) -> Moment:
    at = int(np.where(inside, values, -np.inf).argmax())
    return Moment(float(values[at]), place_in(_phase_at(run, at), at))


def _low(run: SessionRun, values: Array, inside: Flags) -> Moment:
    at = int(np.where(inside, values, np.inf).argmin())
    return Moment(float(values[at]), place_in(_phase_at(run, at), at))


def of_both_sides(values: Array) -> Array:
    """Mean of inboard and outboard, sample by sample."""
    # Column by column: the library's own mean over two columns takes ten times as long.
    mean: Array = 0.5 * (values[:, 0] + values[:, 1])
    return mean


def trace_of(braked: BothAxlesRun, axle: Axle) -> Trace:
    return braked.front if axle is Axle.FRONT else braked.rear


def _axle(run: SessionRun, car: Car, setup: Setup, axle: Axle) -> AxleReadings:
    brake = setup.brake(axle)
    at = 0 if axle is Axle.FRONT else 1
    trace, corner, kind = trace_of(run.braked, axle), run.inputs.corners[at], pad_class(brake.pad)
    fast, steps = fast_phases(run), run.run.steps
    inside = _inside(fast, len(steps))
    # What is left of the warming up is not the lowest of the session: only its second half counts.
    settled = _inside(fast[len(fast) // 2 :], len(steps))
    surface = of_both_sides(trace.disc_surface)
    power = run.braked.forces[:, at] * run.run.speed * (1 - car.slip_share) / 2
    energy = np.where(inside, power * steps, 0.0)
    low, high = kind.low, kind.high
    total = max(1.0, float(energy.sum()))
    below, above = float(energy[surface < low].sum()) / total, float(energy[surface > high].sum()) / total
    late = np.where(settled, energy, 0.0)
    rise, stop_energy = _hardest_stop(run, trace, power, fast)
    peaks = [float(surface[phase.begin : phase.end].max()) for phase in fast]
    begins = fast[0].zones[0][0] if fast[0].zones else fast[0].begin
    disc = slice(1 + PAD_CELLS, 1 + PAD_CELLS + 2 * CHEEK_CELLS)
    apart = trace.row[:, disc] @ np.repeat([1.0 / CHEEK_CELLS, -1.0 / CHEEK_CELLS], CHEEK_CELLS)
    moving = np.asarray(run.run.speed > 0)
    gradient = np.maximum(*(np.abs(trace.disc_surface[:, side] - trace.bulk) for side in range(2)))
    steepest = _peak(run, gradient, inside & (power > 0)) if (inside & (power > 0)).any() else Moment(0.0, "")
    modulus, expansion, poisson, strength = STRENGTHS[brake.disc.material]
    ratio = float(crack_ratio(modulus, expansion, steepest.value, poisson, strength)) * hole_factor(brake.disc.holes)
    wear = _wear(run, trace, power, kind, setup, axle)
    friction = run.braked.frictions[:, at][inside & (power > 0)]
    return AxleReadings(
        window=(low, high),
        surface_peak=_peak(run, surface, inside),
        surface_low=_low(run, surface, settled),
        bulk_peak=_peak(run, trace.bulk, inside),
        bulk_low=_low(run, trace.bulk, settled),
        apart=float(apart[np.abs(np.where(inside, apart, 0.0)).argmax()]),
        below=below,
        below_settled=float(late[surface < low].sum()) / max(1.0, float(late.sum())),
        within=max(0.0, 1 - below - above),
        above=above,
        first_corner=Moment(float(surface[begins]), fast[0].lap.zones[0].name if fast[0].lap and fast[0].zones else ""),
        fades_in=next((place + 1 for place, peak in enumerate(peaks) if peak > high), None),
        stop_rise=rise,
        stop_energy=stop_energy,
        energy_per_area=stop_energy / (2 * corner.pad_area),
        power_per_area=float(np.where(inside, power, 0.0).max()) / (2 * corner.pad_area),
        fluid_running=_fluid(run, trace.slow[:, FLUID], moving),
        fluid_parked=_fluid(run, trace.slow[:, FLUID], ~moving),
        wet_running=_fluid(run, trace.wet_face, moving),
        wet_parked=_fluid(run, trace.wet_face, ~moving),
        crack=Moment(ratio, steepest.place),
        surface_to_bulk=steepest.value,
        **wear._asdict(),
        paths=_paths(trace, fast),
        frictions=(float(friction.min()), float(friction.max())) if len(friction) else (math.nan, math.nan),
    )


def _hardest_stop(run: SessionRun, trace: Trace, power: Array, fast: list[Phase]) -> tuple[Moment, float]:
    """The greatest rise of the ring in one braking of a fast lap, K, and the energy of the hardest into one disc, J."""
    worst, energy, steps = Moment(0.0, ""), 0.0, run.run.steps
    for phase in fast:
        for begin, end in phase.zones:
            rise = float(trace.bulk[end] - trace.bulk[max(0, begin - 1)])
            if rise > worst.value:
                worst = Moment(rise, place_in(phase, end))
            energy = max(energy, float(power[begin : end + 1] @ steps[begin : end + 1]))
    return worst, energy


def _fluid(run: SessionRun, values: Array, inside: Flags) -> Moment:
    """The hottest, by corner and lap, or by the minute of the rest."""
    if not inside.any():
        return Moment(math.nan, "")
    at = int(np.where(inside, values, -np.inf).argmax())
    phase = _phase_at(run, at)
    if phase.kind not in RESTS:
        return Moment(float(values[at]), place_in(phase, at))
    began = run.times[phase.begin - 1] if phase.begin else 0.0
    minutes = round((run.times[at] - began) / 60)
    if phase.kind == RACE_STOP:
        return Moment(float(values[at]), f"{minutes} min into the race stop" if minutes else "at the race stop")
    return Moment(float(values[at]), f"{minutes} min parked" if minutes else "just parked")


class _Wear(NamedTuple):
    """What goes from each pad and each face of the disc in the session, m; by sides, inboard first; the lining that is
    left to wear now, m; the sessions that pads and discs last.
    """

    pad_worn: float
    pad_worn_sides: tuple[float, float]
    pad_left: float
    pad_sets: float
    disc_worn: float
    disc_sets: float


def _wear(run: SessionRun, trace: Trace, power: Array, kind: PadClass, setup: Setup, axle: Axle) -> _Wear:
    pad, disc = setup.brake(axle).pad, setup.brake(axle).disc
    corner = run.inputs.corners[0 if axle is Axle.FRONT else 1]
    dust = DUST if run.inputs.session.track is Surface.GRAVEL else 1.0
    face = power * run.run.steps / 2 * dust

    def pad_gone(surface: Array) -> float:
        return float(np.sum(pad_wear.function(face, kind.wear, surface, kind.high))) / corner.pad_area

    inboard, outboard = (pad_gone(trace.pad_surface[:, side]) for side in range(2))
    worn = pad_gone(of_both_sides(trace.pad_surface))
    wears = DISC_WEAR[disc.material]
    surfaces = of_both_sides(trace.disc_surface)
    volumes = disc_wear.function(face, wears.rate, pad.disc_factor, surfaces, wears.grows_from, wears.step)
    gone = float(np.sum(volumes)) / corner.ring_area
    left = max(0.0, pad.thickness - pad.worn - pad.retired_at)
    stamped = disc.least_thickness
    to_wear = wears.usual_limit if stamped is None else (disc.thickness - stamped) / 2
    return _Wear(
        worn,
        (inboard, outboard),
        left,
        left / worn if worn > 0 else math.inf,
        gone,
        to_wear / gone if gone > 0 else math.inf,
    )


def _paths(trace: Trace, fast: list[Phase]) -> dict[str, float]:
    """Share of the heat of the fast laps by the way that it left the disc."""
    begin, end = fast[0].begin, fast[-1].end - 1
    before = trace.paths[begin - 1] if begin else np.zeros(len(PATHS))
    gone = trace.paths[end] - before
    # The last is what leaves the caliper: it came through the pads.
    out = gone[:-1]
    whole = max(1.0, float(out.sum()))
    return {name: float(phase) / whole for name, phase in zip(PATHS, out, strict=False)}
