"""The job itself, without interface, files or database: `from plimbo.core import assess`."""

from plimbo.core.answers import Assessment
from plimbo.core.assess import assess
from plimbo.core.documents import Car, Setup, State
from plimbo.core.errors import OutOfRange
from plimbo.core.judging.uncertainty import Uncertainty, how_sure
from plimbo.core.measuring.measure import Measurements, measure
from plimbo.core.pedal.work import PedalWork, pedal_work
from plimbo.core.road.survey import Survey, survey

__all__ = [
    "Assessment",
    "Car",
    "Measurements",
    "OutOfRange",
    "PedalWork",
    "Setup",
    "State",
    "Survey",
    "Uncertainty",
    "assess",
    "how_sure",
    "measure",
    "pedal_work",
    "survey",
]
