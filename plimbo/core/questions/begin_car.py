"""A new car: usual values for its kind are used until values are given, and adapt to the given ones."""

from collections.abc import Mapping, Sequence
from typing import Any

from pydantic import Field

from plimbo.core.documents import Car, CarKind, DrivenAxle, Setup
from plimbo.core.kinds.car_of_kind import car_of_kind
from plimbo.core.kinds.copying import copied_car, copied_setup
from plimbo.core.kinds.following import Raw, following
from plimbo.core.kinds.usual import USUAL, TyreKind, Wings
from plimbo.core.kinds.usual_brakes import AssumedBrake
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.quantities.results import Result


class NewCar(Result):
    """A whole car and a first setup, every value of them unconfirmed."""

    car: Car
    setup: Setup


class CopiedCar(Result):
    """A car with the values of another one, and its setups."""

    car: Car
    setups: tuple[Setup, ...]


class Following(Result):
    """The adapted values by their paths."""

    changes: dict[str, Any] = Field(description="Paths from `car` or `setup` on, and the value that goes there.")
    brakes: Phrase | None = Field(description="Says that the assumed brakes follow what is given of the car.")


def begin_car(
    name: str,
    kind: CarKind,
    driven: DrivenAxle | None = None,
    tyres: TyreKind | None = None,
    wings: Wings | None = None,
) -> NewCar:
    """Begin a car of a kind; values not given are those usual for it."""
    car, setup = car_of_kind(name, kind, driven, tyres, wings)
    return NewCar(car=car, setup=setup)


def copy_car(car: Car, setups: Sequence[Setup], name: str) -> CopiedCar:
    """Begin a car from another: all values given for that one are marked as copied until they are confirmed."""
    return CopiedCar(car=copied_car(car, name), setups=tuple(copied_setup(setup) for setup in setups))


def usual_choices() -> dict[CarKind, tuple[DrivenAxle, TyreKind, Wings]]:
    """What is usual for each kind of car."""
    return {kind: (usual.driven, usual.tyres, usual.wings) for kind, usual in USUAL.items()}


def follow_given(car: Raw, setup: Raw) -> Following:
    """The changes to unconfirmed values of these documents that make the given values possible."""
    found = following(car, setup)
    return Following(changes=found.changes, brakes=_words(found.brakes) if found.brakes else None)


def _words(brakes: Mapping[Axle, AssumedBrake]) -> Phrase:
    """Each axle with its pistons of one side and the thickness of its disc."""
    ends: list[str] = []
    sizes: dict[str, tuple[float, str]] = {}
    for axle, brake in brakes.items():
        pistons = [f"{axle}_{place}" for place in range(len(brake.pistons))]
        sizes |= {name: (size, "piston") for name, size in zip(pistons, brake.pistons, strict=True)}
        sizes[f"{axle}_disc"] = (brake.thickness, "length")
        held = " and ".join(f"{{{name}}}" for name in pistons)
        ends.append(f"{axle} pistons {held}, disc {{{axle}_disc}} thick")
    text = f"The assumed brakes follow the car's weight and wheelbase: {'; '.join(ends)}. Give your own where known."
    return phrase(text, **sizes)
