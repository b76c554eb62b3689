"""Kinds of work, their hours, and the parts that a change touches."""

from collections.abc import Iterable, Mapping
from typing import NamedTuple

from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.choices import Choice


class Work(Choice):
    """What is worked on, from the least labour to the most."""

    SETTING = "setting", "settings"
    TAPE = "tape", "tape and shields"
    FLUID = "fluid"
    PADS = "pads"
    HOSES = "hoses"
    CYLINDER = "cylinder", "cylinders and valve"
    DUCT = "duct", "ducts"
    DISC = "disc", "discs"
    CALIPER = "caliper", "calipers"
    PEDAL = "pedal", "pedal and booster"


# Hours at one axle. Plimbo's own; others may be given.
HOURS: Mapping[Work, float] = {
    Work.SETTING: 0.1,
    Work.TAPE: 0.2,
    Work.FLUID: 0.5,
    Work.PADS: 1.0,
    Work.HOSES: 1.5,
    Work.CYLINDER: 2.0,
    Work.DUCT: 3.0,
    Work.DISC: 3.0,
    Work.CALIPER: 4.0,
    Work.PEDAL: 5.0,
}
# Work that needs no part.
NO_PART = frozenset({Work.SETTING, Work.TAPE})


class Job(NamedTuple):
    """One kind of work at one axle, or on the car where it belongs to neither."""

    work: Work
    axle: Axle | None

    @property
    def name(self) -> str:
        """As in “front caliper”."""
        return f"{self.axle} {self.work}" if self.axle else str(self.work)


# The kind of work by the part of the path that names it; the first that fits counts.
_AT_AXLE = {
    "pad": Work.PADS,
    "disc": Work.DISC,
    "caliper": Work.CALIPER,
    "lines": Work.HOSES,
    "master_cylinder": Work.CYLINDER,
    "cooling.duct": Work.DUCT,
    "cooling": Work.TAPE,
}
_ON_THE_CAR = {
    "setup.fluid": Work.FLUID,
    "setup.tandem": Work.CYLINDER,
    "setup.valve.kind": Work.CYLINDER,
    "setup.pedal": Work.PEDAL,
    "setup.booster": Work.PEDAL,
}


def job_of(path: str) -> Job:
    """The work that a value at a path of `car` or `setup` asks for; a value of a session is a setting."""
    for axle in Axle:
        for part, work in _AT_AXLE.items():
            if path.startswith(f"setup.{axle}.{part}"):
                return Job(work, axle)
    for start, work in _ON_THE_CAR.items():
        if path.startswith(start):
            return Job(work, None)
    return Job(Work.SETTING, None)


def jobs_of(paths: Iterable[str]) -> frozenset[Job]:
    """All the work; a setting beside a part of the same place is part of fitting it."""
    found = frozenset(job_of(path) for path in paths)
    parts = frozenset(job for job in found if job.work not in NO_PART)
    return parts or found


def hours_of(jobs: Iterable[Job], hours: Mapping[Work, float] = HOURS) -> float:
    """Hours of these jobs, each done once."""
    return sum(hours.get(job.work, HOURS[job.work]) for job in jobs)


def parts_in(jobs: Iterable[Job]) -> int:
    """How many parts these jobs fit: one kind at one axle counts as one."""
    return sum(job.work not in NO_PART for job in jobs)
