"""The target of a pair of cylinders as typed: `60 %`, `60 % by force`, `250 N at lock`, `45 mm`."""

import re
from typing import NamedTuple

from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.units import unit_table

EXAMPLES = "60 % by pressure, 62 % by force at 400 N, 250 N at lock or 45 mm"
_NUMBER = r"(\d+(?:[.,]\d+)?|[.,]\d+)\s*([^\s\d,;]*)"
_TYPED = re.compile(rf"^\s*{_NUMBER}\s*(.*)$")
_FURTHER = re.compile(_NUMBER)
_SHARES = frozenset({"by", "front", "of"})


class TargetQuantity(Choice):
    """The quantity of a target."""

    PRESSURE = "pressure", "front share by pressure"
    FORCE = "force", "front share by brake force"
    PUSH = "push", "hardest push at first lock"
    TRAVEL = "travel", "pedal travel"


class Target(NamedTuple):
    """The quantity of a target and its value, SI; beside a share, the push that is wished for at lock, N, if any."""

    aim: TargetQuantity
    value: float
    push: float | None = None


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
    number, unit, words = float(found[1].replace(",", ".")), found[2].lower(), found[3].lower()
    by_force = "force" in f"{unit} {words}"
    share = TargetQuantity.FORCE if by_force else TargetQuantity.PRESSURE
    for dimension, aim in (("share", share), ("force", TargetQuantity.PUSH), ("length", TargetQuantity.TRAVEL)):
        if unit and (factor := _factor(dimension, unit)):
            return _checked(Target(aim, number * factor, _push(words) if aim is share else None))
    if 0 < number < 1 and (not unit or unit in _SHARES):
        return Target(share, number, _push(words))
    raise NoTarget(f"“{text.strip()}” says not what of: type {EXAMPLES}.")


def _factor(dimension: str, unit: str) -> float | None:
    """SI for each of a unit as typed; none where the dimension has no such unit."""
    for known in unit_table()[dimension].units:
        if unit in (name.lower() for name in (known.symbol, *known.aliases)):
            return known.factor
    return None


def _push(words: str) -> float | None:
    """A force among the words after a share, N."""
    for number, unit in _FURTHER.findall(words):
        if unit and (factor := _factor("force", unit)):
            return float(number.replace(",", ".")) * factor
    return None


def _checked(target: Target) -> Target:
    if target.aim in (TargetQuantity.PRESSURE, TargetQuantity.FORCE) and not 0 < target.value < 1:
        raise NoTarget("A share of the front lies between 0 and 100 %.")
    if target.value <= 0:
        raise NoTarget("Type more than nothing.")
    return target
