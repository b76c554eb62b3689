"""One question, one call: what the tyres allow over speed, what the setup makes of it, and one stop as asked."""

from collections.abc import Sequence

import numpy as np

from plimbo.core.answers import StopAnswer
from plimbo.core.arrays import Array
from plimbo.core.brakes.chain import Chain, foot_to_road
from plimbo.core.documents import Car, Setup, State
from plimbo.core.documents.fields import Result, answer
from plimbo.core.road.roads import roads_of
from plimbo.core.road.stops import Stops, nodes, stops, worked_stop
from plimbo.core.road.sweep import sweep
from plimbo.core.road.utilisation import MOST_RATE, Utilisation, utilisation, utilised_at
from plimbo.core.working import PLAIN, Inputs, Step, working

SPEEDS = 41


class StopSurvey(StopAnswer):
    """One stop between two speeds, and what takes its energy."""

    brake_work: float = answer("energy", "Taken by the brakes")
    drag_work: float = answer("energy", "Taken by drag")
    engine_work: float = answer("energy", "Taken by the engine")


class StateSurvey(Result):
    """One state over the speeds of the survey, m/s²; none where an axle never locks."""

    state: str
    limit: tuple[float, ...]
    made: tuple[float, ...]
    front_lock: tuple[float | None, ...]
    rear_lock: tuple[float | None, ...]
    stop: StopSurvey
    steps: tuple[Step, ...]
    headlines: dict[str, int]


class Survey(Result):
    """The road in every state; the utilisation in every load."""

    speeds: tuple[float, ...]
    from_speed: float = answer("speed", "Stop from")
    to_speed: float = answer("speed", "Stop down to")
    states: tuple[StateSurvey, ...]
    utilisations: tuple[Utilisation, ...]


def survey(car: Car, setup: Setup, states: Sequence[State] | None = None, *, with_working: bool = True) -> Survey:
    """Look at every state (the car's own where none are given) from standstill to top speed.

    Raises `OutOfRange` where the inputs together are outside the model.
    """
    states = car.states if states is None else states
    chain = foot_to_road(car, setup, PLAIN)
    roads = roads_of(car, states).demands
    trial = car.trial_stop
    grid = np.linspace(0.0, car.top_speed, SPEEDS)
    between, widths = nodes(trial.from_speed, trial.to_speed)
    swept = sweep(car, states, roads, np.concatenate([grid, between]))
    over_speed = stops(car, chain, swept.part(slice(SPEEDS)), np.ones(SPEEDS))
    made = stops(car, chain, swept.part(slice(SPEEDS, None)), widths)
    locks = [over_speed.swept.deceleration(force) for (force,) in over_speed.swept.lock_forces(chain.path)]
    take = Inputs(with_working)
    told = foot_to_road(car, setup, take) if with_working else chain
    looked = {load: utilised_at(car, load, told, MOST_RATE, take) for load in {state.load: None for state in states}}
    highest = float(over_speed.best.max())
    return Survey(
        speeds=tuple(grid.tolist()),
        from_speed=trial.from_speed,
        to_speed=trial.to_speed,
        states=tuple(
            StateSurvey(
                state=state.name,
                limit=tuple(over_speed.best[index].tolist()),
                made=tuple(over_speed.made[index].tolist()),
                front_lock=_finite(locks[0][index]),
                rear_lock=_finite(locks[1][index]),
                **_trial(car, state, index, told, made, looked[state.load], take),
            )
            for index, state in enumerate(states)
        ),
        utilisations=tuple(utilisation(car, load, chain, highest, of) for load, of in looked.items()),
    )


def _finite(row: Array) -> tuple[float | None, ...]:
    return tuple([number if np.isfinite(number) else None for number in row.tolist()])


def _trial(
    car: Car,
    state: State,
    index: int,
    chain: Chain,
    made: Stops,
    looked: tuple[float, float | None],
    take: Inputs,
) -> dict[str, object]:
    """The trial stop of one state, with the working of its numbers and of the utilisation of its load."""
    steps: tuple[Step, ...] = ()
    headlines: dict[str, int] = {}
    if take.with_working:
        speeds = take(car.trial_stop, "from_speed"), take(car.trial_stop, "to_speed")
        profiles = made.profile(index, made.made), made.profile(index, made.best)
        worked = worked_stop(car, state, chain, *profiles, *speeds, take)
        numbers = {f"stop.{name}": getattr(worked, name) for name in ("distance", "ideal", "lost", "time")}
        axles = {"front": looked[0], "rear": looked[1]}
        numbers |= {f"utilisation.{axle}_looked": value for axle, value in axles.items() if value is not None}
        steps, headlines = working(numbers)
    length = made.lengths[index]
    stop = StopSurvey(**{name: getattr(length, name) for name in StopSurvey.model_fields})
    return {"stop": stop, "steps": steps, "headlines": headlines}
