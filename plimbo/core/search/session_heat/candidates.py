"""The changes that a preparer tries when a session is too hot, too cold, or boils its fluid."""

from collections.abc import Iterator, Sequence
from typing import Any, NamedTuple

from plimbo.core.documents import (
    AxleBrake,
    BellMounting,
    Car,
    Compound,
    FluidKind,
    PadMaterial,
    PistonMaterial,
    Session,
    Setup,
    Shielding,
    VaneShape,
)
from plimbo.core.documents.materials import DiscMaterial
from plimbo.core.ducting.sizes import SIZES, of_size, size_of
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.vehicle.tyre_size import Rim, rim_of
from plimbo.core.verdicts.heat import THICKEST
from plimbo.core.verdicts.session_heat.findings import HeatVerdict

# Compounds from the coldest to the hottest.
COMPOUNDS = Compound.ROAD, Compound.FAST_ROAD, Compound.SPRINT, Compound.ENDURANCE
_BETTER_FLUID = {
    FluidKind.DOT_3: (FluidKind.DOT_4, FluidKind.DOT_5_1, FluidKind.RACE),
    FluidKind.DOT_4: (FluidKind.DOT_5_1, FluidKind.RACE),
    FluidKind.DOT_5_1: (FluidKind.RACE,),
    FluidKind.RACE: (),
}
# Steps to try: of a disc's thickness and diameter, m.
THICKER, BIGGER = (0.004, 0.008), 0.018
MOST_LAPS = 5
# What seals for high temperatures are taken to stand, K. Common practice: 230 to 260 °C, by their maker.
SEALS_FOR_HEAT = 523.15


class HeatChange(NamedTuple):
    """A change to try; a preparer tries a lower rank first. `about` are the findings that it is for."""

    rank: int
    title: str
    patch: dict[str, Any]
    about: frozenset[str]
    cost: str = ""


HOT = frozenset({"fade", "leg", "wear", "balance"})
COLD = frozenset({"cold", "first_corner"})
FLUID = frozenset({"fluid_running", "fluid_parked"})
# What cooler pistons mend, and what a cooler disc mends that a hotter pad does not.
CALIPER, DISC = FLUID | {"seals"}, HOT | {"too_hot", "disc_wear"}
CRACK = frozenset({"crack"})


def trials(car: Car, setup: Setup, session: Session, verdict: HeatVerdict) -> Iterator[HeatChange]:
    """Pads first, then fluid, laps, and at each axle with a finding disc, pistons and air."""
    yield from _pads(setup, verdict)
    yield from _fluids(setup)
    yield from _laps(session)
    yield from _iron(setup)
    for axle in AXLES:
        # An axle is mended by its own parts, not by moving its heat to the other axle.
        concerned = {finding.key for finding in verdict.findings if finding.axle in (axle, None)}
        brake = setup.brake(axle)
        for trial in (
            *_discs(axle, brake, rim_of(car.tyre(axle))),
            *_pistons(axle, brake),
            *_air(axle, brake, session),
        ):
            if trial.about & concerned:
                yield trial


def _pads(setup: Setup, verdict: HeatVerdict) -> Iterator[HeatChange]:
    """Hotter or colder classes at both axles, so that they warm up alike; the next class at one axle alone."""
    ends = [axle for axle in AXLES if setup.brake(axle).pad.material is PadMaterial.RESIN_BONDED]
    for way, about in ((1, HOT), (-1, COLD)):
        wanting = [
            axle for axle in ends if any(one.key in about and one.axle in (axle, None) for one in verdict.findings)
        ]
        if not wanting:
            continue
        kinds = hotter_pads(setup, wanting) if way > 0 else COMPOUNDS[: max(_named(setup, wanting))][::-1]
        for further, kind in enumerate(kinds):
            both = {path: value for axle in ends for path, value in pads_of(kind, setup, axle).items()}
            yield HeatChange(
                min(further, 1), f"{' and '.join(ends).capitalize()} pads: {kind.word}", both, about, _SHEET
            )
        for axle in wanting if len(ends) > 1 else []:
            for kind in kinds[:1]:
                split = f"{_SHEET}; two compounds warm up differently"
                yield HeatChange(
                    2, f"{axle.capitalize()} pads only: {kind.word}", pads_of(kind, setup, axle), about, split
                )


