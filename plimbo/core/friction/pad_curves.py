"""The pads' friction as used: from a curve if there is one, with its friction letter."""

from plimbo.core.documents import Setup
from plimbo.core.friction.friction_curve import curve_of
from plimbo.core.friction.pad import friction_letter, pad_friction
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.results import Result, answer
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import single

POINTS = 33


class PadAnswer(Result):
    """One axle's pads; the curve is empty where the friction was typed."""

    axle: Axle
    friction: float = answer("friction", "Friction used")
    letter: str
    temperatures: tuple[float, ...] = answer("temperature", "Disc temperature")
    frictions: tuple[float, ...] = answer("friction", "Friction")


def pad_answers(setup: Setup) -> tuple[PadAnswer, ...]:
    """Both axles."""
    found = []
    for axle, brake in zip(AXLES, (setup.front, setup.rear), strict=True):
        pad, temperatures, frictions = brake.pad, list[float](), list[float]()
        curve = curve_of(pad)
        if curve is not None:
            first, last = pad.friction_curve[0].temperature, pad.friction_curve[-1].temperature
            temperatures = [first + (last - first) * step / (POINTS - 1) for step in range(POINTS)]
            frictions = [single(curve.at(temperature)) for temperature in temperatures]
        used = single(pad_friction(pad, PLAIN, axle))
        found.append(
            PadAnswer(
                axle=axle,
                friction=used,
                letter=friction_letter(used),
                temperatures=tuple(temperatures),
                frictions=tuple(frictions),
            )
        )
    return tuple(found)
