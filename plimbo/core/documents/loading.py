"""Variable loads: driver, fuel, ballast; and the loads in which the car runs."""

from typing import Annotated

from pydantic import Field, ValidationInfo, field_validator

from plimbo.core.quantities.fields import Document, quantity, words
from plimbo.core.quantities.metadata import number_metadata

AS_WEIGHED = "As weighed"


class LoadItem(Document):
    """An item that may be aboard or not."""

    name: str = words("Item", "Driver, fuel, ballast, a second seat.", most=24)
    mass: float = quantity(
        "mass",
        "Mass, all of it",
        "Driver dressed, tank full, ballast as bolted in.",
        symbol="m_i",
        least=0,
        most=1000,
        usual=(5, 120),
    )
    behind_front_axle: float = quantity(
        "length",
        "Behind front axle",
        "From the front hubs back to its middle; minus where it sits ahead of them.",
        symbol="x_i",
        least=-2,
        most=8,
        usual=(-0.5, 3),
    )
    height: float = quantity(
        "length",
        "Height",
        "Of its middle above the ground.",
        symbol="h_i",
        least=0,
        most=2.5,
        usual=(0.15, 0.8),
    )
    on_scales: float = quantity(
        "share",
        "On the scales",
        "Share of it that was aboard when the car was weighed: 100 % all, 0 % none.",
        symbol="a_i",
        least=0,
        most=1,
        usual=(0, 1),
        default=1.0,
    )


class LoadState(Document):
    """A load in which the car runs."""

    name: str = words("Load", "Full tank, last lap, with passenger.", most=24)
    shares: tuple[Annotated[float, Field(ge=0, le=1, strict=True)], ...] = Field(
        (),
        title="Aboard",
        description="Share of each item that is aboard in this load: 100 % all of it, 0 % none.",
        max_length=8,
        json_schema_extra=number_metadata("share") | {"symbol": "a", "usual": [0, 1]},
    )


class Loading(Document):
    """The items, and each load with its share of every item. The car as it was weighed is always one of its loads."""

    items: tuple[LoadItem, ...] = Field(
        (), title="Items", description="What comes and goes: driver, fuel, ballast.", max_length=8
    )
    states: tuple[LoadState, ...] = Field(
        (), title="Loads", description="The loads in which the car runs, beside the one as weighed.", max_length=6
    )

    @field_validator("items")
    @classmethod
    def items_differ(cls, items: tuple[LoadItem, ...]) -> tuple[LoadItem, ...]:
        if len({item.name for item in items}) != len(items):
            raise ValueError("Two items have the same name: give each its own.")
        return items

    @field_validator("states")
    @classmethod
    def states_fit(cls, states: tuple[LoadState, ...], info: ValidationInfo) -> tuple[LoadState, ...]:
        if len({AS_WEIGHED, *(state.name for state in states)}) != len(states) + 1:
            raise ValueError(f"Two loads have the same name: give each its own (“{AS_WEIGHED}” is there already).")
        count = len(info.data.get("items", ()))
        if any(len(state.shares) != count for state in states):
            raise ValueError(f"Each load says of every item how much is aboard: {count} shares are needed.")
        return states
