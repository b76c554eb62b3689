"""The job itself, without interface, files or database: `from plimbo.core import assess`."""

from plimbo.core.answers import Assessment
from plimbo.core.assess import assess
from plimbo.core.documents import Car, Setup, State
from plimbo.core.errors import OutOfRange

__all__ = ["Assessment", "Car", "OutOfRange", "Setup", "State", "assess"]
