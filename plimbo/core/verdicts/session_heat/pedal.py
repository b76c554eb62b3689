"""The effect of a session on the pedal: limit of the leg, boiling fluid, and lock order on hot pads."""

import math
from collections.abc import Iterator

from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.phrases import measure, phrase
from plimbo.core.thermal.fluid import FluidState
from plimbo.core.thermal.readings import Moment
from plimbo.core.verdicts.level import Level
from plimbo.core.verdicts.session_heat.findings import FLUID_BAND, HeatEvidence, HeatFinding, at_place

# The front's share may fall this far below the ideal before the rear locks first with hot pads. Below this it is bad.
SHARE_BAND, SHARE_BAD = 0.01, 0.03
# So far past their limit seals are lost, K. From memory of seal practice.
SEAL_BAD = 30.0


def leg(judged: HeatEvidence) -> Iterator[HeatFinding]:
    readings, limit = judged.readings, judged.car.driver.foot_force_limit
    if readings.leg_ends:
        yield HeatFinding(
            key="leg",
            axle=None,
            past=1 + readings.metres,
            level=Level.BAD,
            word="Leg ends before the stop does",
            number=measure(readings.push.value, "force"),
            margin=measure(readings.metres, "distance"),
            margin_words="longer, the worst stop",
            text=phrase(
                f"The pads no longer bite enough {at_place(readings.leg_ends)} for the {{limit}} that the driver holds:"
                " the worst stop is {metres} longer.",
                limit=(limit, "force"),
                metres=(readings.metres, "distance"),
            ),
        )
    elif readings.push.value > judged.car.limits.leg_reserve * limit:
        yield HeatFinding(
            key="leg",
            axle=None,
            past=readings.push.value / limit,
            level=Level.WATCH,
            word="Leg nearly at its end",
            number=measure(readings.push.value, "force"),
            margin=measure(limit - readings.push.value, "force"),
            margin_words="effort in reserve",
            text=phrase(
                f"The pads ask for {{push}} {at_place(readings.push.place)}, as warm as they are there; the driver"
                " holds {limit}.",
                push=(readings.push.value, "force"),
                limit=(limit, "force"),
            ),
        )


def boils(key: str, axle: Axle, mean: Moment, wet: Moment, fluid: FluidState) -> Iterator[HeatFinding]:
    if math.isnan(mean.value) or math.isnan(wet.value) or wet.value < fluid.boils - FLUID_BAND:
        return
    parked = key == "fluid_parked"
    if mean.value > fluid.boils or wet.value > fluid.boils + FLUID_BAND:
        level, word = Level.BAD, f"{axle.capitalize()} fluid boils{' parked' if parked else ''}"
        how = "All of it is past its boiling point" if mean.value > fluid.boils else "It boils at the pistons"
        how += ": the pedal goes to the floor."
    elif wet.value > fluid.boils:
        level, word = Level.WATCH, f"{axle.capitalize()} fluid begins to boil{' parked' if parked else ''}"
        how = "It begins to boil at the pistons."
    else:
        level, word = Level.WATCH, f"{axle.capitalize()} fluid near boiling{' parked' if parked else ''}"
        how = "That is within what these figures are good for."
    yield HeatFinding(
        key=key,
        axle=axle,
        past=(max(wet.value, mean.value) - fluid.boils) / FLUID_BAND,
        level=level,
        word=word,
        number=measure(wet.value, "temperature"),
        margin=measure(abs(fluid.boils - wet.value), "temperature difference"),
        margin_words="to boiling" if wet.value < fluid.boils else "past boiling",
        text=phrase(
            f"The {axle} fluid reaches {{mean}}, and {{wet}} at the pistons, {wet.place}; with {{water}} water,"
            f" {fluid.known_by}, it boils at {{boils}}. {how}",
            mean=(mean.value, "temperature"),
            wet=(wet.value, "temperature"),
            water=(fluid.water, "share"),
            boils=(fluid.boils, "temperature"),
        ),
    )


def seals(judged: HeatEvidence, axle: Axle) -> Iterator[HeatFinding]:
    own, limit = judged.readings.axle(axle), judged.brake(axle).caliper.seal_limit
    hottest = own.wet_hottest
    if hottest.value <= limit:
        return
    bad = hottest.value > limit + SEAL_BAD
    yield HeatFinding(
        key="seals",
        axle=axle,
        past=(hottest.value - limit) / SEAL_BAD,
        level=Level.BAD if bad else Level.WATCH,
        word=f"{axle.capitalize()} seals {'too hot' if bad else 'near their end'}",
        number=measure(hottest.value, "temperature"),
        margin=measure(hottest.value - limit, "temperature difference"),
        margin_words="past what the seals stand",
        text=phrase(
            f"The {axle} pistons are at {{wet}} where their seals sit, {hottest.place}; the seals stand {{limit}}. They"
            f" {'harden and leak within an event' if bad else 'harden and pull the pistons back less'}: cooler pistons,"
            " or seals for more heat, their limit by their maker.",
            wet=(hottest.value, "temperature"),
            limit=(limit, "temperature"),
        ),
    )


def balance(judged: HeatEvidence) -> Iterator[HeatFinding]:
    share, ideal = judged.readings.front_share_least, judged.ideal_share
    least = share.value
    # If it is so from the start, the lock order reports it already.
    if least < ideal - SHARE_BAND and judged.share >= ideal - SHARE_BAND:
        yield HeatFinding(
            key="balance",
            axle=None,
            past=(ideal - least) / SHARE_BAND,
            level=Level.BAD if least < ideal - SHARE_BAD else Level.WATCH,
            word="Rear first on these pads",
            number=measure(least, "share"),
            margin=measure(ideal - least, "share"),
            margin_words="under the ideal front share",
            text=phrase(
                f"The pads, as warm as they are {at_place(share.place)}, leave the front {{least}} of the"
                " brake force; under {ideal} the rear locks first and the car can spin. Pads that bite alike over the"
                " whole session come first; then the bar, or the valve, toward the front.",
                least=(least, "share"),
                ideal=(ideal, "share"),
            ),
        )
