"""What must hold for every car and setup, over wide ranges."""

import math
from typing import Any

import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from plimbo.core import Car, Setup, State, assess
from plimbo.core.braking.force_balance import ForceBalance
from plimbo.core.braking.state_answer import StateAnswer
from plimbo.core.vehicle.loads import GRAVITY
from tests import strategies
from tests.strategies import between, cars, sensitivities, setups

wide = settings(max_examples=60, deadline=None)


def judged(car: Car, setup: Setup, state: State) -> StateAnswer:
    return assess(car, setup, [state], with_working=False).states[0]


def changed(car: Car, **values: Any) -> Car:
    return Car.model_validate(car.model_dump() | values)


@st.composite
def plain_cases(draw: st.DrawFn) -> tuple[Car, Setup, State]:
    """One tyre friction, no wings, rear wheels on the ground with room to spare."""
    car = draw(cars(wings=False, same_tyres=True))
    state = draw(strategies.states)
    assume(state.grip * car.front_tyre.friction * car.cg_height / car.wheelbase < 0.8 * (1 - car.front_share))
    return car, draw(setups()), state


@wide
@given(plain_cases(), between(1.02, 1.2))
def test_more_grip_higher_cg_shorter_wheelbase_move_the_ideal_share_forward(
    case: tuple[Car, Setup, State], more: float
) -> None:
    car, setup, state = case
    before = judged(car, setup, state).ideal_share
    grippier = state.model_copy(update={"grip": state.grip * more})
    assert judged(car, setup, grippier).ideal_share > before
    assert judged(changed(car, cg_height=car.cg_height * more), setup, state).ideal_share > before
    assert judged(changed(car, wheelbase=car.wheelbase / more), setup, state).ideal_share > before


@wide
@given(cars(), sensitivities, sensitivities, setups(), between(0.4, 0.9))
def test_rain_moves_the_ideal_rearward_and_the_chart_shows_it(
    car: Car, front: dict[str, Any], rear: dict[str, Any], setup: Setup, wetness: float
) -> None:
    car = changed(car, front_tyre=dict(car.front_tyre) | front, rear_tyre=dict(car.rear_tyre) | rear)
    dry = State(name="dry", speed=30, air_density=1.2)
    wet = State(name="wet", speed=30, air_density=1.2, grip=wetness)
    answers = assess(car, setup, [dry, wet], with_working=False).states
    assume(not answers[0].rear_lifts)
    assert answers[1].ideal_share < answers[0].ideal_share
    shares = [picture.limit.front / (picture.limit.front + picture.limit.rear) for picture in pictures(answers)]
    assert shares == pytest.approx([answer.ideal_share for answer in answers])
    assert pictures(answers)[1].limit.front < pictures(answers)[0].limit.front


def pictures(answers: tuple[StateAnswer, ...]) -> list[ForceBalance]:
    return [answer.force_balance for answer in answers]


@wide
@given(plain_cases(), between(0.5, 0.95))
def test_a_lower_car_moves_it_rearward_and_a_lighter_one_alone_does_not_move_it(
    case: tuple[Car, Setup, State], less: float
) -> None:
    """Mass falls out of the ideal share while grip goes with load: what moves it is the height of what was taken."""
    car, setup, state = case
    before = judged(car, setup, state).ideal_share
    assert judged(changed(car, cg_height=car.cg_height * less), setup, state).ideal_share < before
    assert judged(changed(car, mass=car.mass * less), setup, state).ideal_share == pytest.approx(before)


@wide
@given(plain_cases(), between(200, 1500), sensitivities)
def test_engine_braking_at_the_rear_takes_grip_there_so_the_brakes_belong_more_to_the_front(
    case: tuple[Car, Setup, State], force: float, sensitivity: dict[str, Any]
) -> None:
    car, setup, state = case
    car = changed(car, rear_tyre=dict(car.rear_tyre) | sensitivity)
    assume(force < 0.3 * judged(car, setup, state).rear.needs.brake_force)
    braking = changed(car, engine_braking=force, driven_axle="rear")
    before, after = judged(car, setup, state), judged(braking, setup, state)
    assert after.ideal_share > before.ideal_share
    assert after.limit_deceleration == pytest.approx(before.limit_deceleration)
    assert after.rear.lock_foot_force < before.rear.lock_foot_force  # type: ignore[operator]
    at_front = judged(changed(car, engine_braking=force, driven_axle="front"), setup, state)
    assert at_front.ideal_share < before.ideal_share


