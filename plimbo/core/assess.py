"""One question, one call: everything the Chain shows about a setup of a car."""

from collections.abc import Sequence

from plimbo.core.answers import Assessment, WorstStates
from plimbo.core.assumptions import assumed
from plimbo.core.brakes.chain import Chain, foot_to_road
from plimbo.core.brakes.joints import Joint, joints
from plimbo.core.documents import Car, Setup, State
from plimbo.core.judging.anti_lock import Compared, anti_lock_check, compared, piston_matches
from plimbo.core.judging.findings import Level
from plimbo.core.judging.mends import judged, mends, trials
from plimbo.core.judging.screening import Conditions, Screen, screen
from plimbo.core.judging.verdicts import (
    Verdict,
    anti_lock_verdict,
    heat_verdict,
    leg_verdict,
    lock_order_verdict,
    travel_verdict,
)
from plimbo.core.road.demand import Demand, demand, lock_order
from plimbo.core.road.force_balance import force_balance
from plimbo.core.road.roads import roads_of
from plimbo.core.road.stops import Stops, stops
from plimbo.core.state_answer import chain_answer, state_answer
from plimbo.core.working import PLAIN, Inputs


def assess(car: Car, setup: Setup, states: Sequence[State] | None = None, *, with_working: bool = True) -> Assessment:
    """Judge a setup of a car over the states (the car's own where none are given).

    Raises `OutOfRange` where the inputs together are outside the model.
    """
    states = car.states if states is None else states
    names = tuple([state.name for state in states])
    roads = roads_of(car, states)
    demands: Sequence[Demand] = roads.demands
    chain = told = foot_to_road(car, setup, PLAIN)
    locks = [lock_order(road, chain.path) for road in demands]
    hardest = stops(car, chain, roads.stopping, roads.widths)
    pictures = [
        force_balance(curves, road, lock, chain.path)
        for curves, road, lock in zip(roads.curves, demands, locks, strict=True)
    ]
    take = Inputs(with_working)
    if with_working:  # the same again, and each number remembers how it came about
        told = foot_to_road(car, setup, take)
        demands = [demand(car, state, take) for state in states]
        locks = [lock_order(road, told.path) for road in demands]
    made = chain_answer(setup, told, take)
    answers = tuple(
        [
            state_answer(car, setup, state, index, made, road, lock, hardest, picture, take)
            for index, (state, road, lock, picture) in enumerate(zip(states, demands, locks, pictures, strict=True))
        ]
    )
    around = joints(setup)
    energies = tuple([answer.brake_energy for answer in answers])
    conditions = Conditions(car, names, roads.at_speed, energies, roads.limits)
    screened = screen(conditions, [setup])[0]
    bar, rows = setup.balance_bar, compared(car, setup)
    return Assessment(
        foot_force=chain.foot_force,
        rod_force=chain.rod_force,
        push=chain.push,
        bar_share=screened.bar_share,
        bar_turns=0.0 if setup.tandem_fitted else bar.offset / bar.thread_pitch,
        states=answers,
        worst=WorstStates(
            lock_order=screened.worst.name, push=screened.hardest.name, grip_used=screened.least_used.name
        ),
        verdicts=_verdicts(conditions, setup, chain, screened, around, hardest, rows),
        joints=around,
        anti_lock=anti_lock_check(rows, piston_matches(car, setup)),
        assumptions=(*assumed(car, "car"), *assumed(setup, "setup")),
    )


def _verdicts(
    conditions: Conditions,
    setup: Setup,
    chain: Chain,
    screened: Screen,
    around: Sequence[Joint],
    hardest: Stops,
    rows: tuple[Compared, ...],
) -> tuple[Verdict, ...]:
    car = conditions.car
    lost = {name: stop.lost for name, stop in zip(conditions.names, hardest.lengths, strict=True)}
    found: tuple[Verdict, ...] = (
        lock_order_verdict(screened, setup, lost),
        leg_verdict(screened, car),
        travel_verdict(screened),
        heat_verdict(screened),
    )
    if rows:
        found += (anti_lock_verdict(rows),)
    if all(verdict.level is Level.GOOD for verdict in found):
        return found
    now = judged(screened, car, rows)
    tried = trials(conditions, setup, chain, around, now)
    return tuple(
        verdict
        if verdict.level is Level.GOOD
        else verdict.model_copy(update={"mends": mends(verdict, now, tried, car)})
        for verdict in found
    )
