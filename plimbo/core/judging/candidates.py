"""The single changes that are worth trying on a setup: neighbours on the shelf, what bar and valve can do."""

import math
from collections.abc import Iterator, Sequence
from typing import NamedTuple

from plimbo.core import defaults
from plimbo.core.brakes.chain import Chain, pad_friction
from plimbo.core.brakes.joints import Joint, Json, Swap
from plimbo.core.brakes.settings import bar_offset, knee_set, knee_wanted
from plimbo.core.brakes.stock import SAME
from plimbo.core.documents import Car, Setup, ValveKind
from plimbo.core.judging.anti_lock import piston_matches
from plimbo.core.judging.centring import bar_wound, centrings
from plimbo.core.working import AXLES, PLAIN, Axle

COMPOUND_STEP = 0.05


# What one size bigger does to the front's share of the brake force, and to the brake force as a whole.
BIGGER: dict[str, tuple[int, int]] = {
    "pedal": (0, 1),
    "booster": (0, 1),
    "tandem": (0, -1),
    "front.master_cylinder": (-1, -1),
    "rear.master_cylinder": (1, -1),
    "front.caliper": (1, 1),
    "rear.caliper": (-1, 1),
    "front.disc": (1, 1),
    "rear.disc": (-1, 1),
    "front.pad": (1, 1),
    "rear.pad": (-1, 1),
}


class Wanted(NamedTuple):
    """What would mend: more (1) or less (−1) of the front's share, of the brake force; anything at all; originals."""

    share: frozenset[int] = frozenset()
    force: frozenset[int] = frozenset()
    anything: bool = False
    originals: bool = False

    def wants(self, joint: str, bigger: bool) -> bool:
        """Whether one size bigger or smaller at a joint goes that way."""
        share, force = BIGGER[joint]
        sign = 1 if bigger else -1
        return self.anything or sign * share in self.share or sign * force in self.force


class Candidate(NamedTuple):
    """A change of one thing."""

    joint: str
    title: str
    dimension: str
    before: tuple[float, ...]
    swap: Swap


def candidates(
    car: Car,
    setup: Setup,
    chain: Chain,
    around: Sequence[Joint],
    limits: Sequence[tuple[float, float]],
    wanted: Wanted,
) -> list[Candidate]:
    """All that is tried; `limits` are the brake forces of both axles at their limit in every state, N."""
    found = [
        Candidate(joint.key, joint.title, joint.dimension, joint.sizes, swap)
        for joint in around
        if joint.key in BIGGER and not joint.key.endswith("pad")
        for swap, bigger in ((joint.smaller, False), (joint.bigger, True))
        if swap is not None and wanted.wants(joint.key, bigger)
    ]
    found += _compounds(setup, wanted)
    if wanted.anything or wanted.share:
        found += _valve(setup, chain, limits)
        if not setup.tandem_fitted:
            found += _turns(setup, chain, limits)
    if wanted.originals:
        tried = [candidate.swap.patch for candidate in found]
        found += [candidate for candidate in _originals(car, setup) if candidate.swap.patch not in tried]
    return found


def _swap(size: float, patch: dict[str, Json]) -> Swap:
    return Swap(sizes=(size,), patch=patch)


def _compounds(setup: Setup, wanted: Wanted) -> Iterator[Candidate]:
    """Another compound at one end: a twentieth of friction up or down."""
    for axle, brake in zip(AXLES, (setup.front, setup.rear), strict=True):
        now = pad_friction(brake.pad, PLAIN, axle)
        also: dict[str, Json] = {f"{axle}.pad.friction_curve": []} if brake.pad.friction_curve else {}
        for step in (-COMPOUND_STEP, COMPOUND_STEP):
            other = round(now + step, 3)
            if 0.15 <= other <= 0.8 and wanted.wants(f"{axle}.pad", step > 0):
                swap = _swap(other, also | {f"{axle}.pad.friction": other})
                yield Candidate(f"{axle}.pad", f"{axle.capitalize()} pad μ", "friction", (now,), swap)