@wide
@given(cars(), setups(), between(0.2, 1.5))
def test_drag_helps_every_stop_and_taken_high_it_lightens_the_front(car: Car, setup: Setup, area: float) -> None:
    state = State(name="fast", speed=50)
    before, after = judged(car, setup, state), judged(changed(car, drag_area=area), setup, state)
    assert after.limit_deceleration > before.limit_deceleration
    assert after.ideal_share == pytest.approx(before.ideal_share)
    high = judged(changed(car, drag_area=area, drag_height=car.cg_height + 0.3), setup, state)
    assert high.front.load < after.front.load
    assert high.front.load + high.rear.load == pytest.approx(after.front.load + after.rear.load)


@wide
@given(plain_cases())
def test_one_friction_and_no_wings_give_the_closed_form_of_the_ideal_share(case: tuple[Car, Setup, State]) -> None:
    car, setup, state = case
    friction = car.front_tyre.friction * state.grip
    expected = car.front_share + friction * car.cg_height / car.wheelbase
    assert judged(car, setup, state).ideal_share == pytest.approx(expected, rel=1e-12)


@wide
@given(cars(), setups(), strategies.states)
def test_efficiency_is_never_above_one(car: Car, setup: Setup, state: State) -> None:
    assert 0 < judged(car, setup, state).efficiency <= 1 + 1e-12


@wide
@given(plain_cases())
def test_efficiency_is_one_at_the_ideal_share(case: tuple[Car, Setup, State]) -> None:
    car, setup, state = case
    answer = judged(car, setup, state)
    # Change the rear pads so that the force share is the ideal one, if pads of that friction can exist.
    ratio = answer.force_share / (1 - answer.force_share) * (1 - answer.ideal_share) / answer.ideal_share
    friction = setup.rear.pad.friction * ratio
    assume(0.02 < friction < 1.2)
    rear = setup.rear.model_copy(update={"pad": setup.rear.pad.model_copy(update={"friction": friction})})
    ideal = judged(car, setup.model_copy(update={"rear": rear}), state)
    assert ideal.force_share == pytest.approx(answer.ideal_share, rel=1e-9)
    assert ideal.efficiency == pytest.approx(1, rel=1e-9)
    assert ideal.stop.lost == pytest.approx(0, abs=1e-6) or ideal.first_foot_force > car.driver.foot_force_limit


@wide
@given(cars(), setups(), strategies.states, between(1.02, 1.15))
def test_foot_force_at_lock_falls_as_area_friction_or_ratio_rises(
    car: Car, setup: Setup, state: State, more: float
) -> None:
    def bigger(pistons: float, friction: float, ratio: float) -> Setup:
        document = setup.model_dump()
        document["pedal"]["ratio"] *= ratio
        for end in ("front", "rear"):
            document[end]["caliper"]["pistons"] = [size * pistons for size in document[end]["caliper"]["pistons"]]
            document[end]["pad"]["friction"] *= friction
            document[end]["pad"]["height"] *= 1.15
            document[end]["disc"]["ring_height"] *= 1.15
        return Setup.model_validate(document)

    before = judged(car, bigger(1, 1, 1), state).first_foot_force
    assert judged(car, bigger(math.sqrt(more), 1, 1), state).first_foot_force == pytest.approx(before / more)
    assert judged(car, bigger(1, more, 1), state).first_foot_force == pytest.approx(before / more)
    assert judged(car, bigger(1, 1, more), state).first_foot_force == pytest.approx(before / more)


@wide
@given(cars(), setups(), strategies.states)
def test_axle_loads_add_up_to_weight_and_downforce(car: Car, setup: Setup, state: State) -> None:
    answer = judged(car, setup, state)
    area = car.front_lift_area + car.rear_lift_area
    total = car.mass * GRAVITY + 0.5 * state.air_density * state.speed**2 * area
    assert answer.front.load + answer.rear.load == pytest.approx(total)
    assert answer.front.limit_load + answer.rear.limit_load == pytest.approx(total)
    assert answer.front.at_first_lock.load + answer.rear.at_first_lock.load == pytest.approx(total)
    assert answer.front.standing_load + answer.rear.standing_load == pytest.approx(car.mass * GRAVITY)


