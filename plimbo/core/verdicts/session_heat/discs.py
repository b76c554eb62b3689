"""The effect of a session on discs and pads: fade, cold, cracks, wear, and limits of their material."""

import math
from collections.abc import Iterator

from plimbo.core.documents import Surface
from plimbo.core.documents.materials import DiscMaterial
from plimbo.core.friction.disc_materials import FREEZING
from plimbo.core.friction.pad_classes import class_is_assumed
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.phrases import Phrase, measure, phrase
from plimbo.core.thermal.damage import METAL_ENDS
from plimbo.core.thermal.readings import AxleReadings, Moment
from plimbo.core.verdicts.level import Level
from plimbo.core.verdicts.session_heat.findings import DISC_BAND, HeatEvidence, HeatFinding, at_place

# Share of the braking below the window from which it is reported, and from which it is bad.
COLD_SHARE, COLD_ALWAYS = 0.10, 0.75
# Share of its best friction that a cold pad should have at the first corner.
FIRST_BITE = 0.65
# Where the leg or the balance fails, cold pads have a part in it under this share of their best.
COSTS_BITE = 0.9
# A smaller share is not worth a sentence.
SHOWN_SHARE = 0.001
HAIR_CRACKS, CRACK_WATCH, CRACK_BAD = 0.5, 0.85, 1.5
PAST_LIMIT = "past what the disc likes"
# Sessions that a set of pads and a disc should last.
SESSIONS_WATCH = 2.0
# Ratio of the wear of both pads from which it is reported, and the least visible difference, m.
SIDES, SIDES_LEAST = 1.3, 0.0002
# Bulk temperature from which carbon-carbon oxidises, and oxidises fast; edge temperature of carbon-ceramic; K.
OXIDISES, OXIDISES_FAST, CERAMIC_EDGE = 550 + FREEZING, 750 + FREEZING, 900 + FREEZING
METALS = {DiscMaterial.GREY_IRON: "iron", DiscMaterial.STEEL: "steel"}


def material(judged: HeatEvidence, axle: Axle) -> Iterator[HeatFinding]:
    own, disc = judged.readings.axle(axle), judged.brake(axle).disc.material

    def found(
        level: Level, word: str, moment: Moment, limit: float, text: Phrase, key: str = "material"
    ) -> HeatFinding:
        over = moment.value - limit
        return HeatFinding(
            key=key,
            axle=axle,
            past=1.0 if math.isnan(over) else over / DISC_BAND,
            level=level,
            word=word,
            number=measure(moment.value, "temperature"),
            margin=measure(abs(over), "temperature difference"),
            margin_words="whatever its heat" if math.isnan(over) else PAST_LIMIT if over > 0 else "to its limit",
            text=text,
        )

    if disc is DiscMaterial.CARBON_CARBON:
        if judged.session.track is Surface.WET:
            text = phrase(f"Carbon-carbon does not bite in the wet: iron discs and their pads at the {axle}.")
            nothing = Moment(math.nan, "")
            yield found(Level.BAD, "No bite in the wet", nothing, 0.0, text, "no_bite")
        inside = own.bulk_peak
        if inside.value > OXIDISES - DISC_BAND:
            fast = inside.value > OXIDISES_FAST
            text = phrase(
                f"The {axle} carbon is at {{bulk}} inside: it burns away {'fast ' if fast else ''}from {{from_}} on.",
                bulk=(inside.value, "temperature"),
                from_=(OXIDISES_FAST if fast else OXIDISES, "temperature"),
            )
            level = Level.BAD if fast else Level.WATCH
            yield found(level, f"{axle.capitalize()} carbon oxidises", inside, OXIDISES, text)
    if disc is DiscMaterial.CARBON_CERAMIC and own.surface_peak.value > CERAMIC_EDGE - DISC_BAND:
        text = phrase(
            f"The {axle} discs reach {{peak}}: the edge of carbon-ceramic oxidises from about {{edge}}.",
            peak=(own.surface_peak.value, "temperature"),
            edge=(CERAMIC_EDGE, "temperature"),
        )
        yield found(Level.WATCH, f"{axle.capitalize()} ceramic at its edge", own.surface_peak, CERAMIC_EDGE, text)


