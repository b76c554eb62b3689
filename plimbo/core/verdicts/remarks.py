"""Facts of the trade about the parts as they are put together, told where they matter. Common practice."""

from collections.abc import Iterator
from itertools import pairwise

from plimbo.core.braking.chain import Chain
from plimbo.core.documents import Car, Compound, FrictionLetter, Hand, Retention, Setup
from plimbo.core.friction.pad import friction_letter, pad_friction
from plimbo.core.hydraulics.actuation import foot_for_rod
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.quantities.results import Result
from plimbo.core.verdicts.level import Level
from plimbo.core.working.inputs import PLAIN


class Remark(Result):
    """A word about a part, and the field that it is about."""

    path: str
    level: Level
    text: Phrase


def remarks(car: Car, setup: Setup, chain: Chain) -> tuple[Remark, ...]:
    """What a second pair of eyes would say."""
    found = list(_actuation(setup, chain))
    for axle in AXLES:
        found += _axle(setup, axle)
    if Compound.UNKNOWN not in (front := setup.front.pad.compound, rear := setup.rear.pad.compound) and front != rear:
        text = phrase(f"Pads are split, {front} in front and {rear} behind: the two ends warm up differently.")
        found.append(Remark(path="setup.rear.pad.compound", level=Level.WATCH, text=text))
    if car.original.anti_lock_kept and not setup.tandem_fitted:
        text = phrase("A balance bar ahead of a stock anti-lock system: its makers never tuned it for two pressures.")
        found.append(Remark(path="setup.split", level=Level.WATCH, text=text))
    return tuple(found)


def _actuation(setup: Setup, chain: Chain) -> Iterator[Remark]:
    if setup.valve.fitted and not setup.tandem_fitted:
        text = phrase("A valve and a bar both set the balance: settle on one, or nobody knows what moved it.")
        yield Remark(path="setup.valve.kind", level=Level.WATCH, text=text)
    if setup.valve.fitted and setup.valve.true_knee > chain.rear.line_pressure:
        text = phrase(
            "At the chosen push the line has {line}, under the knee of {knee}: the valve does nothing yet.",
            line=(chain.rear.line_pressure, "pressure"),
            knee=(setup.valve.true_knee, "pressure"),
        )
        yield Remark(path="setup.valve.knee", level=Level.GOOD, text=text)
    pedal = chain.system.pedal
    if setup.booster.fitted and chain.rod_force > setup.booster.run_out:
        text = phrase(
            "At the chosen push the booster has run out, at {foot} of foot: past it the pedal goes hard.",
            foot=(foot_for_rod(setup.booster.run_out, pedal.ratio, pedal.efficiency), "force"),
        )
        yield Remark(path="setup.booster.run_out", level=Level.WATCH, text=text)


def _axle(setup: Setup, axle: Axle) -> Iterator[Remark]:
    brake = setup.front if axle is Axle.FRONT else setup.rear
    caliper, pad = brake.caliper, brake.pad
    pistons = caliper.pistons
    if any(after < before - 1e-6 for before, after in pairwise(pistons)):
        text = phrase(f"{axle.capitalize()} calipers: the small piston leads, the large one trails, or the pads taper.")
        yield Remark(path=f"setup.{axle}.caliper.pistons", level=Level.WATCH, text=text)
    if caliper.hand is Hand.ALIKE:
        staggered = len(set(pistons)) > 1
        text = phrase(
            f"Two {axle} calipers alike: on one side the bleed screws stand below and air stays in"
            + (", and the pistons face the wrong way." if staggered else ".")
        )
        yield Remark(path=f"setup.{axle}.caliper.hand", level=Level.WATCH, text=text)
    if caliper.retention is Retention.RESIDUAL:
        text = phrase(f"The residual-pressure valve keeps the {axle} pads rubbing: drag and heat for a shorter pedal.")
        yield Remark(path=f"setup.{axle}.caliper.retention", level=Level.WATCH, text=text)
    if caliper.retention is Retention.ANTI_KNOCK_BACK:
        text = phrase(f"Anti-knock-back springs at the {axle}: the pads touch a little, and the discs run warmer.")
        yield Remark(path=f"setup.{axle}.caliper.retention", level=Level.GOOD, text=text)
    if pad.letter is not FrictionLetter.NONE:
        friction = pad_friction(pad, PLAIN, axle)
        if friction_letter(friction) != pad.letter.value:
            text = phrase(
                f"{axle.capitalize()} pads: letter {pad.letter} on the edge, but {{friction}} is letter"
                f" {friction_letter(friction)}.",
                friction=(friction, "friction"),
            )
            yield Remark(path=f"setup.{axle}.pad.letter", level=Level.WATCH, text=text)