@wide
@given(cars(), setups(), strategies.states)
def test_rear_first_is_said_exactly_when_the_rear_locks_at_the_lower_deceleration(
    car: Car, setup: Setup, state: State
) -> None:
    assessment = assess(car, setup, [state], with_working=False)
    answer, verdict = assessment.states[0], assessment.verdicts[0]
    front = math.inf if answer.front.lock_deceleration is None else answer.front.lock_deceleration
    assert answer.rear.lock_deceleration is not None
    rear_first = answer.rear.lock_deceleration < front
    assert (answer.first == "rear") == rear_first == (verdict.word == "Rear locks first")
    # Bad is beside that only a car that hardly brakes.
    hardly = not rear_first and answer.efficiency < car.limits.brakes_at_all
    assert (verdict.level == "bad") == (rear_first or hardly)
    assert (verdict.word == "Hardly brakes") == hardly


@wide
@given(cars(), setups())
def test_the_worst_state_of_each_matter_is_named_and_no_other_is_worse(car: Car, setup: Setup) -> None:
    assessment = assess(car, setup, with_working=False)
    named = {answer.state.name: answer for answer in assessment.states}
    assert len(named) == 4
    pushes = [answer.first_foot_force for answer in assessment.states]
    assert named[assessment.worst.push].first_foot_force == pytest.approx(max(pushes))
    used = [answer.efficiency for answer in assessment.states]
    assert named[assessment.worst.grip_used].efficiency == pytest.approx(min(used))
    spare = {
        name: answer.rear.lock_deceleration - (answer.front.lock_deceleration or math.inf)  # type: ignore[operator]
        for name, answer in named.items()
    }
    assert spare[assessment.worst.lock_order] <= min(spare.values()) + 1e-9
    assert assessment.verdicts[0].state == assessment.worst.lock_order


@wide
@given(cars(), setups(), strategies.states)
def test_at_first_lock_one_axle_uses_all_its_grip_and_the_other_no_more(car: Car, setup: Setup, state: State) -> None:
    answer = judged(car, setup, state)
    first, other = (answer.front, answer.rear) if answer.first == "front" else (answer.rear, answer.front)
    assert first.at_first_lock.grip_used == pytest.approx(1)
    assert other.at_first_lock.grip_used <= 1 + 1e-9


@wide
@given(cars(), setups(), strategies.states)
def test_fitting_what_the_needs_ask_for_puts_both_axles_at_their_limit(car: Car, setup: Setup, state: State) -> None:
    answer = judged(car, setup, state)
    bores = (answer.front.needs.bore, answer.rear.needs.bore)
    assume(all(bore is not None and 0.004 <= bore <= 0.06 for bore in bores))
    document = setup.model_dump()
    for end, bore in zip(("front", "rear"), bores, strict=True):
        document[end]["master_cylinder"]["bore"] = bore
    fitted = judged(car, Setup.model_validate(document), state)
    assert fitted.efficiency == pytest.approx(1, rel=1e-6)
    assert fitted.first_foot_force == pytest.approx(car.driver.foot_force, rel=1e-6)


@wide
@given(cars(same_tyres=True), setups())
def test_downforce_moves_the_ideal_share_toward_the_axle_that_carries_more_of_it(car: Car, setup: Setup) -> None:
    slow, fast = (State(name=str(speed), grip=0.5, speed=speed) for speed in (0.0, 60.0))
    assume(not judged(car, setup, slow).rear_lifts)
    area = car.front_lift_area + car.rear_lift_area
    assume(area > 0.01)
    k = 0.5 * car.front_tyre.friction * car.cg_height / car.wheelbase
    # Load transfer grows with grip, so the balance point is the ideal share less what the transfer adds.
    forward = car.front_lift_area / area + k - judged(car, setup, slow).ideal_share
    assume(abs(forward) > 1e-3)
    moved = judged(car, setup, fast).ideal_share - judged(car, setup, slow).ideal_share
    assert moved * forward > 0
