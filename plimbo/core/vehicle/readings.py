"""What every measurement answers with: what is wrong with its readings, and what the car takes over from it."""

from pydantic import Field

from plimbo.core.quantities.phrases import Phrase
from plimbo.core.quantities.results import Result


class Complaint(Result):
    """Something that cannot be so, at the field where it shows."""

    path: str
    message: Phrase


class Measurement(Result):
    """Worked out from readings; numbers that cannot be worked out yet are none."""

    complaints: tuple[Complaint, ...] = ()
    advice: Phrase | None = None
    takes: dict[str, float] = Field({}, description="Paths in the car, and the values that it can take over.")
