"""Many setups as columns: rows that differ from one setup in some of its parts, or every combination of parts.

No document is made for a setup; a part that is tried is read once, however many setups it is in.
"""

from collections.abc import Callable, Mapping, Sequence
from typing import Any

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

Read = Callable[[Any], Any]


def _of_axle(axle: Axle) -> dict[str, tuple[str, Read]]:
    return {
        f"{axle}.master_cylinder": ("cylinder", lambda part: cylinder_sizes(part, PLAIN, axle)),
        f"{axle}.lines": ("lines", lambda part: line_sizes(part, PLAIN, axle)),
        f"{axle}.caliper": ("caliper", lambda part: caliper_sizes(part, PLAIN, axle)),
        f"{axle}.disc": ("disc", lambda part: disc_sizes(part, PLAIN, axle)),
        f"{axle}.pad": ("pad", lambda part: pad_sizes(part, PLAIN, axle)),
    }


# Where a part stands in a setup: which field of the system it fills, and how it is read.
_BEFORE_THE_LINES: dict[str, tuple[str, Read]] = {
    "pedal": ("pedal", lambda part: pedal_sizes(part, PLAIN)),
    "booster": ("booster", lambda part: booster_sizes(part, PLAIN)),
    "balance_bar": ("bar", lambda part: bar_sizes(part, PLAIN)),
    "valve": ("valve", lambda part: valve_sizes(part, PLAIN)),
    "fluid": ("fluid", lambda part: fluid_sizes(part, PLAIN)),
}
_AT_AN_AXLE = {axle: _of_axle(axle) for axle in AXLES}
TANDEM = "tandem"


def part_at(setup: Setup, place: str) -> Document:
    """The part at a place such as `rear.caliper`."""
    part: Any = setup
    for name in place.split("."):
        part = getattr(part, name)
    found: Document = part
    return found


def read_part(place: str, part: Any) -> Any:
    """The sizes of a part for its place."""
    if place == TANDEM:
        return cylinder_sizes(part, PLAIN, None)
    readers = _BEFORE_THE_LINES if place in _BEFORE_THE_LINES else _AT_AN_AXLE[Axle(place.split(".", maxsplit=1)[0])]
    return readers[place][1](part)


def sizes_at(system: BrakeSystem, place: str) -> Any:
    """The sizes at a place of the system."""
    if place == TANDEM:
        return system.front.cylinder
    if place in _BEFORE_THE_LINES:
        return getattr(system, _BEFORE_THE_LINES[place][0])
    axle = Axle(place.split(".", maxsplit=1)[0])
    return getattr(system.circuit(axle), _AT_AN_AXLE[axle][place][0])


def with_part(system: BrakeSystem, place: str, sizes: Any) -> BrakeSystem:
    """The system with these sizes at a place."""
    if place == TANDEM:
        ends: dict[str, Any] = {str(axle): system.circuit(axle)._replace(cylinder=sizes) for axle in AXLES}
        return system._replace(**ends)
    if place in _BEFORE_THE_LINES:
        return system._replace(**{_BEFORE_THE_LINES[place][0]: sizes})
    axle = Axle(place.split(".", maxsplit=1)[0])
    ends = {str(axle): system.circuit(axle)._replace(**{_AT_AN_AXLE[axle][place][0]: sizes})}
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
            rows.setdefault(place, {}).setdefault(row, {})[field] = value
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
    """Of columns, these rows."""
    if isinstance(sizes, np.ndarray):
        return sizes[rows]
    return type(sizes)(*(picked(part, rows) for part in sizes)) if isinstance(sizes, tuple) else sizes


def goes_together(system: BrakeSystem) -> Number:
    """Whether pistons, pad and disc of each axle go together, as a setup's own checks ask: one flag, or one a row."""
    fits: Number = True
    for axle in AXLES:
        _, _, caliper, disc, pad = system.circuit(axle)
        fits = (
            fits
            & under_pad(caliper.widest, pad.height)
            & under_pad(caliper.abreast, pad.length)
            & on_ring(pad.inset, pad.height, disc.ring_height)
            & has_hole(disc.ring_height, disc.outer_diameter)
        )
    return fits
