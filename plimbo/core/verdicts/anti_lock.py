"""Anti-lock: how far pistons, discs and pads differ from those that the kept stock system was tuned to.

The bands are Plimbo's own: within 5 % passes, within 10 % is to be watched.
"""

import math
from bisect import bisect_left, bisect_right
from collections.abc import Iterator
from functools import cache, lru_cache
from typing import NamedTuple

import numpy as np

from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Limits, Original, Setup
from plimbo.core.documents.axle_brake import under_pad
from plimbo.core.friction.caliper import piston_area
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.phrases import Phrase, measure, phrase
from plimbo.core.quantities.results import Result, answer
from plimbo.core.stepping.changes import Change, ChangeKind, Json, Swap, to_size
from plimbo.core.stepping.stock import PISTON_FAMILIES, SAME, squares
from plimbo.core.verdicts.level import SEVERITY, Finding, Level, Rank, bad, good, watch
from plimbo.core.verdicts.matter import Criterion, Fact, Judgement, Matter, Verdict, first_that_holds
from plimbo.core.verdicts.rule import rule
from plimbo.core.working.numbers import Array

OFF_ITS_TUNE = bad("Off its tune", Rank.EFFORT)
ORIGINALS_NOT_KNOWN = watch("Originals not known", Rank.WEAR)
NEAR_ITS_EDGE = watch("Near its edge", Rank.EFFORT)
AS_TUNED = good("As tuned")

MATCHES = 3
# A share this close to the edge of a band counts as on the edge.
_EDGE = 1e-9


class AntiLockRow(Result):
    """One quantity that the system was tuned to, now and originally; no numbers where the original is unknown."""

    axle: Axle | None
    title: str
    dimension: str
    now: float
    original: float | None
    off: float | None = answer("share", "How far it is from the original, as a share of it")
    level: Level


class PistonMatch(Result):
    """Stock pistons, one side, near the original area."""

    axle: Axle
    sizes: tuple[float, ...] = answer("piston", "Piston diameters")
    off: float = answer("share", "How far their area is from the original, as a share of it")


class AntiLockCheck(Result):
    """All compared quantities, the bands, and the pistons that would match."""

    pass_band: float = answer("share", "Within this share of the original it passes")
    watch_band: float = answer("share", "Within this share of the original it is to be watched, past it it fails")
    rows: tuple[AntiLockRow, ...]
    matches: tuple[PistonMatch, ...]


class ComparedItem(NamedTuple):
    """One quantity that the system was tuned to."""

    axle: Axle | None
    title: str
    dimension: str

    @property
    def name(self) -> str:
        title = self.title[0].lower() + self.title[1:]
        return f"{self.axle} {title}" if self.axle else title


# In the order in which they are shown.
COMPARED_ITEMS = (
    *(
        ComparedItem(axle, title, dimension)
        for axle in AXLES
        for title, dimension in (
            ("Piston area, one side", "area"),
            ("Disc diameter", "length"),
            ("Pad friction", "friction"),
        )
    ),
    ComparedItem(None, "Front to rear piston area", "ratio"),
)


@lru_cache(maxsize=16)
def originals(original: Original) -> tuple[float, ...]:
    """The original value of each quantity, SI; NaN where unknown."""
    found, areas = [], []
    for of in (original.front, original.rear):
        areas.append(float(piston_area(*of.pistons)) if of.pistons else math.nan)
        found += [areas[-1], *(math.nan if known is None else known for known in (of.disc_diameter, of.pad_friction))]
    return (*found, areas[0] / areas[1])


def level_of(off: float, limits: Limits) -> Level:
    """The level of one quantity at this difference, as a share; to be watched where the original is unknown."""
    if abs(off) <= limits.off_the_original + _EDGE:
        return Level.GOOD
    return Level.BAD if abs(off) > limits.off_the_original_most + _EDGE else Level.WATCH


class AntiLockNumbers(NamedTuple):
    """Each compared quantity now, and its difference as a share, NaN where unknown: shape (quantity, setup)."""

    now: Array
    off: Array


