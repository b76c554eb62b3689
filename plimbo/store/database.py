"""The database file: opened safely, migrated to the newest schema, one file again when it is closed."""

import logging
import sqlite3
from contextlib import closing
from pathlib import Path
from typing import Any

from sqlalchemy import Engine, create_engine, event
from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session, sessionmaker

from plimbo.store.faults import Fault, StoreFault, fault_of
from plimbo.store.folder import own, own_file

log = logging.getLogger(__name__)
MIGRATIONS = Path(__file__).with_name("migrations")
_MARK = "alembic_version"
# Time that a writer waits for another one, s.
BUSY_SECONDS = 15.0


class BrokenReference(RuntimeError):
    """A row refers to one that is not there."""


def known_revisions() -> list[str]:
    """The migrations that the code knows, in order, as their files are named."""
    return sorted(file.name.split("_")[0] for file in (MIGRATIONS / "versions").glob("[0-9]*.py"))


def revision_of(path: Path, connection: sqlite3.Connection) -> str | None:
    """The migration of a database; none if it is empty.

    Raises `StoreFault` if it belongs to another program or a newer Plimbo.
    """
    tables = {row[0] for row in connection.execute("select name from sqlite_master where type = 'table'")}
    if not tables:
        return None
    row = connection.execute("select version_num from alembic_version").fetchone() if _MARK in tables else None
    known = known_revisions()
    if row is None or (row[0] not in known and not row[0].isdigit()):
        raise StoreFault(Fault.FOREIGN, path)
    if row[0] not in known:
        raise StoreFault(Fault.NEWER, path)
    return str(row[0])


class Database:
    """One SQLite file in WAL mode with foreign keys; an acknowledged save survives a crash."""

    def __init__(self, path: Path) -> None:
        """Raises `StoreFault` where the file cannot be made or opened."""
        self.path = path
        try:
            own(path.parent)
            own_file(path)
        except OSError as error:
            raise fault_of(error, path) or error from None
        self.engine = _engine(path)
        self._reading = sessionmaker(self.engine)
        self._writing = sessionmaker(self.engine.execution_options(writes=True), expire_on_commit=False)

    def migrate(self) -> None:
        """Migrate the schema to the newest revision, completely or not at all.

        Raises `BrokenReference` if a migration leaves a row that refers to a missing one, and `StoreFault` if the file
        is damaged or belongs to another program or a newer Plimbo; then nothing is changed.
        """
        try:
            self._migrate()
        except (DBAPIError, sqlite3.DatabaseError) as error:
            raise fault_of(error, self.path) or error from None

    def _migrate(self) -> None:
        with closing(sqlite3.connect(self.path)) as connection:
            if revision_of(self.path, connection) == known_revisions()[-1]:
                return
        # Imported only when needed: it is slow, and most starts have nothing to migrate.
        from alembic import command  # noqa: PLC0415
        from alembic.config import Config  # noqa: PLC0415

        config = Config()
        config.set_main_option("script_location", str(MIGRATIONS))
        # A table that others refer to may be rebuilt: only with foreign keys off do the referring rows stay.
        engine = _engine(self.path, foreign_keys=False)
        try:
            with engine.execution_options(writes=True).begin() as connection:
                config.attributes["connection"] = connection
                command.upgrade(config, "head")
                broken = connection.exec_driver_sql("pragma foreign_key_check").all()
                if broken:
                    raise BrokenReference(f"{broken[0][0]}, row {broken[0][1]}, refers to no {broken[0][2]}")
        finally:
            engine.dispose()

    def reading(self) -> Session:
        """A read-only session."""
        return self._reading()

    def writing(self) -> Any:
        """A session in one transaction: committed at the end, or rolled back."""
        return self._writing.begin()

    def close(self) -> None:
        """Leave one file: merge the log into it and delete the log."""
        self.engine.dispose()
        try:
            with closing(sqlite3.connect(self.path, timeout=5)) as connection:
                connection.execute("pragma wal_checkpoint(truncate)")
        except sqlite3.DatabaseError as error:
            # Nothing is lost: the next start merges the log.
            log.warning("the log of %s stays beside it: %s", self.path, error)


def _engine(path: Path, *, foreign_keys: bool = True) -> Engine:
    engine = create_engine(f"sqlite:///{path}", connect_args={"timeout": BUSY_SECONDS})

    @event.listens_for(engine, "connect")
    def prepare(connection: sqlite3.Connection, _record: object) -> None:
        # SQLAlchemy begins transactions itself, see `begin` below.
        connection.isolation_level = None
        # Text that is not UTF-8 is read with replacement characters, so that its row does not hide the others.
        connection.text_factory = lambda raw: raw.decode("utf-8", "replace")
        checked = "on" if foreign_keys else "off"
        for pragma in ("journal_mode = wal", "synchronous = full", f"foreign_keys = {checked}"):
            connection.execute(f"pragma {pragma}")

    @event.listens_for(engine, "begin")
    def begin(connection: Any) -> None:
        # A writer takes the lock at once: two writers queue up instead of failing midway.
        connection.exec_driver_sql("begin immediate" if connection.get_execution_options().get("writes") else "begin")

    return engine
