"""What the shelf offers: stock sizes, and the neighbours of what is fitted at each joint."""

import math
from bisect import bisect_left, bisect_right
from itertools import pairwise
from typing import Any, TypeVar

from pydantic import Field

from plimbo.core.documents import AxleBrake, Setup
from plimbo.core.documents.fields import Document, Result, field_extra
from plimbo.core.working import Axle

INCH = 0.0254
# Master cylinder bores on the trade's shelves: common practice.
BORES = tuple(round(INCH * size, 9) for size in (5 / 8, 0.70, 3 / 4, 13 / 16, 7 / 8, 15 / 16, 1.0, 9 / 8))
# Piston diameters commonly offered, mm: common practice.
PISTONS = tuple(
    round(size / 1000, 6)
    for size in (22.2, 25.4, 27.0, 28.6, 30.2, 31.8, 34.9, 36.0, 38.1, 41.3, 44.5, 48.0, 51.0, 54.0, 57.0, 60.3, 66.0)
)
DISC_STEP, DISC_FAMILY = 0.010, 0.050
RATIO_STEP, RATIO_FAMILY = 0.25, 1.0
FRICTION_STEP, FRICTION_FAMILY = 0.01, 0.1
TURNS_FAMILY = 10

Json = float | None | list[float]
Kind = TypeVar("Kind", bound=Document)
_SAME = 1e-6


class Swap(Result):
    """One part for another: what it reads then, and the values to put at the paths of the setup."""

    sizes: tuple[float, ...]
    patch: dict[str, Json]


class Joint(Result):
    """A joint of the chain that can be stepped through sizes."""

    key: str
    axle: Axle | None
    title: str
    path: str = Field(description="Where in the setup its size stands.")
    dimension: str
    sizes: tuple[float, ...] = Field(description="What is fitted, SI.")
    smaller: Swap | None
    bigger: Swap | None
    smaller_family: Swap | None
    bigger_family: Swap | None


def next_size(size: float, stock: tuple[float, ...], up: bool) -> float | None:
    """The next stock size above or below, or None at the end of the shelf."""
    if up:
        index = bisect_right(stock, size + _SAME)
        return stock[index] if index < len(stock) else None
    index = bisect_left(stock, size - _SAME)
    return stock[index - 1] if index else None


def next_pistons(pistons: tuple[float, ...], up: bool) -> tuple[float, ...] | None:
    """Every piston one stock size bigger or smaller, so that a stagger stays."""
    sizes = [next_size(piston, PISTONS, up) for piston in pistons]
    return None if None in sizes else tuple(size for size in sizes if size is not None)


PISTON_FAMILIES: tuple[tuple[tuple[float, ...], ...], ...] = (
    tuple((size,) for size in PISTONS),
    tuple((size, size) for size in PISTONS),
    tuple(pairwise(PISTONS)),
    tuple(zip(PISTONS, PISTONS[1:], PISTONS[2:], strict=False)),
)


def _squares(pistons: tuple[float, ...]) -> float:
    return sum([size * size for size in pistons])


_FAMILY_SQUARES = [[(_squares(sizes), sizes) for sizes in family] for family in PISTON_FAMILIES]


def piston_family(pistons: tuple[float, ...]) -> int:
    """Index of the family: one piston, an equal pair, a staggered pair, three or more."""
    if len(pistons) == 2:
        return 1 if math.isclose(*pistons) else 2
    return 0 if len(pistons) == 1 else 3


def same_area_in_family(pistons: tuple[float, ...], family: int) -> tuple[float, ...] | None:
    """The member of another family that comes nearest in area."""
    if not 0 <= family < len(PISTON_FAMILIES):
        return None
    area = _squares(pistons)
    return min(_FAMILY_SQUARES[family], key=lambda member: abs(member[0] - area))[1]


def next_step(value: float, step: float, up: bool) -> float:
    """The next multiple of `step`."""
    places = value / step
    whole = math.floor(places + _SAME) + 1 if up else math.ceil(places - _SAME) - 1
    return round(whole * step, 9)


def _swap(sizes: tuple[float, ...] | float | None, path: str, *, many: bool = False) -> Swap | None:
    if sizes is None:
        return None
    sizes = sizes if isinstance(sizes, tuple) else (sizes,)
    value: Json = list(sizes) if many else sizes[0]
    return Swap(sizes=sizes, patch={path: value})


def _stepped(
    path: str, value: float, step: float, family: float, least: float, most: float, *, empties: str | None = None
) -> dict[str, Swap | None]:
    """Neighbours of a value that moves in even steps; another value may have to be left empty with it."""
    also: dict[str, Json] = {empties: None} if empties else {}

    def to(size: float, up: bool) -> Swap | None:
        size = next_step(value, size, up)
        return Swap(sizes=(size,), patch={path: size} | also) if least <= size <= most else None

    return {
        "smaller": to(step, False),
        "bigger": to(step, True),
        "smaller_family": to(family, False),
        "bigger_family": to(family, True),
    }


