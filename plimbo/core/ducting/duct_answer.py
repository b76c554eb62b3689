"""Builds the answer about a duct at one speed, with its working."""

from collections import Counter
from collections.abc import Iterator
from typing import Any

import numpy as np

from plimbo.core.documents import Aim, Cooling, Duct, DuctChecks, PieceKind
from plimbo.core.ducting import heads, losses
from plimbo.core.ducting.answers import DuctCheck, DuctFlow, DuctPart, PieceFlow
from plimbo.core.ducting.flow import SPEEDS, AirProperties, Flows, Vanes, coefficient, drawn_by_vanes, flows
from plimbo.core.ducting.run import Piece, Run, run_of
from plimbo.core.ducting.sizes import key_of, size_of
from plimbo.core.quantities.fields import Document
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.working.formula import Worked, worked
from plimbo.core.working.numbers import Number
from plimbo.core.working.steps import Step, working


class DuctAt:
    """A duct at one speed, m/s, taped by a share."""

    def __init__(self, cooling: Cooling, vanes: Vanes, air: AirProperties, speed: float, tape: float) -> None:
        self.cooling, self.vanes, self.air, self.speed, self.tape = cooling, vanes, air, speed, tape
        self.duct = cooling.duct
        self.run: Run = run_of(cooling, tape)
        self.found: Flows = flows(self.run, vanes, air, np.array([speed]))

    @property
    def row(self) -> tuple[Piece, ...]:
        return (*self.run.pieces, self.run.flange)

    def flow_in(self, piece: Piece) -> float:
        """Of one hose, kg/s."""
        whole = self.found.duct[0] - (self.found.caliper[0] if piece is self.run.flange else 0.0)
        return float(whole) * piece.carries


def duct_flow(
    at: DuctAt,
    drag: tuple[float | None, float | None],
    around: dict[str, Any],
    question: str,
    *,
    with_working: bool,
) -> DuctFlow:
    """The whole answer; `around` are the disc's sizes and how the duct is fitted, by their names in the answer, `drag`
    N and m/s at top speed, `question` the fingerprint of car and setup.
    """
    duct, found, fitted = at.duct, at.found, at.duct.fitted
    _, alone = drawn_by_vanes(at.vanes, at.air, np.array([at.speed]))
    speeds = np.array([0.0, *SPEEDS])
    curve = flows(at.run, at.vanes, at.air, speeds).vanes
    vented = at.vanes.passage > 0
    steps, headlines = _working(at) if with_working and fitted else ((), {})
    return DuctFlow(
        question=question,
        fitted=fitted,
        key=key_of(duct),
        speed=at.speed,
        aim=duct.aim,
        ram=float(found.ram[0]),
        pump=float(found.pump[0]) if vented else 0.0,
        duct=float(found.duct[0]) if fitted else None,
        vanes=(float(found.vanes[0]) if fitted else float(alone[0])) if vented else None,
        alone=float(alone[0]) if vented else None,
        leak=float(found.leak[0]) if fitted and vented and duct.aim is Aim.EYE else None,
        caliper=float(found.caliper[0]) if fitted and duct.caliper_bore > 0 else None,
        eye=float(found.eye[0]) if fitted and vented and duct.aim is Aim.EYE else None,
        taped=at.tape,
        pieces=tuple(_pieces(at)) if fitted else (),
        drag=drag[0],
        slower=drag[1],
        **around,
        seal=duct.seal,
        curve_speeds=tuple(speeds.tolist()),
        curve_vanes=tuple((curve if fitted else drawn_by_vanes(at.vanes, at.air, speeds)[1]).tolist()),
        curve_alone=tuple(drawn_by_vanes(at.vanes, at.air, speeds)[1].tolist()),
        parts=tuple(_parts(duct)) if fitted else (),
        cost=_cost(duct) if fitted else None,
        checks=tuple(_checks(duct.checks)) if fitted else (),
        remarks=tuple(_remarks(at)) if fitted else (),
        steps=steps,
        headlines=headlines,
    )


def _pieces(at: DuctAt) -> Iterator[PieceFlow]:
    pressure = float(at.found.ram[0])
    for number, piece in enumerate(at.row):
        flow = at.flow_in(piece)
        speed = flow / (at.air.density * piece.area)
        resists = float(coefficient(piece, np.array([speed]), at.air)[0])
        loss = float(np.sign(flow)) * 0.5 * at.air.density * speed * speed * resists
        pressure -= loss
        turns = at.duct.pieces[piece.place] if piece.place is not None else None
        yield PieceFlow(
            name=piece.name,
            place=piece.place,
            bore=piece.bore,
            metres=piece.metres,
            angle=turns.angle if turns is not None and turns.kind is PieceKind.BEND else 0.0,
            hoses=1 / piece.carries,
            flow=flow,
            speed=speed,
            coefficient=resists,
            loss=loss,
            after=pressure,
            headline=f"piece.{number}",
        )


