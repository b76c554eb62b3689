"""Backups of the database: made while it is in use, each with a checksum, limited per day."""

import hashlib
import os
import sqlite3
import uuid
from collections.abc import Iterator
from contextlib import closing, contextmanager, suppress
from datetime import datetime
from pathlib import Path

from plimbo.store.faults import fault_of
from plimbo.store.folder import own, own_file

# Backups kept of one day by default.
KEPT_OF_A_DAY = 10
# To the microsecond, so that two made at once are two.
_NAME = "plimbo-{:%Y-%m-%d-%H%M%S-%f}.sqlite3"
_CHECKSUM = ".sha256"
BESIDE = ("-wal", "-shm", "-journal")


class NotABackup(Exception):
    """The file cannot be restored, or the copy cannot be written there; the message says why."""


def back_up(source: Path, target: Path) -> None:
    """Copy a database, also one in use, to a single file that needs nothing beside it.

    Its checksum stands beside it, as `sha256sum` writes it.

    Raises `NotABackup` where the target is the source, and `StoreFault` where it cannot be read or written; the target
    is then unchanged.
    """
    if is_of(target, source):
        raise NotABackup(f"{target} is the database itself. Nothing was changed: name another file.")
    if target.is_dir():
        raise NotABackup(f"{target} is a folder. Nothing was changed: name a file in it, or say how many to --keep.")
    try:
        with made_whole(target) as unfinished:
            copy_database(source, unfinished)
            with made_whole(checksum_file(target)) as beside:
                beside.write_text(f"{checksum_of(unfinished)}  {target.name}\n")
    except BaseException:
        # Of a backup that was to be replaced, it would be the wrong one.
        with suppress(OSError):  # where it could not be made, there is none
            checksum_file(target).unlink()
        raise


def back_up_into(source: Path, folder: Path, keep: int = KEPT_OF_A_DAY) -> Path:
    """Adds a copy to a folder, named by date and time; only the newest `keep` of one day stay. Returns the file.

    Raises as `back_up`.
    """
    try:
        own(folder)
    except OSError as error:
        raise fault_of(error, folder) or error from None
    now = datetime.now()
    target = folder / _NAME.format(now)
    back_up(source, target)
    of_today = sorted(folder.glob(f"plimbo-{now:%Y-%m-%d}-*.sqlite3"), reverse=True)
    for old in of_today[max(1, keep) :]:
        # Another backup may delete it at the same moment.
        old.unlink(missing_ok=True)
        checksum_file(old).unlink(missing_ok=True)
    return target


def checksum_file(backup: Path) -> Path:
    """The file that holds a backup's checksum."""
    return backup.with_name(backup.name + _CHECKSUM)


def checksum_of(file: Path) -> str:
    """SHA-256 of its content."""
    with file.open("rb") as content:
        return hashlib.file_digest(content, "sha256").hexdigest()


def copy_database(source: Path, target: Path) -> None:
    """By SQLite's online backup, as one file that opens on read-only media."""
    try:
        with closing(_readable(source)) as reading, closing(sqlite3.connect(target)) as copy:
            reading.backup(copy)
            copy.execute("pragma journal_mode = delete")
    except sqlite3.DatabaseError as error:
        raise fault_of(error, source if _is_at(error) else target) or error from None


def _readable(source: Path) -> sqlite3.Connection:
    """Opened so that its log is read too; on read-only media as an immutable file."""
    writable = os.access(source, os.W_OK) and os.access(source.parent, os.W_OK)
    beside = any(source.with_name(source.name + end).exists() for end in BESIDE)
    how = "mode=rw" if writable else "mode=ro" if beside else "mode=ro&immutable=1"
    connection = sqlite3.connect(f"{source.resolve().as_uri()}?{how}", uri=True, timeout=15)
    connection.execute("select count(*) from sqlite_master").fetchone()
    return connection


def _is_at(error: sqlite3.DatabaseError) -> bool:
    """Whether the fault lies with the source, not the target."""
    return error.sqlite_errorcode & 0xFF in {sqlite3.SQLITE_CORRUPT, sqlite3.SQLITE_NOTADB, sqlite3.SQLITE_CANTOPEN}


def is_of(file: Path, database: Path) -> bool:
    """Whether a file is the database, or one of those that SQLite keeps beside it."""
    own_files = [database, *(database.with_name(database.name + end) for end in BESIDE)]
    return any(
        file.resolve() == one.resolve() or (file.exists() and one.exists() and file.samefile(one)) for one in own_files
    )


@contextmanager
def made_whole(target: Path) -> Iterator[Path]:
    """A temporary file beside the target, which replaces it once it is complete and on the disk, or is deleted."""
    unfinished = target.with_name(f".{target.name}.{uuid.uuid4().hex[:12]}.part")
    try:
        target.parent.mkdir(parents=True, exist_ok=True)
        own_file(unfinished)
        yield unfinished
        with unfinished.open("rb+") as written:
            os.fsync(written.fileno())
        unfinished.replace(target)
        folder = os.open(target.parent, os.O_RDONLY)
        os.fsync(folder)
        os.close(folder)
    except OSError as error:
        raise fault_of(error, target) or error from None
    finally:
        for end in ("", *BESIDE):
            with suppress(OSError):  # if it could not be created there is nothing to delete
                unfinished.with_name(unfinished.name + end).unlink(missing_ok=True)
