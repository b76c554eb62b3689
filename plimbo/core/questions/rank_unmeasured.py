"""What is still to measure? Each assumed value, with its possible effect on the lock order."""

import math
from collections.abc import Iterator
from enum import StrEnum
from typing import Any

from pydantic import Field, ValidationError

from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.judged_states import judged_states
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.quantities.assumptions import assumed
from plimbo.core.quantities.cancellation import Wanted, always, raise_if_cancelled
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.quantities.fields import Document
from plimbo.core.quantities.metadata import field_metadata
from plimbo.core.quantities.results import Result, answer
from plimbo.core.quantities.titles import part_at, title_at
from plimbo.core.working.inputs import PLAIN

# Assumed error of an unmeasured value: a tenth; of a share this much; of a value left out, half of its usual range.
OFF, SHARE_OFF = 0.10, 0.03
# Smallest noticeable effect, m/s².
NOTICED = 0.005 * 9.80665


class Unmeasured(Result):
    """A value that has not been given for this car."""

    path: str
    title: str = Field(description="Whose it is, and what.")
    value: Any
    dimension: str | None = Field(description="None for a choice.")
    copied: bool = Field(description="Copied from another car, rather than assumed.")
    effect: float | None = answer("deceleration", "How far it can move the lock order; none where nobody can say")
    loses_a_lock: bool = Field(description="Where it is off, one end may never lock: no number says how far.")


class StillToMeasure(Result):
    """All unmeasured values, those with most effect on the lock order first."""

    by_numbers: str
    items: tuple[Unmeasured, ...]


def rank_unmeasured(car: Car, setup: Setup, *, wanted: Wanted = always) -> StillToMeasure:
    """Each value is changed by a tenth either way, a share by 0.03, a choice to another one.

    The effect is the largest change of the margin by which the rear locks after the front, in the worst state. Raises
    `OutOfRange` where the inputs together are outside the model, `Cancelled` when the answer is no longer needed.
    """
    now = _spare(car, setup)
    items = []
    for path in (*assumed(car, "car"), *assumed(setup, "setup")):
        raise_if_cancelled(wanted)
        items.append(_unmeasured(car, setup, now, path))
    items.sort(key=lambda one: (not one.loses_a_lock, -(one.effect or 0.0)))
    return StillToMeasure(
        by_numbers="Numbers changed by 10 %, shares by 3 points, choices to another one.", items=tuple(items)
    )


def _spare(car: Car, setup: Setup) -> float:
    spare: float = (
        Screening(conditions_for(car, judged_states(car, setup)), brake_system(setup, PLAIN)).spare[0].min().item()
    )
    return spare


def _unmeasured(car: Car, setup: Setup, now: float, path: str) -> Unmeasured:
    root, _, inner = path.partition(".")
    whole: Document = car if root == "car" else setup
    part, name = part_at(whole, inner)
    value = getattr(part, name)
    effects = []
    for other in _others(part, name, value):
        try:
            changed = whole.patched({inner: other})
            both = (changed, setup) if root == "car" else (car, changed)
            effects.append(abs(_spare(*both) - now))
        except (OutOfRange, ValidationError):
            continue
    finite = [one for one in effects if math.isfinite(one)]
    most = max(finite, default=None)
    return Unmeasured(
        path=path,
        title=title_at(whole, inner),
        value=value,
        dimension=field_metadata(part, name).get("dimension"),
        copied=bool(car.copied_from) and name in part.unconfirmed,
        effect=None if most is None else (most if most >= NOTICED else 0.0),
        # If an axle starts or stops locking, the change has no number; if it never locks, there is no effect.
        loses_a_lock=any(math.isinf(one) for one in effects),
    )


def _others(part: Document, name: str, value: Any) -> Iterator[Any]:
    """The other values that it may have."""
    if isinstance(value, StrEnum):
        yield from (one for one in type(value) if one is not value)
    elif isinstance(value, bool):
        yield not value
    elif isinstance(value, tuple):
        if value and all(isinstance(one, float) for one in value):
            yield from (tuple(one * factor for one in value) for factor in (1 - OFF, 1 + OFF))
    elif isinstance(value, int | float):
        extra = field_metadata(part, name)
        if extra.get("dimension") == "share" and value:
            yield from (value - SHARE_OFF, value + SHARE_OFF)
        elif value:
            whole = isinstance(value, int)
            moved = (value * (1 - OFF), value * (1 + OFF))
            yield from (round(one) for one in moved) if whole else moved
        elif usual := extra.get("usual"):
            yield from (one / 2 for one in usual if one)