def _working(at: DuctAt) -> tuple[tuple[Step, ...], dict[str, int]]:
    """Both heads, the loss of each piece, and the flow through the vanes."""
    density = worked(at.air.density, "ρ", "Air density", "density", source="Of the session's day")
    speed = worked(at.speed, "v", "Road speed", "speed")
    pressure = heads.ram_pressure(density, speed)
    numbers: dict[str, Number] = {
        "ram": heads.ram_head(
            pressure,
            worked(at.run.pressure, "C_p,in", "Pressure at the opening", "friction", source="Its place and its mouth"),
            worked(at.run.well, "C_p,out", "Pressure in the wheel well", "friction"),
        )
    }
    at_the_eye = _at_the_eye(at, density, speed) if at.vanes.passage and at.run.aim is Aim.EYE else {}
    numbers["duct"] = whole = _whole(at, at_the_eye)
    for place, piece in enumerate(at.row):
        numbers[f"piece.{place}"] = _loss(at, piece, place, whole, density)
    numbers |= at_the_eye
    return working(numbers)


def _whole(at: DuctAt, at_the_eye: dict[str, Number]) -> Number:
    """The flow of one wheel's duct: from the eye, or out of its open end."""
    flow = float(at.found.duct[0])
    if not at_the_eye or at.run.caliper is not None:
        words = "Found by halving, so that all pieces together cost the head"
        return worked(flow, "ṁ_d", "Air of the duct", "air flow", source=words)
    sign = "+" if float(at.found.leak[0]) >= 0 else "−"
    parts = at_the_eye["vanes"], at_the_eye["leak"]
    text = f"{{0}} {sign} {{1}}"
    return worked(flow, "ṁ_d", "Air of the duct", "air flow", text, parts, "What goes on from the eye: continuity")


def _loss(at: DuctAt, piece: Piece, place: int, whole: Number, density: Number) -> Number:
    own = at.flow_in(piece)
    flow = worked(
        own,
        f"ṁ_{place}",
        f"Air in one hose, {piece.name.lower()}",
        "air flow",
        f"{{0}} · {piece.carries:g}",
        (whole,),
    )
    stream = losses.stream_speed(flow, density, worked(piece.area, "A", "Area of one hose", "area"))
    resists = losses.pressure_loss(_coefficient(at, piece, float(stream)), losses.stream_pressure(density, stream))
    return resists if own >= 0 else worked(-float(resists), "ΔP", "Loss of the piece", "air pressure")


def _coefficient(at: DuctAt, piece: Piece, speed: float) -> Number:
    if piece.length:
        reynolds = worked(
            max(1.0, at.air.density * abs(speed) * piece.bore / at.air.viscosity), "Re", "Reynolds number", "ratio",
            source="ρ V d / μ",
        )  # fmt: skip
        rough = worked(piece.roughness, "ε/d", "Roughness over bore", "friction", source="Plimbo's own")
        friction = losses.hose_friction(reynolds, rough)
        length = worked(piece.length * piece.bore, "l", "Length", "distance")
        along = losses.hose_loss(friction, length, worked(piece.bore, "d", "Bore", "hose"))
        if not piece.constant:
            return along
        step = worked(piece.constant, "K_s", "Step of the bore", "friction", source=losses.CRANE)
        both = float(along) + piece.constant
        return worked(both, "K", "Loss coefficient, hose and step", "friction", "{0} + {1}", (along, step))
    one = at.duct.pieces[piece.place] if piece.place is not None else None
    if one is not None and one.kind is PieceKind.BEND:
        return losses.bend_loss(
            worked(one.angle, "θ", "Turns by", "angle"), worked(one.turn, "R/d", "Radius over bore", "friction")
        )
    return worked(piece.constant, "K", f"Loss coefficient, {piece.name.lower()}", "friction", source="Handbooks")


