"""A duct read from its document: the pieces in order, each with its area, its share of the flow, and its loss
coefficients.
"""

import math
from typing import NamedTuple

from plimbo.core.documents import Aim, Cooling, Duct, DuctPiece, Flange, Mouth, OpeningPlace, PieceKind, Wall
from plimbo.core.ducting import losses
from plimbo.core.working.numbers import Number, single

# Pressure coefficient at an opening: share of the dynamic pressure. Plimbo's own figures for common shapes.
PRESSURES = {
    OpeningPlace.NOSE: 0.8,
    OpeningPlace.BESIDE: 0.55,
    OpeningPlace.UNDER: 0.35,
    OpeningPlace.SIDE: 0.15,
    OpeningPlace.DOOR: 0.0,
}
# Share of it that an inlet recovers, and its loss coefficient. Rounded and cut inlets from memory of handbooks; flush
# ones our own.
MOUTHS = {Mouth.ROUNDED: (1.0, 0.1), Mouth.CUT: (1.0, 0.57), Mouth.FLUSH: (0.55, 0.57)}
# Inner roughness, m: of a hose with folds and wire, and of a smooth hose. Plimbo's own figures.
ROUGHNESS = {Wall.CONVOLUTED: 0.0005, Wall.SMOOTH: 0.00005}
# Loss coefficient of the plate that turns the air into the eye, or of the open end that blows at the face.
FLANGES = {Flange.PLAIN: 1.0, Flange.ROUNDED: 0.5}
OPEN_END = 1.0
# Loss coefficient of a split into two equal branches, on the branches. Plimbo's own figure for a plain Y.
SPLIT = 0.5
# A hose to the caliper: its length, m, and its entry and open end.
BRANCH_LENGTH, BRANCH_LOSS = 0.35, 1.5
# Effect of the same hose at other places on the inboard face, as a share of its effect at the eye. Plimbo's own
# figures.
JETS = {Aim.EYE: 0.0, Aim.FACE: 0.45, Aim.SCOOP: 0.35, Aim.TYRE: 0.0}


class Piece(NamedTuple):
    """A piece of the run: `place` is its index in the document, none for the opening and the flange.

    `area` m² of one hose, `carries` its share of the flow of one wheel; `constant` and `length` over bore times the
    hose's friction are its loss coefficients, `roughness` is over the bore. `bore` and `metres` are as it is drawn, m.
    """

    name: str
    place: int | None
    bore: float
    area: float
    carries: float
    constant: float
    length: float
    roughness: float
    metres: float


class Run(NamedTuple):
    """All of one wheel's duct; `pieces` from the opening to the last before the flange, and the flange by itself."""

    pressure: float
    well: float
    pieces: tuple[Piece, ...]
    flange: Piece
    seal: float
    caliper: Piece | None
    aim: Aim


def pressure_at(cooling: Cooling) -> float:
    """The pressure coefficient of the opening, recovery included."""
    opening = cooling.duct.opening
    if opening.pressure_coefficient is not None:
        return opening.pressure_coefficient
    return PRESSURES[opening.place] * MOUTHS[opening.mouth][0]


def _area(bore: float) -> float:
    return math.pi / 4 * bore * bore


def slope_of(piece: DuctPiece, before: float) -> float:
    """The sine of half a reducer's angle; 1 for a step."""
    rise = abs(before - piece.bore) / 2
    return rise / math.hypot(rise, piece.length)


def step_loss(before: float, after: float, slope: Number) -> Number:
    """Loss coefficient of a change of bore, on the bore after it."""
    narrower, wider = min(before, after), max(before, after)
    ratio = losses.bore_ratio(narrower, wider)
    if after < before:
        return losses.contraction_loss(slope, ratio)
    # The coefficient refers to the narrower bore, which lies before it.
    return losses.expansion_loss(slope, ratio) / ratio**4


def open_share(cooling: Cooling, tape: float) -> float:
    """Open share of the opening, after screen and tape."""
    return max(0.02, cooling.duct.opening.screen * (1 - tape))


def run_of(cooling: Cooling, tape: float = 0.0) -> Run:
    """The duct of one wheel, with this share of its opening taped."""
    duct = cooling.duct
    splits = next((place for place, one in enumerate(duct.pieces) if one.kind is PieceKind.SPLIT), None)
    bore = duct.pieces[0].bore if duct.pieces else 0.063
    # Before a split it carries the air of both wheels.
    carries = (2.0 if splits is not None else 1.0) / duct.hoses
    pieces = [_opening(duct, tape, bore, carries, cooling)]
    for place, one in enumerate(duct.pieces):
        if place == splits:
            carries /= 2
        made = _piece(one, place, bore, carries)
        pieces.append(made)
        bore = made.bore
    end = FLANGES[duct.flange] if duct.aim is Aim.EYE else OPEN_END
    name = "Flange" if duct.aim is Aim.EYE else "Open end"
    flange = Piece(name, None, bore, _area(bore), carries, end, 0.0, 0.0, 0.0)
    return Run(pressure_at(cooling), cooling.outlet, tuple(pieces), flange, duct.seal, _branch(duct), duct.aim)


def _opening(duct: Duct, tape: float, bore: float, carries: float, cooling: Cooling) -> Piece:
    # The opening serves one duct with all its hoses.
    ratio = duct.opening.area / (_area(bore) * duct.hoses)
    loss = losses.opening_loss(
        MOUTHS[duct.opening.mouth][1],
        losses.narrow_opening_loss(ratio),
        losses.covered_loss(open_share(cooling, tape), ratio),
    )
    return Piece("Opening", None, bore, _area(bore), carries, single(loss), 0.0, 0.0, 0.0)


def _piece(one: DuctPiece, place: int, before: float, carries: float) -> Piece:
    bore = before if one.kind in (PieceKind.BEND, PieceKind.SPLIT) else one.bore
    area, name = _area(bore), one.kind.word.capitalize()
    if one.kind is PieceKind.BEND:
        metres = one.angle * one.turn * bore
        return Piece(name, place, bore, area, carries, single(losses.bend_loss(one.angle, one.turn)), 0.0, 0.0, metres)
    if one.kind is PieceKind.SPLIT:
        return Piece(name, place, bore, area, carries, SPLIT, 0.0, 0.0, bore)
    slope = slope_of(one, before) if one.kind is PieceKind.REDUCER else 1.0
    step = single(step_loss(before, bore, slope)) if bore != before else 0.0
    if one.kind is PieceKind.REDUCER:
        return Piece(name, place, bore, area, carries, step, 0.0, 0.0, one.length)
    return Piece(name, place, bore, area, carries, step, one.length / bore, ROUGHNESS[one.wall] / bore, one.length)


def _branch(duct: Duct) -> Piece | None:
    bore = duct.caliper_bore
    if bore <= 0:
        return None
    rough = ROUGHNESS[Wall.CONVOLUTED] / bore
    length = BRANCH_LENGTH / bore
    return Piece("Branch", None, bore, _area(bore), 1.0, BRANCH_LOSS, length, rough, BRANCH_LENGTH)
