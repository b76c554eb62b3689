"""The weighing: mass and balance on the level, then the height of the centre of gravity with the rear raised."""

import math
from typing import NamedTuple

from plimbo.core import defaults
from plimbo.core.documents import Car, Scales, Weighing
from plimbo.core.documents.fields import answer
from plimbo.core.formulas import weighing as formulas
from plimbo.core.measuring.readings import Complaint, Measurement
from plimbo.core.phrases import Phrase, phrase
from plimbo.core.working import Inputs

PATH = "car.measured.weighing"
CORNERS = ("front_left", "front_right", "rear_left", "rear_right")
AXLE_READINGS = ("front", "rear")


class WeighingAnswer(Measurement):
    """The car from its scales. Errors are plus or minus; `lift_wanted` is what would make the height sure enough."""

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


class Level(NamedTuple):
    """What stands on the scales on the level, kg; how many scales a whole axle stands on."""

    front: float
    rear: float
    mass: float
    front_share: float
    scales: float


def weigh(car: Car, take: Inputs, numbers: dict[str, float]) -> WeighingAnswer:
    """Work out what the readings give, as far as they go; adds its headline numbers to `numbers`."""
    weighing, found = car.measured.weighing, dict.fromkeys(WeighingAnswer.model_fields)
    corners = weighing.scales is Scales.CORNERS
    names = CORNERS if corners else AXLE_READINGS
    readings = {name: take(weighing, name) for name in names if getattr(weighing, name) is not None}
    if len(readings) < len(names):
        return WeighingAnswer(**(found | {"complaints": (), "advice": None, "takes": {}}))
    complaints: list[Complaint] = []
    takes: dict[str, float] = {}
    values: dict[str, float] = {}
    mass = formulas.sum_of_scales(*readings.values())
    front = formulas.sum_of_scales(*list(readings.values())[:2]) if corners else readings["front"]
    values["mass"] = mass
    empty = next((end for end, part in (("front", front), ("rear", mass - front)) if part <= 0), None)
    if mass <= 50 or empty:
        words = f"Nothing stands on the {empty} scales." if empty else "The scales show no car."
        complaints.append(
            Complaint(path=f"{PATH}.{names[0] if empty == 'front' else names[-1]}", message=phrase(words))
        )
    else:
        values["front_share"] = formulas.share_of_mass(front, mass)
        if corners:
            left = formulas.sum_of_scales(readings["front_left"], readings["rear_left"])
            cross = formulas.sum_of_scales(readings["front_right"], readings["rear_left"])
            values["left_share"] = formulas.share_of_mass(left, mass)
            values["cross_share"] = formulas.share_of_mass(cross, mass)
        takes |= {"mass": float(mass), "front_share": float(values["front_share"])}
        level = Level(front, mass - front, mass, values["front_share"], 2.0 if corners else 1.0)
        complaints += _raised(car, weighing, level, take, values)
        if "cg_height" in values:
            # A doubt beyond what the draws take says the same: the height is as good as unknown.
            doubt = min(0.2, round(float(values["cg_error"]), 4))
            takes |= {"cg_height": float(values["cg_height"]), "doubt.cg_height": doubt}
    numbers |= {f"weighing.{name}": value for name, value in values.items()}
    return WeighingAnswer(
        **(found | values | {"complaints": tuple(complaints), "advice": _advice(values), "takes": takes})
    )


def _raised(car: Car, weighing: Weighing, level: Level, take: Inputs, values: dict[str, float]) -> list[Complaint]:
    """The raised weighing; adds to `values` what it gives, and returns what is wrong with it."""
    complaints = []
    lift, raised_front = weighing.lift, weighing.raised_front
    if raised_front is not None and weighing.raised_rear is not None:
        values["raised_mass"] = formulas.sum_of_scales(take(weighing, "raised_front"), take(weighing, "raised_rear"))
        apart = abs(values["raised_mass"] - level.mass)
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
    _height(car, weighing, level, take, values)
    if values["cg_height"] > 1.5:
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


def _height(car: Car, weighing: Weighing, level: Level, take: Inputs, values: dict[str, float]) -> None:
    """Height of the centre of gravity and how well it is known."""
    wheelbase, lift = take(car, "wheelbase"), take(weighing, "lift")
    tilt = formulas.tilt(lift, wheelbase)
    if weighing.hub_height is not None:
        hubs = take(weighing, "hub_height")
    else:
        front, rear = take(car.front_tyre, "loaded_radius"), take(car.rear_tyre, "loaded_radius")
        hubs = formulas.hub_line(level.front_share, front, rear)
    over = formulas.height_over_hubs(take(weighing, "raised_front"), level.front, wheelbase, level.mass, tilt)
    by_scales = formulas.error_from_scales(
        take(weighing, "scale_error"), level.mass, level.scales, wheelbase, tilt, over, level.scales
    )
    by_lift = formulas.error_from_lift(take(weighing, "lift_error"), over, wheelbase, lift)
    values |= {
        "tilt": tilt,
        "hub_height": hubs,
        "cg_height": formulas.height_of_cg(hubs, over),
        "cg_error": formulas.combined_error(by_scales, by_lift),
        "scales_error": by_scales,
        "lift_error": by_lift,
    }
    wanted = _lift_wanted(weighing, level, float(wheelbase), float(over))
    if values["cg_error"] > defaults.CG_ERROR_WANTED.value and wanted is not None:
        values["lift_wanted"] = wanted


def _lift_wanted(weighing: Weighing, level: Level, wheelbase: float, over: float) -> float | None:
    """Least lift, to the next 10 mm, at which the height would be known well enough; none within reach."""
    most = defaults.LIFT_MOST.value * wheelbase
    for centimetres in range(1, math.floor(most * 100) + 1):
        lift = centimetres / 100
        by_scales = formulas.error_from_scales.function(
            weighing.scale_error,
            float(level.mass),
            level.scales,
            wheelbase,
            formulas.tilt.function(lift, wheelbase),
            over,
            level.scales,
        )
        by_lift = formulas.error_from_lift.function(weighing.lift_error, over, wheelbase, lift)
        if math.hypot(by_scales, by_lift) <= defaults.CG_ERROR_WANTED.value:
            return lift
    return None


def _advice(values: dict[str, float]) -> Phrase | None:
    """What would make the height surer, where it is not sure enough."""
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
