"""Remarks on the combination of parts: facts of the trade, common practice."""

from collections.abc import Iterator
from itertools import pairwise

from plimbo.core.braking.chain import Chain
from plimbo.core.documents import Car, Compound, FrictionLetter, Hand, Retention, Setup, Tyre
from plimbo.core.documents.axle_brake import under_pad
from plimbo.core.documents.materials import DiscMaterial
from plimbo.core.friction.pad import friction_letter, pad_friction
from plimbo.core.hydraulics.actuation import LEAST_CYLINDER, MOST_CYLINDER, foot_for_rod
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.quantities.results import Result
from plimbo.core.vehicle.tyre_size import INCH, rim_of
from plimbo.core.verdicts.level import Level
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import single


class Remark(Result):
    """A word about a part, and the field that it is about."""

    path: str
    level: Level
    text: Phrase


def remarks(car: Car, setup: Setup, chain: Chain) -> tuple[Remark, ...]:
    """The remarks that a second mechanic would make."""
    found = [*_sense(car, setup), *_actuation(setup, chain)]
    for axle in AXLES:
        found += _axle(setup, axle)
    if Compound.UNKNOWN not in (front := setup.front.pad.compound, rear := setup.rear.pad.compound) and front != rear:
        text = phrase(f"Pads are split, {front} in front and {rear} behind: the two ends warm up differently.")
        found.append(Remark(path="setup.rear.pad.compound", level=Level.WATCH, text=text))
    if setup.keeps_anti_lock(car.original) and not setup.tandem_fitted:
        text = phrase("A balance bar ahead of a stock anti-lock system: its makers never tuned it for two pressures.")
        found.append(Remark(path="setup.split", level=Level.WATCH, text=text))
    return tuple(found)


def _sense(car: Car, setup: Setup) -> Iterator[Remark]:
    """Combinations that can be calculated but not bought, fitted or driven."""
    for axle in AXLES:
        brake = setup.brake(axle)
        yield from _in_the_rim(axle, car.tyre(axle), brake.disc.outer_diameter)
        if not setup.tandem_fitted:
            yield from _made(f"setup.{axle}.master_cylinder.bore", f"{axle} cylinder", brake.master_cylinder.bore)
    if setup.tandem_fitted:
        yield from _made("setup.tandem.bore", "tandem cylinder", setup.tandem.bore)
    known = {state.name for state in car.states}
    for name in setup.judged_in:
        if name not in known:
            text = phrase(f"This setup is to be judged in “{name}”, which is no state of the car: it is left out.")
            yield Remark(path="setup.judged_in", level=Level.WATCH, text=text)
    for place, state in enumerate(car.states):
        if state.speed > car.top_speed:
            text = phrase(
                f"{state.name} is told at {{speed}}, faster than the car's {{top}}: lower one or raise the other.",
                speed=(state.speed, "speed"),
                top=(car.top_speed, "speed"),
            )
            yield Remark(path=f"car.states.{place}.speed", level=Level.WATCH, text=text)


def _in_the_rim(axle: Axle, tyre: Tyre, disc: float) -> Iterator[Remark]:
    rim = rim_of(tyre)
    if disc <= rim.largest_disc:
        return
    inches = f"{rim.diameter / INCH:g} in rim"
    does_not_go = "a disc of {disc} does not go with its caliper: at most about {most}."
    text = phrase(
        f"Into the {inches} of the {axle} tyre {does_not_go}"
        if rim.given
        else f"The {axle} tyre has no size. Into the {inches} that its radius suggests, {does_not_go} Type the size.",
        disc=(disc, "length"),
        most=(rim.largest_disc, "length"),
    )
    level = Level.BAD if rim.given else Level.WATCH
    yield Remark(path=f"setup.{axle}.disc.outer_diameter", level=level, text=text)


