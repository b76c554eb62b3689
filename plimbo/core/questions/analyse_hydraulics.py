"""What happens between foot and calipers: pressures, travel, one circuit lost, the setting for each state?"""

from collections.abc import Sequence

from pydantic import Field

from plimbo.core.braking.balance_settings import knee_wanted
from plimbo.core.braking.chain import Chain, foot_to_road
from plimbo.core.braking.circuit_failure import CircuitFailure, failures
from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.handbrake import HandbrakeAnswer, handbrake
from plimbo.core.braking.judged_states import judged_states, speed_path
from plimbo.core.braking.lock_order import lock_order
from plimbo.core.braking.pedal_at_push import PedalAtPush, foot_for_pressure, light_pressure, pedal_at_push
from plimbo.core.braking.push_curves import PushCurve, push_curves
from plimbo.core.braking.radius_methods import RadiusAnswer, radius_answers
from plimbo.core.documents import Car, Setup, State, Surface
from plimbo.core.friction.pad_curves import PadAnswer, pad_answers
from plimbo.core.friction.torque import pressure_for_force
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.hydraulics.travel import pedal_stiffness
from plimbo.core.hydraulics.valve import ValveCurve, valve_curve
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.results import Result, answer
from plimbo.core.search.bar_card import Card, card
from plimbo.core.search.improvements import Improvement, improvements
from plimbo.core.search.push_targets import PushTarget, push_targets
from plimbo.core.vehicle.tyre_capacity import TyreCapacity, condition_of, tyre_capacity
from plimbo.core.verdicts.practice import PRACTICE_DIFFERENCES, PracticeDifference
from plimbo.core.verdicts.remarks import Remark, remarks
from plimbo.core.working.inputs import PLAIN, WORKED, Inputs
from plimbo.core.working.numbers import Number, single
from plimbo.core.working.steps import Step, working

# Upper bound of the pedal's stiffness, N/m.
STIFFEST = 1e12


class StateHydraulics(Result):
    """One state: pressures over the push, the pedal at first lock, and the brake force left with one circuit lost."""

    state: str
    curve: PushCurve
    light: PedalAtPush
    lock: PedalAtPush
    stiffness: float = answer("stiffness", "Stiffness of the pedal, from a touch to lock")
    knee_wanted: float | None = answer("pressure", "Knee with which the rear comes to its limit with the front")
    failures: dict[str, CircuitFailure] = Field(
        description="All working (`service`), the booster lost (`unboosted`) where there is one, each circuit alone."
    )
    steps: tuple[Step, ...]
    headlines: dict[str, int]


class HydraulicsAnalysis(Result):
    """Every state, and the numbers that are the same in all of them."""

    states: tuple[StateHydraulics, ...]
    hardest: str = Field(description="The state with the hardest first lock.")
    room: float = answer("length", "Pedal travel to the floor")
    valve: ValveCurve | None
    card: Card
    improvements: tuple[Improvement, ...]
    radii: tuple[RadiusAnswer, ...]
    push_targets: tuple[PushTarget, ...]
    practice: tuple[PracticeDifference, ...]
    handbrake: HandbrakeAnswer | None
    pads: tuple[PadAnswer, ...]
    remarks: tuple[Remark, ...]


def analyse_hydraulics(
    car: Car, setup: Setup, states: Sequence[State] | State | None = None, *, with_working: bool = True
) -> HydraulicsAnalysis:
    """Evaluate the pedal and the lines in these states (the car's own where none are given).

    Raises `OutOfRange` where the inputs together are outside the model.
    """
    conditions = conditions_for(car, judged_states(car, setup, states))
    names = conditions.names
    system = brake_system(setup, PLAIN)
    chain = foot_to_road(car, system, PLAIN)
    roads = [_road(car, state, PLAIN) for state in conditions.states]
    locks = [lock_order(road, chain.path) for road in roads]
    curves = push_curves(car, chain, roads, locks)
    found = [
        _state(car, setup, chain, road, curve, state, PLAIN)
        for road, curve, state in zip(roads, curves, conditions.states, strict=True)
    ]
    hardest = max(range(len(found)), key=lambda place: found[place].lock.front.pressure)
    analysis = HydraulicsAnalysis(
        states=tuple(found),
        hardest=names[hardest],
        room=setup.pedal.room,
        valve=valve_curve(setup.valve, single(chain.rear.line_pressure)),
        card=card(car, setup, chain, roads, conditions.states),
        improvements=improvements(car, setup, chain, roads[hardest]),
        radii=radius_answers(car, system),
        push_targets=push_targets(
            car, setup, single(chain.foot_at(locks[hardest].first_force)), found[hardest].lock.pedal
        ),
        practice=PRACTICE_DIFFERENCES,
        handbrake=handbrake(setup.handbrake, chain, roads, names),
        pads=pad_answers(setup),
        remarks=remarks(car, setup, chain),
    )
    if not with_working:
        return analysis
    chain = foot_to_road(car, brake_system(setup, WORKED), WORKED)
    worked = []
    for place, state in enumerate(conditions.states):
        numbers = _state_numbers(car, state, chain, _road(car, state, WORKED), WORKED)[1]
        steps, headlines = working(numbers)
        worked.append(analysis.states[place].model_copy(update={"steps": steps, "headlines": headlines}))
    return analysis.model_copy(update={"states": tuple(worked)})


def _road(car: Car, state: State, inputs: Inputs) -> TyreCapacity:
    condition = condition_of(car, state, inputs)
    return tyre_capacity(car, condition, inputs, (state.name,), lambda *_: speed_path(car, state))


def _state(
    car: Car, setup: Setup, chain: Chain, road: TyreCapacity, curve: PushCurve, state: State, inputs: Inputs
) -> StateHydraulics:
    parts, numbers = _state_numbers(car, state, chain, road, inputs)
    light, locked, left = parts
    return StateHydraulics(
        state=state.name,
        curve=curve,
        light=light,
        lock=locked,
        stiffness=max(0.0, min(float(numbers["stiffness"]), STIFFEST)),
        knee_wanted=knee_wanted(setup, chain, (single(road.limit.front_force), single(road.limit.rear_force))),
        failures=left,
        steps=(),
        headlines={},
    )


Parts = tuple[PedalAtPush, PedalAtPush, dict[str, CircuitFailure]]


def _state_numbers(
    car: Car, state: State, chain: Chain, road: TyreCapacity, inputs: Inputs
) -> tuple[Parts, dict[str, Number]]:
    """One state, plain or worked: the pedal at light braking and at first lock, what failures leave; the headlines."""
    lock = lock_order(road, chain.path)
    touch = light_pressure(inputs)
    light, light_numbers = pedal_at_push(chain, touch, foot_for_pressure(chain, touch), inputs)
    front = chain.path.front(lock.first_force)
    pressure = pressure_for_force.at(Axle.FRONT)(chain.front.pressure, front, chain.front.brake_force)
    locked, lock_numbers = pedal_at_push(chain, pressure, chain.foot_at(lock.first_force), inputs)
    # The rules ask it on a road with good grip.
    asked = car.road_registered and state.track is Surface.DRY
    left, failure_numbers = failures(chain, road, lock, inputs, registered=asked)
    pushes = lock_numbers["foot_force"], light_numbers["foot_force"]
    numbers: dict[str, Number] = {"stiffness": pedal_stiffness(*pushes, lock_numbers["pedal"], light_numbers["pedal"])}
    for key, of in (("light", light_numbers), ("lock", lock_numbers), ("failures", failure_numbers)):
        numbers |= {f"{key}.{name}": number for name, number in of.items()}
    return (light, locked, left), numbers
