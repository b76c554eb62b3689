"""The changes of one size worth trying on any setup: the stock sizes near the fitted ones.

Sizes outside the usual range are not tried, nor discs too large for their rim.
"""

import math
from collections.abc import Iterator
from typing import NamedTuple

from plimbo.core.documents import Booster, Car, Disc, Pad, Pedal, Setup
from plimbo.core.documents.axle_brake import under_pad
from plimbo.core.hydraulics.brake_system import BrakeSystem
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.fields import usual_range
from plimbo.core.stepping.changes import Change, ChangeKind, Json, Swap, to_size
from plimbo.core.stepping.stock import BORES, DISC_STEP, RATIO_STEP, SAME, next_pistons, next_size
from plimbo.core.vehicle.tyre_size import rim_of
from plimbo.core.verdicts.balance_changes import bar_band


class Reach(NamedTuple):
    """Number of sizes tried up and down, of each kind."""

    bores: int
    pistons: int
    discs: int
    ratios: int
    gains: int
    compounds: int


NEAR, FAR = Reach(4, 3, 3, 6, 3, 2), Reach(7, 6, 6, 10, 5, 3)
TURNS_TRIED = 8
# Change of friction with another compound. A booster's gain is changed by a tenth of its value.
COMPOUND_STEP, GAIN_SHARE = 0.05, 0.1


def sizes_near(car: Car, setup: Setup, system: BrakeSystem, reach: Reach = NEAR) -> Iterator[Change]:
    """Every size within reach of the fitted one, at every joint."""
    yield from _ratios(setup, reach.ratios)
    if setup.booster.fitted:
        yield from _gains(setup, reach.gains)
    if setup.tandem_fitted:
        yield from _bores("tandem", "Tandem cylinder", setup.tandem.bore, reach.bores)
    else:
        yield from _turns(car, setup)
    for axle in AXLES:
        brake, end = setup.brake(axle), axle.capitalize()
        if not setup.tandem_fitted:
            yield from _bores(f"{axle}.master_cylinder", f"{end} cylinder", brake.master_cylinder.bore, reach.bores)
        yield from _pistons(axle, brake.caliper.pistons, brake.pad.height, reach.pistons)
        yield from _discs(car, axle, brake.disc, reach.discs)
        yield from _compounds(axle, brake.pad, float(system.circuit(axle).pad.friction), reach.compounds)


def _usual(kind: type[Booster | Disc | Pad], name: str, value: float) -> bool:
    least, most = usual_range(kind, name)
    return least <= value <= most


def _ratios(setup: Setup, away_most: int) -> Iterator[Change]:
    now = setup.pedal.true_ratio
    clear: dict[str, Json] = {"pedal.rod_length": None} if setup.pedal.measured else {}
    least, most = usual_range(Pedal, "ratio")
    quarters = [place * RATIO_STEP for place in range(math.ceil(least / RATIO_STEP), math.floor(most / RATIO_STEP) + 1)]
    # The nearest ones either way; for a pedal outside the usual range, the first ones inside it.
    for ratio in sorted(quarters, key=lambda one: abs(one - now))[: 2 * away_most]:
        if abs(ratio - now) > SAME:
            swap = to_size(ratio, clear | {"pedal.ratio": ratio})
            away = math.ceil(abs(ratio - now) / RATIO_STEP - SAME)
            yield Change(ChangeKind.RATIO, "pedal", "Pedal ratio", "ratio", (now,), swap, away)


def _gains(setup: Setup, away_most: int) -> Iterator[Change]:
    now = setup.booster.gain
    for step in range(-away_most, away_most + 1):
        gain = round(now * (1 + step * GAIN_SHARE), 1)
        if step and _usual(Booster, "gain", gain):
            swap = to_size(gain, {"booster.gain": gain})
            yield Change(ChangeKind.GAIN, "booster", "Booster gain", "ratio", (now,), swap, abs(step))


def _bores(joint: str, title: str, now: float, away_most: int) -> Iterator[Change]:
    for up in (False, True):
        bore = now
        for step in range(1, away_most + 1):
            if (next_one := next_size(bore, BORES, up)) is None:
                break
            bore = next_one
            yield Change(ChangeKind.BORE, joint, title, "bore", (now,), to_size(bore, {f"{joint}.bore": bore}), step)


def _turns(car: Car, setup: Setup) -> Iterator[Change]:
    """Whole turns of the bar from the middle, up to its band."""
    bar = setup.balance_bar
    most = min(TURNS_TRIED, int(bar.turns(bar_band(car, setup)) + SAME))
    for turn in range(-most, most + 1):
        offset = round(bar.offset_at(turn), 9)
        if abs(offset - bar.offset) > SAME:
            away = math.ceil(bar.turns(abs(offset - bar.offset)) - SAME)
            swap = to_size(float(turn), {"balance_bar.offset": offset})
            now = bar.turns(bar.offset)
            yield Change(
                ChangeKind.TURN, "balance_bar", "Balance bar, + toward the front,", "turns", (now,), swap, away
            )


def _pistons(axle: Axle, now: tuple[float, ...], pad_height: float, away_most: int) -> Iterator[Change]:
    """No piston wider than the pad's face, unless the fitted ones already are."""
    joint = f"{axle}.caliper"
    for up in (False, True):
        pistons = now
        for step in range(1, away_most + 1):
            if (next_ones := next_pistons(pistons, up)) is None:
                break
            pistons = next_ones
            if max(pistons) > max(now) and not under_pad(max(pistons), pad_height):
                break
            swap = Swap(sizes=pistons, patch={f"{joint}.pistons": list(pistons)})
            yield Change(ChangeKind.PISTONS, joint, f"{axle.capitalize()} pistons", "piston", now, swap, step)


def _discs(car: Car, axle: Axle, disc: Disc, away_most: int) -> Iterator[Change]:
    joint, now = f"{axle}.disc", disc.outer_diameter
    largest = rim_of(car.tyre(axle)).largest_disc
    for step in range(-away_most, away_most + 1):
        size = round(now + step * DISC_STEP, 6)
        if not step or not _usual(Disc, "outer_diameter", size) or size <= 2 * disc.ring_height + DISC_STEP:
            continue
        if size > max(largest, now):
            continue
        # A typed mass does not hold for another disc.
        swap = to_size(size, {f"{joint}.outer_diameter": size, f"{joint}.weighed_mass": None})
        yield Change(ChangeKind.DIAMETER, joint, f"{axle.capitalize()} disc", "length", (now,), swap, abs(step))


def _compounds(axle: Axle, pad: Pad, now: float, away_most: int) -> Iterator[Change]:
    joint = f"{axle}.pad"
    also: dict[str, Json] = {f"{joint}.friction_curve": []} if pad.friction_curve else {}
    for step in range(-away_most, away_most + 1):
        friction = round(now + step * COMPOUND_STEP, 3)
        if step and _usual(Pad, "friction", friction):
            swap = to_size(friction, also | {f"{joint}.friction": friction})
            yield Change(ChangeKind.COMPOUND, joint, f"{axle.capitalize()} pad μ", "friction", (now,), swap, abs(step))
