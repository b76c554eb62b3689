"""Tries changes, one at a time or two together, all at once on columns: each tried part is read once."""

from collections.abc import Sequence
from typing import Any, NamedTuple

import numpy as np
import numpy.typing as npt

from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Setup
from plimbo.core.hydraulics.brake_system import BrakeSystem
from plimbo.core.hydraulics.columns import (
    goes_together,
    part_at,
    picked,
    place_of,
    read_part,
    sizes_at,
    stacked,
    with_part,
)
from plimbo.core.quantities.axles import AXLES
from plimbo.core.stepping.changes import Change, ChangeKind
from plimbo.core.stepping.stock import SAME
from plimbo.core.verdicts.matter import Judgement, Matter
from plimbo.core.working.numbers import Array

# A row: the indices of the changes that are made together; −1 is none.
Rows = npt.NDArray[np.intp]
NONE = -1

Judged = dict[str, Judgement[Any]]


def judged(screening: Screening, matters: Sequence[Matter[Any]]) -> Judged:
    """The result of each matter, by its key."""
    return {matter.key: Judgement(matter, screening) for matter in matters}


class JudgedRows(NamedTuple):
    """Rows that can be built, the result of each matter, the hardest push at first lock, N, of every row, and whether
    it changes a compound and leaves the two ends with different ones.
    """

    rows: Rows
    judged: Judged
    hardest_push: Array
    split: Array


class Changes:
    """Changes of one setup as columns, to be made alone or together."""

    def __init__(self, setup: Setup, system: BrakeSystem, changes: Sequence[Change]) -> None:
        self.changes, self._system = changes, system
        parts: dict[str, list[dict[str, Any]]] = {}
        self._variants: dict[str, npt.NDArray[np.intp]] = {}
        for number, change in enumerate(changes):
            at: dict[str, dict[str, Any]] = {}
            for path, value in change.swap.patch.items():
                place, field = place_of(path)
                at.setdefault(place, {})[field] = tuple(value) if isinstance(value, list) else value
            for place, values in at.items():
                # Index 0 of each path is the fitted part; the last index, −1, means no change.
                index = self._variants.setdefault(place, np.zeros(len(changes) + 1, np.intp))
                parts.setdefault(place, []).append(values)
                index[number] = len(parts[place])
        self._sizes = {
            place: stacked(
                [sizes_at(system, place)]
                + [read_part(place, part_at(setup, place).unchecked(values)) for values in tried]
            )
            for place, tried in parts.items()
        }

    def columns(self, rows: Rows) -> BrakeSystem:
        """The setups of these rows; the changes of a row have different paths."""
        system = self._system
        for place, index in self._variants.items():
            system = with_part(system, place, picked(self._sizes[place], index[rows].max(axis=1)))
        return system

    def pairs(self) -> Rows:
        """Every two changes with different paths."""
        first, second = np.triu_indices(len(self.changes), 1)
        at = np.stack([index[:-1] > 0 for index in self._variants.values()])
        apart = ~(at[:, first] & at[:, second]).any(axis=0)
        return np.stack([first[apart], second[apart]], axis=1)

    def fitting(self, rows: Rows) -> Rows:
        """Those of these rows whose parts go together."""
        fits = np.broadcast_to(np.ravel(goes_together(self.columns(rows))), len(rows))
        return rows if fits.all() else rows[fits]

    def tried(self, screening: Screening, rows: Rows, matters: Sequence[Matter[Any]]) -> JudgedRows:
        """The result of these rows, without those whose parts do not go together."""
        rows = self.fitting(rows)
        columns = self.columns(rows)
        tried_on = Screening(screening.conditions, columns, len(rows))
        return JudgedRows(rows, judged(tried_on, matters), tried_on.hardest_push, self._split(rows, columns))

    def _split(self, rows: Rows, columns: BrakeSystem) -> Array:
        compound = np.array([change.kind is ChangeKind.COMPOUND for change in self.changes] + [False])
        front, rear = (np.ravel(columns.circuit(axle).pad.friction) for axle in AXLES)
        found: Array = compound[rows].any(axis=1) & (np.abs(front - rear) > SAME)
        return found
