"""The brakes to assume for a car: those usual for its kind, scaled by what its tyres and its mass ask of each axle."""

import math
from typing import NamedTuple

from plimbo.core.kinds.usual import GRIP, TyreKind, UsualAxle, UsualCar
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.stepping.stock import next_pistons, piston_family, same_area_in_family, squares

# Smaller differences from the kind change nothing: of piston area and of disc thickness, as a share.
NOTICED_AREA, NOTICED_MASS = 0.04, 0.10
# Rear pistons are rather small than large: the front is to lock first.
OVER = 1.01
# An axle is never taken to carry less than this share of the car.
LEAST_SHARE = 0.1
LEAST_DISC, MOST_DISC = 0.008, 0.040
# A pad is a little longer than its pistons side by side, m.
PAD_PAST_PISTONS = 0.010


class Build(NamedTuple):
    """What the brakes follow: mass, kg, front weight share, wheelbase and height of the centre of gravity, m, and grip
    of the tyres of each axle.
    """

    mass: float
    front_share: float
    wheelbase: float
    cg_height: float
    front_grip: float
    rear_grip: float

    def limit_force(self, axle: Axle) -> float:
        """Brake force of an axle with both at their limit, N over g, without downforce."""
        shift = (self.front_grip + self.rear_grip) / 2 * self.cg_height / self.wheelbase
        share = self.front_share + shift if axle is Axle.FRONT else 1 - self.front_share - shift
        grip = self.front_grip if axle is Axle.FRONT else self.rear_grip
        return self.mass * grip * min(max(share, LEAST_SHARE), 1 - LEAST_SHARE)


def usual_build(usual: UsualCar) -> Build:
    """Of the usual car of a kind on its usual tyres and their ground."""
    grip = GRIP[usual.tyres] * (defaults.GRAVEL_GRIP.value if usual.tyres is TyreKind.GRAVEL else 1.0)
    return Build(usual.mass, usual.front_share, usual.wheelbase, usual.cg_height, grip, grip)


class AssumedBrake(NamedTuple):
    """Pistons of one side, and thickness and vane gap of the disc, m."""

    pistons: tuple[float, ...]
    thickness: float
    vane_gap: float


def brakes_for(usual: UsualCar, build: Build) -> dict[Axle, AssumedBrake]:
    """Piston area goes with what the axle can brake, so that the push stays; thickness of the disc with the mass."""
    of_kind = usual_build(usual)
    front, rear = (build.limit_force(axle) / of_kind.limit_force(axle) for axle in AXLES)
    at_front = _pistons(usual.front.pistons, front)
    # What the stock sizes leave of the front, the rear follows: the balance matters more than the push.
    at_rear = _pistons(usual.rear.pistons, rear / front * squares(at_front) / squares(usual.front.pistons), over=OVER)
    mass = build.mass / of_kind.mass
    return {
        Axle.FRONT: AssumedBrake(at_front, *_disc(usual.front, mass)),
        Axle.REAR: AssumedBrake(at_rear, *_disc(usual.rear, mass)),
    }


def _pistons(usual: tuple[float, ...], area: float, over: float = math.inf) -> tuple[float, ...]:
    """Stock pistons of the same kind with about this share of the usual area, and no more than `over` of that."""
    if abs(area - 1) <= NOTICED_AREA:
        return usual
    wanted = tuple(piston * math.sqrt(area) for piston in usual)
    found = same_area_in_family(wanted, piston_family(usual)) or usual
    if squares(found) > over * squares(wanted):
        found = next_pistons(found, up=False) or found
    return found


def _disc(axle: UsualAxle, mass: float) -> tuple[float, float]:
    """Thickness and vane gap, m."""
    if abs(mass - 1) <= NOTICED_MASS:
        return axle.thickness, axle.vane_gap
    thickness = min(max(round(axle.thickness * mass, 3), LEAST_DISC), MOST_DISC)
    return thickness, round(axle.vane_gap * thickness / axle.thickness, 3)
