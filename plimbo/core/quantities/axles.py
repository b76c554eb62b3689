"""The two axles of a car."""

from enum import StrEnum


class Axle(StrEnum):
    """An end of the car."""

    FRONT = "front"
    REAR = "rear"


# Front first, wherever both stand side by side. A tuple: an enumeration is slow to walk through.
AXLES = (Axle.FRONT, Axle.REAR)


def other(axle: Axle) -> Axle:
    """The other end of the car."""
    return Axle.REAR if axle is Axle.FRONT else Axle.FRONT
