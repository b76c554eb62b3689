"""The car in each of its loads."""

from plimbo.core.documents import AS_WEIGHED, Car
from plimbo.core.documents.fields import Result, answer
from plimbo.core.errors import OutOfRange
from plimbo.core.road.loaded import loaded_car
from plimbo.core.working import Inputs


class LoadAnswer(Result):
    """The car in one load; no numbers where it cannot be carried."""

    load: str
    mass: float | None = answer("mass", "Mass")
    front_share: float | None = answer("share", "Front weight share")
    cg_height: float | None = answer("length", "Height of the centre of gravity")


def car_in_each_load(car: Car, take: Inputs, numbers: dict[str, float]) -> tuple[LoadAnswer, ...]:
    """As weighed first, then in the order of the loads; adds its headline numbers to `numbers`."""
    found = []
    for index, name in enumerate((AS_WEIGHED, *(load.name for load in car.loading.states))):
        try:
            told = loaded_car(car, name, take)._asdict()
        except OutOfRange:
            told = {"mass": None, "front_share": None, "cg_height": None}
        else:
            numbers |= {f"loads.{index}.{key}": value for key, value in told.items()}
        found.append(LoadAnswer(load=name, **told))
    return tuple(found)
