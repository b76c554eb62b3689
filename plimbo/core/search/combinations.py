"""Every combination of a list of parts, screened on columns: each part is read once, however many setups it is in."""

import math
from collections.abc import Iterator, Mapping, Sequence
from concurrent.futures import ThreadPoolExecutor
from typing import Any, NamedTuple

import numpy as np
import numpy.typing as npt

from plimbo.core.braking.conditions import Conditions, conditions_for
from plimbo.core.braking.judged_states import judged_states
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup, State
from plimbo.core.hydraulics.brake_system import BrakeSystem, brake_system
from plimbo.core.hydraulics.columns import goes_together, picked, read_part, stacked, with_part
from plimbo.core.quantities.fields import Document
from plimbo.core.verdicts.matter import Matter
from plimbo.core.verdicts.registry import matters_of
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import Array

Rows = npt.NDArray[np.intp]

# Setups screened at once: few enough that their numbers fit in a processor's cache.
CHUNK = 2048
THREADS = 2


class Combinations:
    """One part of each list at its place, such as `rear.caliper`, and all else as in a setup; numbered from 0.

    The last path varies fastest.
    """

    def __init__(self, setup: Setup, parts: Mapping[str, Sequence[Document]]) -> None:
        self.setup, self.parts = setup, parts
        self.shape = tuple(len(choices) for choices in parts.values())
        self._system = brake_system(setup, PLAIN)
        self._sizes = {place: stacked([read_part(place, one) for one in some]) for place, some in parts.items()}

    def __len__(self) -> int:
        return math.prod(self.shape)

    def columns(self, rows: Rows) -> BrakeSystem:
        """These combinations as columns, a row for each."""
        system = self._system
        for (place, sizes), chosen in zip(self._sizes.items(), np.unravel_index(rows, self.shape), strict=True):
            system = with_part(system, place, picked(sizes, chosen))
        return system

    def setup_at(self, row: int) -> Setup:
        """One combination as a setup. Raises Pydantic's `ValidationError` where its parts do not go together."""
        chosen = np.unravel_index(row, self.shape)
        return self.setup.patched(
            {place: some[int(number)] for (place, some), number in zip(self.parts.items(), chosen, strict=True)}
        )


class Screened(NamedTuple):
    """Combinations that can be built, by their rows, and the result of each matter, by its key.

    `numbers` are the matter's own, `findings` the index of its finding, `hardest_push` in N: all of shape (row).
    """

    rows: Rows
    numbers: dict[str, Any]
    findings: dict[str, Array]
    hardest_push: Array


def screened(
    conditions: Conditions, combinations: Combinations, rows: Rows, matters: Sequence[Matter[Any]]
) -> Screened:
    """Those of these combinations whose parts go together."""
    columns = combinations.columns(rows)
    fits = np.broadcast_to(np.ravel(goes_together(columns)), rows.shape)
    if not fits.all():
        columns, rows = picked(columns, np.flatnonzero(fits)), rows[fits]
    screening = Screening(conditions, columns, rows.size)
    numbers = {matter.key: matter.numbers(screening) for matter in matters}
    findings = {matter.key: matter.judge(numbers[matter.key], conditions.car) for matter in matters}
    return Screened(rows, numbers, findings, screening.hardest_push)


def screen(
    car: Car, combinations: Combinations, states: Sequence[State] | None = None, threads: int = THREADS
) -> Iterator[Screened]:
    """All combinations over these states (the car's own where none are given), chunk by chunk in their order.

    Raises `OutOfRange` where the inputs together are outside the model.
    """
    conditions = conditions_for(car, judged_states(car, combinations.setup, states))
    matters = matters_of(car, combinations.setup)
    starts = range(0, len(combinations), CHUNK)

    def chunk(start: int) -> Screened:
        rows = np.arange(start, min(start + CHUNK, len(combinations)))
        return screened(conditions, combinations, rows, matters)

    with ThreadPoolExecutor(threads) as pool:
        # A few chunks ahead of the reader, so that finished chunks need not be kept.
        ahead = [pool.submit(chunk, start) for start in starts[: 2 * threads]]
        for start in [*starts[2 * threads :], *[None] * len(ahead)]:
            yield ahead.pop(0).result()
            if start is not None:
                ahead.append(pool.submit(chunk, start))
