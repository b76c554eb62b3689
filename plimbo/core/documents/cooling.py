"""What cools the brakes of an axle: the wheel around them, and ducted air."""

from collections.abc import Mapping
from typing import Any

from pydantic import Field, model_validator

from plimbo.core.documents.duct import Duct
from plimbo.core.quantities import defaults
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import Document, quantity


class Shielding(Choice):
    """What shields a disc from the air."""

    OPEN_WHEEL = "open_wheel"
    IN_A_WHEEL = "in_a_wheel", "in a wheel arch"
    TRIMMED = "trimmed", "dust shield trimmed"
    DUST_SHIELD = "dust_shield", "dust shield kept"
    COVERED = "covered", "inner face covered"


# Flow at 40 m/s beyond the disc's own air, kg/s, up to which each hose was meant; and its bore, m.
_AS_FORMAT_2_HAD_IT = ((0.012, 0.051), (0.028, 0.063), (0.042, 0.076), (1.0, 0.102))


def _duct_of_format_2(air: float) -> dict[str, Any]:
    """In format 2 a duct was one number, its flow: gives the usual run with about that flow."""
    bore = next(bore for most, bore in _AS_FORMAT_2_HAD_IT if air <= most)
    pieces = [
        {"kind": "hose", "bore": bore, "length": 0.5},
        {"kind": "bend", "bore": bore},
        {"kind": "hose", "bore": bore, "length": 0.7},
        {"kind": "bend", "bore": bore},
    ]
    return {"fitted": True, "pieces": pieces, "opening": {"area": round(1.5 * 0.7854 * bore**2, 6)}}


class Cooling(Document):
    """The air at one axle's discs."""

    shielding: Shielding = Field(
        Shielding.IN_A_WHEEL,
        title="Disc stands",
        description="An open wheel lets most air at the disc's faces, a dust shield least. A plate over the inner face"
        " keeps the air off that cheek alone.",
    )
    duct: Duct = Duct()
    outlet: float = quantity(
        "friction",
        "Pressure in the wheel well",
        "Share of the stream's own pressure, where the air leaves: under 0 where the well is vented, over 0 where air"
        " is dammed up in it.",
        symbol="C_p,out",
        least=-0.6,
        most=0.6,
        usual=(-0.2, 0.2),
        default=0.0,
    )
    warmer_by: float = quantity(
        "temperature difference",
        "Air arrives warmer by",
        "Behind a radiator or an engine the air is warmer than the day; 0 for a front axle in clean air.",
        symbol="ΔT_air",
        least=0,
        most=60,
        usual=(0, 20),
        default=0.0,
    )
    factor: float = quantity(
        "friction",
        "Cooling factor",
        "Multiplies what the air takes off this axle's discs. 1 until a log of this car says otherwise.",
        symbol="f_cool",
        least=0.3,
        most=3,
        usual=(0.7, 1.4),
        default=defaults.COOLING_FACTOR,
    )

    @model_validator(mode="before")
    @classmethod
    def _as_format_2_had_it(cls, data: Any) -> Any:
        if isinstance(data, Mapping) and "duct_air" in data:
            data = dict(data)
            air = data.pop("duct_air")
            if isinstance(air, int | float) and 0 < air <= 0.5:
                data.setdefault("duct", _duct_of_format_2(air))
        return data
