"""The weighing: mass and balance on the level, then the height of the centre of gravity with the rear raised."""

import math
from typing import NamedTuple

from plimbo.core.documents import Car, Doubt, Scales, Weighing
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import AXLES
from plimbo.core.quantities.fields import bounds_of
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.quantities.results import answer
from plimbo.core.vehicle.measurement import Complaint, Measurement
from plimbo.core.working.formula import DEFINITION, GEOMETRY, formula
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Number, arc_sine, single, square_root, tangent

MILLIKEN = (
    "From memory of Milliken & Milliken, Race Car Vehicle Dynamics, and of Reimpell: rear axle raised, springs locked"
)
SQUARES = "Independent errors add as squares; first order"


@formula("m", "Mass on the scales", "mass", "{readings: + }", DEFINITION)
def sum_of_scales(*readings: Number) -> Number:
    """All readings added, kg."""
    return sum(readings)


@formula("w", "Share", "share", "{part} / {whole}", DEFINITION, valid="{whole} > 0")
def share_of_mass(part: Number, whole: Number) -> Number:
    """Share of one end, side or diagonal; masses in kg."""
    return part / whole


@formula("θ", "The car tilts by", "angle", "arcsin({lift} / {wheelbase})", GEOMETRY, valid="0 ≤ {lift} < {wheelbase}")
def tilt_of_lift(lift: Number, wheelbase: Number) -> Number:
    """Angle of the car about its front hubs, rad, the rear hubs raised by the lift, m."""
    return arc_sine(lift / wheelbase)


@formula(
    "R",
    "Height of the hub line at the centre of gravity",
    "length",
    "{front_share} · {front} + (1 − {front_share}) · {rear}",
    MILLIKEN,
)
def hub_line(front_share: Number, front: Number, rear: Number) -> Number:
    """Between the front and the rear hub heights, m."""
    return front_share * front + (1 - front_share) * rear


@formula(
    "h_R",
    "Centre of gravity over the hub line",
    "length",
    "({raised} − {level}) · {wheelbase} / ({mass} · tan({tilt}))",
    MILLIKEN,
    valid="{tilt} > 0, {mass} > 0",
)
def height_over_hubs(raised: Number, level: Number, wheelbase: Number, mass: Number, tilt: Number) -> Number:
    """Height over the hubs, m: from the load that the front scales gain when the rear is raised.

    Front scales raised and level, kg, wheelbase, m, mass, kg, tilt, rad.
    """
    return (raised - level) * wheelbase / (mass * tangent(tilt))


@formula("h", "Height of the centre of gravity", "length", "{hub_height} + {over_hubs}", MILLIKEN)
def height_of_cg(hub_height: Number, over_hubs: Number) -> Number:
    """Height above the ground, m."""
    return hub_height + over_hubs


@formula(
    "e_h,m",
    "What the scales leave open",
    "length",
    "{scale_error} / {mass} · √({front_scales} · ({wheelbase} / tan({tilt}) + {over_hubs})²"
    " + {front_scales} · ({wheelbase} / tan({tilt}))² + {rear_scales} · {over_hubs}²)",
    SQUARES,
    valid="{tilt} > 0, {mass} > 0",
)
def error_from_scales(
    scale_error: Number,
    mass: Number,
    front_scales: Number,
    wheelbase: Number,
    tilt: Number,
    over_hubs: Number,
    rear_scales: Number,
) -> Number:
    """Plus or minus, m, from `scale_error` kg on each scale of the level and of the raised weighing."""
    per_kilogram = wheelbase / tangent(tilt)
    squares = front_scales * ((per_kilogram + over_hubs) ** 2 + per_kilogram**2) + rear_scales * over_hubs**2
    return scale_error / mass * square_root(squares)


@formula(
    "e_h,H",
    "What the lift leaves open",
    "length",
    "{lift_error} · {over_hubs} · {wheelbase}² / ({lift} · ({wheelbase}² − {lift}²))",
    SQUARES,
    valid="0 < {lift} < {wheelbase}",
)
def error_from_lift(lift_error: Number, over_hubs: Number, wheelbase: Number, lift: Number) -> Number:
    """Plus or minus, m, from `lift_error` m of the lift."""
    return lift_error * over_hubs * wheelbase**2 / (lift * (wheelbase**2 - lift**2))


@formula("e_h", "The height is known to", "length", "√({parts:² + }²)", SQUARES)
def combined_error(*parts: Number) -> Number:
    """Plus or minus, m."""
    return square_root(sum(part * part for part in parts))


PATH = "car.measured.weighing"
LEAST_MASS, _ = bounds_of(Car, "mass")
LEAST_HEIGHT, MOST_HEIGHT = bounds_of(Car, "cg_height")
CORNERS = ("front_left", "front_right", "rear_left", "rear_right")
AXLE_READINGS = tuple(str(axle) for axle in AXLES)


