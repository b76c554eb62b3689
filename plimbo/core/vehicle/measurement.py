"""The answer of every measurement: what is wrong with its readings, and the values that the car can take from it."""

from pydantic import Field

from plimbo.core.quantities.phrases import Phrase
from plimbo.core.quantities.results import Result


class Complaint(Result):
    """An impossible reading, at its field."""

    path: str
    message: Phrase


class Measurement(Result):
    """Calculated from readings; a number that cannot be calculated yet is none."""

    complaints: tuple[Complaint, ...] = ()
    advice: Phrase | None = None
    takes: dict[str, float] = Field({}, description="Paths in the car, and the values that it can take over.")
