"""Backups of the database: made while it is in use, limited per day, checked and restored."""

import os
import sqlite3
from collections.abc import Iterator
from contextlib import closing, contextmanager, suppress
from datetime import datetime
from pathlib import Path

from plimbo.store.database import revision_of
from plimbo.store.faults import Fault, StoreFault, fault_of
from plimbo.store.folder import DataFolder, own, own_file

# Backups kept of one day by default.
KEPT_OF_A_DAY = 10
_NAME = "plimbo-{:%Y-%m-%d-%H%M%S}.sqlite3"
_BESIDE = ("-wal", "-shm", "-journal")


class NotABackup(Exception):
    """The file cannot be restored, or the copy cannot be written there; the message says why."""


def back_up(source: Path, target: Path) -> None:
    """Copy a database, also one in use, to a single file that needs nothing beside it.

    Raises `NotABackup` where the target is the source, and `StoreFault` where it cannot be read or written; the target
    is then unchanged.
    """
    if _is_of(target, source):
        raise NotABackup(f"{target} is the database itself. Nothing was changed: name another file.")
    if target.is_dir():
        raise NotABackup(f"{target} is a folder. Nothing was changed: name a file in it, or say how many to --keep.")
    with _made_whole(target) as unfinished:
        _copy(source, unfinished)


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
        old.unlink()
    return target


def restore(folder: DataFolder, file: Path) -> Path | None:
    """Restore a backup in place of the present database, which is kept as a named copy; returns the copy's path.

    The folder must be held. Raises `NotABackup` if the file is no complete database, and `StoreFault` if it belongs to
    a newer Plimbo or the disk refuses; then nothing is changed.
    """
    if not file.is_file():
        raise NotABackup(f"There is no file {file}.")
    if _is_of(file, folder.database):
        raise NotABackup(f"{file} is the database itself. Nothing was changed: name a backup of it.")
    with _made_whole(folder.database) as unfinished:
        try:
            _copy(file, unfinished)
            _check(file, unfinished)
        except (StoreFault, sqlite3.DatabaseError) as error:
            if isinstance(error, sqlite3.DatabaseError) or error.fault is Fault.DAMAGED:
                raise NotABackup(f"{file} is damaged or no database at all. Nothing was changed.") from None
            raise
        # The copy is complete now; the present database is moved aside before it is replaced.
        return _put_aside(folder) if folder.database.exists() else None


def _check(file: Path, copy: Path) -> None:
    with closing(sqlite3.connect(copy)) as connection:
        if connection.execute("pragma integrity_check").fetchone() != ("ok",):
            raise NotABackup(f"{file} is damaged. Nothing was changed.")
        if connection.execute("pragma foreign_key_check").fetchone() is not None:
            raise NotABackup(f"{file} is damaged: a row in it points nowhere. Nothing was changed.")
        if revision_of(file, connection) is None:
            raise NotABackup(f"{file} is empty. Nothing was changed.")


def _put_aside(folder: DataFolder) -> Path:
    """Keep the present database under a name, including its log, and leave no log behind that would be applied to
    another file.
    """
    own(folder.backups)
    name = f"before-restore-{datetime.now():%Y-%m-%d-%H%M%S-%f}.sqlite3"
    aside = folder.backups / name
    try:
        back_up(folder.database, aside)
        with closing(sqlite3.connect(folder.database)) as connection:
            connection.execute("pragma wal_checkpoint(truncate)")
    except (StoreFault, sqlite3.DatabaseError):
        # Damaged: kept as it is, with its log.
        for end in ("", *_BESIDE):
            part = folder.database.with_name(folder.database.name + end)
            if part.exists():
                aside.with_name(name + end).write_bytes(part.read_bytes())
    for end in _BESIDE:
        folder.database.with_name(folder.database.name + end).unlink(missing_ok=True)
    return aside


def _copy(source: Path, target: Path) -> None:
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
    beside = any(source.with_name(source.name + end).exists() for end in _BESIDE)
    how = "mode=rw" if writable else "mode=ro" if beside else "mode=ro&immutable=1"
    connection = sqlite3.connect(f"{source.resolve().as_uri()}?{how}", uri=True, timeout=15)
    connection.execute("select count(*) from sqlite_master").fetchone()
    return connection


def _is_at(error: sqlite3.DatabaseError) -> bool:
    """Whether the fault lies with the source, not the target."""
    return error.sqlite_errorcode & 0xFF in {sqlite3.SQLITE_CORRUPT, sqlite3.SQLITE_NOTADB, sqlite3.SQLITE_CANTOPEN}


def _is_of(file: Path, database: Path) -> bool:
    """Whether a file is the database, or one of those that SQLite keeps beside it."""
    own_files = [database, *(database.with_name(database.name + end) for end in _BESIDE)]
    return any(
        file.resolve() == one.resolve() or (file.exists() and one.exists() and file.samefile(one)) for one in own_files
    )


@contextmanager
def _made_whole(target: Path) -> Iterator[Path]:
    """A temporary file beside the target, which replaces it once it is complete and on the disk, or is deleted."""
    unfinished = target.with_name(f".{target.name}.{os.getpid()}.part")
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
        for end in ("", *_BESIDE):
            with suppress(OSError):  # if it could not be created there is nothing to delete
                unfinished.with_name(unfinished.name + end).unlink(missing_ok=True)
