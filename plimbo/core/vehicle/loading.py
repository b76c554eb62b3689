"""The car in one of its loads: what was weighed, plus what was added, less what was taken off."""

from typing import NamedTuple

from plimbo.core.documents import AS_WEIGHED, Car, LoadState
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.quantities.results import Result, answer
from plimbo.core.working.formula import DEFINITION, formula
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Number


@formula("Δm", "Added against the weighing", "mass", "({aboard} − {on_scales}) · {mass}", DEFINITION)
def added_mass(aboard: Number, on_scales: Number, mass: Number) -> Number:
    """Mass of an item added since the weighing, kg; negative where it was taken off. From shares of its mass, kg."""
    return (aboard - on_scales) * mass


@formula("Q", "Moment", "mass moment", "{mass} · {arm}", DEFINITION)
def moment(mass: Number, arm: Number) -> Number:
    """Mass, kg, times distance, m: kg·m."""
    return mass * arm


@formula(
    "x",
    "Centre of gravity behind the front axle",
    "length",
    "(1 − {front_share}) · {wheelbase}",
    "Moments about the front axle",
)
def behind_front_axle(front_share: Number, wheelbase: Number) -> Number:
    """Distance of the weighed car's centre of gravity behind the front axle, m."""
    return (1 - front_share) * wheelbase


@formula("m", "Mass in this load", "mass", "{masses: + }", DEFINITION)
def loaded_mass(*masses: Number) -> Number:
    """The weighed car with everything that was added, kg."""
    return sum(masses)


@formula("x", "Centre of gravity in this load", "length", "({moments: + }) / {mass}", "Moments", valid="{mass} > 0")
def centre(mass: Number, *moments: Number) -> Number:
    """Distance or height of the common centre of gravity, m."""
    return sum(moments) / mass


@formula(
    "w_f",
    "Front weight share in this load",
    "share",
    "1 − {centre} / {wheelbase}",
    "Moments about the rear axle",
    valid="{wheelbase} > 0",
)
def loaded_front_share(centre: Number, wheelbase: Number) -> Number:
    """Front share from the distance of the centre of gravity behind the front axle and the wheelbase, both in m."""
    return 1 - centre / wheelbase


class LoadedCar(NamedTuple):
    """Mass, kg; front weight share; height of the centre of gravity, m."""

    mass: Number
    front_share: Number
    cg_height: Number


def load_named(car: Car, name: str) -> LoadState | None:
    """The load of this name; none for the car as weighed.

    Raises `OutOfRange` where the car has none of that name.
    """
    if name == AS_WEIGHED:
        return None
    for load in car.loading.states:
        if load.name == name:
            return load
    raise OutOfRange("car.loading", f"The car has no load “{name}”: choose one that it has.")


def loaded_car(car: Car, name: str, inputs: Inputs) -> LoadedCar:
    """The car in the load of this name.

    Raises `OutOfRange` where what was taken off leaves no car, or puts all the weight past an axle.
    """
    as_weighed = LoadedCar(inputs(car, "mass"), inputs(car, "front_share"), inputs(car, "cg_height"))
    load = load_named(car, name)
    if load is None:
        return as_weighed
    changed = [
        (index, item, share)
        for index, (item, share) in enumerate(zip(car.loading.items, load.shares, strict=True))
        if share != item.on_scales and item.mass > 0
    ]
    if not changed:
        return as_weighed
    wheelbase = inputs(car, "wheelbase")
    place = behind_front_axle(as_weighed.front_share, wheelbase)
    masses = [as_weighed.mass]
    along, up = [moment(as_weighed.mass, place)], [moment(as_weighed.mass, as_weighed.cg_height)]
    for index, item, share in changed:
        aboard = inputs.number(load, "shares", share, None, index + 1)
        added = added_mass(aboard, inputs(item, "on_scales"), inputs(item, "mass"))
        masses.append(added)
        along.append(moment(added, inputs(item, "behind_front_axle")))
        up.append(moment(added, inputs(item, "height")))
    mass = loaded_mass(*masses)
    if mass <= 0:
        raise OutOfRange("car.loading", f"In “{name}” more is taken off than the car weighs: check the masses.")
    front_share = loaded_front_share(centre(mass, *along), wheelbase)
    cg_height = centre(mass, *up)
    if not 0 < front_share < 1:
        raise OutOfRange(
            "car.loading", f"In “{name}” the weight stands outside the wheels: check the masses and their places."
        )
    if cg_height <= 0:
        raise OutOfRange("car.loading", f"In “{name}” the weight sits below the ground: check the heights.")
    return LoadedCar(mass, front_share, cg_height)


class LoadAnswer(Result):
    """The car in one load; without numbers where this load is impossible."""

    load: str
    mass: float | None = answer("mass", "Mass")
    front_share: float | None = answer("share", "Front weight share")
    cg_height: float | None = answer("length", "Height of the centre of gravity")


def car_in_each_load(car: Car, inputs: Inputs, numbers: dict[str, Number]) -> tuple[LoadAnswer, ...]:
    """As weighed first, then in the order of the loads; adds its headline numbers to `numbers`."""
    found = []
    for index, name in enumerate((AS_WEIGHED, *(load.name for load in car.loading.states))):
        try:
            loaded = loaded_car(car, name, inputs)._asdict()
        except OutOfRange:
            loaded = {"mass": None, "front_share": None, "cg_height": None}
        else:
            numbers |= {f"loads.{index}.{key}": value for key, value in loaded.items()}
        found.append(LoadAnswer(load=name, **loaded))
    return tuple(found)
