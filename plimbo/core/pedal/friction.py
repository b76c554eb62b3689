"""The pads' friction as it is used: off a curve where there is one, with the letter that it would have."""

from plimbo.core.brakes.chain import brake_of, pad_friction
from plimbo.core.documents import Setup
from plimbo.core.documents.fields import Result, answer
from plimbo.core.formulas.friction import FrictionCurve, friction_letter
from plimbo.core.working import AXLES, PLAIN, Axle

POINTS = 33


class PadAnswer(Result):
    """One axle's pads; the curve is empty where the friction was typed. Temperatures in K."""

    axle: Axle
    friction: float = answer("friction", "Friction used")
    letter: str
    temperatures: tuple[float, ...]
    frictions: tuple[float, ...]


def pads(setup: Setup) -> tuple[PadAnswer, ...]:
    """Both axles."""
    found = []
    for axle in AXLES:
        pad = brake_of(setup, axle).pad
        points = tuple([(point.temperature, point.friction) for point in pad.friction_curve])
        temperatures: list[float] = []
        frictions: list[float] = []
        if points:
            curve, (first, last) = FrictionCurve(points), (points[0][0], points[-1][0])
            temperatures = [first + (last - first) * step / (POINTS - 1) for step in range(POINTS)]
            frictions = [curve.at(temperature) for temperature in temperatures]
        used = pad_friction(pad, PLAIN, axle)
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
