"""The effect of each piece of a duct on one session. Importing this is slow: it loads compiled code."""

import math
from collections.abc import Iterator
from datetime import date
from typing import Any

from pydantic import ValidationError

from plimbo.core.documents import (
    Aim,
    Car,
    Duct,
    DuctPiece,
    Flange,
    Mouth,
    OpeningPlace,
    PieceKind,
    Session,
    Setup,
    Shielding,
    Wall,
)
from plimbo.core.documents.duct import HOSE_BORES
from plimbo.core.ducting.sizes import FEEDS, HoseSize, of_size, size_of
from plimbo.core.friction.pad_classes import window_of
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.cancellation import Wanted, always, raise_if_cancelled
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.search.ducts.answers import DuctWorth, Worth
from plimbo.core.search.ducts.duct_runs import DuctCase, drag_of, session_result, tape_rows, vane_flow
from plimbo.core.thermal.corners import SHIELDS

# Smallest effect that is reported, K.
NOTICEABLE = 0.5
# Steps of the seal, the hose's length and the bend's radius.
SEALED, SHORTER, WIDER = 0.1, 0.5, 2.0


def worths(car: Car, setup: Setup, session: Session, axle: Axle, today: date, wanted: Wanted = always) -> DuctWorth:
    """Each piece of the duct changed alone, simulated on this session; and every session with its opening taped.

    Raises `OutOfRange` where a lap cannot be calculated, `Cancelled` when the answer is no longer needed.
    """
    place = next((at for at, one in enumerate(car.sessions) if one.name == session.name), None)
    if place is None:
        raise OutOfRange("car.sessions", "The session is not one of the car's: add it on Heat.")
    setting = DuctCase(car, setup, axle, today)
    before = session_result(setting, session)
    tape = session.tape(axle)
    flow, (drag, _) = vane_flow(setting, tape), drag_of(setting, tape)
    found = list[Worth]()
    for title, patch, cost in _changes(setting, place):
        raise_if_cancelled(wanted)
        try:
            made = setting.with_values(patch)
            after = session_result(made, made.car.sessions[place])
        except (ValidationError, OutOfRange):
            continue
        if abs(after.peak - before.peak) < NOTICEABLE:
            continue
        tape = made.car.sessions[place].tape(axle)
        air, (more, _) = vane_flow(made, tape), drag_of(made, tape)
        found.append(
            Worth(
                title=title,
                patch=patch,
                flow=None if flow is None or air is None else air - flow,
                peak=after.peak - before.peak,
                low=after.low - before.low,
                drag=None if more is None else more - (drag or 0.0),
                cost=cost,
            )
        )
    raise_if_cancelled(wanted)
    low, high = window_of(setup.brake(axle).pad)
    fitted = setup.brake(axle).cooling.duct.fitted
    return DuctWorth(
        axle=axle,
        session=session.name,
        peak=before.peak,
        low=low,
        high=high,
        worths=tuple(sorted(found, key=lambda one: one.peak)),
        tape=tape_rows(setting) if fitted else (),
    )


def _changes(setting: DuctCase, session: int) -> Iterator[tuple[str, dict[str, Any], str]]:
    """One change at a time, with its cost."""
    cooling = setting.setup.brake(setting.axle).cooling
    duct, at = cooling.duct, setting.path
    shielding = {Shielding.DUST_SHIELD: Shielding.TRIMMED, Shielding.COVERED: Shielding.IN_A_WHEEL}
    if cooling.shielding in (*shielding, Shielding.TRIMMED):
        after = shielding.get(cooling.shielding, Shielding.IN_A_WHEEL)
        # A cut shield cannot be restored: more air at the face, and heat at the boots.
        assert SHIELDS[after][0] >= SHIELDS[cooling.shielding][0]
        words = {Shielding.TRIMMED: "Dust shield trimmed", Shielding.IN_A_WHEEL: "Shield taken off"}[after]
        patch = {f"setup.{setting.axle}.cooling.shielding": after.value}
        yield words, patch, "heat and stones at boots and ball joints"
    if not duct.fitted:
        for bore in HOSE_BORES[:3]:
            patch = {f"{at}.{name}": value for name, value in of_size(duct, HoseSize(bore), setting.axle).items()}
            yield f"A duct of {HoseSize(bore)} hose", patch, "an opening, a hose and a flange to each wheel"
        return
    yield from _of_the_hose(duct, at)
    yield from _of_the_ends(duct, at)
    tape = setting.car.sessions[session].tape(setting.axle)
    taped = f"car.sessions.{session}.{setting.axle}_tape"
    if tape > 0:
        yield "Tape off", {taped: 0.0}, "colder on the straights"
    else:
        yield "A quarter of the opening taped", {taped: 0.25}, "tape"
        yield "Half of the opening taped", {taped: 0.5}, "tape"


