"""The database file: opened safely, brought to the newest schema, backed up while in use."""

import sqlite3
from pathlib import Path
from typing import Any

from sqlalchemy import Engine, create_engine, event
from sqlalchemy.orm import Session, sessionmaker

MIGRATIONS = Path(__file__).with_name("migrations")


class BrokenReference(RuntimeError):
    """A row refers to one that is not there."""


def newest_revision() -> str:
    """The migration that the code expects: their files are named in order."""
    return max(file.name for file in (MIGRATIONS / "versions").glob("[0-9]*.py")).split("_")[0]


class Database:
    """One SQLite file in WAL mode with foreign keys; a save that was acknowledged survives a crash."""

    def __init__(self, path: Path) -> None:
        path.parent.mkdir(parents=True, exist_ok=True)
        self.path = path
        self.engine = _engine(path)
        self._reading = sessionmaker(self.engine)
        self._writing = sessionmaker(self.engine.execution_options(writes=True), expire_on_commit=False)

    def migrate(self) -> None:
        """Bring the schema to the newest revision, all of it or nothing.

        Raises `BrokenReference` where a migration leaves a row that points nowhere; nothing is changed then.
        """
        if self._revision() == newest_revision():
            return
        # Loaded where it is wanted: it takes a while, and most starts have nothing to migrate.
        from alembic import command  # noqa: PLC0415
        from alembic.config import Config  # noqa: PLC0415

        config = Config()
        config.set_main_option("script_location", str(MIGRATIONS))
        # A table that others refer to is made anew: only without foreign keys do those rows stay while it is gone.
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

    def _revision(self) -> str | None:
        """The migration that the file is at; none where it is new."""
        with sqlite3.connect(self.path) as connection:
            try:
                row = connection.execute("select version_num from alembic_version").fetchone()
            except sqlite3.OperationalError:
                row = None
        connection.close()
        return None if row is None else str(row[0])

    def reading(self) -> Session:
        """A session for looking."""
        return self._reading()

    def writing(self) -> Any:
        """A session in one transaction: committed at the end, or nothing at all."""
        return self._writing.begin()

    def backup(self, target: Path) -> None:
        """Copy the database while others use it, by SQLite's online backup."""
        target.parent.mkdir(parents=True, exist_ok=True)
        unfinished = target.with_name(target.name + ".part")
        with sqlite3.connect(self.path) as source, sqlite3.connect(unfinished) as copy:
            source.backup(copy)
        copy.close()
        source.close()
        unfinished.replace(target)

    def close(self) -> None:
        self.engine.dispose()


def _engine(path: Path, *, foreign_keys: bool = True) -> Engine:
    engine = create_engine(f"sqlite:///{path}", connect_args={"timeout": 15})

    @event.listens_for(engine, "connect")
    def prepare(connection: sqlite3.Connection, _record: object) -> None:
        # SQLAlchemy begins transactions itself, see `begin` below.
        connection.isolation_level = None
        checked = "on" if foreign_keys else "off"
        for pragma in ("journal_mode = wal", "synchronous = full", f"foreign_keys = {checked}"):
            connection.execute(f"pragma {pragma}")

    @event.listens_for(engine, "begin")
    def begin(connection: Any) -> None:
        # A writer takes the lock at once: two of them queue up instead of failing half way.
        connection.exec_driver_sql("begin immediate" if connection.get_execution_options().get("writes") else "begin")

    return engine
