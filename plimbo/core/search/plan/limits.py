"""What a plan may not touch, and what work costs."""

from typing import Annotated

from pydantic import Field

from plimbo.core.quantities.fields import Document
from plimbo.core.search.plan.work import HOURS, Job, Work

# Parts that may be pinned: a kind of work, with its axle where it has one.
PINNED = r"^((front|rear) )?[a-z]+$"
MOST_HOURS = 1000.0


class PlanLimits(Document):
    """Parts that stay, kinds of work that are left out, and hours."""

    pinned: tuple[Annotated[str, Field(max_length=24, pattern=PINNED)], ...] = Field(
        (),
        title="Mine stay",
        description="Parts that stay as they are, such as “front caliper” or “pedal”.",
        max_length=20,
    )
    left_out: tuple[Work, ...] = Field(
        (), title="Left out", description="Kinds of work that are not done at all.", max_length=len(Work)
    )
    hours: dict[Work, Annotated[float, Field(ge=0, le=MOST_HOURS)]] = Field(
        {},
        title="Hours",
        description="Hours of each kind of work at one axle; left out, Plimbo's own.",
    )

    def allow(self, jobs: frozenset[Job]) -> bool:
        """Whether nothing pinned or left out is touched."""
        return not any(job.work in self.left_out or job.name in self.pinned for job in jobs)

    @property
    def hours_of_work(self) -> dict[Work, float]:
        return {**HOURS, **self.hours}