class AntiLock(Matter[AntiLockNumbers]):
    key = "anti_lock"
    title = "Anti-lock"
    # Unknown quantities are named before those near the edge of a band.
    findings = (OFF_ITS_TUNE, ORIGINALS_NOT_KNOWN, NEAR_ITS_EDGE, AS_TUNED)
    facts = (
        Fact(label="front piston area, one side", headline="front.has.piston_area", dimension="area"),
        Fact(label="rear piston area, one side", headline="rear.has.piston_area", dimension="area"),
        Fact(label="front share by brake force", headline="force_share", dimension="share"),
    )

    def concerns(self, car: Car, setup: Setup) -> bool:
        return setup.keeps_anti_lock(car.original)

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

    comes_after = True
    limits = ("off_the_original", "off_the_original_most")
    order = (ChangeKind.PISTONS, ChangeKind.DIAMETER, ChangeKind.COMPOUND)

    def judge(self, numbers: AntiLockNumbers, car: Car) -> Array:
        """The worst one decides."""
        worst = np.fmax.reduce(np.abs(numbers.off), axis=0, initial=0.0)
        passes, watched = car.limits.off_the_original + _EDGE, car.limits.off_the_original_most + _EDGE
        return first_that_holds((worst > watched, np.isnan(numbers.off.sum(axis=0)), worst > passes))

    def criteria(self, numbers: AntiLockNumbers, car: Car) -> tuple[Criterion, ...]:
        passes = car.limits.off_the_original
        off = np.nan_to_num(np.abs(numbers.off))
        return tuple(
            Criterion(thing.name, off[place], passes / 2, passes) for place, thing in enumerate(COMPARED_ITEMS)
        )

    def worsening(self, criterion: str, before: AntiLockNumbers, after: AntiLockNumbers) -> Phrase:
        place = next(at for at, thing in enumerate(COMPARED_ITEMS) if thing.name == criterion)
        return phrase(
            f"{criterion} {{now:+}} off the original, was {{was:+}}",
            now=(after.off[place], "share"),
            was=(before.off[place], "share"),
        )

    def comes_first(self, _change: Change, then: Finding) -> bool:
        """Going back to the original parts, where that is enough."""
        return then is AS_TUNED

    def changes(self, screening: Screening, setup: Setup) -> Iterator[Change]:
        yield from _back_to_originals(screening, setup)

    def verdict(self, screening: Screening, _setup: Setup, judged: Judgement[AntiLockNumbers]) -> Verdict:
        finding, limits = judged.finding, screening.conditions.car.limits
        thing, off = _furthest_off(judged.numbers(), limits)
        passes = limits.off_the_original
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
                watch=(limits.off_the_original_most, "share"),
            )
        return Verdict(
            key=self.key,
            title=self.title,
            level=finding.level,
            word=finding.word,
            rank=finding.rank,
            past=judged.past,
            number=measure(off, "share"),
            margin=measure(abs(passes - abs(off)), "share"),
            margin_words="past the pass band by" if abs(off) > passes else "inside the band by",
            state=None,
            rule=rule(
                "What the stock system was tuned to stays.",
                "A piston area, disc, pad μ or area ratio over {passes} off the original, or no original known.",
                "Over {most} off.",
                passes=(passes, "share"),
                most=(limits.off_the_original_most, "share"),
            ),
            limits=self.limit_paths(),
            reason=reason,
            facts=self.facts,
        )

    def effect(self, _finding: Finding, _before: AntiLockNumbers, after: AntiLockNumbers, push: float) -> Phrase:
        thing, off = _furthest_off(after)
        return phrase(
            f"furthest off then: {thing.name}, {{off:+}}, foot {{push:+}}",
            off=(0.0 if math.isnan(off) else off, "share"),
            push=(push, "force"),
        )


def _furthest_off(numbers: AntiLockNumbers, limits: Limits | None = None) -> tuple[ComparedItem, float]:
    """For one setup: the quantity that is worst by these limits, or differs most, and its difference."""
    offs: list[float] = list(numbers.off)
    apart = [0.0 if math.isnan(off) else abs(off) for off in offs]
    severities = [SEVERITY[level_of(off, limits)] if limits else 0 for off in offs]
    worst = max(range(len(COMPARED_ITEMS)), key=lambda place: (severities[place], apart[place]))
    return COMPARED_ITEMS[worst], offs[worst]


