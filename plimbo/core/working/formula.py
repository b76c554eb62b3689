"""A formula: a plain function with its name in the field, its text, its range of validity and its source.

The function takes floats, worked floats or arrays. Called with floats it returns a float, with an array an array; where
any argument is a `Worked` float it returns a `Worked` float that records its calculation. So the numbers on the screen,
their working, and the numbers that the search compares all come from the same line of code. Outside its range a formula
refuses a number; in an array, the rows outside become NaN.
"""

import inspect
import itertools
import math
import re
from collections.abc import Callable
from typing import TYPE_CHECKING, Any, Generic, ParamSpec

import numpy as np

from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.errors import OutsideValidity
from plimbo.core.working.numbers import Number

P = ParamSpec("P")

# Begins the text of a formula that is solved by iteration: the text states the condition.
SOLVED = "found so that "
# Begins the text of a number that is read from a curve.
READ = "read off "
# The source of a formula that needs none.
GEOMETRY = "Geometry"
DEFINITION = "By definition"


class Worked(float):
    """A float in SI that carries its symbol, name, dimension and origin."""

    __slots__ = ("assumption", "dimension", "formula", "inputs", "name", "source", "symbol", "valid")

    symbol: str
    name: str
    dimension: str
    formula: str | None
    inputs: "tuple[Worked, ...]"
    source: str | None
    assumption: str | None
    valid: str | None


def worked(
    value: float,
    symbol: str,
    name: str,
    dimension: str,
    formula: str | None = None,
    inputs: tuple[Number, ...] = (),
    source: str | None = None,
    assumption: str | None = None,
    valid: str | None = None,
) -> Worked:
    """A float with its origin; `formula` and `valid` hold `{n}` for the nth of its inputs."""
    number = Worked(value)
    number.symbol, number.name, number.dimension = symbol, name, dimension
    number.formula, number.source, number.assumption = formula, source, assumption
    number.inputs = tuple([one for one in inputs if isinstance(one, Worked)])
    number.valid = valid
    return number


def symbol_at(symbol: str, axle: Axle | None) -> str:
    """The symbol of a quantity at one axle."""
    if axle is None:
        return symbol
    return f"{symbol},{axle[0]}" if "_" in symbol else f"{symbol}_{axle[0]}"


def name_at(name: str, axle: Axle | None) -> str:
    """The name of a quantity at one axle."""
    return name if axle is None else f"{name}, {axle}"


_CALCULATOR = str.maketrans({"·": "*", "−": "-", "≤": "<=", "≥": ">="})


class Validity:
    """The range of validity of a formula: conditions on its parameters as written, `0 < {share} ≤ 1`."""

    def __init__(self, text: str, parameters: tuple[inspect.Parameter, ...]) -> None:
        self.text = text
        names = [f"*{one.name}" if one.kind is inspect.Parameter.VAR_POSITIONAL else one.name for one in parameters]
        conditions = re.sub(r"\{(\w+)\}", r"\1", text).translate(_CALCULATOR).split(",")
        comparisons = []
        for condition in conditions:
            # 0 < a <= 1 as two comparisons, which arrays understand too.
            parts = re.split(r"(<=|>=|<|>)", condition)
            comparisons += [f"({''.join(parts[place : place + 3])})" for place in range(0, len(parts) - 2, 2)]
        self.holds = eval(f"lambda {', '.join(names)}: {' & '.join(comparisons)}")


