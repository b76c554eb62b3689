"""The target of a pair of cylinders as typed: `60 %`, `60 % by force`, `250 N at lock`, `45 mm`."""

import re
from typing import NamedTuple

from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.units import unit_table

EXAMPLES = "60 % by pressure, 62 % by force, 250 N at lock or 45 mm"
_TYPED = re.compile(r"^\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*([^\s\d,;]*)\s*(.*)$")


class TargetQuantity(Choice):
    """The quantity of a target."""

    PRESSURE = "pressure", "front share by pressure"
    FORCE = "force", "front share by brake force"
    PUSH = "push", "hardest push at first lock"
    TRAVEL = "travel", "pedal travel"


class Target(NamedTuple):
    """The quantity of a target and its value, SI."""

    aim: TargetQuantity
    value: float


class NoTarget(ValueError):
    """A target that cannot be read; the message says what can be typed."""


def read_target(text: str) -> Target | None:
    """Reads the typed target; none for an empty text.

    Raises `NoTarget` if it cannot be read.
    """
    if not text.strip():
        return None
    found = _TYPED.match(text)
    if not found:
        raise NoTarget(f"Type a number with its unit: {EXAMPLES}.")
    number, unit, words = float(found[1].replace(",", ".")), found[2], found[3].lower()
    by_force = "force" in words
    for dimension, aim in (
        ("share", TargetQuantity.FORCE if by_force else TargetQuantity.PRESSURE),
        ("force", TargetQuantity.PUSH),
        ("length", TargetQuantity.TRAVEL),
    ):
        for known in unit_table()[dimension].units:
            if unit and unit.lower() in (name.lower() for name in (known.symbol, *known.aliases)):
                return _checked(Target(aim, number * known.factor))
    if not unit and 0 < number < 1:
        return Target(TargetQuantity.FORCE if by_force else TargetQuantity.PRESSURE, number)
    raise NoTarget(f"“{text.strip()}” says not what of: type {EXAMPLES}.")


def _checked(target: Target) -> Target:
    if target.aim in (TargetQuantity.PRESSURE, TargetQuantity.FORCE) and not 0 < target.value < 1:
        raise NoTarget("A share of the front lies between 0 and 100 %.")
    if target.value <= 0:
        raise NoTarget("Type more than nothing.")
    return target
