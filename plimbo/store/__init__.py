"""Documents, their revisions and long series in SQLite: every write one transaction, nothing saved ever changed."""

from plimbo.store.archive import Archive, Entry, NotArchived
from plimbo.store.backups import NotABackup, back_up, back_up_into, checksum_file
from plimbo.store.database import Database
from plimbo.store.faults import Fault, StoreFault, fault_of
from plimbo.store.folder import DataFolder, InUse
from plimbo.store.jobs import Job, Jobs, JobState
from plimbo.store.kinds import RecordKind
from plimbo.store.records import Conflict, NameTaken, NotFound, Records
from plimbo.store.restoring import restore
from plimbo.store.rows import Heading, NewRecord, Revision, Stored

__all__ = [
    "Archive",
    "Conflict",
    "DataFolder",
    "Database",
    "Entry",
    "Fault",
    "Heading",
    "InUse",
    "Job",
    "JobState",
    "Jobs",
    "NameTaken",
    "NewRecord",
    "NotABackup",
    "NotArchived",
    "NotFound",
    "RecordKind",
    "Records",
    "Revision",
    "StoreFault",
    "Stored",
    "back_up",
    "back_up_into",
    "checksum_file",
    "fault_of",
    "restore",
]
