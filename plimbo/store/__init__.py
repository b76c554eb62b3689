"""Cars, setups and their revisions in SQLite: every write one transaction, no revision ever changed."""

from plimbo.store.database import Database
from plimbo.store.records import Conflict, Kind, NotFound, Records, Revision, Stored

__all__ = ["Conflict", "Database", "Kind", "NotFound", "Records", "Revision", "Stored"]
