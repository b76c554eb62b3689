"""What a formula calculates with: a float, a float with its working, or an array of many; and the operations that
differ between them.

Arrays of many states have the shape (state, speed), those of many setups (setup, state, speed), with size 1 where all
values are equal.
"""

import math
from collections.abc import Callable
from typing import Any, TypeAlias

import numpy as np
import numpy.typing as npt

Array: TypeAlias = npt.NDArray[np.float64]
# A float (a `Worked` one is one too) or an array: formulas take each of them.
Number: TypeAlias = float | Array


# A condition for each of many; and for one, or for each of many.
Holds: TypeAlias = npt.NDArray[np.bool_]
Condition: TypeAlias = bool | Holds


def single(number: Number) -> float:
    """A number that is known to be single."""
    return float(number)


def column(number: Number) -> Array:
    """A number that is known to be a column of many."""
    if not isinstance(number, np.ndarray):
        raise TypeError(f"a single number, {number}, where one for each of many is wanted")
    return number


def is_array(number: Number) -> bool:
    """Whether it is a column of many."""
    return isinstance(number, np.ndarray)


def plain(number: Number) -> Number:
    """A NumPy scalar as a plain number again."""
    return number.item() if isinstance(number, np.ndarray | np.generic) and number.ndim == 0 else number


def minimum(one: Number, other: Number) -> Number:
    """The smaller of two."""
    return np.minimum(one, other) if is_array(one) or is_array(other) else min(one, other)


def maximum(one: Number, other: Number) -> Number:
    """The greater of two."""
    return np.maximum(one, other) if is_array(one) or is_array(other) else max(one, other)


def square_root(number: Number) -> Number:
    return np.sqrt(number) if is_array(number) else math.sqrt(number)


def exponential(number: Number) -> Number:
    return np.exp(number) if is_array(number) else math.exp(number)


def logarithm(number: Number) -> Number:
    return np.log(number) if is_array(number) else math.log(number)


def sine(angle: Number) -> Number:
    return np.sin(angle) if is_array(angle) else math.sin(angle)


def tangent(angle: Number) -> Number:
    return np.tan(angle) if is_array(angle) else math.tan(angle)


def arc_sine(number: Number) -> Number:
    return np.arcsin(number) if is_array(number) else math.asin(number)


def arc_tangent(number: Number) -> Number:
    return np.arctan(number) if is_array(number) else math.atan(number)


def is_finite(number: Number) -> Any:
    return np.isfinite(number) if is_array(number) else math.isfinite(number)


def quotient(top: Number, bottom: Number) -> Number:
    """One over the other; infinite where the divisor is zero or negative."""
    if is_array(top) or is_array(bottom):
        with np.errstate(divide="ignore", invalid="ignore", over="ignore"):
            return np.where(bottom > 0, np.divide(top, bottom), np.inf)
    return top / bottom if bottom > 0 else math.inf


def choose(condition: Any, then: Callable[[], Number], otherwise: Callable[[], Number]) -> Number:
    """One of two by a condition: for a single number only one is calculated, in a column each row takes its own."""
    if not isinstance(condition, np.ndarray):
        return then() if condition else otherwise()
    held = np.count_nonzero(condition)
    if held == condition.size:
        return then()
    if not held:
        return otherwise()
    with np.errstate(all="ignore"):  # in rows that do not take it, either may be outside its range
        return np.where(condition, then(), otherwise())


def side_by_side(*numbers: Number) -> Array:
    """Numbers, or columns of as many setups, as one array with a leading axis."""
    shape = next((number.shape for number in numbers if isinstance(number, np.ndarray)), (1, 1, 1))
    found = np.empty((len(numbers), *shape))
    for place, number in enumerate(numbers):
        found[place] = number
    return found


def all_hold(condition: Any) -> bool:
    """Whether a condition holds; for a column, in every row."""
    return bool(np.count_nonzero(condition) == np.size(condition))


def spread(record: Any, shape: tuple[int, ...]) -> Any:
    """Every array of a number, or of a record of numbers, repeated to this shape; single numbers stay.

    Arithmetic on arrays of one shape is several times faster than with broadcasting.
    """
    if isinstance(record, tuple):
        return type(record)(*[spread(part, shape) for part in record])
    if not isinstance(record, np.ndarray) or record.shape == shape:
        return record
    filled = np.empty(shape, record.dtype)
    filled[...] = record
    return filled


def at_speeds(record: Any, speeds: slice) -> Any:
    """These columns of the arrays of shape (state, speed) in a record of numbers, or in records of them."""
    parts = [
        (part[:, speeds] if part.shape[-1] > 1 else part)
        if isinstance(part, np.ndarray)
        else at_speeds(part, speeds)
        if isinstance(part, tuple)
        else part
        for part in record
    ]
    return type(record)(*parts)
