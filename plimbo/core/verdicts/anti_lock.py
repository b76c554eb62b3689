"""Anti-lock: how far pistons, discs and pads are from what the stock system that stays was tuned to.

The bands are Plimbo's own: within 5 % passes, within 10 % is to be watched.
"""

import math
from bisect import bisect_left, bisect_right
from collections.abc import Iterator
from functools import cache, lru_cache
from typing import NamedTuple

import numpy as np

from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Original, Setup
from plimbo.core.documents.axle_brake import under_pad
from plimbo.core.friction.caliper import piston_area
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.phrases import Phrase, measure, phrase
from plimbo.core.quantities.results import Result, answer
from plimbo.core.shelf.changes import Change, Json, Swap, to_size
from plimbo.core.shelf.stock import PISTON_FAMILIES, SAME, squares
from plimbo.core.verdicts.level import SEVERITY, Finding, Level, bad, good, watch
from plimbo.core.verdicts.matter import Fact, Judgement, Matter, Verdict, Wants, first_that_holds
from plimbo.core.working.numbers import Array, Number

OFF_ITS_TUNE = bad("Off its tune")
ORIGINALS_NOT_KNOWN = watch("Originals not known")
NEAR_ITS_EDGE = watch("Near its edge")
AS_TUNED = good("As tuned")

MATCHES = 3
# A share this near to the edge of a band is on it.
_EDGE = 1e-9
_PASSES, _WATCHED = defaults.ANTI_LOCK_PASS.value + _EDGE, defaults.ANTI_LOCK_WATCH.value + _EDGE


class AntiLockRow(Result):
    """One thing that the system knows, now and as it left the works; no numbers where the original is not known."""

    axle: Axle | None
    title: str
    dimension: str
    now: float
    original: float | None
    off: float | None = answer("share", "How far it is from the original, as a share of it")
    level: Level


class PistonMatch(Result):
    """Pistons on the shelf, one side, that come near the original area."""

    axle: Axle
    sizes: tuple[float, ...] = answer("piston", "Piston diameters")
    off: float = answer("share", "How far their area is from the original, as a share of it")


class AntiLockCheck(Result):
    """All that is compared, the bands that it is held against, and the pistons that would match."""

    pass_band: float = answer("share", "Within this share of the original it passes")
    watch_band: float = answer("share", "Within this share of the original it is to be watched, past it it fails")
    rows: tuple[AntiLockRow, ...]
    matches: tuple[PistonMatch, ...]


class Thing(NamedTuple):
    """One thing that the system knows."""

    axle: Axle | None
    title: str
    dimension: str

    @property
    def name(self) -> str:
        title = self.title[0].lower() + self.title[1:]
        return f"{self.axle} {title}" if self.axle else title


# In the order in which they are shown.
THINGS = (
    *(
        Thing(axle, title, dimension)
        for axle in AXLES
        for title, dimension in (
            ("Piston area, one side", "area"),
            ("Disc diameter", "length"),
            ("Pad friction", "friction"),
        )
    ),
    Thing(None, "Front to rear piston area", "ratio"),
)


@lru_cache(maxsize=16)
def originals(original: Original) -> tuple[float, ...]:
    """What each of the things was as the car left the works, SI; not a number where it is not known."""
    found, areas = [], []
    for of in (original.front, original.rear):
        areas.append(float(piston_area(*of.pistons)) if of.pistons else math.nan)
        found += [areas[-1], *(math.nan if known is None else known for known in (of.disc_diameter, of.pad_friction))]
    return (*found, areas[0] / areas[1])


def level_of(off: float) -> Level:
    """Of one thing that is so far off, as a share; to be watched where the original is not known."""
    if abs(off) <= _PASSES:
        return Level.GOOD
    return Level.BAD if abs(off) > _WATCHED else Level.WATCH


class AntiLockNumbers(NamedTuple):
    """What each of the things is now, and how far it is off, as a share, not a number where it is not known: shape
    (thing, setup).
    """

    now: Number
    off: Number


