"""Which pair of cylinders? All pairs of stock bores, with their results, and those nearest to a target."""

from collections.abc import Sequence

from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.judged_states import judged_states
from plimbo.core.documents import Car, Setup, State
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.quantities.errors import OutOfRange
from plimbo.core.search.cylinders.table import CylinderTable, cylinder_table
from plimbo.core.search.cylinders.target import NoTarget, read_target
from plimbo.core.working.inputs import PLAIN


def compare_cylinders(
    car: Car, setup: Setup, target: str = "", states: Sequence[State] | State | None = None
) -> CylinderTable:
    """All pairs of stock bores over these states (the car's own where none are given); all else as fitted.

    `target` is the typed target: `60 % by pressure`, `250 N at lock`, `45 mm`. Raises `OutOfRange` at `target` if it
    cannot be read, or where the inputs together are outside the model.
    """
    try:
        aimed = read_target(target)
    except NoTarget as nothing:
        raise OutOfRange("target", str(nothing)) from None
    conditions = conditions_for(car, judged_states(car, setup, states))
    return cylinder_table(conditions, setup, brake_system(setup, PLAIN), aimed)