class WeighingAnswer(Measurement):
    """The car from its scales. Errors are plus or minus; `lift_wanted` is the lift that would make the height accurate
    enough.
    """

    front: float | None = answer("reading", "Front scales, on the level")
    rear: float | None = answer("reading", "Rear scales, on the level")
    mass: float | None = answer("reading", "Mass on the scales")
    front_share: float | None = answer("share", "Front weight share")
    left_share: float | None = answer("share", "Left share")
    cross_share: float | None = answer("share", "Cross: front right and rear left")
    raised_mass: float | None = answer("reading", "All scales, rear raised")
    front_gain: float | None = answer("reading", "Front gains, rear raised")
    tilt: float | None = answer("angle", "The car tilts by")
    hub_height: float | None = answer("length", "Height of the hub line")
    cg_height: float | None = answer("length", "Height of the centre of gravity")
    cg_error: float | None = answer("length", "The height is known to")
    scales_error: float | None = answer("length", "What the scales leave open")
    lift_error: float | None = answer("length", "What the lift leaves open")
    lift_wanted: float | None = answer("length", "Lift that would do")


class LevelReadings(NamedTuple):
    """Readings on the level, kg, and the number of scales under one axle."""

    front: Number
    rear: Number
    mass: Number
    front_share: Number
    scales: float


def weigh(car: Car, inputs: Inputs, numbers: dict[str, Number]) -> WeighingAnswer:
    """Calculate what the readings allow; adds its headline numbers to `numbers`."""
    weighing, found = car.measured.weighing, dict.fromkeys(WeighingAnswer.model_fields)
    corners = weighing.scales is Scales.CORNERS
    names = CORNERS if corners else AXLE_READINGS
    readings = {name: inputs(weighing, name) for name in names if getattr(weighing, name) is not None}
    values: dict[str, Number] = {}
    for axle in AXLES:
        ends = [name for name in names if name.startswith(axle)]
        if all(end in readings for end in ends):
            of_axle = [readings[end] for end in ends]
            values[str(axle)] = sum_of_scales(*of_axle) if corners else of_axle[0]
    if len(values) < len(AXLES):
        return WeighingAnswer(**(found | values | {"complaints": (), "advice": None, "takes": {}}))
    complaints: list[Complaint] = []
    takes: dict[str, float] = {}
    front = values["front"]
    values["mass"] = mass = sum_of_scales(*readings.values())
    empty = next((end for end, part in (("front", front), ("rear", mass - front)) if part <= 0), None)
    if mass <= LEAST_MASS or empty:
        words = f"Nothing stands on the {empty} scales." if empty else "The scales show no car."
        complaints.append(
            Complaint(path=f"{PATH}.{names[0] if empty == 'front' else names[-1]}", message=phrase(words))
        )
    else:
        values["front_share"] = share_of_mass(front, mass)
        if corners:
            left = sum_of_scales(readings["front_left"], readings["rear_left"])
            cross = sum_of_scales(readings["front_right"], readings["rear_left"])
            values["left_share"] = share_of_mass(left, mass)
            values["cross_share"] = share_of_mass(cross, mass)
        takes |= {"mass": float(mass), "front_share": float(values["front_share"])}
        level = LevelReadings(front, mass - front, mass, values["front_share"], 2.0 if corners else 1.0)
        complaints += _raised(car, weighing, level, inputs, values)
        if "cg_height" in values:
            # A doubt beyond the range of the draws means the same: the height is practically unknown.
            doubt = min(bounds_of(Doubt, "cg_height")[1], round(float(values["cg_error"]), 4))
            takes |= {"cg_height": float(values["cg_height"]), "doubt.cg_height": doubt}
    numbers |= {f"weighing.{name}": value for name, value in values.items()}
    return WeighingAnswer(
        **(found | values | {"complaints": tuple(complaints), "advice": _advice(values), "takes": takes})
    )


