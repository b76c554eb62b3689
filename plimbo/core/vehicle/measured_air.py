"""Lift and drag areas from forces of the air measured at a speed."""

from plimbo.core.documents import Car
from plimbo.core.quantities.fields import bounds_of
from plimbo.core.quantities.phrases import phrase
from plimbo.core.quantities.results import answer
from plimbo.core.vehicle import air
from plimbo.core.vehicle.measurement import Complaint, Measurement
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Number

AREAS = {"front": "front_lift_area", "rear": "rear_lift_area", "drag": "drag_area"}


class DownforceAnswer(Measurement):
    """Areas in the air of the day."""

    density: float = answer("density", "Air density")
    front_lift_area: float | None = answer("lift area", "Front downforce, ClA")
    rear_lift_area: float | None = answer("lift area", "Rear downforce, ClA")
    drag_area: float | None = answer("lift area", "Drag, CdA")


def areas_from_forces(car: Car, inputs: Inputs, numbers: dict[str, Number]) -> DownforceAnswer:
    """Areas from the measured forces; adds its headline numbers to `numbers`."""
    measured = car.measured.downforce
    density = air.air_of_the_day(car, inputs)
    numbers["downforce.density"] = density
    found: dict[str, Number | None] = dict.fromkeys(AREAS.values())
    given = {name: area for name, area in AREAS.items() if getattr(measured, name) is not None}
    complaints: tuple[Complaint, ...] = ()
    takes = {}
    if given and measured.speed is None:
        words = "Forces of the air mean nothing without their speed: give it."
        complaints = (Complaint(path="car.measured.downforce.speed", message=phrase(words)),)
    elif given:
        speed = inputs(measured, "speed")
        for name, area in given.items():
            value = air.area_of_force(inputs(measured, name), density, speed)
            least, most = bounds_of(Car, area)
            if not least <= value <= most:
                message = phrase(
                    "{area} of area: no car has that much. Check force and speed.", area=(value, "lift area")
                )
                complaints += (Complaint(path=f"car.measured.downforce.{name}", message=message),)
                continue
            found[area] = value
            numbers[f"downforce.{area}"] = value
            takes[area] = round(float(value), 4)
    return DownforceAnswer(density=density, **found, complaints=complaints, takes=takes)