def too_hot(axle: Axle, own: AxleReadings, disc: DiscMaterial) -> Iterator[HeatFinding]:
    """Discs of iron or steel near the end of what the metal stands."""
    if disc not in METAL_ENDS:
        return
    ends, surface, bulk = METAL_ENDS[disc], own.surface_peak, own.bulk_peak
    if surface.value <= ends.surface and bulk.value <= ends.bulk:
        return
    bad, inside = surface.value > ends.fails, surface.value <= ends.surface
    shown, limit = (bulk, ends.bulk) if inside else (surface, ends.fails if bad else ends.surface)
    yield HeatFinding(
        key="too_hot",
        axle=axle,
        past=max(surface.value - ends.surface, bulk.value - ends.bulk) / DISC_BAND,
        level=Level.BAD if bad else Level.WATCH,
        word=f"{axle.capitalize()} discs {'too hot' if bad else 'near their end'}",
        number=measure(shown.value, "temperature"),
        margin=measure(shown.value - limit, "temperature difference"),
        margin_words=f"past what {METALS[disc]} stands{' inside' if inside else ''}",
        text=phrase(
            f"The {axle} discs reach {{peak}} on their surface {at_place(surface.place)}, {{inside}} inside. From"
            f" {{soft}}, or {{soft_inside}} inside, {METALS[disc]} softens, warps and scales; from {{fails}} it cracks"
            " within an event. Hotter pads do not help the discs: more air or a bigger disc does.",
            peak=(surface.value, "temperature"),
            inside=(bulk.value, "temperature"),
            soft=(ends.surface, "temperature"),
            soft_inside=(ends.bulk, "temperature"),
            fails=(ends.fails, "temperature"),
        ),
    )


def fade(axle: Axle, own: AxleReadings) -> Iterator[HeatFinding]:
    peak, high = own.surface_peak, own.window[1]
    over = peak.value - high
    if over <= -DISC_BAND:
        return
    bad = over > DISC_BAND
    since = f" First in lap {own.fades_in}." if own.fades_in else ""
    above = " {above} of the braking is above that." if own.above >= SHOWN_SHARE else ""
    yield HeatFinding(
        key="fade",
        axle=axle,
        past=over / DISC_BAND,
        level=Level.BAD if bad else Level.WATCH,
        word=f"{axle.capitalize()} {'too hot' if bad else 'nearly too hot'} for the pads",
        number=measure(peak.value, "temperature"),
        margin=measure(abs(over), "temperature difference"),
        margin_words="past where the pad fades" if over > 0 else "to where the pad fades",
        text=phrase(
            f"The {axle} discs reach {{peak}} {at_place(peak.place)}; the pad fades from {{high}}.{above}"
            f"{since} Good to about {{band}}.",
            peak=(peak.value, "temperature"),
            high=(high, "temperature"),
            above=(own.above, "share"),
            band=(DISC_BAND, "temperature difference"),
        ),
    )


def cold(judged: HeatEvidence, axle: Axle, *, costs: bool) -> Iterator[HeatFinding]:
    """Pads under their window; `costs` is whether the leg or the balance already fails in this session."""
    own, (moment, bite) = judged.readings.axle(axle), judged.from_the_grid(axle)
    low = own.window[0]
    # The first laps warm the discs: as its coldest figure, it counts the second half of the fast laps.
    if own.below_settled > COLD_SHARE:
        always = own.below_settled > COLD_ALWAYS and own.surface_peak.value < low - DISC_BAND
        shown = own.surface_peak if always else own.surface_low
        cold = "stay cold" if always else "too cold" if own.below_settled > 0.5 else "too cold at times"
        # A cold pad that bites nearly as well costs nothing: it is bad only where the stop suffers.
        bites = judged.bite_at_its_hottest(axle)
        bad = always and bites < (COSTS_BITE if costs else FIRST_BITE)
        yield HeatFinding(
            key="cold",
            axle=axle,
            past=own.below_settled / COLD_SHARE,
            level=Level.BAD if bad else Level.WATCH,
            word=f"{axle.capitalize()} pads {cold}",
            number=measure(shown.value, "temperature"),
            margin=measure(low - shown.value, "temperature difference"),
            margin_words="under where the pad bites",
            text=phrase(
                f"{{below}} of the {axle}'s braking in the second half is below {{low}}, where its pad begins to bite;"
                f" its discs are between {{least}} and {{peak}}, where it bites {{bites}} of its best at most. A pad"
                " for lower temperatures, or less air.",
                bites=(bites, "share"),
                below=(own.below_settled, "share"),
                low=(low, "temperature"),
                least=(own.surface_low.value, "temperature"),
                peak=(own.surface_peak.value, "temperature"),
            ),
        )
    elif bite < FIRST_BITE:
        yield HeatFinding(
            key="first_corner",
            axle=axle,
            past=FIRST_BITE / max(bite, 0.01),
            level=Level.WATCH,
            word="Cold at the first corner",
            number=measure(moment.value, "temperature"),
            margin=measure(low - moment.value, "temperature difference"),
            margin_words="under where the pad bites",
            text=phrase(
                f"From the grid the {axle} discs come to {moment.place or 'the first corner'} with {{cold}}, where the"
                " pad bites {bite} of its best: warm them on the way to the grid, or fit a pad that bites colder.",
                cold=(moment.value, "temperature"),
                bite=(bite, "share"),
            ),
        )


