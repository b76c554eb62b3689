"""What a change does to the finding that it eases, before and after."""

from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.search.session_heat.candidates import COLD, FLUID
from plimbo.core.thermal.readings import AxleReadings
from plimbo.core.verdicts.session_heat.findings import HeatEvidence, HeatFinding


def effect_of(before: HeatEvidence, after: HeatEvidence, eased: HeatFinding) -> Phrase:
    """The finding that a change eases, after the change."""
    axle = eased.axle
    if axle is None:
        return _on_the_car(before, after, eased.key)
    was, now = before.readings.axle(axle), after.readings.axle(axle)
    if eased.key in FLUID:
        return _on_the_fluid(axle, was, now, after.fluid.boils, parked=eased.key == "fluid_parked")
    if eased.key in COLD:
        return _on_the_bite(axle, before, after)
    return _on_discs_and_pads(axle, was, now, eased.key) or phrase(
        f"{axle} peak {{was}} → {{now}}, fades from {{high}}; fluid {{fluid:+}}",
        was=(was.surface_peak.value, "temperature"),
        now=(now.surface_peak.value, "temperature"),
        high=(now.window[1], "temperature"),
        fluid=(after.readings.hottest_fluid - before.readings.hottest_fluid, "temperature difference"),
    )


def _on_the_fluid(axle: Axle, was: AxleReadings, now: AxleReadings, boils: float, *, parked: bool) -> Phrase:
    moments = (was.wet_parked, now.wet_parked) if parked else (was.wet_running, now.wet_running)
    return phrase(
        f"{axle} fluid at the pistons {'parked ' if parked else ''}{{was}} → {{now}}, boils at {{boils}}",
        was=(moments[0].value, "temperature"),
        now=(moments[1].value, "temperature"),
        boils=(boils, "temperature"),
    )


def _on_the_bite(axle: Axle, before: HeatEvidence, after: HeatEvidence) -> Phrase:
    was, now = before.readings.axle(axle), after.readings.axle(axle)
    grid = [one.from_the_grid(axle)[1] for one in (before, after)]
    return phrase(
        f"{axle} braking below its window {{was}} → {{now}}, first bite {{bite}} → {{bites}} of its best",
        was=(was.below_settled, "share"),
        now=(now.below_settled, "share"),
        bite=(grid[0], "share"),
        bites=(grid[1], "share"),
    )


def _on_discs_and_pads(axle: Axle, was: AxleReadings, now: AxleReadings, key: str) -> Phrase | None:
    """None where the finding is none of these."""
    return {
        "seals": phrase(
            f"{axle} pistons {{was}} → {{now}} where their seals sit",
            was=(was.wet_hottest.value, "temperature"),
            now=(now.wet_hottest.value, "temperature"),
        ),
        "too_hot": phrase(
            f"{axle} disc surface {{was}} → {{now}}, inside {{before}} → {{after}}",
            was=(was.surface_peak.value, "temperature"),
            now=(now.surface_peak.value, "temperature"),
            before=(was.bulk_peak.value, "temperature"),
            after=(now.bulk_peak.value, "temperature"),
        ),
        "crack": phrase(
            f"{axle} crack ratio {{was}} → {{now}}, peak {{peak:+}}",
            was=(was.crack.value, "friction"),
            now=(now.crack.value, "friction"),
            peak=(now.surface_peak.value - was.surface_peak.value, "temperature difference"),
        ),
        "wear": _on_lives(axle, was, now),
        "disc_wear": _on_lives(axle, was, now),
    }.get(key)


def _on_lives(axle: Axle, was: AxleReadings, now: AxleReadings) -> Phrase:
    return phrase(
        f"{axle} pads last {{was}} → {{now}}, discs {{before}} → {{after}}",
        was=(was.pad_sets, "sessions"),
        now=(now.pad_sets, "sessions"),
        before=(was.disc_sets, "sessions"),
        after=(now.disc_sets, "sessions"),
    )


def _on_the_car(before: HeatEvidence, after: HeatEvidence, key: str) -> Phrase:
    was, now = before.readings, after.readings
    if key == "balance":
        return phrase(
            "front share of the brake force at least {was} → {now}, ideal {ideal}",
            was=(was.front_share_least.value, "share"),
            now=(now.front_share_least.value, "share"),
            ideal=(after.ideal_share, "share"),
        )
    return phrase(
        "foot {was} → {now} at most, worst stop {before} → {after} longer",
        was=(was.push.value, "force"),
        now=(now.push.value, "force"),
        before=(was.metres, "distance"),
        after=(now.metres, "distance"),
    )
