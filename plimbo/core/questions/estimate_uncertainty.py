"""How sure is the lock order? Many draws of the uncertain inputs, with a fixed seed so that setups can be compared."""

from collections.abc import Sequence

import numpy as np
from pydantic import Field

from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.judged_states import judged_states
from plimbo.core.braking.likely_cars import DRAWS, INPUTS, centred_draws, drawn_states
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup, State
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.quantities.cancellation import Wanted, always
from plimbo.core.quantities.results import Result, answer
from plimbo.core.verdicts.lock_order import LOCK_ORDER, with_doubt
from plimbo.core.verdicts.matter import Judgement, Verdict
from plimbo.core.working.inputs import PLAIN


class InputShare(Result):
    """The share of one uncertain input in the doubt about the lock order."""

    title: str
    path: str
    measure_next: str
    share: float = answer("share", "Share of the doubt")


class StateChance(Result):
    """One state: the share of draws in which the rear locks first, and the inputs that decide it, largest first."""

    state: str
    rear_first: float = answer("share", "Likely cars whose rear locks first")
    inputs: tuple[InputShare, ...]


class Uncertainty(Result):
    """The lock order over all draws, state by state."""

    verdict: Verdict = Field(description="On the lock order, with the doubt counted.")
    in_doubt: bool = Field(description="Whether it would be sound, were it not for the doubt.")
    draws: int
    states: tuple[StateChance, ...]
    worst: StateChance


def estimate_uncertainty(
    car: Car,
    setup: Setup,
    states: Sequence[State] | State | None = None,
    draws: int = DRAWS,
    *,
    wanted: Wanted = always,
) -> Uncertainty:
    """Draw pads, tyres and height of the centre of gravity, each uniform within the doubt given in the car.

    Over these states (the car's own where none are given). Raises `OutOfRange` where the inputs together are outside
    the model, `Cancelled` when the answer is no longer needed.
    """
    doubts = np.array([getattr(car.doubt, one.path.removeprefix("doubt.")) for one in INPUTS])
    centred, lengths = centred_draws(draws)
    chances = []
    conditions = conditions_for(car, judged_states(car, setup, states))
    system = brake_system(setup, PLAIN)
    for name, margin, rear_first in drawn_states(conditions, system, draws, wanted):
        off = margin - margin.mean()
        spread = np.linalg.norm(off) * lengths
        with np.errstate(invalid="ignore", divide="ignore"):
            correlation = np.where((doubts > 0) & (spread > 0), centred @ off / spread, 0.0)
        inputs = [
            InputShare(title=one.title, path=one.path, measure_next=one.measure_next, share=part)
            for one, part in zip(INPUTS, (correlation * correlation).tolist(), strict=True)
        ]
        inputs.sort(key=lambda one: -one.share)
        chance = rear_first / draws
        chances.append(StateChance(state=name, rear_first=chance, inputs=tuple(inputs)))
    worst = max(chances, key=lambda one: one.rear_first)
    screening = Screening(conditions, system)
    plain = LOCK_ORDER.verdict(screening, setup, Judgement(LOCK_ORDER, screening))
    doubted = with_doubt(plain, worst.rear_first, worst.state, worst.inputs[0].measure_next, car)
    return Uncertainty(verdict=doubted, in_doubt=doubted is not plain, draws=draws, states=tuple(chances), worst=worst)
