"""The verdict on the heat of a session: the worst of its findings, or that it holds."""

from collections.abc import Iterator

from plimbo.core.quantities.axles import AXLES
from plimbo.core.quantities.phrases import measure, phrase
from plimbo.core.thermal.readings import AxleReadings
from plimbo.core.verdicts.level import Level, Rank
from plimbo.core.verdicts.rule import Rule, rule
from plimbo.core.verdicts.session_heat import discs, pedal
from plimbo.core.verdicts.session_heat.findings import (
    DISC_BAND,
    FLUID_BAND,
    HeatEvidence,
    HeatFinding,
    HeatVerdict,
    at_place,
)


def heat_verdict(judged: HeatEvidence) -> HeatVerdict:
    """Gravest first: by level, by rank, then the furthest past its limit."""
    found = sorted(_findings(judged), key=lambda one: one.gravity, reverse=True)
    name = judged.session.name
    if found:
        worst = found[0]
        return HeatVerdict(
            session=name,
            level=worst.level,
            word=worst.word,
            rank=worst.rank,
            past=worst.past,
            number=worst.number,
            margin=worst.margin,
            margin_words=worst.margin_words,
            rule=_rule(judged),
            text=worst.text,
            findings=tuple(found),
        )
    axle = min(AXLES, key=lambda one: _under(judged.readings.axle(one)))
    own = judged.readings.axle(axle)
    hair = max(judged.readings.axle(one).crack.value for one in AXLES) > discs.HAIR_CRACKS
    text = phrase(
        f"Hottest at the {axle}: {{peak}} {at_place(own.surface_peak.place)}, {{under}} under where the pad fades. The"
        " fluid stays {fluid} under its boiling point."
        f"{' Hair cracks come over a season: look at the discs.' if hair else ''}"
        " Figures are good to about {disc} on discs, {band} in the fluid.",
        peak=(own.surface_peak.value, "temperature"),
        under=(_under(own), "temperature difference"),
        fluid=(judged.fluid.boils - judged.readings.hottest_fluid, "temperature difference"),
        disc=(DISC_BAND, "temperature difference"),
        band=(FLUID_BAND, "temperature difference"),
    )
    return HeatVerdict(
        session=name,
        level=Level.GOOD,
        word="Heat holds",
        rank=Rank.WEAR,
        past=-_under(own) / DISC_BAND,
        number=measure(own.surface_peak.value, "temperature"),
        margin=measure(_under(own), "temperature difference"),
        margin_words=f"under fade, {axle}",
        rule=_rule(judged),
        text=text,
    )


def _rule(judged: HeatEvidence) -> Rule:
    """The limits that are named first; the figures are not calibrated on the car."""
    return rule(
        "All session, and parked after it: pads between where they bite and fade, fluid under boiling, discs and seals"
        " under what they stand, push under {limit}, front first on hot pads.",
        "Disc within {disc} of fade. Fluid within {fluid} of boiling at the pistons. Push over {reserve} of what the"
        " driver holds. Pads too cold for over {cold} of the braking. Crack ratio over {crack}.",
        "Disc over {disc} past fade. Fluid that boils, or {fluid} past boiling at the pistons. Pads that stay cold and"
        " bite under {bite} of their best. Push past the leg. A material past what it stands.",
        limit=(judged.car.driver.foot_force_limit, "force"),
        disc=(DISC_BAND, "temperature difference"),
        fluid=(FLUID_BAND, "temperature difference"),
        reserve=(judged.car.limits.leg_reserve, "share"),
        cold=(discs.COLD_SHARE, "share"),
        bite=(discs.FIRST_BITE, "share"),
        crack=(discs.CRACK_WATCH, "friction"),
    )


def _under(own: AxleReadings) -> float:
    return own.window[1] - own.surface_peak.value


def _findings(judged: HeatEvidence) -> Iterator[HeatFinding]:
    readings, fluid = judged.readings, judged.fluid
    each = [(axle, readings.axle(axle)) for axle in AXLES]
    for axle in AXLES:
        yield from discs.material(judged, axle)
    for axle, own in each:
        yield from discs.too_hot(axle, own, judged.brake(axle).disc.material)
    for axle, own in each:
        yield from discs.fade(axle, own)
    pedal_findings = [*pedal.leg(judged), *pedal.balance(judged)]
    costs = any(one.level is Level.BAD for one in pedal_findings)
    yield from pedal_findings
    for axle in AXLES:
        yield from discs.cold(judged, axle, costs=costs)
    for axle, own in each:
        yield from pedal.boils("fluid_running", axle, own.fluid_running, own.wet_running, fluid)
    for axle, own in each:
        yield from pedal.boils("fluid_parked", axle, own.fluid_parked, own.wet_parked, fluid)
    for axle in AXLES:
        yield from pedal.seals(judged, axle)
    for axle, own in each:
        yield from discs.cracks(axle, own)
    for axle in AXLES:
        yield from discs.wear(judged, axle)
    for axle, own in each:
        yield from discs.sides(axle, own)
    yield from discs.not_named(judged)
