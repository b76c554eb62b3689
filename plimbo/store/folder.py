"""The data folder: private to its owner, and used by one server at a time."""

import os
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from filelock import FileLock, Timeout

from plimbo.store.faults import fault_of

OWNER_ONLY, OWNERS_FOLDER = 0o600, 0o700


class InUse(Exception):
    """Another process has the folder."""


class DataFolder:
    """The folder of the database, its backups and the error log."""

    def __init__(self, path: Path) -> None:
        self.path = path
        self.database = path / "plimbo.sqlite3"
        self.backups = path / "backups"
        self.uploads = path / "uploads"
        self.log = path / "logs" / "plimbo.log"
        self._lock = path / "plimbo.lock"

    def make(self) -> None:
        """Make it, private to its owner; a folder that holds other files keeps its permissions.

        Raises `StoreFault` where it cannot be made.
        """
        try:
            own(self.path)
        except OSError as error:
            raise fault_of(error, self.path) or error from None

    @contextmanager
    def held(self) -> Iterator[None]:
        """Locked for this process. Raises `InUse`, whose message names the other process."""
        self.make()
        lock = FileLock(self._lock, mode=OWNER_ONLY)
        try:
            lock.acquire(blocking=False)
        except Timeout:
            raise InUse(
                f"Another Plimbo{self._holder()} has {self.path} open. Nothing was changed: stop that one first, or"
                " choose another folder with --data."
            ) from None
        except OSError as error:
            raise fault_of(error, self.path) or error from None
        try:
            self._lock.write_text(f"{os.getpid()}\n")
            # Incomplete files of a restore that was killed.
            for part in self.path.glob(f".{self.database.name}.*.part*"):
                part.unlink()
            yield
        finally:
            self._lock.unlink(missing_ok=True)
            lock.release()

    def _holder(self) -> str:
        try:
            number = self._lock.read_text().strip()
        except OSError:
            number = ""
        return f" (process {number})" if number else ""


def own(folder: Path) -> None:
    """Make a folder private to its owner, or make an existing one private if all files in it are ours."""
    made = not folder.exists()
    folder.mkdir(parents=True, exist_ok=True, mode=OWNERS_FOLDER)
    ours = made or all(file.name.startswith(("plimbo", "backups", "logs")) for file in folder.iterdir())
    if ours and folder.stat().st_mode & 0o077 and folder.stat().st_uid == os.getuid():
        folder.chmod(OWNERS_FOLDER)


def own_file(file: Path) -> None:
    """Make a file private to its owner, new or existing."""
    os.close(os.open(file, os.O_CREAT | os.O_RDWR, OWNER_ONLY))
    if file.stat().st_mode & 0o077:
        file.chmod(OWNER_ONLY)
