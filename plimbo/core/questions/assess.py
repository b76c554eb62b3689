"""Is this setup right for this car? Loads, needs against has, lock order, stops and the verdicts."""

from collections.abc import Sequence

import numpy as np
from pydantic import Field

from plimbo.core.braking.chain import foot_to_road
from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.force_balance import force_balances
from plimbo.core.braking.judged_states import judged_states, speed_path
from plimbo.core.braking.lock_order import Lock, lock_order
from plimbo.core.braking.screening import Screening
from plimbo.core.braking.state_answer import (
    SHARES,
    Has,
    Numbers,
    StateAnswer,
    chain_numbers,
    rows_of,
    state_answer,
    state_numbers,
)
from plimbo.core.braking.stop_heat import energy_of_stop
from plimbo.core.braking.stops import worked_stop
from plimbo.core.documents import Car, Setup, State
from plimbo.core.ducting.sizes import check_ducts
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.quantities.assumptions import assumed
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.results import Result, answer
from plimbo.core.search.trials import judged
from plimbo.core.stepping.joints import Joint, joints
from plimbo.core.vehicle.tyre_capacity import condition_of, tyre_capacity
from plimbo.core.verdicts.anti_lock import ANTI_LOCK, AntiLockCheck, anti_lock_check
from plimbo.core.verdicts.matter import Verdict
from plimbo.core.verdicts.registry import matters_of
from plimbo.core.working.inputs import PLAIN, WORKED
from plimbo.core.working.numbers import column
from plimbo.core.working.steps import working


class WorstStates(Result):
    """The deciding state of each matter, by name."""

    lock_order: str = Field(title="The rear comes nearest to locking first, or does by most")
    push: str = Field(title="The hardest push at first lock")
    grip_used: str = Field(title="The least of its grip used")


class Assessment(Result):
    """A setup of a car, judged over all its states."""

    foot_force: float = answer("force", "Design effort")
    pedal_ratio: float = answer("ratio", "Pedal ratio that counts, typed or measured")
    rod_force: float = answer("force", "Push of the pedal's rod")
    push: float = answer("force", "Push on the bar or the tandem cylinder, behind a booster")
    bar_share: float = answer("share", "Bearing off centre, share of the half bar; 0 without a bar")
    bar_turns: float = answer("turns", "Adjuster turns off centre, plus toward the front")
    states: tuple[StateAnswer, ...]
    worst: WorstStates
    verdicts: tuple[Verdict, ...]
    joints: tuple[Joint, ...]
    anti_lock: AntiLockCheck | None = Field(description="Where the car keeps its stock anti-lock system.")
    assumptions: tuple[str, ...] = Field(description="Paths of the assumed values that nobody has confirmed.")


def assess(
    car: Car,
    setup: Setup,
    states: Sequence[State] | State | None = None,
    *,
    with_working: bool = True,
) -> Assessment:
    """Judge a setup of a car over these states, or a single one (the car's own where none are given).

    Advice is a separate question, `find_mends`. Raises `OutOfRange` where the inputs together are outside the model.
    """
    check_ducts(car, setup)
    conditions = conditions_for(car, judged_states(car, setup, states))
    screening = Screening(conditions, brake_system(setup, PLAIN))
    answer = _assess(setup, screening)
    if not with_working:
        return answer
    worked = []
    for place, state in enumerate(answer.states):
        steps, headlines = working(_worked_numbers(setup, state.state, place, screening))
        worked.append(state.model_copy(update={"steps": steps, "headlines": headlines}))
    return answer.model_copy(update={"states": tuple(worked)})


def _assess(setup: Setup, screening: Screening) -> Assessment:
    conditions = screening.conditions
    car = conditions.car
    chain, bar = screening.chain, setup.balance_bar
    chosen = chain_numbers(setup, chain, PLAIN)
    has = {
        axle: Has.model_validate({name: chosen[f"{axle}.has.{name}"] for name in Has.model_fields}) for axle in AXLES
    }
    lock, limit = Lock(*(column(part)[0] for part in screening.lock)), conditions.at_speed.limit
    numbers = {name: chosen[name] for name in SHARES} | state_numbers(
        car, chain, conditions.at_speed, lock, _stops(screening), conditions.energies, PLAIN
    )
    keys = tuple(numbers)
    answers = [
        state_answer(
            state,
            keys,
            row,
            has,
            first=Axle.REAR if rear_first else Axle.FRONT,
            rear_lifts=rear_lifts,
            force_balance=picture,
        )
        for state, row, rear_first, rear_lifts, picture in zip(
            conditions.states,
            rows_of(numbers, len(conditions.states)),
            lock.rear_first[:, 0].tolist(),
            np.asarray(limit.rear_lifts)[:, 0].tolist(),
            force_balances(conditions.curves, column(limit.brake_force), lock, chain.path),
            strict=True,
        )
    ]
    around, names = joints(setup), conditions.names
    matters = matters_of(car, setup)
    now = judged(screening, matters)
    return Assessment(
        foot_force=chain.foot_force,
        pedal_ratio=screening.system.pedal.ratio,
        rod_force=chain.rod_force,
        push=chain.push,
        bar_share=0.0 if setup.tandem_fitted else bar.share_of_half(bar.offset),
        bar_turns=0.0 if setup.tandem_fitted else bar.turns(bar.offset),
        states=tuple(answers),
        worst=WorstStates(
            lock_order=names[screening.spare[0].argmin()],
            push=names[screening.foot_force[0].argmax()],
            grip_used=names[screening.efficiency[0].argmin()],
        ),
        verdicts=tuple([matter.verdict(screening, setup, now[matter.key]) for matter in matters]),
        joints=around,
        anti_lock=anti_lock_check(car, setup, now[ANTI_LOCK.key].numbers()) if ANTI_LOCK.key in now else None,
        assumptions=(*conditions.assumptions, *assumed(setup, "setup")),
    )


def _stops(screening: Screening) -> Numbers:
    """The hardest stop of every state: m and s."""
    held, best = screening.stop.length, screening.conditions.shortest.length
    return {
        "distance": held.distance,
        "ideal": best.distance,
        "lost": held.distance - best.distance,
        "time": held.time,
        "ideal_time": best.time,
    }


def _worked_numbers(setup: Setup, state: State, place: int, screening: Screening) -> Numbers:
    """The numbers of one state once more, each with its working."""
    conditions = screening.conditions
    car = conditions.car
    chain = foot_to_road(car, brake_system(setup, WORKED), WORKED)
    road = tyre_capacity(
        car, condition_of(car, state, WORKED), WORKED, (state.name,), lambda *_: speed_path(car, state)
    )
    speeds = WORKED(car, "top_speed"), WORKED(car, "stop_to_speed")
    profiles = screening.stop.profile(place), conditions.shortest.profile(place)
    worked = worked_stop(car, state, chain, *profiles, *speeds, WORKED)
    stop = {"distance": worked.distance, "ideal": worked.ideal, "lost": worked.lost, "time": worked.time}
    energy = energy_of_stop(car, road, worked.ideal, worked.drag_work, WORKED)
    return chain_numbers(setup, chain, WORKED) | state_numbers(
        car, chain, road, lock_order(road, chain.path), stop, energy, WORKED
    )