def _made(path: str, what: str, bore: float) -> Iterator[Remark]:
    if LEAST_CYLINDER <= bore <= MOST_CYLINDER:
        return
    text = phrase(
        f"Nobody makes a {what} of {{bore}}: they go from {{least}} to {{most}}.",
        bore=(bore, "bore"),
        least=(LEAST_CYLINDER, "bore"),
        most=(MOST_CYLINDER, "bore"),
    )
    yield Remark(path=path, level=Level.WATCH, text=text)


def _actuation(setup: Setup, chain: Chain) -> Iterator[Remark]:
    if setup.valve.fitted and not setup.tandem_fitted:
        text = phrase("A valve and a bar both set the balance: settle on one, or nobody knows what moved it.")
        yield Remark(path="setup.valve.kind", level=Level.WATCH, text=text)
    if setup.valve.fitted and setup.valve.true_knee > chain.rear.line_pressure:
        text = phrase(
            "At the design effort the line has {line}, under the knee of {knee}: the valve does nothing yet.",
            line=(chain.rear.line_pressure, "pressure"),
            knee=(setup.valve.true_knee, "pressure"),
        )
        yield Remark(path="setup.valve.knee", level=Level.GOOD, text=text)
    pedal = chain.system.pedal
    if setup.booster.fitted and chain.rod_force > setup.booster.run_out:
        text = phrase(
            "At the design effort the booster has run out, at {foot} of foot: past it the pedal goes hard.",
            foot=(foot_for_rod(setup.booster.run_out, pedal.ratio, pedal.efficiency), "force"),
        )
        yield Remark(path="setup.booster.run_out", level=Level.WATCH, text=text)


def _axle(setup: Setup, axle: Axle) -> Iterator[Remark]:
    brake = setup.front if axle is Axle.FRONT else setup.rear
    caliper, pad = brake.caliper, brake.pad
    pistons = caliper.pistons
    if not under_pad(max(pistons), pad.height):
        text = phrase(
            f"The {axle} piston of {{piston}} reaches past the pad's face of {{height}}: usual with sliding calipers,"
            " if the backing plate is stiff enough to carry it.",
            piston=(max(pistons), "piston"),
            height=(pad.height, "length"),
        )
        yield Remark(path=f"setup.{axle}.caliper.pistons", level=Level.GOOD, text=text)
    if any(after < before - 1e-6 for before, after in pairwise(pistons)):
        text = phrase(f"{axle.capitalize()} calipers: the small piston leads, the large one trails, or the pads taper.")
        yield Remark(path=f"setup.{axle}.caliper.pistons", level=Level.WATCH, text=text)
    if brake.disc.material is DiscMaterial.CARBON_CARBON:
        text = phrase(f"The {axle} carbon-carbon bites neither wet nor cold: have iron discs for rain.")
        yield Remark(path=f"setup.{axle}.disc.material", level=Level.WATCH, text=text)
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
    if caliper.retention is Retention.RETURN_LIMITING:
        text = phrase(
            f"A return-limiting valve keeps some {axle} fluid from coming back: the wheel must still turn free."
        )
        yield Remark(path=f"setup.{axle}.caliper.retention", level=Level.GOOD, text=text)
    if caliper.retention is Retention.ANTI_KNOCK_BACK:
        text = phrase(f"Anti-knock-back springs at the {axle}: the pads touch a little, and the discs run warmer.")
        yield Remark(path=f"setup.{axle}.caliper.retention", level=Level.GOOD, text=text)
    if pad.letter is not FrictionLetter.NONE:
        friction = single(pad_friction(pad, PLAIN, axle))
        if friction_letter(friction) != pad.letter.value:
            text = phrase(
                f"{axle.capitalize()} pads: letter {pad.letter} on the edge, but {{friction}} is letter"
                f" {friction_letter(friction)}.",
                friction=(friction, "friction"),
            )
            yield Remark(path=f"setup.{axle}.pad.letter", level=Level.WATCH, text=text)
