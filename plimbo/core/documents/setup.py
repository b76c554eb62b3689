"""A setup: every size between foot and disc. The parts are stored inside it, so an old file keeps its meaning."""

from typing import Annotated, Any

from pydantic import ConfigDict, Field, ValidationInfo, field_validator, model_validator

from plimbo.core.documents.actuation import (
    BalanceBar,
    Booster,
    MasterCylinder,
    Pedal,
    Split,
)
from plimbo.core.documents.axle_brake import AxleBrake
from plimbo.core.documents.handbrake import Handbrake
from plimbo.core.documents.hydraulics import Fluid
from plimbo.core.documents.original import Original
from plimbo.core.documents.valve import ProportioningValve
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import Document, quantity, words


class RadiusMethod(Choice):
    """How the effective radius is calculated."""

    UNIFORM_WEAR = "uniform_wear"
    UNIFORM_PRESSURE = "uniform_pressure"
    HALF_PAD = "half_pad", "disc less half pad"


# Choices that exclude each other, each with the change that allows it; paths within the setup.
CONFLICTS: list[Any] = [
    {
        "path": "split",
        "value": Split.BAR.value,
        "against": {"booster.fitted": True},
        "remedy": "Fit the bar and take the booster off",
        "makes_room": {"booster.fitted": False},
    },
    {
        "path": "booster.fitted",
        "value": True,
        "against": {"split": Split.BAR.value},
        "remedy": "Fit the tandem cylinder with it",
        "makes_room": {"split": Split.TANDEM.value},
    },
]


class Setup(Document):
    """One brake setup of a car. Parts that are not fitted stay in it, so nothing is lost when they are fitted again."""

    model_config = ConfigDict(json_schema_extra={"conflicts": CONFLICTS})

    name: str = words("Setup", "What you call it.")
    pedal: Pedal
    split: Split = Field(
        Split.BAR,
        title="Brake circuits split by",
        description="A balance bar shares the push between two cylinders; a tandem cylinder has one pressure in both.",
    )
    booster: Booster = Booster()
    balance_bar: BalanceBar
    tandem: MasterCylinder = MasterCylinder(bore=0.0238125)
    front: AxleBrake
    rear: AxleBrake
    valve: ProportioningValve = ProportioningValve()
    handbrake: Handbrake = Handbrake()
    fluid: Fluid = Fluid()
    judged_in: tuple[Annotated[str, Field(min_length=1, max_length=24)], ...] = Field(
        (),
        title="Judged in",
        description="The states in which this setup is judged: a wet setup in the wet ones. None named: in all.",
        max_length=12,
    )
    anti_lock_kept: bool = Field(
        True,
        title="Stock anti-lock kept",
        description="This setup keeps the car's anti-lock system, where the car has one.",
    )
    radius_method: RadiusMethod = Field(
        RadiusMethod.UNIFORM_WEAR,
        title="Effective radius by",
        description="Uniform wear: middle of the pad's band, as bedded pads run. Uniform pressure: new pads."
        " Disc less half pad: what a tape measure gives.",
    )
    pad_tolerance: float = quantity(
        "share",
        "Tolerance on pad friction",
        "How far one end's pads may bite off their sheet, against the other end's.",
        symbol="δ_μ",
        least=0,
        most=0.5,
        usual=(0, 0.15),
        default=defaults.PAD_TOLERANCE,
    )

    @model_validator(mode="before")
    @classmethod
    def _as_format_1_named_it(cls, data: Any) -> Any:
        if isinstance(data, dict) and "radius_school" in data:
            data = dict(data)
            data.setdefault("radius_method", data.pop("radius_school"))
        return data

    @field_validator("booster")
    @classmethod
    def booster_before_tandem(cls, booster: Booster, info: ValidationInfo) -> Booster:
        if booster.fitted and info.data.get("split") is Split.BAR:
            raise ValueError(
                "A booster pushes one rod, a tandem cylinder's: fit the tandem cylinder, or leave the booster off."
            )
        return booster

    def brake(self, axle: Axle) -> AxleBrake:
        """What is fitted at one axle."""
        return self.front if axle is Axle.FRONT else self.rear

    def keeps_anti_lock(self, original: Original) -> bool:
        """Whether the anti-lock system of the car whose original brakes these are stays."""
        return original.anti_lock and self.anti_lock_kept

    @property
    def tandem_fitted(self) -> bool:
        return self.split is Split.TANDEM
