"""The models of the answer about a duct at one speed."""

from datetime import date
from typing import Any

from pydantic import Field

from plimbo.core.documents import Aim
from plimbo.core.quantities.phrases import Phrase
from plimbo.core.quantities.results import Result, answer
from plimbo.core.working.steps import Step


class PieceFlow(Result):
    """One piece of the run, as the air goes; `place` is that in the duct's pieces, none for opening and end."""

    name: str
    place: int | None
    bore: float = answer("hose", "Bore")
    metres: float = answer("distance", "Length")
    angle: float = answer("angle", "Turns by")
    hoses: float = answer("count", "Hoses that the air of one wheel has here; a half where both wheels share one")
    flow: float = answer("air flow", "Air in one hose")
    speed: float = answer("stream speed", "Speed in it")
    coefficient: float = answer("friction", "Loss coefficient")
    loss: float = answer("air pressure", "Loss")
    after: float = answer("air pressure", "Pressure after it, over the wheel well")
    headline: str = Field("", description="Its loss in the headlines.")


class DuctPart(Result):
    """A part to make or buy, for both wheels of the axle."""

    name: str
    count: int
    cost: float | None = answer("money", "Cost of all, where every one has a cost")


class DuctCheck(Result):
    """A check that only a person can make on the car."""

    key: str
    title: str
    help: str
    found_right: date | None


class DuctFlow(Result):
    """The air of one wheel at one speed."""

    question: str = Field(description="Of which car and setup: the same as that of a sizing of them.")
    fitted: bool
    key: str = Field(description="Which of the ducts of a sizing is fitted; empty where it is none of them.")
    fitting: dict[str, Any] = Field(description="Values at paths of `setup` that fit the duct.")
    speed: float = answer("speed", "Road speed")
    aim: Aim
    ram: float = answer("air pressure", "Head of the opening")
    pump: float = answer("air pressure", "Head of the turning vanes")
    duct: float | None = answer("air flow", "Air through the duct, each wheel")
    vanes: float | None = answer("air flow", "Air through the vanes, each disc")
    alone: float | None = answer("air flow", "What the vanes draw without a duct")
    leak: float | None = answer("air flow", "Out of the gap at the eye; less than nothing: in")
    caliper: float | None = answer("air flow", "To the caliper")
    eye: float | None = answer("air pressure", "Pressure in the eye, over the wheel well")
    taped: float = answer("share", "Opening taped in this session")
    pieces: tuple[PieceFlow, ...]
    drag: float | None = answer("drag", "Drag of both openings at top speed")
    slower: float | None = answer("small speed", "Top speed lost")
    outer_diameter: float = answer("length", "Disc diameter")
    inner_diameter: float = answer("length", "Ring's inner diameter")
    thickness: float = answer("length", "Disc thickness")
    gap: float = answer("length", "Vane gap")
    seal: float = answer("share", "Seal at the eye")
    curve_speeds: tuple[float, ...] = answer("speed", "Road speed")
    curve_vanes: tuple[float, ...] = answer("air flow", "Air through the vanes")
    curve_alone: tuple[float, ...] = answer("air flow", "Without a duct")
    parts: tuple[DuctPart, ...]
    cost: float | None = answer("money", "Cost of all parts that have one")
    checks: tuple[DuctCheck, ...]
    remarks: tuple[Phrase, ...]
    steps: tuple[Step, ...] = Field((), description="The working of what a formula gives.")
    headlines: dict[str, int] = Field({}, description="Where each headline number stands in the steps.")
