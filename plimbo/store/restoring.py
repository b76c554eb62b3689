"""Restoring a backup: checked and read through first, then put in place of the present database, which is kept."""

import json
import sqlite3
from collections.abc import Iterator
from contextlib import closing
from datetime import datetime
from pathlib import Path

from pydantic import ValidationError

from plimbo.core.documents import FORMAT_VERSION
from plimbo.store.backups import (
    BESIDE,
    NotABackup,
    back_up,
    checksum_file,
    checksum_of,
    copy_database,
    is_of,
    made_whole,
)
from plimbo.store.database import revision_of
from plimbo.store.faults import Fault, StoreFault
from plimbo.store.folder import DataFolder, own
from plimbo.store.kinds import RecordKind

# Most unreadable things that are named.
NAMED = 5
ANYWAY = "Nothing was changed. With --anyway it is restored all the same."


def restore(folder: DataFolder, file: Path, *, anyway: bool = False) -> Path | None:
    """Restore a backup in place of the present database, which is kept as a named copy; returns the copy's path.

    The folder must be held. Raises `NotABackup` if the file is no complete database, if it has changed since it was
    made, or if something in it cannot be read (the last two not with `anyway`), and `StoreFault` if it belongs to a
    newer Plimbo or the disk refuses; then nothing is changed.
    """
    if not file.is_file():
        raise NotABackup(f"There is no file {file}.")
    if is_of(file, folder.database):
        raise NotABackup(f"{file} is the database itself. Nothing was changed: name a backup of it.")
    with made_whole(folder.database) as unfinished:
        try:
            copy_database(file, unfinished)
            _check(file, unfinished)
            if not anyway:
                _check_content(file, unfinished)
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


def _check_content(file: Path, copy: Path) -> None:
    kept = checksum_file(file)
    if kept.is_file() and kept.read_text(errors="replace").split()[:1] != [checksum_of(file)]:
        raise NotABackup(f"{file} is not as it was made: its checksum differs from that in {kept.name}. {ANYWAY}")
    unreadable = list(_unreadable(copy))
    if unreadable:
        further = f" and {len(unreadable) - NAMED} more" if len(unreadable) > NAMED else ""
        listed = ", ".join(unreadable[:NAMED])
        raise NotABackup(f"In {file} these cannot be read: {listed}{further}. {ANYWAY}")


def _unreadable(copy: Path) -> Iterator[str]:
    """What of a database cannot be read, each in a few words."""
    with closing(sqlite3.connect(copy)) as connection:
        connection.text_factory = bytes
        records = {row[0]: row[1:] for row in connection.execute("select id, kind, version from record")}
        newest = dict.fromkeys(records, b"")
        rows = connection.execute("select record_id, number, format_version, document from revision order by number")
        for record_id, number, format_version, document in rows:
            kind, version = records.get(record_id, (b"", 0))
            name = _name_of(document)
            if name:
                newest[record_id] = name.encode()
            if number == version:
                records.pop(record_id, None)
            if not _is_readable(kind, document, format_version):
                yield f"{_text(kind)} “{name or newest.get(record_id, b'').decode()}”, state {_text(number)}"
        for record_id, (kind, version) in records.items():
            yield f"{_text(kind)} “{newest[record_id].decode()}”, state {_text(version)} is missing"
        for (content,) in connection.execute("select content from desk"):
            if not isinstance(_parsed(content), dict):
                yield "what lay open"


def _is_readable(kind: bytes, document: object, format_version: object) -> bool:
    content = _parsed(document)
    if not isinstance(content, dict) or not RecordKind.is_known(_text(kind)) or not isinstance(format_version, int):
        return False
    if format_version > FORMAT_VERSION:
        return False
    try:
        RecordKind.named(_text(kind)).document.model_validate(content)
    except ValidationError:
        return False
    return True


def _parsed(text: object) -> object:
    try:
        return json.loads(text) if isinstance(text, bytes) else None
    except (ValueError, RecursionError):
        return None


def _name_of(document: object) -> str:
    content = _parsed(document)
    return str(content.get("name", "")) if isinstance(content, dict) else ""


def _text(value: object) -> str:
    return value.decode("utf-8", "replace") if isinstance(value, bytes) else str(value)


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
        for end in ("", *BESIDE):
            part = folder.database.with_name(folder.database.name + end)
            if part.exists():
                aside.with_name(name + end).write_bytes(part.read_bytes())
    for end in BESIDE:
        folder.database.with_name(folder.database.name + end).unlink(missing_ok=True)
    return aside
