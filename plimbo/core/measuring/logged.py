"""Tyre grip from the best deceleration on the logger, with drag and downforce taken out."""

from plimbo.core.documents import Car, State
from plimbo.core.documents.fields import answer
from plimbo.core.errors import OutOfRange
from plimbo.core.formulas import loads
from plimbo.core.formulas import tyre as formulas
from plimbo.core.measuring.readings import Complaint, Measurement
from plimbo.core.phrases import phrase
from plimbo.core.road.demand import demand
from plimbo.core.working import Axle, Inputs

PATH = "car.measured.logged"


class LoggedAnswer(Measurement):
    """Dry friction coefficients that the logged stop shows the tyres to have, at least."""

    tyre_force: float | None = answer("force", "Force of all tyres, as logged")
    front_friction: float | None = answer("friction", "Tyre grip from the log, front")
    rear_friction: float | None = answer("friction", "Tyre grip from the log, rear")


def grip_from_log(car: Car, take: Inputs, numbers: dict[str, float]) -> LoggedAnswer:
    """Scale both axles' grip so that the logged stop is at the tyres' limit; adds its headline numbers to `numbers`."""
    logged = car.measured.logged
    nothing = {"tyre_force": None, "front_friction": None, "rear_friction": None}
    if logged.deceleration is None:
        return LoggedAnswer(**nothing)

    def complain(words: str) -> LoggedAnswer:
        return LoggedAnswer(**nothing, complaints=(Complaint(path=f"{PATH}.deceleration", message=phrase(words)),))

    as_logged = State(name="the log", load=logged.load, track=logged.track, speed=logged.speed or 0.0)
    try:
        road = demand(car, as_logged, take)
    except OutOfRange as told:
        return complain(told.message)
    force = formulas.logged_tyre_force(road.car.mass, take(logged, "deceleration"), road.drag)
    if force <= road.engine:
        return complain("Drag and engine braking alone give that much: check deceleration and speed.")
    front_load = loads.front_load_braking.at(Axle.FRONT)(road.front.load, force, road.transfer)
    rear_load = loads.rear_load_braking.at(Axle.REAR)(road.rear.load, force, road.transfer)
    if rear_load <= 0:
        return complain("That much would lift the rear wheels: check it, or the height of the centre of gravity.")
    scale = formulas.grip_scale(
        force, road.front.capacity(front_load, Axle.FRONT), road.rear.capacity(rear_load, Axle.REAR)
    )
    front = formulas.scaled_friction.at(Axle.FRONT)(scale, take(car.front_tyre, "friction", Axle.FRONT))
    rear = formulas.scaled_friction.at(Axle.REAR)(scale, take(car.rear_tyre, "friction", Axle.REAR))
    if not (0.02 <= front <= 3 and 0.02 <= rear <= 3):
        return complain("No tyre grips like that: check deceleration, speed, downforce and track.")
    numbers |= {"logged.tyre_force": force, "logged.front_friction": front, "logged.rear_friction": rear}
    takes = {"front_tyre.friction": round(float(front), 3), "rear_tyre.friction": round(float(rear), 3)}
    without_air = logged.speed is None and (car.front_lift_area or car.rear_lift_area or car.drag_area)
    advice = phrase("Give the speed too: downforce and drag are still in these numbers.") if without_air else None
    return LoggedAnswer(tyre_force=force, front_friction=front, rear_friction=rear, takes=takes, advice=advice)
