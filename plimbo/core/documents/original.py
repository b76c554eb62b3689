"""The car's original brakes, kept as a reference where its anti-lock system stays."""

from typing import Any

from pydantic import Field, model_validator

from plimbo.core.documents.caliper import Diameter
from plimbo.core.quantities.fields import Document, quantity
from plimbo.core.quantities.metadata import number_metadata


class OriginalAxle(Document):
    """The original parts of one axle; empty where unknown."""

    pistons: tuple[Diameter, ...] = Field(
        (),
        title="Original pistons, one side",
        description="Diameters on one side of the disc. Stamped on the caliper, or measured at the boot.",
        max_length=8,
        json_schema_extra=number_metadata("piston") | {"symbol": "d_", "usual": [0.025, 0.06]},
    )
    disc_diameter: float | None = quantity(
        "length",
        "Original disc diameter",
        "Across the outside of the disc.",
        symbol="D",
        above=0.1,
        most=0.5,
        usual=(0.2, 0.42),
        default=None,
    )
    pad_friction: float | None = quantity(
        "friction",
        "Original pad friction",
        "A road pad is about 0.35 to 0.42; the letters on its edge tell.",
        symbol="μ_p",
        least=0.02,
        most=1.2,
        usual=(0.25, 0.5),
        default=None,
    )


class Original(Document):
    """The original brakes, and whether the car has an anti-lock system that was tuned to them."""

    anti_lock: bool = Field(
        False,
        title="Has a stock anti-lock system",
        description="A setup that keeps it must stay close to the pistons, discs and pads that it was tuned to.",
    )
    front: OriginalAxle = OriginalAxle()
    rear: OriginalAxle = OriginalAxle()

    @model_validator(mode="before")
    @classmethod
    def _as_format_3_named_it(cls, data: Any) -> Any:
        if isinstance(data, dict) and "anti_lock_kept" in data:
            data = dict(data)
            data.setdefault("anti_lock", data.pop("anti_lock_kept"))
        return data
