"""The working as the answer gives it: all steps that lead to some headline numbers, each after those it uses."""

import math
from collections.abc import Mapping

from pydantic import Field

from plimbo.core.quantities.results import Result
from plimbo.core.working.formula import Worked
from plimbo.core.working.numbers import Number


class Step(Result):
    """One line of working. `formula` and `valid` hold `{n}` for the nth of `inputs`: indices into the list of steps."""

    symbol: str
    name: str
    dimension: str
    value: float | None = Field(description="In SI; none where it has no finite value.")
    formula: str | None
    valid: str | None = Field(description="The range in which the formula holds, SI.")
    inputs: tuple[int, ...]
    source: str | None
    assumption: str | None


def working(numbers: Mapping[str, Number]) -> tuple[tuple[Step, ...], dict[str, int]]:
    """All steps that lead to the named headline numbers, each after those it uses, and the index of each headline among
    them.

    Plain numbers have no steps.
    """
    steps: list[Step] = []
    place: dict[int, int] = {}
    same: dict[tuple[object, ...], int] = {}

    def visit(number: Worked) -> int:
        if id(number) in place:
            return place[id(number)]
        inputs = tuple([visit(item) for item in number.inputs])
        alike = (number.symbol, number.name, float(number), number.formula, inputs)
        if alike not in same:
            same[alike] = len(steps)
            steps.append(
                Step.model_construct(
                    symbol=number.symbol,
                    name=number.name,
                    dimension=number.dimension,
                    value=float(number) if math.isfinite(number) else None,
                    formula=number.formula,
                    valid=number.valid,
                    inputs=inputs,
                    source=number.source,
                    assumption=number.assumption,
                )
            )
        place[id(number)] = same[alike]
        return same[alike]

    headlines = {key: visit(number) for key, number in numbers.items() if isinstance(number, Worked)}
    return tuple(steps), headlines