_SHEET = "enter μ from the pad maker, and look at the balance"


def _named(setup: Setup, axles: Sequence[Axle]) -> list[int]:
    """Indices of their pads' compounds; an unknown pad counts as a sprint pad."""
    compounds = [setup.brake(axle).pad.compound for axle in axles]
    return [COMPOUNDS.index(Compound.SPRINT if one is Compound.UNKNOWN else one) for one in compounds]


def hotter_pads(setup: Setup, axles: Sequence[Axle]) -> tuple[Compound, ...]:
    """Compounds for more heat than those fitted at these axles."""
    return COMPOUNDS[min(_named(setup, axles)) + 1 :]


def pads_of(kind: Compound, setup: Setup, axle: Axle) -> dict[str, Any]:
    """Pads of a class; the old pad's own data is removed."""
    own = ("conductivity", "window_low", "window_high", "wear_rate")
    gone = {name: None for name in own if getattr(setup.brake(axle).pad, name) is not None}
    values: dict[str, Any] = {"compound": kind.value, "friction_curve": [], **gone}
    return {f"setup.{axle}.pad.{name}": value for name, value in values.items()}


def _iron(setup: Setup) -> Iterator[HeatChange]:
    """Iron in place of carbon, wherever it is fitted."""
    ends = [axle for axle in AXLES if setup.brake(axle).disc.material is DiscMaterial.CARBON_CARBON]
    patch: dict[str, Any] = {}
    for axle in ends:
        patch[f"setup.{axle}.disc.material"] = DiscMaterial.GREY_IRON.value
        patch[f"setup.{axle}.disc.weighed_mass"] = None
        patch[f"setup.{axle}.pad.material"] = PadMaterial.RESIN_BONDED.value
    if ends:
        yield HeatChange(
            3, f"Iron discs and their pads, {' and '.join(ends)}", patch, frozenset({"material", "no_bite", *COLD})
        )


def _fluids(setup: Setup) -> Iterator[HeatChange]:
    own: dict[str, Any] = {"setup.fluid.dry_point": None, "setup.fluid.wet_point": None}
    if setup.fluid.water is None or setup.fluid.water > 0.003:
        yield HeatChange(
            1,
            f"Fresh {setup.fluid.kind.word}",
            {"setup.fluid.water": 0.0},
            FLUID,
            "flushed and bled; it draws water again",
        )
    for kind in _BETTER_FLUID[setup.fluid.kind]:
        patch = {"setup.fluid.kind": kind.value, "setup.fluid.water": 0.0, **own}
        cost = "bled through; race fluid draws water fast" if kind is FluidKind.RACE else "bled through"
        yield HeatChange(2, f"Fresh fluid: {kind.word}", patch, FLUID, cost)


def _laps(session: Session) -> Iterator[HeatChange]:
    """Laps before and after: they need no parts."""
    if session.circuit.one_way:
        return
    slow, out = session.cool_down_laps + 1, session.out_laps + 1
    if slow <= MOST_LAPS:
        title = "A cool-down lap before parking" if slow == 1 else f"{slow} cool-down laps before parking"
        yield HeatChange(0, title, {"session.cool_down_laps": slow}, frozenset({"fluid_parked", "seals"}), "no parts")
    if out <= MOST_LAPS:
        yield HeatChange(
            0, "One more lap to warm up", {"session.out_laps": out}, frozenset({"first_corner"}), "no parts"
        )


