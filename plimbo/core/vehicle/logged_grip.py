"""Tyre grip from the best deceleration on the logger, with drag and downforce taken out."""

from plimbo.core.documents import Car, State, Tyre
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.quantities.fields import bounds_of
from plimbo.core.quantities.phrases import phrase
from plimbo.core.quantities.results import answer
from plimbo.core.vehicle import loads
from plimbo.core.vehicle.measurement import Complaint, Measurement
from plimbo.core.vehicle.tyre_capacity import condition_of, tyre_capacity
from plimbo.core.working.formula import formula
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Number


@formula("F_log", "Force of all tyres, as logged", "force", "{mass} · {deceleration} − {drag}", loads.NEWTON)
def logged_tyre_force(mass: Number, deceleration: Number, drag: Number) -> Number:
    """Force that the tyres gave, N; the rest of the deceleration came from drag; kg, m/s², N."""
    return mass * deceleration - drag


@formula(
    "λ",
    "Grip used against grip assumed",
    "ratio",
    "{force} / ({front_capacity} + {rear_capacity})",
    "Both axles near their limit; common practice",
    valid="{front_capacity} + {rear_capacity} > 0",
)
def grip_scale(force: Number, front_capacity: Number, rear_capacity: Number) -> Number:
    """Factor on the tyres' friction that makes the logged force, N, equal to their capacity, N."""
    return force / (front_capacity + rear_capacity)


@formula("μ_t", "Tyre grip from the log", "friction", "{scale} · {friction}", "Front against rear as they were given")
def scaled_friction(scale: Number, friction: Number) -> Number:
    """Dry friction coefficient."""
    return scale * friction


PATH = "car.measured.logged"


class LoggedAnswer(Measurement):
    """Dry friction coefficients that the logged stop shows the tyres to have, at least."""

    tyre_force: float | None = answer("force", "Force of all tyres, as logged")
    front_friction: float | None = answer("friction", "Tyre grip from the log, front")
    rear_friction: float | None = answer("friction", "Tyre grip from the log, rear")


def grip_from_log(car: Car, inputs: Inputs, numbers: dict[str, Number]) -> LoggedAnswer:
    """Scale both axles' grip so that the logged stop is at the tyres' limit; adds its headline numbers to `numbers`."""
    logged = car.measured.logged
    nothing = {"tyre_force": None, "front_friction": None, "rear_friction": None}
    if logged.deceleration is None:
        return LoggedAnswer(**nothing)

    def complain(words: str, **values: tuple[float, str]) -> LoggedAnswer:
        message = phrase(words, **values)
        return LoggedAnswer(**nothing, complaints=(Complaint(path=f"{PATH}.deceleration", message=message),))

    as_logged = State(name="the log", load=logged.load, track=logged.track, speed=logged.speed or 0.0)
    try:
        road = tyre_capacity(car, condition_of(car, as_logged, inputs), inputs, ("the log",), lambda *_: PATH)
    except OutOfRange as refusal:
        return complain(refusal.message, **({"limit": refusal.limit} if refusal.limit else {}))
    force = logged_tyre_force(road.car.mass, inputs(logged, "deceleration"), road.drag)
    if force <= road.engine:
        return complain("Drag and engine braking alone give that much: check deceleration and speed.")
    front_load = loads.front_load_braking.at(Axle.FRONT)(road.front.load, force, road.transfer)
    rear_load = loads.rear_load_braking.at(Axle.REAR)(road.rear.load, force, road.transfer)
    if rear_load <= 0:
        return complain("That much would lift the rear wheels: check it, or the height of the centre of gravity.")
    scale = grip_scale(force, road.front.capacity(front_load, Axle.FRONT), road.rear.capacity(rear_load, Axle.REAR))
    front = scaled_friction.at(Axle.FRONT)(scale, inputs(car.front_tyre, "friction", Axle.FRONT))
    rear = scaled_friction.at(Axle.REAR)(scale, inputs(car.rear_tyre, "friction", Axle.REAR))
    least, most = bounds_of(Tyre, "friction")
    if not (least <= front <= most and least <= rear <= most):
        return complain("No tyre grips like that: check deceleration, speed, downforce and track.")
    numbers |= {"logged.tyre_force": force, "logged.front_friction": front, "logged.rear_friction": rear}
    takes = {"front_tyre.friction": round(float(front), 3), "rear_tyre.friction": round(float(rear), 3)}
    without_air = logged.speed is None and (car.front_lift_area or car.rear_lift_area or car.drag_area)
    advice = phrase("Give the speed too: downforce and drag are still in these numbers.") if without_air else None
    return LoggedAnswer(tyre_force=force, front_friction=front, rear_friction=rear, takes=takes, advice=advice)
