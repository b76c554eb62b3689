"""Faults of the database or its disk, in words: what happened, what is safe, what to do."""

import errno
import sqlite3
from enum import StrEnum
from pathlib import Path

from sqlalchemy.exc import DBAPIError


class Fault(StrEnum):
    """The kind of fault."""

    DAMAGED = "damaged"
    FOREIGN = "foreign"
    NEWER = "newer"
    BUSY = "busy"
    NOT_A_FILE = "not a file"
    FULL = "full"
    READ_ONLY = "read-only"
    DISK = "disk"


_WORDS = {
    Fault.DAMAGED: "{path} is damaged. Leave it as it is and bring a backup back with plimbo restore, which keeps a"
    " copy of it.",
    Fault.FOREIGN: "{path} is a database of another program. Nothing was changed: choose another folder with --data.",
    Fault.NEWER: "{path} was written by a newer Plimbo. Nothing was changed: open it with that one, or choose another"
    " folder with --data.",
    Fault.BUSY: "{path} is in use by another program. What was saved before is safe: close that program, or try again.",
    Fault.NOT_A_FILE: "{path} cannot be opened as a file: is it a folder, or does it stand in a file's place? Nothing"
    " was changed: choose another folder with --data.",
    Fault.FULL: "The disk that holds {path} is full. What was saved before is safe: make room, then save again.",
    Fault.READ_ONLY: "{path} may not be written: the disk or its folder is read-only for you. What was saved before is"
    " safe: allow writing, then try again.",
    Fault.DISK: "The disk that holds {path} does not answer as it should. What was saved before is safe as far as the"
    " disk is: look after the disk, and keep a copy.",
}


class StoreFault(Exception):
    """The database cannot do it; the message says what happened, what is safe and what to do."""

    def __init__(self, fault: Fault, path: Path) -> None:
        super().__init__(_WORDS[fault].format(path=path))
        self.fault = fault


_BY_CODE = {
    sqlite3.SQLITE_CORRUPT: Fault.DAMAGED,
    sqlite3.SQLITE_NOTADB: Fault.DAMAGED,
    sqlite3.SQLITE_BUSY: Fault.BUSY,
    sqlite3.SQLITE_LOCKED: Fault.BUSY,
    sqlite3.SQLITE_CANTOPEN: Fault.NOT_A_FILE,
    sqlite3.SQLITE_FULL: Fault.FULL,
    sqlite3.SQLITE_READONLY: Fault.READ_ONLY,
    sqlite3.SQLITE_PERM: Fault.READ_ONLY,
    sqlite3.SQLITE_IOERR: Fault.DISK,
}
_BY_ERRNO = {
    errno.ENOSPC: Fault.FULL,
    errno.EDQUOT: Fault.FULL,
    errno.EROFS: Fault.READ_ONLY,
    errno.EACCES: Fault.READ_ONLY,
    errno.EPERM: Fault.READ_ONLY,
    errno.EISDIR: Fault.NOT_A_FILE,
    errno.ENOTDIR: Fault.NOT_A_FILE,
    errno.EEXIST: Fault.NOT_A_FILE,
}


def fault_of(error: BaseException, path: Path) -> StoreFault | None:
    """The fault behind an error of SQLite, SQLAlchemy or the operating system; none if it is none of them."""
    if isinstance(error, StoreFault):
        return error
    if isinstance(error, DBAPIError) and error.orig is not None:
        error = error.orig
    if isinstance(error, sqlite3.DatabaseError) and hasattr(error, "sqlite_errorcode"):
        # The low byte is the primary error code.
        found = _BY_CODE.get(error.sqlite_errorcode & 0xFF)
        return StoreFault(found, path) if found else None
    if isinstance(error, OSError):
        return StoreFault(_BY_ERRNO.get(error.errno or 0, Fault.DISK), path)
    return None