def _discs(axle: Axle, brake: AxleBrake, rim: Rim) -> Iterator[HeatChange]:
    disc, at, name = brake.disc, f"setup.{axle}.disc", axle.capitalize()
    heavy = DISC | CRACK
    unweighed: dict[str, Any] = {f"{at}.weighed_mass": None}
    for further, more in enumerate(THICKER):
        thicker = round(disc.thickness + more, 4)
        if thicker <= THICKEST:
            yield HeatChange(
                5 + further,
                f"{name} disc {1e3 * more:.0f} mm thicker",
                {f"{at}.thickness": thicker, **unweighed},
                heavy,
                "does it go into the caliper?",
            )
    bigger = round(disc.outer_diameter + BIGGER, 4)
    if bigger <= rim.largest_disc:
        yield HeatChange(
            6, f"{name} disc {1e3 * BIGGER:.0f} mm bigger", {f"{at}.outer_diameter": bigger, **unweighed}, heavy,
            "does it go into the wheel? Bracket and balance change",
        )  # fmt: skip
    if disc.vane_gap > 0 and disc.vane_shape is VaneShape.STRAIGHT:
        yield HeatChange(
            7,
            f"{name} disc with curved vanes",
            {f"{at}.vane_shape": VaneShape.CURVED.value},
            DISC,
            "a left and a right",
        )
    if disc.vane_gap == 0 and disc.thickness >= 0.008:
        vented = {f"{at}.thickness": max(0.020, disc.thickness), f"{at}.vane_gap": 0.007, **unweighed}
        yield HeatChange(4, f"{name} disc vented, 20 mm", vented, heavy, "another caliper, or one with a wider gap")
    if disc.bell is not BellMounting.FLOATING:
        yield HeatChange(
            7, f"{name} disc on a floating bell", {f"{at}.bell": BellMounting.FLOATING.value}, CALIPER | CRACK,
            "less heat to the hub, so more stays in the ring",
        )  # fmt: skip
    if disc.holes:
        yield HeatChange(4, f"{name} disc without holes", {f"{at}.holes": 0, **unweighed}, CRACK, "")


def _pistons(axle: Axle, brake: AxleBrake) -> Iterator[HeatChange]:
    name, caliper = axle.capitalize(), brake.caliper
    if not caliper.insulated:
        yield HeatChange(
            3, f"{name} pistons insulated", {f"setup.{axle}.caliper.insulated": True}, CALIPER, "caps or shims"
        )
    if caliper.piston_material in (PistonMaterial.STEEL, PistonMaterial.ALUMINIUM):
        better = PistonMaterial.STAINLESS
        patch = {f"setup.{axle}.caliper.piston_material": better.value}
        yield HeatChange(4, f"{name} pistons of {better.word}", patch, CALIPER, "pistons to fit these calipers")
    if caliper.seal_limit < SEALS_FOR_HEAT:
        yield HeatChange(
            2,
            f"{name} seals for high temperatures",
            {f"setup.{axle}.caliper.seal_limit": SEALS_FOR_HEAT},
            frozenset({"seals"}),
            "taken to stand 250 °C: enter what their maker says",
        )
    if brake.pad.worn > 0.25 * brake.pad.thickness:
        yield HeatChange(1, f"New {axle} pads", {f"setup.{axle}.pad.worn": 0.0}, CALIPER | {"wear"}, "bed them in")


def _air(axle: Axle, brake: AxleBrake, session: Session) -> Iterator[HeatChange]:
    name, cooling, about = axle.capitalize(), brake.cooling, DISC | CALIPER
    if cooling.shielding in (Shielding.DUST_SHIELD, Shielding.TRIMMED):
        yield HeatChange(
            3, f"{name} dust shields off", {f"setup.{axle}.cooling.shielding": Shielding.IN_A_WHEEL.value}, about,
            "heat and stones at boots and ball joints",
        )  # fmt: skip
    if cooling.shielding is Shielding.COVERED:
        yield HeatChange(
            3, f"{name} inner faces uncovered", {f"setup.{axle}.cooling.shielding": Shielding.IN_A_WHEEL.value}, about,
            "heat and stones at boots and ball joints",
        )  # fmt: skip
    duct, at, taped = cooling.duct, f"setup.{axle}.cooling.duct", session.tape(axle)
    now = size_of(duct).area if duct.fitted else 0.0
    for size in [one for one in SIZES if one.area > 1.1 * now][:3]:
        patch = {f"{at}.{place}": value for place, value in of_size(duct, size, axle).items()}
        what = (
            f"{name} ducts of {size} hose" if size.hoses == 1 else f"{name} ducts of two {size.bore * 1e3:.0f} mm hoses"
        )
        yield HeatChange(8, what, patch, about, "an opening and a hose to each disc; colder on the straights")
    if not duct.fitted:
        return
    if taped > 0:
        yield HeatChange(
            0, f"Tape off the {axle} ducts", {f"session.{axle}_tape": 0.0}, about, "colder on the straights"
        )
    for share in (0.5, 0.75):
        if share > taped:
            title, cost = f"{name} ducts {100 * share:.0f} % taped", "take the tape off for a hotter day"
            yield HeatChange(0, title, {f"session.{axle}_tape": share}, COLD, cost)
