"""A new car: what is usual for its kind stands in for what nobody has given, and follows what is given."""

from collections.abc import Sequence
from typing import Any

from pydantic import Field

from plimbo.core.documents import Car, CarKind, DrivenAxle, Setup
from plimbo.core.kinds.car_of_kind import car_of_kind
from plimbo.core.kinds.copying import copied_car, copied_setup
from plimbo.core.kinds.following import Raw, following
from plimbo.core.kinds.usual import USUAL, TyreKind, Wings
from plimbo.core.quantities.results import Result


class NewCar(Result):
    """A whole car and a first setup, every value of them unconfirmed."""

    car: Car
    setup: Setup


class CopiedCar(Result):
    """A car for which the values of another stand in, with its setups."""

    car: Car
    setups: tuple[Setup, ...]


class Following(Result):
    """What follows: values by their paths."""

    changes: dict[str, Any] = Field(description="Paths from `car` or `setup` on, and the value that goes there.")


def begin_car(
    name: str,
    kind: CarKind,
    driven: DrivenAxle | None = None,
    tyres: TyreKind | None = None,
    wings: Wings | None = None,
) -> NewCar:
    """Begin a car of a kind; what is not given is what is usual for it."""
    car, setup = car_of_kind(name, kind, driven, tyres, wings)
    return NewCar(car=car, setup=setup)


def copy_car(car: Car, setups: Sequence[Setup], name: str) -> CopiedCar:
    """Begin a car from another: all that was given for that one is marked as copied until somebody confirms it."""
    return CopiedCar(car=copied_car(car, name), setups=tuple(copied_setup(setup) for setup in setups))


def usual_choices() -> dict[CarKind, tuple[DrivenAxle, TyreKind, Wings]]:
    """What is usual for each kind of car."""
    return {kind: (usual.driven, usual.tyres, usual.wings) for kind, usual in USUAL.items()}


def follow_given(car: Raw, setup: Raw) -> Following:
    """What has to change among the unconfirmed values of these documents, sent as they are, for those given to fit."""
    return Following(changes=following(car, setup))
