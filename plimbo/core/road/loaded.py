"""The car in one of its loads: what was weighed, plus what came aboard, less what left."""

from typing import NamedTuple

from plimbo.core.documents import AS_WEIGHED, Car, LoadState
from plimbo.core.errors import OutOfRange
from plimbo.core.formulas import weighing
from plimbo.core.working import Inputs


class LoadedCar(NamedTuple):
    """Mass, kg; front weight share; height of the centre of gravity, m."""

    mass: float
    front_share: float
    cg_height: float


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


def loaded_car(car: Car, name: str, take: Inputs) -> LoadedCar:
    """The car in the load of this name.

    Raises `OutOfRange` where what was taken off leaves no car, or puts all the weight past an axle.
    """
    as_weighed = LoadedCar(take(car, "mass"), take(car, "front_share"), take(car, "cg_height"))
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
    wheelbase = take(car, "wheelbase")
    place = weighing.behind_front_axle(as_weighed.front_share, wheelbase)
    masses = [as_weighed.mass]
    along, up = [weighing.moment(as_weighed.mass, place)], [weighing.moment(as_weighed.mass, as_weighed.cg_height)]
    for index, item, share in changed:
        aboard = take.number(load, "shares", share, None, index + 1)
        added = weighing.added_mass(aboard, take(item, "on_scales"), take(item, "mass"))
        masses.append(added)
        along.append(weighing.moment(added, take(item, "behind_front_axle")))
        up.append(weighing.moment(added, take(item, "height")))
    mass = weighing.loaded_mass(*masses)
    if mass <= 0:
        raise OutOfRange("car.loading", f"In “{name}” more is taken off than the car weighs: check the masses.")
    front_share = weighing.loaded_front_share(weighing.centre(mass, *along), wheelbase)
    cg_height = weighing.centre(mass, *up)
    if not 0 < front_share < 1:
        raise OutOfRange(
            "car.loading", f"In “{name}” the weight stands outside the wheels: check the masses and their places."
        )
    if cg_height <= 0:
        raise OutOfRange("car.loading", f"In “{name}” the weight sits below the ground: check the heights.")
    return LoadedCar(mass, front_share, cg_height)
