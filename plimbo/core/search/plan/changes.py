"""A change that a plan may make: what it is called, the values that it puts in, and the work that it asks for."""

from collections.abc import Iterable, Mapping
from functools import cached_property
from typing import Any, NamedTuple

from plimbo.core.documents import Car, Setup
from plimbo.core.search.mends import MendPart
from plimbo.core.search.plan.work import HOURS, Job, Work, hours_of, jobs_of, parts_in
from plimbo.core.search.session_heat.candidates import HeatChange
from plimbo.core.stepping.changes import Change

Patch = Mapping[str, Any]


class PlanChange:
    """One thing to do; `change` is its form on columns, where it moves what is judged without a session."""

    def __init__(
        self,
        parts: tuple[MendPart, ...],
        patch: Patch,
        *,
        size: float = 1.0,
        change: Change | None = None,
        about: frozenset[str] = frozenset(),
        note: str = "",
    ) -> None:
        """`patch` has paths of `car` and `setup`; `size` is how far it goes; `about` are the findings of a session
        that it is for; `note` is what only a person can check.
        """
        self.parts, self.patch, self.size, self.change = parts, dict(patch), size, change
        self.about, self.note = about, note

    @cached_property
    def jobs(self) -> frozenset[Job]:
        return jobs_of(path for path, value in self.patch.items() if value is not None and value != [])

    @cached_property
    def key(self) -> str:
        """The same for the same change."""
        return ";".join(f"{path}={self.patch[path]}" for path in sorted(self.patch))

    @property
    def title(self) -> str:
        return " and ".join(part.title for part in self.parts)

    def goes_with(self, other: "PlanChange") -> bool:
        """Whether both can be made: no value is set twice."""
        shared = self.patch.keys() & other.patch.keys()
        return all(self.patch[path] == other.patch[path] and self.patch[path] in (None, []) for path in shared)


def of_size(change: Change, note: str = "") -> PlanChange:
    """From a change of a size."""
    part = MendPart(
        joint=change.joint,
        title=change.title,
        dimension=change.dimension,
        before=change.before,
        after=change.swap.sizes,
    )
    patch = {f"setup.{path}": value for path, value in change.swap.patch.items()}
    return PlanChange((part,), patch, size=change.steps, change=change, note=note)


def of_session(change: HeatChange, patch: Patch) -> PlanChange:
    """From a change for the heat of a session, with its values at paths of the car."""
    part = MendPart(joint="", title=change.title, dimension="", before=(), after=())
    return PlanChange((part,), patch, size=1 + change.rank, about=change.about, note=change.cost)


class Cost(NamedTuple):
    """What changes cost together."""

    hours: float
    parts: int


def cost_of(changes: Iterable[PlanChange], hours: Mapping[Work, float] = HOURS) -> Cost:
    """Work that two changes share is done once."""
    jobs = frozenset(job for change in changes for job in change.jobs)
    return Cost(hours_of(jobs, hours), parts_in(jobs))


def with_changes_made(car: Car, setup: Setup, changes: Iterable[PlanChange]) -> tuple[Car, Setup]:
    """Both with these changes, checked. Raises Pydantic's `ValidationError` where the parts do not go together."""
    values = {path: value for change in changes for path, value in change.patch.items()}
    on_car = {path.removeprefix("car."): value for path, value in values.items() if path.startswith("car.")}
    on_setup = {path.removeprefix("setup."): value for path, value in values.items() if path.startswith("setup.")}
    return car.patched(on_car) if on_car else car, setup.patched(on_setup) if on_setup else setup