def _valve(setup: Setup, chain: Chain, limits: Sequence[tuple[float, float]]) -> Iterator[Candidate]:
    """Other knees: each position of a lever; of a screw what the states ask, and a little less."""
    valve = setup.valve
    if not valve.fitted and not setup.tandem_fitted:
        return
    knees = [knee for limit in limits if (knee := knee_wanted(setup, chain, limit))]
    if valve.kind is ValveKind.LEVER:
        tried = [position for position in valve.positions if position != valve.true_knee]
    else:
        tried = sorted({knee_set(setup, part * knee) for knee in knees for part in (1, 0.85)})
    fit: dict[str, Json] = {} if valve.fitted else {"valve.kind": ValveKind.SCREW.value}
    title = "Valve knee" if valve.fitted else "Rear valve fitted, knee"
    before = (valve.true_knee,) if valve.fitted else ()
    for knee in tried:
        if abs(knee - valve.true_knee) > 1 or fit:
            yield Candidate("valve", title, "pressure", before, _swap(knee, fit | {"valve.knee": knee}))


def _turns(setup: Setup, chain: Chain, limits: Sequence[tuple[float, float]]) -> Iterator[Candidate]:
    """The bar: the whole turns at which the front is first in every state; where it is wound, sizes that centre it."""
    bar = setup.balance_bar
    if bar_wound(setup):
        for one in centrings(setup):
            path = f"{one.axle}.master_cylinder.bore"
            now = (setup.front if one.axle is Axle.FRONT else setup.rear).master_cylinder.bore
            swap = _swap(one.bore, {path: one.bore, "balance_bar.offset": one.offset})
            title = f"{one.axle.capitalize()} cylinder, bar back"
            yield Candidate(f"{one.axle}.master_cylinder", title, "bore", (now,), swap)
        return
    band = defaults.BAR_SHARE_MOST.value * bar.length / 2
    bite = 1 + setup.pad_tolerance
    wanted = max(bar_offset(setup, chain, (front, rear / bite)) for front, rear in limits)
    turns = math.ceil(wanted / bar.thread_pitch - 1e-9)
    for offset in {round(turn * bar.thread_pitch, 9) for turn in (turns, turns - 1)}:
        if abs(offset) <= band and abs(offset - bar.offset) > SAME:
            swap = _swap(offset, {"balance_bar.offset": offset})
            yield Candidate("balance_bar", "Balance bar", "length", (bar.offset,), swap)


def _originals(car: Car, setup: Setup) -> Iterator[Candidate]:
    """Back to what the anti-lock system knows: pistons that match, the original disc, the original friction."""
    for match in piston_matches(car, setup):
        pistons = (setup.front if match.axle is Axle.FRONT else setup.rear).caliper.pistons
        swap = Swap(sizes=match.sizes, patch={f"{match.axle}.caliper.pistons": list(match.sizes)})
        if match.sizes != pistons:
            title = f"{match.axle.capitalize()} pistons"
            yield Candidate(f"{match.axle}.caliper", title, "piston", pistons, swap)
    for axle, original in zip(AXLES, (car.original.front, car.original.rear), strict=True):
        brake = setup.front if axle is Axle.FRONT else setup.rear
        disc = original.disc_diameter
        if disc is not None and abs(disc - brake.disc.outer_diameter) > SAME:
            patch: dict[str, Json] = {f"{axle}.disc.outer_diameter": disc, f"{axle}.disc.weighed_mass": None}
            title = f"{axle.capitalize()} disc"
            yield Candidate(f"{axle}.disc", title, "length", (brake.disc.outer_diameter,), _swap(disc, patch))
        friction, now = original.pad_friction, pad_friction(brake.pad, PLAIN, axle)
        if friction is not None and abs(friction - now) > SAME:
            patch = {f"{axle}.pad.friction": friction, f"{axle}.pad.friction_curve": []}
            title = f"{axle.capitalize()} pad μ"
            yield Candidate(f"{axle}.pad", title, "friction", (now,), _swap(friction, patch))
