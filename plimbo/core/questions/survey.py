"""What do the tyres allow over speed, how much of it does the setup use, and how long is one given stop?"""

from collections.abc import Sequence

import numpy as np

from plimbo.core.braking.adhesion import MOST_RATE, AdhesionCurves, adhesion, utilised
from plimbo.core.braking.chain import Chain, foot_to_road
from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.force_path import rear_rest
from plimbo.core.braking.judged_states import judged_states
from plimbo.core.braking.lock_order import lock_order
from plimbo.core.braking.state_answer import StopAnswer
from plimbo.core.braking.stops import Stop, held_force, nodes, shortest_stop, stop_with, worked_stop
from plimbo.core.documents import Car, Setup, State
from plimbo.core.friction.torque import pressure_for_force
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.results import Result, answer
from plimbo.core.vehicle.loading import loaded_car
from plimbo.core.working.inputs import PLAIN, WORKED, Inputs
from plimbo.core.working.numbers import Array, Number, at_speeds, column, single
from plimbo.core.working.steps import Step, working

SPEEDS = 41


class StopSurvey(StopAnswer):
    """One stop between two speeds, and where its energy goes."""

    brake_work: float = answer("energy", "Taken by the brakes")
    drag_work: float = answer("energy", "Taken by drag")
    engine_work: float = answer("energy", "Taken by the engine")
    brake_share: float = answer("share", "Taken by the brakes, of all")
    drag_share: float = answer("share", "Taken by drag, of all")
    engine_share: float = answer("share", "Taken by the engine, of all")


class StateSurvey(Result):
    """One state over the speeds of the survey; a value is none where an axle never locks."""

    state: str
    limit: tuple[float, ...] = answer("deceleration", "The most the tyres can give")
    held: tuple[float, ...] = answer("deceleration", "At first lock, or at the driver's limit where that comes first")
    front_lock: tuple[float | None, ...] = answer("deceleration", "The front locks at")
    rear_lock: tuple[float | None, ...] = answer("deceleration", "The rear locks at")
    front_lock_pressure: tuple[float | None, ...] = answer("pressure", "Pressure at the front calipers when they lock")
    rear_lock_pressure: tuple[float | None, ...] = answer("pressure", "Pressure at the rear calipers when they lock")
    push_locks_under: float | None = answer(
        "speed", "Up to this speed the design effort locks a wheel; none where it never does"
    )
    stop: StopSurvey
    steps: tuple[Step, ...]
    headlines: dict[str, int]


class Survey(Result):
    """The road in every state; the adhesion utilised in every load."""

    speeds: tuple[float, ...] = answer("speed", "Speeds")
    from_speed: float = answer("speed", "Stop from")
    to_speed: float = answer("speed", "Stop down to")
    front_pressure: float = answer("pressure", "Pressure at the front calipers at the design effort")
    rear_pressure: float = answer("pressure", "Pressure at the rear calipers at the design effort")
    states: tuple[StateSurvey, ...]
    adhesion: tuple[AdhesionCurves, ...]


Adhesion = tuple[Number, Number]


