"""A setup's few decisive numbers over all states, and how they are judged: fast, for trying many sizes."""

from collections.abc import Sequence
from enum import StrEnum
from typing import NamedTuple

import numpy as np

from plimbo.core import defaults
from plimbo.core.arrays import Array
from plimbo.core.brakes.chain import Chain
from plimbo.core.brakes.disc_heat import DiscStop, HeatSink, heat_of_stop, heat_sink
from plimbo.core.documents import Car, Setup
from plimbo.core.road.sweep import Sweep
from plimbo.core.working import PLAIN, Axle


class Level(StrEnum):
    GOOD = "good"
    WATCH = "watch"
    BAD = "bad"


SEVERITY = {Level.GOOD: 0, Level.WATCH: 1, Level.BAD: 2}


class Finding(NamedTuple):
    """How a matter stands: its level and the word for it."""

    level: Level
    word: str


REAR_FIRST = Finding(Level.BAD, "Rear locks first")
FRONT_FIRST_JUST = Finding(Level.WATCH, "Front first, just")
TOO_MUCH_FRONT = Finding(Level.WATCH, "Too much front")
FRONT_FIRST = Finding(Level.GOOD, "Front locks first")
TOO_HEAVY = Finding(Level.BAD, "Too heavy")
HEAVY = Finding(Level.WATCH, "Heavy")
VERY_LIGHT = Finding(Level.WATCH, "Very light")
LEG_HOLDS = Finding(Level.GOOD, "Leg holds")
DISC_TOO_LIGHT = Finding(Level.BAD, "Disc too light")
DISC_NEAR_LIMIT = Finding(Level.WATCH, "Disc near its limit")
DISCS_SOAK_IT_UP = Finding(Level.GOOD, "Discs soak it up")


class StateScreen(NamedTuple):
    """What the verdicts need of one state: decelerations m/s², foot force N."""

    name: str
    front_lock: float
    rear_lock: float
    efficiency: float
    foot_force: float
    rear_first_in_tolerance: bool

    @property
    def rear_first(self) -> bool:
        return self.rear_lock < self.front_lock

    @property
    def spare(self) -> float:
        """How much later the rear would lock than the front, m/s²; minus infinity where the front never locks."""
        return self.rear_lock - self.front_lock

    @property
    def first_lock(self) -> float:
        return min(self.front_lock, self.rear_lock)


class Screen(NamedTuple):
    """What the verdicts need of a setup, over all states; `hottest` names the state whose stop heats the discs most."""

    states: tuple[StateScreen, ...]
    hottest: str
    front_disc: DiscStop
    rear_disc: DiscStop
    chain: Chain

    @property
    def worst(self) -> StateScreen:
        """The state in which the rear comes nearest to locking first, or does by most."""
        return min(self.states, key=lambda row: row.spare)

    @property
    def hardest(self) -> StateScreen:
        """The state that asks for the hardest push."""
        return max(self.states, key=lambda row: row.foot_force)

    @property
    def least_used(self) -> StateScreen:
        """The state in which the least of the grip is used."""
        return min(self.states, key=lambda row: row.efficiency)

    @property
    def hardest_push(self) -> float:
        return self.hardest.foot_force

    @property
    def lightest_push(self) -> float:
        return min(row.foot_force for row in self.states)

    @property
    def hotter(self) -> tuple[Axle, DiscStop]:
        """The end whose disc comes nearer to what its material takes."""
        front_hotter = self.front_disc.share_of_limit >= self.rear_disc.share_of_limit
        return (Axle.FRONT, self.front_disc) if front_hotter else (Axle.REAR, self.rear_disc)


class Conditions(NamedTuple):
    """What all setups of a car are screened against: its states at their own speeds and their hardest stops, J."""

    car: Car
    names: tuple[str, ...]
    at_speed: Sweep
    energies: tuple[float, ...]


def screen(conditions: Conditions, tried: Sequence[tuple[Setup, Chain]]) -> list[Screen]:
    """The few decisive numbers of each setup, from its chain: all setups in all states at once."""
    # As they are, then with the rear pads biting more: both in one go.
    share = np.array(
        [chain.force_share for _, chain in tried] + [_share_in_tolerance(setup, chain) for setup, chain in tried]
    )
    push = np.array([chain.foot_force / chain.total_force for _, chain in tried])
    (at_front, weaker_front), (at_rear, weaker_rear) = (
        np.split(locks, 2) for locks in _locks(conditions.at_speed, share)
    )
    first = np.minimum(at_front, at_rear)
    mass, engine, drag, limit = (
        part[:, 0]
        for part in (
            conditions.at_speed.mass,
            conditions.at_speed.engine,
            conditions.at_speed.drag,
            conditions.at_speed.limit,
        )
    )
    columns = (
        (at_front + engine + drag) / mass,
        (at_rear + engine + drag) / mass,
        (first + engine) / limit,
        first * push[:, None],
        weaker_rear < weaker_front,
    )
    rows = zip(*(part.tolist() for part in columns), strict=True)
    energy = max(conditions.energies)
    hottest = conditions.names[conditions.energies.index(energy)]
    # Most neighbours share one axle's brake with the setup itself: each brake is looked at once.
    sinks: dict[int, HeatSink] = {}
    for setup, _ in tried:
        for axle, brake in ((Axle.FRONT, setup.front), (Axle.REAR, setup.rear)):
            if id(brake) not in sinks:
                sinks[id(brake)] = heat_sink(brake, PLAIN, axle)
    return [
        Screen(
            tuple([StateScreen(*numbers) for numbers in zip(conditions.names, *row, strict=True)]),
            hottest,
            *heat_of_stop(sinks[id(setup.front)], sinks[id(setup.rear)], chain, energy),
            chain,
        )
        for row, (setup, chain) in zip(rows, tried, strict=True)
    ]


def _share_in_tolerance(setup: Setup, chain: Chain) -> float:
    """Front share of the brake force where the rear pads bite more than the front's by the tolerance."""
    front, rear = chain.front.brake_force, chain.rear.brake_force
    return front / (front + rear * (1 + setup.pad_tolerance))


def _locks(at_speed: Sweep, share: Array) -> tuple[Array, Array]:
    """Shape (setups, states), N."""
    front, rear = at_speed.lock_forces(share[:, None, None])
    return front[:, :, 0], rear[:, :, 0]


def lock_order_finding(screened: Screen) -> Finding:
    """Rear first in any state is the one red verdict that no setting hides."""
    if any(row.rear_first for row in screened.states):
        return REAR_FIRST
    if any(row.rear_first_in_tolerance for row in screened.states):
        return FRONT_FIRST_JUST
    if max(row.efficiency for row in screened.states) < defaults.BALANCE_WORTH.value:
        return TOO_MUCH_FRONT
    return FRONT_FIRST


def leg_finding(screened: Screen, car: Car) -> Finding:
    """Foot force at first lock against the driver's own limit, and against a push too light to feel."""
    limit, hardest = car.driver.foot_force_limit, screened.hardest_push
    if hardest > limit:
        return TOO_HEAVY
    if hardest > defaults.EFFORT_RESERVE.value * limit:
        return HEAVY
    return VERY_LIGHT if screened.lightest_push < defaults.LIGHT_FOOT.value else LEG_HOLDS


def heat_finding(screened: Screen) -> Finding:
    """One stop from top speed, nothing cooling: is there enough disc to soak it up?"""
    used = screened.hotter[1].share_of_limit
    if used > 1:
        return DISC_TOO_LIGHT
    return DISC_NEAR_LIMIT if used > defaults.STOP_RISE_RESERVE.value else DISCS_SOAK_IT_UP
