"""A setup's few decisive numbers over all states, and how they are judged: fast, for trying many sizes."""

from collections.abc import Sequence
from typing import Any, NamedTuple

import numpy as np

from plimbo.core.arrays import Array
from plimbo.core.brakes.many import Many
from plimbo.core.brakes.path import ForcePath
from plimbo.core.documents import Car, Setup
from plimbo.core.formulas import loads, stop
from plimbo.core.judging.centring import bar_share
from plimbo.core.judging.travel import TravelScreen, travels
from plimbo.core.road.sweep import Sweep
from plimbo.core.working import Axle


class StateScreen(NamedTuple):
    """What the verdicts need of one state: decelerations m/s², foot force N."""

    name: str
    front_lock: float
    rear_lock: float
    efficiency: float
    foot_force: float

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


class DiscRise(NamedTuple):
    """How far the hardest stop heats a disc and how far one stop may, K."""

    rise: float
    limit: float

    @property
    def share_of_limit(self) -> float:
        return self.rise / self.limit


class Screen(NamedTuple):
    """What the verdicts need of a setup, over all states.

    `worst` is the state in which the rear comes nearest to locking first, or does by most; `hardest` asks for the
    hardest push, `least_used` uses the least of the grip; `hottest` names the state whose stop heats the discs most,
    `just` one in which rear pads that bite more would lock first.
    """

    worst: StateScreen
    hardest: StateScreen
    lightest: StateScreen
    least_used: StateScreen
    best_efficiency: float
    just: str | None
    hottest: str
    front_disc: DiscRise
    rear_disc: DiscRise
    travel: TravelScreen
    bar_share: float

    @property
    def hardest_push(self) -> float:
        return self.hardest.foot_force

    @property
    def hotter(self) -> tuple[Axle, DiscRise]:
        """The end whose disc comes nearer to what its material takes."""
        front_hotter = self.front_disc.share_of_limit >= self.rear_disc.share_of_limit
        return (Axle.FRONT, self.front_disc) if front_hotter else (Axle.REAR, self.rear_disc)


class Conditions(NamedTuple):
    """What all setups of a car are screened against: its states at their own speeds, their hardest stops, J, and
    the brake forces of both axles at their limit, N.
    """

    car: Car
    names: tuple[str, ...]
    at_speed: Sweep
    energies: tuple[float, ...]
    limits: tuple[tuple[float, float], ...]


def screen(conditions: Conditions, setups: Sequence[Setup]) -> list[Screen]:
    """The few decisive numbers of each setup: all setups in all states at once."""
    at_speed, names = conditions.at_speed, conditions.names
    many = Many(conditions.car, setups)
    path, law = many.paths(), many.law
    (at_front, weaker_front), (at_rear, weaker_rear) = (
        locks.reshape(2, len(setups), len(names)) for locks in at_speed.lock_forces(path)
    )
    first = np.minimum(at_front, at_rear)
    mass, engine, drag, limit = (part[:, 0] for part in (at_speed.mass, at_speed.engine, at_speed.drag, at_speed.limit))
    front_forces = _as_they_are(path).front(first)
    push = law.foot_at(front_forces)
    columns = (
        (at_front + engine + drag) / mass,
        (at_rear + engine + drag) / mass,
        (first + engine) / limit,
        push,
    )
    spare, efficiency, just = columns[1] - columns[0], columns[2], weaker_rear < weaker_front
    deciding = (spare.argmin(axis=1), push.argmax(axis=1), push.argmin(axis=1), efficiency.argmin(axis=1))
    picked = np.array(deciding).T.tolist()
    rows = zip(*(part.tolist() for part in columns), strict=True)
    best = efficiency.max(axis=1).tolist()
    justs = [names[row.index(True)] if any(row) else None for row in np.asarray(just).tolist()]
    energy = max(conditions.energies)
    hottest = conditions.energies.index(energy)
    discs = _rises(many, front_forces[:, hottest] / first[:, hottest], energy)
    pedals = travels(many, front_forces.max(axis=1))
    return [
        Screen(
            *_decisive(names, row, places),
            most,
            just_in,
            names[hottest],
            front_disc,
            rear_disc,
            pedal,
            bar_share(setup),
        )
        for row, places, most, just_in, (front_disc, rear_disc), pedal, setup in zip(
            rows, picked, best, justs, discs, pedals, setups, strict=True
        )
    ]


def _rises(many: Many, front_shares: Array, energy: float) -> list[tuple[DiscRise, DiscRise]]:
    """Front and rear disc of each setup in one stop that puts this energy, J, into the brakes."""
    sinks = many.circuits.sinks
    shares: Any = np.array((front_shares, loads.rear_force_share(front_shares)))  # type: ignore[arg-type]
    energies = stop.disc_energy(energy, shares, sinks.into_disc)
    rises: Any = stop.temperature_rise(energies, sinks.mass, sinks.specific_heat)
    limits: Any = sinks.rise_limit
    front, rear = (
        [DiscRise(*pair) for pair in zip(rise.tolist(), limit.tolist(), strict=True)]
        for rise, limit in zip(rises, limits, strict=True)
    )
    return list(zip(front, rear, strict=True))


def _decisive(
    names: Sequence[str], row: Sequence[Sequence[float]], places: Sequence[int]
) -> tuple[StateScreen, StateScreen, StateScreen, StateScreen]:
    worst, hardest, lightest, least_used = [
        StateScreen(names[at], row[0][at], row[1][at], row[2][at], row[3][at]) for at in places
    ]
    return worst, hardest, lightest, least_used


def _as_they_are(path: ForcePath) -> ForcePath:
    """Without the tolerance of the pads: of shape (setup, 1)."""
    share, knee, past, shift = np.asarray(path[:4])[:, 0, :, None]
    return ForcePath(share, knee, past, shift, path.bent)
