"""Sentences with numbers in them, kept so that each reader sees the numbers in their own units."""

import math
import re
from typing import SupportsFloat

from pydantic import Field

from plimbo.core.quantities.results import Result
from plimbo.core.quantities.units import UnitSystem, shown


class Measure(Result):
    """A number in SI with its dimension; no value where there is none to give."""

    value: float | None
    dimension: str


class Phrase(Result):
    """A sentence with its numbers kept apart, so that each reader sees them in their own units."""

    text: str = Field(
        description="`{name}` stands where the number of that name goes, `{name:+}` where it goes with its sign."
    )
    values: dict[str, Measure] = Field({})

    def shown(self, system: UnitSystem = UnitSystem.METRIC) -> str:
        """The sentence in one system of units."""

        def fill(match: re.Match[str]) -> str:
            number = self.values[match[1]]
            return shown(number.value, number.dimension, system, signed=match[2] is not None)

        return re.sub(r"\{(\w+)(:\+)?\}", fill, self.text)


def phrase(text: str, **values: tuple[SupportsFloat, str]) -> Phrase:
    """A sentence with numbers, each given as value and dimension."""
    # Checked all at once: a phrase stands in every verdict and beside every mend.
    numbers = {name: _measured(*pair) for name, pair in values.items()}
    return Phrase.model_validate({"text": text, "values": numbers})


def measure(value: SupportsFloat, dimension: str) -> Measure:
    """A number with its dimension; none where it is not finite."""
    return Measure.model_validate(_measured(value, dimension))


def _measured(value: SupportsFloat, dimension: str) -> dict[str, float | str | None]:
    number = float(value)
    return {"value": number if math.isfinite(number) else None, "dimension": dimension}
