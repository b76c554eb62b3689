"""Documents, their revisions and long series in SQLite: every write one transaction, nothing saved ever changed."""

from plimbo.store.database import Database
from plimbo.store.records import Conflict, Heading, Kind, NotFound, Records, Revision, Stored

__all__ = ["Conflict", "Database", "Heading", "Kind", "NotFound", "Records", "Revision", "Stored"]