def cracks(axle: Axle, own: AxleReadings) -> Iterator[HeatFinding]:
    if own.crack.value < CRACK_WATCH:
        return
    bad = own.crack.value > CRACK_BAD
    yield HeatFinding(
        key="crack",
        axle=axle,
        past=own.crack.value,
        level=Level.BAD if bad else Level.WATCH,
        word=f"{axle.capitalize()} discs {'crack' if bad else 'may crack'}",
        number=measure(own.crack.value, "friction"),
        margin=measure(own.surface_to_bulk, "temperature difference"),
        margin_words="surface over the inside",
        text=phrase(
            f"The surface of the {axle} discs is {{over}} over their inside {at_place(own.crack.place)}: {{ratio}} of"
            " what the cold material takes. Past 0.5 hair cracks come over a season, past 1 within an event: look at"
            " the discs after every run. A ring with more face helps; a thicker one or more air does not.",
            over=(own.surface_to_bulk, "temperature difference"),
            ratio=(own.crack.value, "friction"),
        ),
    )


def wear(judged: HeatEvidence, axle: Axle) -> Iterator[HeatFinding]:
    own = judged.readings.axle(axle)
    if own.pad_left <= 0:
        retired = judged.brake(axle).pad.retired_at
        yield HeatFinding(
            key="wear",
            axle=axle,
            past=SESSIONS_WATCH,
            level=Level.BAD,
            word=f"{axle.capitalize()} pads are due",
            number=measure(own.pad_left, "gap"),
            margin=measure(own.pad_worn, "gap"),
            margin_words="more go in the session",
            text=phrase(
                f"The {axle} pads are worn to {{retired}}, where you change them: new ones before the session.",
                retired=(retired, "length"),
            ),
        )
    for what, sessions, gone in (("pads", own.pad_sets, own.pad_worn), ("discs", own.disc_sets, own.disc_worn)):
        if sessions < SESSIONS_WATCH and (what == "discs" or own.pad_left > 0):
            bad = sessions < 1
            yield HeatFinding(
                key="wear" if what == "pads" else "disc_wear",
                axle=axle,
                past=1 / max(sessions, 0.01),
                level=Level.BAD if bad else Level.WATCH,
                word=f"{axle.capitalize()} {what} {'do not last' if bad else 'due soon'}",
                number=measure(gone, "gap"),
                margin=measure(sessions * judged.readings.driven, "long time"),
                margin_words="they last",
                text=phrase(
                    f"The session {'would take' if bad else 'takes'} {{gone}} off each face of the {axle} {what}; as"
                    " they are now they last {time}, and it is driven for {driven}"
                    f"{': gone before its end. Fewer laps, or more air' if bad else ''}.",
                    gone=(gone, "gap"),
                    time=(sessions * judged.readings.driven, "long time"),
                    driven=(judged.readings.driven, "long time"),
                ),
            )


def sides(axle: Axle, own: AxleReadings) -> Iterator[HeatFinding]:
    """Uneven wear of the two pads, where the faces of the disc get different air."""
    inboard, outboard = own.pad_worn_sides
    less, more = sorted((inboard, outboard))
    if more < SIDES * less or more < SIDES_LEAST:
        return
    which, other = ("inboard", "outboard") if inboard > outboard else ("outboard", "inboard")
    yield HeatFinding(
        key="sides",
        axle=axle,
        past=more / max(less, 1e-6),
        level=Level.WATCH,
        word=f"{axle.capitalize()} {which} pads worn first",
        number=measure(more, "gap"),
        margin=measure(less, "gap"),
        margin_words=f"off the {other} ones",
        text=phrase(
            f"The {which} {axle} pads lose {{more}} in the session, the {other} ones {{less}}: their cheek of the"
            " disc is hotter by {apart}. Air to that face, or into the eye, which feeds both.",
            more=(more, "gap"),
            less=(less, "gap"),
            apart=(abs(own.apart), "temperature difference"),
        ),
    )


def not_named(judged: HeatEvidence) -> Iterator[HeatFinding]:
    """Pads of unknown class: the verdict on their window is a guess."""
    axles = [axle for axle in AXLES if class_is_assumed(judged.brake(axle).pad)]
    if not axles:
        return
    own = judged.readings.axle(axles[0])
    yield HeatFinding(
        key="not_named",
        past=0.0,
        axle=axles[0] if len(axles) == 1 else None,
        level=Level.WATCH,
        word="Pads not named",
        number=measure(own.surface_peak.value, "temperature"),
        margin=measure(own.window[1], "temperature"),
        margin_words="taken to fade from",
        text=phrase(
            f"Nobody has said what the {' and '.join(axles)} pads are made for: they are taken for sprint pads, which"
            " bite from {low} to {high}. Name their compound, or give the window of their sheet.",
            low=(own.window[0], "temperature"),
            high=(own.window[1], "temperature"),
        ),
    )
