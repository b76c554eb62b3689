"""One question, one call: everything under the driver's foot."""

from collections.abc import Sequence

from plimbo.core.brakes.chain import Chain, foot_at, foot_to_road, total_of
from plimbo.core.brakes.displacement import PedalTravel
from plimbo.core.brakes.path import front_at
from plimbo.core.brakes.settings import knee_wanted
from plimbo.core.documents import Car, Setup, State
from plimbo.core.documents.fields import Result, answer
from plimbo.core.formulas import friction, travel
from plimbo.core.pedal.card import Card, card
from plimbo.core.pedal.friction import PadAnswer, pads
from plimbo.core.pedal.handbrake import HandbrakeAnswer, handbrake
from plimbo.core.pedal.improvements import Improvement, improvements
from plimbo.core.pedal.lost import Left, whats_left
from plimbo.core.pedal.pressures import PushCurve, push_curves
from plimbo.core.pedal.remarks import Remark, remarks
from plimbo.core.pedal.schools import DISAGREEMENTS, Disagreement, PushSchool, RadiusRow, push_schools, radius_rows
from plimbo.core.pedal.travelled import TravelAnswer, light_pressure, travel_at
from plimbo.core.road.demand import demand, lock_order
from plimbo.core.road.roads import roads_of
from plimbo.core.working import PLAIN, Axle, Inputs, Step, working


class StatePedal(Result):
    """One state: pressures over the push, the pedal at first lock, and what is left with a circuit lost."""

    state: str
    curve: PushCurve
    light: TravelAnswer
    lock: TravelAnswer
    stiffness: float = answer("stiffness", "Stiffness of the pedal, from a touch to lock")
    knee_wanted: float | None = answer("pressure", "Knee with which the rear comes to its limit with the front")
    left: tuple[Left, ...]
    steps: tuple[Step, ...]
    headlines: dict[str, int]


class PedalWork(Result):
    """Every state, and what is the same in all of them."""

    states: tuple[StatePedal, ...]
    hardest: str
    room: float = answer("length", "Room of the pedal")
    card: Card
    improvements: tuple[Improvement, ...]
    radii: tuple[RadiusRow, ...]
    pushes: tuple[PushSchool, ...]
    disagreements: tuple[Disagreement, ...]
    handbrake: HandbrakeAnswer | None
    pads: tuple[PadAnswer, ...]
    remarks: tuple[Remark, ...]


def pedal_work(
    car: Car, setup: Setup, states: Sequence[State] | None = None, *, with_working: bool = True
) -> PedalWork:
    """Look at the pedal in every state (the car's own where none are given).

    Raises `OutOfRange` where the inputs together are outside the model.
    """
    states = car.states if states is None else states
    names = [state.name for state in states]
    chain = foot_to_road(car, setup, PLAIN)
    known = roads_of(car, states)
    roads, at_speed = known.demands, known.at_speed
    locks = [lock_order(road, chain.path) for road in roads]
    pushes = [[foot_at(chain, force) for force in (lock.front_force, lock.rear_force)] for lock in locks]
    curves = push_curves(car, setup, chain, at_speed, pushes)
    take = Inputs(with_working)
    told = foot_to_road(car, setup, take) if with_working else chain
    answers, made = [], []
    for index, state in enumerate(states):
        road = demand(car, state, take) if with_working else roads[index]
        lock = lock_order(road, told.path)
        numbers: dict[str, float] = {}
        lit, touched = _at(setup, told, light_pressure(take), None, take, numbers, "light")
        front = front_at(told.path, lock.first_force)
        at_lock = travel.front_pressure(told.front.pressure, front, told.front.brake_force)
        locked, pressed = _at(setup, told, at_lock, lock.first_force, take, numbers, "lock")
        pushes_made = numbers["lock.foot_force"], numbers["light.foot_force"]
        stiffness = travel.pedal_stiffness(*pushes_made, pressed.pedal, touched.pedal)
        numbers["stiffness"] = stiffness
        left = whats_left(car, setup, told, road, lock, take, numbers)
        steps, headlines = working(numbers) if with_working else ((), {})
        made.append(locked)
        answers.append(
            StatePedal(
                state=state.name,
                curve=curves[index],
                light=lit,
                lock=locked,
                stiffness=max(0.0, min(float(stiffness), 1e12)),
                knee_wanted=knee_wanted(setup, chain, (road.limit.front_force, road.limit.rear_force)),
                left=left,
                steps=steps,
                headlines=headlines,
            )
        )
    hardest = max(range(len(states)), key=lambda index: made[index].front.pressure)
    return PedalWork(
        states=tuple(answers),
        hardest=names[hardest],
        room=setup.pedal.room,
        card=card(car, setup, chain, roads, names),
        improvements=improvements(car, setup, chain, roads[hardest]),
        radii=radius_rows(car, setup),
        pushes=push_schools(car, setup, chain, locks[hardest], made[hardest].pedal),
        disagreements=DISAGREEMENTS,
        pads=pads(setup),
        handbrake=handbrake(setup, chain, roads, names),
        remarks=remarks(car, setup, chain),
    )


def _at(
    setup: Setup, chain: Chain, front_pressure: float, total: float | None, take: Inputs, numbers: dict[str, float],
    name: str,
) -> tuple[TravelAnswer, PedalTravel]:  # fmt: skip
    if total is None:
        made = chain.front.brake_force, front_pressure, chain.front.pressure
        total = total_of(chain, friction.force_at_pressure.at(Axle.FRONT)(*made))
    return travel_at(setup, chain, front_pressure, foot_at(chain, total), take, numbers, name)