def _axle_joints(brake: AxleBrake, axle: Axle) -> list[Joint]:
    bore, pistons = brake.master_cylinder.bore, brake.caliper.pistons
    bore_path, pistons_path = f"{axle}.master_cylinder.bore", f"{axle}.caliper.pistons"
    disc_path, pad_path = f"{axle}.disc.outer_diameter", f"{axle}.pad.friction"
    family = piston_family(pistons)
    smallest_disc = 2 * brake.disc.ring_height + DISC_STEP
    # A disc of another size weighs something else: what was weighed no longer holds.
    unweighed = f"{axle}.disc.weighed_mass"
    least, most = max(0.11, smallest_disc), 0.5
    diameter = brake.disc.outer_diameter
    disc = _stepped(disc_path, diameter, DISC_STEP, DISC_FAMILY, least, most, empties=unweighed)
    return [
        Joint(
            key=f"{axle}.master_cylinder",
            axle=axle,
            title=f"{axle.capitalize()} cylinder",
            path=bore_path,
            dimension="bore",
            sizes=(bore,),
            smaller=_swap(next_size(bore, BORES, False), bore_path),
            bigger=_swap(next_size(bore, BORES, True), bore_path),
            smaller_family=_swap(BORES[0] if bore > BORES[0] + _SAME else None, bore_path),
            bigger_family=_swap(BORES[-1] if bore < BORES[-1] - _SAME else None, bore_path),
        ),
        Joint(
            key=f"{axle}.caliper",
            axle=axle,
            title=f"{axle.capitalize()} pistons",
            path=pistons_path,
            dimension="piston",
            sizes=pistons,
            smaller=_swap(next_pistons(pistons, False), pistons_path, many=True),
            bigger=_swap(next_pistons(pistons, True), pistons_path, many=True),
            smaller_family=_swap(same_area_in_family(pistons, family - 1), pistons_path, many=True),
            bigger_family=_swap(same_area_in_family(pistons, family + 1), pistons_path, many=True),
        ),
        Joint(
            key=f"{axle}.disc",
            axle=axle,
            title=f"{axle.capitalize()} disc",
            path=disc_path,
            dimension="length",
            sizes=(brake.disc.outer_diameter,),
            **disc,
        ),
        Joint(
            key=f"{axle}.pad",
            axle=axle,
            title=f"{axle.capitalize()} pad μ",
            path=pad_path,
            dimension="friction",
            sizes=(brake.pad.friction,),
            **_stepped(pad_path, brake.pad.friction, FRICTION_STEP, FRICTION_FAMILY, 0.01, 1.2),
        ),
    ]


def joints(setup: Setup) -> tuple[Joint, ...]:
    """Every joint that can be stepped, with its neighbours on the shelf."""
    bar = setup.balance_bar
    reach = bar.length / 2 - 1e-4
    ratio_dimension = str(field_extra(setup.pedal, "ratio")["dimension"])
    return (
        Joint(
            key="pedal",
            axle=None,
            title="Pedal ratio",
            path="pedal.ratio",
            dimension=ratio_dimension,
            sizes=(setup.pedal.ratio,),
            **_stepped("pedal.ratio", setup.pedal.ratio, RATIO_STEP, RATIO_FAMILY, 1.25, 12),
        ),
        Joint(
            key="balance_bar",
            axle=None,
            title="Balance bar",
            path="balance_bar.offset",
            dimension="length",
            sizes=(bar.offset,),
            **_stepped(
                "balance_bar.offset", bar.offset, bar.thread_pitch, TURNS_FAMILY * bar.thread_pitch, -reach, reach
            ),
        ),
        *_axle_joints(setup.front, Axle.FRONT),
        *_axle_joints(setup.rear, Axle.REAR),
    )


def patched(setup: Setup, patch: dict[str, Json]) -> Setup:
    """The setup with the values at these dotted paths; raises Pydantic's `ValidationError` where they do not fit."""
    changes: dict[str, Any] = {}
    for path, value in patch.items():
        *parents, last = path.split(".")
        place = changes
        for name in parents:
            place = place.setdefault(name, {})
        place[last] = value
    return _changed(setup, changes)


def _changed(document: Kind, changes: dict[str, Any]) -> Kind:
    """Only the documents on the way are checked again: trying sizes does this thousands of times."""
    values = {
        name: _changed(getattr(document, name), value) if isinstance(value, dict) else value
        for name, value in changes.items()
    }
    return type(document).model_validate(document.__dict__ | values)
