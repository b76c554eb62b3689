"""Many setups as columns: rows that differ from one setup in some of its parts, or every combination of parts.

No document is made for a setup; each tried part is read once, however many setups it is in.
"""

from collections.abc import Callable, Mapping, Sequence
from typing import Any, NamedTuple

import numpy as np
import numpy.typing as npt

from plimbo.core.documents import Setup
from plimbo.core.documents.axle_brake import on_ring, under_pad
from plimbo.core.documents.disc import has_hole
from plimbo.core.friction.caliper import caliper_sizes
from plimbo.core.friction.disc import disc_sizes
from plimbo.core.friction.pad import pad_sizes
from plimbo.core.hydraulics.brake_system import (
    BrakeSystem,
    bar_sizes,
    booster_sizes,
    cylinder_sizes,
    fluid_sizes,
    line_sizes,
    pedal_sizes,
    valve_sizes,
)
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.fields import Document
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import Number

TANDEM = "tandem"


class PartLocation(NamedTuple):
    """Where a part belongs in a setup: the axle, if any, the field of the system that it fills, and its reader."""

    axle: Axle | None
    field: str
    read: Callable[[Any], Any]


def _before_the_lines(field: str, read: Callable[..., Any]) -> PartLocation:
    return PartLocation(None, field, lambda part: read(part, PLAIN))


def _at(axle: Axle, field: str, read: Callable[..., Any]) -> PartLocation:
    return PartLocation(axle, field, lambda part: read(part, PLAIN, axle))


PART_LOCATIONS: dict[str, PartLocation] = {
    "pedal": _before_the_lines("pedal", pedal_sizes),
    "booster": _before_the_lines("booster", booster_sizes),
    "balance_bar": _before_the_lines("bar", bar_sizes),
    "valve": _before_the_lines("valve", valve_sizes),
    "fluid": _before_the_lines("fluid", fluid_sizes),
    TANDEM: PartLocation(None, "cylinder", lambda part: cylinder_sizes(part, PLAIN, None)),
    **{
        f"{axle}.{name}": _at(axle, field, read)
        for axle in AXLES
        for name, field, read in (
            ("master_cylinder", "cylinder", cylinder_sizes),
            ("lines", "lines", line_sizes),
            ("caliper", "caliper", caliper_sizes),
            ("disc", "disc", disc_sizes),
            ("pad", "pad", pad_sizes),
        )
    },
}


def part_at(setup: Setup, place: str) -> Document:
    """The part at a place such as `rear.caliper`."""
    part: Any = setup
    for name in place.split("."):
        part = getattr(part, name)
    found: Document = part
    return found


def read_part(place: str, part: Any) -> Any:
    """The sizes of a part for its place."""
    return PART_LOCATIONS[place].read(part)


def sizes_at(system: BrakeSystem, place: str) -> Any:
    """The sizes at a place of the system."""
    axle, field, _ = PART_LOCATIONS[place]
    if axle is None and place != TANDEM:
        return getattr(system, field)
    return getattr(system.circuit(axle or Axle.FRONT), field)


def with_part(system: BrakeSystem, place: str, sizes: Any) -> BrakeSystem:
    """The system with these sizes at a place; a tandem cylinder feeds both circuits."""
    axle, field, _ = PART_LOCATIONS[place]
    if axle is None and place != TANDEM:
        return system._replace(**{field: sizes})
    ends: dict[str, Any] = {
        str(one): system.circuit(one)._replace(**{field: sizes}) for one in (AXLES if axle is None else (axle,))
    }
    return system._replace(**ends)


def place_of(path: str) -> tuple[str, str]:
    """The place of the part that a path such as `rear.caliper.pistons` leads into, and the field within it."""
    place, _, field = path.rpartition(".")
    return place, field


def with_changes(setup: Setup, system: BrakeSystem, changes: Sequence[Mapping[str, Any]]) -> BrakeSystem:
    """Columns with a row for each of the changes: the setup's system with other values at these paths of the setup.

    Nothing is checked here: `goes_together` says whether the parts do.
    """
    rows: dict[str, dict[int, dict[str, Any]]] = {}
    for row, values_at in enumerate(changes):
        for path, value in values_at.items():
            place, field = place_of(path)
            frozen = tuple(value) if isinstance(value, list) else value
            rows.setdefault(place, {}).setdefault(row, {})[field] = frozen
    for place, changed in rows.items():
        part, columns = part_at(setup, place), [sizes_at(system, place)] * len(changes)
        for row, values in changed.items():
            columns[row] = read_part(place, part.unchecked(values))
        system = with_part(system, place, stacked(columns))
    return system


def stacked(rows: Sequence[Any]) -> Any:
    """The sizes of a part in many setups as columns; what is the same in every row stays a single number."""
    columns = zip(*rows, strict=True)
    return type(rows[0])(
        *(
            column[0] if column.count(column[0]) == len(column) else np.array(column).reshape(-1, 1, 1)
            for column in columns
        )
    )


def picked(sizes: Any, rows: npt.NDArray[np.intp]) -> Any:
    """These rows of the columns."""
    if isinstance(sizes, np.ndarray):
        return sizes[rows]
    return type(sizes)(*(picked(part, rows) for part in sizes)) if isinstance(sizes, tuple) else sizes


def goes_together(system: BrakeSystem) -> Number:
    """Whether pistons, pad and disc of each axle go together, as a setup's own checks ask: one flag, or one for each
    row.
    """
    fits: Number = True
    for axle in AXLES:
        _, _, caliper, disc, pad = system.circuit(axle)
        fits = (
            fits
            & under_pad(caliper.pistons_length, pad.length)
            & on_ring(pad.inset, pad.height, disc.ring_height)
            & has_hole(disc.ring_height, disc.outer_diameter)
        )
    return fits
