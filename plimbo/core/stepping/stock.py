"""Stock sizes, and the next one of each kind."""

import math
from bisect import bisect_left, bisect_right
from itertools import pairwise

INCH = 0.0254
# Master cylinder bores that are sold: common practice.
BORES = tuple(round(INCH * size, 9) for size in (5 / 8, 0.70, 3 / 4, 13 / 16, 7 / 8, 15 / 16, 1.0, 9 / 8))
# Piston diameters commonly offered, mm: common practice.
PISTONS = tuple(
    round(size / 1000, 6)
    for size in (22.2, 25.4, 27.0, 28.6, 30.2, 31.8, 34.9, 36.0, 38.1, 41.3, 44.5, 48.0, 51.0, 54.0, 57.0, 60.3, 66.0)
)
# Steps of other sizes, and from one family of them to the next: common practice. m, a ratio, a friction, Pa.
DISC_STEP, DISC_FAMILY = 0.010, 0.050
RATIO_STEP, RATIO_FAMILY = 0.25, 1.0
FRICTION_STEP, FRICTION_FAMILY = 0.01, 0.1
KNEE_STEP, KNEE_FAMILY = 1e5, 1e6
GAIN_STEP, GAIN_FAMILY = 0.1, 1.0
TURNS_FAMILY = 10
SAME = 1e-6


def next_size(size: float, stock: tuple[float, ...], up: bool) -> float | None:
    """The next stock size above or below, or None at the end of the range."""
    if up:
        index = bisect_right(stock, size + SAME)
        return stock[index] if index < len(stock) else None
    index = bisect_left(stock, size - SAME)
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


def squares(pistons: tuple[float, ...]) -> float:
    """Sum of the squared diameters: areas without the constant."""
    return sum([size * size for size in pistons])


_FAMILY_SQUARES = [[(squares(sizes), sizes) for sizes in family] for family in PISTON_FAMILIES]


def piston_family(pistons: tuple[float, ...]) -> int:
    """Index of the family: one piston, an equal pair, a staggered pair, three or more."""
    if len(pistons) == 2:
        return 1 if math.isclose(*pistons) else 2
    return 0 if len(pistons) == 1 else 3


def same_area_in_family(pistons: tuple[float, ...], family: int) -> tuple[float, ...] | None:
    """The member of another family that comes nearest in area."""
    if not 0 <= family < len(PISTON_FAMILIES):
        return None
    area = squares(pistons)
    return min(_FAMILY_SQUARES[family], key=lambda member: abs(member[0] - area))[1]


def next_step(value: float, step: float, up: bool) -> float:
    """The next multiple of `step`."""
    places = value / step
    whole = math.floor(places + SAME) + 1 if up else math.ceil(places - SAME) - 1
    return round(whole * step, 9)