class AntiLock(Matter[AntiLockNumbers]):
    key = "anti_lock"
    title = "Anti-lock"
    # What is not known is told before what is near its edge.
    findings = (OFF_ITS_TUNE, ORIGINALS_NOT_KNOWN, NEAR_ITS_EDGE, AS_TUNED)
    facts = (
        Fact(label="front piston area, one side", headline="front.has.piston_area", dimension="area"),
        Fact(label="rear piston area, one side", headline="rear.has.piston_area", dimension="area"),
        Fact(label="front share by brake force", headline="force_share", dimension="share"),
    )

    def concerns(self, car: Car) -> bool:
        return car.original.anti_lock_kept

    def numbers(self, screening: Screening) -> AntiLockNumbers:
        system = screening.system
        now = []
        for axle in AXLES:
            circuit = system.circuit(axle)
            now += [circuit.caliper.piston_area, circuit.disc.outer_diameter, circuit.pad.friction]
        now.append(system.front.caliper.piston_area / system.rear.caliper.piston_area)
        columns = np.array([screening.per_setup(number) for number in now])
        known = np.array(originals(screening.conditions.car.original))[:, None]
        return AntiLockNumbers(columns, columns / known - 1)

    def judge(self, numbers: AntiLockNumbers, _car: Car) -> Array:
        """The worst of all decides."""
        worst = np.fmax.reduce(np.abs(numbers.off), axis=0, initial=0.0)
        return first_that_holds((worst > _WATCHED, np.isnan(numbers.off.sum(axis=0)), worst > _PASSES))

    def distance(self, numbers: AntiLockNumbers, _car: Car) -> Array:
        found: Array = np.nan_to_num(np.abs(numbers.off)).sum(axis=0)
        return found

    def wants(self, finding: Finding) -> Wants:
        return Wants(originals=finding is not AS_TUNED)

    def changes(self, screening: Screening, setup: Setup, wants: Wants) -> Iterator[Change]:
        if wants.originals:
            yield from _back_to_originals(screening, setup)

    def verdict(self, _screening: Screening, _setup: Setup, judged: Judgement[AntiLockNumbers]) -> Verdict:
        finding = judged.finding
        thing, off = _furthest_off(judged.numbers())
        passes = defaults.ANTI_LOCK_PASS.value
        if finding is ORIGINALS_NOT_KNOWN:
            reason = phrase(
                "Enter the original pistons, discs and pads: until then nobody knows what the system expects."
            )
        else:
            reason = phrase(
                f"Furthest off: {thing.name}, {{off:+}} of the original. Within {{pass_}} the system works as it was"
                " tuned; past {watch} its guesses no longer hold.",
                off=(0.0 if math.isnan(off) else off, "share"),
                pass_=(passes, "share"),
                watch=(defaults.ANTI_LOCK_WATCH.value, "share"),
            )
        return Verdict(
            key=self.key,
            title=self.title,
            level=finding.level,
            word=finding.word,
            number=measure(off, "share"),
            margin=measure(abs(passes - abs(off)), "share"),
            margin_words="past the pass band by" if abs(off) > passes else "inside the band by",
            state=None,
            reason=reason,
            facts=self.facts,
        )

    def effect(self, _before: AntiLockNumbers, after: AntiLockNumbers, push: float) -> Phrase:
        thing, off = _furthest_off(after)
        return phrase(
            f"furthest off then: {thing.name}, {{off:+}}, foot {{push:+}}",
            off=(0.0 if math.isnan(off) else off, "share"),
            push=(push, "force"),
        )


def _furthest_off(numbers: AntiLockNumbers) -> tuple[Thing, float]:
    """Of one setup: the thing that stands worst, and by how much."""
    offs: list[float] = list(numbers.off)
    apart = [0.0 if math.isnan(off) else abs(off) for off in offs]
    worst = max(range(len(THINGS)), key=lambda place: (SEVERITY[level_of(offs[place])], apart[place]))
    return THINGS[worst], offs[worst]


def anti_lock_check(car: Car, setup: Setup, numbers: AntiLockNumbers) -> AntiLockCheck:
    """All that is compared, of one setup of a car that keeps its stock system."""
    rows = [
        {
            **thing._asdict(),
            "now": now,
            "original": None if math.isnan(original) else original,
            "off": None if math.isnan(off) else off,
            "level": level_of(off),
        }
        for thing, now, off, original in zip(THINGS, numbers.now, numbers.off, originals(car.original), strict=True)
    ]
    bands = {"pass_band": defaults.ANTI_LOCK_PASS.value, "watch_band": defaults.ANTI_LOCK_WATCH.value}
    return AntiLockCheck.model_validate(bands | {"rows": rows, "matches": piston_matches(car, setup)})


def _back_to_originals(screening: Screening, setup: Setup) -> Iterator[Change]:
    """Pistons that match, the original disc, the original friction."""
    car = screening.conditions.car
    for match in piston_matches(car, setup):
        pistons = (setup.front if match.axle is Axle.FRONT else setup.rear).caliper.pistons
        swap = Swap(sizes=match.sizes, patch={f"{match.axle}.caliper.pistons": list(match.sizes)})
        if match.sizes != pistons:
            yield Change(f"{match.axle}.caliper", f"{match.axle.capitalize()} pistons", "piston", pistons, swap)
    for axle, original in zip(AXLES, (car.original.front, car.original.rear), strict=True):
        brake = setup.front if axle is Axle.FRONT else setup.rear
        disc = original.disc_diameter
        if disc is not None and abs(disc - brake.disc.outer_diameter) > SAME:
            patch: dict[str, Json] = {f"{axle}.disc.outer_diameter": disc, f"{axle}.disc.weighed_mass": None}
            before = (brake.disc.outer_diameter,)
            yield Change(f"{axle}.disc", f"{axle.capitalize()} disc", "length", before, to_size(disc, patch))
        friction, now = original.pad_friction, float(screening.system.circuit(axle).pad.friction)
        if friction is not None and abs(friction - now) > SAME:
            patch = {f"{axle}.pad.friction": friction, f"{axle}.pad.friction_curve": []}
            yield Change(f"{axle}.pad", f"{axle.capitalize()} pad μ", "friction", (now,), to_size(friction, patch))


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
            brake = setup.front if axle is Axle.FRONT else setup.rear
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
        and under_pad(max(sizes), pad_height)
        and under_pad(sum(sizes), pad_length)
    )
    return tuple([PistonMatch(axle=axle, sizes=sizes, off=off) for *_, sizes, off in near[:MATCHES]])


@cache
def _shelf() -> tuple[tuple[float, tuple[float, ...]], ...]:
    """Every set of pistons on the shelf with the sum of its squares, smallest first."""
    return tuple(sorted((squares(sizes), sizes) for family in PISTON_FAMILIES for sizes in family))


def _shelf_between(least: float, most: float) -> tuple[tuple[float, tuple[float, ...]], ...]:
    shelf = _shelf()
    return shelf[bisect_left(shelf, (least * (1 - _EDGE),)) : bisect_right(shelf, (most * (1 + _EDGE),))]


ANTI_LOCK = AntiLock()
