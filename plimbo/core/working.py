"""The working: every computed number remembers the formula, the numbers in it and their source.

A formula is a plain function on floats. Called with plain floats it returns a plain float, which is what the search for
better sizes does thousands of times. Called with a `Worked` float it returns a `Worked` float that knows how it came
about; the first argument decides. So the numbers on the screen and their working can never differ: both come out of the
same line of code.
"""

import inspect
import itertools
import math
import re
from collections.abc import Callable
from enum import StrEnum
from typing import TYPE_CHECKING, Generic, ParamSpec

from pydantic import Field

from plimbo.core.documents.fields import Document, Result, assumption_of, field_extra

P = ParamSpec("P")

# Begins the text of a formula whose number is found by trial: it says what must hold.
SOLVED = "found so that "
# Begins the text of a number that is read off a curve.
READ = "read off "


class Axle(StrEnum):
    FRONT = "front"
    REAR = "rear"


# An enumeration is slow to walk through, and this is walked through thousands of times.
AXLES = (Axle.FRONT, Axle.REAR)


class Worked(float):
    """A float in SI that carries its symbol, name, dimension and origin."""

    __slots__ = ("assumption", "dimension", "formula", "inputs", "name", "source", "symbol")

    symbol: str
    name: str
    dimension: str
    formula: str | None
    inputs: "tuple[Worked, ...]"
    source: str | None
    assumption: str | None


def worked(
    value: float,
    symbol: str,
    name: str,
    dimension: str,
    formula: str | None = None,
    inputs: tuple[Worked, ...] = (),
    source: str | None = None,
    assumption: str | None = None,
) -> Worked:
    """A float with its origin."""
    number = Worked(value)
    number.symbol, number.name, number.dimension = symbol, name, dimension
    number.formula, number.inputs, number.source, number.assumption = formula, inputs, source, assumption
    return number


def _symbol_at(symbol: str, axle: Axle | None) -> str:
    if axle is None:
        return symbol
    return f"{symbol},{axle[0]}" if "_" in symbol else f"{symbol}_{axle[0]}"


def _name_at(name: str, axle: Axle | None) -> str:
    return name if axle is None else f"{name}, {axle}"


class Formula(Generic[P]):
    """A plain function on floats together with its name in the field, its text and its source.

    `text` is the formula as it is written, with the parameters in braces: `"{force} / {area}"`; what stands after a
    colon joins several arguments: `"({diameters:² + }²)"`. It is arithmetic that a pocket calculator can follow (tests
    evaluate it against the function), unless it holds an integral sign or begins with `SOLVED`
    or `READ`.
    """

    def __init__(
        self,
        function: Callable[P, float],
        symbol: str,
        name: str,
        dimension: str,
        text: str,
        source: str | None,
        axle: Axle | None = None,
    ) -> None:
        self.function, self.symbol, self.name, self.dimension = function, symbol, name, dimension
        self.text, self.source, self.axle = text, source, axle
        self._front: Formula[P] | None = None
        self._rear: Formula[P] | None = None
        self._texts: dict[tuple[str | None, ...], str] = {}
        self.__doc__ = function.__doc__

    def at(self, axle: Axle) -> "Formula[P]":
        """The same formula for one axle: its symbol and name say which."""
        if self._front is None or self._rear is None:
            self._front, self._rear = (
                Formula(self.function, self.symbol, self.name, self.dimension, self.text, self.source, end)
                for end in AXLES
            )
        return self._front if axle is Axle.FRONT else self._rear

    if TYPE_CHECKING:

        def __call__(self, *args: P.args, **kwargs: P.kwargs) -> float: ...

    else:  # positional only: the search calls formulas by the ten thousand, and keywords cost a dictionary each time

        def __call__(self, *args):
            value = self.function(*args)
            return self._worked(value, args) if type(args[0]) is Worked else value

    def _worked(self, value: float, args: tuple[object, ...]) -> Worked:
        return worked(
            value,
            _symbol_at(self.symbol, self.axle),
            _name_at(self.name, self.axle),
            self.dimension,
            self._written(args),
            tuple(argument for argument in args if isinstance(argument, Worked)),
            self.source,
        )

    def _written(self, args: tuple[object, ...]) -> str:
        """The text with `{n}` for each parameter, n the index into the inputs; other numbers written out."""
        plain = tuple(None if isinstance(argument, Worked) else f"{argument:g}" for argument in args)
        if plain not in self._texts:
            count = itertools.count()
            places = [f"{{{next(count)}}}" if argument is None else argument for argument in plain]
            names = list(inspect.signature(self.function).parameters.values())

            def fill(match: re.Match[str]) -> str:
                index = next(n for n, parameter in enumerate(names) if parameter.name == match[1])
                if names[index].kind is inspect.Parameter.VAR_POSITIONAL:
                    return (match[2] or " + ").join(places[index:])
                return places[index]

            self._texts[plain] = re.sub(r"\{(\w+)(?::([^}]*))?\}", fill, self.text)
        return self._texts[plain]


def formula(
    symbol: str, name: str, dimension: str, text: str, source: str | None = None
) -> Callable[[Callable[P, float]], Formula[P]]:
    """Turn a plain function on floats into a formula that can show its working."""

    def wrap(function: Callable[P, float]) -> Formula[P]:
        return Formula(function, symbol, name, dimension, text, source)

    return wrap


class Inputs:
    """Takes numbers out of documents: plain for speed, or with their origin where the working is wanted."""

    def __init__(self, with_working: bool) -> None:
        self.with_working = with_working

    def __call__(self, document: Document, name: str, axle: Axle | None = None) -> float:
        value = getattr(document, name)
        return self.number(document, name, value, axle) if self.with_working else value

    def number(self, document: Document, name: str, value: float, axle: Axle | None = None, nth: int = 0) -> float:
        """One number of a field that holds several (the nth, from 1), or of one that holds a single one."""
        if not self.with_working:
            return value
        extra = field_extra(document, name)
        title = str(type(document).model_fields[name].title)
        symbol = f"{extra['symbol']}{nth}" if nth else str(extra["symbol"])
        return worked(
            value,
            _symbol_at(symbol, axle),
            _name_at(title, axle),
            str(extra["dimension"]),
            assumption=assumption_of(document, name),
        )

    def constant(self, value: float, symbol: str, name: str, dimension: str, source: str) -> float:
        """A number from a table, with its source."""
        return worked(value, symbol, name, dimension, source=source) if self.with_working else value


PLAIN = Inputs(with_working=False)


class Step(Result):
    """One line of working. `formula` holds `{n}` for the nth of `inputs`, which are indices into the list of steps."""

    symbol: str
    name: str
    dimension: str
    value: float | None = Field(description="In SI; none where it has no finite value.")
    formula: str | None
    inputs: tuple[int, ...]
    source: str | None
    assumption: str | None


def working(numbers: dict[str, float]) -> tuple[tuple[Step, ...], dict[str, int]]:
    """All steps behind the named headline numbers, each step after those it uses, and each headline's place in them."""
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
                    inputs=inputs,
                    source=number.source,
                    assumption=number.assumption,
                )
            )
        place[id(number)] = same[alike]
        return same[alike]

    headlines = {key: visit(number) for key, number in numbers.items() if isinstance(number, Worked)}
    return tuple(steps), headlines