def _of_the_hose(duct: Duct, at: str) -> Iterator[tuple[str, dict[str, Any], str]]:
    size = size_of(duct)
    bigger = next((bore for bore in HOSE_BORES if bore > size.bore + 1e-4), None)
    smaller = next((bore for bore in reversed(HOSE_BORES) if bore < size.bore - 1e-4), None)
    for bore, cost in ((bigger, "room past the wheel at full lock"), (smaller, "easier to run")):
        if bore:
            patch = {f"{at}.{name}": value for name, value in of_size(duct, HoseSize(bore, size.hoses)).items()}
            yield f"Hose {1e3 * size.bore:.0f} → {1e3 * bore:.0f} mm, and its opening", patch, cost
    if duct.hoses < 3:
        patch = {f"{at}.{name}": value for name, value in of_size(duct, HoseSize(size.bore, duct.hoses + 1)).items()}
        yield "One more hose beside it", patch, "twice the clamps, room for two"
    pieces, hoses = duct.pieces, [one for one in duct.pieces if one.kind is PieceKind.HOSE]
    whole = sum(one.length for one in hoses)
    if whole > 0.4:
        shorter = [_with(one, length=max(0.05, SHORTER * one.length)) for one in pieces]
        yield f"{SHORTER * whole:.1f} instead of {whole:.1f} m of hose", _run(at, shorter), "another way round"
    bends = [place for place, one in enumerate(pieces) if one.kind is PieceKind.BEND]
    if bends:
        sharpest = max(bends, key=lambda place: pieces[place].angle / pieces[place].turn)
        yield (
            "One bend fewer",
            _run(at, [one for place, one in enumerate(pieces) if place != sharpest]),
            "a straighter way",
        )
    if any(pieces[place].turn < 3 for place in bends):
        wide = [_with(one, turn=WIDER * one.turn) if one.kind is PieceKind.BEND else one for one in pieces]
        yield "Bends of twice the radius", _run(at, wide), "room"
    if any(one.wall is Wall.CONVOLUTED for one in hoses):
        yield "Smooth hose", _run(at, [_with(one, wall=Wall.SMOOTH) for one in pieces]), "does not bend as tight"


def _of_the_ends(duct: Duct, at: str) -> Iterator[tuple[str, dict[str, Any], str]]:
    opening = duct.opening
    if opening.place is not OpeningPlace.NOSE and opening.pressure_coefficient is None:
        yield "Opening in the middle of the nose", {f"{at}.opening.place": OpeningPlace.NOSE.value}, "a longer run"
    if opening.mouth is not Mouth.ROUNDED:
        yield "Opening proud, with a rounded lip", {f"{at}.opening.mouth": Mouth.ROUNDED.value}, "a lip to make"
    feeds = FEEDS * duct.hoses * math.pi / 4 * (duct.pieces[0].bore if duct.pieces else HOSE_BORES[1]) ** 2
    if opening.area < 0.9 * feeds:
        yield "Opening half as big again as the hose", {f"{at}.opening.area": round(feeds, 6)}, "more nose cut"
    if opening.screen < 0.9:
        yield "Screen cleaned, or left out", {f"{at}.opening.screen": 1.0}, "stones"
    if duct.aim in (Aim.FACE, Aim.TYRE, Aim.SCOOP):
        yield "Blown into the eye", {f"{at}.aim": Aim.EYE.value}, "a flange at the upright"
        return
    if duct.seal < 1:
        better = min(1.0, duct.seal + SEALED)
        yield (
            f"Seal {100 * duct.seal:.0f} → {100 * better:.0f} %",
            {f"{at}.seal": round(better, 3)},
            "rubs if too close",
        )
    if duct.flange is Flange.PLAIN:
        yield "Flange with a radius", {f"{at}.flange": Flange.ROUNDED.value}, "a part to make"


def _with(piece: DuctPiece, **values: Any) -> DuctPiece:
    return piece.model_copy(update=values)


def _run(at: str, pieces: list[DuctPiece]) -> dict[str, Any]:
    return {f"{at}.pieces": [one.model_dump(mode="json") for one in pieces]}