def survey(
    car: Car, setup: Setup, states: Sequence[State] | State | None = None, *, with_working: bool = True
) -> Survey:
    """Evaluate these states (the car's own where none are given) from standstill to top speed.

    Raises `OutOfRange` where the inputs together are outside the model.
    """
    trial = car.trial_stop
    grid = np.linspace(0.0, car.top_speed, SPEEDS)
    between, widths = nodes(trial.from_speed, trial.to_speed)
    conditions = conditions_for(car, judged_states(car, setup, states))
    chain = foot_to_road(car, brake_system(setup, PLAIN), PLAIN)
    # Both ends of the stop too, since the model must be valid there.
    road = conditions.at(np.concatenate([grid, between, [trial.from_speed, trial.to_speed]]))
    over_speed, stopping = at_speeds(road, slice(SPEEDS)), at_speeds(road, slice(SPEEDS, -2))
    limit = over_speed.deceleration(over_speed.limit.brake_force)
    held = over_speed.deceleration(held_force(chain, car, over_speed))
    lock = lock_order(over_speed, chain.path)
    locks = [over_speed.deceleration(force) for force in (lock.front_force, lock.rear_force)]
    pressures = [
        _lock_pressure(chain, column(force), axle)
        for axle, force in zip(AXLES, (lock.front_force, lock.rear_force), strict=True)
    ]
    made, best = stop_with(stopping, widths, held_force(chain, car, stopping)), shortest_stop(stopping, widths)
    inputs = WORKED if with_working else PLAIN
    shown = foot_to_road(car, brake_system(setup, WORKED), WORKED) if with_working else chain
    at_top = {
        load: utilised(car, loaded_car(car, load, inputs), shown.path, MOST_RATE, inputs)
        for load in {state.load: None for state in conditions.states}
    }
    highest = float(limit.max())
    return Survey(
        speeds=tuple(grid.tolist()),
        from_speed=trial.from_speed,
        to_speed=trial.to_speed,
        front_pressure=chain.front.pressure,
        rear_pressure=chain.rear.pressure,
        states=tuple(
            StateSurvey(
                state=state.name,
                limit=tuple(limit[place].tolist()),
                held=tuple(held[place].tolist()),
                front_lock=_finite(locks[0][place]),
                rear_lock=_finite(locks[1][place]),
                front_lock_pressure=_finite(pressures[0][place]),
                rear_lock_pressure=_finite(pressures[1][place]),
                push_locks_under=_locks_under(grid, np.broadcast_to(lock.first_force, limit.shape)[place], chain),
                stop=_stop(made, best, place),
                **_worked(car, state, place, shown, (made, best), at_top[state.load], inputs),
            )
            for place, state in enumerate(conditions.states)
        ),
        adhesion=tuple(
            adhesion(car, load, loaded_car(car, load, PLAIN), chain.path, highest, of, PLAIN)
            for load, of in at_top.items()
        ),
    )


def _lock_pressure(chain: Chain, total: Array, axle: Axle) -> Array:
    """Pressure at an axle's calipers, Pa, when it locks: at a brake force of the whole car, N."""
    front = chain.path.front(np.where(np.isfinite(total), total, np.nan))
    made = chain.axle(axle)
    own = front if axle is Axle.FRONT else rear_rest(total, front)
    return column(pressure_for_force(made.pressure, own, made.brake_force))


def _locks_under(speeds: Array, first_lock: Array, chain: Chain) -> float | None:
    """The highest speed, m/s, at which the design effort makes more than first lock, N, over these speeds."""
    over = chain.total_force - first_lock
    locking = np.flatnonzero(over > 0)
    if not locking.size:
        return None
    last = int(locking[-1])
    if last == len(speeds) - 1:
        return float(speeds[-1])
    return float(np.interp(0.0, [over[last + 1], over[last]], [speeds[last + 1], speeds[last]]))


def _finite(row: Array) -> tuple[float | None, ...]:
    return tuple([number if np.isfinite(number) else None for number in row.tolist()])


def _stop(made: Stop, best: Stop, place: int) -> StopSurvey:
    held, ideal = made.length.at(place), best.length.at(place)
    works = {name: single(getattr(held, name)) for name in ("brake_work", "drag_work", "engine_work")}
    in_all = sum(works.values())
    return StopSurvey(
        distance=single(held.distance),
        ideal=single(ideal.distance),
        lost=single(held.distance - ideal.distance),
        time=single(held.time),
        ideal_time=single(ideal.time),
        **works,
        **{name.replace("work", "share"): work / in_all for name, work in works.items()},
    )


def _worked(
    car: Car, state: State, place: int, chain: Chain, stops: tuple[Stop, Stop], at_top: Adhesion, inputs: Inputs
) -> dict[str, object]:
    """The working of one state's stop, and of the adhesion utilised in its load."""
    if not inputs.with_working:
        return {"steps": (), "headlines": {}}
    speeds = inputs(car.trial_stop, "from_speed"), inputs(car.trial_stop, "to_speed")
    made, best = (stop.profile(place) for stop in stops)
    worked = worked_stop(car, state, chain, made, best, *speeds, inputs)
    numbers = {f"stop.{name}": getattr(worked, name) for name in ("distance", "ideal", "lost", "time")}
    numbers |= {f"adhesion.{axle}_at_top": needed for axle, needed in zip(("front", "rear"), at_top, strict=True)}
    steps, headlines = working(numbers)
    return {"steps": steps, "headlines": headlines}
