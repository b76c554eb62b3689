"""Stock hoses, and a duct rebuilt with another one."""

import math
from typing import Any, NamedTuple

from plimbo.core.documents import Aim, Car, Duct, OpeningPlace, PieceKind, Setup
from plimbo.core.documents.duct import HOSE_BORES
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.errors import OutOfRange

# Area of the opening over that of the hose.
FEEDS = 1.5
# Length of hose allowed ahead of the axles and beside them, m.
BESIDE_WHEELBASE = 1.5


class HoseSize(NamedTuple):
    """A number of hoses of one bore, m, to each wheel."""

    bore: float
    hoses: int = 1

    @property
    def area(self) -> float:
        return self.hoses * math.pi / 4 * self.bore**2

    @property
    def key(self) -> str:
        """As `2x51`: hoses and bore in mm."""
        return f"{self.hoses}x{1e3 * self.bore:.0f}"

    def __str__(self) -> str:
        size = f"{1e3 * self.bore:.0f} mm"
        return size if self.hoses == 1 else f"{self.hoses} × {size}"


# Other choices for an axle: no duct, or a scoop on the arm.
NO_DUCT, SCOOP = "none", "scoop"
# In the order of the air that they carry.
SIZES = tuple(sorted([*map(HoseSize, HOSE_BORES), HoseSize(0.051, 2), HoseSize(0.063, 2)], key=lambda one: one.area))


def key_of(duct: Duct) -> str:
    """The key of the fitted duct: its kind and size."""
    if not duct.fitted:
        return NO_DUCT
    if duct.aim is Aim.SCOOP:
        return SCOOP
    return "" if duct.aim is Aim.TYRE else size_of(duct).key


def size_of(duct: Duct) -> HoseSize:
    """The bore at the end of the run."""
    return HoseSize(duct.pieces[-1].bore if duct.pieces else HOSE_BORES[1], duct.hoses)


def fitting(duct: Duct, axle: Axle) -> dict[str, Any]:
    """Values that fit this duct to an axle; paths within the duct.

    A first duct at the rear takes its air at the side of the body: few run a hose there from the nose.
    """
    elsewhere = not duct.fitted and axle is Axle.REAR and duct.opening.place is OpeningPlace.NOSE
    return {"fitted": True} | ({"opening.place": OpeningPlace.SIDE.value} if elsewhere else {})


def of_size(duct: Duct, size: HoseSize, axle: Axle = Axle.FRONT) -> dict[str, Any]:
    """Values that build the same run with other hoses, with the opening that feeds them; paths within the duct."""
    pieces = [
        one.model_dump(mode="json") | {"bore": size.bore} for one in duct.pieces if one.kind is not PieceKind.REDUCER
    ]
    return fitting(duct, axle) | {
        "hoses": size.hoses,
        "pieces": pieces,
        "opening.area": round(FEEDS * size.area, 6),
    }


def check_ducts(car: Car, setup: Setup) -> None:
    """Raises `OutOfRange` where the hoses of a run are longer than the car."""
    for axle in AXLES:
        duct = setup.brake(axle).cooling.duct
        if not duct.fitted:
            continue
        lengths = [one.length if one.kind is PieceKind.HOSE else 0.0 for one in duct.pieces]
        most = car.wheelbase + BESIDE_WHEELBASE
        if sum(lengths) > most:
            longest = lengths.index(max(lengths))
            raise OutOfRange(
                f"setup.{axle}.cooling.duct.pieces.{longest}.length",
                f"The hoses of this run are {sum(lengths):.1f} m together, longer than the car: at most {most:.1f} m"
                " on its wheelbase. Shorten this one.",
            )