class Formula(Generic[P]):
    """A plain function together with its name in the field, its text, its range of validity and its source.

    `text` is the formula as it is written, with the parameters in braces: `"{force} / {area}"`; the text after a colon
    joins several arguments: `"({diameters:² + }²)"`. It is arithmetic that a pocket calculator can follow (tests
    evaluate it against the function), unless it holds an integral sign or begins with `SOLVED` or `READ`. `valid` is
    written the same way, with commas between conditions.
    """

    def __init__(
        self,
        function: Callable[P, Number],
        symbol: str,
        name: str,
        dimension: str,
        text: str,
        source: str,
        valid: str | None = None,
        axle: Axle | None = None,
    ) -> None:
        self.function, self.symbol, self.name, self.dimension = function, symbol, name, dimension
        self.text, self.source, self.axle = text, source, axle
        self._parameters = tuple(inspect.signature(function).parameters.values())
        self.validity = Validity(valid, self._parameters) if valid else None
        self._holds = self.validity.holds if self.validity else None
        self._at: dict[Axle, Formula[P]] = {}
        self._texts: dict[tuple[str | None, ...], tuple[str, str | None]] = {}
        self.__doc__ = function.__doc__

    def at(self, axle: Axle) -> "Formula[P]":
        """The same formula for one axle: its symbol and name say which."""
        if not self._at:
            for end in AXLES:
                twin = Formula(self.function, self.symbol, self.name, self.dimension, self.text, self.source, None, end)
                twin.validity, twin._holds = self.validity, self._holds
                self._at[end] = twin
        return self._at[axle]

    if TYPE_CHECKING:

        def __call__(self, *args: P.args, **kwargs: P.kwargs) -> Number: ...

    else:  # positional only: formulas are called by the ten thousand, and keywords cost a dictionary each time

        def __call__(self, *args):
            if self._holds is not None:
                held = self._holds(*args)
                # For plain numbers the result is True or False itself.
                if held is not True and (held is False or np.count_nonzero(held) != held.size):
                    return self._out_of_range(args, held)
            value = self.function(*args)
            if Worked in map(type, args) and not isinstance(value, np.ndarray):
                return self._worked(value, args)
            return value

    def _out_of_range(self, args: tuple[Number, ...], held: Any) -> Number:
        """A single number is refused; in an array, the rows outside the range become NaN."""
        if not isinstance(held, np.ndarray):
            raise self._outside(args)
        function: Callable[..., Number] = self.function
        with np.errstate(all="ignore"):
            return np.where(held, function(*args), np.nan)

    def _worked(self, value: float, args: tuple[Number, ...]) -> Worked:
        text, valid = self._written(args)
        return worked(
            value,
            symbol_at(self.symbol, self.axle),
            name_at(self.name, self.axle),
            self.dimension,
            text,
            args,
            self.source,
            valid=valid,
        )

    def _outside(self, args: tuple[object, ...]) -> OutsideValidity:
        given = ", ".join(
            f"{parameter.name.replace('_', ' ')} {_brief(value)}"
            for parameter, value in zip(self._parameters, args, strict=False)
            if f"{{{parameter.name}}}" in str(self.validity and self.validity.text)
        )
        range_ = re.sub(
            r"\{(\w+)\}", lambda match: match[1].replace("_", " "), str(self.validity and self.validity.text)
        )
        return OutsideValidity(f"{self.name} holds for {range_} (SI); given {given}. Bring them into that range.")

    def _written(self, args: tuple[object, ...]) -> tuple[str, str | None]:
        """Text and range with `{n}` for each parameter, n the index into the inputs; other numbers written out."""
        plain = tuple(None if isinstance(argument, Worked) else f"{argument:g}" for argument in args)
        if plain not in self._texts:
            count = itertools.count()
            places = [f"{{{next(count)}}}" if argument is None else argument for argument in plain]

            def fill(match: re.Match[str]) -> str:
                index = next(n for n, parameter in enumerate(self._parameters) if parameter.name == match[1])
                if self._parameters[index].kind is inspect.Parameter.VAR_POSITIONAL:
                    return (match[2] or " + ").join(places[index:])
                return places[index]

            braces = r"\{(\w+)(?::([^}]*))?\}"
            valid = re.sub(braces, fill, self.validity.text) if self.validity else None
            self._texts[plain] = re.sub(braces, fill, self.text), valid
        return self._texts[plain]


def _brief(value: object) -> str:
    if isinstance(value, np.ndarray):
        low, high = (float(edge(value)) for edge in (np.min, np.max))
        return f"{low:g} to {high:g}"
    return f"{value:g}" if isinstance(value, float | int) and math.isfinite(value) else str(value)


def formula(
    symbol: str, name: str, dimension: str, text: str, source: str, *, valid: str | None = None
) -> Callable[[Callable[P, Number]], Formula[P]]:
    """Turn a plain function into a formula that checks its range and can show its working."""

    def wrap(function: Callable[P, Number]) -> Formula[P]:
        return Formula(function, symbol, name, dimension, text, source, valid)

    return wrap
