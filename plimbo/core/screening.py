"""A setup's few decisive numbers over all states, and how they are judged: fast, for trying many sizes."""

from collections.abc import Sequence
from enum import StrEnum
from typing import NamedTuple

from plimbo.core import defaults
from plimbo.core.chain import Chain
from plimbo.core.demand import Demand, lock_order
from plimbo.core.documents import Car, Setup, State
from plimbo.core.single_stop import DiscStop, heat_of_stop
from plimbo.core.working import Axle, Inputs


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
    """What the verdicts need of a setup, over all states."""

    states: tuple[StateScreen, ...]
    front_disc: DiscStop
    rear_disc: DiscStop
    chain: Chain

    @property
    def worst(self) -> StateScreen:
        """The state in which the rear comes nearest to locking first, or does by most."""
        return min(self.states, key=lambda row: row.spare)

    @property
    def hardest_push(self) -> float:
        return max(row.foot_force for row in self.states)

    @property
    def lightest_push(self) -> float:
        return min(row.foot_force for row in self.states)

    @property
    def hotter(self) -> tuple[Axle, DiscStop]:
        """The end whose disc comes nearer to what its material takes."""
        front_hotter = self.front_disc.share_of_limit >= self.rear_disc.share_of_limit
        return (Axle.FRONT, self.front_disc) if front_hotter else (Axle.REAR, self.rear_disc)


PLAIN = Inputs(with_working=False)


def screen(car: Car, setup: Setup, chain: Chain, states: Sequence[State], roads: Sequence[Demand]) -> Screen:
    """A setup's few decisive numbers, from its chain; fast, for the verdicts and for trying many sizes."""
    front, rear = heat_of_stop(car, setup, chain, PLAIN)
    weaker_front = chain.front.brake_force / (
        chain.front.brake_force + chain.rear.brake_force * (1 + setup.pad_tolerance)
    )
    rows = []
    for state, road in zip(states, roads, strict=True):
        lock = lock_order(road, chain.force_share)
        rows.append(
            StateScreen(
                name=state.name,
                front_lock=lock.front_force / car.mass,
                rear_lock=lock.rear_force / car.mass,
                efficiency=lock.efficiency,
                foot_force=car.driver.foot_force * lock.first_force / chain.total_force,
                rear_first_in_tolerance=lock_order(road, weaker_front).first is Axle.REAR,
            )
        )
    return Screen(tuple(rows), front, rear, chain)


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
    limit = car.driver.foot_force_limit
    if screened.hardest_push > limit:
        return TOO_HEAVY
    if screened.hardest_push > defaults.EFFORT_RESERVE.value * limit:
        return HEAVY
    return VERY_LIGHT if screened.lightest_push < defaults.LIGHT_FOOT.value else LEG_HOLDS


def heat_finding(screened: Screen) -> Finding:
    """One stop from top speed, nothing cooling: is there enough disc to soak it up?"""
    used = screened.hotter[1].share_of_limit
    if used > 1:
        return DISC_TOO_LIGHT
    return DISC_NEAR_LIMIT if used > defaults.STOP_RISE_RESERVE.value else DISCS_SOAK_IT_UP
