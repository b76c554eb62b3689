"""The stock anti-lock system kept: how far pistons, discs and pads are from what it was tuned to.

The bands are Plimbo's own: within 5 % passes, within 10 % is to be watched.
"""

import math
from bisect import bisect_left, bisect_right
from functools import cache, lru_cache
from typing import NamedTuple

from pydantic import Field

from plimbo.core import defaults
from plimbo.core.brakes.chain import brake_of, pad_friction
from plimbo.core.brakes.stock import PISTON_FAMILIES, squares
from plimbo.core.documents import AxleBrake, Car, OriginalAxle, Setup
from plimbo.core.documents.fields import Result
from plimbo.core.judging import findings
from plimbo.core.judging.findings import SEVERITY, Finding, Level
from plimbo.core.working import AXLES, PLAIN, Axle

MATCHES = 3


class AntiLockRow(Result):
    """One thing that the system knows, now and as it left the works; no numbers where the original is not known."""

    axle: Axle | None
    title: str
    dimension: str
    now: float
    original: float | None
    off: float | None = Field(description="How far it is from the original, as a share of it.")
    level: Level


class PistonMatch(Result):
    """Pistons on the shelf, one side, that come near the original area."""

    axle: Axle
    sizes: tuple[float, ...]
    off: float


class AntiLockCheck(Result):
    """All that is compared, and the pistons that would match."""

    rows: tuple[AntiLockRow, ...]
    matches: tuple[PistonMatch, ...]


class Compared(NamedTuple):
    """One thing that the system knows: what it is now and was as it left the works, and how far it is off."""

    axle: Axle | None
    title: str
    dimension: str
    now: float
    original: float | None
    off: float | None
    level: Level


def _compared(axle: Axle | None, title: str, dimension: str, now: float, original: float | None) -> Compared:
    off = None if original is None else now / original - 1
    if off is not None and abs(off) <= defaults.ANTI_LOCK_PASS.value + 1e-9:
        level = Level.GOOD
    else:
        level = Level.WATCH if off is None or abs(off) <= defaults.ANTI_LOCK_WATCH.value + 1e-9 else Level.BAD
    return Compared(axle, title, dimension, now, original, off, level)


Known = dict[tuple[Axle, int], Compared]


def _piston_row(original: OriginalAxle, brake: AxleBrake, axle: Axle) -> Compared:
    before = math.pi / 4 * squares(original.pistons) if original.pistons else None
    return _compared(axle, "Piston area, one side", "area", math.pi / 4 * squares(brake.caliper.pistons), before)


def _disc_row(original: OriginalAxle, brake: AxleBrake, axle: Axle) -> Compared:
    return _compared(axle, "Disc diameter", "length", brake.disc.outer_diameter, original.disc_diameter)


def _pad_row(original: OriginalAxle, brake: AxleBrake, axle: Axle) -> Compared:
    now = pad_friction(brake.pad, PLAIN, axle)
    return _compared(axle, "Pad friction", "friction", now, original.pad_friction)


def _axle_compared(original: OriginalAxle, brake: AxleBrake, axle: Axle, known: Known) -> list[Compared]:
    rows = []
    for part, row in ((brake.caliper, _piston_row), (brake.disc, _disc_row), (brake.pad, _pad_row)):
        where = axle, id(part)
        if where not in known:
            known[where] = row(original, brake, axle)
        rows.append(known[where])
    return rows


def compared(car: Car, setup: Setup, known: Known | None = None) -> tuple[Compared, ...]:
    """What the system knows of the brakes, against the original; nothing where the car has none to keep.

    `known` keeps what was said of a part at an axle, by its id: most neighbours of a setup share them.
    """
    if not car.original.anti_lock_kept:
        return ()
    known = {} if known is None else known
    front = _axle_compared(car.original.front, setup.front, Axle.FRONT, known)
    rear = _axle_compared(car.original.rear, setup.rear, Axle.REAR, known)
    ends = front[0], rear[0]
    before = ends[0].original / ends[1].original if ends[0].original and ends[1].original else None
    ratio = _compared(None, "Front to rear piston area", "ratio", ends[0].now / ends[1].now, before)
    return (*front, *rear, ratio)


def anti_lock_finding(rows: tuple[Compared, ...]) -> Finding:
    """The worst of the rows decides; what is not known is told before what is near its edge."""
    levels = [row.level for row in rows]
    if Level.BAD in levels:
        return findings.ANTI_LOCK_OFF
    if any(row.original is None for row in rows):
        return findings.ANTI_LOCK_UNKNOWN
    return findings.ANTI_LOCK_NEAR if Level.WATCH in levels else findings.ANTI_LOCK_KEPT


def worst_row(rows: tuple[Compared, ...]) -> Compared:
    """The one that is furthest off."""
    return max(rows, key=lambda row: (SEVERITY[row.level], abs(row.off or 0.0)))


def piston_matches(car: Car, setup: Setup) -> tuple[PistonMatch, ...]:
    """Pistons on the shelf nearest to the original area that go with the pad, for each axle; best first.

    As many pistons as are fitted come first: they may go into a caliper of the same kind. None where the car has no
    anti-lock system to keep.
    """
    found: list[PistonMatch] = []
    if not car.original.anti_lock_kept:
        return ()
    for axle, original in zip(AXLES, (car.original.front, car.original.rear), strict=True):
        if original.pistons:
            brake = brake_of(setup, axle)
            found += _matches(axle, original.pistons, brake.pad.height, brake.pad.length, len(brake.caliper.pistons))
    return tuple(found)


# Most steps change none of these.
@lru_cache(maxsize=64)
def _matches(
    axle: Axle, original: tuple[float, ...], pad_height: float, pad_length: float, fitted: int
) -> tuple[PistonMatch, ...]:
    area, watch = squares(original), defaults.ANTI_LOCK_WATCH.value
    near = sorted(
        (abs(off) > defaults.ANTI_LOCK_PASS.value, len(sizes) != fitted, abs(off), sizes, off)
        for square, sizes in _shelf_between(area * (1 - watch), area * (1 + watch))
        if abs(off := square / area - 1) <= watch
        and max(sizes) <= pad_height + 1e-9
        and sum(sizes) <= pad_length + 1e-9
    )
    return tuple([PistonMatch(axle=axle, sizes=sizes, off=off) for *_, sizes, off in near[:MATCHES]])


@cache
def _shelf() -> tuple[tuple[float, tuple[float, ...]], ...]:
    """Every set of pistons on the shelf with the sum of its squares, smallest first."""
    return tuple(sorted((squares(sizes), sizes) for family in PISTON_FAMILIES for sizes in family))


def _shelf_between(least: float, most: float) -> tuple[tuple[float, tuple[float, ...]], ...]:
    shelf = _shelf()
    return shelf[bisect_left(shelf, (least * (1 - 1e-9),)) : bisect_right(shelf, (most * (1 + 1e-9),))]


def anti_lock_check(rows: tuple[Compared, ...], matches: tuple[PistonMatch, ...]) -> AntiLockCheck | None:
    """None where the car has no anti-lock system to keep."""
    return AntiLockCheck(rows=tuple([AntiLockRow(**row._asdict()) for row in rows]), matches=matches) if rows else None