def _at_the_eye(at: DuctAt, density: Number, speed: Number) -> dict[str, Number]:
    vanes = at.vanes
    turning = heads.turning(speed, worked(vanes.radius, "R", "Loaded radius of the tyre", "length"))
    inner = worked(vanes.inner, "r_i", "Ring's inner radius", "length")
    pump = heads.pump_head(density, turning, worked(vanes.outer, "r_o", "Ring's outer radius", "length"), inner)
    eye = worked(
        float(at.found.eye[0]), "P_eye", "Pressure in the eye", "air pressure",
        source="What is left of the head behind all pieces",
    )  # fmt: skip
    head = worked(
        max(0.0, float(at.found.eye[0] + at.found.pump[0])), "ΔP_v", "Head over the vanes", "air pressure",
        "{0} + {1}", (eye, pump),
    )  # fmt: skip
    passage = worked(vanes.passage, "A_v", "Section of the vanes", "area", source="Geometry")
    share = worked(vanes.coefficient, "C_v", "Flow coefficient of the vanes", "friction", source="Plimbo's own")
    gap = heads.gap_area(worked(at.run.seal, "s", "Seal at the eye", "share"), heads.eye_area(inner))
    over_gap = worked(abs(float(eye)), "P_gap", "Pressure over the gap", "air pressure", "|{0}|", (eye,))
    discharge = worked(heads.GAP_DISCHARGE, "C_d", "Discharge of the gap", "friction", source="A sharp edge")
    leak = heads.passage_flow(gap, discharge, density, over_gap)
    if isinstance(leak, Worked):
        # The same law as for the vanes, for another passage.
        leak.symbol, leak.name = "ṁ_g", "Air through the gap at the eye"
    return {
        "pump": pump,
        "eye": eye,
        "vanes": heads.passage_flow(passage, share, density, head),
        "leak": leak,
    }


def _parts(duct: Duct) -> Iterator[DuctPart]:
    """For both wheels; pieces before a split serve both."""
    shared = any(one.kind is PieceKind.SPLIT for one in duct.pieces)
    counts, costs = Counter[str](), dict[str, float | None]()

    def add(name: str, count: int, cost: float | None) -> None:
        counts[name] += count
        before = costs.get(name, 0.0)
        costs[name] = None if cost is None or before is None else before + count * cost

    if duct.aim is not Aim.SCOOP:
        mouth = f"Opening of {1e6 * duct.opening.area / 100:.0f} cm², {duct.opening.mouth.word}"
        add(mouth, 1 if shared else 2, duct.opening.cost)
        wheels = 1 if shared else 2
        for one in duct.pieces:
            if one.kind is PieceKind.SPLIT:
                add("Split into two", 1, one.cost)
                wheels = 2
                continue
            size = f"{1e3 * one.bore:.0f} mm"
            name = {
                PieceKind.HOSE: f"{one.wall.word.capitalize()} hose {size}, {one.length:.2f} m",
                PieceKind.BEND: f"Bend {np.degrees(one.angle):.0f}°, {size}",
                PieceKind.REDUCER: f"Reducer to {size}",
            }[one.kind]
            add(name, wheels * duct.hoses, one.cost)
        add("Hose clamp", 4 * duct.hoses, None)
    ends = {Aim.EYE: f"Flange, {duct.flange.word}", Aim.SCOOP: "Scoop on the arm"}
    add(ends.get(duct.aim, "Bracket for the hose's end"), 2, duct.flange_cost)
    if duct.caliper_bore > 0:
        add(f"Branch hose {1e3 * duct.caliper_bore:.0f} mm to the caliper", 2, None)
    for name, count in counts.items():
        yield DuctPart(name=name, count=count, cost=costs[name])


def _cost(duct: Duct) -> float | None:
    known = [part.cost for part in _parts(duct) if part.cost is not None]
    return sum(known) if known else None


def _checks(checks: DuctChecks) -> Iterator[DuctCheck]:
    for key, field in DuctChecks.model_fields.items():
        if key not in Document.model_fields:
            yield DuctCheck(
                key=key, title=str(field.title), help=str(field.description), found_right=getattr(checks, key)
            )


def _remarks(at: DuctAt) -> Iterator[Phrase]:
    """Remarks that a preparer would make on the run at once."""
    duct, found = at.duct, at.found
    size = size_of(duct)
    _, alone = drawn_by_vanes(at.vanes, at.air, np.array([at.speed]))
    if duct.aim is Aim.TYRE:
        yield phrase("Its inner end blows at the tyre: it does nothing for the brakes.")
    if not at.vanes.passage and duct.aim is Aim.EYE:
        yield phrase("A solid disc has no eye to feed: this air is taken as blowing at its inner face.")
    if at.vanes.passage and duct.aim is Aim.EYE and at.speed > 0 and float(found.vanes[0]) < float(alone[0]):
        yield phrase(
            "Worse than no duct: the vanes draw {alone} by themselves. The seal keeps the air of the well out, and the"
            " run does not bring enough.",
            alone=(float(alone[0]), "air flow"),
        )
    if duct.aim is Aim.FACE:
        yield phrase("It cools the inner face alone: the outboard pad runs hotter, and wears first.")
    if at.run.pressure <= 0.05:
        yield phrase("Hardly any pressure stands at this opening: a longer run from the nose brings more.")
    if duct.opening.area < 0.8 * size.area:
        yield phrase("The opening is smaller than the hose: it is the narrowest place of the run.")
    if any(one.kind is PieceKind.BEND and one.turn < 1 for one in duct.pieces):
        yield phrase("A bend tighter than its own bore is kinked: give it a radius of at least the bore.")
