"""Numbers taken from documents: plain, or with their origin when the working is needed."""

from collections.abc import Callable
from functools import lru_cache, wraps
from typing import Any, TypeVar

from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.fields import Document, assumption_of
from plimbo.core.quantities.metadata import field_metadata
from plimbo.core.working.formula import name_at, symbol_at, worked
from plimbo.core.working.numbers import Number


class Inputs:
    """Takes numbers from documents: plain for speed, or with their origin when the working is needed."""

    def __init__(self, with_working: bool) -> None:
        self.with_working = with_working

    def __call__(self, document: Document, name: str, axle: Axle | None = None) -> Number:
        value = getattr(document, name)
        return self.number(document, name, value, axle) if self.with_working else value

    def number(self, document: Document, name: str, value: float, axle: Axle | None = None, nth: int = 0) -> Number:
        """The number of a field, or the nth number, from 1, of a field that holds several."""
        if not self.with_working:
            return value
        extra = field_metadata(document, name)
        title = str(type(document).model_fields[name].title)
        symbol = f"{extra['symbol']}{nth}" if nth else str(extra["symbol"])
        return worked(
            value,
            symbol_at(symbol, axle),
            name_at(title, axle),
            str(extra["dimension"]),
            assumption=assumption_of(document, name),
        )

    def constant(self, value: float, symbol: str, name: str, dimension: str, source: str) -> Number:
        """A number from a table, with its source."""
        return worked(value, symbol, name, dimension, source=source) if self.with_working else value


PLAIN = Inputs(with_working=False)
WORKED = Inputs(with_working=True)

Sizes = TypeVar("Sizes")
# Parts of each kind kept in the cache: a step changes one part, and the neighbours of all others are needed again.
REMEMBERED = 512


def remembered(read: Callable[..., Sizes]) -> Callable[..., Sizes]:
    """The result of `read(part, inputs, …)`; plain results are cached for parts with the same values."""
    kept = lru_cache(maxsize=REMEMBERED)(read)

    @wraps(read)
    def sizes(part: Document, inputs: Inputs, *axle: Any) -> Sizes:
        return read(part, inputs, *axle) if inputs.with_working else kept(part, inputs, *axle)

    return sizes
