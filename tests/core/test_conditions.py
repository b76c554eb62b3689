"""The road of all states at once against each alone; worked out once for a car, and never taken for another's."""

import numpy as np
import pytest
from hypothesis import given, settings

from plimbo.core import Car, Setup, State, analyse_hydraulics, assess, estimate_uncertainty
from plimbo.core.braking import conditions
from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.lock_order import lock_order
from plimbo.core.braking.state_answer import StateAnswer
from plimbo.core.documents import Surface
from plimbo.core.vehicle.tyre_capacity import condition_of, tyre_capacity
from plimbo.core.working.inputs import PLAIN
from tests import strategies, w1
from tests.built import chain_of

G = 9.80665
STATES = tuple(
    State(name=track, track=track, load="Raced", speed=speed) for track, speed in ((Surface.DRY, 9), (Surface.WET, 21))
)


@settings(max_examples=60, deadline=None)
@given(strategies.full_cars(), strategies.actuated_setups())
def test_locks_and_limits_are_those_of_each_state_alone(car: Car, setup: Setup) -> None:
    together = conditions_for(car, STATES).at_speed
    alone = [
        tyre_capacity(car, condition_of(car, one, PLAIN), PLAIN, (one.name,), lambda *_: "speed") for one in STATES
    ]
    path = chain_of(car, setup).path
    locks, each = lock_order(together, path), [lock_order(road, path) for road in alone]
    for name in ("force", "brake_force", "front_load", "rear_load", "front_force", "rear_force", "ideal_share"):
        singles = [getattr(road.limit, name) for road in alone]
        assert np.ravel(getattr(together.limit, name)).tolist() == pytest.approx(singles, rel=1e-9), name
    for name in ("front_force", "rear_force", "first_force", "efficiency"):
        singles = [getattr(lock, name) for lock in each]
        assert np.ravel(getattr(locks, name)).tolist() == pytest.approx(singles, rel=1e-9), name


def as_typed(car: Car, **changes: object) -> Car:
    """Read afresh, as the server reads it."""
    return Car.model_validate(car.model_dump() | changes)


def test_the_same_car_read_again_is_not_worked_out_again() -> None:
    assert conditions_for(as_typed(w1.CAR)) is conditions_for(w1.CAR)
    assert conditions_for(w1.CAR, w1.CAR.states[:1]) is not conditions_for(w1.CAR)


@pytest.mark.parametrize(("field", "value"), [("mass", 1001.0), ("cg_height", 0.401), ("engine_braking", 300.0)])
def test_another_car_is_answered_for_itself(field: str, value: float) -> None:
    other = as_typed(w1.CAR, **{field: value})
    first = assess(w1.CAR, w1.SETUP).model_dump()
    changed = assess(other, w1.SETUP).model_dump()
    assert changed["states"] != first["states"]
    assert assess(w1.CAR, w1.SETUP).model_dump() == first
    # What was remembered is what is found with nothing remembered.
    conditions._conditions.cache_clear()
    assert assess(other, w1.SETUP).model_dump() == changed


@settings(max_examples=40, deadline=None)
@given(strategies.full_cars(), strategies.actuated_setups())
def test_the_verdicts_tell_the_numbers_of_the_states_that_decide(car: Car, setup: Setup) -> None:
    answer = assess(car, setup, with_working=False)
    verdicts = {verdict.key: verdict for verdict in answer.verdicts}
    states = {one.state.name: one for one in answer.states}
    order, leg, heat = (states[verdicts[key].state or ""] for key in ("lock_order", "leg", "heat"))
    assert verdicts["lock_order"].number.value == pytest.approx(order.first_deceleration)
    assert verdicts["leg"].number.value == pytest.approx(leg.first_foot_force)

    def used_most(of: StateAnswer) -> float:
        return max(disc.temperature_rise / disc.rise_limit for disc in (of.front.disc, of.rear.disc))

    assert used_most(heat) == pytest.approx(max(used_most(one) for one in answer.states))
    used = [disc.temperature_rise / disc.rise_limit for disc in (heat.front.disc, heat.rear.disc)]
    hotter = (heat.front.disc, heat.rear.disc)[used.index(max(used))]
    assert verdicts["heat"].number.value == pytest.approx(hotter.temperature_rise)


# Worked by hand with other code: W1 with its rear tyres at a share of their warm grip; the tyre limit in g.
COLD_REAR = {None: (0.65733, 1.3000), 0.9: (0.67365, 1.2545), 0.8: (0.69198, 1.2071), 0.7: (0.71273, 1.1575)}


@pytest.mark.parametrize("share", list(COLD_REAR))
def test_cold_rear_tyres_move_the_ideal_share_and_the_limit(share: float | None) -> None:
    state = w1.STATIC.model_copy(update={"rear_tyre_grip": share})
    for with_working in (False, True):
        answer = assess(w1.CAR, w1.SETUP, [state], with_working=with_working).states[0]
        ideal, limit = COLD_REAR[share]
        assert answer.ideal_share == pytest.approx(ideal, abs=1e-5)
        assert answer.limit_deceleration / G == pytest.approx(limit, abs=1e-4)
        assert answer.front.grip == pytest.approx(1.30)
    if share == 0.8:
        assert (answer.first, answer.rear.lock_deceleration / G) == ("rear", pytest.approx(1.0210, abs=1e-4))
        assert answer.front.lock_deceleration / G == pytest.approx(1.4687, abs=1e-4)
        assert "Grip of this track with these tyres as warm as they are, rear" in {step.name for step in answer.steps}


def test_cold_rear_tyres_are_counted_in_the_draws_and_begin_the_card_further_forward() -> None:
    """Common practice: with cold rear tyres one begins with the bar forward, and comes back as they come in."""
    car = w1.CAR.patched({"states": [w1.STATIC, w1.STATIC.patched({"name": "first laps", "rear_tyre_grip": 0.8})]})
    setup = w1.SETUP.patched({"balance_bar.offset": 0.004})
    chances = {one.state: one.rear_first for one in estimate_uncertainty(car, setup).states}
    assert chances["first laps"] > chances["static"] + 0.2
    card = analyse_hydraulics(car, setup, with_working=False).card
    warm, cold = card.settings
    assert cold.turns > warm.turns + 1
    (words,) = card.first_laps
    begin, then = f"+{cold.turns:.1f} turns", f"+{warm.turns:.1f} turns"
    assert words.shown() == (
        f"“first laps”: begin with the bar at {begin}, then back to {then} for “static” as the tyres come in."
    )
    # Without a valve nothing can be set for these laps; tyres that are warm after all need no word.
    tandem = setup.patched({"split": "tandem", "valve.kind": "none"})
    order = next(one for one in assess(car, tandem).verdicts if one.key == "lock_order")
    assert "no valve is fitted that could be set for these laps" in order.reason.shown()
    as_warm = car.patched({"states.1.rear_tyre_grip": 1.0})
    assert analyse_hydraulics(as_warm, setup, with_working=False).card.first_laps == ()
    # Cold fronts are the other way round, and a state with warm tyres needs no word.
    other = car.patched({"states": [w1.STATIC, w1.STATIC.patched({"name": "out lap", "front_tyre_grip": 0.9})]})
    (words,) = analyse_hydraulics(other, setup, with_working=False).card.first_laps
    assert "then forward to" in words.shown()
    assert analyse_hydraulics(w1.CAR, setup, with_working=False).card.first_laps == ()
