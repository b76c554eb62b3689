"""Documents, their revisions and long series in SQLite: every write one transaction, nothing saved ever changed."""

from plimbo.store.backups import NotABackup, back_up, back_up_into, restore
from plimbo.store.database import Database
from plimbo.store.faults import Fault, StoreFault, fault_of
from plimbo.store.folder import DataFolder, InUse
from plimbo.store.garage import Entry, Garage, StillListed
from plimbo.store.jobs import Job, Jobs, JobState
from plimbo.store.records import (
    Conflict,
    Heading,
    Kind,
    NameTaken,
    NotFound,
    Records,
    Revision,
    Stored,
)

__all__ = [
    "Conflict",
    "DataFolder",
    "Database",
    "Entry",
    "Fault",
    "Garage",
    "Heading",
    "InUse",
    "Job",
    "JobState",
    "Jobs",
    "Kind",
    "NameTaken",
    "NotABackup",
    "NotFound",
    "Records",
    "Revision",
    "StillListed",
    "StoreFault",
    "Stored",
    "back_up",
    "back_up_into",
    "fault_of",
    "restore",
]
