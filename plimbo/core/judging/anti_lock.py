"""The stock anti-lock system kept: how far pistons, discs and pads are from what it was tuned to.

The bands are Plimbo's own: within 5 % passes, within 10 % is to be watched.
"""

import math
from collections.abc import Iterator

from pydantic import Field

from plimbo.core import defaults
from plimbo.core.brakes.chain import Chain, brake_of
from plimbo.core.brakes.stock import PISTON_FAMILIES, squares
from plimbo.core.documents import Car, Setup
from plimbo.core.documents.fields import Result
from plimbo.core.judging import findings
from plimbo.core.judging.findings import SEVERITY, Finding, Level
from plimbo.core.working import AXLES, Axle

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


def _row(axle: Axle | None, title: str, dimension: str, now: float, original: float | None) -> AntiLockRow:
    off = None if original is None else now / original - 1
    if off is None:
        level = Level.WATCH
    elif abs(off) <= defaults.ANTI_LOCK_PASS.value + 1e-9:
        level = Level.GOOD
    else:
        level = Level.WATCH if abs(off) <= defaults.ANTI_LOCK_WATCH.value + 1e-9 else Level.BAD
    return AntiLockRow.model_construct(
        axle=axle, title=title, dimension=dimension, now=now, original=original, off=off, level=level
    )


def anti_lock_rows(car: Car, setup: Setup, chain: Chain) -> tuple[AntiLockRow, ...]:
    """What the system knows of the brakes, against the original."""
    rows, areas = [], {}
    for axle, original in zip(AXLES, (car.original.front, car.original.rear), strict=True):
        brake, made = brake_of(setup, axle), chain.axle(axle)
        areas[axle] = math.pi / 4 * squares(original.pistons) if original.pistons else None
        rows += [
            _row(axle, "Piston area, one side", "area", made.piston_area, areas[axle]),
            _row(axle, "Disc diameter", "length", brake.disc.outer_diameter, original.disc_diameter),
            _row(axle, "Pad friction", "friction", made.pad_friction, original.pad_friction),
        ]
    front, rear = areas[Axle.FRONT], areas[Axle.REAR]
    ratio = front / rear if front and rear else None
    rows.append(
        _row(None, "Front to rear piston area", "ratio", chain.front.piston_area / chain.rear.piston_area, ratio)
    )
    return tuple(rows)


def anti_lock_finding(rows: tuple[AntiLockRow, ...]) -> Finding:
    """The worst of the rows decides; what is not known is told before what is near its edge."""
    worst = max((row.level for row in rows), key=lambda level: SEVERITY[level])
    if worst is Level.BAD:
        return findings.ANTI_LOCK_OFF
    if any(row.original is None for row in rows):
        return findings.ANTI_LOCK_UNKNOWN
    return findings.ANTI_LOCK_KEPT if worst is Level.GOOD else findings.ANTI_LOCK_NEAR


def worst_row(rows: tuple[AntiLockRow, ...]) -> AntiLockRow:
    """The one that is furthest off."""
    return max(rows, key=lambda row: (SEVERITY[row.level], abs(row.off or 0.0)))


def piston_matches(car: Car, setup: Setup) -> tuple[PistonMatch, ...]:
    """Pistons on the shelf nearest to the original area that go with the pad, for each axle; best first.

    As many pistons as are fitted come first: they may go into a caliper of the same kind.
    """
    found: list[PistonMatch] = []
    for axle, original in zip(AXLES, (car.original.front, car.original.rear), strict=True):
        if original.pistons:
            area, pad = squares(original.pistons), brake_of(setup, axle).pad
            fitted = len(brake_of(setup, axle).caliper.pistons)
            near = sorted(
                (abs(off) > defaults.ANTI_LOCK_PASS.value, len(sizes) != fitted, abs(off), sizes, off)
                for sizes in _shelf()
                if abs(off := squares(sizes) / area - 1) <= defaults.ANTI_LOCK_WATCH.value
                and max(sizes) <= pad.height + 1e-9
                and sum(sizes) <= pad.length + 1e-9
            )
            found += [PistonMatch(axle=axle, sizes=sizes, off=off) for *_, sizes, off in near[:MATCHES]]
    return tuple(found)


def _shelf() -> Iterator[tuple[float, ...]]:
    return (sizes for family in PISTON_FAMILIES for sizes in family)


def anti_lock_check(car: Car, setup: Setup, chain: Chain) -> AntiLockCheck | None:
    """None where the car has no anti-lock system to keep."""
    if not car.original.anti_lock_kept:
        return None
    return AntiLockCheck(rows=anti_lock_rows(car, setup, chain), matches=piston_matches(car, setup))