def _raised(
    car: Car, weighing: Weighing, level: LevelReadings, inputs: Inputs, values: dict[str, Number]
) -> list[Complaint]:
    """The raised weighing; adds its results to `values` and returns its errors."""
    complaints = []
    lift, raised_front = weighing.lift, weighing.raised_front
    if raised_front is not None and weighing.raised_rear is not None:
        values["raised_mass"] = sum_of_scales(inputs(weighing, "raised_front"), inputs(weighing, "raised_rear"))
        apart = abs(single(values["raised_mass"] - level.mass))
        if apart > 3 * weighing.scale_error * math.sqrt(4 * level.scales) + 1e-9:
            complaints.append(
                Complaint(
                    path=f"{PATH}.raised_rear",
                    message=phrase(
                        "Raised, the scales show {raised} in all, on the level {level}: they do not add up."
                        " Zero them, free the brakes, and see that nothing else carries the car.",
                        raised=(values["raised_mass"], "reading"),
                        level=(level.mass, "reading"),
                    ),
                )
            )
    if lift is not None and lift >= car.wheelbase:
        complaints.append(
            Complaint(
                path=f"{PATH}.lift",
                message=phrase(
                    "A lift of {lift} is beyond the wheelbase of {wheelbase}: no car stands like that.",
                    lift=(lift, "length"),
                    wheelbase=(car.wheelbase, "length"),
                ),
            )
        )
        return complaints
    if raised_front is not None:
        values["front_gain"] = raised_front - level.front
        if values["front_gain"] <= 0:
            complaints.append(
                Complaint(
                    path=f"{PATH}.raised_front",
                    message=phrase(
                        "The front must gain when the rear goes up; it went from {level} to {raised}."
                        " Are the readings swapped, or do the brakes bind?",
                        level=(level.front, "reading"),
                        raised=(raised_front, "reading"),
                    ),
                )
            )
    if lift is None or raised_front is None or complaints:
        return complaints
    _height(car, weighing, level, inputs, values)
    if not LEAST_HEIGHT < values["cg_height"] <= MOST_HEIGHT:
        complaints.append(
            Complaint(
                path=f"{PATH}.raised_front",
                message=phrase(
                    "The centre of gravity comes out {height} above the ground. Read scales and lift again.",
                    height=(values.pop("cg_height"), "length"),
                ),
            )
        )
    return complaints


def _height(car: Car, weighing: Weighing, level: LevelReadings, inputs: Inputs, values: dict[str, Number]) -> None:
    """Height of the centre of gravity and its uncertainty."""
    wheelbase, lift = inputs(car, "wheelbase"), inputs(weighing, "lift")
    tilt = tilt_of_lift(lift, wheelbase)
    if weighing.hub_height is not None:
        hubs = inputs(weighing, "hub_height")
    else:
        front, rear = inputs(car.front_tyre, "loaded_radius"), inputs(car.rear_tyre, "loaded_radius")
        hubs = hub_line(level.front_share, front, rear)
    over = height_over_hubs(inputs(weighing, "raised_front"), level.front, wheelbase, level.mass, tilt)
    by_scales = error_from_scales(
        inputs(weighing, "scale_error"), level.mass, level.scales, wheelbase, tilt, over, level.scales
    )
    by_lift = error_from_lift(inputs(weighing, "lift_error"), over, wheelbase, lift)
    values |= {
        "tilt": tilt,
        "hub_height": hubs,
        "cg_height": height_of_cg(hubs, over),
        "cg_error": combined_error(by_scales, by_lift),
        "scales_error": by_scales,
        "lift_error": by_lift,
    }
    wanted = _lift_wanted(weighing, level, float(wheelbase), float(over))
    if values["cg_error"] > defaults.CG_ERROR_WANTED.value and wanted is not None:
        values["lift_wanted"] = wanted


def _lift_wanted(weighing: Weighing, level: LevelReadings, wheelbase: float, over: float) -> float | None:
    """Smallest lift, to the next 10 mm, that makes the height accurate enough; none if no safe lift does."""
    most = defaults.LIFT_MOST.value * wheelbase
    for centimetres in range(1, math.floor(most * 100) + 1):
        lift = centimetres / 100
        by_scales = error_from_scales(
            weighing.scale_error,
            float(level.mass),
            level.scales,
            wheelbase,
            tilt_of_lift(lift, wheelbase),
            over,
            level.scales,
        )
        by_lift = error_from_lift(weighing.lift_error, over, wheelbase, lift)
        if combined_error(by_scales, by_lift) <= defaults.CG_ERROR_WANTED.value:
            return lift
    return None


def _advice(values: dict[str, Number]) -> Phrase | None:
    """What would make the height more accurate, where it is not accurate enough."""
    error = values.get("cg_error")
    if error is None or error <= defaults.CG_ERROR_WANTED.value:
        return None
    wanted = (defaults.CG_ERROR_WANTED.value, "length")
    if "lift_wanted" in values:
        return phrase(
            "Known to ±{error} only. Raise the rear by {lift} or more to know it to ±{wanted}.",
            error=(error, "length"),
            lift=(values["lift_wanted"], "length"),
            wanted=wanted,
        )
    return phrase(
        "Known to ±{error} only, and no safe lift makes it ±{wanted}: use scales that read finer, or weigh several"
        " times and take the mean.",
        error=(error, "length"),
        wanted=wanted,
    )