def anti_lock_check(car: Car, setup: Setup, numbers: AntiLockNumbers) -> AntiLockCheck:
    """All compared quantities of one setup, for a car that keeps its stock system."""
    rows = [
        {
            **thing._asdict(),
            "now": now,
            "original": None if math.isnan(original) else original,
            "off": None if math.isnan(off) else off,
            "level": level_of(off, car.limits),
        }
        for thing, now, off, original in zip(
            COMPARED_ITEMS, numbers.now, numbers.off, originals(car.original), strict=True
        )
    ]
    bands = {"pass_band": car.limits.off_the_original, "watch_band": car.limits.off_the_original_most}
    return AntiLockCheck.model_validate(bands | {"rows": rows, "matches": piston_matches(car, setup)})


def _back_to_originals(screening: Screening, setup: Setup) -> Iterator[Change]:
    """Pistons that match, the original disc, the original friction."""
    car = screening.conditions.car
    for match in piston_matches(car, setup):
        pistons = (setup.front if match.axle is Axle.FRONT else setup.rear).caliper.pistons
        swap = Swap(sizes=match.sizes, patch={f"{match.axle}.caliper.pistons": list(match.sizes)})
        if match.sizes != pistons:
            yield Change(
                ChangeKind.PISTONS,
                f"{match.axle}.caliper",
                f"{match.axle.capitalize()} pistons",
                "piston",
                pistons,
                swap,
            )
    for axle, original in zip(AXLES, (car.original.front, car.original.rear), strict=True):
        brake = setup.front if axle is Axle.FRONT else setup.rear
        disc = original.disc_diameter
        if disc is not None and abs(disc - brake.disc.outer_diameter) > SAME:
            patch: dict[str, Json] = {f"{axle}.disc.outer_diameter": disc, f"{axle}.disc.weighed_mass": None}
            before = (brake.disc.outer_diameter,)
            title = f"{axle.capitalize()} disc"
            yield Change(ChangeKind.DIAMETER, f"{axle}.disc", title, "length", before, to_size(disc, patch))
        friction, now = original.pad_friction, float(screening.system.circuit(axle).pad.friction)
        if friction is not None and abs(friction - now) > SAME:
            patch = {f"{axle}.pad.friction": friction, f"{axle}.pad.friction_curve": []}
            title = f"{axle.capitalize()} pad μ"
            yield Change(ChangeKind.COMPOUND, f"{axle}.pad", title, "friction", (now,), to_size(friction, patch))


def piston_matches(car: Car, setup: Setup) -> tuple[PistonMatch, ...]:
    """Stock pistons nearest to the original area that fit the pad, for each axle; best first.

    The same number of pistons comes first: they may fit a caliper of the same kind. None where the car has no anti-lock
    system to keep.
    """
    found: list[PistonMatch] = []
    if not setup.keeps_anti_lock(car.original):
        return ()
    for axle, original in zip(AXLES, (car.original.front, car.original.rear), strict=True):
        if original.pistons:
            brake = setup.front if axle is Axle.FRONT else setup.rear
            fitted = len(brake.caliper.pistons)
            found += _matches(axle, original.pistons, brake.pad.height, brake.pad.length, fitted, car.limits)
    return tuple(found)


# Most steps change none of these inputs.
@lru_cache(maxsize=64)
def _matches(
    axle: Axle, original: tuple[float, ...], pad_height: float, pad_length: float, fitted: int, limits: Limits
) -> tuple[PistonMatch, ...]:
    area, watch = squares(original), limits.off_the_original_most
    near = sorted(
        (abs(off) > limits.off_the_original, len(sizes) != fitted, abs(off), sizes, off)
        for square, sizes in _shelf_between(area * (1 - watch), area * (1 + watch))
        if abs(off := square / area - 1) <= watch
        and under_pad(max(sizes), pad_height)
        and under_pad(sum(sizes), pad_length)
    )
    return tuple([PistonMatch(axle=axle, sizes=sizes, off=off) for *_, sizes, off in near[:MATCHES]])


@cache
def _shelf() -> tuple[tuple[float, tuple[float, ...]], ...]:
    """Every stock set of pistons with the sum of its squares, smallest first."""
    return tuple(sorted((squares(sizes), sizes) for family in PISTON_FAMILIES for sizes in family))


def _shelf_between(least: float, most: float) -> tuple[tuple[float, tuple[float, ...]], ...]:
    shelf = _shelf()
    return shelf[bisect_left(shelf, (least * (1 - _EDGE),)) : bisect_right(shelf, (most * (1 + _EDGE),))]


ANTI_LOCK = AntiLock()
